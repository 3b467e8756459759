// The planned dog as it should look in a photograph: its outer coat with regions, its landmarks, its depths.
import { bakeFigure, skeletonOf, type BodyType, type Coat, type Colouring, type Landmark, type Lengths } from '../../figure'
import type { RegionId } from '../../regions'
import { evenly } from '../fit/ring'
import type { PhotoPoint } from '../types'
import { viewOf, type Seen } from './frame'
import type { Depths } from './trace'

export type PlannedDog = { readonly body: BodyType; readonly withersMm: number; readonly coat: Coat; readonly lengths: Lengths }

/** A place of the planned coat's outer edge, mm, y down, facing left or facing us; `skin` lies under it. */
export type PlannedPlace = {
  readonly at: PhotoPoint
  readonly skin: PhotoPoint
  readonly region: RegionId
  readonly layer: string
  readonly depthMm: number
}
export type PlannedView = {
  readonly outline: readonly PhotoPoint[]
  readonly rim: readonly PlannedPlace[]
  readonly marks: Readonly<Partial<Record<Landmark, PhotoPoint>>>
  readonly face: { readonly eyeX: number; readonly noseY: number } | null
  /** ears that stand break the round of the head; ears that hang are part of it */
  readonly earsStand: boolean
  readonly depths: Depths
}

/** The figure is traced on cells of this, mm: finer than any edge of a coat. */
const CELL_MM = 2
/** How far dogs differ from their body type in what stands before what, relative. Chosen. */
const DEPTH_SPREAD = 0.2

/** @throws CoreError for lengths or withers out of range, as the figure does */
export function plannedView({ body, withersMm, coat, lengths }: PlannedDog, seen: Seen): PlannedView {
  const view = viewOf(seen) === 'head' ? 'head' : 'side'
  const figure = bakeFigure({ body, withersMm, view, coat: { ...coat, lengths }, colouring: PLAIN, pxPerMm: 0.5, budget: 1 })
  const down = ([x, y]: readonly [number, number]): PhotoPoint => [x, -y]
  const [whole] = figure.silhouette(CELL_MM).outer
  const { face } = figure.skin
  const skull = figure.skin.layers.find(({ name }) => name === 'skull')
  const track = (body.breadth.foreTrack * withersMm) / 2
  const leg = { mm: track, u: Math.max(8, track * DEPTH_SPREAD) }
  const marks = view === 'side' ? skeletonOf(body, withersMm).marks : {}
  const edge = skull?.depthMm ?? 0
  return {
    outline: evenly(whole!.map(down), CELL_MM),
    rim: figure.rim().map(({ at, skin, region, layer, depthMm }) => ({ at: down(at), skin: down(skin), region, layer, depthMm })),
    marks: Object.fromEntries(Object.entries(marks).map(([name, point]) => [name, down(point as PhotoPoint)])),
    face: face ? { eyeX: face.eyeX, noseY: -face.noseY } : null,
    earsStand: body.earKind === 'prick' || body.earKind === 'button',
    depths: {
      edge: { mm: edge, u: view === 'head' ? Math.max(8, Math.abs(edge) * 0.3) : 10 },
      nose: { mm: face?.noseDepthMm ?? 0, u: (face?.noseDepthMm ?? 0) * DEPTH_SPREAD * 0.6 },
      leg
    }
  }
}

/** No colour is seen of a plan. */
const PLAIN: Colouring = { ramps: { plain: ['#404040', '#585858', '#707070', '#888888', '#a0a0a0', '#b8b8b8'] }, base: 'plain', marks: {} }
