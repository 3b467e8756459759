// What a finger on the backdrop takes off an outline: the colour under it, as far as it hangs together there, and nothing else.
import type { Patch } from './backdrop'
import { areaOf, largestOf } from './mask'
import type { Picture } from './picture'

/** Light and colour may differ from what lies under the finger by this much: a soft shadow is darker than the paint. Chosen on drawn scenes: shares, and spreads. */
const LIGHTER = 0.1
const DARKER = 0.35
const SPREADS = 3.5
/** What a camera's grain leaves of one paint at the least, 8-bit steps. Chosen. */
const LEAST_SPREAD = 2.5
/** Between two neighbours of one paint the blurred picture changes by no more, 8-bit steps. Chosen. */
const STEP = 5
/** So much of a touched place is taken for one paint. Chosen. */
const OF_ONE_PAINT = 0.6
/** Taking so much of the body off is no mend: the colour has run into the dog. Chosen. */
const MOST_SHARE = 0.5
/** Of a body that is no dog anyhow any share may go, as long as a dog can be left: a share of the picture. Chosen. */
const LEFT_SHARE = 0.02
/** Of what is not touched, so much may be cut loose for each pixel that is taken off. Chosen. */
const LOOSE_SHARE = 0.5

/**
 * The mask without what was touched. A touch outside of it changes nothing: that place is backdrop already. One inside takes the colour
 * under the finger, up to the nearest edge. Where that would eat half of the body, or cut it in two, only the touched place itself goes.
 * @param mask 1 where something stands out @param mends where the body is no whole dog anyhow: would this be one? then any share may go
 */
export function withoutTouched(
  mask: Uint8Array,
  picture: Picture,
  patches: readonly Patch[],
  mends: ((left: Uint8Array) => boolean) | null
): Uint8Array {
  if (patches.length === 0) return mask
  const soft = blurred(picture)
  return patches.reduce((left, patch) => withoutOne(left, picture, soft, patch, mends), mask)
}

/** How many touched places were backdrop already: such a touch changes nothing. */
export const idleTouches = (mask: Uint8Array, picture: Picture, patches: readonly Patch[]): number =>
  patches.filter((patch) => isIdle(mask, pixelsOf(patch, picture))).length
const isIdle = (mask: Uint8Array, own: readonly number[]) => own.length === 0 || 2 * own.filter((p) => mask[p]).length < own.length

function withoutOne(
  mask: Uint8Array,
  picture: Picture,
  soft: Float32Array,
  patch: Patch,
  mends: ((left: Uint8Array) => boolean) | null
): Uint8Array {
  const { width, height } = picture
  const own = pixelsOf(patch, picture)
  if (isIdle(mask, own)) return mask
  const within = own.filter((p) => mask[p])
  const region = spreadFrom(within, mask, picture, soft, paintOf(within, soft))
  const left = mask.map((value, p) => (value && !region[p] ? 1 : 0))
  const body = largestOf(mask, width, height)
  const [before, after] = [areaOf(body), areaOf(largestOf(left, width, height))]
  const taken = body.reduce((sum, value, p) => sum + (value && region[p] ? 1 : 0), 0)
  const loose = before - taken - after
  const isFair = taken <= MOST_SHARE * before || (mends !== null && after >= LEFT_SHARE * mask.length && mends(left))
  if (isFair && loose <= Math.max(LOOSE_SHARE * taken, 4 * own.length)) return left
  const touched = new Set(own)
  return mask.map((value, p) => (value && !touched.has(p) ? 1 : 0))
}

function pixelsOf({ x, y, width: w, height: h }: Patch, { width, height }: Picture): number[] {
  const found: number[] = []
  for (let j = Math.max(0, y); j < Math.min(height, y + h); j++)
    for (let i = Math.max(0, x); i < Math.min(width, x + w); i++) found.push(j * width + i)
  return found
}

type Paint = { readonly rgb: readonly [number, number, number]; readonly spread: number; readonly low: number; readonly high: number }

/** The paint that most of a touched place has: a finger that lies over an edge means one of the two. */
function paintOf(touched: readonly number[], soft: Float32Array): Paint {
  const meanOf = (pixels: readonly number[]) =>
    [0, 1, 2].map((c) => pixels.reduce((sum, p) => sum + soft[3 * p + c]!, 0) / pixels.length) as unknown as Paint['rgb']
  const middle = [0, 1, 2].map((c) => median(touched.map((p) => soft[3 * p + c]!)))
  const far = (p: number) => Math.hypot(...[0, 1, 2].map((c) => soft[3 * p + c]! - middle[c]!))
  const pixels = [...touched].sort((a, b) => far(a) - far(b)).slice(0, Math.ceil(touched.length * OF_ONE_PAINT))
  const rgb = meanOf(pixels)
  const lights = pixels.map((p) => lightAt(soft, p, rgb)).sort((a, b) => a - b)
  const off = pixels.reduce((sum, p) => sum + offAt(soft, p, rgb, lightAt(soft, p, rgb)) ** 2, 0) / pixels.length
  return { rgb, spread: Math.max(LEAST_SPREAD, Math.sqrt(off)), low: lights[0]! - DARKER, high: lights[lights.length - 1]! + LIGHTER }
}
const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!

const lightAt = (soft: Float32Array, p: number, [r, g, b]: Paint['rgb']) =>
  (soft[3 * p]! * r + soft[3 * p + 1]! * g + soft[3 * p + 2]! * b) / (r * r + g * g + b * b || 1)
const offAt = (soft: Float32Array, p: number, [r, g, b]: Paint['rgb'], light: number) =>
  Math.hypot(soft[3 * p]! - r * light, soft[3 * p + 1]! - g * light, soft[3 * p + 2]! - b * light)

/** From some pixels to all that have the same paint and hang together with them, without a leap of colour on the way. */
function spreadFrom(
  from: readonly number[],
  mask: Uint8Array,
  { width, height }: Picture,
  soft: Float32Array,
  { rgb, spread, low, high }: Paint
): Uint8Array {
  const region = new Uint8Array(mask.length)
  const stack: number[] = []
  const take = (p: number) => {
    region[p] = 1
    stack.push(p)
  }
  from.forEach(take)
  const isAlike = (p: number) => {
    const light = lightAt(soft, p, rgb)
    return light >= low && light <= high && offAt(soft, p, rgb, light) <= SPREADS * spread
  }
  const leap = (p: number, q: number) => Math.max(...[0, 1, 2].map((c) => Math.abs(soft[3 * p + c]! - soft[3 * q + c]!))) > STEP + spread
  const reach = (p: number, q: number) => {
    if (mask[q] && !region[q] && isAlike(q) && !leap(p, q)) take(q)
  }
  while (stack.length > 0) {
    const p = stack.pop()!
    const x = p % width
    if (x > 0) reach(p, p - 1)
    if (x < width - 1) reach(p, p + 1)
    if (p >= width) reach(p, p - width)
    if (p < width * (height - 1)) reach(p, p + width)
  }
  return region
}

/** Means of three by three pixels, without alpha: grain is no edge. */
function blurred({ width, height, rgba }: Picture): Float32Array {
  const out = new Float32Array(width * height * 3)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      let n = 0
      const sum = [0, 0, 0]
      for (let j = Math.max(0, y - 1); j <= Math.min(height - 1, y + 1); j++)
        for (let i = Math.max(0, x - 1); i <= Math.min(width - 1, x + 1); i++, n++)
          for (let c = 0; c < 3; c++) sum[c]! += rgba[(j * width + i) * 4 + c]!
      for (let c = 0; c < 3; c++) out[(y * width + x) * 3 + c] = sum[c]! / n
    }
  return out
}
