// Eyes and nose are the dark spots of a face.
import type { PhotoPoint } from '../types'
import { bodiesOf } from './mask'
import type { Picture } from './picture'

/** A spot must be darker than its surroundings by this, 8-bit steps. Chosen: a black face shows none. */
const LEAST_DARKER = 45
/** Between the darkest and the usual of its surroundings, what lies under this share is the spot. Chosen. */
const DARK_SHARE = 0.4

/** A spot of less than this share of the largest one is a fleck. Chosen. */
const FLECK_SHARE = 0.3

/**
 * The middle of the nearest large dark spot within `reachPx` of a place; the place itself where none stands out, as on a black dog.
 * @param place px
 */
export function darkSpot({ width, height, rgba }: Picture, place: PhotoPoint, reachPx: number): PhotoPoint {
  const reach = Math.max(3, Math.round(reachPx))
  const [cx, cy] = [Math.round(place[0]), Math.round(place[1])]
  const [left, top] = [Math.max(0, cx - reach), Math.max(0, cy - reach)]
  const [w, h] = [Math.min(width, cx + reach) - left, Math.min(height, cy + reach) - top]
  if (w < 3 || h < 3) return place
  const light = new Float32Array(w * h)
  for (let y = 0, k = 0; y < h; y++)
    for (let x = 0; x < w; x++, k++) {
      const i = ((top + y) * width + left + x) * 4
      light[k] = 0.3 * rgba[i]! + 0.59 * rgba[i + 1]! + 0.11 * rgba[i + 2]!
    }
  const sorted = Float32Array.from(light).sort()
  const [dark, usual] = [sorted[Math.floor(sorted.length * 0.01)], sorted[Math.floor(sorted.length * 0.6)]]
  if (usual! - dark! < LEAST_DARKER) return place
  const { label, areas } = bodiesOf(
    Uint8Array.from(light, (value) => (value < dark! + DARK_SHARE * (usual! - dark!) ? 1 : 0)),
    w,
    h
  )
  const boxes = areas.map(() => ({ left: w, right: 0, top: h, bottom: 0 }))
  for (let k = 0; k < label.length; k++) {
    if (label[k] === 0) continue
    const box = boxes[label[k]! - 1]!
    const [x, y] = [k % w, Math.floor(k / w)]
    box.left = Math.min(box.left, x)
    box.right = Math.max(box.right, x)
    box.top = Math.min(box.top, y)
    box.bottom = Math.max(box.bottom, y)
  }
  // what runs out of the window is fur, shadow or the next spot; a fleck is no eye
  const spots = boxes
    .map((box, i) => ({ ...box, area: areas[i]! }))
    .filter((box) => box.left > 0 && box.top > 0 && box.right < w - 1 && box.bottom < h - 1)
    .map((box): { readonly at: PhotoPoint; readonly area: number } => ({
      at: [left + (box.left + box.right + 1) / 2, top + (box.top + box.bottom + 1) / 2],
      area: box.area
    }))
  const most = Math.max(0, ...spots.map(({ area }) => area))
  const own = spots.filter(({ area }) => area > most * FLECK_SHARE)
  const away = ([x, y]: PhotoPoint) => Math.hypot(x - place[0], y - place[1])
  return own.length === 0 ? place : own.reduce((best, spot) => (away(spot.at) < away(best.at) ? spot : best)).at
}
