// Which pixels are the dog: the threshold that parts two kinds, bodies that hang together, and what is thin.
import type { PhotoPoint } from '../types'

const BINS = 256

/** The threshold that parts two kinds of values best, and how well it does. Source: Otsu 1979, IEEE Trans. SMC 9:62-66. */
export function otsu(values: Float32Array): { readonly threshold: number; readonly apart01: number } {
  // a few glints far beyond the rest would take all the bins
  const most = highOf(values)
  if (most === 0) return { threshold: Infinity, apart01: 0 }
  const counts = new Float64Array(BINS)
  for (const value of values) counts[Math.min(BINS - 1, Math.floor((value / most) * BINS))]!++
  const total = values.length
  const mean = counts.reduce((sum, count, i) => sum + count * i, 0) / total
  const spread = counts.reduce((sum, count, i) => sum + count * (i - mean) ** 2, 0) / total
  let [below, belowSum, best, at] = [0, 0, 0, 0]
  for (let i = 0; i < BINS - 1; i++) {
    below += counts[i]!
    belowSum += counts[i]! * i
    const share = below / total
    if (share === 0 || share === 1) continue
    const between = (mean * share - belowSum / total) ** 2 / (share * (1 - share))
    if (between > best) [best, at] = [between, i]
  }
  return { threshold: ((at + 1) / BINS) * most, apart01: spread === 0 ? 0 : best / spread }
}

/** The value that all but one in five hundred stay under. */
function highOf(values: Float32Array): number {
  const most = values.reduce((a, b) => Math.max(a, b), 0)
  if (most === 0) return 0
  const counts = new Float64Array(2048)
  for (const value of values) counts[Math.min(2047, Math.floor((value / most) * 2048))]!++
  let beyond = 0
  for (let i = 2047; i >= 0; i--) {
    beyond += counts[i]!
    if (beyond > values.length / 500) return ((i + 1) / 2048) * most
  }
  return most
}

export type Bodies = { readonly label: Int32Array; readonly areas: readonly number[] }

/** Bodies of marked pixels that hang together by their sides, numbered from 1; `areas[n - 1]` px. */
export function bodiesOf(mask: Uint8Array, width: number, height: number): Bodies {
  const label = new Int32Array(width * height)
  const areas: number[] = []
  const stack = new Int32Array(width * height)
  let size = 0
  const reach = (i: number, own: number) => {
    if (mask[i] === 0 || label[i] !== 0) return
    label[i] = own
    stack[size++] = i
  }
  for (let start = 0; start < label.length; start++) {
    if (label[start] !== 0 || mask[start] === 0) continue
    const own = areas.length + 1
    let area = 0
    reach(start, own)
    while (size > 0) {
      const i = stack[--size]!
      area++
      const x = i % width
      if (x > 0) reach(i - 1, own)
      if (x < width - 1) reach(i + 1, own)
      if (i >= width) reach(i - width, own)
      if (i < label.length - width) reach(i + width, own)
    }
    areas.push(area)
  }
  return { label, areas }
}

/** Which of some bodies is the largest; -1 where there is none. */
export const largest = (areas: readonly number[]): number =>
  areas.reduce((best, area, i) => (best < 0 || area > areas[best]! ? i : best), -1)

/** The largest body alone. */
export function largestOf(mask: Uint8Array, width: number, height: number): Uint8Array {
  const { label, areas } = bodiesOf(mask, width, height)
  const first = largest(areas) + 1
  return Uint8Array.from(label, (value) => (first > 0 && value === first ? 1 : 0))
}

export const areaOf = (mask: Uint8Array): number => mask.reduce((sum, value) => sum + value, 0)

/**
 * How deep each marked pixel lies within its body, px: to the nearest unmarked one by the chamfer of 3 and 4, the picture's
 * rim counted as marked. Source: Borgefors 1986, CVGIP 34:344-371.
 */
export function depthIn(mask: Uint8Array, width: number, height: number): Float32Array {
  const depth = new Float32Array(width * height)
  const FAR = 1e6
  for (let i = 0; i < depth.length; i++) depth[i] = mask[i] ? FAR : 0
  const low = (i: number, from: number, by: number) => {
    if (depth[from]! + by < depth[i]!) depth[i] = depth[from]! + by
  }
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      if (depth[i] === 0) continue
      if (x > 0) low(i, i - 1, 1)
      if (y > 0) low(i, i - width, 1)
      if (x > 0 && y > 0) low(i, i - width - 1, 4 / 3)
      if (x < width - 1 && y > 0) low(i, i - width + 1, 4 / 3)
    }
  for (let y = height - 1, i = depth.length - 1; y >= 0; y--)
    for (let x = width - 1; x >= 0; x--, i--) {
      if (depth[i] === 0) continue
      if (x < width - 1) low(i, i + 1, 1)
      if (y < height - 1) low(i, i + width, 1)
      if (x < width - 1 && y < height - 1) low(i, i + width + 1, 4 / 3)
      if (x > 0 && y < height - 1) low(i, i + width - 1, 4 / 3)
    }
  return depth
}

/** Pixels within `reachPx` of a marked one. */
export function grown(mask: Uint8Array, width: number, height: number, reachPx: number): Uint8Array {
  const outside = mask.map((value) => (value ? 0 : 1))
  const away = depthIn(outside, width, height)
  return mask.map((value, i) => (value || away[i]! <= reachPx ? 1 : 0))
}

/** The mask where most of a square of `reachPx` to each side is marked: hairs that stand out singly go, nicks close. */
export function majority(mask: Uint8Array, width: number, height: number, reachPx: number): Uint8Array {
  const reach = Math.max(1, Math.round(reachPx))
  const sums = new Int32Array((width + 1) * (height + 1))
  for (let y = 0; y < height; y++) {
    let row = 0
    for (let x = 0; x < width; x++) {
      row += mask[y * width + x]!
      sums[(y + 1) * (width + 1) + x + 1] = sums[y * (width + 1) + x + 1]! + row
    }
  }
  const out = new Uint8Array(width * height)
  for (let y = 0; y < height; y++) {
    const [top, bottom] = [Math.max(0, y - reach), Math.min(height, y + reach + 1)]
    for (let x = 0; x < width; x++) {
      const [left, right] = [Math.max(0, x - reach), Math.min(width, x + reach + 1)]
      const inside =
        sums[bottom * (width + 1) + right]! -
        sums[top * (width + 1) + right]! -
        sums[bottom * (width + 1) + left]! +
        sums[top * (width + 1) + left]!
      out[y * width + x] = 2 * inside > (right - left) * (bottom - top) ? 1 : 0
    }
  }
  return out
}

/** A ring of the picture filled in the picture made small. Source: even-odd rule */
export function maskOf(
  ring: readonly PhotoPoint[],
  { width, height, by }: { readonly width: number; readonly height: number; readonly by: number }
): Uint8Array {
  const mask = new Uint8Array(width * height)
  for (let y = 0; y < height; y++) {
    const at = (y + 0.5) * by
    const xs = ring
      .flatMap(([ax, ay], i) => {
        const [bx, bY] = ring[(i + 1) % ring.length]!
        return ay > at === bY > at ? [] : [ax + ((at - ay) / (bY - ay)) * (bx - ax)]
      })
      .sort((a, b) => a - b)
    for (let k = 0; k + 1 < xs.length; k += 2)
      for (let x = Math.max(0, Math.ceil(xs[k]! / by - 0.5)); x < Math.min(width, xs[k + 1]! / by - 0.5); x++) mask[y * width + x] = 1
  }
  return mask
}
