import { normalDraw, randomFrom, type Random } from '@peen/core/stats'
import { v7 } from 'uuid'

/** Chance with the few verbs the scenario needs; one seed gives one scenario. */
export type Chance = {
  readonly share: Random
  readonly happens: (probability: number) => boolean
  readonly pick: <T>(list: readonly T[]) => T
  readonly about: (mean: number, sd: number) => number
  readonly id: (at: Date) => string
}

export function chanceFrom(seed: number): Chance {
  const share = randomFrom(seed)
  return {
    share,
    happens: (probability) => share() < probability,
    pick: (list) => list[Math.floor(share() * list.length)],
    about: (mean, sd) => mean + sd * normalDraw(share),
    id: (at) =>
      v7({
        msecs: at.getTime(),
        seq: Math.floor(share() * 0x7fffffff),
        random: Uint8Array.from({ length: 16 }, () => Math.floor(share() * 256))
      })
  }
}
