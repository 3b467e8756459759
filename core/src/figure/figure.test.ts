import { bodyById, coatFor, colouringOf } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { bakeFigure, fitBody, LIE_DEG, newRaster, toBytes, type Figure, type Lengths, type Raster, type View } from '.'

const coat = coatFor('bearded', 'bearded-pet')
const plan = coat.lengths
const SCALE = 2
const view: View = { scale: SCALE, originX: 460, originY: 940 }
const bake = (budget = 60000) =>
  bakeFigure({ body: bodyById('bearded'), withersMm: 340, view: 'side', colouring: colouringOf('pepper'), coat, pxPerMm: SCALE, budget })

function picture(figure: Figure, lengths: Lengths): Raster {
  const raster = newRaster(1160, 960)
  figure.dress({ lengths })
  figure.paint(raster, view)
  return raster
}

/**
 * Where the coat ends, mm: along a line of 1 px steps from outside inward, the place where half the background is
 * covered, averaged over 2 mm across. This is how a fluffy edge is defined for pictures too.
 */
function edgeMm({ w, px }: Raster, at: number, axis: 'down' | 'up' | 'right', from: number): number {
  const half = Math.round(SCALE)
  let before = 0
  for (let step = 0; step < 400; step++) {
    const p = from + (axis === 'up' ? -step : step)
    let cover = 0
    for (let d = -half; d <= half; d++) {
      const [x, y] = axis === 'right' ? [p, at + d] : [at + d, p]
      cover += px[4 * (y * w + x) + 3] / 255 / (2 * half + 1)
    }
    if (cover >= 0.5) {
      const exact = step - 1 + (0.5 - before) / (cover - before)
      return (from + (axis === 'up' ? -exact : exact)) / SCALE
    }
    before = cover
  }
  throw new Error('no edge found')
}

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
const xPx = (mm: number) => Math.round(view.originX + mm * SCALE)
const yPx = (mm: number) => Math.round(view.originY - mm * SCALE)
const cosDeg = (deg: number) => Math.cos((deg * Math.PI) / 180)

// drawing takes its time on a small machine
const SLOW = { timeout: 60000 }

describe('the drawn coat is true to its numbers, read from the picture', SLOW, () => {
  const figure = bake()
  const { marks } = figure.skin.skeleton

  // Ref: hand calculation from length and lie alone. Over the back the skin is level (N = up) and the hair flows
  // (1, -.12)/|.|; d = cos 66 N + sin 66 T normalised, so a hair of L stands L * d.N = L * .3087 off the skin.
  it('back from 3.2 to 16 mm', () => {
    const [c, s] = [cosDeg(LIE_DEG.back), Math.sin((LIE_DEG.back * Math.PI) / 180)]
    const size = Math.hypot(1, 0.12)
    const [dx, dy] = [s / size, c - (s * 0.12) / size]
    const predicted = ((16 - 3.2) * dy) / Math.hypot(dx, dy)
    const columns = Array.from({ length: 11 }, (_, i) => xPx(marks.midBack[0] - 15 + 3 * i))
    const edge = (lengths: Lengths) => {
      const drawn = picture(figure, lengths)
      return mean(columns.map((x) => edgeMm(drawn, x, 'down', 60)))
    }
    const moved = edge({ ...plan, back: 3.2 }) - edge({ ...plan, back: 16 })
    expect(Math.abs(moved - predicted)).toBeLessThan(0.7)
    expect(predicted).toBeGreaterThan(3)
  })

  // Ref: hand calculation: a column stands skin half-width + L cos(52) from its axis
  it('foreleg from 35 to 25 mm, front edge', () => {
    const rows = Array.from({ length: 9 }, (_, i) => yPx(marks.elbow[1] * 0.3 + 4 * i))
    const front = (lengths: Lengths) => {
      const drawn = picture(figure, lengths)
      return mean(rows.map((y) => edgeMm(drawn, y, 'right', 300)))
    }
    const before = front(plan)
    const after = front({ ...plan, foreleg: 25 })
    // the far leg stands 0.06 of the height in front, with the same coat: its front edge is the one that is met first
    expect(Math.abs(after - before - 10 * cosDeg(LIE_DEG.foreleg))).toBeLessThan(0.7)
  })

  // Ref: hand calculation: the line keeps .89 of the length at the elbow and .22 at the tuck-up, straight between
  it('skirt from 45 to 35 mm', () => {
    const [x0, x1] = [marks.elbow[0] - 0.02 * 340, marks.flank[0] + 0.05 * 340]
    const at = Array.from({ length: 7 }, (_, i) => x0 + (x1 - x0) * (0.35 + 0.05 * i))
    const edges = (lengths: Lengths) => {
      const drawn = picture(figure, lengths)
      return at.map((x) => edgeMm(drawn, xPx(x), 'up', yPx(40)))
    }
    const [before, after] = [edges(plan), edges({ ...plan, skirt: 35 })]
    const moved = before.map((edge, i) => edge - after[i])
    const predicted = at.map((x) => 10 * (0.89 + ((0.22 - 0.89) * (x - x0)) / (x1 - x0)))
    expect(Math.abs(mean(moved) - mean(predicted))).toBeLessThan(0.7)
  })
})

describe('a figure', SLOW, () => {
  it('gives the same picture for the same numbers, whatever it wore before', () => {
    const [a, b] = [bake(8000), bake(8000)]
    picture(b, { ...plan, back: 16, skirt: 20 })
    const [first, second] = [toBytes(picture(a, plan)), toBytes(picture(b, plan))]
    expect(Buffer.compare(Buffer.from(first), Buffer.from(second))).toBe(0)
    expect(first.some((value) => value > 0)).toBe(true)
  })

  it('covers more paper when any visible coat grows', () => {
    const figure = bake(3000)
    const area = (lengths: Lengths) => {
      const raster = newRaster(1160, 960)
      figure.dress({ lengths })
      figure.paintSilhouette(raster, view)
      return raster.px.reduce((sum, value, i) => (i % 4 === 3 ? sum + value / 255 : sum), 0)
    }
    const base = area(plan)
    for (const region of ['back', 'loin', 'croup', 'skirt', 'chest', 'beard', 'rearPastern', 'tail', 'thigh', 'neckTop'] as const) {
      expect(area({ ...plan, [region]: plan[region]! * 1.5 + 4 }), region).toBeGreaterThan(base)
    }
  })

  it('has a shape to touch for every region one sees, apart from each other', () => {
    const shapes = bake(3000).shapes()
    const names = shapes.map((shape) => shape.region)
    for (const region of [
      'skull',
      'brow',
      'beard',
      'cheek',
      'neckSide',
      'shoulder',
      'back',
      'ribs',
      'loin',
      'skirt',
      'chest',
      'foreleg',
      'thigh',
      'rearPastern',
      'tail',
      'earOutside',
      'croup'
    ] as const) {
      expect(names, region).toContain(region)
    }
    for (const { areaMm2, rings } of shapes) {
      expect(areaMm2).toBeGreaterThan(79)
      expect(rings[0].length).toBeGreaterThan(3)
    }
  })

  it('refuses a length no dog has', () => {
    const figure = bake(1000)
    expect(() => figure.dress({ lengths: { ...plan, back: -3 } })).toThrow(/lengths\.back is -3; it must be 0 to 300 mm/)
    expect(() => figure.dress({ lengths: { ...plan, back: 900 } })).toThrow(/lengths\.back is 900/)
  })

  it('draws departures outward where long and inward where short', () => {
    const figure = bake(1000)
    figure.dress({ lengths: { ...plan, back: 12, skirt: 30 } })
    const found = figure.departuresFrom(2)
    const of = (region: string) => found.filter((departure) => departure.region === region)
    expect(of('back').length).toBeGreaterThan(10)
    expect(of('back').every((departure) => departure.byMm > 0)).toBe(true)
    expect(of('skirt').length).toBeGreaterThan(5)
    expect(of('skirt').every((departure) => departure.byMm < 0)).toBe(true)
  })
})

describe('touching and comparing', () => {
  const figure = bake(3000)
  const shapes = figure.shapes()

  it('places lie where the trade says: back over ribs, skirt under ribs, foreleg before thigh, beard before skull', () => {
    const at = (region: string) => shapes.find((shape) => shape.region === region)!.centre
    expect(at('back')[1]).toBeGreaterThan(at('ribs')[1])
    expect(at('ribs')[1]).toBeGreaterThan(at('skirt')[1])
    expect(at('foreleg')[0]).toBeLessThan(at('thigh')[0])
    expect(at('beard')[0]).toBeLessThan(at('skull')[0])
    expect(at('tail')[1]).toBeGreaterThan(at('croup')[1])
    expect(at('rearPastern')[1]).toBeLessThan(at('thigh')[1])
  })

  it('shapes cover the dog about once: their areas sum to the visible dog', () => {
    const sum = shapes.reduce((total, shape) => total + shape.areaMm2, 0)
    const rings = shapes.flatMap((shape) => shape.rings)
    expect(rings.every((ring) => ring.length > 3)).toBe(true)
    // a terrier of 340 mm: body, legs, head and tail, between 70,000 and 130,000 mm2
    expect(sum).toBeGreaterThan(70000)
    expect(sum).toBeLessThan(130000)
  })

  it('nothing departs from itself, and a departure is as long as the coat moved', () => {
    expect(figure.departuresFrom(2)).toEqual([])
    figure.dress({ lengths: { ...plan, skirt: 35 } })
    const skirt = figure.departuresFrom(2).filter((hair) => hair.region === 'skirt')
    expect(skirt.length).toBeGreaterThan(10)
    for (const { byMm } of skirt) {
      expect(byMm).toBeLessThan(0)
      // at most .89 of 10 mm, at the elbow
      expect(byMm).toBeGreaterThan(-9.5)
    }
    const belly = skirt.map((hair) => hair.to[1] - hair.from[1])
    expect(belly.every((up) => up > 0)).toBe(true)
  })
})

describe('a ball at the end of the tail', SLOW, () => {
  it.each([{}, { backMm: 330, muzzleMm: 86 }])('has hair of its colour up to its rim (%j)', (own) => {
    const ball = coatFor('poodle', 'clean-face')
    const body = fitBody(bodyById('poodle'), { withersMm: 430, ...own })
    const scale = 1.2
    const figure = bakeFigure({
      body,
      withersMm: 430,
      view: 'side',
      colouring: colouringOf('apricot'),
      coat: ball,
      pxPerMm: scale,
      budget: 30000
    })
    const raster = newRaster(1100, 900)
    const [originX, originY] = [420, 860]
    figure.dress({ lengths: ball.lengths })
    figure.paint(raster, { scale, originX, originY })
    const [tipX, tipY] = figure.skin.skeleton.marks.tailTip
    let [covered, black] = [0, 0]
    for (let y = -90; y <= 90; y++) {
      for (let x = -90; x <= 90; x++) {
        const at = 4 * (Math.round(originY - (tipY + y) * scale) * raster.w + Math.round(originX + (tipX + x) * scale))
        if (raster.px[at + 3] < 200) continue
        covered++
        if (raster.px[at] + raster.px[at + 1] + raster.px[at + 2] < 60) black++
      }
    }
    expect(covered).toBeGreaterThan(4000)
    expect(black / covered).toBeLessThan(0.002)
  })
})
