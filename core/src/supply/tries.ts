// How many tries it takes until a learning chart signals, by how this apprentice's tries have gone.
import { CoreError, inRange } from '../error'

/** How the latest tries have gone, counted. */
export type Lately = { readonly clean: number; readonly faulty: number }
/** A chart as it stands: +1 for a clean try, -k for a faulty one, never under 0, reached at the limit. With k 0: so many clean tries. */
export type Chase = { readonly score: number; readonly limit: number; readonly k: number }

/** What is believed before the first try weighs as much as so many tries. Chosen. */
export const BELIEF_TRIES = 10

/**
 * What is believed of someone before their first try: that they will come to try as cleanly as those here who have practised it, and where
 * few have, as the school's own acceptable failure rate says. Worth ten tries.
 * @param others the latest tries of those who have practised it, counted @param acceptable failure rate, over 0 and under 1
 */
export function beliefFrom(others: Lately, acceptable: number): Lately {
  inRange('acceptable', acceptable, 0.001, 0.999)
  const n = others.clean + others.faulty
  const clean01 = (others.clean + BELIEF_TRIES * (1 - acceptable)) / (n + BELIEF_TRIES)
  return { clean: BELIEF_TRIES * clean01, faulty: BELIEF_TRIES * (1 - clean01) }
}
/** What is long ago says little of today: so many tries count. Chosen. */
export const LATEST_TRIES = 20
/** A need is counted at this chance. Chosen: four times in five, so that a plan is not one of wishes. */
export const SURE_CHANCE = 0.8
/** Beyond so many tries it is not reached at this rate. Chosen. */
export const MOST_TRIES = 100

/**
 * The chance that the chart signals within so many tries, exact: a Markov chain on the score and on the clean tries so far, each try clean
 * with the chance that all tries until then leave (Pólya's urn, the predictive of a beta prior).
 * @param n tries, 0 to 100
 * @throws CoreError `outOfRange`, `scoreOverLimit`
 * Source: Brook & Evans 1972 for the chain; Gelman et al., Bayesian Data Analysis, for the predictive (from memory).
 */
export function chanceWithin(n: number, chase: Chase, lately: Lately, belief: Lately): number {
  inRange('n', n, 0, MOST_TRIES, 'tries')
  refuseChase(chase)
  let chance = 0
  for (const reached of signals(chase, plus(lately, belief), n)) chance = reached
  return chance
}

/** The fewest tries within which the chart signals at a chance; null where it does not within 100. 0 where it has. */
export function triesNeeded(chase: Chase, lately: Lately, belief: Lately, chance01 = SURE_CHANCE): number | null {
  inRange('chance01', chance01, 0.01, 0.99)
  refuseChase(chase)
  if (chase.score >= chase.limit) return 0
  const all = plus(lately, belief)
  const key = `${chase.score} ${chase.limit} ${chase.k} ${all.clean} ${all.faulty} ${chance01}`
  const before = known.get(key)
  if (before !== undefined) return before
  const tries = firstAt(chase, all, chance01)
  if (known.size >= MOST_KNOWN) known.clear()
  known.set(key, tries)
  return tries
}
const known = new Map<string, number | null>()
const MOST_KNOWN = 20_000

function firstAt(chase: Chase, all: Lately, chance01: number): number | null {
  let [n, before, gain] = [0, 0, 0]
  for (const reached of signals(chase, all, MOST_TRIES)) {
    n++
    if (reached >= chance01) return n
    // past its peak the gain of a try only falls: where even this one, kept up to the end, is too little, it is never there
    const next = reached - before
    if (n > PAST_PEAK * chase.limit && next < gain && reached + next * (MOST_TRIES - n) < chance01) return null
    ;[before, gain] = [reached, next]
  }
  return null
}
/** By then the gain of a try has passed its peak: a chart signals at the limit's own number of tries at the soonest. Tested beside all tries. */
const PAST_PEAK = 2

const plus = (one: Lately, other: Lately): Lately => ({ clean: one.clean + other.clean, faulty: one.faulty + other.faulty })

/** After each try the chance that the chart has signalled by then. */
function* signals({ score, limit, k }: Chase, { clean: a, faulty: b }: Lately, n: number): Generator<number> {
  // chance of each score, by clean tries so far: two tables that change places, each row a number of clean tries
  let [at, next] = [new Float64Array(limit * (n + 2)), new Float64Array(limit * (n + 2))]
  at[score] = 1
  let reached = 0
  for (let i = 0; i < n; i++) {
    // without a cost, as many clean tries as are asked for are the end
    const last = k === 0 ? Math.min(i, limit - 1 - score) : i
    for (let c = 0; c <= last; c++) {
      const chance = (a + c) / (a + b + i)
      const row = c * limit
      for (let s = 0; s < limit; s++) {
        const here = at[row + s]!
        if (here === 0) continue
        at[row + s] = 0
        // what no longer matters is not followed: all of it together stays under a ten-millionth
        if (here < NEGLIGIBLE) continue
        if (s + 1 === limit) reached += here * chance
        else next[row + limit + s + 1]! += here * chance
        next[row + (s > k ? s - k : 0)]! += here * (1 - chance)
      }
    }
    ;[at, next] = [next, at]
    yield reached
  }
}
const NEGLIGIBLE = 1e-10

function refuseChase({ score, limit, k }: Chase): void {
  inRange('limit', limit, 1, 1000)
  inRange('k', k, 0, 1000)
  if (!Number.isInteger(score) || score < 0) throw new CoreError({ code: 'outOfRange', path: 'score', got: score, limit: '0 or more' })
}

/** The latest tries, counted by what is asked of them. */
export function latelyOf<T>(tries: readonly T[], isClean: (one: T) => boolean): Lately {
  const latest = tries.slice(-LATEST_TRIES)
  const clean = latest.filter(isClean).length
  return { clean, faulty: latest.length - clean }
}
