// What a person puts right on an outline: paint with a brush, and places through which the edge runs.
import type { PhotoPoint } from '../types'
import type { Edge } from './refine'

/** A stroke of the brush over places of the picture, px. */
export type Stroke = { readonly of: 'dog' | 'backdrop'; readonly through: readonly PhotoPoint[]; readonly radiusPx: number }

/** Paints strokes into a mask that is `by` times smaller than the picture; `onlyBackdrop` leaves out what is dog. */
export function applyStrokes(
  mask: Uint8Array,
  width: number,
  height: number,
  strokes: readonly Stroke[],
  by: number,
  onlyBackdrop = false
): void {
  for (const { of, through, radiusPx } of strokes) {
    if (onlyBackdrop && of === 'dog') continue
    const radius = Math.max(0.8, radiusPx / by)
    const value = of === 'dog' ? 1 : 0
    const places = through.map(([x, y]): PhotoPoint => [x / by, y / by])
    places.forEach((to, k) => paintLine(mask, width, height, places[Math.max(0, k - 1)]!, to, radius, value))
  }
}

function paintLine(mask: Uint8Array, width: number, height: number, from: PhotoPoint, to: PhotoPoint, radius: number, value: 0 | 1): void {
  const [left, right] = [Math.min(from[0], to[0]) - radius, Math.max(from[0], to[0]) + radius]
  const [top, bottom] = [Math.min(from[1], to[1]) - radius, Math.max(from[1], to[1]) + radius]
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
  const length2 = dx * dx + dy * dy
  for (let y = Math.max(0, Math.floor(top)); y <= Math.min(height - 1, Math.ceil(bottom)); y++)
    for (let x = Math.max(0, Math.floor(left)); x <= Math.min(width - 1, Math.ceil(right)); x++) {
      const [px, py] = [x + 0.5 - from[0], y + 0.5 - from[1]]
      const share = length2 === 0 ? 0 : Math.min(1, Math.max(0, (px * dx + py * dy) / length2))
      if (Math.hypot(px - share * dx, py - share * dy) <= radius) mask[y * width + x] = value
    }
}

/** A place of somebody's finger, px: how surely an edge is put there. */
const ANCHOR_U_PX = 1.5

/**
 * Bends an outline through anchors: the stretch within `reachPx` of each is drawn to it, full at the anchor and none at
 * the ends, so that its neighbours follow. Anchors that lie near to one another together draw a new stretch.
 */
export function throughAnchors(edge: Edge, anchors: readonly PhotoPoint[], reachPx: number): Edge {
  return anchors.reduce((bent, anchor) => throughOne(bent, anchor, reachPx), edge)
}

function throughOne({ outline, uPx }: Edge, anchor: PhotoPoint, reachPx: number): Edge {
  const apart = (point: PhotoPoint) => Math.hypot(point[0] - anchor[0], point[1] - anchor[1])
  const nearest = outline.reduce((best, point, i) => (apart(point) < apart(outline[best]!) ? i : best), 0)
  const [dx, dy] = [anchor[0] - outline[nearest]![0], anchor[1] - outline[nearest]![1]]
  const shares = sharesAlong(outline, nearest, reachPx)
  return {
    outline: outline.map(([x, y], i): PhotoPoint => [x + dx * shares[i]!, y + dy * shares[i]!]),
    uPx: uPx.map((u, i) => (shares[i]! > 0 ? u * (1 - shares[i]!) + ANCHOR_U_PX * shares[i]! : u))
  }
}

/** 1 at a place of a ring, falling in an S to 0 at `reachPx` along it either way. */
function sharesAlong(ring: readonly PhotoPoint[], from: number, reachPx: number): Float64Array {
  const n = ring.length
  const shares = new Float64Array(n)
  shares[from] = 1
  for (const way of [1, -1]) {
    let walked = 0
    for (let k = 1; k < n / 2; k++) {
      const [a, b] = [ring[(from + way * (k - 1) + 2 * n) % n], ring[(from + way * k + 2 * n) % n]]
      walked += Math.hypot(b![0] - a![0], b![1] - a![1])
      if (walked >= reachPx) break
      shares[(from + way * k + 2 * n) % n] = (1 + Math.cos((Math.PI * walked) / reachPx)) / 2
    }
  }
  return shares
}
