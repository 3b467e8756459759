// One dog from every side: widths agree, sides are the dog's own, outlines are outlines, and growth only adds.
import { bodies, bodyById, coats, coatFor, colouringOf } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { skeletonOf, type BodyType } from '../body'
import { DRAWN_REGIONS, dressCoat, dressOf, lieOf, type Coat, type FigureLayer, type ViewId, type Worn } from '../coat'
import { bakeFigure } from '../figure'
import { newRaster, toBytes } from '../paint'
import type { Point } from '../vec'
import { buildSkin } from '.'

const SLOW = { timeout: 60000 }
const VIEWS: readonly ViewId[] = ['side', 'head', 'front', 'rear', 'above']
const bare: Coat = { lengths: Object.fromEntries(DRAWN_REGIONS.map((region) => [region, 0])), texture: 'straight', shapes: [] }
const skinOf = (body: BodyType, view: ViewId, coat: Coat = bare, worn: Worn = { lengths: coat.lengths }) => {
  const skin = buildSkin(view, body, skeletonOf(body, body.withersMm), coat, [])
  dressCoat(skin, dressOf(skin, coat, worn, []))
  return skin
}
const layerOf = (skin: ReturnType<typeof skinOf>, name: string) => skin.layers.find((layer) => layer.name === name)!
/** Half widths of a layer's skin, or of its coat. */
const widest = ({ P, V, samples, inner }: FigureLayer, axis: 0 | 1, share: 0 | 1): number =>
  Math.max(...Array.from({ length: samples }, (_, k) => (inner[k] ? 0 : Math.abs(P[2 * k + axis] + share * V[2 * k + axis]))))
const bakeIn = (coatId: string, view: ViewId, budget = 3000) => {
  const coat = coatFor('', coatId)
  const body = bodyById(coat.body)
  return bakeFigure({ body, withersMm: body.withersMm, view, colouring: colouringOf(coat.colour), coat, pxPerMm: 0.6, budget })
}

/** Half the coat's width over the ribs, seen from above: the hips behind them wear another coat. */
function ribsFromAbove(skin: ReturnType<typeof skinOf>): number {
  const { P, V, samples } = layerOf(skin, 'body')
  const { loin } = skin.skeleton.marks
  return Math.max(
    ...Array.from({ length: samples }, (_, k) => (P[2 * k] > 0 && P[2 * k] < loin[0] ? Math.abs(P[2 * k + 1] + V[2 * k + 1]) : 0))
  )
}

describe('a width is the same number in every view that shows it', () => {
  it.each(bodies.map((body) => [body.id, body] as const))('%s', (_, body) => {
    const h = body.withersMm
    const [head, front, rear, above] = (['head', 'front', 'rear', 'above'] as const).map((view) => skinOf(body, view))
    const skull = (body.breadth.skull * body.headLen * h) / 2
    for (const half of [
      widest(layerOf(head, 'skull'), 0, 0),
      widest(layerOf(front, 'skull'), 0, 0),
      widest(layerOf(rear, 'skull'), 0, 0),
      widest(layerOf(above, 'head'), 1, 0)
    ])
      expect(Math.abs(half - skull)).toBeLessThan(0.7)
    const muzzle = (body.breadth.muzzle * body.headLen * h) / 2
    for (const half of [widest(layerOf(head, 'muzzle'), 0, 0), widest(layerOf(front, 'muzzle'), 0, 0)])
      expect(Math.abs(half - muzzle)).toBeLessThan(0.7)
    const ribs = (body.breadth.ribs * h) / 2
    for (const half of [widest(layerOf(front, 'body'), 0, 0), widest(layerOf(rear, 'barrel'), 0, 0), widest(layerOf(above, 'body'), 1, 0)])
      expect(Math.abs(half - ribs)).toBeLessThan(0.7)
    const neck = (body.breadth.neck * h) / 2
    // where it is a neck, before it runs out into the shoulders
    const slim = ({ P, samples }: FigureLayer, along: 0 | 1, from: number, to: number) => {
      const ends = Array.from({ length: samples }, (_, k) => P[2 * k + along])
      const [low, high] = [Math.min(...ends), Math.max(...ends)]
      const at = ends.flatMap((v, k) =>
        (v - low) / (high - low) > from && (v - low) / (high - low) < to ? [Math.abs(P[2 * k + 1 - along])] : []
      )
      return Math.max(...at)
    }
    expect(Math.abs(slim(layerOf(above, 'neck'), 0, 0.2, 0.42) - neck)).toBeLessThan(0.7)
    expect(Math.abs(slim(layerOf(front, 'neck'), 1, 0.7, 0.8) - neck)).toBeLessThan(2)
    const bones = (skin: ReturnType<typeof skinOf>) => {
      const { P, samples } = layerOf(skin, 'foreLeft')
      const middle = skeletonOf(body, h).marks.elbow[1] * 0.22
      const xs = Array.from({ length: samples }, (_, k) => k)
        .filter((k) => Math.abs(P[2 * k + 1] - middle) < 0.02 * h)
        .map((k) => P[2 * k])
      return (Math.max(...xs) - Math.min(...xs)) / 2
    }
    expect(Math.abs(bones(front) - bones(rear))).toBeLessThan(0.7)
    expect(Math.abs(bones(front) - (body.breadth.foreleg * h) / 2)).toBeLessThan(1.4)
  })

  // Ref: hand calculation: level skin, hair flowing at a right angle to the normal, stands L cos(lie); the rest leans on neighbours
  it('and so is the coat on it: ribs in a coat of 20 mm, from the front, the rear and above', () => {
    for (const body of bodies) {
      const coat: Coat = { ...bare, lengths: Object.fromEntries(DRAWN_REGIONS.map((region) => [region, 20])) }
      const stands = 20 * Math.cos((lieOf(coat, 'ribs') * Math.PI) / 180)
      const expected = (body.breadth.ribs * body.withersMm) / 2 + stands
      const seen = [
        widest(layerOf(skinOf(body, 'front', coat), 'body'), 0, 1),
        widest(layerOf(skinOf(body, 'rear', coat), 'barrel'), 0, 1),
        ribsFromAbove(skinOf(body, 'above', coat))
      ]
      for (const half of seen) expect(Math.abs(half - expected), `${body.id} ${seen}`).toBeLessThan(1.5)
    }
  })

  it('heights as well: the eye, the withers and the elbow stand in front as high as on the profile', () => {
    for (const body of bodies) {
      const { marks } = skeletonOf(body, body.withersMm)
      const front = skinOf(body, 'front')
      expect(front.eyeY).toBeCloseTo(marks.eye[1], 6)
      const top = Math.max(...Array.from({ length: layerOf(front, 'body').samples }, (_, k) => layerOf(front, 'body').P[2 * k + 1]))
      expect(Math.abs(top - marks.withers[1])).toBeLessThan(0.02 * body.withersMm)
    }
  })
})

describe('left and right are the dog’s own', () => {
  const reach = (view: ViewId, region: 'cheek' | 'ribs' | 'foreleg' | 'thigh', layers: readonly [string, string], axis: 0 | 1) => {
    const coat = coatFor('', 'smile')
    const body = bodyById('toy')
    const skin = skinOf(body, view, coat, { lengths: coat.lengths, lengthsB: { ...coat.lengths, [region]: coat.lengths[region]! + 12 } })
    const at = (name: string, side: 1 | -1) => {
      const { P, V, samples } = layerOf(skin, name)
      return Math.max(...Array.from({ length: samples }, (_, k) => side * (P[2 * k + axis] + V[2 * k + axis])))
    }
    return { positive: at(layers[0], 1), negative: at(layers[1], -1) }
  }

  // facing the dog, its right is at the picture's left: 9 o'clock
  it('a longer right cheek stands out at the picture’s left when one faces the dog', () => {
    const { positive, negative } = reach('head', 'cheek', ['skull', 'skull'], 0)
    expect(negative - positive).toBeGreaterThan(6)
  })

  it('and legs do, from the front at the picture’s left, from the rear at its right', () => {
    const front = reach('front', 'foreleg', ['foreLeft', 'foreRight'], 0)
    expect(front.negative - front.positive).toBeGreaterThan(4)
    const rear = reach('rear', 'thigh', ['rearRight', 'rearLeft'], 0)
    expect(rear.positive - rear.negative).toBeGreaterThan(2)
  })

  it('and ribs do, from above where the dog faces left: its right lies at the top', () => {
    const { positive, negative } = reach('above', 'ribs', ['body', 'body'], 1)
    expect(positive - negative).toBeGreaterThan(4)
  })

  it('the far legs of a profile wear the other side’s hair', () => {
    const coat = coatFor('', 'bearded-pet')
    const skin = skinOf(bodyById('bearded'), 'side', coat, { lengths: coat.lengths, lengthsB: { ...coat.lengths, foreleg: 15 } })
    const half = (name: string) => Math.max(...layerOf(skin, name).V.map(Math.abs))
    expect(half('farFore')).toBeLessThan(half('fore') - 5)
  })
})

const turn = (p: Point, q: Point, r: Point) => (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0])
const cross = (a: Point, b: Point, c: Point, d: Point) => turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0
/** How often a ring crosses itself; `isInner` leaves out edges that run under another layer. */
function crossings(ring: readonly Point[], isInner: (i: number) => boolean = () => false): number {
  const n = ring.length
  let found = 0
  for (let i = 0; i < n; i++) {
    if (isInner(i) || isInner((i + 1) % n)) continue
    for (let j = i + 2; j < n - (i === 0 ? 1 : 0); j++) {
      if (!isInner(j) && !isInner((j + 1) % n) && cross(ring[i], ring[i + 1], ring[j], ring[(j + 1) % n])) found++
    }
  }
  return found
}

const trims = fc.record({
  coat: fc.constantFrom(...coats.map(({ id }) => id)),
  view: fc.constantFrom(...VIEWS),
  scale: fc.double({ min: 0.3, max: 1.8, noNaN: true }),
  days: fc.integer({ min: 0, max: 60 })
})

describe('the outline', SLOW, () => {
  it('of the bare dog does not cross itself, from any side', () => {
    for (const body of bodies) {
      for (const { layers } of VIEWS.map((view) => skinOf(body, view))) {
        // a tail curled over itself is allowed to
        for (const { name, P, samples, inner } of layers.filter((layer) => layer.name !== 'tail'))
          expect(
            crossings(
              Array.from({ length: samples }, (_, k): Point => [P[2 * k], P[2 * k + 1]]),
              (i) => inner[i] === 1
            ),
            `${body.id} ${name}`
          ).toBe(0)
      }
    }
  })

  it('of the coat is closed, in one piece, and does not cross itself, over random trims', () => {
    fc.assert(
      fc.property(trims, ({ coat: id, view, scale, days }) => {
        const figure = bakeIn(id, view)
        const { lengths } = figure.spec.coat
        figure.dress({
          lengths: Object.fromEntries(Object.entries(lengths).map(([region, mm]) => [region, Math.min(250, mm! * scale)])),
          days
        })
        const { outer } = figure.silhouette(4)
        // a single cell of the 4 mm tracing that just does not touch is no second dog
        expect(outer.filter((ring) => ring.length > 6)).toHaveLength(1)
        expect(outer[0].length).toBeGreaterThan(60)
        expect(crossings(outer[0])).toBe(0)
      }),
      { numRuns: 14 }
    )
  })

  it('encloses more with every length that grows, over random trims', () => {
    fc.assert(
      fc.property(trims, fc.constantFrom(...DRAWN_REGIONS), ({ coat: id, view, scale }, region) => {
        const figure = bakeIn(id, view)
        const { lengths } = figure.spec.coat
        const worn = Object.fromEntries(Object.entries(lengths).map(([name, mm]) => [name, Math.min(200, mm! * scale)]))
        const area = (extra: number) => {
          figure.dress({ lengths: { ...worn, [region]: (worn[region] ?? 5) + extra } })
          return figure.silhouette(1.5).areaMm2
        }
        // a region that another hides, or scissors hold, may stay; none ever shrinks by more than the tracing's own coarseness
        const [before, after] = [area(0), area(18)]
        expect(after).toBeGreaterThan(before - 40)
      }),
      { numRuns: 24 }
    )
  })

  it('grows with days, all round', () => {
    for (const view of VIEWS) {
      const figure = bakeIn('bearded-pet', view)
      const areas = [0, 14, 28, 56].map((days) => {
        figure.dress({ lengths: figure.spec.coat.lengths, days })
        return figure.silhouette(2).areaMm2
      })
      expect(areas, view).toEqual([...areas].sort((a, b) => a - b))
      expect(areas[3], view).toBeGreaterThan(areas[0] * 1.03)
    }
  })
})

describe('a picture', SLOW, () => {
  it.each(VIEWS)('from %s is the same for the same numbers', (view) => {
    const paint = () => {
      const figure = bakeIn('teddy', view)
      figure.dress({ lengths: figure.spec.coat.lengths, faults: [{ kind: 'flatHead', mm: 12 }], days: 10 })
      const raster = newRaster(260, 220)
      figure.paint(raster, { scale: 0.6, originX: 130, originY: view === 'head' || view === 'above' ? 110 : 215 })
      return Buffer.from(toBytes(raster))
    }
    const first = paint()
    expect(Buffer.compare(first, paint())).toBe(0)
    expect(first.some((value) => value > 0)).toBe(true)
  })

  it('of clean layers is the same as one painted anew', () => {
    const view = { scale: 0.6, originX: 190, originY: 260 }
    const [kept, anew] = [bakeIn('bearded-pet', 'side'), bakeIn('bearded-pet', 'side')]
    const { lengths } = kept.spec.coat
    const picture = (figure: typeof kept, worn: Worn) => {
      const raster = newRaster(400, 270)
      figure.dress(worn)
      figure.paint(raster, view)
      return Buffer.from(toBytes(raster))
    }
    for (const worn of [
      { lengths },
      { lengths: { ...lengths, tail: 12 } },
      { lengths: { ...lengths, beard: 40 } },
      { lengths, days: 12 },
      { lengths, faults: [{ kind: 'dip', at: 0.4, widthMm: 50, mm: 2 }] as const }
    ])
      picture(kept, worn)
    expect(
      Buffer.compare(picture(kept, { lengths: { ...lengths, skirt: 30 } }), picture(anew, { lengths: { ...lengths, skirt: 30 } }))
    ).toBe(0)
  })
})
