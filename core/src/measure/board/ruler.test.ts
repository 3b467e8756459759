// A ruler beside, against and before what is outlined.
import { describe, expect, it } from 'vitest'
import { findBesideRuler, findOutline, NO_CORRECTIONS, overlap01, type Picture, type PhotoPoint } from '..'
import { normalDraw, randomFrom } from '../../stats'

const [WIDTH, HEIGHT] = [640, 480]
const WALL = [150, 168, 176]
const COAT = [92, 78, 66]
/** A plain animal that stands: head, trunk, two legs. */
const DOG: readonly PhotoPoint[] = [[80, 110], [190, 90], [210, 190], [440, 190], [440, 430], [380, 430], [370, 320], [230, 320], [230, 430], [170, 430], [160, 230], [80, 200]] // prettier-ignore

const isIn = (x: number, y: number): boolean => {
  let inside = false
  DOG.forEach(([ax, ay], i) => {
    const [bx, by] = DOG[(i + 1) % DOG.length]
    if (ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax)) inside = !inside
  })
  return inside
}
/** The animal with a striped ruler of 30 px by 200 px whose left side stands at `left`. */
function pictured(left: number, stripes: readonly (readonly number[])[]): Picture {
  const random = randomFrom(3)
  const rgba = new Uint8ClampedArray(WIDTH * HEIGHT * 4)
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const isRuler = x >= left && x < left + 30 && y >= 230 && y < 430
      const colour = isRuler ? stripes[Math.floor((y - 230) / 20) % stripes.length] : isIn(x + 0.5, y + 0.5) ? COAT : WALL
      for (let c = 0; c < 3; c++) rgba[(y * WIDTH + x) * 4 + c] = colour[c] + 2 * normalDraw(random)
      rgba[(y * WIDTH + x) * 4 + 3] = 255
    }
  return { width: WIDTH, height: HEIGHT, rgba }
}
const STRIPES = [[230, 230, 225], [30, 32, 36]] // prettier-ignore
const ends = (x: number): readonly [PhotoPoint, PhotoPoint] => [[x, 230], [x, 430]] // prettier-ignore
const beside = (picture: Picture, x: number) => findBesideRuler(picture, 'body', NO_CORRECTIONS, 1, ends(x))
const share = (outline: readonly PhotoPoint[]) => overlap01(outline, DOG)

describe('a ruler', () => {
  it.each([
    ['in the middle of its ends', 455],
    ['at its corners', 470],
    ['at the corners by the dog', 441]
  ])('that leans against the dog, touched %s, is no part of it', (_, x) => {
    const picture = pictured(440, STRIPES)
    expect(share(findOutline(picture, 'body', NO_CORRECTIONS, 1).outline)).toBeLessThan(0.93)
    const { outline, unfit } = beside(picture, x)
    expect(share(outline)).toBeGreaterThan(0.97)
    expect(unfit).toBe(false)
  })
  it('that stands away from the dog changes nothing', () => {
    const picture = pictured(520, STRIPES)
    expect(beside(picture, 535)).toEqual(findOutline(picture, 'body', NO_CORRECTIONS, 1))
  })
  it('that stands before the dog is said to hide it', () => {
    const { doubts } = beside(pictured(405, STRIPES), 420)
    expect(doubts.join(' ')).toContain('The ruler hides part of the dog')
  })
  it('of the coat’s own colour cannot be told from it: that is said', () => {
    const { doubts, outline } = beside(pictured(410, [COAT]), 425)
    expect(doubts.join(' ')).toContain('The ruler is part of the outline')
    expect(share(outline)).toBeGreaterThan(0.97)
  })
})
