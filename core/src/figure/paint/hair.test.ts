import { bodyById, coatFor, colouringOf } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { randomFrom } from '../../stats'
import { skeletonOf } from '../body'
import { coatTable, dressCoat, dressOf, DRAWN_REGIONS, type Lengths } from '../coat'
import { buildSkin } from '../views'
import { paletteOf, TONES } from './colour'
import { gridLayers } from './grid'
import { shadeLayers } from './relief'
import { BAND, INSIDE, plantRoots, RIM } from './roots'
import { grownOut, newStrokes, resolveStrokes, STROKE_NUMBERS, STYLES } from './strokes'

const coat = coatFor('bearded', 'bearded-pet')
const plan = coat.lengths
const skin = buildSkin('side', bodyById('bearded'), skeletonOf(bodyById('bearded'), 340), coat, [])
const wear = (lengths: Lengths) => dressCoat(skin, dressOf(skin, coat, { lengths }, []))
const table = coatTable(coat, { lengths: plan })

wear(plan)
const widest = new Map(skin.layers.map((layer) => [layer.name, layer.V.slice()]))
const layers = gridLayers(skin, paletteOf(colouringOf('pepper')), new Map([...widest].map(([name, coat]) => [name, [coat]])), 2)
shadeLayers(layers, 12)
const plant = (budget: number, seed = 7) => plantRoots(layers, table, widest, { pxPerMm: 1.1, budget, shownMm: Infinity }, randomFrom(seed))

describe('the grid of a layer', () => {
  it('gives every cell of the skin regions that belong to its layer, weighing up to one', () => {
    for (const { layer, inside, ids, weights } of layers) {
      let checked = 0
      for (let k = 0; k < inside.length; k += 7) {
        if (!inside[k]) continue
        checked++
        const sum = weights[4 * k] + weights[4 * k + 1] + weights[4 * k + 2] + weights[4 * k + 3]
        expect(Math.abs(sum - 255)).toBeLessThanOrEqual(4)
        // near layers wear side A, far ones side B
        expect(ids[4 * k] >= DRAWN_REGIONS.length, layer.name).toBe(layer.name.startsWith('far'))
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
  const view = { pxPerMm: 1.1, widen, contrast: 1, heightMm: 340, every: 1 }
  const resolved = (name: string, lengths: Lengths = plan) => {
    wear(lengths)
    shadeLayers(layers, 12)
    const gridded = layers.find(({ layer }) => layer.name === name)!
    const strokes = newStrokes(roots.get(gridded)!)
    resolveStrokes(gridded, roots.get(gridded)!, coatTable(coat, { lengths }), STYLES.straight, view, strokes)
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
    const middle = (lengths: Lengths) => {
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

describe('textures', () => {
  it('end more unevenly the longer ago the trim was', () => {
    const [fresh, old] = [grownOut(STYLES.straight, 0, 0), grownOut(STYLES.straight, 9, 0.5)]
    expect(fresh).toEqual(STYLES.straight)
    expect(old.ragged).toBeGreaterThan(fresh.ragged * 2)
    expect(grownOut(STYLES.wire, 30, 5).ragged).toBeLessThanOrEqual(0.3)
  })

  it('show only the last turn of a curl', () => {
    const { roots, widen } = plant(12000)
    const gridded = layers.find(({ layer }) => layer.name === 'fore')!
    const strokes = newStrokes(roots.get(gridded)!)
    resolveStrokes(gridded, roots.get(gridded)!, table, STYLES.curl, { pxPerMm: 1.1, widen, contrast: 1, heightMm: 340, every: 1 }, strokes)
    const longest = Math.max(
      ...Array.from({ length: strokes.count }, (_, i) =>
        Math.hypot(
          strokes.lines[STROKE_NUMBERS * i + 4] - strokes.lines[STROKE_NUMBERS * i],
          strokes.lines[STROKE_NUMBERS * i + 5] - strokes.lines[STROKE_NUMBERS * i + 1]
        )
      )
    )
    expect(longest).toBeLessThanOrEqual(8.6)
  })

  it('draw a fifth of the hairs for a hand that moves', () => {
    const { roots, widen } = plant(12000)
    const gridded = layers.find(({ layer }) => layer.name === 'body')!
    const count = (every: number) => {
      const strokes = newStrokes(roots.get(gridded)!)
      resolveStrokes(
        gridded,
        roots.get(gridded)!,
        table,
        STYLES.straight,
        { pxPerMm: 1.1, widen, contrast: 1, heightMm: 340, every },
        strokes
      )
      return strokes.count
    }
    expect(Math.abs(count(5) / count(1) - 0.2)).toBeLessThan(0.03)
  })
})

describe('hair of several ages', () => {
  const { roots } = plant(20000)
  const body = layers.find(({ layer }) => layer.name === 'body')!
  const view = { pxPerMm: 1.1, widen: 1, contrast: 1, heightMm: 340, every: 1 }
  const long: Lengths = Object.fromEntries(DRAWN_REGIONS.map((region) => [region, 30]))
  const aged = (share01: number, mm: number, rgb?: readonly [number, number, number]) =>
    Object.fromEntries(
      DRAWN_REGIONS.map((region) => [
        region,
        [
          { share01, mm: 0 },
          { share01: 1 - share01, mm, rgb }
        ]
      ])
    )
  const draw = (ages?: ReturnType<typeof aged>) => {
    const out = newStrokes(roots.get(body)!)
    wear(long)
    resolveStrokes(body, roots.get(body)!, coatTable(coat, { lengths: long, ages }), STYLES.wire, view, out)
    return out
  }
  const meanLength = ({ count, lines }: ReturnType<typeof draw>) => {
    let sum = 0
    for (let k = 0; k < count; k++) sum += Math.hypot(lines[7 * k + 4] - lines[7 * k], lines[7 * k + 5] - lines[7 * k + 1])
    return sum / count
  }
  const all = draw()

  it('leaves out the share that shows nothing', () => {
    for (const share of [0.2, 0.5, 0.8]) {
      const drawn = draw(aged(share, 30)).count / all.count
      expect(drawn).toBeGreaterThan(1 - share - 0.08)
      expect(drawn).toBeLessThan(1 - share + 0.08)
    }
    expect(draw(aged(1, 30)).count).toBe(0)
  })
  it('draws each hair at the length of its age', () => {
    // a coat of one age, half as long as its place stands: hair about half as long
    const half = meanLength(draw(aged(0, 15))) / meanLength(all)
    expect(half).toBeGreaterThan(0.4)
    expect(half).toBeLessThan(0.65)
  })
  it('tells an age by its colour, lit as the coat is', () => {
    const { count, colours } = draw(aged(0, 30, [20, 134, 100]))
    let green = 0
    for (let k = 0; k < count; k++) if (colours[4 * k + 1] > colours[4 * k] + 20 && colours[4 * k + 1] > colours[4 * k + 2]) green++
    expect(green / count).toBeGreaterThan(0.98)
  })
  it('is the same picture each time', () => {
    expect(draw(aged(0.4, 22)).lines).toEqual(draw(aged(0.4, 22)).lines)
  })
})
