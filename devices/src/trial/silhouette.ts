// What several rings cover together, as one ring: by a polygon library that the measuring code does not use for it.
import { union, type Polygon } from 'martinez-polygon-clipping'
import type { PhotoPoint } from '@peen/core/measure'

/** The largest outer ring of the union, open. */
export function silhouetteRing(rings: readonly (readonly PhotoPoint[])[]): PhotoPoint[] {
  const polygons = rings.map((ring): Polygon => [[...ring, ring[0]].map(([x, y]) => [x, y])])
  let whole: Polygon | Polygon[] = polygons[0]
  for (const next of polygons.slice(1)) whole = union(whole as never, next) as Polygon[]
  const many = (Array.isArray((whole as Polygon[])[0][0][0]) ? whole : [whole]) as Polygon[]
  const outers = many.map(([outer]) => outer)
  const area = (ring: readonly (readonly number[])[]) =>
    Math.abs(ring.reduce((sum, [x, y], i) => sum + x * ring[(i + 1) % ring.length][1] - ring[(i + 1) % ring.length][0] * y, 0))
  const best = outers.reduce((a, b) => (area(b) > area(a) ? b : a))
  return best.slice(0, -1).map(([x, y]): PhotoPoint => [x, y])
}
