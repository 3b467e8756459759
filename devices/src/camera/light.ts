// One lamp: how bright a place is, and where the dog throws its shadow.
import { newRaster, paintPolygon, type Figure } from '@peen/core/figure'
import type { Stage } from './stage'

/** Brightness of a place, 1 at the dog's middle. */
export type Shade = (x: number, y: number, z: number) => number

/** Even light, or light that falls with the square of the distance from the lamp; never more than half as bright again. */
export function shadeOf({ scene, pivotX, lens }: Stage): Shade {
  const { falloff, lamp } = scene.light
  const squared = (x: number, y: number, z: number) => (x - lamp[0]) ** 2 + (y - lamp[1]) ** 2 + (z - lamp[2]) ** 2
  const middle = squared(pivotX, lens.eye[1], 0)
  return (x, y, z) => Math.min(1.5, 1 + falloff * (middle / squared(x, y, z) - 1))
}

const CELL_MM = 5
/** A lamp is not a point: the shadow's edge runs out over about this width, mm. */
const SOFT_MM = 40

/** Share of light that the dog takes from a place behind it: its silhouette in the plane z = 0, seen from the lamp. */
export function shadowOf(figure: Figure, { scene, span, toRoom }: Stage): Shade {
  const { lamp, shadow } = scene.light
  if (shadow === 0) return () => 1
  const [left, bottom, right, top] = [span[0] - 100, span[1] - 60, span[2] + 100, span[3] + 100]
  const [w, h] = [Math.ceil((right - left) / CELL_MM), Math.ceil((top - bottom) / CELL_MM)]
  const raster = newRaster(w, h)
  for (const { ring } of figure.outlines()) {
    const cells = ring.flatMap(([x, y]) => {
      const [rx, ry] = toRoom(x, y, 0)
      return [(rx - left) / CELL_MM, (top - ry) / CELL_MM]
    })
    paintPolygon(raster, Float32Array.from(cells), [255, 255, 255], 1)
  }
  const dark = blurred(
    raster.px.filter((_, i) => i % 4 === 3),
    w,
    h,
    Math.round(SOFT_MM / CELL_MM / 2)
  )
  return (x, y, z) => {
    const t = -z / (lamp[2] - z)
    const i = Math.floor((x + (lamp[0] - x) * t - left) / CELL_MM)
    const j = Math.floor((top - (y + (lamp[1] - y) * t)) / CELL_MM)
    return i < 0 || j < 0 || i >= w || j >= h ? 1 : 1 - shadow * (dark[j * w + i] / 255)
  }
}

// two box passes each way
function blurred(values: Float32Array, w: number, h: number, radius: number): Float32Array {
  let now = values
  for (const step of [1, 1, w, w]) {
    const next = new Float32Array(now.length)
    for (let j = 0; j < h; j++) {
      for (let i = 0; i < w; i++) {
        const [at, size] = step === 1 ? [i, w] : [j, h]
        let sum = 0
        for (let d = -radius; d <= radius; d++) sum += at + d < 0 || at + d >= size ? 0 : now[j * w + i + d * step]
        next[j * w + i] = sum / (2 * radius + 1)
      }
    }
    now = next
  }
  return now
}
