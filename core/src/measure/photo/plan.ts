// The planned dog as it should look in a photograph: its outer coat with regions, its landmarks, its depths.
import {
  bakeFigure,
  skeletonOf,
  standingWide,
  type BodyType,
  type Coat,
  type Colouring,
  type Figure,
  type Landmark,
  type Lengths,
  type Worn
} from '../../figure'
import type { RegionId } from '../../regions'
import { evenly } from '../fit/ring'
import type { PhotoPoint } from '../types'
import { viewOf, type PhotoView, type Seen } from './frame'
import type { Depths } from './trace'

/** `worn`: as it is worn in place of as planned, with what grew or was cut wrong */
export type PlannedDog = {
  readonly body: BodyType
  readonly withersMm: number
  readonly coat: Coat
  readonly lengths: Lengths
  readonly worn?: Worn
}

/** A place of the planned coat's outer edge, mm, y down, facing left or facing us; `skin` lies under it. */
export type PlannedPlace = {
  readonly at: PhotoPoint
  readonly skin: PhotoPoint
  readonly region: RegionId
  readonly layer: string
  readonly depthMm: number
}
/** The coat's edge of one part, mm, with how far before the plane that is measured it stands. */
export type PlannedPart = { readonly layer: string; readonly depthMm: number; readonly ring: readonly PhotoPoint[] }
export type PlannedView = {
  /** the parts of a dog seen whole; none of a head or a profile, which are laid over flat */
  readonly parts: readonly PlannedPart[]
  readonly outline: readonly PhotoPoint[]
  readonly rim: readonly PlannedPlace[]
  readonly marks: Readonly<Partial<Record<Landmark, PhotoPoint>>>
  /** how far each landmark of a dog seen whole lies before the plane that is measured, mm */
  readonly markDepths: Readonly<Partial<Record<Landmark, number>>>
  readonly face: { readonly eyeX: number; readonly noseY: number } | null
  /** ears that stand break the round of the head; ears that hang are part of it */
  readonly earsStand: boolean
  readonly depths: Depths
}

/** The figure is traced on cells of this, mm: finer than any edge of a coat. */
export const CELL_MM = 2
/** How far dogs differ from their body type in what stands before what, relative. Chosen. */
const DEPTH_SPREAD = 0.2

/** The part of the figure in whose plane a whole dog is measured: the legs that face the camera; from above the trunk at its widest. */
const PLANE_OF: Readonly<Partial<Record<PhotoView, string>>> = { front: 'foreLeft', rear: 'rearLeft', above: 'body' }
/** A dog seen whole is no flat thing: its edge lies before or behind the plane by about this, share of its height. Chosen. */
const EDGE_DEEP01 = 0.06

/**
 * The planned dog as it is stood up for that picture: along it, with its legs apart.
 * @throws CoreError for lengths or withers out of range, as the figure does
 */
export function plannedView({ body: own, withersMm, coat, lengths, worn }: PlannedDog, seen: Seen): PlannedView {
  const view = viewOf(seen)
  const body = view === 'front' || view === 'rear' ? standingWide(own, withersMm, lengths) : own
  const spec = { body, withersMm, view: view === 'profile' ? ('side' as const) : view, coat: { ...coat, lengths }, colouring: PLAIN }
  const figure = bakeFigure({ ...spec, faults: worn?.faults, pxPerMm: 0.5, budget: 1 })
  if (worn) figure.dress(worn)
  const [whole] = figure.silhouette(CELL_MM).outer
  const { face } = figure.skin
  const plane = depthOfLayer(figure, PLANE_OF[view]) ?? 0
  const marks = view === 'head' ? [] : (Object.entries(skeletonOf(body, withersMm).marks) as [Landmark, readonly [number, number]][])
  return {
    parts: view === 'head' || view === 'profile' ? [] : partsOf(figure, plane),
    outline: evenly(whole!.map(down), CELL_MM),
    rim: figure.rim().map(({ at, skin, region, layer, depthMm }) => ({
      ...{ at: down(at), skin: down(skin), region, layer, depthMm: depthMm - plane }
    })),
    marks: Object.fromEntries(marks.map(([name, point]) => [name, down(placeFrom(view, point))])),
    markDepths: Object.fromEntries(marks.map(([name, point]) => [name, depthFrom(view, point, withersMm) - plane])),
    face: view === 'head' && face ? { eyeX: face.eyeX, noseY: -face.noseY } : null,
    earsStand: body.earKind === 'prick' || body.earKind === 'button',
    depths: depthsOf(figure, view, plane)
  }
}

/**
 * How far the plane in which a dog is measured lies before the middle of the withers, mm: the forelegs from the front, the hind
 * legs from the rear, the widest of the ribs from above; 0 for profiles (the spine) and heads (the eyes).
 */
export function measuringPlaneMm(body: BodyType, withersMm: number, seen: Seen): number {
  const view = viewOf(seen)
  if (view === 'head' || view === 'profile') return 0
  const coat = { lengths: {}, texture: 'straight' as const, shapes: [] }
  return depthOfLayer(bakeFigure({ body, withersMm, view, coat, colouring: PLAIN, pxPerMm: 0.1, budget: 1 }), PLANE_OF[view]) ?? 0
}

const down = ([x, y]: readonly [number, number]): PhotoPoint => [x, -y]
const depthOfLayer = ({ skin }: Figure, name: string | undefined) => skin.layers.find((layer) => layer.name === name)?.depthMm
const partsOf = (figure: Figure, plane: number): PlannedPart[] =>
  figure.outlines().map(({ layer, ring }) => ({ layer, depthMm: (depthOfLayer(figure, layer) ?? plane) - plane, ring: ring.map(down) }))
/** A landmark of the dog's middle as it is seen from there. */
const placeFrom = (view: PhotoView, [x, y]: readonly [number, number]): readonly [number, number] =>
  view === 'above' ? [x, 0] : view === 'profile' ? [x, y] : [0, y]

/** How far it lies before the middle of the withers, mm. */
function depthFrom(view: PhotoView, [x, y]: readonly [number, number], withersMm: number): number {
  if (view === 'front') return -x
  return view === 'rear' ? x : view === 'above' ? y - withersMm : 0
}

function depthsOf(figure: Figure, view: PhotoView, plane: number): Depths {
  const { body, withersMm } = figure.spec
  const { face } = figure.skin
  if (view === 'front' || view === 'rear' || view === 'above') {
    const deep = { mm: 0, u: EDGE_DEEP01 * withersMm }
    const none = { mm: 0, u: 0 }
    const sure = (mm: number, least: number) => ({ mm, u: Math.max(least, Math.abs(mm) * DEPTH_SPREAD) })
    const of = (layer: string) => depthOfLayer(figure, layer) ?? plane
    const all = { edge: deep, nose: none, leg: none }
    if (view === 'above') return { ...all, neck: sure(of('neck') - plane, 10), back: sure(-plane, 8) }
    return view === 'rear' ? { ...all, back: sure(of('tail') - of('body'), 15) } : all
  }
  const track = (body.breadth.foreTrack * withersMm) / 2
  const edge = depthOfLayer(figure, 'skull') ?? 0
  return {
    edge: { mm: edge, u: view === 'head' ? Math.max(8, Math.abs(edge) * 0.3) : 10 },
    nose: { mm: face?.noseDepthMm ?? 0, u: (face?.noseDepthMm ?? 0) * DEPTH_SPREAD * 0.6 },
    leg: { mm: track, u: Math.max(8, track * DEPTH_SPREAD) }
  }
}

/** No colour is seen of a plan. */
const PLAIN: Colouring = { ramps: { plain: ['#404040', '#585858', '#707070', '#888888', '#a0a0a0', '#b8b8b8'] }, base: 'plain', marks: {} }
