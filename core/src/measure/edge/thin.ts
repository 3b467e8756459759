// The grooming post, its arm and the strap: thin, and of no colour that the dog has.
import { bodiesOf, depthIn, grown } from './mask'
import type { Picture } from './picture'

/** Half the width of what counts as thin, mm. Chosen: a post is 12 to 20 mm wide. */
const HALF_MM = 11
/** Thin things shorter than this many times their half width are tufts, toes and ears' ends, if they do not come in from the rim. Chosen. */
const LONG_ENOUGH = 5
/** Colours nearer to one of the dog's than this are its own, 8-bit steps. Chosen. */
const OWN_COLOUR = 30
/** Paint and steel are of one colour, hair is not: spread of a thin thing's pixels, 8-bit steps. Chosen on drawn pictures. */
const ONE_PAINT = 7
/** Pixels this near to a strap's own colour are the strap. Chosen. */
const SAME_PAINT = 14
/** Of a thin thing's pixels, so many must have a colour of the dog for it to be a tail. Chosen. */
const OWN_SHARE = 0.5

/** A mask without what is thin, long, and of one paint or of a colour that the thick of the dog has not. Tails and legs are its colour and stay. */
export function withoutStraps(mask: Uint8Array, picture: Picture, pxPerMm: number): Uint8Array {
  const { width, height } = picture
  const half = Math.max(2, HALF_MM * pxPerMm)
  const depth = depthIn(mask, width, height)
  const core = depth.map((value) => (value > half ? 1 : 0)) as unknown as Float32Array
  const thick = grown(Uint8Array.from(core), width, height, half + 1.5)
  const thin = mask.map((value, i) => (value && !thick[i] ? 1 : 0))
  const { label, areas } = bodiesOf(thin, width, height)
  const colours = coloursOf(picture, depth, half)
  const counts = areas.map(() => ({ own: 0, sum: 0, squares: 0, left: width, right: 0, top: height, bottom: 0 }))
  for (let i = 0; i < label.length; i++) {
    if (label[i] === 0) continue
    const count = counts[label[i]! - 1]!
    if (isOwn(picture, i, colours)) count.own++
    const grey = (picture.rgba[4 * i]! + picture.rgba[4 * i + 1]! + picture.rgba[4 * i + 2]!) / 3
    count.sum += grey
    count.squares += grey * grey
    const [x, y] = [i % width, Math.floor(i / width)]
    count.left = Math.min(count.left, x)
    count.right = Math.max(count.right, x)
    count.top = Math.min(count.top, y)
    count.bottom = Math.max(count.bottom, y)
  }
  const gone = counts.map(
    ({ own, sum, squares, left, right, top, bottom }, k) =>
      (Math.max(right - left, bottom - top) > LONG_ENOUGH * half ||
        left === 0 ||
        top === 0 ||
        right === width - 1 ||
        bottom === height - 1) &&
      (own < OWN_SHARE * areas[k]! || squares / areas[k]! - (sum / areas[k]!) ** 2 < ONE_PAINT ** 2)
  )
  if (!gone.some(Boolean)) return mask
  const left = mask.map((value, i) => (value && !(label[i]! > 0 && gone[label[i]! - 1]) ? 1 : 0))
  return withoutTheirEnds(left, picture, label, gone, Math.ceil(10 * half))
}

/** Where a strap or post meets the dog it is no longer thin: what is of its very colour there, and hangs together with it, goes too. */
function withoutTheirEnds(
  mask: Uint8Array,
  { width, height, rgba }: Picture,
  label: Int32Array,
  gone: readonly boolean[],
  most: number
): Uint8Array {
  const out = mask.slice()
  gone.forEach((isGone, k) => {
    if (!isGone) return
    const own: number[] = []
    for (let i = 0; i < label.length; i++) if (label[i] === k + 1) own.push(i)
    const mean = [0, 1, 2].map((c) => own.reduce((sum, i) => sum + rgba[4 * i + c]!, 0) / own.length)
    let front = own
    for (let step = 0; step < most && front.length > 0; step++) {
      const next: number[] = []
      for (const i of front) {
        const x = i % width
        for (const j of [x > 0 ? i - 1 : -1, x < width - 1 ? i + 1 : -1, i - width, i + width]) {
          if (j < 0 || j >= out.length || j >= width * height || !out[j]) continue
          if (Math.hypot(rgba[4 * j]! - mean[0]!, rgba[4 * j + 1]! - mean[1]!, rgba[4 * j + 2]! - mean[2]!) > SAME_PAINT) continue
          out[j] = 0
          next.push(j)
        }
      }
      front = next
    }
  })
  return out
}

/** Colours of the dog's thick parts, in cells of 16 steps a channel; a cell counts from one pixel in four hundred. */
function coloursOf({ rgba }: Picture, depth: Float32Array, half: number): readonly (readonly number[])[] {
  const cells = new Map<number, [number, number, number, number]>()
  let all = 0
  for (let p = 0, i = 0; p < depth.length; p++, i += 4) {
    if (depth[p]! <= half) continue
    const key = ((rgba[i]! >> 4) << 8) | ((rgba[i + 1]! >> 4) << 4) | (rgba[i + 2]! >> 4)
    const cell = cells.get(key) ?? [0, 0, 0, 0]
    cell[0] += rgba[i]!
    cell[1] += rgba[i + 1]!
    cell[2] += rgba[i + 2]!
    cell[3]++
    cells.set(key, cell)
    all++
  }
  return [...cells.values()].filter(([, , , n]) => n > all / 400).map(([r, g, b, n]) => [r / n, g / n, b / n])
}

function isOwn({ rgba }: Picture, p: number, colours: readonly (readonly number[])[]): boolean {
  const i = p * 4
  return colours.some(([r, g, b]) => Math.hypot(rgba[i]! - r!, rgba[i + 1]! - g!, rgba[i + 2]! - b!) < OWN_COLOUR)
}
