// What if: the coat ahead under other sessions, and which of them brings the sides into step.
import { dailyStates, type Daily } from './daily'
import { rolledPlaces, stateAt, withSessions, worstLag, type CoatModel, type CoatSession } from './model'
import { type CoatPlace } from './places'
import type { Lag } from './sides'
import { warningsOf, type Warning } from './warn'

/** Every so many days a session, from the next one to the day that counts. */
export type Rhythm = { readonly nextDay: number; readonly everyDays: number; readonly aimDay: number }

export const WHAT_IFS = ['asPlanned', 'skipNext', 'halfNext', 'halfEach', 'allNext', 'leftNext', 'rightNext'] as const
export type WhatIfId = (typeof WHAT_IFS)[number]

/** The sessions of a rhythm: a light roll of both sides each time. */
export function sessionsOf({ nextDay, everyDays, aimDay }: Rhythm, places: readonly CoatPlace[]): readonly CoatSession[] {
  const found: CoatSession[] = []
  for (let day = nextDay; day < aimDay; day += everyDays) found.push({ day, how: 'lightRoll', side: 'both', places })
  return found
}

/** The same sessions with one thing done otherwise. */
export function changed(sessions: readonly CoatSession[], id: WhatIfId): readonly CoatSession[] {
  const [next, ...rest] = sessions
  if (!next) return sessions
  switch (id) {
    case 'asPlanned':
      return sessions
    case 'skipNext':
      return rest
    case 'halfNext':
      return [{ ...next, how: 'half' }, ...rest]
    case 'halfEach':
      return sessions.map((session) => ({ ...session, how: 'half' }))
    case 'allNext':
      return [{ ...next, how: 'all' }, ...rest]
    case 'leftNext':
      return [{ ...next, side: 'left' }, ...rest]
    case 'rightNext':
      return [{ ...next, side: 'right' }, ...rest]
  }
}

/** What comes of a row of sessions. */
export type Outcome = {
  readonly id: WhatIfId
  readonly sessions: readonly CoatSession[]
  readonly model: CoatModel
  /** on the day that counts: the pair furthest apart */
  readonly worst: { readonly place: CoatPlace; readonly lag: Lag } | null
  /** from this day on all sides stay in step as far as was looked; null if never */
  readonly inStepFrom: number | null
  /** on the day that counts, over the rolled places: the middle one */
  readonly standingMm: number
  readonly empty01: number
  readonly soft01: number
  readonly evenness01: number
  /** the barest it gets on the way */
  readonly barest01: number
  readonly warnings: readonly Warning[]
}

/** How far beyond the day that counts is looked for sides in step, days. Chosen. */
const BEYOND = 120

/** The coat ahead, session by session, and what it comes to on the day that counts. */
export function outcomeOf(model: CoatModel, rhythm: Rhythm, id: WhatIfId): Outcome {
  const places = rolledPlaces(model)
  const sessions = changed(sessionsOf(rhythm, places), id)
  // the same rhythm goes on beyond the day that counts, so that "in step from" is not cut off by it
  const beyond = changed(sessionsOf({ ...rhythm, aimDay: rhythm.aimDay + BEYOND }, places), id)
  const ahead = withSessions(model, beyond)
  const { aimDay, nextDay } = rhythm
  const sides = places.flatMap((place) => [...model.places.get(place)!.sides.keys()].map((side) => [place, side] as const))
  const onTheDay = sides.map(([place, side]) => stateAt(ahead, place, side, aimDay))
  const daily = dailyStates(ahead, model.today, aimDay + BEYOND - model.today + 1, places)
  return {
    id,
    sessions,
    model: ahead,
    worst: worstLag(ahead, aimDay),
    inStepFrom: inStepFrom(daily, model),
    standingMm: middle(onTheDay.map(({ standingMm }) => standingMm)),
    empty01: middle(onTheDay.map(({ empty01 }) => empty01)),
    soft01: middle(onTheDay.map(({ soft01 }) => soft01)),
    evenness01: middle(onTheDay.map(({ evenness01 }) => evenness01)),
    barest01: barest(daily, nextDay - model.today, aimDay - model.today),
    warnings: warningsOf(ahead, model.today, aimDay)
  }
}

function middle(values: readonly number[]): number {
  return values.length === 0 ? 0 : [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!
}

function inStepFrom(daily: readonly Daily[], { today, rules }: CoatModel): number | null {
  const days = daily[0]?.lagDays.length ?? 0
  let k = days
  while (k > 0 && daily.every(({ lagDays }) => Math.abs(lagDays[k - 1]!) <= rules.lagDays)) k--
  return k === days ? null : today + k
}

function barest(daily: readonly Daily[], from: number, to: number): number {
  let most = 0
  for (const { empty01 } of daily) for (let k = from; k <= to; k++) most = Math.max(most, empty01[k]!)
  return most
}

/**
 * The best thing to do otherwise where sides are out of step: in step soonest, without going bare on the way and with the coat standing
 * on the day that counts; null where nothing needs mending, or nothing tried does better than the plan.
 */
export function mending(outcomes: readonly Outcome[], leastMm: number): Outcome | null {
  const plan = outcomes.find(({ id }) => id === 'asPlanned')
  if (!plan || plan.inStepFrom === plan.model.today) return null
  const better = outcomes.filter(
    (one) =>
      one.id !== 'asPlanned' &&
      one.inStepFrom !== null &&
      (plan.inStepFrom === null || one.inStepFrom < plan.inStepFrom) &&
      one.standingMm >= leastMm &&
      !one.warnings.some(({ kind }) => kind === 'goingBare')
  )
  return better.sort((a, b) => a.inStepFrom! - b.inStepFrom! || a.barest01 - b.barest01)[0] ?? null
}
