// A dog from the front, the rear and above: what its shapes come to by hand, and what is told of one that is put wrong.
import { bodyById, coatFor } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  drawMeasure,
  frameOf,
  keysIn,
  measurePhoto,
  measureSpec,
  measuresSeen,
  measuringPlaneMm,
  plannedTrace,
  plannedView,
  PLACES,
  proposePlaces,
  sayMeasured,
  toPx,
  traceOf,
  type MeasureId,
  type PhotoPlace,
  type PhotoPoint,
  type Reading,
  type ScaleMark,
  type Seen,
  type Trace
} from '..'
import { asSeen } from './seen'
import { largestRise, reachesAlong, reachTo, riseAtStations } from './shape'

type Around = 'front' | 'rear' | 'above'
const VIEWS: readonly Around[] = ['front', 'rear', 'above']
const SIZE = { widthPx: 1200, heightPx: 1600 }
const scale: ScaleMark = {
  ...{ what: 'ruler', upright: true, lengthMm: 100, behindMm: 0, behindUMm: 2, cameraMm: 2000, endUPx: 0.5, check: null },
  ends: [[1100, 300], [1100, 500]] // prettier-ignore
}
const coat = coatFor('spaniel', 'carded-sporting')
const dog = { body: bodyById('spaniel'), withersMm: 380, coat, lengths: coat.lengths }
const plans = new Map(VIEWS.map((seen) => [seen, plannedView(dog, seen)]))

const trace = (seen: Seen, places: Trace['places'], outline: readonly PhotoPoint[] = []): Trace => ({
  ...{ seen, hasScale: true, outline, places, lines: {}, yawDeg: 0, neckScale: 1 }
})
const valueOf = (id: MeasureId, of: Trace, side: 'left' | 'right' = 'left') => measureSpec(id).of(of, side)

/** The plan as a camera sees it, its places put where it has them, moved by `change`. */
function reading(seen: Around, change: (id: PhotoPlace, at: PhotoPoint) => PhotoPoint = (_, at) => at): Reading {
  const frame = frameOf(seen, SIZE, { ...scale, upright: seen !== 'above' })
  const planned = asSeen(plans.get(seen)!, frame)
  const shift = ([x, y]: PhotoPoint): PhotoPoint => (seen === 'above' ? [x - 60, y] : [x, y + 180])
  const depthOf = (id: PhotoPlace) => {
    const { depth } = PLACES[id]
    return depth === 'back' ? planned.depths.back!.mm : 0
  }
  const places = Object.entries(plannedTrace(planned, seen).places) as [PhotoPlace, PhotoPoint][]
  return {
    ...{ frame, depths: planned.depths, lines: {} },
    outline: planned.outline.map((point) => toPx(frame, shift(point))),
    edgeUPx: planned.outline.map(() => 0.4),
    places: Object.fromEntries(places.map(([id, at]) => [id, { at: toPx(frame, shift(change(id, at)), depthOf(id)), uPx: 0.8 }]))
  }
}
const idsOf = (seen: Around) =>
  measuresSeen(seen)
    .filter(({ lines }) => lines.length === 0)
    .map(({ id }) => id)

describe('shapes of a dog seen whole', () => {
  const arc = (rise: number): PhotoPoint[] => Array.from({ length: 41 }, (_, i): PhotoPoint => [i * 5, 4 * rise * (i / 40) * (1 - i / 40)])
  it('a rise over a chord is told at a quarter, the middle and three quarters, outward', () => {
    const found = riseAtStations(arc(12), [0, 0], [200, 0], [0, 1])
    // a parabola of 12 mm: 9, 12, 9
    expect(found[1]).toBeGreaterThan(11.5)
    expect(found[1]).toBeLessThanOrEqual(12)
    for (const end of [found[0]!, found[2]!]) expect(Math.abs(end - 9)).toBeLessThan(0.3)
    expect(riseAtStations(arc(12), [0, 0], [200, 0], [0, -1]).every((rise) => rise < 0)).toBe(true)
    expect(largestRise(arc(12), [0, 0], [200, 0], [0, -1])).toBe(0)
  })
  it('property: a rise does not depend on where the dog stands or how the picture is turned', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 40, noNaN: true }),
        fc.double({ min: -Math.PI, max: Math.PI, noNaN: true }),
        fc.double({ min: -300, max: 300, noNaN: true }),
        (rise, turn, by) => {
          const move = ([x, y]: PhotoPoint): PhotoPoint => [
            x * Math.cos(turn) - y * Math.sin(turn) + by,
            x * Math.sin(turn) + y * Math.cos(turn) - by
          ]
          const line = arc(rise).map(move)
          const out: PhotoPoint = [-Math.sin(turn), Math.cos(turn)]
          expect(Math.abs(largestRise(line, line[0]!, line[40]!, out) - rise)).toBeLessThan(1e-6 * (1 + rise))
        }
      )
    )
  })
  const box: PhotoPoint[] = [[0, -30], [200, -30], [200, 50], [0, 50]] // prettier-ignore
  it('both sides of a spine reach to the coat’s edge; a dog that faces left has its left below', () => {
    const found = reachesAlong(box, [
      [10, 0],
      [190, 0]
    ])
    expect(found.length).toBeGreaterThan(20)
    for (const { left, right } of found) expect([left, right]).toEqual([50, 30])
    expect(reachTo(box, [100, 0], [0, 1])).toBeCloseTo(50, 9)
    expect(reachTo(box, [300, 0], [0, 1])).toBeNull()
  })
})

describe('measures from the front, the rear and above, by hand', () => {
  const legs = (left: number, right: number, gap = 20): Trace['places'] => ({
    ...{
      foreLeftOut: [gap / 2 + left, -80],
      foreLeftIn: [gap / 2, -80],
      foreRightIn: [-gap / 2, -80],
      foreRightOut: [-gap / 2 - right, -80]
    }
  })
  it('a leg that is 8 mm wider carries 4 mm more coat on each of its sides', () => {
    expect(valueOf('forePair', trace('front', legs(68, 60)))).toBeCloseTo(4, 9)
    expect(valueOf('forePair', trace('front', legs(60, 66)))).toBeCloseTo(-3, 9)
  })
  it('legs that touch are not compared: nothing says where one ends', () => {
    expect(() => valueOf('forePair', trace('front', legs(68, 60, 0)))).toThrow(/stand the dog wider, or use the gauge/)
  })
  it('what stands higher is told by its sign; heights grow upward', () => {
    expect(valueOf('foreTops', trace('front', { foreLeftTop: [50, -156], foreRightTop: [-50, -150] }))).toBeCloseTo(6, 9)
    expect(valueOf('bandLevel', trace('rear', { bandLeft: [-10, -400], bandRight: [10, -403] }))).toBeCloseTo(-3, 9)
  })
  it('hocks that stand in have their feet out', () => {
    const at = (hock: number, foot: number): Trace['places'] => ({
      ...{ hockLeft: [-hock, -80], hindFootLeft: [-foot, -20], hockRight: [hock, -80], hindFootRight: [foot, -20] }
    })
    expect(valueOf('hocksParallel', trace('rear', at(50, 50)))).toBeCloseTo(0, 9)
    expect(valueOf('hocksParallel', trace('rear', at(45, 55)))).toBeCloseTo(2 * ((Math.atan2(10, 60) * 180) / Math.PI), 9)
    expect(valueOf('hocksParallel', trace('rear', at(55, 45)))).toBeLessThan(0)
  })
  const trunk: PhotoPoint[] = [[-20, -40], [300, -40], [300, 52], [-20, 52]] // prettier-ignore
  it('flanks are compared over the spine, wherever it lies', () => {
    const spine = (y: number): Trace['places'] => ({ spineWithers: [0, y], spineRib: [150, y], spineTail: [240, y] })
    expect(valueOf('flankPair', trace('above', spine(0), trunk))).toBeCloseTo(12, 9)
    expect(valueOf('flankPair', trace('above', spine(6), trunk))).toBeCloseTo(0, 9)
    expect(valueOf('waist', trace('above', spine(0), trunk))).toBeCloseTo(100, 9)
    expect(valueOf('ribSpring', trace('above', spine(0), trunk))).toBeCloseTo((100 * 92) / 240, 9)
    expect(valueOf('spineBend', trace('above', { ...spine(0), spineRib: [120, 9] }, trunk))).toBeCloseTo(9, 9)
  })
})

describe('a planned dog seen whole', () => {
  it.each(VIEWS)('has both its sides alike: %s', (seen) => {
    const planned = plannedTrace(plans.get(seen)!, seen)
    for (const id of idsOf(seen).filter((one) =>
      ['forePair', 'foreTops', 'hindPair', 'hindTops', 'breechPair', 'flankPair', 'spineBend'].includes(one)
    ))
      expect(Math.abs(valueOf(id, planned)), id).toBeLessThan(2)
  })
  it.each(VIEWS)('is measured with every place put: %s', (seen) => {
    const found = measurePhoto(reading(seen), idsOf(seen), 3, 120)
    expect(found.refused).toBeNull()
    expect(found.untold).toEqual([])
    expect(found.measures.length).toBe(idsOf(seen).flatMap((id) => keysIn(seen, id)).length)
    for (const { id, u } of found.measures) expect(u, id).toBeGreaterThan(0)
  })
  it.each(VIEWS)('is told in a sentence and drawn, each measure: %s', (seen) => {
    const own = reading(seen)
    const drawn = traceOf(own)
    for (const measure of measurePhoto(own, idsOf(seen), 3, 120).measures) {
      for (const isFine of [true, false])
        expect(sayMeasured({ ...measure, value: measure.value + 12 }, drawn, measure.value, isFine), measure.id).toMatch(
          /^(The|Seen) .*\.$/
        )
      expect(drawMeasure(measure, drawn, own).length, measure.id).toBeGreaterThan(0)
    }
  })
  it.each<[Around, RegExp, readonly [PhotoPlace, PhotoPlace]]>([
    ['front', /forelegs are swapped/, ['foreLeftOut', 'foreRightOut']],
    ['rear', /hind legs are swapped/, ['hindLeftOut', 'hindRightOut']],
    ['above', /head should be on the left/, ['spineWithers', 'spineTail']]
  ])('is refused with its sides swapped: %s', (seen, why, [one, other]) => {
    const planned = plannedTrace(asSeen(plans.get(seen)!, reading(seen).frame), seen).places
    const swapped = reading(seen, (id, at) => (id === one ? planned[other]! : id === other ? planned[one]! : at))
    expect(measurePhoto(swapped, idsOf(seen), 3, 60).refused).toMatch(why)
  })
  it.each(VIEWS)('has its places proposed on its outline, and never its middle: %s', (seen) => {
    const { frame, outline, places } = reading(seen)
    const proposed = proposePlaces(frame, outline, plans.get(seen)!).places
    for (const id of Object.keys(places) as PhotoPlace[]) {
      if (PLACES[id].middle) expect(proposed[id], id).toBeUndefined()
      else expect(Math.hypot(proposed[id]![0] - places[id]!.at[0], proposed[id]![1] - places[id]!.at[1]), id).toBeLessThan(8)
    }
  })
  it('is measured in the plane of the legs that face the camera, from above at its widest', () => {
    const plane = (seen: Seen) => measuringPlaneMm(dog.body, dog.withersMm, seen)
    expect(plane('left')).toBe(0)
    expect(Math.abs(plane('front'))).toBeLessThan(20)
    expect(plane('rear')).toBeGreaterThan(dog.withersMm / 2)
    expect(plane('above')).toBeLessThan(-dog.withersMm / 6)
  })
})
