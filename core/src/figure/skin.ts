// The bare dog as layers cut from one outline, each sample with its place, normal, flow and region weights.
import { CORNERS, OUTLINE_ORDER, skeletonOf, type BodyType, type OutlineLandmark, type Skeleton } from './body'
import { flowsOf, type DrawnRegion } from './coat-map'
import { normalsOf, sampleCurve, tubeAround } from './curve'
import { blendFlow, fourHeaviest, outlineWeights, taperAt, type Outline, type Weights } from './skin-weights'
import { between, signedArea2, smoothstep, unit, type Point } from './vec'

export type LayerName = 'farHind' | 'farFore' | 'tail' | 'body' | 'hind' | 'fore' | 'head' | 'ear'

/** What a place of the tail or ear is, from its own axis. */
export type Field = (p: Point) => { readonly weights: Weights; readonly mul: number; readonly flow: Point }

/** One layer in paint order. Arrays hold x, y pairs or four region slots per sample; `V` and `lengthAt` change with the coat. */
export type Layer = {
  readonly name: LayerName
  /** the near leg whose arrays this far leg shares */
  readonly twin: 'hind' | 'fore' | null
  readonly dx: number
  readonly dy: number
  readonly samples: number
  readonly P: Float32Array
  readonly N: Float32Array
  readonly T: Float32Array
  readonly ids: Uint8Array
  readonly weights: Float32Array
  readonly mul: Float32Array
  readonly taper: Float32Array
  readonly inner: Uint8Array
  readonly outlineIndex: Int32Array
  readonly field: Field | null
  readonly regions: readonly DrawnRegion[] | null
  readonly V: Float32Array
  readonly lengthAt: Float32Array
  dirty: boolean
}

export type Skin = {
  readonly body: BodyType
  readonly skeleton: Skeleton
  readonly layers: readonly Layer[]
  /** arc length of every outline sample, mm, and the whole perimeter */
  readonly arc: Float64Array
  readonly perimeter: number
  readonly markAt: Readonly<Record<OutlineLandmark, number>>
  readonly outline: readonly Point[]
  readonly stepMm: number
  readonly flows: Readonly<Record<DrawnRegion, Point>>
}

type Sample = {
  readonly p: Point
  readonly n: Point
  readonly at: number
  readonly inner: boolean
  readonly weights: Weights
  readonly mul: number
  readonly flow: Point | null
}

/** Builds the bare dog once per body type and height. */
export function buildSkin(body: BodyType, heightMm: number): Skin {
  const skeleton = skeletonOf(body, heightMm)
  const stepMm = Math.max(1.2, heightMm / 220)
  const { points, marks } = sampleCurve(
    OUTLINE_ORDER.map((name) => skeleton.marks[name]),
    (i) => CORNERS.has(OUTLINE_ORDER[i]),
    stepMm
  )
  const markAt = Object.fromEntries(OUTLINE_ORDER.map((name, i) => [name, marks[i]])) as Record<OutlineLandmark, number>
  const arc = new Float64Array(points.length + 1)
  points.forEach(
    (p, i) => (arc[i + 1] = arc[i] + Math.hypot(points[(i + 1) % points.length][0] - p[0], points[(i + 1) % points.length][1] - p[1]))
  )
  const outline: Outline = { points, normals: normalsOf(points), arc, perimeter: arc[points.length], markAt, heightMm }
  const flows = flowsOf(skeleton)
  const layers = [...bodyLayers(outline, skeleton), tailLayer(body, skeleton), earLayer(body, skeleton)].map((draft) =>
    finish(draft, outline, skeleton, flows)
  )
  const order: LayerName[] = ['farHind', 'farFore', 'tail', 'body', 'hind', 'fore', 'head', 'ear']
  return {
    body,
    skeleton,
    layers: order.map((name) => layers.find((layer) => layer.name === name)!),
    arc,
    perimeter: outline.perimeter,
    markAt,
    outline: points,
    stepMm,
    flows
  }
}

type Draft = {
  readonly name: LayerName
  readonly samples: readonly Sample[]
  readonly regions: readonly DrawnRegion[] | null
  readonly field?: Field
  readonly twin?: 'hind' | 'fore'
  readonly dx?: number
  readonly dy?: number
}

function bodyLayers(outline: Outline, { marks: m, heightMm: h }: Skeleton): Draft[] {
  const { points, normals, markAt } = outline
  const cache: Weights[] = []
  const run = (from: OutlineLandmark, to: OutlineLandmark): Sample[] => {
    const samples: Sample[] = []
    for (let i = markAt[from]; ; i = (i + 1) % points.length) {
      samples.push({
        p: points[i],
        n: normals[i],
        at: i,
        inner: false,
        weights: (cache[i] ??= outlineWeights(outline, i)),
        mul: 1,
        flow: null
      })
      if (i === markAt[to]) return samples
    }
  }
  const across = (...path: Point[]): Sample[] =>
    sampleCurve(path, () => false, h / 60, false).points.map((p) => ({
      p,
      n: [0, 0],
      at: -1,
      inner: true,
      weights: {},
      mul: 1,
      flow: null
    }))
  const at = (name: keyof typeof m, dx: number, dy: number): Point => [m[name][0] + dx * h, m[name][1] + dy * h]
  const mix = (a: keyof typeof m, b: keyof typeof m, t: number) => between(m[a], m[b], t)
  const hind = [
    ...across(m.flank, at('stifle', 0.03, 0.26), at('croup', -0.02, -0.08), at('tailSet', 0.06, -0.06), m.buttock),
    ...run('buttock', 'flank')
  ]
  const fore = [
    ...across(
      m.forearmTop,
      at('forearmTop', 0.02, 0.07),
      at('pointShoulder', 0.09, 0.13),
      at('withers', -0.02, -0.14),
      at('elbow', 0.08, 0.18),
      m.elbow
    ),
    ...run('elbow', 'forearmTop')
  ]
  const trunk = [
    ...run('skullTop', 'backThigh'),
    ...across(m.backThigh, mix('gaskinBack', 'gaskinFront', 0.45), mix('stifle', 'backThigh', 0.22), m.flank),
    ...run('flank', 'elbow'),
    ...across(m.elbow, mix('forearmFront', 'forearmBack', 0.75), mix('forearmFront', 'forearmBack', 0.25), m.forearmTop),
    ...run('forearmTop', 'jawCorner'),
    ...across(m.jawCorner, mix('jawCorner', 'skullTop', 0.5), m.skullTop)
  ]
  const head = [...run('throat', 'noseTip'), ...run('noseTip', 'nape'), ...across(m.nape, mix('nape', 'neckFront', 0.5), m.throat)]
  const hindRegions: DrawnRegion[] = ['thigh', 'rearPastern', 'rearFoot', 'croup', 'underTail', 'loin']
  const foreRegions: DrawnRegion[] = ['foreleg', 'foreFoot', 'shoulder', 'chest']
  return [
    { name: 'farHind', samples: hind, regions: hindRegions, twin: 'hind', dx: -0.085 * h, dy: 0.012 * h },
    { name: 'farFore', samples: fore, regions: foreRegions, twin: 'fore', dx: -0.06 * h, dy: 0.012 * h },
    {
      name: 'body',
      samples: trunk,
      regions: [
        'neckTop',
        'neckSide',
        'throat',
        'shoulder',
        'back',
        'ribs',
        'loin',
        'skirt',
        'chest',
        'croup',
        'thigh',
        'underTail',
        'skull',
        'cheek'
      ]
    },
    { name: 'hind', samples: hind, regions: hindRegions },
    { name: 'fore', samples: fore, regions: foreRegions },
    { name: 'head', samples: head, regions: ['skull', 'brow', 'muzzle', 'beard', 'cheek', 'neckTop', 'throat', 'neckSide'] }
  ]
}

/** A closed ring with a field as a layer; its normals point outward whichever way it runs. */
function ringLayer(name: LayerName, ring: readonly Point[], field: Field): Draft {
  const sign = signedArea2(ring) < 0 ? 1 : -1
  const normals = normalsOf(ring)
  const samples = ring.map((p, i): Sample => {
    const { weights, mul, flow } = field(p)
    return { p, n: [sign * normals[i][0], sign * normals[i][1]], at: -1, inner: false, weights, mul, flow }
  })
  return { name, samples, regions: null, field }
}

function tailLayer(body: BodyType, { tailSpine, heightMm: h }: Skeleton): Draft {
  const [base, middle, tip] = body.tailWidth
  const { ring, axis } = tubeAround(tailSpine, [base * h, middle * h, tip * h], h / 300)
  const field: Field = (p) => {
    let nearest = 0
    let least = Infinity
    for (let i = 0; i < axis.length; i += 2) {
      const d = (p[0] - axis[i][0]) ** 2 + (p[1] - axis[i][1]) ** 2
      if (d < least) [least, nearest] = [d, i]
    }
    const a = axis[Math.max(0, nearest - 1)]
    const b = axis[Math.min(axis.length - 1, nearest + 1)]
    const t = nearest / (axis.length - 1)
    const band = 1 - smoothstep(0.12, 0.24, t)
    return { weights: { tail: 1 - band, tailBand: band }, mul: smoothstep(-0.25, 0.1, t), flow: unit([b[0] - a[0], b[1] - a[1]]) }
  }
  return ringLayer('tail', ring, field)
}

function earLayer(body: BodyType, { ear, marks, heightMm: h }: Skeleton): Draft {
  const ring = sampleCurve(ear, (i) => i === body.earTipIndex && body.earCorner, Math.max(1, h / 260)).points
  const base = between(marks.earFront, marks.earBack, 0.5)
  const hang = unit([marks.earTip[0] - base[0], marks.earTip[1] - base[1]])
  const length = Math.hypot(marks.earTip[0] - base[0], marks.earTip[1] - base[1])
  const field: Field = (p) => {
    const t = smoothstep(-0.05, 0.45, ((p[0] - base[0]) * hang[0] + (p[1] - base[1]) * hang[1]) / length)
    return { weights: { earBase: 1 - t, earOutside: t }, mul: 1, flow: unit([hang[0] * 0.8, hang[1] * 0.8 - 0.4]) }
  }
  return ringLayer('ear', ring, field)
}

function finish(draft: Draft, outline: Outline, skeleton: Skeleton, flows: Readonly<Record<DrawnRegion, Point>>): Layer {
  const n = draft.samples.length
  const layer: Layer = {
    name: draft.name,
    twin: draft.twin ?? null,
    dx: draft.dx ?? 0,
    dy: draft.dy ?? 0,
    samples: n,
    P: new Float32Array(2 * n),
    N: new Float32Array(2 * n),
    T: new Float32Array(2 * n),
    ids: new Uint8Array(4 * n),
    weights: new Float32Array(4 * n),
    mul: new Float32Array(n).fill(1),
    taper: new Float32Array(n).fill(1),
    inner: new Uint8Array(n),
    outlineIndex: new Int32Array(n).fill(-1),
    field: draft.field ?? null,
    regions: draft.regions,
    V: new Float32Array(2 * n),
    lengthAt: new Float32Array(n),
    dirty: true
  }
  draft.samples.forEach((sample, k) => {
    layer.P.set(sample.p, 2 * k)
    layer.N.set(sample.n, 2 * k)
    layer.T.set(sample.flow ?? blendFlow(sample.weights, flows), 2 * k)
    layer.inner[k] = sample.inner ? 1 : 0
    layer.outlineIndex[k] = sample.at
    layer.mul[k] = sample.mul
    fourHeaviest(sample.weights, layer.ids, layer.weights, 4 * k)
    if (!sample.inner && sample.at >= 0) layer.taper[k] = taperAt(draft.name, sample, outline, skeleton)
  })
  return layer
}
