// The whole dog: every place with both sides, its rate, and what stands there on any day.
import { dayOf } from './days'
import { bookIssues, inOrder, pulledTooSoon, sidesMeant, type BookDog, type BookIssue } from './book'
import { growthAt, growthOf, type Growth, type RateFound } from './growth'
import { extended, historyOf, ratesFrom, stepOn, type DatedAct, type History } from './history'
import { isPaired, PLACE_IDS, sidesOf, STRIPS, type PatchSide, type CoatPlace } from './places'
import { HAIR, terminalMm, type CoatRules } from './rules'
import { IN_STEP, lagOf, type Lag } from './sides'
import { stateOn, type PlaceState } from './state'
import type { CoatEntry, Growing } from './types'

export type CoatCase = {
  /** as they were written */
  readonly entries: readonly CoatEntry[]
  readonly dog: BookDog
  readonly isWire: boolean
  readonly sproutDays: number
  readonly rules: CoatRules
  /** a clipped coat: what its trim leaves, mm; taken for granted where the book does not say. A stripped one is taken for full grown */
  readonly keptMm?: Readonly<Partial<Record<CoatPlace, number>>>
  /** places beside those of the book; all where it is not given */
  readonly places?: readonly CoatPlace[]
}

export type SideModel = { readonly acts: readonly DatedAct[]; readonly history: History }
export type PlaceModel = {
  readonly place: CoatPlace
  readonly growth: Growth
  readonly growing: Growing
  readonly sides: ReadonlyMap<PatchSide, SideModel>
  /** somebody pulled here within the last year: a stripped place, not a clipped one */
  readonly isStripped: boolean
}

export type CoatModel = {
  readonly rules: CoatRules
  readonly today: number
  readonly places: ReadonlyMap<CoatPlace, PlaceModel>
  /** over the whole dog */
  readonly growth: Growth
  readonly issues: readonly BookIssue[]
  /** nobody has written anything: everything is the prior */
  readonly isEmpty: boolean
  /** what is taken for granted where nobody wrote */
  readonly takes: 'fullGrown' | 'trim'
}

const STRIPPED_DAYS = 366

/** Acts of every side of every place, in their order; what cannot be is left out. */
function actsOf(entries: readonly CoatEntry[]): ReadonlyMap<CoatPlace, ReadonlyMap<PatchSide, DatedAct[]>> {
  const found = new Map<CoatPlace, Map<PatchSide, DatedAct[]>>()
  for (const entry of inOrder(entries)) {
    const sides = found.get(entry.place) ?? new Map<PatchSide, DatedAct[]>()
    found.set(entry.place, sides)
    for (const side of sidesMeant(entry)) sides.set(side, [...(sides.get(side) ?? []), { day: dayOf(entry.on), act: entry.act }])
  }
  return found
}

/**
 * A strip that was not stripped before the clipper worked along it was cut with it: half of it each time. That is how the soft line
 * creeps outward. Common practice, no published source; the half is chosen.
 */
function withStripsCut(
  acts: ReadonlyMap<CoatPlace, ReadonlyMap<PatchSide, readonly DatedAct[]>>
): ReadonlyMap<CoatPlace, ReadonlyMap<PatchSide, readonly DatedAct[]>> {
  const found = new Map(acts)
  for (const strip of STRIPS) {
    const clipped = acts.get(strip.clipped)
    if (!clipped) continue
    const sides = new Map<PatchSide, readonly DatedAct[]>()
    for (const side of sidesOf(strip.id)) {
      const own = acts.get(strip.id)?.get(side) ?? []
      const along = (clipped.get(side) ?? clipped.get('middle') ?? clipped.get('left') ?? []).filter(isClipped)
      const cuts = along.filter(({ day }) => !isFresh(own, day)).map((one): DatedAct => ({ ...one, act: stripCut(one) }))
      sides.set(
        side,
        [...own, ...cuts].sort((a, b) => a.day - b.day)
      )
    }
    found.set(strip.id, sides)
  }
  return found
}

/** Left by a clipper, mm: longer is scissor work, which takes nothing of the border. Chosen: the longest blade without a comb. */
const CLIPPED_MM = 13
export const isClipped = ({ act }: DatedAct): boolean => act.kind === 'cut' && act.toMm <= CLIPPED_MM
const isFresh = (strip: readonly DatedAct[], day: number): boolean =>
  strip.some((one) => one.act.kind === 'pulled' && one.day <= day && day - one.day <= HAIR.stripFreshDays)
const stripCut = ({ act }: DatedAct) => ({ kind: 'cut', toMm: act.kind === 'cut' ? act.toMm : 0, share01: HAIR.stripCut01 }) as const

/** The coat as its book tells it. Entries that cannot be are named in `issues` and left out; everything else is computed. */
export function coatModel(given: CoatCase, rate: (growth: Growth) => number = ({ mmPerDay }) => mmPerDay): CoatModel {
  const { entries, dog, isWire, sproutDays, rules } = given
  const issues = bookIssues(entries, dog)
  const refused = new Set(issues.filter(({ weight }) => weight === 'refused').map(({ entryId }) => entryId))
  const kept = entries.filter(({ id }) => !refused.has(id))
  const written = actsOf(kept)
  const isStrippedDog = kept.some(({ act }) => act.kind === 'pulled')
  const acts = isStrippedDog ? withStripsCut(written) : written
  const today = dayOf(dog.today)
  const rates = new Map<CoatPlace, readonly RateFound[]>(
    [...written].map(([place, sides]) => [place, [...sides.values()].flatMap((own) => ratesFrom(own, sproutDays))])
  )
  const places = new Map<CoatPlace, PlaceModel>()
  for (const place of new Set([...acts.keys(), ...(given.places ?? PLACE_IDS)])) {
    const growth = growthAt(place, rates)
    const growing: Growing = { mmPerDay: rate(growth), sproutDays, terminalMm: terminalMm(place, isWire) }
    const own = acts.get(place)
    const sides = new Map<PatchSide, SideModel>()
    for (const side of sidesOf(place)) {
      const done = own?.get(side) ?? []
      sides.set(side, { acts: done, history: historyOf(done, today, growing, rules, given.keptMm?.[place]) })
    }
    const isStripped = [...sides.values()].some((side) =>
      side.acts.some((one) => one.act.kind === 'pulled' && today - one.day <= STRIPPED_DAYS)
    )
    places.set(place, { place, growth, growing, sides, isStripped })
  }
  const growth = growthOf([...rates.values()].flat())
  return {
    rules,
    today,
    places,
    growth,
    issues: [...issues, ...pulledTooSoon(kept, sproutDays, growth.mmPerDay)],
    isEmpty: kept.length === 0,
    takes: given.keptMm ? 'trim' : 'fullGrown'
  }
}

/** The same coat at both ends of what is believed of its growth: lengths lie between them (95 %). */
export function coatBounds(given: CoatCase): { readonly slow: CoatModel; readonly fast: CoatModel } {
  return { slow: coatModel(given, ({ interval }) => interval[0]), fast: coatModel(given, ({ interval }) => interval[1]) }
}

/** What stands at one side of a place on a day. @throws a defect for a place or side the model does not hold */
export function stateAt(model: CoatModel, place: CoatPlace, side: PatchSide, day: number): PlaceState {
  return stateOn(model.places.get(place)!.sides.get(side)!.history, day)
}

/** How far the sides of a place are apart on a day; in step where it has one side. */
export function lagAt(model: CoatModel, place: CoatPlace, day: number): Lag {
  if (!isPaired(place)) return IN_STEP
  const { sides, growing } = model.places.get(place)!
  return lagOf(stepOn(sides.get('left')!.history, day).layers, stepOn(sides.get('right')!.history, day).layers, day, growing)
}

/** The place whose sides are furthest apart on a day, of the stripped ones; null where all are in step. */
export function worstLag(model: CoatModel, day: number): { readonly place: CoatPlace; readonly lag: Lag } | null {
  let worst: { place: CoatPlace; lag: Lag } | null = null
  for (const { place, isStripped } of model.places.values()) {
    if (!isStripped || !isPaired(place)) continue
    const lag = lagAt(model, place, day)
    if (Math.abs(lag.days) > Math.abs(worst?.lag.days ?? 0)) worst = { place, lag }
  }
  return worst
}

/** A session that is planned or tried out: what is pulled at which places of which side. */
export type CoatSession = {
  readonly day: number
  readonly how: 'lightRoll' | 'half' | 'all'
  readonly side: 'both' | 'left' | 'right'
  readonly places: readonly CoatPlace[]
}

/** The coat with sessions that have not been yet, in the order of their days. Nothing that was is worked out again. */
export function withSessions(model: CoatModel, sessions: readonly CoatSession[]): CoatModel {
  const inTime = [...sessions].sort((a, b) => a.day - b.day)
  const places = new Map(model.places)
  for (const [place, own] of model.places) {
    const mine = inTime.filter((session) => session.places.includes(place))
    if (mine.length === 0) continue
    const sides = new Map<PatchSide, SideModel>()
    for (const [side, { acts, history }] of own.sides) {
      const more = mine
        .filter((session) => session.side === 'both' || side === 'middle' || session.side === side)
        .map(({ day, how }): DatedAct => ({ day, act: { kind: 'pulled', how } }))
      sides.set(side, { acts: [...acts, ...more], history: extended(history, more, model.rules) })
    }
    places.set(place, { ...own, sides })
  }
  return { ...model, places }
}

/** The places that a session of rolling goes over: those that are stripped, without the strips along the border. */
export function rolledPlaces(model: CoatModel): readonly CoatPlace[] {
  const strips = new Set<CoatPlace>(STRIPS.map(({ id }) => id))
  return [...model.places.values()].filter(({ place, isStripped }) => isStripped && !strips.has(place)).map(({ place }) => place)
}
