import { bodyById, colouringOf, standards } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { randomFrom } from '../stats'
import { coatTable, dressCoat } from './coat'
import { coresOf, DRAWN_REGIONS, REGION_INDEX } from './coat-map'
import { departures } from './departure'
import { browWedge } from './face'
import { gridLayers, TONES, type Ramps } from './grid'
import { shadeLayers } from './relief'
import { BAND, INSIDE, plantRoots, RIM } from './roots'
import { buildSkin } from './skin'
import { newStrokes, resolveStrokes, STRAIGHT, STROKE_NUMBERS } from './strokes'
import { regionShapes } from './touch'
import { signedArea2 } from './vec'

const body = bodyById('bearded')
const plan = standards[0].plan.lengthsMm
const skin = buildSkin(body, 340)
const table = coatTable(plan)
const rgb = (hex: string) => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)) as unknown as readonly [number, number, number]
const { ramps: named, base, marks } = colouringOf('pepper')
const ramps = Object.fromEntries(DRAWN_REGIONS.map((region) => [region, named[marks[region] ?? base].map(rgb)])) as unknown as Ramps

dressCoat(skin, table)
const reach = new Map(skin.layers.map((layer) => [layer, layer.V.slice()]))
const layers = gridLayers(skin, coresOf(body, skin.skeleton), ramps, reach)
shadeLayers(layers, 12)
const widest = new Map(skin.layers.map((layer) => [layer.name as string, layer.V.slice()]))
const plant = (budget: number, seed = 7) => plantRoots(layers, table, widest, { pxPerMm: 1.1, budget }, randomFrom(seed))

describe('the grid of a layer', () => {
  it('gives every cell of the skin regions that belong to its layer, weighing up to one', () => {
    for (const { layer, inside, ids, weights } of layers) {
      let checked = 0
      for (let k = 0; k < inside.length; k += 7) {
        if (!inside[k]) continue
        checked++
        const sum = weights[4 * k] + weights[4 * k + 1] + weights[4 * k + 2] + weights[4 * k + 3]
        expect(Math.abs(sum - 255)).toBeLessThanOrEqual(4)
        if (layer.regions) expect(layer.regions.map((region) => REGION_INDEX[region])).toContain(ids[4 * k])
      }
      expect(checked, layer.name).toBeGreaterThan(10)
    }
  })

  it('has tones that rise from dark to light', () => {
    const { inside, tint, fade } = layers.find(({ layer }) => layer.name === 'body')!
    const at = inside.findIndex((value, k) => value === 1 && k > 2000)
    const lightness = Array.from({ length: TONES }, (_, tone) => tint[3 * (tone * fade.length + at)])
    expect(lightness).toEqual([...lightness].sort((a, b) => a - b))
    expect(lightness[4] - lightness[0]).toBeGreaterThan(100)
  })

  it('is lit from the upper left: a back is lighter than a belly', () => {
    const gridded = layers.find(({ layer }) => layer.name === 'body')!
    const { grid, shade } = gridded
    const shadeAt = (x: number, y: number) =>
      shade[Math.floor((grid.top - y) / grid.cell) * grid.w + Math.floor((x - grid.left) / grid.cell)]
    const { midBack, belly } = skin.skeleton.marks
    expect(shadeAt(midBack[0], midBack[1] - 15)).toBeGreaterThan(shadeAt(belly[0], belly[1] + 12) + 0.1)
  })
})

describe('roots', () => {
  it('keep to their budget, and repeat for a seed', () => {
    // the rim keeps more than its share, because it is what tells length: a very small budget is overdrawn
    for (const budget of [8000, 20000, 40000]) {
      const { total } = plant(budget)
      expect(total).toBeGreaterThan(budget * 0.6)
      expect(total).toBeLessThan(budget * 1.25)
    }
    const [a, b] = [plant(5000), plant(5000)]
    expect(a.total).toBe(b.total)
    expect(a.roots.get(layers[3])!.a).toEqual(b.roots.get(layers[3])!.a)
    expect(plant(5000, 8).roots.get(layers[3])!.a).not.toEqual(a.roots.get(layers[3])!.a)
  })

  it('grow inside, on the rim and in the band of every layer with a coat', () => {
    const { roots } = plant(20000)
    for (const gridded of layers) {
      const kinds = new Set(roots.get(gridded)!.kind)
      expect(kinds.has(INSIDE), gridded.layer.name).toBe(true)
      expect(kinds.has(RIM), gridded.layer.name).toBe(true)
    }
    expect(new Set(roots.get(layers.find(({ layer }) => layer.name === 'fore')!)!.kind).has(BAND)).toBe(true)
  })

  it('are wider where fewer are drawn than wanted', () => {
    expect(plant(3000).widen).toBeGreaterThan(plant(40000).widen)
    expect(plant(3000).widen).toBeLessThanOrEqual(2.1)
  })
})

describe('strokes', () => {
  const { roots, widen } = plant(20000)
  const view = { pxPerMm: 1.1, widen, contrast: 1, heightMm: 340 }
  const resolved = (name: string, lengths = plan) => {
    dressCoat(skin, coatTable(lengths))
    shadeLayers(layers, 12)
    const gridded = layers.find(({ layer }) => layer.name === name)!
    const strokes = newStrokes(roots.get(gridded)!)
    resolveStrokes(gridded, roots.get(gridded)!, coatTable(lengths), STRAIGHT, view, strokes)
    return { gridded, strokes }
  }
  const lengthsOf = ({ lines, count }: { lines: Float32Array; count: number }) =>
    Array.from({ length: count }, (_, i) =>
      Math.hypot(lines[STROKE_NUMBERS * i + 4] - lines[STROKE_NUMBERS * i], lines[STROKE_NUMBERS * i + 5] - lines[STROKE_NUMBERS * i + 1])
    )

  it('are finite, coloured, and never much longer than the hair', () => {
    for (const name of ['body', 'fore', 'head', 'ear', 'tail']) {
      const { strokes } = resolved(name)
      expect(strokes.count, name).toBeGreaterThan(200)
      expect(strokes.lines.subarray(0, STROKE_NUMBERS * strokes.count).every(Number.isFinite), name).toBe(true)
      expect(Math.max(...lengthsOf(strokes)), name).toBeLessThan(Math.max(...Object.values(plan)) * 1.25)
      for (let i = 0; i < strokes.count; i++) expect([158, 184]).toContain(strokes.colours[4 * i + 3])
    }
  })

  it('grow longer with the coat', () => {
    const middle = (lengths: typeof plan) => {
      const sorted = lengthsOf(resolved('body', lengths).strokes).sort((a, b) => a - b)
      return sorted[Math.floor(sorted.length / 2)]
    }
    expect(middle({ ...plan, back: 12, ribs: 12, loin: 12, croup: 12, shoulder: 12 })).toBeGreaterThan(middle(plan) * 1.5)
  })

  it('do not grow into the ground', () => {
    const { strokes } = resolved('fore')
    for (let i = 0; i < strokes.count; i++) expect(strokes.lines[STROKE_NUMBERS * i + 5]).toBeGreaterThan(-0.02 * 340)
  })
})

describe('touching and comparing', () => {
  dressCoat(skin, table)
  shadeLayers(layers, 12)
  const shapes = regionShapes(layers, browWedge(skin, 30))

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
    expect(rings.every((ring) => Math.abs(signedArea2(ring)) > 0)).toBe(true)
    // a terrier of 340 mm: body, legs, head and tail, between 70,000 and 130,000 mm2
    expect(sum).toBeGreaterThan(70000)
    expect(sum).toBeLessThan(130000)
  })

  it('nothing departs from itself, and a departure is as long as the coat moved', () => {
    expect(departures(skin, plan, plan, 2)).toEqual([])
    const skirt = departures(skin, plan, { ...plan, skirt: 35 }, 2).filter((hair) => hair.region === 'skirt')
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
