// A ruler that stands against the dog: it is taken out of the picture, so that it is no part of the outline.
import { findOutline, type Corrections, type FoundOutline, type OutlineStep } from '../edge/find'
import type { Framing } from '../edge/backdrop'
import type { Picture } from '../edge/picture'
import { isInside } from '../../figure'
import type { PhotoPoint } from '../types'
import { laidOver } from './clear'

export type Ends = readonly [PhotoPoint, PhotoPoint]

/** A ruler whose middle runs through this share of an outline is part of it. Chosen: a paw before its foot is less. */
const RUNS_THROUGH_SHARE = 0.25
/** Half a ruler's width is no more than this share of its length between the ends that were touched. Chosen. */
const MOST_HALF_SHARE = 0.35
/** And no ruler is narrower than this. Chosen. */
const LEAST_WIDTH_SHARE = 0.05
/** A side of a ruler stands out from what lies behind it by this, levels of 255, along half of it and more. Chosen on drawn pictures. */
const SIDE = Object.freeze({ levels: 14, share: 0.5 })
/** A finger that touches a corner of it is off its side by this, px. Chosen. */
const TOUCHED_PX = 4
/** Along it colours are compared at so many places, and it is cleared by this much more to each side: share of its length. Chosen. */
const SAMPLES = 60
const BEYOND_SHARE = 0.02

/**
 * The outline of a picture whose ruler was touched at both ends. Where the ruler hangs together with the dog it is taken out of the
 * picture and the outline found again; where that cannot be done, it is said.
 * @param ruler the touched ends, px; null without one
 * @throws CoreError as {@link findOutline}
 */
export function findBesideRuler(
  picture: Picture,
  framing: Framing,
  corrections: Corrections,
  pxPerMm: number | null,
  ruler: Ends | null,
  onStep?: (step: OutlineStep) => void
): FoundOutline {
  const first = findOutline(picture, framing, corrections, pxPerMm, onStep)
  if (!ruler || !beside(ruler).some((line) => runsThrough(first.outline, line))) return first
  const sides = sidesOf(picture, ruler)
  const middle = sides ? middleOf(sides) : ruler
  if (!runsThrough(first.outline, middle)) return first
  const again = sides ? findOutline(laidOver(picture, [sides]), framing, corrections, pxPerMm, onStep) : first
  // a ruler that looks like what is behind it is not found
  if (!sides || again.unfit || runsThrough(again.outline, middle)) return { ...first, doubts: [...first.doubts, STANDS_IN.outline] }
  return hides(again.outline, sides) ? { ...again, doubts: [...again.doubts, STANDS_IN.front] } : again
}

/** The touched line, and one to either side of it: a finger may have touched its corners. */
function beside([[ax, ay], [bx, by]]: Ends): readonly Ends[] {
  const [dx, dy] = [ASIDE_SHARE * (by - ay), ASIDE_SHARE * (ax - bx)]
  return [0, 1, -1].map((way): Ends => [
    [ax + way * dx, ay + way * dy],
    [bx + way * dx, by + way * dy]
  ])
}
/** Share of its length. Chosen: half of a narrow ruler's width. */
const ASIDE_SHARE = 0.04
const middleOf = ([a, b, c, d]: readonly PhotoPoint[]): Ends => [
  [(a![0] + b![0]) / 2, (a![1] + b![1]) / 2],
  [(c![0] + d![0]) / 2, (c![1] + d![1]) / 2]
]

const STANDS_IN = Object.freeze({
  outline: 'The ruler is part of the outline: paint over it as backdrop.',
  front: 'The ruler hides part of the dog: stand it a hand’s width away and take another picture.'
})
/** A ruler that touches the dog along more of a side than this stands before it. Chosen: a thigh beside a ruler touches it at one place. */
const HIDES_SHARE = 0.3

/** Does the outline run along a side of the ruler? */
function hides(outline: readonly PhotoPoint[], [a, b, c, d]: readonly PhotoPoint[]): boolean {
  const beyond = ([x, y]: PhotoPoint, [u, v]: PhotoPoint): PhotoPoint => [x + BESIDE * (x - u), y + BESIDE * (y - v)]
  const rails: Ends[] = [
    [beyond(a!, b!), beyond(d!, c!)],
    [beyond(b!, a!), beyond(c!, d!)]
  ]
  return rails.some((rail) => placesAlong(rail).filter(([x, y]) => isInside(outline, x, y)).length > HIDES_SHARE * SAMPLES)
}
/** It is looked for so far beside the ruler, share of its width. Chosen. */
const BESIDE = 0.15

/** Does a line along the ruler lie in the outline? */
function runsThrough(outline: readonly PhotoPoint[], ruler: Ends): boolean {
  const inside = placesAlong(ruler).filter(([x, y]) => isInside(outline, x, y)).length
  return inside > RUNS_THROUGH_SHARE * SAMPLES
}

function placesAlong([[ax, ay], [bx, by]]: Ends): readonly PhotoPoint[] {
  return Array.from({ length: SAMPLES }, (_, i): PhotoPoint => {
    const share = (i + 0.5) / SAMPLES
    return [ax + (bx - ax) * share, ay + (by - ay) * share]
  })
}

/**
 * The four corners of a ruler, px: to either side of its touched middle the place where its colours end most sharply along all of
 * it. Null where a side stands out nowhere.
 */
function sidesOf(picture: Picture, ruler: Ends): readonly PhotoPoint[] | null {
  const [[ax, ay], [bx, by]] = ruler
  const length = Math.hypot(bx - ax, by - ay)
  const [nx, ny] = [-(by - ay) / length, (bx - ax) / length]
  const places = placesAlong(ruler)
  const half = Math.max(3, Math.round(MOST_HALF_SHARE * length))
  const told = new Map<number, number>()
  for (let off = -half; off <= half; off++) {
    const steps = places.map(([x, y]) => stepAt(picture, [x + nx * off, y + ny * off], [nx, ny]))
    if (steps.filter((step) => step >= SIDE.levels).length < SIDE.share * steps.length) continue
    told.set(
      off,
      steps.reduce((sum, step) => sum + step, 0)
    )
  }
  // the touched line lies between both sides, or on one of them
  let [one, other, most] = [0, 0, 0]
  for (const [left, atLeft] of told)
    for (const [right, atRight] of told) {
      if (left > TOUCHED_PX || right < -TOUCHED_PX || right - left < LEAST_WIDTH_SHARE * length || atLeft + atRight <= most) continue
      ;[one, other, most] = [right, left, atLeft + atRight]
    }
  if (most === 0) return null
  const more = BEYOND_SHARE * length
  const [tx, ty] = [((bx - ax) / length) * more, ((by - ay) / length) * more]
  const [wide, narrow] = [one + more, other - more]
  return [
    [ax - tx + nx * wide, ay - ty + ny * wide],
    [ax - tx + nx * narrow, ay - ty + ny * narrow],
    [bx + tx + nx * narrow, by + ty + ny * narrow],
    [bx + tx + nx * wide, by + ty + ny * wide]
  ]
}

/** How much colours change across a place, levels: the most of red, green and blue; 0 outside the picture. */
function stepAt({ width, height, rgba }: Picture, [x, y]: PhotoPoint, [dx, dy]: PhotoPoint): number {
  const at = (by: number): number => {
    const [u, v] = [Math.round(x + by * dx), Math.round(y + by * dy)]
    return u < 0 || v < 0 || u >= width || v >= height ? -1 : 4 * (v * width + u)
  }
  const [before, after] = [at(-1), at(1)]
  if (before < 0 || after < 0) return 0
  return Math.max(...[0, 1, 2].map((c) => Math.abs(rgba[before + c]! - rgba[after + c]!)))
}
