// How a measured photograph is drawn and held against its plan.
import { bodyById, coatFor } from '@peen/content'
import { describe, expect, it } from 'vitest'
import {
  departuresFrom,
  drawMeasure,
  fitCircle,
  frameOf,
  laidRigid,
  plannedInPicture,
  plannedTrace,
  plannedView,
  proposePlaces,
  regionDepartures,
  toPx,
  traceOf,
  type MeasureId,
  type PhotoPoint,
  type Reading,
  type ScaleMark,
  type Seen
} from '..'

const SIZE = { widthPx: 1600, heightPx: 1200 }
const scale: ScaleMark = {
  what: 'board',
  upright: true,
  ends: [
    [1500, 300],
    [1500, 600]
  ],
  lengthMm: 100,
  behindMm: 0,
  behindUMm: 2,
  cameraMm: 2000,
  endUPx: 0.5,
  check: null
}
const coat = coatFor('highland', 'flower')
const viewOf = (seen: Seen) => plannedView({ body: bodyById('highland'), withersMm: 275, coat, lengths: coat.lengths }, seen)

/** The plan itself as it would be read off a picture, moved into its middle, with a change of its outline. */
function read(seen: Seen, change: (point: PhotoPoint) => PhotoPoint = (point) => point): Reading {
  const planned = viewOf(seen)
  const frame = frameOf(seen, SIZE, scale)
  const by: PhotoPoint = seen === 'head' ? [0, 0] : [-60, 140]
  const at = ([x, y]: PhotoPoint, depthMm: number): PhotoPoint => toPx(frame, [x + by[0], y + by[1]], depthMm)
  const depth = (id: string) => (id === 'nose' ? planned.depths.nose.mm : id === 'ankle' ? planned.depths.leg.mm : 0)
  return {
    frame,
    depths: planned.depths,
    outline: planned.outline.map(change).map((point) => at(point, planned.depths.edge.mm)),
    edgeUPx: planned.outline.map(() => 0.5),
    places: Object.fromEntries(
      Object.entries(plannedTrace(planned, seen).places).map(([id, point]) => [id, { at: at(point!, depth(id)), uPx: 1 }])
    ),
    lines: {}
  }
}
const laidOf = (reading: Reading, seen: Seen) =>
  laidRigid(reading, viewOf(seen), proposePlaces(reading.frame, reading.outline, viewOf(seen)).laid)

describe('a found coat against its plan', () => {
  it('lies on it where nothing departs, to a millimetre, from either side', () => {
    for (const seen of ['left', 'right'] as const) {
      const reading = read(seen)
      const back = regionDepartures(reading, viewOf(seen), laidOf(reading, seen)).find(({ region }) => region === 'back')!
      expect(Math.abs(back.byMm), seen).toBeLessThan(1)
      expect(back.overSkinMm).toBeGreaterThan(0)
    }
  })
  it('tells a skirt that hangs 12 mm lower as too long, and the back as planned', () => {
    const reading = read('left', ([x, y]) => (x > 30 && x < 110 && y > -130 && y < -60 ? [x, y + 12] : [x, y]))
    const regions = regionDepartures(reading, viewOf('left'), laidOf(reading, 'left'))
    expect(regions.find(({ region }) => region === 'skirt')!.byMm).toBeGreaterThan(4)
    expect(Math.abs(regions.find(({ region }) => region === 'back')!.byMm)).toBeLessThan(1.5)
    const places = departuresFrom(reading, viewOf('left'), laidOf(reading, 'left'))
    expect(Math.max(...places.filter(({ region }) => region === 'skirt').map(({ byMm }) => byMm))).toBeGreaterThan(8)
  })
  it('is not told without a scale, though the plan is still laid over it', () => {
    const reading = { ...read('left'), frame: frameOf('left', SIZE, null) }
    const laid = laidOf(reading, 'left')
    expect(regionDepartures(reading, viewOf('left'), laid)).toEqual([])
    expect(departuresFrom(reading, viewOf('left'), laid)).toEqual([])
    const drawn = plannedInPicture(reading, viewOf('left'), laid)
    expect(Math.abs(Math.min(...drawn.map(([x]) => x)) - Math.min(...reading.outline.map(([x]) => x)))).toBeLessThan(25)
  })
})

describe('a measure on its photograph', () => {
  const drawn = (seen: Seen, id: MeasureId) => drawMeasure({ id, side: 'whole' }, traceOf(read(seen)), read(seen))
  it('shows a head’s circle round its outline, with both lines it is read by', () => {
    const shapes = drawn('head', 'headCircle')
    const circle = shapes.find((shape) => shape.kind === 'circle')!
    const cheeks = read('head').outline.filter(([x, y]) => Math.abs(y - 600) < 60 && Math.abs(x - 800) > 100)
    const { radius } = fitCircle([
      ...cheeks,
      [circle.kind === 'circle' ? circle.centre[0] : 0, circle.kind === 'circle' ? circle.centre[1] - circle.radius : 0]
    ])
    expect(circle.kind === 'circle' && Math.abs(circle.radius / radius - 1)).toBeLessThan(0.12)
    expect(shapes.filter((shape) => shape.kind === 'line' && shape.role === 'fit')).toHaveLength(2)
    expect(shapes.some((shape) => shape.kind === 'line' && shape.role === 'off')).toBe(true)
  })
  it('lays the head on its other side', () => {
    const mirror = drawn('head', 'headPair').find((shape) => shape.kind === 'line' && shape.role === 'mirror')
    const xs = mirror?.kind === 'line' ? mirror.points.map(([x]) => x) : []
    // a planned head is the same on both sides: its mirror picture spans what it spans
    expect(Math.min(...xs)).toBeCloseTo(Math.min(...read('head').outline.map(([x]) => x)), -1)
  })
  it('shows a prouder cheek where it stands out, by as much as it does', () => {
    // the dog's right is at the left of the picture
    const proud = read('head', ([x, y]) => (x < 0 && y > 0 && y < 60 ? [x - 8, y] : [x, y]))
    const off = drawMeasure({ id: 'headPair', side: 'whole' }, traceOf(proud), proud).find(
      (one) => one.kind === 'line' && one.role === 'off'
    )
    const [inner, outer] = off?.kind === 'line' ? off.points : []
    expect(outer![0]).toBeLessThan(inner![0])
    // 100 mm are 300 px at the scale; the edge lies a little nearer to the camera or farther
    expect((inner![0] - outer![0]) / 3).toBeGreaterThan(3)
    expect((inner![0] - outer![0]) / 3).toBeLessThan(10)
  })
  it.each<[MeasureId, readonly string[]]>([
    ['topline', ['fit', 'taken', 'off']],
    ['skirtLine', ['taken', 'fit']],
    ['skirtLevel', ['taken', 'fit']],
    ['neckToMuzzle', ['taken', 'taken']],
    ['ruffDepth', ['taken']]
  ])('%s shows what it is taken from and held against', (id, roles) => {
    expect(drawn('left', id).map(({ role }) => role)).toEqual(roles)
  })
  it('shows the top of a head over the line of its eyes', () => {
    const off = drawn('head', 'headTop').find((shape) => shape.kind === 'line' && shape.role === 'off')
    const ys = off?.kind === 'line' ? off.points.map(([, y]) => y) : []
    expect(ys[0] - ys[1]).toBeGreaterThan(100)
  })
})
