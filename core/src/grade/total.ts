import { normalDraw, randomFrom, type Random } from '../stats'
import type { Section, Standard } from '../standard'
import { levelOf, shareAt, type Part } from './parts'
import type { Interval } from './types'

export type Estimate = { readonly value: number; readonly interval: Interval; readonly n: number }

/** Draws in one simulation. Chosen: the ends of a 95 % interval then repeat within about half a mark. */
export const DRAWS = 2000

/** How the level of a judged criterion is drawn; `begin` comes before each sheet and draws what its levels share. */
export type LevelDraw = { readonly begin: (random: Random) => void; readonly level: (level: number, random: Random) => number }

/** Marks out of 100 at the best estimates and in every draw: the total first, then each section that counts for something. */
export type SimulatedMarks = {
  readonly best: readonly number[]
  readonly rows: readonly (readonly number[])[]
  /** the sections that count, as they stand after the total in `best` and in each row */
  readonly sections: readonly Section[]
}

/**
 * Marks out of 100, whole and by section, from one joint simulation: in every draw an instrument's common error is the
 * same for all its readings, and a difference uses the very sides that were drawn, so nothing that is shared is counted
 * twice. Parts that are excused, done by the instructor or not answered leave both sum and maximum; null where none is
 * left. Method: propagation of distributions. Source: JCGM 101:2008.
 */
export function simulateMarks(
  standard: Standard,
  parts: readonly Part[],
  seed: number,
  levels: LevelDraw,
  draws: number = DRAWS
): SimulatedMarks | null {
  const counted = inDrawingOrder(parts.filter(counts))
  if (counted.length === 0) return null
  const sections = standard.sections.filter(({ id }) => counted.some((part) => part.criterion.section === id))
  const sectionOf = counted.map((part) => sections.findIndex(({ id }) => id === part.criterion.section))
  const weights = sections.map((_, s) => counted.reduce((sum, part, i) => (sectionOf[i] === s ? sum + part.weight : sum), 0))
  const weight = weights.reduce((sum, each) => sum + each, 0)
  const marks = (shares: ArrayLike<number>): number[] => {
    const sums = weights.map(() => 0)
    counted.forEach((part, i) => (sums[sectionOf[i]!]! += part.weight * shares[i]!))
    return [100 * (sums.reduce((sum, each) => sum + each, 0) / weight), ...sums.map((sum, s) => (100 * sum) / weights[s]!)]
  }
  const best = marks(counted.map((part) => shareAt(part, part.measured?.value ?? null, levelOf(part)) ?? 0))
  const draw = drawer(counted, randomFrom(seed), levels)
  return { best, rows: Array.from({ length: draws }, () => marks(draw())), sections }
}

export function counts(part: Part): boolean {
  return part.answer !== null && part.answer.kind !== 'excused' && part.answer.kind !== 'instructor'
}

/** A difference comes after its pair, so that it reads the very sides that were drawn. */
function inDrawingOrder(parts: readonly Part[]): Part[] {
  const isPair = (part: Part) => part.how.kind === 'difference'
  return [...parts.filter((part) => !isPair(part)), ...parts.filter(isPair)]
}

/** One joint draw of every part's share of the marks, again and again into the same array. */
function drawer(parts: readonly Part[], random: Random, levels: LevelDraw): () => Float64Array {
  const values = new Float64Array(parts.length)
  const shares = new Float64Array(parts.length)
  const shared = [...new Set(parts.flatMap(({ instrument }) => (instrument ? [instrument] : [])))]
  const common = shared.map(() => 0)
  const plans = parts.map((part) => planOf(shared, parts, part))
  return () => {
    levels.begin(random)
    for (let k = 0; k < common.length; k++) common[k] = normalDraw(random)
    plans.forEach((plan, i) => {
      if (plan.kind === 'level') {
        shares[i] = shareAt(parts[i]!, null, levels.level(plan.level, random))!
        return
      }
      if (plan.kind === 'difference') values[i] = values[plan.left]! - values[plan.right]!
      else {
        const drawn = plan.value + (plan.instrument < 0 ? 0 : plan.shared * common[plan.instrument]!) + plan.own * normalDraw(random)
        values[i] = plan.absolute ? Math.abs(drawn) : drawn
      }
      shares[i] = shareAt(parts[i]!, values[i], null)!
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
  const { how } = part
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
