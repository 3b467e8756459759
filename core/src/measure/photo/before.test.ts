// A dog as it came in beside the same dog as it left.
import { bodyById, coatFor } from '@peen/content'
import { describe, expect, it } from 'vitest'
import {
  cutOff,
  frameOf,
  grownLike,
  grownView,
  hausdorff,
  laidRigid,
  otherOver,
  plannedView,
  proposePlaces,
  regionDepartures,
  sidesCompared,
  toPx,
  type PhotoPoint,
  type PlannedDog,
  type PlannedView,
  type Reading,
  type RegionDeparture,
  type ScaleMark,
  type Seen
} from '..'

const SIZE = { widthPx: 1600, heightPx: 1200 }
const coat = coatFor('highland', 'flower')
const DOG: PlannedDog = { body: bodyById('highland'), withersMm: 275, coat, lengths: coat.lengths }
const PLANS = { left: plannedView(DOG, 'left'), right: plannedView(DOG, 'right'), head: plannedView(DOG, 'head') }
const scale = (px: number): ScaleMark => ({
  ...{ what: 'ruler', upright: true, lengthMm: 100, behindMm: 0, behindUMm: 2, cameraMm: 2000, endUPx: 0.5, check: null },
  ends: [[1500, 300], [1500, 300 + px]] // prettier-ignore
})
/** A dog of this shape as a camera of this scale sees it. */
function read(view: PlannedView, seen: Seen, px: number, by: PhotoPoint = [0, 130]): Reading {
  const frame = frameOf(seen, SIZE, scale(px))
  const outline = view.outline.map(([x, y]) => toPx(frame, [x + by[0], y + by[1]], view.depths.edge.mm))
  return { ...{ frame, outline, depths: view.depths, places: {}, lines: {} }, edgeUPx: outline.map(() => 0.4) }
}
const regionsOf = (reading: Reading, plan: PlannedView) =>
  regionDepartures(reading, plan, laidRigid(reading, plan, proposePlaces(reading.frame, reading.outline, plan).laid))
const grown = (seen: Seen) => (byMm: number) => grownView(DOG, seen, byMm)

describe('a dog before its trim', () => {
  it.each([
    ['left', 150, 10],
    ['right', 170, 30],
    ['head', 320, 20]
  ] as const)('%s, at %i px per 100 mm: its coat is known to have grown %i mm', (seen, px, mm) => {
    const own = grownView(DOG, seen, mm)
    expect(grownLike(read(own, seen, px, seen === 'head' ? [0, 0] : undefined), grown(seen)).byMm).toBe(mm)
  })

  it('tells what came off, however each picture was taken: within its u of the drawn coats', () => {
    const before = grownView(DOG, 'left', 26)
    const [was, is] = [read(before, 'left', 150, [20, 140]), read(PLANS.left, 'left', 190, [-30, 150])]
    const { plan } = grownLike(was, grown('left'))
    const found = cutOff(regionsOf(was, plan), regionsOf(is, PLANS.left), 'left')
    // the drawn dogs themselves, each held against its own plan from one and the same camera
    const truth = cutOff(regionsOf(read(before, 'left', 150), before), regionsOf(read(PLANS.left, 'left', 150), PLANS.left), 'left')
    const known = found.filter(({ region }) => truth.some((one) => one.region === region))
    expect(known.length).toBeGreaterThan(6)
    for (const { region, mm, u } of known) {
      const own = truth.find((one) => one.region === region)!
      expect(Math.abs(mm - own.mm), region).toBeLessThan(2 * u)
    }
    // what hangs shows its length, what lies flat does not
    const of = (region: string) => found.find((one) => one.region === region)!.mm
    expect(of('skirt')).toBeGreaterThan(12)
    expect(of('back')).toBeLessThan(of('skirt'))
  })

  it('nothing came off between two pictures of one coat', () => {
    const [one, two] = [read(PLANS.left, 'left', 150), read(PLANS.left, 'left', 180, [10, 140])]
    for (const { region, mm, u } of cutOff(regionsOf(one, PLANS.left), regionsOf(two, PLANS.left), 'left'))
      expect(Math.abs(mm), region).toBeLessThan(u)
  })

  it('lies over the finished one on the same body: feet and back where they are, its coat outside', () => {
    const before = grownView(DOG, 'left', 20)
    const [was, is] = [read(before, 'left', 150, [30, 140]), read(PLANS.left, 'left', 190)]
    const over = otherOver(is, was, PLANS.left, before)
    const asSeen = read(before, 'left', 190).outline
    expect(hausdorff(over, asSeen) / is.frame.pxPerMm).toBeLessThan(3)
  })

  it('is as planned without a scale: how large it is cannot be told', () => {
    const own = read(grownView(DOG, 'left', 40), 'left', 150)
    expect(grownLike({ ...own, frame: frameOf('left', SIZE, null) }, grown('left')).byMm).toBe(0)
  })

  it('a coat that lies inside the drawn skin is compared like any other', () => {
    const at = (region: RegionDeparture['region'], overSkinMm: number): RegionDeparture => ({ region, byMm: 0, overSkinMm, uMm: 2, n: 30 })
    expect(cutOff([at('skirt', 6)], [at('skirt', -2)], 'left')[0]).toMatchObject({ region: 'skirt', mm: 8 })
    expect(sidesCompared([at('skirt', -2)], [at('skirt', 1)])).toHaveLength(1)
  })

  it('the more came off, the less surely it is told; least of a profile’s head, which is held otherwise each time', () => {
    const at = (region: RegionDeparture['region'], overSkinMm = 20): RegionDeparture => ({ region, byMm: 0, overSkinMm, uMm: 2, n: 30 })
    const u = (region: RegionDeparture['region'], seen: Seen, mm = 30) => cutOff([at(region, 20 + mm)], [at(region)], seen)[0]!.u
    expect(u('skull', 'left')).toBeGreaterThan(u('back', 'left'))
    expect(u('skull', 'head')).toBeLessThan(u('back', 'left'))
    expect(u('back', 'left')).toBeGreaterThan(u('back', 'left', 10))
    expect(u('back', 'left', 0)).toBeCloseTo(Math.hypot(2, 2), 9)
  })
})
