// What every view is made of: layers in paint order, each a ring of samples with place, normal, flow and region weights.
import type { BodyType, Skeleton } from '../body'
import { signedArea2, type Point } from '../vec'
import { DRAWN_REGIONS, REGION_INDEX, type DrawnRegion } from './coat-map'
import { normalsOf } from '../body'
import type { Coat, Worn } from './coat'

/** From where the dog is seen. `side` is the profile that faces left; the other profile is its mirror picture. */
export type ViewId = 'side' | 'head' | 'front' | 'rear' | 'above'

export type Weights = Readonly<Partial<Record<DrawnRegion, number>>>

/** What a place of a layer is: regions, the share that belongs to side A, how much of the length grows here, its flow. */
export type Place = { readonly weights: Weights; readonly sideA: number; readonly mul: number; readonly flow: Point }
export type PlaceAt = (p: Point) => Place

/** One layer in paint order. Arrays hold x, y pairs or four region slots per sample; `V` and `lengthAt` change with the coat. */
export type FigureLayer = {
  readonly name: string
  /** the layer whose light this one runs into at its inner edge */
  readonly on: string | null
  /** layers that are blown up together with this one, so that no crease stands between */
  readonly with: readonly string[]
  /** share of the light: far legs stand in the shade */
  readonly dim: number
  /** toward the viewer from the plane of the spine, mm: for a camera */
  readonly depthMm: number
  readonly shift: Point
  /** paint order of hairs: low first */
  readonly order: (x: number, y: number) => number
  /** widths over which colour and light run out toward an inner edge, mm; `clearOf` spares the ends of that edge */
  readonly fade: { readonly colourMm: number; readonly lightMm: number; readonly clearOfMm: number }
  readonly solid: boolean
  /** hair ends at this height above ground, mm */
  readonly floorMm: number
  readonly standsOnGround: boolean
  /** hair leans on its neighbours over this share of its own length where no scissors shaped it */
  readonly lean: number
  /** the region whose colour stands for the layer while hair is not drawn yet */
  readonly face: DrawnRegion
  readonly samples: number
  readonly P: Float32Array
  readonly N: Float32Array
  readonly T: Float32Array
  readonly ids: Uint8Array
  readonly weights: Float32Array
  readonly mul: Float32Array
  readonly taper: Float32Array
  readonly inner: Uint8Array
  /** index of the sample on the whole outline, -1 where it lies on none */
  readonly outlineIndex: Int32Array
  readonly at: PlaceAt
  readonly V: Float32Array
  readonly lengthAt: Float32Array
  dirty: boolean
}

/** A cut. `hold` 0..1 says how fully the scissors decide at a sample; `end` is where the planned hair ends there. */
export type Stop = {
  readonly layers: readonly string[]
  readonly hold: (layer: FigureLayer, k: number) => number
  readonly end: (p: Point, n: Point, own: Point) => Point
  /** a line drawn on the hair moves in proportion to its length; a round head moves by the same mm all over */
  readonly moves: 'inProportion' | 'byTheSame'
  /** the hair may be pushed to a side by combing, so that its end may lie off its normal */
  readonly mayLean?: boolean
  /** hair that was left longer than planned, mm: only a fault leaves it */
  readonly moreMm?: number
  /** neighbours do not lean on each other: a ball has few hairs at its sides, and smoothing makes an egg of it */
  readonly crisp?: boolean
}

/** A bare dog from one view. */
export type Skin = {
  readonly view: ViewId
  readonly body: BodyType
  readonly skeleton: Skeleton
  readonly layers: readonly FigureLayer[]
  readonly stepMm: number
  /** where scissors stop for a coat as it is worn, against the coat as planned */
  readonly stops: (worn: Coat, plan: Coat, faults: Worn['faults']) => readonly Stop[]
}

export type Sample = {
  readonly p: Point
  readonly n: Point
  readonly at: number
  readonly inner: boolean
  readonly place: Place | null
}

export type Draft = {
  readonly name: string
  readonly samples: readonly Sample[]
  readonly at: PlaceAt
  readonly face: DrawnRegion
  readonly on?: string | null
  readonly with?: readonly string[]
  readonly dim?: number
  readonly depthMm?: number
  readonly shift?: Point
  readonly order?: (x: number, y: number) => number
  readonly fade?: FigureLayer['fade']
  readonly solid?: boolean
  readonly floorMm?: number
  readonly standsOnGround?: boolean
  readonly lean?: number
  readonly taper?: (sample: Sample) => number
}

const NOWHERE: Point = [0, 0]

/** An inner path: no hair grows on it, the layer runs out there. */
export const innerSample = (p: Point): Sample => ({ p, n: NOWHERE, at: -1, inner: true, place: null })

/** A closed ring as samples; normals point outward whichever way it runs. `isInner` marks the samples of an inner edge. */
export function ringSamples(ring: readonly Point[], isInner: (p: Point, i: number) => boolean = () => false): Sample[] {
  const sign = signedArea2(ring) < 0 ? 1 : -1
  const normals = normalsOf(ring)
  return ring.map((p, i) => {
    const inner = isInner(p, i)
    return { p, n: inner ? NOWHERE : [sign * normals[i]![0], sign * normals[i]![1]], at: -1, inner, place: null }
  })
}

/** How hair leans on its neighbours by default; hair of tails and topknots hardly does. */
export const LEANS = Object.freeze({ much: 0.34, little: 0.08 })

export function finishLayer(draft: Draft): FigureLayer {
  const n = draft.samples.length
  const layer: FigureLayer = {
    name: draft.name,
    on: draft.on ?? null,
    with: draft.with ?? [],
    dim: draft.dim ?? 1,
    depthMm: draft.depthMm ?? 0,
    shift: draft.shift ?? NOWHERE,
    order: draft.order ?? ((x, y) => y - 0.105 * x),
    fade: draft.fade ?? { colourMm: 0, lightMm: 0, clearOfMm: 0 },
    solid: draft.solid ?? false,
    floorMm: draft.floorMm ?? -Infinity,
    standsOnGround: draft.standsOnGround ?? false,
    lean: draft.lean ?? LEANS.much,
    face: draft.face,
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
    at: draft.at,
    V: new Float32Array(2 * n),
    lengthAt: new Float32Array(n),
    dirty: true
  }
  draft.samples.forEach((sample, k) => {
    const place = sample.place ?? draft.at(sample.p)
    layer.P.set(sample.p, 2 * k)
    layer.N.set(sample.n, 2 * k)
    layer.T.set(place.flow, 2 * k)
    layer.inner[k] = sample.inner ? 1 : 0
    layer.outlineIndex[k] = sample.at
    layer.mul[k] = place.mul
    fourHeaviest(place, layer.ids, layer.weights, 4 * k)
    if (!sample.inner && draft.taper) layer.taper[k] = draft.taper(sample)
  })
  return layer
}

/** The four heaviest slots of a place, normalised, into four places of typed arrays. */
export function fourHeaviest({ weights, sideA }: Place, ids: Uint8Array, out: Float32Array, at: number): void {
  const slots: [number, number][] = []
  for (const region in weights) {
    const weight = weights[region as DrawnRegion]!
    const slot = REGION_INDEX[region as DrawnRegion]
    if (weight * sideA > 0) slots.push([slot, weight * sideA])
    if (weight * (1 - sideA) > 0) slots.push([slot + DRAWN_REGIONS.length, weight * (1 - sideA)])
  }
  slots.sort((a, b) => b[1] - a[1])
  const top = Math.min(4, slots.length)
  let sum = 0
  for (let j = 0; j < top; j++) sum += slots[j]![1]
  for (let j = 0; j < 4; j++) {
    ids[at + j] = j < top ? slots[j]![0] : 0
    out[at + j] = j < top ? slots[j]![1] / sum : 0
  }
}
