// A general vision library's own way to an outline before a plain wall: an oracle for tests and a clock for the bench.
import type { PhotoPoint } from '@peen/core/measure'
import { createRequire } from 'node:module'

type Rgba = { readonly width: number; readonly height: number; readonly rgba: Uint8ClampedArray | Uint8Array }
// the library ships no types of its own worth having: what is used is small and named here
// eslint-disable-next-line @typescript-eslint/no-explicit-any
export const cv = createRequire(import.meta.url)('@techstark/opencv-js') as any

const FINER = 4

/** The library is ready once its own code is compiled. It may neither be awaited nor imported as a module: it passes for a promise that never ends. */
export async function visionReady(): Promise<void> {
  if (cv.Mat) return
  await new Promise<void>((resolve) => {
    cv.onRuntimeInitialized = () => resolve()
  })
}

type Kept = { delete: () => void }
/** Runs something with the library's own memory, and gives back what was taken. */
export function keeping<R>(run: (own: <T extends Kept>(thing: T) => T) => R): R {
  const kept: Kept[] = []
  try {
    return run((thing) => {
      kept.push(thing)
      return thing
    })
  } finally {
    for (const thing of kept) thing.delete()
  }
}

/**
 * The outline by colour distance from the border's mean in Lab, a blur over about a millimetre and a half, Otsu's
 * threshold, half way between its two kinds, and the largest contour: everything by the library.
 */
export function visionOutline({ width, height, rgba }: Rgba, blurPx: number): PhotoPoint[] {
  return keeping((own) => {
    const picture = own(cv.matFromImageData({ data: rgba, width, height }))
    const rgb = own(new cv.Mat())
    cv.cvtColor(picture, rgb, cv.COLOR_RGBA2RGB)
    const lab = own(new cv.Mat())
    cv.cvtColor(rgb, lab, cv.COLOR_RGB2Lab)
    const rim = own(lab.roi(new cv.Rect(0, 0, width, Math.max(2, Math.round(height * 0.02)))))
    const mean = cv.mean(rim)
    const wall = own(new cv.Mat(height, width, cv.CV_8UC3, mean))
    const off = own(new cv.Mat())
    cv.absdiff(lab, wall, off)
    const parts = own(new cv.MatVector())
    cv.split(off, parts)
    const sum = own(new cv.Mat())
    cv.addWeighted(parts.get(1), 1, parts.get(2), 1, 0, sum)
    cv.addWeighted(sum, 1, parts.get(0), 0.6, 0, sum)
    const side = 2 * Math.max(1, Math.round(blurPx / 2)) + 1
    cv.blur(sum, sum, new cv.Size(side, side))
    const mask = own(new cv.Mat())
    cv.threshold(sum, mask, 0, 255, cv.THRESH_BINARY + cv.THRESH_OTSU)
    // an edge is where half the wall is covered: half way between what the two kinds are on the whole
    const other = own(new cv.Mat())
    cv.bitwise_not(mask, other)
    cv.threshold(sum, mask, (cv.mean(sum, mask)[0] + cv.mean(sum, other)[0]) / 2, 255, cv.THRESH_BINARY)
    // its contours run through the middles of the outermost pixels: pixels are made small first
    const fine = own(new cv.Mat())
    cv.resize(mask, fine, new cv.Size(0, 0), FINER, FINER, cv.INTER_NEAREST)
    const contours = own(new cv.MatVector())
    const order = own(new cv.Mat())
    cv.findContours(fine, contours, order, cv.RETR_EXTERNAL, cv.CHAIN_APPROX_NONE)
    let best: Int32Array = new Int32Array(0)
    let most = 0
    for (let i = 0; i < contours.size(); i++) {
      const contour = contours.get(i)
      const area = cv.contourArea(contour)
      if (area > most) [most, best] = [area, Int32Array.from(contour.data32S as Int32Array)]
      contour.delete()
    }
    return Array.from({ length: best.length / 2 }, (_, i): PhotoPoint => [(best[2 * i] + 0.5) / FINER, (best[2 * i + 1] + 0.5) / FINER])
  })
}
