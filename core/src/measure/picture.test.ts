// Scale and outline of a picture, against the pinhole camera, shapes of known size, and the drawn dog before a wall.
import { bodyById, coatFor, colouringOf } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checkLength, evenly, findOutline, fitCircle, NO_CORRECTIONS, planeScale, type KnownLength, type Picture, type PhotoPoint } from '.'
import type { CoreError } from '../error'
import { bakeFigure, extentOf, newRaster, toBytes } from '../figure'
import { normalDraw, randomFrom } from '../stats'

const issueOf = (work: () => unknown) => {
  try {
    work()
  } catch (error) {
    return (error as CoreError).issue
  }
  return null
}

describe('a scale', () => {
  const known: KnownLength = {
    ends: [
      [100, 100],
      [100, 600]
    ],
    lengthMm: 250,
    behindMm: 0,
    behindUMm: 0,
    cameraMm: 2000,
    endUPx: 1
  }

  it('in the plane is pixels over millimetres', () => {
    expect(planeScale(known)).toEqual({ pxPerMm: 2, u01: expect.closeTo(Math.SQRT2 / 500, 9), corrected01: 0 })
  })

  it('is corrected for its depth as the pinhole camera sees it', () => {
    let cases = 0
    fc.assert(
      fc.property(
        fc.integer({ min: 500, max: 8000 }),
        fc.integer({ min: -200, max: 400 }),
        fc.integer({ min: 500, max: 6000 }),
        (cameraMm, behindMm, focalPx) => {
          // Ref: similar triangles: a length L at depth Z is seen as focal x L / Z pixels
          const seen = (mm: number, depthMm: number) => (focalPx * mm) / depthMm
          const px = seen(250, cameraMm + behindMm)
          if (px < 20) return
          const scale = planeScale({
            ...known,
            ends: [
              [0, 0],
              [px, 0]
            ],
            behindMm,
            cameraMm
          })
          expect(scale.pxPerMm).toBeCloseTo(focalPx / cameraMm, 9)
          // another length in the plane then comes out right
          expect(
            checkLength(
              scale,
              [
                [0, 0],
                [0, seen(120, cameraMm)]
              ],
              120
            ).offMm
          ).toBeCloseTo(0, 9)
          cases++
        }
      )
    )
    expect(cases).toBeGreaterThan(60)
  })

  it('knows how surely: by its ends and by its depth', () => {
    // Ref: JCGM 100:2008, 5.1, by hand: 10 mm of 2000 is 0.5 %
    expect(planeScale({ ...known, behindUMm: 10, endUPx: 0 }).u01).toBeCloseTo(0.005, 6)
    const random = randomFrom(11)
    const draws = Array.from({ length: 4000 }, () => {
      const at = (point: PhotoPoint): PhotoPoint => [point[0] + normalDraw(random), point[1] + normalDraw(random)]
      return planeScale({ ...known, ends: [at(known.ends[0]), at(known.ends[1])], behindMm: 10 * normalDraw(random) }).pxPerMm
    })
    const mean = draws.reduce((a, b) => a + b) / draws.length
    const spread = Math.sqrt(draws.reduce((sum, draw) => sum + (draw - mean) ** 2, 0) / draws.length)
    expect(spread / mean / planeScale({ ...known, behindUMm: 10 }).u01).toBeCloseTo(1, 1)
  })

  it.each<[string, Partial<KnownLength>, string]>([
    [
      'ends a pixel apart',
      {
        ends: [
          [10, 10],
          [11, 10]
        ]
      },
      'ends is 1.0 px apart; it must be 20 px or more apart.'
    ],
    ['no length', { lengthMm: 0 }, 'lengthMm is 0; it must be 1 to 3000 mm.'],
    ['a ruler behind the wall', { behindMm: 900 }, 'behindMm is 900; it must be -500 to 500 mm.'],
    ['a camera at the nose', { cameraMm: 100 }, 'cameraMm is 100; it must be 300 to 20000 mm.']
  ])('is refused with %s', (_, change, words) => {
    expect(() => planeScale({ ...known, ...change })).toThrow(words)
  })
})

type Shade = readonly [number, number, number]
/** A picture painted place by place, with a camera's grain. */
function painted(width: number, height: number, colourAt: (x: number, y: number) => Shade, grain = 3, seed = 1): Picture {
  const random = randomFrom(seed)
  const rgba = new Uint8ClampedArray(width * height * 4)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const colour = colourAt(x + 0.5, y + 0.5)
      for (let c = 0; c < 3; c++) rgba[(y * width + x) * 4 + c] = colour[c] + grain * normalDraw(random)
      rgba[(y * width + x) * 4 + 3] = 255
    }
  return { width, height, rgba }
}
const WALL: Shade = [186, 196, 200]
const COAT: Shade = [84, 74, 66]
const mix = (a: Shade, b: Shade, share: number): Shade => [0, 1, 2].map((c) => a[c] * (1 - share) + b[c] * share) as unknown as Shade
/** how much of a pixel lies in a disc, by its distance from the rim */
const inDisc = (x: number, y: number, cx: number, cy: number, r: number) => Math.min(1, Math.max(0, r - Math.hypot(x - cx, y - cy) + 0.5))

describe('an outline before a wall', () => {
  it('of a disc has its place and its radius to a third of a pixel, whatever the light does to the wall', () => {
    for (const [cx, cy, r, slope] of [
      [120, 110, 60, 0],
      [131.5, 98.2, 47.3, 12],
      [100, 120, 71.8, 20]
    ]) {
      const picture = painted(240, 220, (x, y) =>
        mix(mix(WALL, [WALL[0] - slope, WALL[1] - slope, WALL[2] - slope], x / 240), COAT, inDisc(x, y, cx, cy, r))
      )
      const { outline, areaPx, doubts } = findOutline(picture, 'head')
      const fit = fitCircle(evenly(outline, 2))
      expect(Math.hypot(fit.centre[0] - cx, fit.centre[1] - cy)).toBeLessThan(0.34)
      expect(Math.abs(fit.radius - r)).toBeLessThan(0.34)
      // Ref: area of a disc
      expect(areaPx / (Math.PI * r * r)).toBeCloseTo(1, 1)
      expect(doubts).toEqual([])
    }
  })

  it('of a light dog before a light wall is found where somebody touches the backdrop, and doubted', () => {
    const light: Shade = [206, 208, 205]
    const picture = painted(240, 220, (x, y) => mix(WALL, light, inDisc(x, y, 120, 110, 60)), 2)
    const { outline, doubts } = findOutline(picture, 'head', {
      ...NO_CORRECTIONS,
      backdrop: [
        { x: 4, y: 4, width: 60, height: 40 },
        { x: 180, y: 150, width: 50, height: 60 }
      ]
    })
    expect(Math.abs(fitCircle(evenly(outline, 2)).radius - 60)).toBeLessThan(1.5)
    expect(doubts.every((doubt) => !/edge of the picture|Something else/.test(doubt))).toBe(true)
  })

  it('says what makes it doubtful: two dogs, a dog cut off', () => {
    const two = painted(320, 200, (x, y) => mix(WALL, COAT, Math.max(inDisc(x, y, 90, 110, 50), inDisc(x, y, 230, 110, 45))))
    expect(findOutline(two, 'head').doubts).toEqual([
      'There is something else in the picture, nearly as large: only one dog can be measured.'
    ])
    expect(findOutline(two, 'head').unfit).toBe(true)
    const cut = painted(200, 200, (x, y) => mix(WALL, COAT, inDisc(x, y, 190, 120, 50)))
    expect(findOutline(cut, 'head', { ...NO_CORRECTIONS, backdrop: [{ x: 0, y: 0, width: 60, height: 60 }] }).doubts).toEqual([
      'The dog is cut off at the edge of the picture.'
    ])
    // a table of no colour of the border's that runs out at both sides
    const onTable = painted(240, 320, (x, y) =>
      mix(WALL, COAT, Math.max(inDisc(x, y, 120, 160, 60), y > 250 && y < 300 ? 1 : 0, x > 100 && x < 140 && y > 150 && y < 260 ? 1 : 0))
    )
    const { doubts, unfit } = findOutline(onTable, 'body')
    expect([doubts.some((doubt) => /touch the table as backdrop/.test(doubt)), unfit]).toEqual([true, true])
  })

  it('is refused where there is none: an empty wall, a speck, no picture, a backdrop outside it', () => {
    expect(
      issueOf(() =>
        findOutline(
          painted(64, 64, () => WALL, 0),
          'head'
        )
      )
    ).toMatchObject({ code: 'noDog' })
    expect(
      issueOf(() =>
        findOutline(
          painted(100, 100, (x, y) => mix(WALL, COAT, inDisc(x, y, 50, 50, 3))),
          'head'
        )
      )
    ).toMatchObject({
      code: 'noDog'
    })
    expect(issueOf(() => findOutline({ width: 4, height: 4, rgba: new Uint8ClampedArray(64) }, 'head'))).toMatchObject({
      code: 'noPicture'
    })
    expect(
      issueOf(() =>
        findOutline(
          painted(64, 64, () => WALL),
          'head',
          { ...NO_CORRECTIONS, backdrop: [{ x: 900, y: 0, width: 5, height: 5 }] }
        )
      )
    ).toMatchObject({ code: 'noBackdrop' })
  })

  // the drawn dog knows its own shape: overlap of what is found with what was painted
  it('of the drawn dog, hair by hair before a wall, overlaps its own shape by 0.97 at least', () => {
    for (const [id, colour] of [
      ['bearded-pet', 'pepper'],
      ['bearded-pet', 'wheaten']
    ]) {
      const coat = coatFor('bearded', id)
      const body = bodyById('bearded')
      const [w, h] = [420, 340]
      const [left, bottom, right, top] = extentOf(body, 340, 'side', coat)
      const scale = Math.min((w - 60) / (right - left), (h - 60) / (top - bottom))
      const view = { scale, originX: w / 2 - ((left + right) / 2) * scale, originY: h - 30 + bottom * scale }
      const figure = bakeFigure({ body, withersMm: 340, view: 'side', colouring: colouringOf(colour), coat, pxPerMm: scale, budget: 20000 })
      const raster = newRaster(w, h)
      figure.paint(raster, view)
      const dog = toBytes(raster)
      const picture = painted(w, h, (x, y) => {
        const i = (Math.floor(y) * w + Math.floor(x)) * 4
        return mix([120, 150, 190], [dog[i], dog[i + 1], dog[i + 2]], dog[i + 3] / 255)
      })
      const { outline, doubts } = findOutline(picture, 'head')
      const found = filled(outline, w, h)
      let [both, either] = [0, 0]
      for (let i = 0; i < w * h; i++) {
        const isDog = dog[i * 4 + 3] >= 128
        if (isDog && found[i]) both++
        if (isDog || found[i]) either++
      }
      expect(both / either, colour).toBeGreaterThan(0.97)
      expect(doubts).toEqual([])
    }
  })
})

/** Pixels whose middle lies inside a ring (even and odd crossings). */
function filled(ring: readonly PhotoPoint[], width: number, height: number): Uint8Array {
  const mask = new Uint8Array(width * height)
  for (let y = 0; y < height; y++) {
    const crossings = ring
      .flatMap(([ax, ay], i) => {
        const [bx, by] = ring[(i + 1) % ring.length]
        return ay > y + 0.5 === by > y + 0.5 ? [] : [ax + ((y + 0.5 - ay) / (by - ay)) * (bx - ax)]
      })
      .sort((a, b) => a - b)
    for (let k = 0; k + 1 < crossings.length; k += 2)
      for (let x = Math.max(0, Math.ceil(crossings[k] - 0.5)); x + 0.5 < crossings[k + 1] && x < width; x++) mask[y * width + x] = 1
  }
  return mask
}
