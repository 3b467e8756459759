// Where a dog ends in a picture, by its colours and a shape that is expected there: graph cuts of a general vision library.
import type { PhotoPoint } from '@peen/core/measure'
import { createRequire } from 'node:module'

/** A picture as bytes: red, green and blue of each pixel, row by row. */
export type Rgb = { readonly width: number; readonly height: number; readonly rgb: Uint8Array }
type Kept = { readonly delete: () => void }
type Mat = Kept & { readonly data: Uint8Array; readonly data32S: Int32Array; readonly rows: number }
// what is used of the library, which ships no types worth having
type Vision = {
  readonly Mat: new (rows?: number, cols?: number, type?: number) => Mat
  readonly MatVector: new () => Kept & {
    readonly size: () => number
    readonly get: (i: number) => Mat
    readonly push_back: (mat: Mat) => void
  }
  readonly Rect: new () => unknown
  readonly Size: new (wide: number, high: number) => unknown
  readonly Scalar: new (...values: number[]) => unknown
  onRuntimeInitialized?: () => void
} & Readonly<Record<string, (...args: never[]) => unknown>> &
  Readonly<Record<`CV_${string}` | `MORPH_${string}` | `GC_${string}` | `RETR_${string}` | `CHAIN_${string}`, number>>

// it passes for a promise that never ends: neither awaited nor imported as a module
const cv = createRequire(import.meta.url)('@techstark/opencv-js') as Vision & Record<string, never>

/** A picture is looked at so large, px along its longer side: a leg is still a dozen pixels wide. Chosen. */
export const LOOKED_AT_PX = 480
/**
 * The expected shape may be off by so much, as a share of the root of its area: farther inside all is dog, farther outside nothing is.
 * Chosen on drawn scenes: a head or a leg that is held otherwise.
 */
const OFF_SHARE = Object.freeze({ inside: 0.12, outside: 0.14 })
const ROUNDS = 5

export async function visionReady(): Promise<void> {
  if (cv.Mat) return
  await new Promise<void>((resolve) => (cv.onRuntimeInitialized = resolve as never))
}

/**
 * The outline of what is where a shape is expected.
 * @param ring the expected shape, px of the picture
 * @returns its outer ring, px; null where nothing of it stands out
 * Source: GrabCut, Rother, Kolmogorov & Blake 2004, ACM TOG 23:309-314, as OpenCV has it
 */
export function ringByShape(picture: Rgb, ring: readonly PhotoPoint[]): readonly PhotoPoint[] | null {
  const kept: Kept[] = []
  const own = <T>(thing: T): T => {
    kept.push(thing as T & Kept)
    return thing
  }
  try {
    return cut(picture, ring, own)
  } finally {
    for (const thing of kept) thing.delete()
  }
}

function cut({ width, height, rgb }: Rgb, ring: readonly PhotoPoint[], own: <T>(thing: T) => T): readonly PhotoPoint[] | null {
  const call = cv as unknown as Record<string, (...args: unknown[]) => unknown>
  const mat = (type: number) => own(new cv.Mat(height, width, type))
  const expected = mat(cv.CV_8UC1)
  expected.data.fill(0)
  const shapes = own(new cv.MatVector())
  const corners = own(call.matFromArray!(ring.length, 1, cv.CV_32SC2, ring.flat().map(Math.round))) as Mat
  shapes.push_back(corners)
  call.fillPoly!(expected, shapes, new cv.Scalar(1, 1, 1, 1))
  const size = Math.sqrt(expected.data.reduce((sum, value) => sum + value, 0))
  const [inside, outside] = [own(new cv.Mat()), own(new cv.Mat())]
  const round = (share: number) => {
    const side = 2 * Math.max(1, Math.round(share * size)) + 1
    return own(call.getStructuringElement!(cv.MORPH_ELLIPSE, new cv.Size(side, side)))
  }
  call.erode!(expected, inside, round(OFF_SHARE.inside))
  call.dilate!(expected, outside, round(OFF_SHARE.outside))
  const mask = mat(cv.CV_8UC1)
  const { GC_BGD, GC_FGD, GC_PR_BGD, GC_PR_FGD } = cv
  for (let p = 0; p < mask.data.length; p++)
    mask.data[p] = inside.data[p] ? GC_FGD! : !outside.data[p] ? GC_BGD! : expected.data[p] ? GC_PR_FGD! : GC_PR_BGD!
  // a shape that is all but out of the picture, or too thin to have an inside, says nothing
  if (!mask.data.includes(GC_FGD!) || !mask.data.includes(GC_BGD!)) return null
  const colours = mat(cv.CV_8UC3)
  colours.data.set(rgb)
  call.grabCut!(colours, mask, new cv.Rect(), own(new cv.Mat()), own(new cv.Mat()), ROUNDS, cv.GC_INIT_WITH_MASK)
  for (let p = 0; p < mask.data.length; p++) mask.data[p] = mask.data[p] === GC_FGD || mask.data[p] === GC_PR_FGD ? 1 : 0
  return largestRing(mask, own)
}

function largestRing(mask: Mat, own: <T>(thing: T) => T): readonly PhotoPoint[] | null {
  const call = cv as unknown as Record<string, (...args: unknown[]) => unknown>
  const rings = own(new cv.MatVector())
  call.findContours!(mask, rings, own(new cv.Mat()), cv.RETR_EXTERNAL, cv.CHAIN_APPROX_NONE)
  let best: Mat | null = null
  for (let i = 0; i < rings.size(); i++) {
    const ring = own(rings.get(i))
    if (!best || (call.contourArea!(ring) as number) > (call.contourArea!(best) as number)) best = ring
  }
  if (!best || best.rows < 8) return null
  // the middle of a pixel, not its corner
  return Array.from({ length: best.rows }, (_, i): PhotoPoint => [best.data32S[2 * i]! + 0.5, best.data32S[2 * i + 1]! + 0.5])
}
