// Outlines of silhouettes that nobody here drew, masks against brute force, straps, dark eyes, corrections by hand.
import fluent from '@iconify-json/fluent-emoji-high-contrast/icons.json'
import noto from '@iconify-json/noto/icons.json'
import fc from 'fast-check'
import { svgPathProperties } from 'svg-path-properties'
import { describe, expect, it } from 'vitest'
import { evenly, findOutline, NO_CORRECTIONS, overlap01, type Picture, type PhotoPoint } from '..'
import { normalDraw, randomFrom } from '../../stats'
import { bodiesOf, depthIn, majority, otsu } from './mask'
import { darkSpot } from './spots'

const WALL = [150, 168, 176]
const COAT = [92, 78, 66]

/** A picture of a ring before a wall, each pixel covered as much as the ring covers it, with a camera's grain. */
function pictured(
  ring: readonly PhotoPoint[],
  width: number,
  height: number,
  more?: (x: number, y: number) => readonly number[] | null
): Picture {
  const random = randomFrom(5)
  const rgba = new Uint8ClampedArray(width * height * 4)
  const FINE = 4
  for (let y = 0; y < height; y++) {
    const covered = new Float32Array(width)
    for (let s = 0; s < FINE; s++) {
      const at = y + (s + 0.5) / FINE
      const xs = ring
        .flatMap(([ax, ay], i) => {
          const [bx, by] = ring[(i + 1) % ring.length]
          return ay > at === by > at ? [] : [ax + ((at - ay) / (by - ay)) * (bx - ax)]
        })
        .sort((a, b) => a - b)
      for (let k = 0; k + 1 < xs.length; k += 2)
        for (let x = Math.max(0, Math.floor(xs[k])); x < Math.min(width, xs[k + 1]); x++)
          covered[x] += (Math.min(x + 1, xs[k + 1]) - Math.max(x, xs[k])) / FINE
    }
    for (let x = 0; x < width; x++) {
      const own = more?.(x, y)
      for (let c = 0; c < 3; c++)
        rgba[(y * width + x) * 4 + c] = (own ? own[c] : WALL[c] + (COAT[c] - WALL[c]) * Math.max(0, covered[x])) + 2 * normalDraw(random)
      rgba[(y * width + x) * 4 + 3] = 255
    }
  }
  return { width, height, rgba }
}

/** The largest closed part of an icon's first path, laid into a picture. */
function silhouette(body: string, size: number): PhotoPoint[] {
  const path = /d="([^"]+)"/.exec(body)![1]
  const first = path.split(/(?<=[zZ])/)[0]
  const properties = new svgPathProperties(first)
  const length = properties.getTotalLength()
  const points = Array.from({ length: 400 }, (_, i) => properties.getPointAtLength((length * i) / 400)).map(({ x, y }): PhotoPoint => [
    x,
    y
  ])
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
  const k = size / Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys))
  return points.map(([x, y]): PhotoPoint => [60 + (x - Math.min(...xs)) * k, 60 + (y - Math.min(...ys)) * k])
}

const icons = (set: unknown) => (set as { icons: Record<string, { body: string }> }).icons

describe('the outline of a silhouette from elsewhere', () => {
  // Ref: outlines of public icon sets (MIT and Apache-2.0), compared with their own paths
  it.each<[string, string]>([
    ['a dog', icons(fluent).dog.body],
    ['a poodle', icons(fluent).poodle.body],
    ['a horse', icons(noto).horse?.body ?? icons(noto)['horse-face'].body]
  ])('%s overlaps its own path by .985', (_, body) => {
    const ring = silhouette(body, 420)
    const { outline } = findOutline(pictured(ring, 560, 560), 'head', NO_CORRECTIONS, 1)
    expect(overlap01(evenly(outline, 2), ring)).toBeGreaterThan(0.985)
  })
})

const disc = (cx: number, cy: number, r: number): PhotoPoint[] =>
  Array.from({ length: 180 }, (_, i): PhotoPoint => [cx + r * Math.cos((i * Math.PI) / 90), cy + r * Math.sin((i * Math.PI) / 90)])

describe('what is not the dog', () => {
  it('a post and a strap are taken off: thin, straight, of one paint', () => {
    const ring = disc(260, 250, 110)
    const bar = (x: number, y: number) => (x > 250 && x < 264 && y < 160 && Math.hypot(x - 260, y - 250) > 110 ? [150, 40, 36] : null)
    const { outline } = findOutline(pictured(ring, 520, 420, bar), 'head', NO_CORRECTIONS, 1)
    expect(overlap01(evenly(outline, 2), ring)).toBeGreaterThan(0.98)
    expect(Math.min(...outline.map(([, y]) => y))).toBeGreaterThan(130)
  })

  it('a brush adds and takes away, an anchor bends the edge, and nothing else moves', () => {
    const picture = pictured(disc(200, 200, 90), 400, 400)
    const plain = findOutline(picture, 'head', NO_CORRECTIONS, 1)
    const through: PhotoPoint[] = [
      [285, 200],
      [330, 200]
    ]
    const added = findOutline(picture, 'head', { ...NO_CORRECTIONS, strokes: [{ of: 'dog', through, radiusPx: 14 }] }, 1)
    expect(Math.max(...added.outline.map(([x]) => x))).toBeGreaterThan(330)
    const cut = findOutline(picture, 'head', { ...NO_CORRECTIONS, strokes: [{ of: 'backdrop', through: [[285, 200]], radiusPx: 20 }] }, 1)
    expect(cut.areaPx).toBeLessThan(plain.areaPx)
    const bent = findOutline(picture, 'head', { ...NO_CORRECTIONS, anchors: [[200, 96]] }, 1)
    expect(Math.min(...bent.outline.map(([, y]) => y))).toBeCloseTo(96, 0)
    expect(Math.max(...bent.outline.map(([, y]) => y))).toBeCloseTo(Math.max(...plain.outline.map(([, y]) => y)), 5)
  })

  it('tells each step as it begins', () => {
    const steps: string[] = []
    findOutline(pictured(disc(100, 100, 50), 200, 200), 'head', NO_CORRECTIONS, 1, (step) => steps.push(step))
    expect(steps).toEqual(['colours', 'apart', 'straps', 'edge'])
  })
})

describe('masks', () => {
  const grid = fc.array(fc.integer({ min: 0, max: 1 }), { minLength: 144, maxLength: 144 }).map((cells) => Uint8Array.from(cells))

  it('bodies hang together by their sides, and hold every marked pixel once', () => {
    fc.assert(
      fc.property(grid, (mask) => {
        const { label, areas } = bodiesOf(mask, 12, 12)
        expect(areas.reduce((sum, area) => sum + area, 0)).toBe(mask.reduce((sum, value) => sum + value, 0))
        for (let i = 0; i < 144; i++) {
          expect(label[i] > 0).toBe(mask[i] === 1)
          if (i % 12 < 11 && mask[i] && mask[i + 1]) expect(label[i]).toBe(label[i + 1])
          if (i < 132 && mask[i] && mask[i + 12]) expect(label[i]).toBe(label[i + 12])
        }
      })
    )
  })

  it('depth is the chamfer distance to the nearest unmarked pixel, within 8 % of the straight one', () => {
    fc.assert(
      fc.property(grid, (mask) => {
        const depth = depthIn(mask, 12, 12)
        const open = [...mask].flatMap((value, i) => (value ? [] : [[i % 12, Math.floor(i / 12)]]))
        if (open.length === 0) return
        for (let i = 0; i < 144; i++) {
          if (!mask[i]) continue
          const straight = Math.min(...open.map(([x, y]) => Math.hypot(x - (i % 12), y - Math.floor(i / 12))))
          // Ref: Borgefors 1986, CVGIP 34:344-371: 3-4 chamfer stays within 8 % of the Euclidean distance
          expect(Math.abs(depth[i] - straight)).toBeLessThanOrEqual(0.08 * straight + 1e-6)
        }
      })
    )
  })

  it('a majority closes a nick and drops a hair', () => {
    const mask = new Uint8Array(400)
    for (let y = 5; y < 15; y++) for (let x = 5; x < 15; x++) mask[y * 20 + x] = 1
    mask[8 * 20 + 9] = 0
    mask[10 * 20 + 18] = 1
    const out = majority(mask, 20, 20, 1)
    expect(out[8 * 20 + 9]).toBe(1)
    expect(out[10 * 20 + 18]).toBe(0)
  })

  it('two kinds of values are parted between them', () => {
    const values = Float32Array.from({ length: 400 }, (_, i) => (i % 4 === 0 ? 20 + (i % 3) : 2 + (i % 2)))
    const { threshold, apart01 } = otsu(values)
    expect(threshold).toBeGreaterThan(3)
    expect(threshold).toBeLessThan(20)
    expect(apart01).toBeGreaterThan(0.95)
  })
})

describe('a dark spot', () => {
  const face = pictured(disc(100, 100, 90), 200, 200, (x, y) =>
    Math.hypot(x - 84.5, y - 90.5) < 7 || Math.hypot(x - 120.5, y - 90.5) < 7 ? [20, 16, 14] : null
  )
  const white = { ...face, rgba: face.rgba.map((value, i) => (i % 4 === 3 || value < 60 ? value : 215)) }
  it('is found beside where it was proposed, and not the other eye', () => {
    const [x, y] = darkSpot(white, [80, 94], 18)
    expect(Math.hypot(x - 85, y - 91)).toBeLessThan(1)
  })
  it('is left where it was proposed where nothing is dark', () => {
    expect(darkSpot(white, [100, 150], 15)).toEqual([100, 150])
  })
})
