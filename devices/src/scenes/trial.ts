// An outline of a scene beside its truth, before and after each true mend.
import { CoreError } from '@peen/core/error'
import { findOutline, NO_CORRECTIONS, type Corrections, type PhotoPoint } from '@peen/core/measure'
import { fill, trueMends, type MendKind } from './mends'
import { SHOWS, type Scene } from './scene'

/** `overlap01` 0 where there is no outline. */
export type Seen = {
  readonly ring: readonly PhotoPoint[]
  readonly overlap01: number
  readonly unfit: boolean
  readonly doubts: readonly string[]
}
export type MendRow = { readonly kind: MendKind; readonly before: number; readonly after: number }

/** What is found in a scene with some corrections. */
export function seenIn(scene: Scene, corrections: Corrections = NO_CORRECTIONS): Seen {
  try {
    const { outline, unfit, doubts } = findOutline(scene, scene.framing, corrections)
    return { ring: outline, overlap01: overlapWith(scene, outline), unfit, doubts }
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    return { ring: [], overlap01: 0, unfit: true, doubts: [error.message] }
  }
}

/** Each true mend of a scene by itself: the overlap before and after it. */
export function mendsOf(scene: Scene, seed: number): readonly MendRow[] {
  const { ring, overlap01 } = seenIn(scene)
  return trueMends(scene, ring, seed).map(({ kind, corrections }) => ({
    ...{ kind, before: overlap01, after: seenIn(scene, corrections).overlap01 }
  }))
}

/** What an outline covers and the dog together over what either covers, 0 to 1; pixels that a hand covers count for neither. */
export function overlapWith({ width, height, shows }: Scene, ring: readonly PhotoPoint[]): number {
  const inside = fill(ring, width, height)
  let [both, either] = [0, 0]
  for (let p = 0; p < inside.length; p++) {
    if (shows[p] === SHOWS.hand) continue
    const isDog = shows[p] === SHOWS.dog
    if (isDog && inside[p]) both++
    if (isDog || inside[p]) either++
  }
  return either === 0 ? 0 : both / either
}
