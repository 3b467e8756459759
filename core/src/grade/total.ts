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
  const counted = parts.filter(counts)
  const random = randomFrom(seed)
  const groups = ['', ...standard.sections.map((section) => section.id)]
  const inGroup = groups.map((id) => counted.map((part, i) => (id === '' || part.criterion.section === id ? i : -1)).filter((i) => i >= 0))
  const weightOf = inGroup.map((members) => members.reduce((sum, i) => sum + counted[i].weight, 0))
  const markOf = (shares: readonly number[], g: number) =>
    (100 * inGroup[g].reduce((sum, i) => sum + counted[i].weight * shares[i], 0)) / weightOf[g]
  const best = counted.map((part) => shareAt(part, part.measured?.value ?? null, levelOf(part)) ?? 0)
  const simulated: number[][] = groups.map(() => [])
  for (let k = 0; k < draws && counted.length > 0; k++) {
    const shares = drawShares(standard, counted, random)
    groups.forEach((_, g) => weightOf[g] > 0 && simulated[g].push(markOf(shares, g)))
  }
  const estimate = (g: number): Estimate | null => {
    if (weightOf[g] === 0) return null
    const value = markOf(best, g)
    const ends = [quantile(simulated[g], 0.025), quantile(simulated[g], 0.975)]
    return { value, interval: [Math.min(value, ends[0]), Math.max(value, ends[1])], n: draws }
  }
  const bySection = new Map<string, Estimate>()
  groups.forEach((id, g) => {
    const found = g > 0 ? estimate(g) : null
    if (found) bySection.set(id, found)
  })
  return { total: counted.length > 0 ? estimate(0) : null, bySection }
}

export function counts(part: Part): boolean {
  return part.answer !== null && part.answer.kind !== 'excused' && part.answer.kind !== 'instructor'
}

function drawShares(standard: Standard, parts: readonly Part[], random: Random): number[] {
  const common = new Map(standard.instruments.map((instrument) => [instrument.id, normalDraw(random)]))
  const drawn = new Map<string, number>()
  // a difference comes after its pair so that it reads the same drawn sides
  const order = parts.map((_, i) => i).sort((a, b) => rank(parts[a]) - rank(parts[b]))
  const shares = new Array<number>(parts.length)
  for (const i of order) {
    const part = parts[i]
    const { how } = part.criterion
    if (how.kind === 'judged') {
      shares[i] = shareAt(part, null, levelOf(part)! + LEVEL_U * normalDraw(random))!
      continue
    }
    const value = how.kind === 'difference' ? drawn.get(`${how.of}.left`)! - drawn.get(`${how.of}.right`)! : drawValue(part, common, random)
    drawn.set(`${part.criterion.id}.${part.side}`, value)
    shares[i] = shareAt(part, value, null)!
  }
  return shares
}

function rank(part: Part): number {
  return part.criterion.how.kind === 'difference' ? 1 : 0
}

function drawValue(part: Part, common: ReadonlyMap<string, number>, random: Random): number {
  const { value, u, common: shared } = part.measured!
  const own = Math.sqrt(Math.max(0, u * u - shared * shared))
  const z = part.instrument ? (common.get(part.instrument) ?? 0) : 0
  const drawn = value + shared * z + own * normalDraw(random)
  return part.criterion.how.kind === 'measured' ? Math.abs(drawn) : drawn
}
