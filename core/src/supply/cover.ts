// Which visits to ask for: the fewest that serve what apprentices need, as far as dogs, days and tables allow.
import { CoreError } from '../error'

/** What one apprentice needs until the day, beyond what is planned. */
export type Learner = {
  readonly id: string
  /** tries by technique */
  readonly tries: readonly { readonly techniqueId: string; readonly tries: number }[]
  /** finished trims by trim: any of these trims counts */
  readonly trims: readonly { readonly trimIds: readonly string[]; readonly count: number }[]
  /** coats and dogs other than the known ones */
  readonly newCoats: number
  readonly knownCoats: readonly string[]
  readonly newDogs: number
  readonly knownDogs: readonly string[]
  /** days on which nothing is planned yet: one dog a day */
  readonly days: number
  /** whether meeting all of these needs is all that visits have to do for this one */
  readonly canFinish: boolean
}
/** A dog in a trim that it can come in. */
export type Offer = {
  readonly id: string
  readonly dogId: string
  readonly coat: string
  readonly trimId: string
  readonly techniques: readonly string[]
}
export type CoverCase = {
  readonly learners: readonly Learner[]
  readonly offers: readonly Offer[]
  /** how often each dog can still come */
  readonly dogVisits: ReadonlyMap<string, number>
  /** visits that tables and days hold beyond those planned */
  readonly most: number
}

/** `serves`: needs of that apprentice which one such visit serves. */
export type AskedVisit = { readonly learnerId: string; readonly offerId: string; readonly times: number; readonly serves: number }
/** `noDog`: no dog comes for it; `dogs`: those that do come too seldom; `days`: the apprentice has no day left; `tables`: the room is full. */
export type Limit = 'noDog' | 'dogs' | 'days' | 'tables'
export type Unmet = {
  readonly learnerId: string
  readonly what: 'tries' | 'trims' | 'coats' | 'dogs'
  /** of tries */
  readonly techniqueId: string | null
  readonly count: number
  readonly binds: Limit
}
export type Cover = { readonly asked: readonly AskedVisit[]; readonly unmet: readonly Unmet[] }

/** An apprentice who gets there weighs more than all needs together, a need that is not met as one, a visit so little that none is asked for without use. */
const VISIT_WEIGHT = 0.01

type Need = { readonly learner: number; readonly what: Unmet['what']; readonly techniqueId: string | null; readonly count: number }
type Programme = {
  /** in the LP format of CPLEX, which HiGHS and others read */
  readonly lp: string
  readonly needs: readonly Need[]
  /** a column `x<l>_<o>` for every visit that serves something */
  readonly visits: readonly { readonly name: string; readonly learner: number; readonly offer: number }[]
}

/** A sum over lines that every reader of the format takes: it may be broken between terms. */
const sum = (terms: readonly string[], between = ' + '): string =>
  terms.map((term, i) => (i === 0 ? term : `${i % TERMS_A_LINE === 0 ? '\n  ' : ''}${between}${term}`)).join('')
const TERMS_A_LINE = 16

const serves = (offer: Offer, learner: Learner, { what, techniqueId }: Need, trims: Learner['trims'][number] | undefined): boolean =>
  what === 'tries'
    ? offer.techniques.includes(techniqueId!)
    : what === 'trims'
      ? trims!.trimIds.includes(offer.trimId)
      : what === 'coats'
        ? !learner.knownCoats.includes(offer.coat)
        : !learner.knownDogs.includes(offer.dogId)

/** What is counted once, however often it comes: a coat, a dog; null where every visit counts. */
const kindOf = ({ what }: Pick<Need, 'what'>, offer: Offer): string | null =>
  what === 'coats' ? offer.coat : what === 'dogs' ? offer.dogId : null

/** Every need of a learner, with the trims that it is about. */
function needsIn(learners: readonly Learner[]): readonly (Need & { readonly trims: Learner['trims'][number] | undefined })[] {
  return learners.flatMap(({ tries, trims, newCoats, newDogs }, learner) => [
    ...tries
      .filter((one) => one.tries > 0)
      .map((one) => ({ learner, what: 'tries' as const, techniqueId: one.techniqueId, count: one.tries, trims: undefined })),
    ...trims
      .filter(({ count }) => count > 0)
      .map((one) => ({ learner, what: 'trims' as const, techniqueId: null, count: one.count, trims: one })),
    ...(newCoats > 0 ? [{ learner, what: 'coats' as const, techniqueId: null, count: newCoats, trims: undefined }] : []),
    ...(newDogs > 0 ? [{ learner, what: 'dogs' as const, techniqueId: null, count: newDogs, trims: undefined }] : [])
  ])
}

/** The programme whose best solution gets most apprentices there, among those leaves fewest needs open, and among those asks for fewest visits. */
export function programmeOf({ learners, offers, dogVisits, most }: CoverCase): Programme {
  const needs = needsIn(learners)
  const of = (l: number, o: number) => needs.some((need) => need.learner === l && serves(offers[o]!, learners[l]!, need, need.trims))
  const visits = learners.flatMap((_, learner) =>
    offers.flatMap((_offer, offer) => (of(learner, offer) ? [{ name: `x${learner}_${offer}`, learner, offer }] : []))
  )
  const rows: string[] = []
  const coats: { name: string; row: string }[] = []
  needs.forEach((need, n) => {
    const own = visits.filter(
      ({ learner, offer }) => learner === need.learner && serves(offers[offer]!, learners[learner]!, need, need.trims)
    )
    if (need.what === 'tries' || need.what === 'trims') {
      rows.push(`n${n}: ${sum([...own.map(({ name }) => name), `u${n}`])} >= ${need.count}`)
      return
    }
    // a coat or a dog is new once, however often it comes
    const kinds = [...new Set(own.map(({ offer }) => kindOf(need, offers[offer]!)))]
    kinds.forEach((kind, c) => {
      const name = `v${n}_${c}`
      const there = own.filter(({ offer }) => kindOf(need, offers[offer]!) === kind).map((one) => one.name)
      coats.push({ name, row: `c${n}_${c}: ${name} - ${sum(there, ' - ')} <= 0` })
    })
    rows.push(`n${n}: ${sum([...kinds.map((_, c) => `v${n}_${c}`), `u${n}`])} >= ${need.count}`)
  })
  rows.push(...coats.map(({ row }) => row))
  // who is there has nothing left open
  const there = learners.flatMap(({ canFinish }, l) => (canFinish && needs.some(({ learner }) => learner === l) ? [l] : []))
  for (const l of there)
    needs.forEach(({ learner, count }, n) => {
      if (learner === l) rows.push(`f${l}_${n}: u${n} + ${count} f${l} <= ${count}`)
    })
  const worth = 1 + needs.reduce((all, { count }) => all + count, 0)
  learners.forEach(({ days }, l) => {
    const own = visits.filter(({ learner }) => learner === l).map(({ name }) => name)
    if (own.length > 0) rows.push(`d${l}: ${sum(own)} <= ${days}`)
  })
  for (const [d, [dogId, times]] of [...dogVisits].entries()) {
    const own = visits.filter(({ offer }) => offers[offer]!.dogId === dogId).map(({ name }) => name)
    if (own.length > 0) rows.push(`g${d}: ${sum(own)} <= ${times}`)
  }
  if (visits.length > 0) rows.push(`t: ${sum(visits.map(({ name }) => name))} <= ${most}`)
  const goal = [...needs.map((_, n) => `u${n}`), ...visits.map(({ name }) => `${VISIT_WEIGHT} ${name}`)]
  const bonus = there.map((l) => ` - ${worth} f${l}`).join('')
  const lp = [
    'Minimize',
    ` ${goal.length > 0 ? sum(goal) : '0 nothing'}${bonus}`,
    'Subject To',
    ...(rows.length > 0 ? rows.map((row) => ` ${row}`) : [' none: nothing <= 0']),
    ...(coats.length > 0 ? ['Bounds', ...coats.map(({ name }) => ` 0 <= ${name} <= 1`)] : []),
    ...(there.length > 0
      ? [
          'Binary',
          ` ${sum(
            there.map((l) => `f${l}`),
            ' '
          )}`
        ]
      : []),
    ...(visits.length > 0
      ? [
          'General',
          ` ${sum(
            visits.map(({ name }) => name),
            ' '
          )}`
        ]
      : []),
    'End',
    ''
  ].join('\n')
  return { lp, needs, visits }
}

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
