// One visit of one dog: what was found, with what it is set up, how it is closed.
import { COAT_FINDINGS, FEET, PURPOSES, SKIN_FINDINGS, type Foot, type Found } from '@peen/core/checkin'
import { SIDES } from '@peen/core/practice'
import { REGION_IDS } from '@peen/core/regions'
import { type AgreedTarget, WISH_LIMITS_MM, type Chosen, type LineId } from '@peen/core/setup'
import { WORK_WISHES, type Standard, type WorkWish } from '@peen/core/standard'
import type { Tool } from '@peen/core/tools'
import { chosen, date, either, mapOf, named, words } from '../shape/fields'
import type { CheckIn, DogView } from '../dogs/dog-views'
import type { PersonName } from '../people/school-view'
import { array, boolean, mixed, number, object, string } from '../shape/yup'

const region = () => chosen('Place', REGION_IDS)
const side = () => chosen('Side', SIDES)
const version = () => number().required().integer().min(0)
const wishLength = ({ value }: { value: unknown }) =>
  `Length is ${String(value).slice(0, 20)}; it must be ${WISH_LIMITS_MM.low} to ${WISH_LIMITS_MM.high} mm.`

/** What was found, without the gate: who says that a dog is ready is the person who signs in. */
export const foundSchema = object({
  version: version(),
  weeksSince: number().integer().min(0).max(520).nullable().defined(),
  purpose: chosen('Purpose', PURPOSES),
  coat: array()
    .of(
      object({
        kind: chosen('Finding', COAT_FINDINGS),
        region: region(),
        side: side(),
        widthMm: number().required(),
        combedOutAt: string().max(30).optional()
      }).noUnknown()
    )
    .required()
    .max(60),
  skin: array()
    .of(object({ kind: chosen('Finding', SKIN_FINDINGS), region: region(), side: side() }).noUnknown())
    .required()
    .max(60),
  nailsOwed: array().of(chosen('Foot', FEET)).required().max(FEET.length),
  wishes: array()
    .of(
      object({
        what: named('Wish', 200),
        askedBy: named('Who asked'),
        length: object({
          region: region(),
          mm: number().required().min(WISH_LIMITS_MM.low, wishLength).max(WISH_LIMITS_MM.high, wishLength)
        })
          .noUnknown()
          .nullable()
          .defined()
          .default(undefined),
        rule: object({ id: string().required().max(60), side: number().required().integer().min(0).max(9) })
          .noUnknown()
          .nullable()
          .defined()
          .default(undefined),
        work: mixed<WorkWish>()
          .oneOf(
            [...WORK_WISHES, null as never],
            ({ value }) => `Work is ${String(value).slice(0, 30)}; it must be ${either(WORK_WISHES)}.`
          )
          .nullable()
          .optional()
      }).noUnknown()
    )
    .required()
    .max(30)
}).noUnknown()
export type NewFound = Omit<Found, 'gate'> & { readonly version: number; readonly weeksSince: number | null }

export const gateSchema = object({ version: version(), dry: boolean().required(), combed: boolean().required() }).noUnknown()
export type NewGate = { readonly version: number; readonly dry: boolean; readonly combed: boolean }

const choice = object({
  toolId: string().required().max(60),
  direction: mixed<'with' | 'against'>()
    .oneOf(['with', 'against', null as never])
    .nullable()
    .defined()
}).noUnknown()
export const chosenSchema = object({
  version: version(),
  chosen: mapOf(choice, 'Chosen tools', 120)
}).noUnknown()
export type NewChosen = { readonly version: number; readonly chosen: Readonly<Partial<Record<LineId, Chosen>>> }

/** Closing the dog: what was used where, what to do next time, when back, what is said to the owner. */
export type Closing = {
  readonly used: string
  readonly nextTime: string
  readonly backInWeeks: number | null
  /** the day itself, where one was agreed; visits closed before days were kept have none */
  readonly backOn?: string | null
  readonly handOver: string
  readonly by: string
  readonly at: string
}
export const closingSchema = object({
  version: version(),
  used: words('What was used', 2000),
  nextTime: words('Next time', 400),
  backInWeeks: number().integer().min(1).max(104).nullable().defined(),
  backOn: date('Back on').nullable().optional(),
  handOver: words('Told the owner', 400),
  nailsDone: boolean().required()
}).noUnknown()
export type NewClosing = Pick<Closing, 'used' | 'nextTime' | 'backInWeeks' | 'backOn' | 'handOver'> & {
  readonly version: number
  readonly nailsDone: boolean
}

export const STANCES = ['left', 'right', 'head', 'front', 'rear', 'above'] as const
export type Stance = (typeof STANCES)[number]
/** `during`: what an instructor keeps of the work itself; there may be many of them. */
export const MOMENTS = ['before', 'during', 'after'] as const
export type Moment = (typeof MOMENTS)[number]

/** A photograph is no larger as a file, MB. */
export const MOST_PICTURE_MB = 15
const HEIC_BRANDS: ReadonlySet<string> = new Set(['heic', 'heix', 'heim', 'heis', 'hevc', 'hevx', 'mif1', 'msf1'])
/**
 * Is this a HEIC file, which neither browsers nor the server open?
 * @param start its first 12 bytes or more. Source: ISO/IEC 14496-12 (ftyp box) and ISO/IEC 23008-12, brands
 */
export function isHeic(start: Uint8Array): boolean {
  const text = String.fromCharCode(...start.subarray(4, 12))
  return text.startsWith('ftyp') && HEIC_BRANDS.has(text.slice(4))
}

export type PictureView = {
  readonly id: string
  readonly moment: Moment
  readonly stance: Stance
  readonly widthPx: number
  readonly heightPx: number
}

/** Everything that the pages of one visit show. */
export type VisitPage = {
  readonly id: string
  readonly onDate: string
  /** when the dog is brought, by the school's clock */
  readonly comesAt: string | null
  readonly tableNumber: number
  readonly apprentice: PersonName
  readonly dog: DogView
  /** it stood on a table here before */
  readonly known: boolean
  readonly standard: Standard
  readonly checkIn: CheckIn
  readonly found: Found
  /** a step was begun at the table */
  readonly begun: boolean
  /** somebody has looked at the dog */
  readonly checkedIn: boolean
  readonly readyBy: string | null
  readonly house: Readonly<Record<string, number>>
  /** the tools of this table */
  readonly rack: readonly Tool[]
  readonly chosen: Readonly<Partial<Record<LineId, Chosen>>>
  /** what was agreed for this dog today: worked by and graded against; null until it is said ready */
  readonly agreed: readonly AgreedTarget[] | null
  readonly closing: Closing | null
  readonly version: number
  readonly pictures: readonly PictureView[]
  /** is a table camera to be asked for a picture? */
  readonly hasCamera: boolean
  /** photographs of the visit before this one, to stand the dog in the same stance */
  readonly earlier: readonly PictureView[]
  /** nails that an earlier visit left owing */
  readonly owedBefore: readonly Foot[]
  /** what an earlier visit said for this one */
  readonly lastTime: string
}
