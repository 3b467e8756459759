// Books as tests write them.
import { COAT_RULES } from './rules'
import { dateOf, dayOf } from './days'
import type { CoatCase } from './model'
import type { CoatPlace } from './places'
import type { CoatAct, CoatEntry, Growing } from './types'

export const GROWING: Growing = { mmPerDay: 0.3, sproutDays: 28, terminalMm: 55 }
export const JACKET = ['back', 'ribs', 'loin', 'croup'] as const satisfies readonly CoatPlace[]

let count = 0
export const entry = (on: string, place: CoatPlace, side: CoatEntry['side'], act: CoatAct): CoatEntry => ({
  id: `e${++count}`,
  on,
  place,
  side,
  act,
  hands: 'ivo'
})
export const pulled = (how: 'lightRoll' | 'half' | 'all'): CoatAct => ({ kind: 'pulled', how })

export const coatCase = (entries: readonly CoatEntry[], more: Partial<CoatCase> = {}): CoatCase => ({
  entries,
  dog: { bornOn: '2022-05-01', today: '2026-04-14' },
  isWire: true,
  sproutDays: 28,
  rules: COAT_RULES,
  ...more
})

/** Pulled bare, then rolled lightly on both sides every so many days until a day. */
export function rolled(
  bareOn: string,
  firstRollOn: string,
  everyDays: number,
  until: string,
  places: readonly CoatPlace[] = JACKET
): CoatEntry[] {
  return places.flatMap((place) => {
    const rolls: CoatEntry[] = []
    for (let day = dayOf(firstRollOn); day <= dayOf(until); day += everyDays)
      rolls.push(entry(dateOf(day), place, 'both', pulled('lightRoll')))
    return [entry(bareOn, place, 'both', pulled('all')), ...rolls]
  })
}

/** Pulled bare eleven days later on the left, half in January, two light rolls since: the sides are eleven days apart. */
export function outOfStep(): CoatEntry[] {
  return JACKET.flatMap((place) => [
    entry('2025-11-10', place, 'right', pulled('all')),
    entry('2025-11-21', place, 'left', pulled('all')),
    entry('2026-01-26', place, 'both', pulled('half')),
    entry('2026-03-23', place, 'both', pulled('lightRoll')),
    entry('2026-04-07', place, 'both', pulled('lightRoll'))
  ])
}
