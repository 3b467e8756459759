// How far a found coat stands from the planned one, hair by hair along the outline.
import type { RegionId } from '../../regions'
import { DRAWN_REGIONS, type Skin } from '../coat'
import type { Point } from '../vec'

export type Departure = {
  readonly region: RegionId
  readonly from: Point
  readonly to: Point
  /** outward is long, mm */ readonly byMm: number
}

/** Below this a departure is not drawn, mm. Chosen: finer cannot be seen at arm's length. */
const LEAST_MM = 1.2

/**
 * Hairs from the planned to the found outline (V of every layer), about every `everyMm` along what is not in the shade.
 * @returns places in mm; `byMm` above 0 outward (too long), below 0 inward
 */
export function departures(skin: Skin, planned: readonly Float32Array[], found: readonly Float32Array[], everyMm: number): Departure[] {
  return skin.layers.flatMap((layer, l) => {
    if (layer.dim < 1) return []
    const hairs: Departure[] = []
    const [plan, now] = [planned[l], found[l]]
    let walked = 0
    for (let k = 0; k < layer.samples; k++) {
      const next = (k + 1) % layer.samples
      walked += Math.hypot(layer.P[2 * next]! - layer.P[2 * k]!, layer.P[2 * next + 1]! - layer.P[2 * k + 1]!)
      if (layer.inner[k] || walked < everyMm) continue
      walked = 0
      const from: Point = [layer.P[2 * k]! + plan![2 * k]!, layer.P[2 * k + 1]! + plan![2 * k + 1]!]
      const to: Point = [layer.P[2 * k]! + now![2 * k]!, layer.P[2 * k + 1]! + now![2 * k + 1]!]
      const outward = Math.hypot(now![2 * k]!, now![2 * k + 1]!) - Math.hypot(plan![2 * k]!, plan![2 * k + 1]!)
      const size = Math.hypot(to[0] - from[0], to[1] - from[1])
      const region = DRAWN_REGIONS[layer.ids[4 * k]! % DRAWN_REGIONS.length]!
      if (size >= LEAST_MM) hairs.push({ region, from, to, byMm: Math.sign(outward) * size })
    }
    return hairs
  })
}

export type RimPlace = {
  readonly layer: string
  readonly region: RegionId
  /** on the skin, and where its hair ends, mm */
  readonly skin: Point
  readonly at: Point
  readonly depthMm: number
}

/** Every place of a skin's outline as worn, with its region; what lies inside another layer is left out. */
export function rimOf(skin: Skin): RimPlace[] {
  return skin.layers.flatMap((layer) => {
    const places: RimPlace[] = []
    const [dx, dy] = layer.shift
    for (let k = 0; k < layer.samples; k++) {
      if (layer.inner[k]) continue
      const [x, y] = [layer.P[2 * k]! + dx, layer.P[2 * k + 1]! + dy]
      places.push({
        layer: layer.name,
        region: DRAWN_REGIONS[layer.ids[4 * k]! % DRAWN_REGIONS.length]!,
        skin: [x, y],
        at: [x + layer.V[2 * k]!, y + layer.V[2 * k + 1]!],
        depthMm: layer.depthMm
      })
    }
    return places
  })
}
