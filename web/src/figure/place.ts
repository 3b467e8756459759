import { bodyById } from '@peen/content'
import { extentOf, type Point, type View } from '@peen/core/figure'

/** What the figure needs to know of a dog. */
export type DrawnDog = { readonly bodyType: string; readonly colour: string; readonly withersMm: number }

export type Placement = { readonly view: View; readonly toPx: (p: Point) => Point; readonly groundPx: number }

/** The largest scale at which a dog fits into a box (px), standing on its lower edge, in the middle. */
export function placeDog(dog: DrawnDog, width: number, height: number, mirrored: boolean): Placement {
  const [left, bottom, right, top] = extentOf(bodyById(dog.bodyType), dog.withersMm)
  const scale = Math.min(width / (right - left), height / (top - bottom))
  const originX = width / 2 - ((left + right) / 2) * scale
  const originY = height + bottom * scale
  const flip = (x: number) => (mirrored ? width - x : x)
  return { view: { scale, originX, originY }, toPx: ([x, y]) => [flip(originX + x * scale), originY - y * scale], groundPx: originY }
}

/** Strokes a picture needs: one for every few pixels of dog, 60,000 on a full plate. Chosen on the figure kit's measurements. */
export function budgetFor(width: number, height: number): number {
  return Math.round(Math.min(60000, Math.max(6000, width * height * 0.14)))
}
