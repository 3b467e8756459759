// What of a picture is the dog and what the wall behind it.
import { contours } from 'd3-contour'
import { CoreError } from '../error'
import type { Point } from './types'

/** A picture as bytes: red, green, blue, alpha of each pixel, row by row from the top. */
export type Picture = { readonly width: number; readonly height: number; readonly rgba: Uint8ClampedArray | Uint8Array }
/** A stretch of the picture that shows nothing but the backdrop, px. */
export type Patch = { readonly x: number; readonly y: number; readonly width: number; readonly height: number }

export type FoundOutline = {
  /** the dog's outline, open ring, px */
  readonly outline: readonly Point[]
  readonly areaPx: number
  /** how far dog and backdrop stand apart in colour: share of all spread that lies between the two, 0 to 1 (Otsu's eta) */
  readonly apart01: number
  /** what makes it doubtful, in sentences; empty where it is sure */
  readonly doubts: readonly string[]
}

const BINS = 256
/** Under this share the wall and the dog are too alike to be told apart. Chosen on drawn pictures. */
const LEAST_APART_01 = 0.6
/** A second body of this share of the first is another dog, or a person. Chosen. */
const SECOND_SHARE = 0.25
/** Less of the picture than this is no dog. Chosen. */
const LEAST_DOG_SHARE = 0.01

/**
 * The outline of what stands before a plain backdrop: colours of the backdrop from the picture's border or from patches
 * that somebody touched, each pixel's distance from them, a threshold by Otsu's method, the largest connected body,
 * marching squares at half coverage.
 * @param backdrop patches of backdrop alone; without them the upper border and both sides, where a dog on a table is not
 * @throws CoreError `noDog` where nothing stands out, `noPicture` for a picture under 16 px a side or with bytes missing
 * Source: Otsu 1979, IEEE Trans. SMC 9:62-66; marching squares of d3-contour.
 */
export function outlineBefore(picture: Picture, backdrop: readonly Patch[] = []): FoundOutline {
  const { width, height, rgba } = picture
  if (width < 16 || height < 16 || rgba.length < width * height * 4)
    throw new CoreError({
      code: 'noPicture',
      path: 'picture',
      got: `${width} x ${height} px`,
      limit: '16 px or more a side, four bytes a pixel'
    })
  const distance = distanceFrom(picture, backdrop.length > 0 ? backdrop : borderOf(picture))
  const { threshold, apart01 } = otsu(distance)
  const { label, areas } = bodies(distance, threshold, width, height)
  const [first, second] = [...areas.entries()].sort(([, a], [, b]) => b - a)
  if (!first || first[1] < LEAST_DOG_SHARE * width * height)
    throw new CoreError({ code: 'noDog', path: 'picture', got: 'nothing that stands out', limit: 'a dog before a plain backdrop' })
  // beyond the body itself nothing may bleed in: the threshold is read only where the body is, and one pixel around it
  const soft = softMask(distance, threshold, label, first[0], width, height)
  const [found] = contours().size([width, height]).smooth(true).thresholds([0.5])(soft)
  const rings = found.coordinates.map(([ring]) => ring.slice(0, -1).map(([x, y]): Point => [x, y]))
  const outline = rings.reduce((best, ring) => (ring.length > best.length ? ring : best))
  const doubts = [
    apart01 < LEAST_APART_01 ? 'The dog and the backdrop are much alike: touch the backdrop, or draw the edge by hand.' : '',
    second && second[1] > SECOND_SHARE * first[1]
      ? 'Something else stands in the picture, nearly as large: only one dog can be measured.'
      : '',
    touches(label, first[0], width, height) ? 'The dog runs over the edge of the picture: it is cut off there.' : ''
  ].filter((doubt) => doubt !== '')
  return { outline, areaPx: first[1], apart01, doubts }
}

/** The top and the upper halves of both sides: a table and its dog come from below. */
function borderOf({ width, height }: Picture): Patch[] {
  const rim = Math.max(2, Math.round(Math.min(width, height) * 0.02))
  const side = { y: 0, width: rim, height: Math.round(height / 2) }
  return [
    { x: 0, y: 0, width, height: rim },
    { x: 0, ...side },
    { x: width - rim, ...side }
  ]
}

/** How far each pixel's colour lies from the backdrop's, in its own spreads: mean and spread of each channel, and no less than the camera's grain. */
function distanceFrom({ width, height, rgba }: Picture, patches: readonly Patch[]): Float32Array {
  const sums = [0, 0, 0]
  const squares = [0, 0, 0]
  let n = 0
  for (const { x, y, width: w, height: h } of patches)
    for (let py = Math.max(0, y); py < Math.min(height, y + h); py++)
      for (let px = Math.max(0, x); px < Math.min(width, x + w); px++, n++)
        for (let c = 0; c < 3; c++) {
          const value = rgba[(py * width + px) * 4 + c]
          sums[c] += value
          squares[c] += value * value
        }
  if (n === 0)
    throw new CoreError({ code: 'noBackdrop', path: 'backdrop', got: 'a place outside the picture', limit: 'a place of the backdrop' })
  const means = sums.map((sum) => sum / n)
  const GRAIN = 4
  const spreads = squares.map((square, c) => Math.max(GRAIN, Math.sqrt(Math.max(0, square / n - means[c] ** 2))))
  const distance = new Float32Array(width * height)
  for (let i = 0; i < distance.length; i++) {
    let sum = 0
    for (let c = 0; c < 3; c++) sum += ((rgba[i * 4 + c] - means[c]) / spreads[c]) ** 2
    distance[i] = Math.sqrt(sum)
  }
  return distance
}

/** The threshold that parts two kinds of pixels best, and how well it does. */
function otsu(values: Float32Array): { readonly threshold: number; readonly apart01: number } {
  const most = values.reduce((a, b) => Math.max(a, b), 0)
  if (most === 0) return { threshold: Infinity, apart01: 0 }
  const counts = new Float64Array(BINS)
  for (const value of values) counts[Math.min(BINS - 1, Math.floor((value / most) * BINS))]++
  const total = values.length
  const mean = counts.reduce((sum, count, i) => sum + count * i, 0) / total
  const spread = counts.reduce((sum, count, i) => sum + count * (i - mean) ** 2, 0) / total
  let [below, belowSum, best, at] = [0, 0, 0, 0]
  for (let i = 0; i < BINS - 1; i++) {
    below += counts[i]
    belowSum += counts[i] * i
    const share = below / total
    if (share === 0 || share === 1) continue
    const between = (mean * share - belowSum / total) ** 2 / (share * (1 - share))
    if (between > best) [best, at] = [between, i]
  }
  return { threshold: ((at + 1) / BINS) * most, apart01: spread === 0 ? 0 : best / spread }
}

/** Bodies of pixels beyond the threshold that hang together (by sides), numbered from 1, with their areas. */
function bodies(distance: Float32Array, threshold: number, width: number, height: number) {
  const label = new Int32Array(width * height)
  const areas = new Map<number, number>()
  const stack = new Int32Array(width * height)
  let next = 0
  for (let start = 0; start < label.length; start++) {
    if (label[start] !== 0 || distance[start] <= threshold) continue
    next++
    let [size, area] = [0, 0]
    stack[size++] = start
    label[start] = next
    while (size > 0) {
      const i = stack[--size]
      area++
      const x = i % width
      for (const j of [x > 0 ? i - 1 : -1, x < width - 1 ? i + 1 : -1, i - width, i + width]) {
        if (j < 0 || j >= label.length || label[j] !== 0 || distance[j] <= threshold) continue
        label[j] = next
        stack[size++] = j
      }
    }
    areas.set(next, area)
  }
  return { label, areas }
}

/** 1 inside the body, 0 outside, and between on its rim by how far each pixel lies over the threshold: the edge falls between pixels. */
function softMask(distance: Float32Array, threshold: number, label: Int32Array, body: number, width: number, height: number): number[] {
  const soft = new Array<number>(width * height).fill(0)
  for (let i = 0; i < soft.length; i++) if (label[i] === body) soft[i] = Math.min(1, distance[i] / threshold / 2)
  // a rim pixel of the backdrop is known as well: half its own distance from the threshold
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      const i = y * width + x
      if (label[i] === 0 && [i - 1, i + 1, i - width, i + width].some((j) => label[j] === body))
        soft[i] = Math.min(0.5, distance[i] / threshold / 2)
    }
  return soft
}

function touches(label: Int32Array, body: number, width: number, height: number): boolean {
  for (let x = 0; x < width; x++) if (label[x] === body) return true
  for (let y = 0; y < height; y++) if (label[y * width] === body || label[y * width + width - 1] === body) return true
  return false
}
