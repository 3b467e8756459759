// Filled polygons, soft blots and shadows: what is not hair.
import { newRaster, type Raster } from './raster'
import { spansOf } from './scan'

/** A filled polygon in one colour, anti-aliased by four sub-rows. `alpha` 0..1. */
export function paintPolygon(
  raster: Raster,
  ring: Float32Array,
  [red, green, blue]: readonly [number, number, number],
  alpha: number
): void {
  const { w, h } = raster
  const spans = spansOf(
    ring.map((value, i) => (i % 2 === 1 ? value * SUB_ROWS : value)),
    h * SUB_ROWS
  )
  // spans come row by row: one line gathers what four sub-rows cover, then it is laid on and swept
  const line = new Float32Array(w)
  let [first, last] = [w, -1]
  for (let i = 0; i < spans.length; i += 3) {
    const [from, to] = [spans[i + 1], spans[i + 2]]
    const [low, high] = [Math.max(0, Math.floor(from!)), Math.min(w - 1, Math.floor(to!))]
    for (let x = low; x <= high; x++) line[x]! += Math.max(0, Math.min(to!, x + 1) - Math.max(from!, x)) / SUB_ROWS
    ;[first, last] = [Math.min(first, low), Math.max(last, high)]
    const row = Math.floor(spans[i]! / SUB_ROWS)
    if (i + 3 < spans.length && Math.floor(spans[i + 3]! / SUB_ROWS) === row) continue
    layLine(raster, row, line, first, last, red, green, blue, alpha)
    line.fill(0, first, last + 1)
    ;[first, last] = [w, -1]
  }
}

const SUB_ROWS = 4

function layLine(
  { w, px }: Raster,
  row: number,
  line: Float32Array,
  first: number,
  last: number,
  red: number,
  green: number,
  blue: number,
  alpha: number
): void {
  for (let x = first; x <= last; x++) {
    if (line[x]! <= 0) continue
    const a = Math.min(1, line[x]!) * alpha
    const o = 4 * (row * w + x)
    px[o]! += (red - px[o]!) * a
    px[o + 1]! += (green - px[o + 1]!) * a
    px[o + 2]! += (blue - px[o + 2]!) * a
    px[o + 3]! += (255 - px[o + 3]!) * a
  }
}

/** A soft dark blot: alpha falls from `alpha` at the centre to 0 at the radius (px), only over what is painted already. */
export function paintBlot(
  { w, h, px }: Raster,
  cx: number,
  cy: number,
  radius: number,
  [red, green, blue]: readonly [number, number, number],
  alpha: number
): void {
  for (let y = Math.max(0, Math.floor(cy - radius)); y <= Math.min(h - 1, Math.ceil(cy + radius)); y++) {
    for (let x = Math.max(0, Math.floor(cx - radius)); x <= Math.min(w - 1, Math.ceil(cx + radius)); x++) {
      const a = alpha * Math.max(0, 1 - Math.hypot(x + 0.5 - cx, y + 0.5 - cy) / radius)
      if (a <= 0) continue
      const o = 4 * (y * w + x)
      const over = a * (px[o + 3]! / 255)
      px[o]! += (red - px[o]!) * over
      px[o + 1]! += (green - px[o + 1]!) * over
      px[o + 2]! += (blue - px[o + 2]!) * over
    }
  }
}

/** A shadow: the polygon blurred by two box passes of `radius` px, darkening only what is painted already. */
export function paintShadow(
  raster: Raster,
  ring: Float32Array,
  radius: number,
  [red, green, blue]: readonly [number, number, number],
  alpha: number
): void {
  let [x0, y0, x1, y1] = [raster.w, raster.h, 0, 0]
  for (let i = 0; i < ring.length; i += 2)
    [x0, x1, y0, y1] = [Math.min(x0, ring[i]!), Math.max(x1, ring[i]!), Math.min(y0, ring[i + 1]!), Math.max(y1, ring[i + 1]!)]
  const pad = Math.ceil(2 * radius) + 2
  const [left, top] = [Math.floor(x0) - pad, Math.floor(y0) - pad]
  const [w, h] = [Math.ceil(x1 - x0) + 2 * pad, Math.ceil(y1 - y0) + 2 * pad]
  if (w <= 0 || h <= 0) return
  const shape = newRaster(w, h)
  paintPolygon(
    shape,
    ring.map((value, i) => value - (i % 2 === 0 ? left : top)),
    [0, 0, 0],
    1
  )
  let blur = Float32Array.from({ length: w * h }, (_, k) => shape.px[4 * k + 3]! / 255)
  for (let pass = 0; pass < 2; pass++) blur = boxBlur(boxBlur(blur, w, h, radius, 1, w), w, h, radius, w, 1)
  for (let y = 0; y < h; y++) {
    for (let x = 0; x < w; x++) {
      const [px, py] = [x + left, y + top]
      if (px < 0 || py < 0 || px >= raster.w || py >= raster.h) continue
      const o = 4 * (py * raster.w + px)
      const over = blur[y * w + x]! * alpha * (raster.px[o + 3]! / 255)
      raster.px[o]! += (red - raster.px[o]!) * over
      raster.px[o + 1]! += (green - raster.px[o + 1]!) * over
      raster.px[o + 2]! += (blue - raster.px[o + 2]!) * over
    }
  }
}

// along one axis: `step` between neighbours, `line` between rows of neighbours
function boxBlur(values: Float32Array, w: number, h: number, radius: number, step: number, line: number): Float32Array<ArrayBuffer> {
  const out = new Float32Array(values.length)
  const r = Math.max(1, Math.round(radius))
  const [along, across] = step === 1 ? [w, h] : [h, w]
  for (let j = 0; j < across; j++) {
    let sum = 0
    const at = (i: number) => (i < 0 || i >= along ? 0 : values[j * line + i * step]!)
    for (let i = -r; i <= r; i++) sum += at(i)
    for (let i = 0; i < along; i++) {
      out[j * line + i * step] = sum / (2 * r + 1)
      sum += at(i + r + 1) - at(i - r)
    }
  }
  return out
}
