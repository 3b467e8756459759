import { bodyById, coatFor } from '@peen/content'
import {
  extentOf,
  fitBody,
  sizedTo,
  standingWide,
  type BodyType,
  type Lengths,
  type Measures,
  type Point,
  type View,
  type ViewId
} from '@peen/core/figure'

/** What the figure needs to know of a dog. */
export type DrawnDog = {
  readonly bodyType: string
  readonly colour: string
  readonly withersMm: number
  readonly own?: Omit<Measures, 'withersMm'>
  readonly trim?: string
  /** stood up for a picture along it, its legs apart */
  readonly wide?: boolean
}

/** The body that is drawn: the type with the dog's own proportions, its legs apart where it is stood up so. */
export function bodyOf({ bodyType, withersMm, own, wide }: Omit<DrawnDog, 'colour'>, lengths: Lengths): BodyType {
  const body = fitBody(bodyById(bodyType), { withersMm, ...own })
  return wide ? standingWide(body, withersMm, lengths) : body
}

export type Placement = { readonly view: View; readonly toPx: (p: Point) => Point; readonly groundPx: number }

/** The coat of a dog's trim, its shapes sized to this dog. */
export function coatOf({ bodyType, trim, withersMm }: Pick<DrawnDog, 'bodyType' | 'trim' | 'withersMm'>) {
  const coat = coatFor(bodyType, trim)
  return { ...coat, shapes: sizedTo(coat.shapes, withersMm / bodyById(bodyType).withersMm) }
}

/** The dog that a trim is shown on in the library: its body type at its usual height, in the colour of its drawn coat. */
export function dogOfTrim(bodyType: string, drawnAs: string | undefined) {
  const body = bodyById(bodyType)
  const coat = coatFor(body.id, drawnAs)
  const dog: DrawnDog = { bodyType: body.id, colour: coat.colour, withersMm: body.withersMm, trim: coat.id }
  return { body, coat, dog }
}

const extents = new Map<string, readonly [number, number, number, number]>()

/** What a dog in its planned coat spans, mm; the same for the same dog, so it is computed once. */
function extent(dog: DrawnDog, from: ViewId, plan: Lengths | undefined): readonly [number, number, number, number] {
  const { bodyType, withersMm, own, trim, wide } = dog
  const key = JSON.stringify([bodyType, withersMm, own, trim, wide, from, plan])
  const known = extents.get(key)
  if (known) return known
  const coat = coatOf(dog)
  const lengths = plan ?? coat.lengths
  const found = extentOf(bodyOf(dog, lengths), withersMm, from, { ...coat, lengths })
  extents.set(key, found)
  return found
}

/** The largest scale at which a dog fits into a box (px), standing on its lower edge, in the middle. */
export function placeDog(
  dog: DrawnDog,
  width: number,
  height: number,
  mirrored: boolean,
  from: ViewId = 'side',
  plan?: Lengths
): Placement {
  const [left, bottom, right, top] = extent(dog, from, plan)
  const scale = Math.min(width / (right - left), height / (top - bottom))
  const originX = width / 2 - ((left + right) / 2) * scale
  // heads and backs float in the middle of their box, standing dogs stand on its lower edge
  const floats = from === 'head' || from === 'above'
  const originY = floats ? height / 2 + ((top + bottom) / 2) * scale : height + bottom * scale
  const flip = (x: number) => (mirrored ? width - x : x)
  return { view: { scale, originX, originY }, toPx: ([x, y]) => [flip(originX + x * scale), originY - y * scale], groundPx: originY }
}

/** Strokes a picture needs: one for every few pixels of dog, 60,000 on a full plate. Chosen on the figure kit's measurements. */
export function budgetFor(width: number, height: number): number {
  return Math.round(Math.min(60000, Math.max(6000, width * height * 0.14)))
}
