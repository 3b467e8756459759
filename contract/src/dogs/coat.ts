// The coat book of a dog: what is written into it, and what its pages show.
import { ACT_KINDS, BRUSHING, COAT_RULE_LIMITS, ENTRY_LIMITS, HOLE_CAUSES, PLACE_IDS, PULLS } from '@peen/core/coat'
import type { CameIn, Brushing, CoatAct, CoatEntry, CoatRules, CoatPlace, TrimInterval, Undone, Warning } from '@peen/core/coat'
import type { Off, Opening } from '@peen/core/day'
import type { RegionId } from '@peen/core/regions'
import type { Tool } from '@peen/core/tools'
import type { Standard } from '@peen/core/standard'
import { chosen, date, named, within } from '../shape/fields'
import type { DogView } from './dog-views'
import { array, lazy, number, object, string, uuid, type Schema } from '../shape/yup'

const between = (label: string, { low, high }: { low: number; high: number }, unit: string) => {
  const say = ({ value }: { value: unknown }) => `${label} is ${String(value).slice(0, 20)}; it must be ${low} to ${high}${unit}.`
  return number().typeError(say).required(`${label} is missing.`).min(low, say).max(high, say)
}
const share = () => number().min(ENTRY_LIMITS.share01.low).max(ENTRY_LIMITS.share01.high)
const mm = (label: string, limits: { low: number; high: number }) => between(label, limits, ' mm')

const ACTS: Readonly<Record<CoatAct['kind'], Schema>> = {
  pulled: object({ kind: string().required(), how: chosen('How much', PULLS), share01: share() }).noUnknown(),
  carded: object({ kind: string().required() }).noUnknown(),
  cut: object({ kind: string().required(), toMm: mm('Cut to', ENTRY_LIMITS.lengthMm), share01: share() }).noUnknown(),
  hole: object({
    kind: string().required(),
    widthMm: mm('Width', ENTRY_LIMITS.widthMm),
    cause: chosen('What made it', HOLE_CAUSES)
  }).noUnknown(),
  length: object({ kind: string().required(), mm: mm('Length', ENTRY_LIMITS.lengthMm), uMm: mm('u', ENTRY_LIMITS.uMm) }).noUnknown(),
  gap: object({
    kind: string().required(),
    mm: mm('Gap', ENTRY_LIMITS.gapMm),
    olderOn: date('Longer layer pulled on').required('Longer layer pulled on is missing.'),
    newerOn: date('Shorter layer pulled on').required('Shorter layer pulled on is missing.')
  }).noUnknown()
}
const UNKNOWN = object({ kind: chosen('What was done', ACT_KINDS) })

const entry = object({
  id: uuid().required(),
  on: date('Day').required('Day is missing.'),
  place: chosen('Place', PLACE_IDS),
  side: chosen('Side', ['left', 'right', 'middle', 'both'] as const),
  act: lazy((value: unknown) => ACTS[(value as { kind?: CoatAct['kind'] } | null)?.kind as CoatAct['kind']] ?? UNKNOWN),
  hands: uuid().nullable().defined()
}).noUnknown()

/** Lines that are written together: the same work at several places. */
export const coatEntriesSchema = object({ entries: array().of(entry).required().min(1, 'Nothing to save.').max(80) }).noUnknown()
export type NewCoatEntries = { readonly entries: readonly CoatEntry[] }

const entryIds = () => array().of(string().required().max(160)).required().min(1, 'No line is chosen.').max(80)
/** Takes lines out of the count, all or none; they stay in the book with who struck them and why. */
export const coatStrikeSchema = object({ entryIds: entryIds(), reason: named('Why', 200) }).noUnknown()
export type CoatStrike = { readonly entryIds: readonly string[]; readonly reason: string }
export const coatUnstrikeSchema = object({ entryIds: entryIds() }).noUnknown()

/** What the coat is kept for: the day that counts, how often it is worked, how it is brushed at home. */
export type CoatAim = {
  readonly aimOn: string | null
  /** what the day is, "Spring show" */
  readonly aim: string
  readonly nextOn: string | null
  readonly everyDays: number
  readonly brushing: Brushing
}
export const EVERY_DAYS = Object.freeze({ low: 7, high: 84 })
/** Two weeks is the usual in preparation. Common practice, no published source. */
export const NO_AIM: CoatAim = Object.freeze({ aimOn: null, aim: '', nextOn: null, everyDays: 14, brushing: 'never' })
export const coatAimSchema = object({
  aimOn: date('The date that counts').nullable().defined(),
  aim: string().trim().defined().max(60, 'Occasion is too long; it can have up to 60 characters.'),
  nextOn: date('Next visit').nullable().defined(),
  everyDays: within('Days between visits', EVERY_DAYS.low, EVERY_DAYS.high, 'days'),
  brushing: chosen('Brushed at home', BRUSHING)
}).noUnknown()

export const coatRulesSchema = object(
  Object.fromEntries(
    Object.entries(COAT_RULE_LIMITS).map(([key, { low, high, unit }]) => [key, between(key, { low, high }, unit ? ` ${unit}` : '')])
  )
).noUnknown()

export type LineSource = 'written' | 'floor' | 'found' | 'grading'
/** A line of the book as its page shows it. */
export type BookLine = CoatEntry & {
  readonly source: LineSource
  readonly handsName: string | null
  /** who wrote it, where a person did */
  readonly writtenBy: string | null
  readonly struck: { readonly by: string; readonly reason: string } | null
}

/** The last visit's open ends: the next visit begins there. */
export type OpenEnds = {
  readonly visitId: string
  readonly onDate: string
  /** null for an apprentice, where it was another's table */
  readonly apprentice: string | null
  readonly undone: readonly Undone[]
}

/** With what a visit begins: open ends of the visit before in the same trim, and places whose sides are apart, when its trim comes back. */
export type VisitCoatStart = {
  readonly openEnds: OpenEnds | null
  readonly outOfStep: readonly RegionId[]
  readonly interval: TrimInterval | null
  readonly opening: Opening
  /** days on which the school is closed or, for the staff, this dog is away */
  readonly off: readonly Off[]
}

/** Lengths of a colleague's grading that this reader has not read: shown once they ask, which is remembered. */
export type UnreadLengths = { readonly gradingId: string; readonly onDate: string; readonly lengths: number }

export type CoatPage = {
  readonly dog: DogView
  readonly today: string
  readonly isWire: boolean
  readonly rules: CoatRules
  readonly sproutDays: number
  /** as they were written; struck lines among them */
  readonly lines: readonly BookLine[]
  readonly unread: readonly UnreadLengths[]
  readonly aim: CoatAim
  readonly opening: Opening
  /** how it came in, visit by visit, the oldest first */
  readonly tangles: readonly CameIn[]
  /** days on which the school is closed or this dog is away */
  readonly off: readonly Off[]
  /** the trim it comes in */
  readonly standard: Standard
  /** the trim as it is written: what advice for the next visit starts from */
  readonly written: Standard
  readonly rack: readonly Tool[]
  readonly house: Readonly<Record<string, number>>
  /** whose hands may be written; none for an apprentice, who writes nothing */
  readonly people: readonly { readonly id: string; readonly name: string }[]
}

/** One dog in the list of coats, the one that needs somebody first. */
export type CoatHead = {
  readonly dog: DogView
  readonly isStripped: boolean
  readonly lastOn: string | null
  /** the place furthest apart; null where both sides are in step */
  readonly lag: { readonly place: CoatPlace; readonly days: number } | null
  readonly warnings: readonly Warning[]
  readonly aim: CoatAim
}
export type CoatList = { readonly today: string; readonly heads: readonly CoatHead[] }
