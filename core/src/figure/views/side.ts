// The profile as layers cut from one outline. The far legs are layers of their own and wear side B's hair.
import { CORNERS, normalsOf, OUTLINE_ORDER, sampleCurve, type BodyType, type Landmark, type OutlineLandmark, type Skeleton } from '../body'
import {
  coresOf,
  faultOf,
  finishLayer,
  flowsOf,
  innerSample,
  lengthOf,
  transitionOf,
  type Coat,
  type DentPlaces,
  type Draft,
  type DrawnRegion,
  type Fault,
  type PlaceAt,
  type Sample,
  type Skin
} from '../coat'
import { between, unit, type Point } from '../vec'
import { blendFlow, outlineWeights, runsOf, taperAt, type Outline, type SoftOf } from './outline'
import { braceleted, gated, withBand, type Build } from './side-borders'
import { earDraft, tailDraft, tubeOf } from './side-ends'
import { sideStops } from './side-stops'
import { weighByCores } from './weigh'

/** What the profile knows beside its layers: for faces, dents and tests. */
export type SideSkin = Skin & { readonly outline: Outline; readonly dentPlaces: DentPlaces }

const HIND: readonly DrawnRegion[] = ['thigh', 'rearPastern', 'rearFoot', 'croup', 'underTail', 'loin']
const FORE: readonly DrawnRegion[] = ['foreleg', 'foreFoot', 'shoulder', 'chest']
const TRUNK: readonly DrawnRegion[] = [
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
const HEAD: readonly DrawnRegion[] = ['skull', 'brow', 'muzzle', 'beard', 'cheek', 'neckTop', 'throat', 'neckSide']

/** Builds the bare profile once per body, size and plan. */
export function buildSide(body: BodyType, skeleton: Skeleton, coat: Coat, faults: readonly Fault[], finestMm: number): SideSkin {
  const h = skeleton.heightMm
  const stepMm = Math.max(1.2, h / 220, finestMm)
  const outline = outlineOf(skeleton, stepMm)
  const soft = faultOf(faults, 'softEdge')
  const softOf: SoftOf = (region) => {
    const usual = transitionOf(region, lengthOf(coat.lengths, region)) * h
    return soft && usual < 0.05 * h ? Math.max(usual, soft.mm) : usual
  }
  const flows = { ...flowsOf(skeleton), ...mapped(coat.flows) }
  const build: Build = {
    body,
    skeleton,
    coat,
    faults,
    outline,
    softOf,
    flows,
    place: (weights, sideA) => ({ weights, sideA, mul: 1, flow: blendFlow(weights, flows) })
  }
  // a coat that hangs to the ground falls over the legs
  const near = falls(coat) ? [...legs(build, 1), trunkDraft(build)] : [trunkDraft(build), ...legs(build, 1)]
  const layers = [
    ...legs(build, 0),
    tailDraft(build),
    ...near,
    ...(build.body.earKind === 'prick' ? [earDraft(build), headDraft(build)] : [headDraft(build), earDraft(build)])
  ].map(finishLayer)
  const tail = tubeOf(body, skeleton)
  return {
    view: 'side',
    body,
    skeleton,
    layers,
    stepMm,
    outline,
    dentPlaces: dentPlacesOf(build),
    stops: (worn, plan, worse) => sideStops({ skeleton, body, outline, tailAxis: tail.axis }, worn, plan, worse)
  }
}

/** Body hair longer than this hangs over the legs, mm. Chosen by eye. */
const FALLS_MM = 70
const falls = ({ lengths }: Coat) => lengthOf(lengths, 'ribs') > FALLS_MM

const mapped = (flows: Coat['flows']): Partial<Record<DrawnRegion, Point>> =>
  Object.fromEntries(Object.entries(flows ?? {}).map(([region, flow]) => [region, unit(flow)]))

function outlineOf({ marks, heightMm }: Skeleton, stepMm: number): Outline {
  const { points, marks: at } = sampleCurve(
    OUTLINE_ORDER.map((name) => marks[name]),
    (i) => CORNERS.has(OUTLINE_ORDER[i]!),
    stepMm
  )
  const markAt = Object.fromEntries(OUTLINE_ORDER.map((name, i) => [name, at[i]])) as Record<OutlineLandmark, number>
  const arc = new Float64Array(points.length + 1)
  points.forEach((p, i) => {
    const next = points[(i + 1) % points.length]!
    arc[i + 1] = arc[i]! + Math.hypot(next[0] - p[0], next[1] - p[1])
  })
  return { points, normals: normalsOf(points), arc, perimeter: arc[points.length]!, markAt, heightMm }
}

function runOf(build: Build, name: string, sideA: number) {
  const { points, normals, markAt } = build.outline
  const runs = runsOf(build.outline, build.softOf)
  const isLeg = name !== 'body' && name !== 'head'
  return (from: OutlineLandmark, to: OutlineLandmark): Sample[] => {
    const samples: Sample[] = []
    for (let i = markAt[from]; ; i = (i + 1) % points.length) {
      const plain = outlineWeights(build.outline, i, runs)
      const weights = isLeg ? braceleted(build, gated(build, plain, points[i]![1]), points[i]![1]) : withBand(build, plain, points[i]!)
      samples.push({ p: points[i]!, n: normals[i]!, at: i, inner: false, place: build.place(weights, sideA) })
      if (i === markAt[to]) return samples
    }
  }
}

const across = (heightMm: number, path: readonly Point[]): Sample[] =>
  sampleCurve(path, () => false, heightMm / 60, false).points.map(innerSample)

function places(build: Build, regions: readonly DrawnRegion[], sideA: number, isLeg: boolean): PlaceAt {
  const weigh = weighByCores(regions, coresOf(build.body, build.skeleton), build.softOf)
  return (p) => build.place(isLeg ? braceleted(build, gated(build, weigh(p), p[1]), p[1]) : withBand(build, weigh(p), p), sideA)
}

function legs(build: Build, sideA: 0 | 1): Draft[] {
  const { marks: m, heightMm: h } = build.skeleton
  const at = (name: Landmark, dx: number, dy: number): Point => [m[name][0] + dx * h, m[name][1] + dy * h]
  const far = sideA === 0
  const names = far ? (['farHind', 'farFore'] as const) : (['hind', 'fore'] as const)
  const hindInner = [m.flank, at('stifle', 0.03, 0.26), at('croup', -0.02, -0.08), at('tailSet', 0.06, -0.06), m.buttock]
  const foreInner = [
    m.forearmTop,
    at('forearmTop', 0.02, 0.07),
    at('pointShoulder', 0.09, 0.13),
    at('withers', -0.02, -0.14),
    at('elbow', 0.08, 0.18),
    m.elbow
  ]
  const { rearTrack, foreTrack } = build.body.breadth
  const leg = (i: 0 | 1): Draft => ({
    name: names[i],
    samples:
      i === 0
        ? [...across(h, hindInner), ...runOf(build, names[i], sideA)('buttock', 'flank')]
        : [...across(h, foreInner), ...runOf(build, names[i], sideA)('elbow', 'forearmTop')],
    at: places(build, i === 0 ? HIND : FORE, sideA, true),
    face: i === 0 ? 'thigh' : 'foreleg',
    on: 'body',
    dim: far ? 0.55 : 1,
    depthMm: ((far ? -1 : 1) * (i === 0 ? rearTrack : foreTrack) * h) / 2,
    shift: far ? [(i === 0 ? -0.085 : -0.06) * h, 0.012 * h] : [0, 0],
    fade: { colourMm: 0.13 * h, lightMm: 0.27 * h, clearOfMm: 0.12 * h },
    floorMm: 0,
    standsOnGround: true,
    taper: (sample) => (sample.at < 0 ? 1 : taperAt(names[i], sample, build.outline, build.skeleton))
  })
  return [leg(0), leg(1)]
}

function trunkDraft(build: Build): Draft {
  const { marks: m, heightMm: h } = build.skeleton
  const mix = (a: Landmark, b: Landmark, t: number) => between(m[a], m[b], t)
  const run = runOf(build, 'body', 1)
  return {
    name: 'body',
    samples: [
      ...run('skullTop', 'backThigh'),
      ...across(h, [m.backThigh, mix('gaskinBack', 'gaskinFront', 0.45), mix('stifle', 'backThigh', 0.22), m.flank]),
      ...run('flank', 'elbow'),
      ...across(h, [m.elbow, mix('forearmFront', 'forearmBack', 0.75), mix('forearmFront', 'forearmBack', 0.25), m.forearmTop]),
      ...run('forearmTop', 'jawCorner'),
      ...across(h, [m.jawCorner, mix('jawCorner', 'skullTop', 0.5), m.skullTop])
    ],
    at: places(build, TRUNK, 1, false),
    face: 'back',
    with: ['hind', 'fore'],
    solid: true,
    floorMm: 0.03 * h,
    order: (x, y) => y - 0.35 * x,
    depthMm: 0,
    taper: (sample) => (sample.at < 0 ? 1 : taperAt('body', sample, build.outline, build.skeleton))
  }
}

function headDraft(build: Build): Draft {
  const { marks: m, heightMm: h } = build.skeleton
  const run = runOf(build, 'head', 1)
  return {
    name: 'head',
    samples: [...run('throat', 'noseTip'), ...run('noseTip', 'nape'), ...across(h, [m.nape, between(m.nape, m.neckFront, 0.5), m.throat])],
    at: places(build, HEAD, 1, false),
    face: 'skull',
    on: 'body',
    fade: { colourMm: 0.07 * h, lightMm: 0.1 * h, clearOfMm: 0 },
    floorMm: 0.03 * h,
    taper: (sample) => (sample.at < 0 ? 1 : taperAt('head', sample, build.outline, build.skeleton))
  }
}

function dentPlacesOf({ body, skeleton }: Build): DentPlaces {
  const { marks: m, heightMm: h, head } = skeleton
  const cores = coresOf(body, skeleton)
  const layerOf = (region: DrawnRegion) =>
    HEAD.slice(0, 5).includes(region)
      ? 'head'
      : FORE.slice(0, 2).includes(region)
        ? 'fore'
        : HIND.slice(0, 3).includes(region)
          ? 'hind'
          : 'body'
  return {
    heightMm: h,
    spots: Object.fromEntries(
      (Object.keys(cores) as DrawnRegion[]).map((region) => {
        const { line } = cores[region]!
        return [region, { layer: layerOf(region), at: between(line[0]!, line[line.length - 1]!, 0.5) }]
      })
    ),
    topline: [m.withers, m.tailSet],
    legs: [
      { layer: 'fore', topMm: m.elbow[1] },
      { layer: 'farFore', topMm: m.elbow[1] },
      { layer: 'hind', topMm: m.stifle[1] },
      { layer: 'farHind', topMm: m.stifle[1] }
    ],
    stop: { layer: 'head', at: m.stop, reachMm: 0.2 * head.lengthMm }
  }
}
