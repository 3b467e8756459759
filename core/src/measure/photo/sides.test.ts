// Both profiles of one dog over each other.
import { bodyById, coatFor } from '@peen/content'
import { describe, expect, it } from 'vitest'
import {
  frameOf,
  hausdorff,
  otherOver,
  plannedView,
  regionDepartures,
  laidRigid,
  proposePlaces,
  sidesCompared,
  toPx,
  type PhotoPoint,
  type Reading,
  type RegionDeparture,
  type ScaleMark
} from '..'

const SIZE = { widthPx: 1600, heightPx: 1200 }
const scale = (x: number, px: number): ScaleMark => ({
  ...{ what: 'ruler', upright: true, lengthMm: 100, behindMm: 0, behindUMm: 2, cameraMm: 2000, endUPx: 0.5, check: null },
  ends: [[x, 300], [x, 300 + px]] // prettier-ignore
})
const coat = coatFor('highland', 'flower')
const plan = plannedView({ body: bodyById('highland'), withersMm: 275, coat, lengths: coat.lengths }, 'left')

function read(seen: 'left' | 'right', px: number, by: PhotoPoint, change: (point: PhotoPoint) => PhotoPoint = (point) => point): Reading {
  const frame = frameOf(seen, SIZE, scale(1500, px))
  return {
    ...{ frame, depths: plan.depths, places: {}, lines: {} },
    outline: plan.outline.map((point) => {
      const [x, y] = change(point)
      return toPx(frame, [x + by[0], y + by[1]], plan.depths.edge.mm)
    }),
    edgeUPx: plan.outline.map(() => 0.4)
  }
}
/** What hangs under the belly, 10 mm longer. */
const longer = ([x, y]: PhotoPoint): PhotoPoint => (y > -130 && y < -60 && x > -20 && x < 110 ? [x, y + 10] : [x, y])
const regionsOf = (reading: Reading) =>
  regionDepartures(reading, plan, laidRigid(reading, plan, proposePlaces(reading.frame, reading.outline, plan).laid))

describe('both profiles of one dog', () => {
  it('lie on each other where they are the same, however each was taken: within 3 mm', () => {
    const [left, right] = [read('left', 200, [-60, 140]), read('right', 160, [30, 120])]
    const over = otherOver(left, right, plan)
    expect(hausdorff(over, left.outline) / left.frame.pxPerMm).toBeLessThan(3)
    expect(hausdorff(otherOver(right, left, plan), right.outline) / right.frame.pxPerMm).toBeLessThan(3)
  })
  it('tell which skirt is longer, and by how much', () => {
    const [left, right] = [regionsOf(read('left', 200, [-60, 140], longer)), regionsOf(read('right', 160, [30, 120]))]
    const skirt = sidesCompared(left, right).find(({ region }) => region === 'skirt')!
    expect(skirt.byMm).toBeGreaterThan(5)
    expect(skirt.byMm).toBeLessThan(12)
    expect(sidesCompared(right, left).find(({ region }) => region === 'skirt')!.byMm).toBeCloseTo(-skirt.byMm, 9)
  })
  it('what both sides share, or one profile alone shows, is not compared', () => {
    const one = (region: RegionDeparture['region']): RegionDeparture => ({ region, byMm: 4, overSkinMm: 9, uMm: 3, n: 20 })
    expect(sidesCompared([one('back'), one('skirt')], [one('back')])).toEqual([])
    expect(sidesCompared([one('foreleg')], [{ ...one('foreleg'), byMm: 1, uMm: 4 }])).toEqual([{ region: 'foreleg', byMm: 3, u: 5 }])
  })
})
