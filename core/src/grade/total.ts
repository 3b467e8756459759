import { normalDraw, quantile, randomFrom, type Random } from '../stats'
import type { Standard } from '../standard'
import { LEVEL_U, levelOf, shareAt, type Part } from './parts'
import type { Interval } from './types'

export type Estimate = { readonly value: number; readonly interval: Interval; readonly n: number }

export type Totals = { readonly total: Estimate | null; readonly bySection: ReadonlyMap<string, Estimate> }

/** Draws in one simulation. Chosen: the ends of a 95 % interval then repeat within about half a mark. */
export const DRAWS = 2000

/**
 * Marks out of 100, whole and by section, with 95 % intervals from one joint simulation: in every draw an instrument's
 * common error is the same for all its readings, and a difference uses the very sides that were drawn, so nothing that
 * is shared is counted twice. The value is the mark at the best estimates; the interval is widened to hold it, since
 * marks are cut off at full and at none. Method: propagation of distributions. Source: JCGM 101:2008.
 * Parts that are excused, done by the instructor or not answered leave both sum and maximum.
 */
export function totalsOf(standard: Standard, parts: readonly Part[], seed: number, draws: number = DRAWS): Totals {
  const counted = inDrawingOrder(parts.filter(counts))
  if (counted.length === 0) return { total: null, bySection: new Map() }
  const sectionOf = counted.map((part) => standard.sections.findIndex((section) => section.id === part.criterion.section))
  const weights = standard.sections.map((_, s) => counted.reduce((sum, part, i) => (sectionOf[i] === s ? sum + part.weight : sum), 0))
  const weight = weights.reduce((sum, each) => sum + each, 0)
  const marks = (shares: ArrayLike<number>): number[] => {
    const sums = weights.map(() => 0)
    counted.forEach((part, i) => (sums[sectionOf[i]] += part.weight * shares[i]))
    return [
      100 * (sums.reduce((sum, each) => sum + each, 0) / weight),
      ...sums.map((sum, s) => (weights[s] > 0 ? (100 * sum) / weights[s] : 0))
    ]
  }
  const best = marks(counted.map((part) => shareAt(part, part.measured?.value ?? null, levelOf(part)) ?? 0))
  const draw = drawer(counted, randomFrom(seed))
  const simulated = Array.from({ length: draws }, () => marks(draw()))
  const estimate = (g: number): Estimate => {
    const values = simulated.map((row) => row[g])
    const ends = [quantile(values, 0.025), quantile(values, 0.975)]
    return { value: best[g], interval: [Math.min(best[g], ends[0]), Math.max(best[g], ends[1])], n: draws }
  }
  const open = standard.sections.map((section, s) => ({ id: section.id, s })).filter(({ s }) => weights[s] > 0)
  return { total: estimate(0), bySection: new Map(open.map(({ id, s }) => [id, estimate(s + 1)])) }
}

export function counts(part: Part): boolean {
  return part.answer !== null && part.answer.kind !== 'excused' && part.answer.kind !== 'instructor'
}

/** A difference comes after its pair, so that it reads the very sides that were drawn. */
function inDrawingOrder(parts: readonly Part[]): Part[] {
  const isPair = (part: Part) => part.criterion.how.kind === 'difference'
  return [...parts.filter((part) => !isPair(part)), ...parts.filter(isPair)]
}

/** One joint draw of every part's share of the marks, again and again into the same array. */
function drawer(parts: readonly Part[], random: Random): () => Float64Array {
  const values = new Float64Array(parts.length)
  const shares = new Float64Array(parts.length)
  const shared = [...new Set(parts.flatMap(({ instrument }) => (instrument ? [instrument] : [])))]
  const common = shared.map(() => 0)
  const plans = parts.map((part) => planOf(shared, parts, part))
  return () => {
    for (let k = 0; k < common.length; k++) common[k] = normalDraw(random)
    plans.forEach((plan, i) => {
      if (plan.kind === 'level') {
        shares[i] = shareAt(parts[i], null, plan.level + LEVEL_U * normalDraw(random))!
        return
      }
      if (plan.kind === 'difference') values[i] = values[plan.left] - values[plan.right]
      else {
        const drawn = plan.value + (plan.instrument < 0 ? 0 : plan.shared * common[plan.instrument]) + plan.own * normalDraw(random)
        values[i] = plan.absolute ? Math.abs(drawn) : drawn
      }
      shares[i] = shareAt(parts[i], values[i], null)!
    })
    return shares
  }
}

type DrawPlan =
  | { readonly kind: 'level'; readonly level: number }
  | { readonly kind: 'difference'; readonly left: number; readonly right: number }
  | {
      readonly kind: 'measure'
      readonly value: number
      readonly own: number
      readonly shared: number
      readonly instrument: number
      readonly absolute: boolean
    }

function planOf(shared: readonly string[], parts: readonly Part[], part: Part): DrawPlan {
  const { how } = part.criterion
  if (how.kind === 'judged') return { kind: 'level', level: levelOf(part)! }
  if (how.kind === 'difference' && part.instrument === null && part.measured!.method !== 'by eye') {
    const at = (side: string) => parts.findIndex((other) => other.criterion.id === how.of && other.side === side)
    return { kind: 'difference', left: at('left'), right: at('right') }
  }
  const { value, u, common } = part.measured!
  const instrument = part.instrument ? shared.indexOf(part.instrument) : -1
  return {
    kind: 'measure',
    value,
    own: Math.sqrt(Math.max(0, u * u - common * common)),
    shared: common,
    instrument,
    absolute: how.kind === 'measured'
  }
}
