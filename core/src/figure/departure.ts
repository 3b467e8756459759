// How far a found coat stands from the planned one, hair by hair along the outline.
import type { RegionId } from '../regions'
import { coatTable, dressCoat } from './coat'
import { DRAWN_REGIONS, type Lengths } from './coat-map'
import type { Skin } from './skin'
import type { Point } from './vec'

export type Departure = {
  readonly region: RegionId
  readonly from: Point
  readonly to: Point
  /** outward is long, mm */ readonly byMm: number
}

/** Below this a departure is not drawn, mm. Chosen: finer cannot be seen at arm's length. */
const LEAST_MM = 1.2

/**
 * Hairs from the planned to the found outline, about every `everyMm` along the near side. Leaves the coat dressed in `found`, as it was.
 * @returns places in mm; `byMm` above 0 outward (too long), below 0 inward
 */
export function departures(skin: Skin, planned: Lengths, found: Lengths, everyMm: number): Departure[] {
  dressCoat(skin, coatTable(planned))
  const plan = skin.layers.map((layer) => layer.V.slice())
  dressCoat(skin, coatTable(found))
  return skin.layers.flatMap((layer, l) => {
    if (layer.twin) return []
    const hairs: Departure[] = []
    let walked = 0
    for (let k = 0; k < layer.samples; k++) {
      const next = (k + 1) % layer.samples
      walked += Math.hypot(layer.P[2 * next] - layer.P[2 * k], layer.P[2 * next + 1] - layer.P[2 * k + 1])
      if (layer.inner[k] || walked < everyMm) continue
      walked = 0
      const from: Point = [layer.P[2 * k] + plan[l][2 * k], layer.P[2 * k + 1] + plan[l][2 * k + 1]]
      const to: Point = [layer.P[2 * k] + layer.V[2 * k], layer.P[2 * k + 1] + layer.V[2 * k + 1]]
      const outward = Math.hypot(layer.V[2 * k], layer.V[2 * k + 1]) - Math.hypot(plan[l][2 * k], plan[l][2 * k + 1])
      const size = Math.hypot(to[0] - from[0], to[1] - from[1])
      if (size >= LEAST_MM) hairs.push({ region: DRAWN_REGIONS[layer.ids[4 * k]], from, to, byMm: Math.sign(outward) * size })
    }
    return hairs
  })
}
