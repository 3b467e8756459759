// The planned dog laid into a picture by two touches, and an outline that is looked for there.
import { bodyById, coatFor } from '@peen/content'
import { describe, expect, it } from 'vitest'
import {
  findOutline,
  frameOf,
  hausdorff,
  NO_CORRECTIONS,
  overlap01,
  plannedView,
  shapeHere,
  shapeTouches,
  toPx,
  type PhotoPoint,
  type Picture,
  type ScaleMark,
  type Seen
} from '..'

const SIZE = { widthPx: 800, heightPx: 600 }
const coat = coatFor('highland', 'flower')
const planOf = (seen: Seen) => plannedView({ body: bodyById('highland'), withersMm: 275, coat, lengths: coat.lengths }, seen)
const scale: ScaleMark = {
  ...{ what: 'ruler', upright: true, lengthMm: 100, behindMm: 0, behindUMm: 2, cameraMm: 2000, endUPx: 0.5, check: null },
  ends: [[750, 300], [750, 400]] // prettier-ignore
}

describe('the planned dog by two touches', () => {
  it.each([
    ['left', scale],
    ['right', scale],
    ['left', null],
    ['head', scale]
  ] as const)('%s: lies where those places are its own', (seen, known) => {
    const [plan, frame] = [planOf(seen), frameOf(seen, SIZE, known)]
    // a dog that is a little larger than planned, standing elsewhere
    const put = ([x, y]: PhotoPoint): PhotoPoint => toPx(frame, [1.1 * x + 20, 1.1 * y + (seen === 'head' ? 0 : 130)])
    const [eye, tail] = seen === 'head' ? [[-plan.face!.eyeX, 0], [plan.face!.eyeX, 0]] : [plan.marks.eye!, plan.marks.tailSet!] // prettier-ignore
    const ring = shapeHere(frame, plan, [put(eye as PhotoPoint), put(tail as PhotoPoint)])
    expect(hausdorff(ring, plan.outline.map(put)) / frame.pxPerMm).toBeLessThan(7)
  })
  it('needs a view with two such places', () => {
    expect(shapeTouches('above')).toEqual([])
    expect(() => shapeHere(frameOf('above', SIZE, scale), planOf('above'), [[1, 1], [9, 9]])).toThrow('head, left or right') // prettier-ignore
    expect(() => shapeHere(frameOf('left', SIZE, scale), planOf('left'), [[5, 5], [5, 5]])).not.toThrow('NaN') // prettier-ignore
  })
})

describe('an outline by its shape', () => {
  const dog: readonly PhotoPoint[] = [[200, 200], [560, 200], [560, 500], [480, 500], [480, 340], [280, 340], [280, 500], [200, 500]] // prettier-ignore
  /** Light before a wall that is as light on its left half: by colours alone nothing there is an outline. */
  const picture = (): Picture => {
    const [width, height] = [SIZE.widthPx, SIZE.heightPx]
    const rgba = new Uint8ClampedArray(width * height * 4).fill(255)
    const isIn = (x: number, y: number) => x >= 200 && x < 560 && y >= 200 && y < 500 && !(x >= 280 && x < 480 && y >= 340)
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++)
        rgba.set(isIn(x, y) ? [214, 205, 190] : y > 480 ? [40, 44, 48] : x < 380 ? [120, 140, 150] : [244, 246, 250], (y * width + x) * 4)
    return { width, height, rgba }
  }
  const rough = dog.map(([x, y]): PhotoPoint => [x + 3, y - 3])
  const touches = [[210, 210], [550, 210]] as const // prettier-ignore
  it('is refined from where it was found, whatever the backdrop is like', () => {
    const { outline, unfit } = findOutline(picture(), 'body', { ...NO_CORRECTIONS, shape: { touches, ring: rough } }, 1)
    expect(overlap01(outline, dog)).toBeGreaterThan(0.97)
    expect(unfit).toBe(false)
  })
  it('is still put right by a brush', () => {
    const stroke = { of: 'backdrop' as const, through: [[205, 420], [275, 420]] as const, radiusPx: 90 } // prettier-ignore
    const { outline } = findOutline(picture(), 'body', { ...NO_CORRECTIONS, shape: { touches, ring: rough }, strokes: [stroke] }, 1)
    expect(Math.max(...outline.filter(([x]) => x < 270).map(([, y]) => y))).toBeLessThan(400)
  })
})
