import { bodyById, colouringOf, standards } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { OUTLINE_ORDER, skeletonOf } from './body'
import { coatTable, columnSkinMm, dressCoat, standing, standShare } from './coat'
import { DRAWN_REGIONS, LIE_DEG } from './coat-map'
import { normalsOf, sampleCurve, tubeAround } from './curve'
import { segments, squaredDistance } from './distance'
import { extentOf } from './figure'
import { newRaster, paintCurve, toBytes } from './raster'
import { fillMask, inflate } from './relief'
import { keptShare } from './roots'
import { scanPolygon } from './scan'
import { buildSkin } from './skin'
import { paintBlot, paintPolygon, paintShadow } from './soft'
import { along, clamp, signedArea2, smoothstep, type Point } from './vec'

const body = bodyById('bearded')
const plan = standards[0].plan.lengthsMm
const square: Point[] = [
  [0, 0],
  [0, 10],
  [10, 10],
  [10, 0]
]

describe('small arithmetic', () => {
  // Ref: hand calculation
  it('holds at its ends', () => {
    expect([smoothstep(0, 1, -1), smoothstep(0, 1, 0.5), smoothstep(0, 1, 2)]).toEqual([0, 0.5, 1])
    expect([clamp(-1), clamp(0.3), clamp(4)]).toEqual([0, 0.3, 1])
    expect([
      along(
        [
          [0, 1],
          [10, 3]
        ],
        -5
      ),
      along(
        [
          [0, 1],
          [10, 3]
        ],
        5
      ),
      along(
        [
          [0, 1],
          [10, 3]
        ],
        50
      )
    ]).toEqual([1, 2, 3])
  })

  it('signs an area by the way the ring runs', () => {
    expect(signedArea2(square)).toBe(-200)
    expect(signedArea2([...square].reverse())).toBe(200)
  })

  it('measures the distance to a line', () => {
    const line = segments([
      [0, 0],
      [10, 0],
      [10, 10]
    ])
    expect(squaredDistance(5, 3, line)).toBe(9)
    expect(squaredDistance(13, 14, line)).toBe(25)
    expect(squaredDistance(4, 4, segments([[1, 0]]))).toBe(25)
  })
})

describe('the curve', () => {
  it('passes through every control point and closes', () => {
    const { points, marks } = sampleCurve(square, () => false, 1)
    square.forEach((p, i) => {
      expect(points[marks[i]][0]).toBeCloseTo(p[0], 9)
      expect(points[marks[i]][1]).toBeCloseTo(p[1], 9)
    })
  })

  it('is a straight line where its points are', () => {
    const { points } = sampleCurve(
      [
        [0, 0],
        [5, 5],
        [10, 10],
        [20, 20]
      ],
      () => false,
      0.5,
      false
    )
    for (const [x, y] of points) expect(x).toBeCloseTo(y, 9)
  })

  it('has outward normals of length one on a clockwise ring', () => {
    const { points } = sampleCurve(square, () => true, 1)
    normalsOf(points).forEach(([nx, ny], i) => {
      expect(Math.hypot(nx, ny)).toBeCloseTo(1, 9)
      expect((points[i][0] - 5) * nx + (points[i][1] - 5) * ny).toBeGreaterThan(0)
    })
  })

  it('makes a tail as wide as asked in its middle', () => {
    const { ring, axis } = tubeAround(
      [
        [0, 0],
        [0, 50],
        [0, 100]
      ],
      [10, 8, 4],
      1
    )
    const at40 = ring.filter(([, y]) => Math.abs(y - 40) < 0.8).map(([x]) => x)
    expect(Math.max(...at40) - Math.min(...at40)).toBeCloseTo(8, 0)
    expect(axis.length).toBeGreaterThan(50)
  })
})

describe('the skeleton', () => {
  it('is a dog: elbow under the withers, hock behind the buttock, tail on the croup, feet on the ground', () => {
    const { marks: m } = skeletonOf(body, 340)
    expect(m.withers).toEqual([0, 340])
    expect(Math.abs(m.elbow[0])).toBeLessThan(0.06 * 340)
    expect(m.hockPoint[0]).toBeGreaterThan(m.buttock[0])
    expect(m.rearPad[1]).toBe(0)
    expect(m.frontPad[1]).toBe(0)
    expect(m.tailSet[1]).toBeGreaterThan(m.buttock[1])
    expect(m.noseTip[0]).toBeLessThan(m.prosternum[0])
  })

  it('scales with the withers in every landmark', () => {
    fc.assert(
      fc.property(fc.double({ min: 200, max: 800, noNaN: true }), (height) => {
        const [small, large] = [skeletonOf(body, 100).marks, skeletonOf(body, height).marks]
        for (const name of OUTLINE_ORDER) for (const c of [0, 1]) expect(large[name][c]).toBeCloseTo((small[name][c] * height) / 100, 6)
      })
    )
  })

  it('fits its extent', () => {
    const [left, bottom, right, top] = extentOf(body, 340)
    for (const [x, y] of Object.values(skeletonOf(body, 340).marks)) {
      expect(x).toBeGreaterThan(left)
      expect(x).toBeLessThan(right)
      expect(y).toBeGreaterThanOrEqual(bottom)
      expect(y).toBeLessThan(top)
    }
  })
})

describe('the skin', () => {
  const skin = buildSkin(body, 340)

  it('has eight layers in paint order, the far legs as twins of the near ones', () => {
    expect(skin.layers.map((layer) => layer.name)).toEqual(['farHind', 'farFore', 'tail', 'body', 'hind', 'fore', 'head', 'ear'])
    expect(skin.layers.filter((layer) => layer.twin).map((layer) => layer.twin)).toEqual(['hind', 'fore'])
  })

  it('has an outline that does not cross itself', () => {
    const { outline } = skin
    const crosses = (a: Point, b: Point, c: Point, d: Point) => {
      const turn = (p: Point, q: Point, r: Point) => (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0])
      return turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0
    }
    let checked = 0
    for (let i = 0; i < outline.length; i += 2) {
      for (let j = i + 4; j < outline.length - 2; j += 2) {
        expect(crosses(outline[i], outline[i + 2] ?? outline[0], outline[j], outline[j + 2] ?? outline[0])).toBe(false)
        checked++
      }
    }
    expect(checked).toBeGreaterThan(10000)
  })

  it('gives every place weights that sum to one', () => {
    for (const layer of skin.layers) {
      for (let k = 0; k < layer.samples; k++) {
        if (layer.inner[k]) continue
        const sum = layer.weights[4 * k] + layer.weights[4 * k + 1] + layer.weights[4 * k + 2] + layer.weights[4 * k + 3]
        expect(sum).toBeCloseTo(1, 5)
      }
    }
  })
})

describe('the coat', () => {
  const skin = buildSkin(body, 340)

  // Ref: hand calculation: level skin, hair flowing at a right angle to the normal, stands L cos(lie)
  it('stands by the cosine of its lie on level skin', () => {
    expect(standShare((60 * Math.PI) / 180, 0, 1, 1, 0)).toBeCloseTo(0.5, 12)
    expect(standShare(0, 0, 1, 1, 0)).toBe(1)
    expect(standing(coatTable({ foreleg: 35 }), 'foreleg')).toBeCloseTo(35 * Math.cos((52 * Math.PI) / 180), 4)
  })

  it('knows a lie for every region, between upright and flat', () => {
    for (const region of DRAWN_REGIONS) {
      expect(LIE_DEG[region], region).toBeGreaterThan(0)
      expect(LIE_DEG[region], region).toBeLessThan(90)
    }
  })

  // Ref: our figure kit measured 33 mm from the leg's axis at 35 mm of hair
  it('makes a column of skin and standing hair', () => {
    expect(columnSkinMm(skin) + standing(coatTable(plan), 'foreleg')).toBeCloseTo(33, 0)
  })

  it('never leaves more hair than there is, nor any under the ground', () => {
    const lengths = fc.record({
      skirt: fc.integer({ min: 5, max: 90 }),
      foreleg: fc.integer({ min: 2, max: 70 }),
      rearPastern: fc.integer({ min: 2, max: 70 }),
      back: fc.integer({ min: 1, max: 40 })
    })
    fc.assert(
      fc.property(lengths, (changed) => {
        dressCoat(skin, coatTable({ ...plan, ...changed }))
        for (const layer of skin.layers) {
          for (let k = 0; k < layer.samples; k++) {
            if (layer.inner[k]) continue
            expect(layer.P[2 * k + 1] + layer.V[2 * k + 1]).toBeGreaterThanOrEqual(-1e-3)
            const own = layer.lengthAt[k]
            // smoothing lets a place borrow from its neighbours, never more than the longest of them
            if (layer.name === 'fore')
              expect(Math.hypot(layer.V[2 * k], layer.V[2 * k + 1])).toBeLessThanOrEqual(
                Math.max(own, changed.foreleg, plan.chest!, plan.foreFoot!) * 1.05 + 0.5
              )
          }
        }
      }),
      { numRuns: 25 }
    )
  })

  it('shows every short hair and hides most of the long', () => {
    expect(keptShare(1, 1)).toBe(1)
    expect(keptShare(60, 2)).toBeLessThan(0.3)
    expect(keptShare(10000, 2)).toBe(0.1)
  })
})

describe('pixels', () => {
  const ring = (...points: number[]) => Float32Array.from(points)
  const covered = (raster: ReturnType<typeof newRaster>) => raster.px.reduce((sum, value, i) => (i % 4 === 3 ? sum + value / 255 : sum), 0)

  // Ref: hand calculation of areas
  it('fill a polygon by its exact area, however it lies between pixels', () => {
    const box = newRaster(20, 20)
    paintPolygon(box, ring(2, 2, 12, 2, 12, 7, 2, 7), [10, 20, 30], 1)
    expect(covered(box)).toBeCloseTo(50, 6)
    const shifted = newRaster(20, 20)
    paintPolygon(shifted, ring(2.5, 2.25, 12.5, 2.25, 12.5, 7.25, 2.5, 7.25), [10, 20, 30], 1)
    expect(covered(shifted)).toBeCloseTo(50, 4)
    const triangle = newRaster(20, 20)
    paintPolygon(triangle, ring(2, 2, 18, 2, 2, 18), [0, 0, 0], 1)
    expect(Math.abs(covered(triangle) - 128)).toBeLessThan(1.5)
  })

  it('draw a hair with the ink of its length and width', () => {
    const hair = newRaster(60, 20)
    paintCurve(hair, 5, 10, 27, 10, 50, 10, 0.5, 0, 0, 0, 1)
    // a taper from width 1 to .38 of it along 45 px, quadratic: mean of 1 - .62 t^2 is .793; four straight pieces
    expect(Math.abs(covered(hair) - 45 * 0.793)).toBeLessThan(1)
  })

  it('keep straight colour through premultiplied paint', () => {
    const raster = newRaster(4, 4)
    paintPolygon(raster, ring(0, 0, 4, 0, 4, 4, 0, 4), [200, 100, 50], 0.5)
    const bytes = toBytes(raster)
    expect([bytes[0], bytes[1], bytes[2]]).toEqual([200, 100, 50])
    expect(Math.abs(bytes[3] - 128)).toBeLessThanOrEqual(1)
    expect(toBytes(newRaster(2, 2)).every((value) => value === 0)).toBe(true)
  })

  it('darken only what is painted', () => {
    const raster = newRaster(20, 20)
    paintBlot(raster, 10, 10, 8, [0, 0, 0], 1)
    paintShadow(raster, ring(4, 4, 16, 4, 16, 16, 4, 16), 2, [0, 0, 0], 1)
    expect(covered(raster)).toBe(0)
    paintPolygon(raster, ring(0, 0, 20, 0, 20, 20, 0, 20), [200, 200, 200], 1)
    paintBlot(raster, 10, 10, 8, [0, 0, 0], 1)
    expect(raster.px[4 * (10 * 20 + 10)]).toBeLessThan(60)
    expect(raster.px[0]).toBe(200)
  })

  it('scan a ring with a hole by its winding', () => {
    const spans: number[] = []
    scanPolygon(ring(0, 0, 10, 0, 10, 4, 0, 4), 4, (_, from, to) => spans.push(to - from))
    expect(spans).toEqual([10, 10, 10, 10])
  })

  // Ref: laplace(u) = -1 on a long strip of w cells is a parabola with its top at (w + 1)^2 / 8 (grid units)
  it('blow a strip up to the parabola of the Poisson equation', () => {
    const [w, h] = [13, 201]
    const mask = new Uint8Array(w * h)
    fillMask(mask, { w, h, cell: 1, left: 0, top: h }, ring(1, 1, w - 1, 1, w - 1, h - 1, 1, h - 1))
    const u = new Float32Array(w * h)
    inflate(u, mask, w, h, 400, 1.8)
    const inside = mask.slice(100 * w, 101 * w).reduce((sum, value) => sum + value, 0)
    // the stencil divides by four: u = x (inside + 1 - x) / 2 in the middle of a long strip
    expect(u[100 * w + 6]).toBeCloseTo(((inside + 1) / 2) ** 2 / 2, 1)
  })
})

describe('colours', () => {
  it('are five tones for every region of every dog, and an unknown colour is drawn in pepper', () => {
    for (const colour of ['pepper', 'black', 'white', 'wheaten']) {
      const { ramps, base, marks } = colouringOf(colour)
      for (const region of DRAWN_REGIONS) expect(ramps[marks[region] ?? base], `${colour} ${region}`).toHaveLength(5)
    }
    expect(colouringOf('plaid')).toEqual(colouringOf('pepper'))
  })
})
