import * as Comlink from 'comlink'
import type { PaintRequest, Painter } from '../workers/figure.worker'

let worker: Comlink.Remote<Painter> | null = null

/** The one painting worker, started when it is first needed. */
export function painter(): Comlink.Remote<Painter> {
  worker ??= Comlink.wrap<Painter>(new Worker(new URL('../workers/figure.worker.ts', import.meta.url), { type: 'module', name: 'figure' }))
  return worker
}

const KEPT_PICTURES = 60
const pictures = new Map<string, ImageBitmap>()

/** A picture by its content: what was drawn before comes back at once. */
export async function pictureOf(request: PaintRequest): Promise<ImageBitmap> {
  const key = JSON.stringify(request)
  const known = pictures.get(key)
  if (known) return known
  const picture = await painter().paint(request)
  pictures.set(key, picture)
  if (pictures.size > KEPT_PICTURES) pictures.delete(pictures.keys().next().value!)
  return picture
}

export function knownPicture(request: PaintRequest): ImageBitmap | null {
  return pictures.get(JSON.stringify(request)) ?? null
}
