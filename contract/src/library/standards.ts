import { MEASURE_IDS } from '@peen/core/measure'
import { FORMULA_IDS, STATIONS, type Standard } from '@peen/core/standard'
import { boolean, array, lazy, mixed, number, object, uuid } from '../shape/yup'
import { chosen, named, oneOf, within, words } from '../shape/fields'
import { houseSide, workShape } from './standard-work'

// The shape of a standard as it comes in. Whether it can be used (bands inside limits, levels worded …) is said by core/standard.

const slug = (label: string) =>
  named(label, 60).matches(
    /^[a-z0-9][a-z0-9-]*$/,
    ({ value }) => `${label} is ${String(value).slice(0, 60)}; it must be lower-case letters, digits and hyphens.`
  )
const amount = (label: string, low = -100000, high = 100000) => {
  const say = ({ value }: { value: unknown }) => `${label} is ${String(value).slice(0, 20)}; it must be ${low} to ${high}.`
  return number().typeError(say).required(`${label} is missing.`).min(low, say).max(high, say)
}
/** [low, high], either of them open. */
const ends = (label: string) =>
  mixed<readonly [number | null, number | null]>()
    .required(`${label} is missing.`)
    .test(
      'ends',
      ({ value }) => `${label} is ${JSON.stringify(value)?.slice(0, 60)}; it must be two numbers, low and high; null leaves an end open.`,
      (value) =>
        Array.isArray(value) &&
        value.length === 2 &&
        value.every((end) => end === null || (typeof end === 'number' && Number.isFinite(end)))
    )
/** A list of names with an amount each. */
const amountsBy = (label: string, low: number, high: number) =>
  lazy((value: unknown) =>
    object(
      Object.fromEntries(
        Object.keys((value as object) ?? {})
          .slice(0, 60)
          .map((name) => [name, amount(`${label}: ${name.slice(0, 40)}`, low, high)])
      )
    )
      .required(`${label} is missing.`)
      .noUnknown()
  )

const HOW_KINDS = ['length', 'measured', 'computed', 'difference', 'judged'] as const
const sides = () => chosen('Sides', ['pair', 'single'] as const)
const mending = () => ({
  fault: named('Fault wording', 200),
  mend: named('How to correct it', 200),
  mendNow: boolean().required('Say whether it can be corrected on the day.')
})

const how = lazy((value: { kind?: string } | undefined) => {
  const kind = chosen('How it is answered', HOW_KINDS)
  const bands = { band: ends('The band'), limit: ends('The limit') }
  switch (value?.kind) {
    case 'length':
      return object({
        kind,
        sides: sides(),
        targetMm: amount('Target, mm', 0, 300),
        ...bands,
        instrument: slug('Instrument'),
        grownOutMm: amount('Grown-out length, mm', 0, 600)
      }).noUnknown()
    case 'measured':
      return object({
        kind,
        sides: sides(),
        targetMm: amount('Target, mm', 0, 300),
        ...bands,
        instrument: slug('Instrument'),
        ...mending()
      }).noUnknown()
    case 'computed':
      return object({
        kind,
        formula: chosen('Formula', FORMULA_IDS),
        sides: sides(),
        target: amount('Target'),
        ...bands,
        instrument: slug('Instrument'),
        typical: amountsBy('Typical readings', -1500, 3000),
        readingsOf: slug('The criterion it reads from').optional(),
        ...mending()
      }).noUnknown()
    case 'difference':
      return object({ kind, of: slug('The pair it compares'), ...bands }).noUnknown()
    case 'judged':
      return object({
        kind,
        sides: sides(),
        levels: array().of(words('A level', 160)).required('Levels are missing.').max(9),
        mend: named('How to correct it', 200),
        mendNow: boolean().required('Say whether it can be corrected on the day.')
      }).noUnknown()
    default:
      return object({ kind })
  }
})

const criterion = object({
  id: slug('A criterion’s id'),
  label: named('A criterion’s name', 80),
  section: slug('Section'),
  station: chosen('Station', STATIONS),
  weight: amount('Weight', -1000, 1000),
  region: named('Region', 40),
  place: named('Where', 120),
  picture: oneOf('What a photograph is measured for', MEASURE_IDS).optional(),
  praise: named('Praise', 160),
  how
}).noUnknown()

const step = object({
  technique: slug('Technique'),
  label: named('A step', 80),
  toolId: slug('Tool').nullable().defined(),
  direction: mixed<'with' | 'against'>()
    .oneOf(
      ['with', 'against', null as never],
      ({ value }) => `Direction is ${String(value).slice(0, 20)}; it must be with, against or null.`
    )
    .nullable()
    .defined(),
  minutes: amount('Minutes', -1000, 1000),
  apart: boolean().optional().default(undefined),
  house: houseSide.optional().default(undefined)
}).noUnknown()

export const standardSchema = object({
  id: slug('id'),
  version: within('Version', 1, 100000, 'version'),
  name: named('Name', 100),
  bodyType: slug('Body type'),
  standardMin: amount('Standard minutes', 0, 1000),
  passMark: amount('Pass mark', 0, 100),
  makes: array()
    .of(object({ say: named('What defines it', 200), criteria: array().of(slug('A criterion')).required().max(40) }).noUnknown())
    .required('What defines it is missing.')
    .max(12),
  ownFault: object({ name: named('Its typical fault', 120), criterion: slug('The criterion of its typical fault') })
    .required('Its typical fault is missing.')
    .noUnknown(),
  instruments: array()
    .of(
      object({
        id: slug('An instrument’s id'),
        name: named('An instrument', 60),
        uMm: amount('Measuring error, mm', 0, 100),
        commonMm: amount('Shared measuring error, mm', 0, 100),
        readings: within('Readings', 1, 9, 'readings')
      }).noUnknown()
    )
    .required('Instruments are missing.')
    .max(12),
  sections: array()
    .of(object({ id: slug('A section’s id'), name: named('A section', 60), floor: amount('Floor', -1000, 1000) }).noUnknown())
    .required('Sections are missing.')
    .max(12),
  critical: array()
    .of(object({ id: slug('A critical fault’s id'), name: named('A critical fault', 100), cap: amount('Cap', -1000, 1000) }).noUnknown())
    .required('Critical faults are missing.')
    .max(30),
  plan: object({
    drawnAs: slug('The shapes it is drawn with'),
    work: workShape,
    lengthsMm: amountsBy('Planned lengths', -1000, 1000),
    steps: array().of(step).required('Steps are missing.').max(40)
  })
    .required('The plan is missing.')
    .noUnknown(),
  criteria: array().of(criterion).required('Criteria are missing.').max(80),
  variants: array()
    .of(
      object({
        rule: slug('House rule'),
        side: within('Side', 0, 9, ''),
        says: named('What the variant does', 200),
        lengthsMm: amountsBy('Lengths of a variant', 0.1, 300).optional(),
        drops: array().of(slug('A criterion')).max(40).optional(),
        criteria: array().of(criterion).max(20).optional()
      }).noUnknown()
    )
    .required('Variants are missing; an empty list will do.')
    .max(40)
}).noUnknown()

export type StandardRow = Pick<Standard, 'id' | 'version' | 'name' | 'bodyType' | 'standardMin' | 'makes' | 'ownFault' | 'plan'> & {
  readonly criteria: number
  readonly shipped: boolean
  readonly retired: boolean
  /** a draft of its next version, if somebody writes one */
  readonly draftId: string | null
}

export type StandardPage = {
  readonly standard: Standard
  readonly retired: boolean
  readonly versions: readonly { readonly version: number; readonly by: string | null; readonly at: string | null }[]
  /** trims graded by this version */
  readonly graded: number
}

export type DraftView = {
  readonly id: string
  readonly version: number
  readonly body: Standard
  readonly basedOn: { readonly id: string; readonly version: number } | null
  readonly by: string
  /** what stands against using it, as sentences with their place */
  readonly issues: readonly { readonly path: string; readonly say: string }[]
}

/** A draft of the next version of a standard, or of a new one under another name. */
export const newDraftSchema = object({
  id: uuid().required('The draft’s id is missing.'),
  from: object({ id: slug('The standard'), version: within('Version', 1, 100000, 'version') })
    .required('Say which standard it is made from.')
    .noUnknown(),
  copyAs: object({ id: slug('id'), name: named('Name', 100) })
    .noUnknown()
    .nullable()
    .defined()
}).noUnknown()
export type NewDraft = {
  readonly id: string
  readonly from: { readonly id: string; readonly version: number }
  readonly copyAs: { readonly id: string; readonly name: string } | null
}

export const keptDraftSchema = object({ version: within('Version', 1, 1000000, 'version'), body: standardSchema.required() }).noUnknown()
export type KeptDraft = { readonly version: number; readonly body: Standard }

export const versionOnlySchema = object({ version: within('Version', 1, 1000000, 'version') }).noUnknown()
export const retiredSchema = object({ retired: boolean().required('Say whether it is retired.') }).noUnknown()

/** A standard read from a file becomes a draft. */
export const importedSchema = object({
  id: uuid().required('The draft’s id is missing.'),
  standard: standardSchema.required('There is no standard in it.')
}).noUnknown()
export type Imported = { readonly id: string; readonly standard: Standard }
