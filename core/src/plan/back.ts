// Back from a day: for each place the last day of its work, and the sessions that this comes to.
import { sidesOf, SPROUT_DAYS, stateAt, withSessions, type CoatModel, type CoatPlace, type CoatSession } from '../coat'
import { CoreError } from '../error'
import { borderDays, type Borders } from './borders'
import { chanceReady, daysNeeded, surelyMm, type Hair } from './ready'
import type { SessionBack } from './session'

/** A place of a stripped trim with the length it is wanted at, mm, and the minutes that pulling it bare takes. */
export type Wanted = { readonly place: CoatPlace; readonly mm: number; readonly minutes: number }

export type BackCase = {
  readonly model: CoatModel
  readonly aimDay: number
  readonly wanted: readonly Wanted[]
  /** minutes that this dog can be worked on in one session */
  readonly canStandMin: number
  /** a day on which it can be worked on; every day where nothing is known */
  readonly isOpen?: (day: number) => boolean
  /** where the trim clips beside what it strips */
  readonly borders?: Borders | null
}

/**
 * `roll`: the longest layer, each time; it is right on the day. `bare`: it would stand too long, so it is pulled bare in time.
 * `late`: it would stand too long, and the last day to pull it bare is over. `short`: it will not be so long by then, whatever is pulled.
 * `never`: hair there stops growing before it is so long. `unknown`: its book says nothing of the place.
 */
export type BackWork = 'roll' | 'bare' | 'late' | 'short' | 'never' | 'unknown'

/** What else can be done where the last day is over, and what it comes to on the day, mm. */
export type LateChoice = { readonly how: 'leave' | 'half' | 'all'; readonly standsMm: number; readonly bare01: number }

export type PlaceBack = {
  readonly place: CoatPlace
  readonly mm: number
  readonly work: BackWork
  /** as it stands on the day under light rolls, the longer side, mm */
  readonly standsMm: number
  /** last day to pull it bare; null where it never gets so long */
  readonly lastDay: number | null
  /** the same by the other side of the house rule on sprouting */
  readonly lastDayOther: number | null
  /** that it is ready when pulled on the last day, 0..1 */
  readonly chance01: number
  /** where the last day is over, and the one of them that comes nearest without going bare */
  readonly late: readonly LateChoice[]
  readonly best: LateChoice['how'] | null
  /** pulled bare today it is at least so long on the day, nine times in ten, mm */
  readonly surelyMm: number
}

export type Back = {
  readonly places: readonly PlaceBack[]
  /** the next first; both sides of every place on the same day */
  readonly sessions: readonly SessionBack[]
  /** places for which no open day is left before their last day */
  readonly noDay: readonly CoatPlace[]
}

/** Two lighter sessions, two weeks apart, the last two weeks before the day. Common practice, no published source. */
export const LIGHT_BEFORE = Object.freeze([28, 14])
/** A coat so much longer than it is wanted is too long for the eye, mm: one layer more. Chosen. */
const TOO_LONG_MM = 2
/** and so much shorter is too short */
const TOO_SHORT_MM = 2
/** The farthest day that is planned for, days. */
const FARTHEST = 3650
/** A light roll takes so much of the minutes of pulling bare. Chosen: a tenth of the hair, and every place combed through. */
const ROLL_MINUTES_01 = 0.25

/**
 * Works back from a day. Last days are those at which hair is ready nine times in ten (`READY_CHANCE`).
 * @throws CoreError `outOfRange` for a day that is over or more than ten years ahead
 */
export function planBack(given: BackCase): Back {
  const { model, aimDay, wanted } = given
  const ahead = aimDay - model.today
  if (!Number.isInteger(aimDay) || ahead < 1 || ahead > FARTHEST)
    throw new CoreError({ code: 'outOfRange', path: 'aimDay', got: aimDay, limit: '1 to 3650 days from today' })
  const isOpen = given.isOpen ?? (() => true)
  const lightDays = LIGHT_BEFORE.flatMap((before) => lastOpen(aimDay - before, model.today, isOpen) ?? [])
  const rolled = withSessions(model, lightRolls([...new Set(lightDays)], wanted))
  const places = wanted.map((one) => placeBack(rolled, one, given))
  const { sessions, noDay } = sessionsBack(places, [...new Set(lightDays)], given, isOpen)
  if (!given.borders) return { places, sessions, noDay }
  const around = { today: model.today, aimDay, canStandMin: given.canStandMin, sessions, isOpen }
  const borders = borderDays(given.borders, around)
  // on one day what is stripped comes before the blade: it was added before it
  const all = [...sessions, ...borders.sessions].sort((a, b) => a.day - b.day)
  return { places, sessions: all, noDay: [...noDay, ...borders.noDay] }
}

const lightRolls = (days: readonly number[], wanted: readonly Wanted[]): CoatSession[] =>
  days.map((day) => ({ day, how: 'lightRoll', side: 'both', places: wanted.map(({ place }) => place) }))

/** The last open day up to one, not before the earliest; null where there is none. */
function lastOpen(day: number, earliest: number, isOpen: (day: number) => boolean): number | null {
  for (let at = day; at >= earliest; at--) if (isOpen(at)) return at
  return null
}

/** What stands at a place on a day, the longer side. */
function standing(model: CoatModel, place: CoatPlace, day: number): { standsMm: number; bare01: number } {
  const sides = sidesOf(place).map((side) => stateAt(model, place, side, day))
  return { standsMm: Math.max(...sides.map(({ standingMm }) => standingMm)), bare01: Math.max(...sides.map(({ empty01 }) => empty01)) }
}

function placeBack(rolled: CoatModel, { place, mm }: Wanted, { model, aimDay }: BackCase): PlaceBack {
  const { growth, growing } = model.places.get(place)!
  const hair: Hair = { growth, sproutDays: growing.sproutDays, terminalMm: growing.terminalMm }
  const days = daysNeeded(mm, hair)
  const other = daysNeeded(mm, { ...hair, sproutDays: otherSchool(growing.sproutDays) })
  const { standsMm } = standing(rolled, place, aimDay)
  const isWritten = [...model.places.get(place)!.sides.values()].some(({ acts }) => acts.length > 0)
  const lastDay = days === null ? null : aimDay - days
  const work = isWritten ? workAt(standsMm, mm, lastDay, model.today) : 'unknown'
  const choices = work === 'late' ? (['leave', 'half', 'all'] as const) : []
  const late = choices.map((how) => lateChoice(model, place, aimDay, how))
  return {
    ...{ place, mm, work, standsMm, lastDay, lastDayOther: other === null ? null : aimDay - other },
    chance01: days === null ? 0 : chanceReady(mm, days, hair),
    ...{ late, best: nearest(late, mm, model.rules.bare01) },
    surelyMm: surelyMm(aimDay - model.today, hair)
  }
}

function workAt(standsMm: number, mm: number, lastDay: number | null, today: number): BackWork {
  if (lastDay === null) return 'never'
  if (standsMm > mm + TOO_LONG_MM) return lastDay < today ? 'late' : 'bare'
  return standsMm < mm - TOO_SHORT_MM ? 'short' : 'roll'
}

/** Of what is still possible, what stands nearest to what is wanted; what goes bare or ends too short is none. */
function nearest(choices: readonly LateChoice[], mm: number, most01: number): LateChoice['how'] | null {
  const fit = choices.filter(({ bare01, standsMm }) => bare01 <= most01 && standsMm >= mm - TOO_SHORT_MM)
  return [...fit].sort((a, b) => Math.abs(a.standsMm - mm) - Math.abs(b.standsMm - mm))[0]?.how ?? null
}

const otherSchool = (sproutDays: number): number => SPROUT_DAYS.find((days) => days !== sproutDays)!

function lateChoice(model: CoatModel, place: CoatPlace, aimDay: number, how: LateChoice['how']): LateChoice {
  const now: CoatSession[] = how === 'leave' ? [] : [{ day: model.today, how, side: 'both', places: [place] }]
  return { how, ...standing(withSessions(model, now), place, aimDay) }
}

/** Bare pulls on their last open day, the soonest first, as many at once as the dog can stand; what does not fit comes a day sooner. */
function sessionsBack(
  places: readonly PlaceBack[],
  lightDays: readonly number[],
  { model: { today }, wanted, canStandMin }: BackCase,
  isOpen: (day: number) => boolean
): Pick<Back, 'sessions' | 'noDay'> {
  const minutesOf = new Map(wanted.map(({ place, minutes }) => [place, minutes]))
  const filled = new Map<number, CoatPlace[]>()
  const noDay: CoatPlace[] = []
  const bare = places.filter(({ work }) => work === 'bare')
  // the latest first: each takes its own last day before an earlier one is pushed sooner
  for (const { place, lastDay } of [...bare].sort((a, b) => b.lastDay! - a.lastDay!)) {
    const fits = (day: number) => {
      const there = filled.get(day) ?? []
      return isOpen(day) && (there.length === 0 || minutesIn([...there, place], minutesOf) <= canStandMin)
    }
    const day = lastOpen(lastDay!, today, fits)
    if (day === null) noDay.push(place)
    else filled.set(day, [...(filled.get(day) ?? []), place])
  }
  const pulled = [...filled].map(([day, own]): SessionBack => ({ day, how: 'all', places: own, minutes: minutesIn(own, minutesOf) }))
  const now = isOpen(today) ? (['half', 'all'] as const).flatMap((how) => todays(places, how, today, minutesOf)) : []
  const rolls = lightDays.map((day): SessionBack => {
    // what has just been pulled bare has nothing to roll yet
    const own = places
      .filter(({ place, work }) => (work === 'roll' || work === 'bare' || work === 'late') && !bareBy(filled, place, day))
      .map(({ place }) => place)
    return { day, how: 'lightRoll', places: own, minutes: Math.round(ROLL_MINUTES_01 * minutesIn(own, minutesOf)) }
  })
  const sessions = [...now, ...pulled, ...rolls.filter((one) => one.places.length > 0)]
  return { sessions: sessions.sort((a, b) => a.day - b.day), noDay }
}

/** What is best done today where a last day is over. */
function todays(places: readonly PlaceBack[], how: 'half' | 'all', day: number, minutesOf: ReadonlyMap<CoatPlace, number>): SessionBack[] {
  const own = places.filter(({ best }) => best === how).map(({ place }) => place)
  return own.length > 0 ? [{ day, how, places: own, minutes: Math.round((how === 'half' ? 0.5 : 1) * minutesIn(own, minutesOf)) }] : []
}

const minutesIn = (places: readonly CoatPlace[], minutesOf: ReadonlyMap<CoatPlace, number>): number =>
  Math.round(places.reduce((sum, place) => sum + minutesOf.get(place)!, 0))

const bareBy = (filled: ReadonlyMap<number, readonly CoatPlace[]>, place: CoatPlace, day: number): boolean =>
  [...filled].some(([on, places]) => on <= day && places.includes(place))
