// Which visits to ask for: the fewest that serve what apprentices need, as far as dogs, days and tables allow.
import { CoreError } from '../error'
import { programmeOf } from './programme'
import { kindOf, needsIn, serves, type AskedVisit, type Cover, type CoverCase, type Limit, type Unmet } from './serves'

/** What a solution asks for, and what it leaves open with the limit that binds. `valueOf`: a column's value, 0 where it has none. */
export function coverFrom(given: CoverCase, valueOf: (column: string) => number): Cover {
  const { visits } = programmeOf(given)
  const times = visits.map((one) => ({ ...one, times: Math.round(valueOf(one.name)) })).filter((one) => one.times > 0)
  return asCover(given, times)
}

type Taken = { readonly learner: number; readonly offer: number; readonly times: number }

function asCover(given: CoverCase, taken: readonly Taken[]): Cover {
  const { learners, offers } = given
  const needs = needsIn(learners)
  const asked = taken.map(({ learner, offer, times }): AskedVisit => {
    const own = needs.filter((need) => need.learner === learner && serves(offers[offer]!, learners[learner]!, need, need.trims))
    return { learnerId: learners[learner]!.id, offerId: offers[offer]!.id, times, serves: own.length }
  })
  const unmet = needs.flatMap((need): Unmet[] => {
    const serving = (one: Taken) => one.learner === need.learner && serves(offers[one.offer]!, learners[one.learner]!, need, need.trims)
    const there =
      need.what === 'coats' || need.what === 'dogs'
        ? new Set(taken.filter(serving).map(({ offer }) => kindOf(need, offers[offer]!))).size
        : taken.filter(serving).reduce((sum, { times }) => sum + times, 0)
    if (there >= need.count) return []
    const { what, techniqueId, learner } = need
    const binds = limitOf(given, taken, learner, (offer) => serves(offers[offer]!, learners[learner]!, need, need.trims))
    return [{ learnerId: learners[learner]!.id, what, techniqueId, count: need.count - there, binds }]
  })
  return { asked: asked.sort((a, b) => b.serves - a.serves || b.times - a.times), unmet }
}

function limitOf(
  { learners, offers, dogVisits, most }: CoverCase,
  taken: readonly Taken[],
  learner: number,
  does: (offer: number) => boolean
): Limit {
  const able = offers.map((_, i) => i).filter(does)
  if (able.length === 0) return 'noDog'
  const timesOf = (fits: (one: Taken) => boolean) => taken.filter(fits).reduce((sum, { times }) => sum + times, 0)
  if (timesOf((one) => one.learner === learner) >= learners[learner]!.days) return 'days'
  if (timesOf(() => true) >= most) return 'tables'
  const isFull = (offer: number) => {
    const { dogId } = offers[offer]!
    return timesOf((one) => offers[one.offer]!.dogId === dogId) >= (dogVisits.get(dogId) ?? 0)
  }
  return able.every(isFull) ? 'dogs' : 'days'
}

/**
 * A good cover without a solver: again and again the visit that serves most open needs. Not the best there is, and not called so.
 * @throws CoreError `outOfRange` where days or visits are below 0
 */
export function greedyCover(given: CoverCase): Cover {
  const { learners, offers, dogVisits, most } = given
  if (most < 0) throw new CoreError({ code: 'outOfRange', path: 'most', got: most, limit: '0 or more' })
  const needs = needsIn(learners)
  const left = needs.map(({ count }) => count)
  const had = needs.map(() => new Set<string>())
  const [days, dogs] = [learners.map((one) => one.days), new Map(dogVisits)]
  const taken = new Map<string, Taken>()
  const gain = (l: number, o: number) =>
    needs.reduce((sum, need, n) => {
      if (need.learner !== l || left[n]! <= 0 || !serves(offers[o]!, learners[l]!, need, need.trims)) return sum
      const kind = kindOf(need, offers[o]!)
      return kind !== null && had[n]!.has(kind) ? sum : sum + 1
    }, 0)
  for (let visits = 0; visits < most; visits++) {
    let best: { l: number; o: number; gain: number } | null = null
    for (let l = 0; l < learners.length; l++) {
      if (days[l]! <= 0) continue
      for (let o = 0; o < offers.length; o++) {
        if ((dogs.get(offers[o]!.dogId) ?? 0) <= 0) continue
        const worth = gain(l, o)
        if (worth > (best?.gain ?? 0)) best = { l, o, gain: worth }
      }
    }
    if (!best) break
    const { l, o } = best
    needs.forEach((need, n) => {
      if (need.learner !== l || left[n]! <= 0 || !serves(offers[o]!, learners[l]!, need, need.trims)) return
      const kind = kindOf(need, offers[o]!)
      if (kind !== null && had[n]!.has(kind)) return
      if (kind !== null) had[n]!.add(kind)
      left[n]!--
    })
    days[l]!--
    dogs.set(offers[o]!.dogId, dogs.get(offers[o]!.dogId)! - 1)
    const key = `${l} ${o}`
    taken.set(key, { learner: l, offer: o, times: (taken.get(key)?.times ?? 0) + 1 })
  }
  return asCover(given, [...taken.values()])
}
