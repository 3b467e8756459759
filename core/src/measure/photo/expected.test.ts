// An outline beside the dog that was planned: what is asked about before it is called found.
import { bodyById, coatFor } from '@peen/content'
import clip from 'polygon-clipping'
import { describe, expect, it } from 'vitest'
import {
  disagreementsOf,
  frameOf,
  NO_CORRECTIONS,
  SEEN,
  plannedView,
  proposePlaces,
  toPx,
  type Corrections,
  type PhotoPoint,
  type ScaleMark,
  type Seen
} from '..'

const SIZE = { widthPx: 1600, heightPx: 1200 }
// 100 mm are 200 px
const scale: ScaleMark = {
  ...{ what: 'board', upright: true, lengthMm: 100, behindMm: 0, behindUMm: 2, cameraMm: 2000, endUPx: 0.5, check: null },
  ends: [[1500, 300], [1500, 500]] // prettier-ignore
}
const coat = coatFor('highland', 'flower')
const plans = new Map(
  SEEN.map((seen) => [seen, plannedView({ body: bodyById('highland'), withersMm: 275, coat, lengths: coat.lengths }, seen)])
)
type Ring = readonly PhotoPoint[]
const pair = (ring: Ring) => [ring.map(([x, y]): [number, number] => [x, y])]
const largest = (shapes: ReturnType<typeof clip.union>): Ring =>
  shapes.map(([outer]) => outer!.slice(0, -1)).reduce((a, b) => (b.length > a.length ? b : a))
const box = (left: number, top: number, right: number, bottom: number): Ring => [[left, top], [right, top], [right, bottom], [left, bottom]] // prettier-ignore

/** The plan as it would be found in a picture, changed in its own mm, and what is asked about. */
function asked(
  seen: Seen,
  change: (outline: Ring) => Ring = (outline) => outline,
  { scaled = true, corrections = NO_CORRECTIONS }: { readonly scaled?: boolean; readonly corrections?: Corrections } = {}
) {
  const planned = plans.get(seen)!
  const drawnIn = frameOf(seen, SIZE, scale)
  const outline = change(planned.outline).map(([x, y]) => toPx(drawnIn, [x, y + (seen === 'head' ? 0 : 140)], planned.depths.edge.mm))
  const frame = scaled ? drawnIn : frameOf(seen, SIZE, null)
  return disagreementsOf(frame, outline, planned, proposePlaces(frame, outline, planned).laid, corrections)
}
const joined = (other: Ring) => (outline: Ring) => largest(clip.union(pair(outline), pair(other)))
const cut = (other: Ring) => (outline: Ring) => largest(clip.difference(pair(outline), pair(other)))
/** A window's corner over the back, 120 mm wide. */
const WINDOW = box(20, -360, 140, -200)
/** Both forelegs from the elbow down. */
const { frontPad, elbow } = plans.get('left')!.marks
const FORELEGS = box(frontPad![0] - 70, elbow![1] + 20, frontPad![0] + 70, 40)

describe('an outline beside its plan', () => {
  it.each(SEEN)('is asked about nowhere when it is the plan: %s', (seen) => {
    expect(asked(seen)).toEqual([])
    expect(asked(seen, (outline) => outline, { scaled: false })).toEqual([])
  })

  it('is asked about nowhere for what a trim may be off by: 12 mm too long all along the back', () => {
    expect(asked('left', (outline) => outline.map(([x, y]): PhotoPoint => (y < -200 && x > -60 ? [x, y - 12] : [x, y])))).toEqual([])
  })

  it('is asked about where a window was taken for dog, at that place and by its size', () => {
    const [most, ...rest] = asked('left', joined(WINDOW))
    expect(rest).toEqual([])
    expect(most).toMatchObject({ kind: 'more' })
    // its middle lies over the back, 80 mm from the frame's middle; the largest circle in it is about 60 mm wide to either side
    expect(Math.abs(most!.at[0] - (800 + 80 * 2))).toBeLessThan(40)
    expect(most!.radiusMm).toBeGreaterThan(40)
    expect(most!.radiusMm).toBeLessThan(75)
    expect(most!.radiusPx / most!.radiusMm).toBeGreaterThan(1.7)
    expect(most!.radiusPx / most!.radiusMm).toBeLessThan(2.3)
  })

  it('is asked about where the forelegs are missing, also without a scale and from the other side', () => {
    for (const seen of ['left', 'right'] as const)
      for (const scaled of [true, false])
        expect(asked(seen, cut(FORELEGS), { scaled })[0], `${seen} ${scaled}`).toMatchObject({ kind: 'less' })
  })

  it('is settled there by a hand that says which it is, and by no other', () => {
    const { at } = asked('left', joined(WINDOW))[0]!
    const painted = (of: 'dog' | 'backdrop'): Corrections => ({ ...NO_CORRECTIONS, strokes: [{ of, through: [at], radiusPx: 5 }] })
    expect(asked('left', joined(WINDOW), { corrections: painted('dog') })).toEqual([])
    expect(asked('left', joined(WINDOW), { corrections: painted('backdrop') })).toHaveLength(1)
    const lost = asked('left', cut(FORELEGS))[0]!.at
    const touched = { ...NO_CORRECTIONS, backdrop: [{ x: lost[0] - 12, y: lost[1] - 12, width: 24, height: 24 }] }
    expect(asked('left', cut(FORELEGS), { corrections: touched })).toHaveLength(asked('left', cut(FORELEGS)).length - 1)
    expect(
      asked('left', joined(WINDOW), { corrections: { ...touched, backdrop: [{ ...touched.backdrop[0]!, x: at[0], y: at[1] }] } })
    ).toHaveLength(1)
  })

  it('asks about three places at the most, the largest first', () => {
    const many = [WINDOW, box(-60, -400, 0, -220), box(100, -260, 260, -180), box(-260, -60, -140, 0)].reduce<(outline: Ring) => Ring>(
      (change, other) => (outline) => joined(other)(change(outline)),
      (outline) => outline
    )
    const places = asked('left', many)
    expect(places.length).toBeLessThanOrEqual(3)
    expect(places.map(({ radiusMm }) => radiusMm)).toEqual([...places.map(({ radiusMm }) => radiusMm)].sort((a, b) => b - a))
  })
})
