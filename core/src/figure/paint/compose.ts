// Layers painted by themselves and laid over each other: what is clean is not painted again.
import type { GriddedLayer } from './gridded'
import { newRaster, type Raster, type View } from './raster'

/** A painted layer by itself: premultiplied pixels at x, y of the picture; `depthMm` toward the viewer, for a camera. */
export type Part = { readonly name: string; readonly depthMm: number; readonly x: number; readonly y: number; readonly raster: Raster }

/** Room around a layer's outline for hairs that cross it, mm. */
const ROOM_MM = 9

export function cropped({ layer }: GriddedLayer, { scale, originX, originY }: View, w: number, h: number, used?: Raster): Part {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity]
  for (let k = 0; k < layer.samples; k++) {
    for (const share of [0, 1]) {
      const x = layer.P[2 * k]! + share * layer.V[2 * k]! + layer.shift[0]
      const y = layer.P[2 * k + 1]! + share * layer.V[2 * k + 1]! + layer.shift[1]
      ;[x0, y0, x1, y1] = [Math.min(x0, x), Math.min(y0, y), Math.max(x1, x), Math.max(y1, y)]
    }
  }
  const room = ROOM_MM + 0.06 * Math.max(x1 - x0, y1 - y0)
  const left = Math.max(0, Math.floor(originX + (x0 - room) * scale))
  const top = Math.max(0, Math.floor(originY - (y1 + room) * scale))
  const right = Math.min(w, Math.ceil(originX + (x1 + room) * scale))
  const bottom = Math.min(h, Math.ceil(originY - (y0 - room) * scale))
  const [wide, high] = [Math.max(1, right - left), Math.max(1, bottom - top)]
  // the same room as before is swept, not taken anew
  const raster = used?.w === wide && used.h === high ? used : newRaster(wide, high)
  if (raster === used) raster.px.fill(0)
  return { name: layer.name, depthMm: layer.depthMm, x: left, y: top, raster }
}

export function blend({ w, h, px }: Raster, { x, y, raster }: Part): void {
  const own = raster.px
  const [rows, columns] = [Math.min(raster.h, h - y), Math.min(raster.w, w - x)]
  for (let j = 0; j < rows; j++) {
    let from = 4 * j * raster.w
    let to = 4 * ((y + j) * w + x)
    for (let i = 0; i < columns; i++, from += 4, to += 4) {
      const alpha = own[from + 3]!
      if (alpha <= 0) continue
      if (alpha > 254.9) {
        px[to] = own[from]!
        px[to + 1] = own[from + 1]!
        px[to + 2] = own[from + 2]!
        px[to + 3] = 255
        continue
      }
      const left = 1 - alpha / 255
      px[to] = own[from]! + px[to]! * left
      px[to + 1] = own[from + 1]! + px[to + 1]! * left
      px[to + 2] = own[from + 2]! + px[to + 2]! * left
      px[to + 3] = alpha + px[to + 3]! * left
    }
  }
}
