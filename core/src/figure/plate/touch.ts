// The dog as regions to touch: which region is seen at each place, its outline, and where a leader line should point.
import { contours } from 'd3-contour'
import { REGIONS } from '../../regions'
import { DRAWN_REGIONS, type Coat, type CoatTable, type DrawnRegion } from '../coat'
import { browWedge, fillMask, type GriddedLayer } from '../paint'
import { isInside, signedArea2, type Point } from '../vec'
import type { ViewSkin } from '../views'

export type RegionShape = {
  readonly region: DrawnRegion
  /** the dog's own side, where the view shows both; null for what lies in the middle and on a profile */
  readonly side: 'left' | 'right' | null
  /** rings in mm, open (the first point is not repeated); a region may be seen in more than one piece */
  readonly rings: readonly (readonly Point[])[]
  /** the place deepest inside the largest piece: where a leader ends */
  readonly centre: Point
  readonly areaMm2: number
}

const CELL_MM = 3
const NONE = -1
/** Pieces smaller than this cannot be touched and are left to their neighbour, mm2. Chosen: about 9 x 9 mm. */
const LEAST_PIECE_MM2 = 80

type Seen = { readonly w: number; readonly h: number; readonly left: number; readonly top: number; readonly region: Int8Array }

/**
 * Region shapes as they are seen, upper layers hiding lower ones. Where both sides are seen, a paired region is two
 * shapes, the dog's left and right.
 */
export function regionShapes(layers: readonly GriddedLayer[], skin: ViewSkin, coat: Coat, table: CoatTable): RegionShape[] {
  const seen = mapOf(layers.filter(({ layer }) => layer.dim === 1))
  const brow = skin.view === 'side' ? browWedge(skin, coat, table) : null
  if (brow) markInside(seen, brow, DRAWN_REGIONS.indexOf('brow'))
  const bothSides = skin.view !== 'side'
  return DRAWN_REGIONS.flatMap((region, index) => {
    const isPaired = bothSides && PAIRED.has(region)
    const parts = isPaired
      ? ([
          ['left', [index]],
          ['right', [index + DRAWN_REGIONS.length]]
        ] as const)
      : ([[null, [index, index + DRAWN_REGIONS.length]]] as const)
    return parts.flatMap(([side, slots]) => {
      const shape = shapeOf(seen, region, side, slots)
      return shape ? [shape] : []
    })
  })
}

const PAIRED: ReadonlySet<string> = new Set(REGIONS.filter(({ paired }) => paired).map(({ id }) => id))

function mapOf(layers: readonly GriddedLayer[]): Seen {
  const left = Math.min(...layers.map(({ grid }) => grid.left))
  const top = Math.max(...layers.map(({ grid }) => grid.top))
  const right = Math.max(...layers.map(({ grid }) => grid.left + grid.w * grid.cell))
  const bottom = Math.min(...layers.map(({ grid }) => grid.top - grid.h * grid.cell))
  const w = Math.ceil((right - left) / CELL_MM)
  const h = Math.ceil((top - bottom) / CELL_MM)
  const region = new Int8Array(w * h).fill(NONE)
  for (const { grid, mask, ids, fade } of layers) {
    for (let j = 0; j < h; j++) {
      for (let i = 0; i < w; i++) {
        const gi = Math.floor((left + (i + 0.5) * CELL_MM - grid.left) / grid.cell)
        const gj = Math.floor((grid.top - (top - (j + 0.5) * CELL_MM)) / grid.cell)
        if (gi < 0 || gj < 0 || gi >= grid.w || gj >= grid.h) continue
        const k = gj * grid.w + gi
        if (mask[k] && fade[k]! > 0.5) region[j * w + i] = ids[4 * k]!
      }
    }
  }
  return { w, h, left, top, region }
}

// the brow is a tuft of its own, painted last
function markInside({ w, h, left, top, region }: Seen, ring: readonly Point[], index: number): void {
  const mask = new Uint8Array(w * h)
  fillMask(mask, { w, h, cell: CELL_MM, left, top }, Float32Array.from(ring.flat()))
  for (let k = 0; k < mask.length; k++) if (mask[k]) region[k] = index
}

function shapeOf(seen: Seen, name: DrawnRegion, side: RegionShape['side'], slots: readonly number[]): RegionShape | null {
  const box = boxOf(seen, slots)
  if (!box) return null
  const { w, h, is } = cut(seen, box, slots)
  const [found] = contours().size([w, h]).smooth(true).thresholds([0.5])(is)
  const toMm = ([x, y]: readonly number[]): Point => [seen.left + (x! + box.i0) * CELL_MM, seen.top - (y! + box.j0) * CELL_MM]
  const rings = found!.coordinates
    .map(([outer]) => outer!.slice(0, -1).map(toMm))
    .filter((ring) => Math.abs(signedArea2(ring)) / 2 >= LEAST_PIECE_MM2)
    .sort((a, b) => Math.abs(signedArea2(b)) - Math.abs(signedArea2(a)))
  if (rings.length === 0) return null
  // in the largest piece, not in a scrap that was left to its neighbour
  const [largest] = rings
  const own = is.map((value, k) => (value && isInside(largest!, ...toMm([(k % w) + 0.5, Math.floor(k / w) + 0.5])) ? 1 : 0))
  const deepest = deepestCell(own.includes(1) ? own : is, w, h)
  return {
    region: name,
    side,
    rings,
    centre: toMm([(deepest % w) + 0.5, Math.floor(deepest / w) + 0.5]),
    areaMm2: rings.reduce((sum, ring) => sum + Math.abs(signedArea2(ring)) / 2, 0)
  }
}

type Box = { readonly i0: number; readonly j0: number; readonly i1: number; readonly j1: number }

/** The cells of a region with one free cell all round, so that its outline closes; null where it is not seen. */
function boxOf({ w, h, region }: Seen, slots: readonly number[]): Box | null {
  let [i0, j0, i1, j1] = [w, h, -1, -1]
  for (let j = 0; j < h; j++) {
    for (let i = 0; i < w; i++) {
      if (!slots.includes(region[j * w + i]!)) continue
      i0 = Math.min(i0, i)
      i1 = Math.max(i1, i)
      j0 = Math.min(j0, j)
      j1 = j
    }
  }
  return i1 < 0 ? null : { i0: i0 - 1, j0: j0 - 1, i1: i1 + 2, j1: j1 + 2 }
}

function cut({ w, h, region }: Seen, { i0, j0, i1, j1 }: Box, slots: readonly number[]): { w: number; h: number; is: number[] } {
  const is: number[] = []
  for (let j = j0; j < j1; j++)
    for (let i = i0; i < i1; i++) is.push(i >= 0 && j >= 0 && i < w && j < h && slots.includes(region[j * w + i]!) ? 1 : 0)
  return { w: i1 - i0, h: j1 - j0, is }
}

// City-block distance to the outside in two sweeps; the farthest cell is the deepest.
function deepestCell(is: readonly number[], w: number, h: number): number {
  const depth = new Float64Array(w * h)
  const at = (i: number, j: number) => (i < 0 || j < 0 || i >= w || j >= h ? 0 : depth[j * w + i]!)
  for (let j = 0; j < h; j++) for (let i = 0; i < w; i++) depth[j * w + i] = is[j * w + i] ? Math.min(at(i - 1, j), at(i, j - 1)) + 1 : 0
  for (let j = h - 1; j >= 0; j--)
    for (let i = w - 1; i >= 0; i--)
      if (is[j * w + i]) depth[j * w + i] = Math.min(depth[j * w + i]!, Math.min(at(i + 1, j), at(i, j + 1)) + 1)
  return depth.reduce((best, value, k) => (value > depth[best]! ? k : best), 0)
}
