// Shapes as scissors stop them, and faults as they are seen: read from outlines and pictures, in millimetres.
import { bodies, bodyById, coatFor, coats, colouringOf, drawnFaults, faultOf } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { skeletonOf } from '../body'
import {
  checkShapes,
  coatTable,
  DRAWN_REGIONS,
  otherSide,
  shapeIssues,
  standing,
  type Fault,
  type FigureLayer,
  type Shape,
  type ViewId
} from '../coat'
import { bakedFaults, bakeFigure, type Figure } from '../figure'
import { extentOf } from '../extent'
import { newRaster, toBytes } from '../paint'
import type { Point } from '../vec'
import { fromEye, topknotCentre } from './side-stops'

const SLOW = { timeout: 60000 }
const figureOf = (coatId: string, view: ViewId = 'side', faults: readonly Fault[] = []): Figure => {
  const coat = coatFor('', coatId)
  const body = bodyById(coat.body)
  const figure = bakeFigure({
    body,
    withersMm: body.withersMm,
    view,
    colouring: colouringOf(coat.colour),
    coat,
    faults: bakedFaults(faults),
    pxPerMm: 0.6,
    budget: 4000
  })
  figure.dress({ lengths: coat.lengths, faults })
  return figure
}
const shapeIn = <K extends Shape['kind']>(coatId: string, kind: K): Extract<Shape, { kind: K }> =>
  coatFor('', coatId).shapes.find((shape): shape is Extract<Shape, { kind: K }> => shape.kind === kind)!
const layerOf = (figure: Figure, name: string): FigureLayer => figure.skin.layers.find((layer) => layer.name === name)!
/** Ends of the hair of a layer that is seen, mm. */
const endsOf = (layer: FigureLayer): Point[] =>
  Array.from({ length: layer.samples }, (_, k) => k)
    .filter((k) => !layer.inner[k])
    .map((k): Point => [layer.P[2 * k] + layer.V[2 * k], layer.P[2 * k + 1] + layer.V[2 * k + 1]])
/** Width of a layer's coat at a height. */
const widthAt = (figure: Figure, name: string, y: number): number => {
  const xs = endsOf(layerOf(figure, name))
    .filter((p) => Math.abs(p[1] - y) < 2.5)
    .map(([x]) => x)
  return Math.max(...xs) - Math.min(...xs)
}
/** The largest distance of points from the straight line between the first and the last. */
const bend = (points: readonly Point[]): number => {
  const [a, b] = [points[0], points[points.length - 1]]
  const size = Math.hypot(b[0] - a[0], b[1] - a[1])
  return Math.max(...points.map(([x, y]) => Math.abs((b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0])) / size))
}
/** Pixels that are neither dog nor background, to those that are dog: how soft the edge is. */
const softShare = (figure: Figure): number => {
  const raster = newRaster(200, 200)
  figure.paint(raster, { scale: 0.6, originX: 100, originY: 100 })
  const alphas = raster.px.filter((_, i) => i % 4 === 3)
  return alphas.filter((alpha) => alpha > 12 && alpha < 243).length / alphas.filter((alpha) => alpha >= 243).length
}
const skeletonIn = (coatId: string) => {
  const body = bodyById(coatFor('', coatId).body)
  return { body, skeleton: skeletonOf(body, body.withersMm), h: body.withersMm }
}
const underline = (figure: Figure) => {
  const { marks } = figure.skin.skeleton
  return endsOf(layerOf(figure, 'body'))
    .filter(([x, y]) => x > marks.elbow[0] + 30 && x < marks.flank[0] - 14 && y < marks.brisket[1])
    .sort((a, b) => a[0] - b[0])
}

describe('scissors leave', () => {
  it('a leg as a column: as wide at a fifth as at half its height, and rounded off at the foot', () => {
    for (const view of ['side', 'front'] as const) {
      const figure = figureOf('bearded-pet', view)
      const name = view === 'side' ? 'fore' : 'foreLeft'
      const elbow = figure.skin.skeleton.marks.elbow[1]
      const [low, middle] = [0.3, 0.55].map((t) => widthAt(figure, name, t * elbow))
      expect(Math.abs(low - middle), view).toBeLessThan(2.5)
      expect(widthAt(figure, name, 2), view).toBeLessThan(middle * 0.93)
    }
  })

  it('a bracelet with a bevel at the top and at the bottom', () => {
    const figure = figureOf('bracelets', 'front')
    const { topMm, bottomBevelMm } = shapeIn('bracelets', 'cylinder')
    const middle = widthAt(figure, 'foreLeft', (topMm! + bottomBevelMm) / 2)
    expect(widthAt(figure, 'foreLeft', topMm! - 3)).toBeLessThan(middle * 0.9)
    expect(widthAt(figure, 'foreLeft', topMm! + 14)).toBeLessThan(middle * 0.6)
  })

  it('a head in a ball: the same radius from the profile and from the front', () => {
    for (const coatId of ['teddy', 'smile']) {
      const circle = shapeIn(coatId, 'circle')
      const profile = figureOf(coatId)
      const centre = fromEye(profile.skin.skeleton, circle.forwardMm, circle.upMm)
      // behind the brow, which must leave the eyes free, nothing but the scissors decides
      const crown = endsOf(layerOf(profile, 'head')).filter(
        ([x, y]) => y > centre[1] && x > centre[0] && x < centre[0] + 0.6 * circle.radiusMm
      )
      expect(crown.length, coatId).toBeGreaterThan(8)
      for (const [x, y] of crown) expect(Math.abs(Math.hypot(x - centre[0], y - centre[1]) - circle.radiusMm), coatId).toBeLessThan(1.5)
      const front = figureOf(coatId, 'head')
      const up = front.skin.face!.fromEye(circle.forwardMm, circle.upMm)
      const round = endsOf(layerOf(front, 'skull')).map(([x, y]) => Math.hypot(x, y - up))
      const near = round.filter((radius) => Math.abs(radius - circle.radiusMm) < 2.5)
      // a nape that is clipped short from the occiput takes the back of the ball away
      expect(near.length / round.length, coatId).toBeGreaterThan(coatId === 'teddy' ? 0.65 : 0.7)
    }
  })

  it('a straight underline with its slope', () => {
    const figure = figureOf('bearded-pet')
    const line = underline(figure)
    const { frontMm, rearMm } = shapeIn('bearded-pet', 'straightLine')
    const { marks } = figure.skin.skeleton
    expect(bend(line)).toBeLessThan(2)
    const slope = (line[line.length - 1][1] - line[0][1]) / (line[line.length - 1][0] - line[0][0])
    const asked = (marks.flank[1] - rearMm - (marks.brisket[1] - frontMm)) / (marks.flank[0] - marks.elbow[0] + 0.07 * 340)
    expect(Math.abs(slope - asked)).toBeLessThan(0.03)
  })

  it('a ball of a tail, a topknot and a half-round ear', () => {
    const figure = figureOf('bracelets')
    const pompon = shapeIn('bracelets', 'pompon')
    const tail = endsOf(layerOf(figure, 'tail'))
    const ball = tail.filter(([, y]) => y > Math.max(...tail.map((p) => p[1])) - 1.2 * pompon.radiusMm)
    const middle: Point = [
      (Math.max(...ball.map(([x]) => x)) + Math.min(...ball.map(([x]) => x))) / 2,
      Math.max(...ball.map(([, y]) => y)) - pompon.radiusMm
    ]
    for (const [x, y] of ball) expect(Math.abs(Math.hypot(x - middle[0], y - middle[1]) - pompon.radiusMm)).toBeLessThan(2)
    const topknot = shapeIn('bracelets', 'topknot')
    const { body, skeleton } = skeletonIn('bracelets')
    const centre = topknotCentre(body, skeleton)
    const highest = Math.max(...endsOf(layerOf(figure, 'head')).map(([, y]) => y))
    expect(Math.abs(highest - (centre[1] + topknot.radiusMm))).toBeLessThan(2)
    const ear = endsOf(layerOf(figureOf('teddy'), 'ear'))
    const { radiusMm } = shapeIn('teddy', 'halfRound')
    expect(Math.max(...ear.map(([x]) => x)) - Math.min(...ear.map(([x]) => x))).toBeLessThan(2 * radiusMm + 3)
  })

  it('a foot bare up to its line and a tail bare at its root', () => {
    const figure = figureOf('clean-face')
    const { heightMm } = shapeIn('clean-face', 'footLine')
    const fore = layerOf(figure, 'fore')
    const standsAt = (layer: FigureLayer, is: (y: number) => boolean) =>
      Math.max(
        ...Array.from({ length: layer.samples }, (_, k) =>
          is(layer.P[2 * k + 1]) && !layer.inner[k] ? Math.hypot(layer.V[2 * k], layer.V[2 * k + 1]) : 0
        )
      )
    expect(standsAt(fore, (y) => y < heightMm - 8)).toBeLessThan(4)
    expect(standsAt(fore, (y) => y > heightMm + 20)).toBeGreaterThan(8)
    const band = coatTable(coatFor('', 'clean-face'), { lengths: coatFor('', 'clean-face').lengths })
    expect(standing(band, 'tailBand')).toBeLessThan(3)
  })

  it('a ruff deepest behind the skull, a stout tail evenly wide, a plume longest where it is asked', () => {
    const ruff = shapeIn('teddy', 'ruff')
    const figure = figureOf('teddy')
    const { marks } = figure.skin.skeleton
    const body = layerOf(figure, 'body')
    const near = Array.from({ length: body.samples }, (_, k) => k).filter(
      (k) => !body.inner[k] && Math.hypot(body.P[2 * k] - marks.nape[0], body.P[2 * k + 1] - marks.nape[1]) < 25
    )
    const deep = Math.max(...near.map((k) => Math.hypot(body.V[2 * k], body.V[2 * k + 1])))
    expect(deep).toBeGreaterThan(0.55 * ruff.depthMm)
    expect(deep).toBeLessThan(1.1 * ruff.depthMm)
    const stout = shapeIn('jacket-show', 'stoutTail')
    const tail = figureOf('jacket-show')
    const tip = tail.skin.skeleton.marks.tailTip
    const beyond = Math.max(...endsOf(layerOf(tail, 'tail')).map(([, y]) => y)) - tip[1]
    expect(Math.abs(beyond - stout.beyondTipMm)).toBeLessThan(6)
    const plume = shapeIn('companion', 'plume')
    expect(Math.max(...Array.from(layerOf(figureOf('companion'), 'tail').V, Math.abs))).toBeLessThan(
      Math.max(plume.rootMm, plume.tipMm) * 1.3
    )
  })

  // scissors never leave more hair than there is; neighbours lend their lean, so the longest of them is the limit
  it('never more than the hair that is there, nor any under the ground, over random lengths of every trim', SLOW, () => {
    const lengths = fc.record(Object.fromEntries(DRAWN_REGIONS.map((region) => [region, fc.integer({ min: 1, max: 90 })])))
    fc.assert(
      fc.property(
        fc.constantFrom(...coats),
        fc.constantFrom<ViewId>('side', 'head', 'front', 'rear', 'above'),
        lengths,
        (coat, view, worn) => {
          const body = bodyById(coat.body)
          const figure = bakeFigure({
            body,
            withersMm: body.withersMm,
            view,
            colouring: colouringOf(coat.colour),
            coat,
            pxPerMm: 0.5,
            budget: 100
          })
          figure.dress({ lengths: worn })
          const longest = Math.max(...Object.values(worn))
          for (const layer of figure.skin.layers) {
            const here = Math.max(...layer.lengthAt) * 1.02 + 0.5
            for (let k = 0; k < layer.samples; k++) {
              if (layer.inner[k]) continue
              const left = Math.hypot(layer.V[2 * k], layer.V[2 * k + 1])
              expect(left, `${coat.id} ${view} ${layer.name}`).toBeLessThanOrEqual(Math.min(here, longest * 1.02 + 0.5))
              if (layer.standsOnGround) expect(layer.P[2 * k + 1] + layer.V[2 * k + 1]).toBeGreaterThan(-0.01)
            }
          }
        }
      ),
      { numRuns: 24 }
    )
  })

  it('a shape that blurs outward as days pass', () => {
    const figure = figureOf('teddy', 'head')
    const coat = coatFor('', 'teddy')
    const circle = shapeIn('teddy', 'circle')
    const up = figure.skin.face!.fromEye(circle.forwardMm, circle.upMm)
    const radii = () => endsOf(layerOf(figure, 'skull')).map(([x, y]) => Math.hypot(x, y - up))
    const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
    const fresh = mean(radii())
    const edge = softShare(figure)
    figure.dress({ lengths: coat.lengths, days: 56 })
    // 56 days at 0.3 mm are 16.8 mm of hair, standing out by its lie
    expect(mean(radii()) - fresh).toBeGreaterThan(5)
    expect(mean(radii()) - fresh).toBeLessThan(16.8)
    expect(softShare(figure)).toBeGreaterThan(edge * 1.3)
  })

  it('numbers that are refused by name', () => {
    expect(shapeIssues({ kind: 'pompon', radiusMm: 4000 })).toEqual([
      { code: 'outOfRange', path: 'shapes.pompon.radiusMm', got: 4000, limit: '0 to 320 mm' }
    ])
    expect(shapeIssues({ kind: 'circle', radiusMm: 60, forwardMm: -20, upMm: -5 })).toEqual([])
    expect(() => checkShapes([{ kind: 'ruff', depthMm: -1 }])).toThrow('shapes.ruff.depthMm is -1; it must be 0 to 320 mm.')
  })
})

describe('a fault is seen', SLOW, () => {
  const picture = (figure: Figure): Buffer => {
    const { view, body, withersMm, coat } = figure.spec
    const [left, bottom, right, top] = extentOf(body, withersMm, view, coat)
    const scale = 0.6
    const raster = newRaster(Math.ceil((right - left) * scale), Math.ceil((top - bottom) * scale))
    figure.paint(raster, { scale, originX: -left * scale, originY: top * scale })
    return Buffer.from(toBytes(raster))
  }

  // a trim that shows it, found by what the fault needs
  it.each(drawnFaults.map((fault) => [fault.name, fault] as const))('%s: changes the picture, more as it gets worse', (_, fault) => {
    const coat = coats.find(({ shapes }) => !fault.needs || shapes.some(({ kind }) => kind === fault.needs))!
    const clean = picture(figureOf(coat.id, fault.from))
    const differs = (value: number) => {
      const faulty = picture(figureOf(coat.id, fault.from, [faultOf(fault, value)]))
      let off = 0
      for (let i = 0; i < clean.length; i++) off += Math.abs(clean[i] - faulty[i])
      return off / 255
    }
    const usual = differs(fault.usual)
    expect(usual).toBeGreaterThan(40)
    if (fault.field && fault.low > 0) expect(usual).toBeGreaterThan(differs(fault.low))
  })

  it('a wavy line waves by its millimetres', () => {
    expect(bend(underline(figureOf('bearded-pet', 'side', [{ kind: 'wavyLine', mm: 8 }])))).toBeGreaterThan(5)
  })

  it('a dip sinks the topline by its millimetres, and nowhere else', () => {
    const top = (faults: readonly Fault[]) => {
      const figure = figureOf('companion', 'side', faults)
      const { withers, tailSet } = figure.skin.skeleton.marks
      const ends = endsOf(layerOf(figure, 'body')).filter(([x, y]) => y > tailSet[1] - 30 && x > withers[0] && x < tailSet[0])
      return (t: number) => {
        const x = withers[0] + t * (tailSet[0] - withers[0])
        return Math.max(...ends.filter((p) => Math.abs(p[0] - x) < 4).map((p) => p[1]))
      }
    }
    const [clean, dipped] = [top([]), top([{ kind: 'dip', at: 0.45, widthMm: 60, mm: 5 }])]
    const sunk = clean(0.45) - dipped(0.45)
    expect(sunk).toBeGreaterThan(3.5)
    expect(sunk).toBeLessThan(5.5)
    expect(Math.abs(clean(0.85) - dipped(0.85))).toBeLessThan(0.5)
  })

  it('a tube has no bevels, a flat head is level, a high tail ends higher, a bulging leg is not a column', () => {
    const topMm = shapeIn('bracelets', 'cylinder').topMm!
    const at = (faults: readonly Fault[]) => widthAt(figureOf('bracelets', 'front', faults), 'foreLeft', topMm - 4)
    expect(at([{ kind: 'tube' }])).toBeGreaterThan(at([]) * 1.08)
    const crown = (faults: readonly Fault[]) => Math.max(...endsOf(layerOf(figureOf('teddy', 'head', faults), 'skull')).map(([, y]) => y))
    expect(Math.abs(crown([]) - crown([{ kind: 'flatHead', mm: 14 }]) - 14)).toBeLessThan(2.5)
    const tail = (faults: readonly Fault[]) =>
      Math.max(...endsOf(layerOf(figureOf('jacket-show', 'side', faults), 'tail')).map(([, y]) => y))
    expect(tail([{ kind: 'tailHigh', mm: 20 }]) - tail([])).toBeGreaterThan(10)
    const leg = (faults: readonly Fault[], t: number) => {
      const figure = figureOf('bearded-pet', 'front', faults)
      return widthAt(figure, 'foreLeft', t * figure.skin.skeleton.marks.elbow[1])
    }
    const bulge: Fault[] = [{ kind: 'legBulge', mm: 8 }]
    expect(leg(bulge, 0.6) - leg(bulge, 0.3)).toBeGreaterThan(8)
  })

  it('and refused by name where its number tells nothing', () => {
    const tail = figureOf('jacket-show')
    const { lengths } = coatFor('', 'jacket-show')
    expect(() => tail.dress({ lengths, faults: [{ kind: 'tailHigh', mm: 4000 }] })).toThrow(
      'faults.tailHigh.mm is 4000; it must be 0 to 90 mm.'
    )
    expect(() => tail.dress({ lengths, faults: [{ kind: 'dip', at: 2, widthMm: 60, mm: 5 }] })).toThrow(
      'faults.dip.at is 2; it must be 0 to 1.'
    )
    expect(() => figureOf('bracelets', 'rear', [{ kind: 'tiltedBand', degrees: 90 }])).toThrow(
      'faults.tiltedBand.degrees is 90; it must be -60 to 60 degrees.'
    )
  })

  // a part that is drawn beyond its grid has no colour of its own
  it('in the coat’s own colour, as far as it stands', () => {
    const tail = figureOf('bearded-pet')
    tail.dress({ lengths: coatFor('', 'bearded-pet').lengths, faults: [{ kind: 'tailHigh', mm: 90 }] })
    const tip = endsOf(layerOf(tail, 'tail')).reduce((best, p) => (p[1] > best[1] ? p : best))
    const raster = newRaster(80, 80)
    tail.paint(raster, { scale: 1, originX: 40 - tip[0], originY: 10 + tip[1] })
    const o = 4 * (16 * 80 + 40)
    expect(raster.px[o + 3]).toBeGreaterThan(200)
    expect(Math.min(...raster.px.subarray(o, o + 3))).toBeGreaterThan(60)
  })

  it('left and right that differ stand on the right: nearer from the right profile, and never below nothing', () => {
    const lengths = coatFor('', 'teddy').lengths
    const fault: Fault = { kind: 'difference', regions: ['ribs', 'cheek'], mm: 9 }
    const turned = otherSide({ lengths, faults: [fault, { kind: 'tube' }] })
    expect(turned.lengths.ribs).toBe(lengths.ribs! + 9)
    expect(turned.lengthsB).toEqual(lengths)
    expect(turned.faults).toEqual([{ kind: 'tube' }])
    expect(otherSide({ lengths, lengthsB: { ...lengths, ribs: 3 } }).lengths.ribs).toBe(3)
    expect(otherSide({ lengths, faults: [{ ...fault, mm: -400 }] }).lengths.ribs).toBe(0)
    expect(() => coatTable(coatFor('', 'teddy'), { lengths, faults: [{ ...fault, mm: -400 }] })).not.toThrow()
  })
})

describe('what is shipped', () => {
  it('two trims for every body, every one with its colours and legal shapes', () => {
    for (const body of bodies) expect(coats.filter((coat) => coat.body === body.id).length, body.id).toBeGreaterThanOrEqual(2)
    for (const coat of coats) {
      expect(coat.shapes.flatMap(shapeIssues), coat.id).toEqual([])
      const { ramps, base, marks, pattern } = colouringOf(coat.colour)
      for (const name of [base, ...Object.values(marks), ...(pattern ? [pattern.ramp] : [])])
        expect(ramps[name!], `${coat.id} ${name}`).toHaveLength(5)
    }
    expect(new Set(coats.map(({ id }) => id)).size).toBe(coats.length)
  })
})
