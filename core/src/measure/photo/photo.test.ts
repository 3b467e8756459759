// A reading of a photograph, made up in millimetres and projected: what is measured of it, what is refused, what is said.
import { bodyById, coatFor } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  coatDepth,
  frameOf,
  keysIn,
  MEASURE_IDS,
  measurePhoto,
  measureSpec,
  measuresSeen,
  plannedTrace,
  plannedView,
  proposePlaces,
  sayMeasured,
  SEEN,
  skinOffset,
  toMm,
  toPx,
  traceOf,
  viewOf,
  yawFrom,
  type Frame,
  type MeasureId,
  type PhotoPoint,
  type Reading,
  type ScaleMark,
  type Seen,
  type SkinReading
} from '..'

const SIZE = { widthPx: 1600, heightPx: 1200 }
const ruler = (lengthMm: number, px: number, lean = 0): ScaleMark => ({
  what: 'ruler',
  upright: true,
  ends: [
    [1400 + Math.sin(lean) * px, 400],
    [1400, 400 + Math.cos(lean) * px]
  ],
  lengthMm,
  behindMm: 0,
  behindUMm: 2,
  cameraMm: 2000,
  endUPx: 0.5,
  check: null
})

const flower = coatFor('highland', 'flower')
const dog = { body: bodyById('highland'), withersMm: 275, coat: flower, lengths: flower.lengths }

/** The planned dog as a reading, with a change of its outline in mm. */
function readingOf(
  seen: Seen,
  change: (point: PhotoPoint) => PhotoPoint = (point) => point,
  scale: ScaleMark | null = ruler(100, seen === 'head' ? 400 : 150)
): Reading {
  const planned = plannedView(dog, seen)
  const frame: Frame = scale ? frameOf(seen, SIZE, scale) : { ...frameOf(seen, SIZE, null), pxPerMm: 3 }
  const shift: PhotoPoint = seen === 'head' ? [0, 0] : [-60, 140]
  const flip = 1
  const at = (point: PhotoPoint, depthMm: number): PhotoPoint => toPx(frame, [flip * (point[0] + shift[0]), point[1] + shift[1]], depthMm)
  const { places } = plannedTrace(planned, seen)
  return {
    frame: scale ? frame : frameOf(seen, SIZE, null),
    depths: planned.depths,
    outline: planned.outline.map(change).map((point) => at(point, planned.depths.edge.mm)),
    edgeUPx: planned.outline.map(() => 0.4),
    places: Object.fromEntries(
      Object.entries(places).map(([id, point]) => [
        id,
        { at: at(point as PhotoPoint, id === 'nose' ? planned.depths.nose.mm : id === 'ankle' ? planned.depths.leg.mm : 0), uPx: 1.2 }
      ])
    ),
    lines: {}
  }
}
const told = (reading: Reading, id: MeasureId) => measurePhoto(reading, [id], 3, 200).measures[0]

describe('a frame', () => {
  it('goes to millimetres and back, whichever way the dog faces and the picture leans', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<Seen>(...SEEN),
        fc.integer({ min: 0, max: 1600 }),
        fc.integer({ min: 0, max: 1200 }),
        fc.double({ min: -0.1, max: 0.1, noNaN: true }),
        fc.integer({ min: -60, max: 60 }),
        (seen, x, y, lean, depth) => {
          const frame = frameOf(seen, SIZE, ruler(100, 400, lean))
          const [u, v] = toPx(frame, toMm(frame, [x, y], depth), depth)
          expect(u).toBeCloseTo(x, 6)
          expect(v).toBeCloseTo(y, 6)
        }
      )
    )
  })
  it('makes plumb of an upright ruler', () => {
    const scale = ruler(100, 400, 0.05)
    const frame = frameOf('left', SIZE, scale)
    const [a, b] = scale.ends.map((end) => toMm(frame, end))
    expect(a[0]).toBeCloseTo(b[0], 6)
    expect(b[1] - a[1]).toBeCloseTo(100, 6)
  })
  it('sees what stands nearer as larger, by the ratio of distances', () => {
    const frame = frameOf('left', SIZE, ruler(100, 400))
    // Ref: pinhole camera, similar triangles: at 1900 of 2000 mm the same px are 95 %
    expect(toMm(frame, [1200, 600], 100)[0] / toMm(frame, [1200, 600], 0)[0]).toBeCloseTo(0.95, 9)
  })
})

describe('the head from the front', () => {
  it('is the same on both sides as planned, and tells a longer right cheek by its side, size and hour', () => {
    expect(Math.abs(told(readingOf('head'), 'headPair').value)).toBeLessThan(0.3)
    // the dog's right is at the left of the picture
    const proud = readingOf('head', ([x, y]) => (x < -50 && y > -20 && y < 60 ? [x - 6, y] : [x, y]))
    const pair = told(proud, 'headPair')
    expect(pair.value).toBeLessThan(-4)
    expect(pair.u).toBeLessThan(2)
    expect(sayMeasured(pair, traceOf(proud), 0)).toMatch(/^Right cheek sticks out [567] mm more than the left, at (8|9) o’clock: take off/)
    // what needs no mending is not told to be cut
    expect(sayMeasured({ ...pair, value: -2 }, traceOf(proud), 0, true)).toBe('The cheeks are alike to within 2 mm.')
  })
  it('that is turned is refused with its degrees and its way', () => {
    const reading = readingOf('head')
    const { frame, depths } = reading
    const aside = depths.nose.mm * Math.sin((5 * Math.PI) / 180) * frame.pxPerMm
    const nose = reading.places.nose!
    const turned = { ...reading, places: { ...reading.places, nose: { ...nose, at: [nose.at[0] + aside, nose.at[1]] as PhotoPoint } } }
    const { refused, measures, yaw } = measurePhoto(turned, ['headPair'], 3, 200)
    expect(measures).toEqual([])
    expect(yaw!.deg).toBeGreaterThan(4)
    expect(refused).toMatch(/^The head is turned [45]\.\d degrees to its own left; up to 3 degrees can be measured\. Take another picture/)
  })
  it('knows yaw from nose against eyes', () => {
    // by hand: 5 mm aside of a nose 50 mm before the eyes
    expect(yawFrom({ eyeLeft: [15, 0], eyeRight: [-15, 0], nose: [5, 20] }, 50)).toBeCloseTo((Math.asin(0.1) * 180) / Math.PI, 9)
  })
  it('with exchanged eyes, or on its head, is said to be so', () => {
    const reading = readingOf('head')
    const { eyeLeft, eyeRight, nose } = reading.places
    expect(
      measurePhoto({ ...reading, places: { ...reading.places, eyeLeft: eyeRight, eyeRight: eyeLeft } }, ['headPair'], 3, 200).refused
    ).toMatch(/^The eyes are swapped/)
    expect(
      measurePhoto({ ...reading, places: { ...reading.places, nose: { ...nose!, at: [nose!.at[0], 100] } } }, ['headPair'], 3, 200).refused
    ).toMatch(/^The nose is above the eyes/)
  })
})

describe('a profile', () => {
  it('tells a dip with its depth and place, and a skirt that slopes against its plan', () => {
    const plain = readingOf('left')
    const { withers, tailSet } = plannedTrace(plannedView(dog, 'left'), 'left').places
    const mid = (withers![0] + tailSet![0]) / 2
    const dipped = readingOf('left', ([x, y]) =>
      Math.abs(x - mid) < 25 && y < -200 ? [x, y + 9 * Math.cos(((x - mid) / 25) * (Math.PI / 2))] : [x, y]
    )
    const measure = told(dipped, 'topline')
    expect(measure.value).toBeGreaterThan(7)
    expect(measure.value).toBeLessThan(11)
    expect(sayMeasured(measure, traceOf(dipped), null)).toMatch(/^The back dips ([789]|10) mm, in the middle: leave it there/)
    // what has no sentence of its own says what the trim allows, unless it is fine
    const ruff = { ...measure, id: 'ruffDepth', value: 27.7 } as const
    expect(sayMeasured(ruff, traceOf(plain), null, false, '12.7 to 25.4')).toBe('Ruff behind the skull: 28 mm, not 12.7 to 25.4.')
    expect(sayMeasured(ruff, traceOf(plain), null, true, '12.7 to 25.4')).toBe('Ruff behind the skull: 28 mm.')
    const slope = told(plain, 'skirtSlope')
    expect(sayMeasured(slope, traceOf(plain), slope.value)).toBe('The skirt slopes as planned.')
    expect(sayMeasured({ ...slope, value: slope.value + 8 }, traceOf(plain), slope.value)).toMatch(
      /^The skirt slopes: it .* Take the rear end back\.$/
    )
  })
  it('that faces the other way is no profile of that side', () => {
    const reading = readingOf('left')
    const { withers, tailSet } = reading.places
    expect(
      measurePhoto({ ...reading, places: { ...reading.places, withers: tailSet, tailSet: withers } }, ['topline'], 3, 200).refused
    ).toMatch(/^This dog faces right/)
  })
  it('whose outline crosses itself is refused', () => {
    const reading = readingOf('left')
    const [a, b] = [reading.outline[10], reading.outline[60]]
    const outline = reading.outline.map((point, i) => (i === 10 ? b : i === 60 ? a : point))
    expect(measurePhoto({ ...reading, outline }, ['topline'], 3, 200).refused).toMatch(/^The outline crosses itself/)
  })
  it('says what is still missing, in the words of the page', () => {
    const { untold } = measurePhoto({ ...readingOf('left'), places: {} }, ['topline', 'footLine'], 3, 200)
    expect(untold.map(({ why }) => why)).toEqual([
      'Place first: Withers.',
      'Draw first: Foot line of the near fore foot (5 points or more, 0 so far).'
    ])
  })
  it('without a scale tells ratios and angles alone, and says so of lengths', () => {
    const reading = readingOf('left', undefined, null)
    const { measures, untold } = measurePhoto(reading, ['topline', 'skirtSlope', 'neckToMuzzle'], 3, 200)
    expect(measures.map(({ id }) => id).sort()).toEqual(['neckToMuzzle', 'skirtSlope'])
    expect(untold).toMatchObject([
      { id: 'topline', why: 'There is no scale in the picture, so only ratios, angles and shapes can be measured.' }
    ])
  })
  it('that is something else is not proposed upon', () => {
    const reading = readingOf('left')
    const square: PhotoPoint[] = [
      [100, 100],
      [1500, 100],
      [1500, 160],
      [100, 160]
    ]
    expect(() => proposePlaces(reading.frame, square, plannedView(dog, 'left'))).toThrow(
      /outline is a shape that covers \d+ % with the planned dog/
    )
  })
})

describe('every measure', () => {
  it('is in the catalogue once, belongs to one view, and has a key there and none elsewhere', () => {
    for (const id of MEASURE_IDS) {
      const spec = measureSpec(id)
      expect(spec.id).toBe(id)
      const own: Seen = spec.view === 'profile' ? 'right' : spec.view
      expect(keysIn(own, id).length).toBe(spec.sides === 'both' ? 2 : 1)
      for (const other of SEEN.filter((seen) => viewOf(seen) !== spec.view)) expect(keysIn(other, id)).toEqual([])
      if (spec.sides === 'near') expect(keysIn('right', id)[0].side).toBe('right')
    }
    const views = SEEN.filter((seen) => seen !== 'right')
    expect(views.reduce((sum, seen) => sum + measuresSeen(seen).length, 0)).toBe(MEASURE_IDS.length)
  })
  it('repeats itself for a seed, and its interval holds its value', () => {
    const reading = readingOf('left')
    const ids = measuresSeen('left')
      .filter(({ lines }) => lines.length === 0)
      .map(({ id }) => id)
    const [one, again] = [measurePhoto(reading, ids, 9, 150), measurePhoto(reading, ids, 9, 150)]
    expect(again).toEqual(one)
    expect(one.measures.length).toBeGreaterThan(10)
    for (const { id, u, unit } of one.measures) if (unit !== 'turns') expect(u, id).toBeGreaterThan(0)
  })
})

describe('a coat’s length from its outline', () => {
  const reading = (overSkinMm: number, gaugeMm: number): SkinReading => ({
    region: 'back',
    seen: 'left',
    overSkinMm,
    overSkinU: 2,
    gaugeMm,
    gaugeU: 0.5
  })
  const found = { region: 'back' as const, byMm: 0, overSkinMm: 18, uMm: 2, n: 80 }
  it('is known only where this dog was gauged, on that side', () => {
    expect(coatDepth(found, [], 'left')).toBeNull()
    expect(coatDepth(found, [reading(15, 12)], 'right')).toBeNull()
    expect(coatDepth({ ...found, region: 'ribs' }, [{ ...reading(15, 12), region: 'ribs' }], 'left')).toBeNull()
    // by hand: the skin lies 3 mm off the drawn one
    expect(coatDepth(found, [reading(15, 12)], 'left')!.mm).toBeCloseTo(15, 9)
  })
  it('is surer after more visits, and less sure the farther it lies from what was gauged', () => {
    const [once, thrice] = [[reading(15, 12)], [reading(15, 12), reading(15.4, 12), reading(14.8, 12)]]
    expect(skinOffset(thrice, 'back', 'left')!.uMm).toBeLessThan(skinOffset(once, 'back', 'left')!.uMm)
    expect(coatDepth({ ...found, overSkinMm: 40 }, once, 'left')!.uMm).toBeGreaterThan(
      coatDepth({ ...found, overSkinMm: 16 }, once, 'left')!.uMm
    )
  })
})
