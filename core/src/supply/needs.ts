// What an apprentice still needs of a certificate: tries of each technique, finished trims, other dogs and coats.
import { goodTrims, practisedSoFar, type CertificateRule, type CertifyFacts, type RuleKind } from '../certify'
import type { State } from '../competency'
import { latelyOf, triesNeeded, type Lately } from './tries'

/** How a technique's chart stands. */
export type ChartNow = { readonly state: State; readonly score: number; readonly signalOn: string | null }

export type NeedFacts = Pick<CertifyFacts, 'today' | 'attempts' | 'trims' | 'dogs'> & {
  readonly chart: { readonly k: number; readonly limit: number }
  readonly charts: ReadonlyMap<string, ChartNow>
  /** what is believed of someone before their first try, by technique and, under an empty name, of a finished trim */
  readonly beliefs: ReadonlyMap<string, Lately>
  /** where nothing is known of a technique */
  readonly usualBelief: Lately
}

/** `signal`: the chart must signal; `practised`: so many clean ones; `lapsed`: one that brings it back. */
export type NeedCause = 'signal' | 'practised' | 'lapsed'

export type TechniqueNeed = {
  readonly techniqueId: string
  /** tries within which it is there four times in five; null where it is not reached at this rate, or is on hold */
  readonly tries: number | null
  readonly because: NeedCause
  readonly isHeld: boolean
  /** dogs and coats other than those it was done on */
  readonly newDogs: number
  readonly newCoats: number
}
export type CertificateNeeds = {
  /** only those that need something */
  readonly techniques: readonly TechniqueNeed[]
  /** finished trims to be graded until enough are good, four times in five; null where that is not reached at this rate */
  readonly trims: number | null
  readonly newDogs: number
  readonly newCoats: number
  /** rules that no visit settles: questions, time without a safety event, another certificate */
  readonly others: readonly { readonly kind: RuleKind; readonly name: string }[]
}

/** What no dog settles. */
const NOT_BY_DOGS: ReadonlySet<RuleKind> = new Set(['answered', 'noSafety', 'noCritical', 'holds'])

/**
 * What a certificate's rules still lack, in tries, trims, dogs and coats. `met`: which of the rules are met today, in their order.
 * @throws CoreError as `triesNeeded`
 */
export function needsOf(rules: readonly CertificateRule[], met: readonly boolean[], facts: NeedFacts): CertificateNeeds {
  const open = rules.filter((_, i) => !met[i])
  const techniques = new Map<string, TechniqueNeed>()
  const add = (need: TechniqueNeed) => {
    if (need.tries === 0 && need.newDogs === 0 && need.newCoats === 0) return
    const before = techniques.get(need.techniqueId)
    techniques.set(need.techniqueId, before ? larger(before, need) : need)
  }
  let [trims, newDogs, newCoats]: [number | null, number, number] = [0, 0, 0]
  for (const rule of open) {
    if (rule.kind === 'techniques') for (const id of rule.techniques) add(signalNeed(id, facts))
    if (rule.kind === 'practised') for (const id of rule.techniques) add(practisedNeed(rule, id, facts))
    if (rule.kind === 'passedTrim' || rule.kind === 'alike') trims = most(trims, trimsNeeded(1, facts))
    if (rule.kind === 'trims') trims = most(trims, trimsNeeded(rule.count - goodTrims(rule, facts).good.length, facts))
    if (rule.kind === 'dogs') {
      newDogs = Math.max(newDogs, rule.dogs - facts.dogs.length)
      newCoats = Math.max(newCoats, rule.coats - new Set(facts.dogs.map(({ coat }) => coat)).size)
    }
  }
  const others = open.filter(({ kind }) => NOT_BY_DOGS.has(kind)).map(({ kind, name }) => ({ kind, name }))
  return { techniques: [...techniques.values()], trims, newDogs: Math.max(0, newDogs), newCoats: Math.max(0, newCoats), others }
}

const beliefOf = ({ beliefs, usualBelief }: NeedFacts, id: string): Lately => beliefs.get(id) ?? usualBelief

function signalNeed(techniqueId: string, facts: NeedFacts): TechniqueNeed {
  const { chart, charts, attempts } = facts
  const { state = 'new', score = 0, signalOn = null } = charts.get(techniqueId) ?? {}
  const none = { techniqueId, because: 'signal' as const, isHeld: false, newDogs: 0, newCoats: 0 }
  // what is ready waits for a trim that passes, and for no more tries
  if (state === 'competent' || state === 'ready') return { ...none, tries: 0 }
  if (state === 'held') return { ...none, tries: null, isHeld: true }
  if (state === 'lapsed' && signalOn !== null) return { ...none, tries: 1, because: 'lapsed' }
  const lately = latelyOf(attempts.get(techniqueId) ?? [], ({ clean }) => clean)
  return { ...none, tries: triesNeeded({ ...chart, score: Math.min(score, chart.limit - 1) }, lately, beliefOf(facts, techniqueId)) }
}

function practisedNeed(rule: Extract<CertificateRule, { kind: 'practised' }>, techniqueId: string, facts: NeedFacts): TechniqueNeed {
  const own = facts.attempts.get(techniqueId) ?? []
  const { tries, dogs, coats, sides } = practisedSoFar(rule, own, facts.today)
  const fits = new Set(tries)
  const [newDogs, newCoats] = [Math.max(0, rule.dogs - dogs), Math.max(0, rule.coats - coats)]
  const least = Math.max(newDogs, newCoats, sides.length > 0 ? 1 : 0)
  const missing = Math.max(rule.count - tries.length, least)
  const needed =
    missing <= 0
      ? 0
      : triesNeeded(
          { score: 0, limit: missing, k: 0 },
          latelyOf(own, (one) => fits.has(one)),
          beliefOf(facts, techniqueId)
        )
  return { techniqueId, tries: needed, because: 'practised', isHeld: facts.charts.get(techniqueId)?.state === 'held', newDogs, newCoats }
}

/** Trims until so many are good, by how the last ones were. */
function trimsNeeded(missing: number, facts: NeedFacts): number | null {
  if (missing <= 0) return 0
  const good = latelyOf(facts.trims, ({ settled, result }) => (settled === null ? result.outcome === 'passed' : settled === 'passed'))
  return triesNeeded({ score: 0, limit: missing, k: 0 }, good, beliefOf(facts, ''))
}

const most = (a: number | null, b: number | null): number | null => (a === null || b === null ? null : Math.max(a, b))

function larger(a: TechniqueNeed, b: TechniqueNeed): TechniqueNeed {
  const isA = a.tries === null || (b.tries !== null && a.tries >= b.tries)
  return {
    ...(isA ? a : b),
    tries: most(a.tries, b.tries),
    isHeld: a.isHeld || b.isHeld,
    newDogs: Math.max(a.newDogs, b.newDogs),
    newCoats: Math.max(a.newCoats, b.newCoats)
  }
}

/** What several certificates need together: a try counts for all of them. */
export function together(all: readonly CertificateNeeds[]): CertificateNeeds {
  const techniques = new Map<string, TechniqueNeed>()
  for (const need of all.flatMap((one) => one.techniques)) {
    const before = techniques.get(need.techniqueId)
    techniques.set(need.techniqueId, before ? larger(before, need) : need)
  }
  const others = new Map(all.flatMap((one) => one.others).map((one) => [`${one.kind} ${one.name}`, one]))
  return {
    techniques: [...techniques.values()],
    // trims of different certificates are different trims
    trims: all.reduce<number | null>((sum, { trims }) => (sum === null || trims === null ? null : sum + trims), 0),
    newDogs: Math.max(0, ...all.map(({ newDogs }) => newDogs)),
    newCoats: Math.max(0, ...all.map(({ newCoats }) => newCoats)),
    others: [...others.values()]
  }
}
