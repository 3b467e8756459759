import { otherSide, type Aged, type Fault, type Lengths, type Shape, type ViewId } from '@peen/core/figure'
import * as Comlink from 'comlink'
import type { PaintRequest, Painter } from '../workers/figure.worker'
import { budgetFor, placeDog, type DrawnDog } from './place'

let worker: Comlink.Remote<Painter> | null = null

/** The one painting worker, started when it is first needed. */
export function painter(): Comlink.Remote<Painter> {
  worker ??= Comlink.wrap<Painter>(new Worker(new URL('../workers/figure.worker.ts', import.meta.url), { type: 'module', name: 'figure' }))
  return worker
}

/** A dog as a screen wants it drawn. `lengths` is what it wears (its left, where `lengthsB` is its right); `plan` what it is measured against. */
export type DrawnCoat = {
  readonly dog: DrawnDog
  readonly lengths: Lengths
  readonly plan?: Lengths
  readonly lengthsB?: Lengths
  readonly shapes?: readonly Shape[]
  readonly faults?: readonly Fault[]
  readonly days?: number
  /** hair of several ages, by place; side A and side B as the lengths */
  readonly ages?: Aged
  readonly agesB?: Aged
  readonly from?: ViewId
  /** the profile from the dog's right */
  readonly mirrored?: boolean
}

/** What the worker is asked for a box of css pixels: plain copies, since a reactive proxy does not cross to a worker. */
export function askPainter(drawn: DrawnCoat, width: number, height: number): Omit<PaintRequest, 'what'> {
  const density = Math.min(2, Math.max(1, window.devicePixelRatio || 1))
  const [w, h] = [Math.round(width * density), Math.round(height * density)]
  const { dog, lengths, plan = lengths, lengthsB, shapes, faults, days, ages, agesB, from = 'side', mirrored } = drawn
  const { view } = placeDog(dog, w, h, false, from, plan)
  const { bodyType, colour, withersMm, own, trim, wide } = dog
  const worn = { lengths, lengthsB, shapes, faults, days, ages, agesB }
  return JSON.parse(
    JSON.stringify({
      dog: { bodyType, colour, withersMm, own, trim, wide, view: from, plan, budget: budgetFor(w, h) },
      worn: mirrored && from === 'side' ? otherSide(worn) : worn,
      width: w,
      height: h,
      view
    })
  )
}

const KEPT_PICTURES = 160
const pictures = new Map<string, ImageBitmap>()

/** A picture by its content: what was drawn before comes back at once. Coarse ones are not worth keeping. */
export async function pictureOf(request: PaintRequest): Promise<ImageBitmap> {
  const key = JSON.stringify(request)
  const known = pictures.get(key)
  if (known) return known
  const picture = await painter().paint(request)
  if (request.what !== 'coarse') pictures.set(key, picture)
  if (pictures.size > KEPT_PICTURES) pictures.delete(pictures.keys().next().value!)
  return picture
}

export function knownPicture(request: PaintRequest): ImageBitmap | null {
  return pictures.get(JSON.stringify(request)) ?? null
}
