// A finger on the backdrop takes off what hangs together under it, and changes nothing else.
import { describe, expect, it } from 'vitest'
import { evenly, findOutline, NO_CORRECTIONS, overlap01, type Picture, type PhotoPoint } from '..'
import { CoreError } from '../../error'
import { normalDraw, randomFrom } from '../../stats'

type Rgb = readonly [number, number, number]
const [WALL, COAT, BOX]: Rgb[] = [
  [150, 168, 176],
  [92, 78, 66],
  [170, 60, 50]
]

/** A picture of which each place has a colour of its own, with a camera's grain. */
function pictured(at: (x: number, y: number) => Rgb, width = 400, height = 400): Picture {
  const random = randomFrom(7)
  const rgba = new Uint8ClampedArray(width * height * 4)
  for (let p = 0; p < width * height; p++) {
    const rgb = at(p % width, Math.floor(p / width))
    for (let c = 0; c < 3; c++) rgba[4 * p + c] = rgb[c]! + 2 * normalDraw(random)
    rgba[4 * p + 3] = 255
  }
  return { width, height, rgba }
}
const disc = (cx: number, cy: number, r: number): PhotoPoint[] =>
  Array.from({ length: 180 }, (_, i): PhotoPoint => [cx + r * Math.cos((i * Math.PI) / 90), cy + r * Math.sin((i * Math.PI) / 90)])
const [CX, CY, R] = [180, 200, 90]
const isDog = (x: number, y: number) => Math.hypot(x + 0.5 - CX, y + 0.5 - CY) < R
/** A box that touches the dog at its side. */
const isBox = (x: number, y: number) => x > 240 && x < 340 && y > 150 && y < 260
const touched = (x: number, y: number) => ({ ...NO_CORRECTIONS, backdrop: [{ x: x - 8, y: y - 8, width: 16, height: 16 }] })
const overlap = (picture: Picture, corrections = NO_CORRECTIONS) =>
  overlap01(evenly(findOutline(picture, 'head', corrections, 1).outline, 2), disc(CX, CY, R))

describe('a finger on the backdrop', () => {
  it('changes nothing where the backdrop is backdrop already, and says so', () => {
    const picture = pictured((x, y) => (isDog(x, y) ? COAT : WALL))
    const plain = findOutline(picture, 'head', NO_CORRECTIONS, 1)
    const again = findOutline(picture, 'head', touched(40, 40), 1)
    expect(again.outline).toEqual(plain.outline)
    expect([plain.idleTouches, again.idleTouches]).toEqual([0, 1])
  })

  it('takes off a box that was taken for dog, to its edge and no farther', () => {
    const picture = pictured((x, y) => (isDog(x, y) ? COAT : isBox(x, y) ? BOX : WALL))
    expect(overlap(picture)).toBeLessThan(0.85)
    const mended = findOutline(picture, 'head', touched(310, 200), 1)
    expect(overlap01(evenly(mended.outline, 2), disc(CX, CY, R))).toBeGreaterThan(0.97)
    expect(mended.idleTouches).toBe(0)
  })

  it('that lies over an edge means the paint that most of it has, and leaves the dog alone', () => {
    const picture = pictured((x, y) => (isDog(x, y) ? COAT : isBox(x, y) ? BOX : WALL))
    expect(overlap(picture, touched(337, 200))).toBeGreaterThan(0.97)
  })

  it('takes no dog off where what is left would be none either', () => {
    // a table of the dog's own paint runs out of the picture below, and on it lies a bright cloth
    const isTable = (y: number) => y > 270
    const isCloth = (x: number, y: number) => x > 20 && x < 110 && y > 300 && y < 380
    const picture = pictured((x, y) => (isCloth(x, y) ? BOX : isDog(x, y) || isTable(y) ? COAT : WALL))
    const found = (corrections = NO_CORRECTIONS) => evenly(findOutline(picture, 'body', corrections, 1).outline, 2)
    const before = overlap01(found(), disc(CX, CY, R))
    expect(overlap01(found(touched(330, 330)), disc(CX, CY, R))).toBeGreaterThanOrEqual(before - 0.002)
  })

  it('stops at the place itself where the thing has the dog’s own paint', () => {
    const picture = pictured((x, y) => (isDog(x, y) || isBox(x, y) ? COAT : WALL))
    const before = overlap(picture)
    const after = overlap(picture, touched(310, 200))
    expect(after).toBeGreaterThanOrEqual(before - 0.002)
    expect(after).toBeLessThan(0.9)
  })

  it('gives the colours where nothing stands out by itself', () => {
    // a dog that is cut off at three sides is the border's own colour
    const picture = pictured((x, y) => (x > 190 && x < 360 && y > 190 && y < 390 ? WALL : COAT))
    expect(() => findOutline(picture, 'head', touched(2000, 40), 1)).toThrow(CoreError)
  })

  it('outside of the picture is refused', () => {
    const picture = pictured((x, y) => (isDog(x, y) ? COAT : WALL))
    expect(() => findOutline(picture, 'head', touched(-300, 40), 1)).toThrow(/it must be a place of the backdrop/)
  })
})

describe('a place on the edge', () => {
  it('that is far from the outline bends nothing, and says what to do first', () => {
    const picture = pictured((x, y) => (isDog(x, y) ? COAT : WALL))
    const plain = findOutline(picture, 'head', NO_CORRECTIONS, 1)
    const far = findOutline(picture, 'head', { ...NO_CORRECTIONS, anchors: [[350, 40]] }, 1)
    expect(far.outline).toEqual(plain.outline)
    expect(far.doubts.join(' ')).toContain('A place you put on the edge is far from the outline: paint what is missing')
  })
})

describe('a brush', () => {
  it('that takes off all that stood out leaves no dog, and says so', () => {
    const picture = pictured((x, y) => (isDog(x, y) ? COAT : WALL))
    const strokes = [{ of: 'backdrop' as const, through: [[CX, CY] as PhotoPoint], radiusPx: 2 * R }]
    expect(() => findOutline(picture, 'head', { ...NO_CORRECTIONS, strokes }, 1)).toThrow(/nothing that stands out/)
  })
})
