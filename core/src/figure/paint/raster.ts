// Painting on plain arrays: the same pixels in a browser worker, in Node and in tests. Colours are premultiplied floats.
import type { FigureLayer } from '../coat'
import { clamp } from '../vec'
import { TONES } from './colour'
import type { GriddedLayer } from './gridded'
import { spansOf } from './scan'
import { STROKE_NUMBERS, type Strokes } from './strokes'

/** RGBA, premultiplied, 0..255 as floats, row by row from the top. */
export type Raster = { readonly w: number; readonly h: number; readonly px: Float32Array }

/** Millimetres to pixels: x px = originX + mm * scale, y px = originY - mm * scale. */
export type View = { readonly scale: number; readonly originX: number; readonly originY: number }

export const newRaster = (w: number, h: number): Raster => ({ w, h, px: new Float32Array(4 * w * h) })

/** Straight (not premultiplied) RGBA bytes, as an image takes them. */
export function toBytes({ px }: Raster): Uint8ClampedArray<ArrayBuffer> {
  const out = new Uint8ClampedArray(px.length)
  for (let i = 0; i < px.length; i += 4) {
    const alpha = px[i + 3]!
    if (alpha <= 0) continue
    if (alpha > 254.9) {
      out[i] = px[i]!
      out[i + 1] = px[i + 1]!
      out[i + 2] = px[i + 2]!
      out[i + 3] = 255
      continue
    }
    const k = 255 / alpha
    out[i] = px[i]! * k
    out[i + 1] = px[i + 1]! * k
    out[i + 2] = px[i + 2]! * k
    out[i + 3] = alpha
  }
  return out
}

/** The base is filled up to this share of what stands, or to a coat's own rim where that is nearer the edge: hair is drawn beyond it. */
const BASE_SHARE = 0.9
const THIN_COAT_MM = 2.5
/** From here on what lies beneath is not read, which halves the time: most of a dog is opaque. */
const OPAQUE = 0.998

/** The filled shape of a layer in its shaded colour, without hair: the union of skin and of the coat drawn in a little. */
export function paintBase(raster: Raster, gridded: GriddedLayer, rimMm: number, view: View): void {
  const { layer } = gridded
  const rings = [layerRing(layer, 'skin', view), layerRing(layer, rimMm, view)]
  const box = coveredBox(rings, raster.w, raster.h)
  const colours = baseColours(gridded)
  for (const ring of rings) fillSpans(raster, spansOf(ring, raster.h), box, gridded, colours, view)
}

/** Paints spans (row, left, right in px, and so on) that are not covered yet with the colours of a layer's cells. */
function fillSpans(
  { w, px }: Raster,
  spans: Float64Array,
  { left, top, w: wide, cells }: Box,
  { layer, grid }: GriddedLayer,
  colours: Uint8Array,
  { scale, originX, originY }: View
): void {
  const perCell = 1 / (grid.cell * scale)
  const shiftX = originX + (layer.shift[0] + grid.left) * scale
  const lastCell = grid.w - 2
  // colours between two rows of cells, blended once for all pixels of a row
  const between = new Float32Array(4 * grid.w)
  let blended = -1
  for (let i = 0; i < spans.length; i += 3) {
    // rows and pixels as whole numbers: kept as doubles, every index would be converted again
    const row = spans[i]! | 0
    const from = spans[i + 1]!
    const to = spans[i + 2]!
    if (row !== blended) {
      const gy = clamp((grid.top - (originY - row - 0.5) / scale + layer.shift[1]) / grid.cell - 0.5, 0, grid.h - 2)
      const yi = Math.floor(gy)
      const fy = gy - yi
      const upper = 4 * yi * grid.w
      const lower = upper + 4 * grid.w
      for (let j = 0; j < between.length; j++) between[j] = colours[upper + j]! + (colours[lower + j]! - colours[upper + j]!) * fy
      blended = row
    }
    const last = Math.min(w - 1, to | 0)
    const offset = (row - top) * wide - left
    for (let x = Math.max(0, from | 0); x <= last; x++) {
      if (cells[offset + x]) continue
      let cover = x < from ? x + 1 - from : 1
      if (x + 1 > to && to - x < cover) cover = to - x
      if (cover > 0.99) cells[offset + x] = 1
      let gx = (x + 0.5 - shiftX) * perCell - 0.5
      if (gx < 0) gx = 0
      else if (gx > lastCell) gx = lastCell
      const xi = gx | 0
      const fx = gx - xi
      const q = 4 * xi
      const alpha = ((between[q + 3]! + (between[q + 7]! - between[q + 3]!) * fx) / 255) * cover
      if (alpha <= 0) continue
      const o = 4 * (row * w + x)
      if (alpha > OPAQUE) {
        px[o] = between[q]! + (between[q + 4]! - between[q]!) * fx
        px[o + 1] = between[q + 1]! + (between[q + 5]! - between[q + 1]!) * fx
        px[o + 2] = between[q + 2]! + (between[q + 6]! - between[q + 2]!) * fx
        px[o + 3] = 255
        continue
      }
      px[o]! += (between[q]! + (between[q + 4]! - between[q]!) * fx - px[o]!) * alpha
      px[o + 1]! += (between[q + 1]! + (between[q + 5]! - between[q + 1]!) * fx - px[o + 1]!) * alpha
      px[o + 2]! += (between[q + 2]! + (between[q + 6]! - between[q + 2]!) * fx - px[o + 2]!) * alpha
      px[o + 3]! += (255 - px[o + 3]!) * alpha
    }
  }
}

type Box = { readonly left: number; readonly top: number; readonly w: number; readonly cells: Uint8Array }

/** Cells of the box around rings, for marking what is painted already. */
function coveredBox(rings: readonly Float32Array[], w: number, h: number): Box {
  let [left, top, right, bottom] = [w, h, 0, 0]
  for (const ring of rings) {
    for (let i = 0; i < ring.length; i += 2) {
      left = Math.min(left, ring[i]!)
      right = Math.max(right, ring[i]!)
      top = Math.min(top, ring[i + 1]!)
      bottom = Math.max(bottom, ring[i + 1]!)
    }
  }
  const x0 = Math.max(0, Math.floor(left) - 1)
  const y0 = Math.max(0, Math.floor(top) - 1)
  const width = Math.max(1, Math.min(w, Math.ceil(right) + 2) - x0)
  const height = Math.max(1, Math.min(h, Math.ceil(bottom) + 2) - y0)
  return { left: x0, top: y0, w: width, cells: new Uint8Array(width * height) }
}

/** A layer's outline in px: its skin, its coat, or its coat short of a rim in mm. A thin coat is taken whole. */
export function layerRing(layer: FigureLayer, which: 'skin' | 'coat' | number, { scale, originX, originY }: View): Float32Array {
  const ring = new Float32Array(2 * layer.samples)
  for (let k = 0; k < layer.samples; k++) {
    const stand = Math.hypot(layer.V[2 * k]!, layer.V[2 * k + 1]!)
    const q = which === 'skin' ? 0 : which === 'coat' || stand <= THIN_COAT_MM ? 1 : Math.max(BASE_SHARE, 1 - which / stand)
    ring[2 * k] = originX + (layer.P[2 * k]! + layer.V[2 * k]! * q + layer.shift[0]) * scale
    ring[2 * k + 1] = originY - (layer.P[2 * k + 1]! + layer.V[2 * k + 1]! * q + layer.shift[1]) * scale
  }
  return ring
}

function baseColours({ layer, shade, tint, fade }: GriddedLayer): Uint8Array {
  const cells = fade.length
  const out = new Uint8Array(4 * cells)
  const { solid } = layer
  for (let k = 0; k < cells; k++) {
    const tone = clamp((shade[k]! * 0.96 + 0.02) * 3.999, 0, 3.999)
    const step = Math.min(TONES - 2, Math.floor(tone))
    const part = tone - step
    const a = 3 * (step * cells + k)
    const b = a + 3 * cells
    for (let c = 0; c < 3; c++) out[4 * k + c] = tint[a + c]! + (tint[b + c]! - tint[a + c]!) * part
    out[4 * k + 3] = solid ? 255 : fade[k]! * 255
  }
  return out
}

/** Reference scale, px per mm, at which stroke widths are given. */
const WIDTH_SCALE = 1.4706

/** Hairs as thin tapered curves with exact area coverage: a box filter along the main axis. */
export function paintStrokes(raster: Raster, { layer }: GriddedLayer, strokes: Strokes, view: View): void {
  const { scale } = view
  const originX = view.originX + layer.shift[0] * scale
  const originY = view.originY - layer.shift[1] * scale
  const { lines, colours } = strokes
  const widthScale = scale / WIDTH_SCALE
  for (let i = 0; i < strokes.count; i++) {
    const b = STROKE_NUMBERS * i
    const x0 = originX + lines[b]! * scale
    const y0 = originY - lines[b + 1]! * scale
    const x1 = originX + lines[b + 2]! * scale
    const y1 = originY - lines[b + 3]! * scale
    const x2 = originX + lines[b + 4]! * scale
    const y2 = originY - lines[b + 5]! * scale
    const c = 4 * i
    paintCurve(
      raster,
      x0,
      y0,
      x1,
      y1,
      x2,
      y2,
      0.5 * lines[b + 6]! * widthScale,
      colours[c]!,
      colours[c + 1]!,
      colours[c + 2]!,
      colours[c + 3]! / 255
    )
  }
}

/** One quadratic curve, tapering to 38 % of its half width (px) at the tip. */
export function paintCurve(
  raster: Raster,
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  half: number,
  red: number,
  green: number,
  blue: number,
  alpha: number
): void {
  const size = Math.abs(x2 - x0) + Math.abs(y2 - y0)
  const pieces = size < 7 ? 1 : size < 24 ? 2 : 4
  let [fromX, fromY] = [x0, y0]
  for (let z = 1; z <= pieces; z++) {
    const t = z / pieces
    const s = 1 - t
    const toX = s * s * x0 + 2 * s * t * x1 + t * t * x2
    const toY = s * s * y0 + 2 * s * t * y1 + t * t * y2
    const before = (z - 1) / pieces
    paintPiece(raster, fromX, fromY, toX, toY, half * (1 - 0.62 * before * before), half * (1 - 0.62 * t * t), red, green, blue, alpha)
    fromX = toX
    fromY = toY
  }
}

function paintPiece(
  { w, h, px }: Raster,
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  w0: number,
  w1: number,
  red: number,
  green: number,
  blue: number,
  alpha: number
): void {
  const steep = Math.abs(y1 - y0) > Math.abs(x1 - x0)
  let mainA = steep ? y0 : x0
  let mainB = steep ? y1 : x1
  let sideA = steep ? x0 : y0
  let sideB = steep ? x1 : y1
  if (mainA > mainB) {
    let swap = mainA
    mainA = mainB
    mainB = swap
    swap = sideA
    sideA = sideB
    sideB = swap
    swap = w0
    w0 = w1
    w1 = swap
  }
  const run = mainB - mainA || 1e-6
  const slope = (sideB - sideA) / run
  const stretch = Math.sqrt(1 + slope * slope)
  const mainLimit = steep ? h : w
  const sideLimit = steep ? w : h
  const first = Math.max(0, mainA | 0)
  const last = Math.min(mainLimit - 1, mainB < 0 ? -1 : mainB | 0)
  for (let m = first; m <= last; m++) {
    const from = m < mainA ? mainA : m
    const to = m + 1 > mainB ? mainB : m + 1
    const length = to - from
    if (length <= 0) continue
    const middle = (from + to) * 0.5
    const centre = sideA + (middle - mainA) * slope
    const half = (w0 + ((w1 - w0) * (middle - mainA)) / run) * stretch
    const low = centre - half
    const high = centre + half
    const start = Math.max(0, low | 0)
    const end = Math.min(sideLimit - 1, high < 0 ? -1 : high | 0)
    for (let p = start; p <= end; p++) {
      const cover = ((high < p + 1 ? high : p + 1) - (low > p ? low : p)) * length * alpha
      if (cover <= 0) continue
      const q = 4 * (steep ? m * w + p : p * w + m)
      px[q]! += (red - px[q]!) * cover
      px[q + 1]! += (green - px[q + 1]!) * cover
      px[q + 2]! += (blue - px[q + 2]!) * cover
      px[q + 3]! += (255 - px[q + 3]!) * cover
    }
  }
}
