// What an apprentice shows outside the school, by a link that ends.
import { date, named } from '../shape/fields'
import { array, object, string, uuid, type InferType } from '../shape/yup'
import type { Standing, State } from '@peen/core/competency'

/** Days for which a link may stay open, at most. Chosen: half a year covers a search for a job. */
export const MOST_OPEN_DAYS = 183
/** Certificates, trims, pictures of one trim and charts that a portfolio holds at most. */
export const MOST_SHOWN = { certificates: 20, trims: 20, pictures: 6, charts: 12 } as const

const id = () => uuid().required()
const list = (label: string, most: number) => array().of(id()).required().max(most, `${label}: choose up to ${most}.`)

export const newPortfolioSchema = object({
  id: id(),
  title: named('For whom', 80),
  endsOn: date('Last day').required('Choose the last day of the link.'),
  certificates: list('Certificates', MOST_SHOWN.certificates),
  trims: array()
    .of(object({ gradingId: id(), pictures: list('Photographs of a trim', MOST_SHOWN.pictures) }).noUnknown())
    .required()
    .max(MOST_SHOWN.trims, `Trims: choose up to ${MOST_SHOWN.trims}.`),
  charts: array().of(string().required().max(60)).required().max(MOST_SHOWN.charts, `Charts: choose up to ${MOST_SHOWN.charts}.`)
})
  .noUnknown()
  .test('some', 'Choose at least one certificate, trim or chart.', ({ certificates, trims, charts }) =>
    [certificates, trims, charts].some((some) => (some?.length ?? 0) > 0)
  )
export type NewPortfolio = InferType<typeof newPortfolioSchema>

export const openPortfolioSchema = object({
  id: string().required().max(36),
  secret: string().required().max(60),
  reader: named('Your name or company', 80)
}).noUnknown()
export type OpenPortfolio = InferType<typeof openPortfolioSchema>

/** A picture that may be shown: taken before or after the trim. */
export type PortfolioPicture = { readonly id: string; readonly moment: string; readonly stance: string }

/** What an apprentice may choose from. */
export type PortfolioChoices = {
  readonly certificates: readonly {
    readonly findingId: string
    readonly name: string
    readonly number: string
    readonly issuedOn: string
  }[]
  readonly trims: readonly {
    readonly gradingId: string
    readonly trim: string
    readonly onDate: string
    /** of 100 */
    readonly mark: number
    readonly pictures: readonly PortfolioPicture[]
  }[]
  /** trims of the last days, which another assessor may still mark blind, and those that are waiting for their apprentice's own word */
  readonly notYet: number
  readonly charts: readonly { readonly techniqueId: string; readonly name: string; readonly state: State; readonly attempts: number }[]
}

export type PortfolioRow = {
  readonly id: string
  readonly title: string
  readonly madeOn: string
  readonly endsOn: string
  readonly state: 'open' | 'ended' | 'takenBack'
  readonly certificates: number
  readonly trims: number
  readonly charts: number
  readonly opened: readonly { readonly reader: string; readonly at: string }[]
}
/** The secret is told once: only its hash is kept. */
export type PortfolioMade = { readonly path: string; readonly portfolios: readonly PortfolioRow[] }

/** A portfolio as its readers see it. Days as yyyy-mm-dd, marks of 100 with their 95 % interval. */
export type PortfolioView = {
  /** for the pictures, while this page is open */
  readonly open: string
  readonly holder: string
  readonly school: string
  readonly title: string
  readonly endsOn: string
  readonly certificates: readonly {
    readonly name: string
    readonly claim: string
    readonly number: string
    readonly code: string | null
    readonly issuedOn: string
    readonly validUntil: string | null
    readonly standing: 'valid' | 'expired' | 'revoked'
  }[]
  readonly trims: readonly {
    readonly trim: string
    /** only where its owner allows it */
    readonly dog: string | null
    readonly coat: string
    readonly onDate: string
    readonly assessor: string
    readonly mark: number
    readonly low: number
    readonly high: number
    readonly outcome: string
    readonly praise: string | null
    readonly pictures: readonly PortfolioPicture[]
  }[]
  readonly charts: readonly { readonly name: string; readonly clean: number; readonly standing: ChartShown }[]
}
/** What a learning chart is drawn from. */
export type ChartShown = Pick<Standing, 'scores' | 'limit' | 'cleanRun' | 'expected' | 'score' | 'attempts' | 'lastOn'>
