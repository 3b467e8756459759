// What a person puts right on an outline, drawn so that it is true: a touch on the backdrop, a stroke, a place of the edge.
import type { Corrections, PhotoPoint } from '@peen/core/measure'
import { drawsFrom, SHOWS, type Scene } from './scene'

export const MENDS = ['touchAny', 'touchWrong', 'brushDog', 'brushBackdrop', 'anchor'] as const
export type MendKind = (typeof MENDS)[number]
export type Mend = { readonly kind: MendKind; readonly corrections: Corrections }

/** A finger covers so many px of a scene either way; a stroke is so wide. */
const FINGER = 12
const BRUSH = 5
const NONE: Corrections = { backdrop: [], strokes: [], anchors: [] }

/**
 * True mends of an outline, at most one of each kind and two touches anywhere: the wrong places are looked for where the outline takes
 * backdrop for dog, or dog for backdrop.
 */
export function trueMends(scene: Scene, ring: readonly PhotoPoint[], seed: number): readonly Mend[] {
  const { width, height, shows } = scene
  const random = drawsFrom(seed)
  const inside = fill(ring, width, height)
  const isBackdrop = (p: number) => shows[p] === SHOWS.wall || shows[p] === SHOWS.table
  const clear = (x: number, y: number, half: number, is: (p: number) => boolean) => {
    for (let j = -half; j <= half; j++)
      for (let i = -half; i <= half; i++) {
        if (x + i < 0 || y + j < 0 || x + i >= width || y + j >= height || !is((y + j) * width + x + i)) return false
      }
    return true
  }
  const find = (fits: (x: number, y: number) => boolean): PhotoPoint | null => {
    for (let t = 0; t < TRIES; t++) {
      const [x, y] = [Math.floor(random() * width), Math.floor(random() * height)]
      if (fits(x, y)) return [x, y]
    }
    return null
  }
  const touch = (kind: MendKind, at: PhotoPoint | null): Mend[] =>
    at
      ? [{ kind, corrections: { ...NONE, backdrop: [{ x: at[0] - FINGER / 2, y: at[1] - FINGER / 2, width: FINGER, height: FINGER }] } }]
      : []
  const stroke = (kind: MendKind, of: 'dog' | 'backdrop', at: PhotoPoint | null): Mend[] =>
    at ? [{ kind, corrections: { ...NONE, strokes: [{ of, through: [at], radiusPx: BRUSH }] } }] : []
  const reach = FINGER / 2 + 2
  const isAny = (x: number, y: number) => clear(x, y, reach, isBackdrop)
  const wrong = find((x, y) => inside[y * width + x] === 1 && isAny(x, y))
  const missed = find((x, y) => inside[y * width + x] === 0 && clear(x, y, BRUSH + 1, (p) => shows[p] === SHOWS.dog))
  const edge = find((x, y) => x > 4 && y > 4 && x < width - 5 && y < height - 5 && isEdge(scene, x, y))
  return [
    ...touch('touchAny', find(isAny)),
    ...touch('touchAny', find(isAny)),
    ...touch('touchWrong', wrong),
    ...stroke('brushBackdrop', 'backdrop', wrong),
    ...stroke('brushDog', 'dog', missed),
    ...(edge ? [{ kind: 'anchor' as const, corrections: { ...NONE, anchors: [[edge[0] + 0.5, edge[1] + 0.5] as PhotoPoint] } }] : [])
  ]
}
const TRIES = 3000

/** Dog here, backdrop beside, and no hand near. */
function isEdge({ width, shows }: Scene, x: number, y: number): boolean {
  const p = y * width + x
  const around = [p - 1, p + 1, p - width, p + width].map((q) => shows[q])
  return shows[p] === SHOWS.dog && around.some((what) => what === SHOWS.wall || what === SHOWS.table) && !around.includes(SHOWS.hand)
}

/** 1 where a pixel's middle lies within a ring. */
export function fill(ring: readonly PhotoPoint[], width: number, height: number): Uint8Array {
  const inside = new Uint8Array(width * height)
  for (let y = 0; y < height; y++) {
    const at = y + 0.5
    const xs = ring
      .flatMap(([ax, ay], i) => {
        const [bx, by] = ring[(i + 1) % ring.length]!
        return ay > at === by > at ? [] : [ax + ((at - ay) / (by - ay)) * (bx - ax)]
      })
      .sort((a, b) => a - b)
    for (let k = 0; k + 1 < xs.length; k += 2)
      for (let x = Math.max(0, Math.ceil(xs[k]! - 0.5)); x < Math.min(width, xs[k + 1]! - 0.5); x++) inside[y * width + x] = 1
  }
  return inside
}
