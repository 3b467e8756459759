// The profile's outline: what belongs to which region along it, which way the hair points there, and where it lies down.
import type { OutlineLandmark, Skeleton } from '../body'
import { OUTLINE_SPANS, type DrawnRegion, type Weights } from '../coat'
import { clamp, lerp, smoothstep, unit, type Point } from '../vec'

/** The sampled outline with its arc lengths, mm. */
export type Outline = {
  readonly points: readonly Point[]
  readonly normals: readonly Point[]
  readonly arc: Float64Array
  readonly perimeter: number
  readonly markAt: Readonly<Record<OutlineLandmark, number>>
  readonly heightMm: number
}

/** Width over which a region runs into its neighbour, mm. */
export type SoftOf = (region: DrawnRegion) => number

/** A region's way along the outline, mm, and how wide it runs out at its ends. */
export type Run = { readonly region: DrawnRegion; readonly start: number; readonly end: number; readonly soft: number }

export function runsOf({ arc, perimeter, markAt }: Outline, softOf: SoftOf): readonly Run[] {
  return OUTLINE_SPANS.map(([region, from, to]) => {
    const start = arc[markAt[from]]!
    const end = arc[markAt[to]]! <= start ? arc[markAt[to]]! + perimeter : arc[markAt[to]]!
    return { region, start, end, soft: Math.min(softOf(region), (end - start) * 0.45) }
  })
}

/** Weight of each region at an outline sample: a product of two S-curves at its span's ends, then normalised. */
export function outlineWeights({ arc, perimeter }: Outline, i: number, runs: readonly Run[]): Weights {
  const found: Partial<Record<DrawnRegion, number>> = {}
  let total = 0
  for (const { region, start, end, soft } of runs) {
    let weight = 0
    for (let s = arc[i]! - perimeter; s <= end + soft; s += perimeter) {
      if (s > start - soft)
        weight = Math.max(weight, smoothstep(start - soft, start + soft, s) * (1 - smoothstep(end - soft, end + soft, s)))
    }
    if (weight > 0) found[region] = (found[region] ?? 0) + weight
    total += weight
  }
  for (const region in found) found[region as DrawnRegion]! /= total
  return found
}

/** Signed way along the outline from sample b to sample a, mm. */
export function pastOnOutline({ arc, perimeter }: Pick<Outline, 'arc' | 'perimeter'>, a: number, b: number): number {
  const d = arc[a]! - arc[b]!
  return d > perimeter / 2 ? d - perimeter : d < -perimeter / 2 ? d + perimeter : d
}

/** Flow directions of the regions of a place, blended by weight. */
export function blendFlow(weights: Weights, flows: Readonly<Record<DrawnRegion, Point>>): Point {
  let [x, y] = [0, 0]
  for (const [region, weight] of Object.entries(weights) as [DrawnRegion, number][]) {
    x += weight * flows[region][0]
    y += weight * flows[region][1]
  }
  return unit([x, y])
}

/** Hair lies down toward the ends of a layer, so that no tuft stands in an armpit or on the nape. Share 0..1 of its stand. */
export function taperAt(
  name: string,
  { p, at }: { readonly p: Point; readonly at: number },
  outline: Outline,
  { marks: m, heightMm: h }: Skeleton
): number {
  const ix = outline.markAt
  const past = (a: number, b: number) => pastOnOutline(outline, a, b)
  if (name === 'fore' || name === 'farFore')
    return Math.min(smoothstep(0, 0.11 * h, past(at, ix.elbow)), smoothstep(0, 0.1 * h, past(ix.forearmTop, at)))
  if (name === 'hind' || name === 'farHind') return smoothstep(-0.01 * h, 0.07 * h, past(ix.flank, at))
  if (name === 'head') return at > ix.occiput && at <= ix.nape ? lerp(0.55, 1, clamp(smoothstep(0, 0.07 * h, past(ix.nape, at)))) : 1
  if (name !== 'body') return 1
  if (at < ix.midBack || at === ix.skullTop) return smoothstep(-0.04 * h, 0.03 * h, past(at, ix.occiput))
  if (at > ix.neckFront) return smoothstep(-0.03 * h, 0.03 * h, past(ix.throat, at))
  if (p[1] < m.pointShoulder[1] && p[0] < m.elbow[0]) return smoothstep(-0.02 * h, 0.09 * h, past(at, ix.forearmTop))
  return 1
}
