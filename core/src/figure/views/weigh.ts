// Regions inside a layer compete for a place: weight falls off with the distance from each region's core line.
import { segments, squaredDistance, type Point } from '../vec'
import type { Core, DrawnRegion, Weights } from '../coat'
import type { SoftOf } from './outline'

/** How steeply a region's weight falls beyond its core, as a share of its transition. Our own figure kit. */
const FALL = 0.36

export function weighByCores(
  regions: readonly DrawnRegion[],
  cores: Readonly<Partial<Record<DrawnRegion, Core>>>,
  softOf: SoftOf
): (p: Point) => Weights {
  const rivals = regions.map((region) => ({
    region,
    radius: cores[region]!.radiusMm,
    fall: 1 / (softOf(region) * FALL),
    line: segments(cores[region]!.line)
  }))
  const found = new Float64Array(rivals.length)
  return (p) => {
    let total = 0
    for (let j = 0; j < rivals.length; j++) {
      const beyond = Math.sqrt(squaredDistance(p[0], p[1], rivals[j]!.line)) - rivals[j]!.radius
      found[j] = beyond > 0 ? Math.exp(-beyond * rivals[j]!.fall) : 1
      total += found[j]!
    }
    const weights: Partial<Record<DrawnRegion, number>> = {}
    for (let j = 0; j < rivals.length; j++) if (found[j]! > 0.02 * total) weights[rivals[j]!.region] = found[j]! / total
    if (Object.keys(weights).length === 0) weights[rivals[0]!.region] = 1
    return weights
  }
}
