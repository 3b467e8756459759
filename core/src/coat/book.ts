// The coat book: its entries in their order, and what is wrong with them, in sentences.
import type { CoreIssue } from '../error'
import { dayOf, sayFullDate } from './days'
import { isPaired, placeName, type PatchSide, type CoatPlace } from './places'
import { HAIR } from './rules'
import type { CoatAct, CoatEntry } from './types'

export type BookIssue = CoreIssue & {
  /** refused: it cannot be; said: it is kept, and the sentence stands beside it */
  readonly weight: 'refused' | 'said'
  readonly entryId: string
  readonly say: string
}

/** What is known of the dog that bears on its book; plain dates. */
export type BookDog = { readonly bornOn: string | null; readonly today: string }

/** Allowed in an entry. Lengths as everywhere in the figure; gaps and holes chosen from what hair can be. */
export const ENTRY_LIMITS = Object.freeze({
  lengthMm: { low: 0, high: 300 },
  uMm: { low: 0.1, high: 20 },
  gapMm: { low: 0.5, high: 80 },
  widthMm: { low: 5, high: 300 },
  share01: { low: 0.01, high: 1 }
})

/** A day's acts in the order in which they are done: what came in, then the work, then what was measured. */
const ORDER: readonly CoatAct['kind'][] = ['hole', 'pulled', 'carded', 'cut', 'length', 'gap']

/** Entries by day, and within a day in the order of the work. Stable: what was written first stands first. */
export function inOrder(entries: readonly CoatEntry[]): readonly CoatEntry[] {
  return [...entries].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : ORDER.indexOf(a.act.kind) - ORDER.indexOf(b.act.kind)))
}

/** The sides an entry speaks of: `both` is left and right; a place with one side has a middle, whatever was said. */
export function sidesMeant({ place, side }: Pick<CoatEntry, 'place' | 'side'>): readonly PatchSide[] {
  if (!isPaired(place)) return ['middle']
  return side === 'left' || side === 'right' ? [side] : ['left', 'right']
}

/** What cannot be in one entry by itself: refused before it is kept. Empty where all is well. */
// eslint-disable-next-line max-lines-per-function -- one case beside the other: apart, none would show that they are all
export function entryIssues(entry: CoatEntry, { bornOn, today }: BookDog): readonly BookIssue[] {
  const found: BookIssue[] = []
  const refuse = (code: string, path: string, got: unknown, limit: string, say: string) =>
    found.push({ code, path, got, limit, say, weight: 'refused', entryId: entry.id })
  // said only where something is wrong: a book of years is read at every look at a coat
  const what = () => `${placeName(entry.place)}, ${sayFullDate(entry.on)}`
  if (bornOn !== null && entry.on < bornOn)
    refuse(
      'beforeBirth',
      'on',
      entry.on,
      `${bornOn}, its birth, or later`,
      `${what()}: the dog was born on ${sayFullDate(bornOn)}, so nothing was done to its coat before then.`
    )
  if (entry.on > today)
    refuse(
      'notYet',
      'on',
      entry.on,
      `${today} or earlier`,
      `${what()}: this date is in the future. The book is for work already done; to try out a plan, use Compare plans.`
    )
  const { act } = entry
  const range = (path: string, value: number, { low, high }: { low: number; high: number }, unit: string) => {
    if (!(value >= low && value <= high))
      refuse(
        'outOfRange',
        `act.${path}`,
        value,
        `${low} to ${high}${unit}`,
        `${what()}: ${path} is ${value}; it must be ${low} to ${high}${unit}.`
      )
  }
  if (act.kind === 'pulled' && act.share01 !== undefined) range('share01', act.share01, ENTRY_LIMITS.share01, '')
  if (act.kind === 'cut') range('toMm', act.toMm, ENTRY_LIMITS.lengthMm, ' mm')
  if (act.kind === 'cut' && act.share01 !== undefined) range('share01', act.share01, ENTRY_LIMITS.share01, '')
  if (act.kind === 'hole') range('widthMm', act.widthMm, ENTRY_LIMITS.widthMm, ' mm')
  if (act.kind === 'length') {
    range('mm', act.mm, ENTRY_LIMITS.lengthMm, ' mm')
    range('uMm', act.uMm, ENTRY_LIMITS.uMm, ' mm')
  }
  if (act.kind === 'gap') {
    range('mm', act.mm, ENTRY_LIMITS.gapMm, ' mm')
    if (act.olderOn >= act.newerOn)
      refuse(
        'gapOrder',
        'act.newerOn',
        act.newerOn,
        `a date after ${act.olderOn}`,
        `${what()}: the longer layer was pulled before the shorter one, so ${sayFullDate(act.newerOn)} must be after ${sayFullDate(act.olderOn)}.`
      )
    else if (act.newerOn > entry.on)
      refuse(
        'gapOrder',
        'act.newerOn',
        act.newerOn,
        `${entry.on} or earlier`,
        `${what()}: a layer pulled on ${sayFullDate(act.newerOn)} cannot be measured on ${sayFullDate(entry.on)}.`
      )
  }
  return found
}

/**
 * What the book as a whole says that does not fit together: refused entries, and what is kept but said. Entries come as they were
 * written; the model puts them in their order by day.
 */
export function bookIssues(entries: readonly CoatEntry[], dog: BookDog): readonly BookIssue[] {
  const refused = entries.flatMap((entry) => entryIssues(entry, dog))
  const kept = entries.filter(({ id }) => !refused.some(({ entryId }) => entryId === id))
  return [...refused, ...outOfOrder(kept), ...twiceMeasured(kept), ...shrunk(kept)]
}

const said = (entry: CoatEntry, code: string, path: string, got: unknown, limit: string, say: string): BookIssue => ({
  code,
  path,
  got,
  limit,
  say,
  weight: 'said',
  entryId: entry.id
})

function outOfOrder(entries: readonly CoatEntry[]): readonly BookIssue[] {
  const latest = new Map<CoatPlace, string>()
  return entries.flatMap((entry) => {
    const before = latest.get(entry.place) ?? entry.on
    if (entry.on >= before) latest.set(entry.place, entry.on)
    if (entry.on >= before) return []
    const say = `${placeName(entry.place)}, ${sayFullDate(entry.on)}, was written after an entry for ${sayFullDate(before)}; it counts on its own date.`
    return [said(entry, 'outOfOrder', 'on', entry.on, `${before} or later`, say)]
  })
}

const patchKeys = (entry: CoatEntry) => sidesMeant(entry).map((side) => `${entry.place} ${side}`)

function twiceMeasured(entries: readonly CoatEntry[]): readonly BookIssue[] {
  const seen = new Map<string, number>()
  return entries.flatMap((entry) => {
    const { act } = entry
    if (act.kind !== 'length') return []
    const issues = patchKeys(entry).flatMap((key) => {
      const before = seen.get(`${key} ${entry.on}`)
      seen.set(`${key} ${entry.on}`, act.mm)
      if (before === undefined) return []
      return [
        said(
          entry,
          'measuredTwice',
          'act.mm',
          act.mm,
          'one length a day at a place',
          `${placeName(entry.place)} was measured twice on ${sayFullDate(entry.on)}: ${before} and ${act.mm} mm. Both are kept, but two on one day say nothing about growth.`
        )
      ]
    })
    return issues.slice(0, 1)
  })
}

/** Hair that nobody touched does not get shorter: by more than both readings could be wrong together. */
function shrunk(entries: readonly CoatEntry[]): readonly BookIssue[] {
  const last = new Map<string, { on: string; mm: number; uMm: number }>()
  return inOrder(entries).flatMap((entry) => {
    const { act, on, place } = entry
    const issues: BookIssue[] = []
    for (const key of patchKeys(entry)) {
      if (act.kind === 'length') {
        const before = last.get(key)
        if (before && on > before.on && act.mm < before.mm - 2 * Math.hypot(act.uMm, before.uMm))
          issues.push(
            said(
              entry,
              'shorter',
              'act.mm',
              act.mm,
              `about ${before.mm} mm or more`,
              `${placeName(place)} was ${before.mm} mm on ${sayFullDate(before.on)} and ${act.mm} mm on ${sayFullDate(on)} with nothing recorded in between. Something was pulled or cut, or one reading is wrong, so it does not count as growth.`
            )
          )
        last.set(key, { on, mm: act.mm, uMm: act.uMm })
      } else if (act.kind === 'pulled' || act.kind === 'cut') last.delete(key)
    }
    return issues.slice(0, 1)
  })
}

/** Days since the last pull at a place under which nothing can have grown long enough to grip again, for a fresh layer. */
export function pulledTooSoon(entries: readonly CoatEntry[], sproutDays: number, mmPerDay: number): readonly BookIssue[] {
  const last = new Map<string, string>()
  return inOrder(entries).flatMap((entry) => {
    if (entry.act.kind !== 'pulled') return []
    const soon = sproutDays + HAIR.gripMm / mmPerDay
    const issues = patchKeys(entry).flatMap((key) => {
      const before = last.get(key)
      if (entry.act.kind === 'pulled' && entry.act.how === 'all') last.set(key, entry.on)
      if (before === undefined || dayOf(entry.on) - dayOf(before) >= soon) return []
      return [
        said(
          entry,
          'nothingToPull',
          'on',
          entry.on,
          `about ${Math.ceil(soon)} days after ${before}`,
          `${placeName(entry.place)} was pulled bare on ${sayFullDate(before)}, so by ${sayFullDate(entry.on)} nothing is long enough to grip.`
        )
      ]
    })
    return issues.slice(0, 1)
  })
}
