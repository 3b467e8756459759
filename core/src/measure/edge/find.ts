// The dog's outline in a picture, from the whole of it down to the edge of its coat.
import { contours } from 'd3-contour'
import { CoreError } from '../../error'
import type { PhotoPoint } from '../types'
import { awayFromBackdrop, wallOf, type Framing, type Patch } from './backdrop'
import { applyStrokes, throughAnchors, type Stroke } from './correct'
import { bodiesOf, majority, otsu } from './mask'
import { checkPicture, shrink, type Picture } from './picture'
import { refined, type Edge } from './refine'
import { withoutStraps } from './thin'

export type FoundOutline = Edge & {
  /** px² of the picture */
  readonly areaPx: number
  /** how far dog and backdrop stand apart in colour: share of all spread that lies between the two, 0 to 1 (Otsu's eta) */
  readonly apart01: number
  /** what makes it doubtful, in sentences; empty where it is sure */
  readonly doubts: readonly string[]
  /** is it no outline of one whole dog? then nothing may be told of it until it is put right */
  readonly unfit: boolean
}

/** What somebody has put right: places of backdrop, strokes of the brush, places through which the edge runs; px. */
export type Corrections = {
  readonly backdrop: readonly Patch[]
  readonly strokes: readonly Stroke[]
  readonly anchors: readonly PhotoPoint[]
}
export const NO_CORRECTIONS: Corrections = { backdrop: [], strokes: [], anchors: [] }

export const OUTLINE_STEPS = ['colours', 'apart', 'straps', 'edge'] as const
export type OutlineStep = (typeof OUTLINE_STEPS)[number]

/** Colours are parted on no more pixels than this; the edge is read in the whole picture. Chosen. */
const MOST_PX = 700_000
/** The edge of a coat is told over this length of it, and looked for so far to either side, mm. The first is the design's, the second chosen. */
const EDGE_MM = 2
const REACH_MM = 5
/** Without a scale: the root of what a dog covers, and of what a head does, mm. Chosen. */
const USUAL_MM: Readonly<Record<Framing, number>> = { body: 420, head: 140 }
/** Under this share the wall and the dog are too alike to be told apart. Chosen on drawn pictures. */
const LEAST_APART_01 = 0.6
/** A second body of this share of the first is another dog, or a person. Chosen. */
const SECOND_SHARE = 0.25
/** Less of the picture than this is no dog; more of it is no backdrop. Chosen. */
const DOG_SHARES = Object.freeze({ least: 0.01, most: 0.8 })
/** Most of the outline whose edge cannot be read before it is doubted. Chosen. */
const UNREAD_SHARE = 0.12

/**
 * The outline of what stands before a backdrop: the backdrop's colours, each pixel's distance from them, a threshold by
 * Otsu's method, what somebody has painted, the largest body that hangs together, marching squares, straps and post taken
 * off, then the edge of the coat where half the backdrop is covered.
 * @param framing a head runs out of the picture below; a whole dog stands on its table
 * @param pxPerMm the picture's scale where it is known; then the edge is where half the backdrop is covered over 2 mm
 * @param onStep told as each of OUTLINE_STEPS begins
 * @throws CoreError `noDog` where nothing stands out, `noPicture`, `noBackdrop`
 * Source: Otsu 1979, IEEE Trans. SMC 9:62-66; marching squares of d3-contour.
 */
export function findOutline(
  picture: Picture,
  framing: Framing,
  corrections: Corrections = NO_CORRECTIONS,
  pxPerMm: number | null = null,
  onStep: (step: OutlineStep) => void = () => undefined
): FoundOutline {
  checkPicture(picture)
  onStep('colours')
  const small = shrink(picture, MOST_PX)
  const { width, height, by } = small
  const scaled = corrections.backdrop.map((patch) => shrunkPatch(patch, by))
  const away = awayFromBackdrop(small, framing, scaled)
  onStep('apart')
  const { threshold, apart01 } = thresholdOf(away, small, framing)
  const standsOut = Uint8Array.from(away, (value) => (value > threshold ? 1 : 0))
  const mmPx = pxPerMm ?? (Math.sqrt(standsOut.reduce((sum, value) => sum + value, 0)) * by) / USUAL_MM[framing]
  const mask = majority(standsOut, width, height, (EDGE_MM / 2) * (mmPx / by))
  applyStrokes(mask, width, height, corrections.strokes, by)
  const { label, areas } = bodiesOf(mask, width, height)
  const first = largest(areas)
  if (first < 0 || areas[first]! < DOG_SHARES.least * width * height)
    throw new CoreError({ code: 'noDog', path: 'picture', got: 'nothing that stands out', limit: 'a dog before a plain backdrop' })
  onStep('straps')
  const body = Uint8Array.from(label, (value) => (value === first + 1 ? 1 : 0))
  const bare = largestOf(majority(withoutStraps(body, small, mmPx / by), width, height, (EDGE_MM / 2) * (mmPx / by)), width, height)
  applyStrokes(bare, width, height, corrections.strokes, by, true)
  const outline = ringOf(bare, away, threshold, width, height).map(([x, y]): PhotoPoint => [x * by, y * by])
  onStep('edge')
  const reach = Math.max(3, REACH_MM * mmPx)
  const edge = refined(picture, outline, Math.max(1.5, (EDGE_MM / 2) * mmPx), reach)
  const fixed = throughAnchors(edge, corrections.anchors, reach * 6)
  const onRim = ([x, y]: PhotoPoint) => x < reach || y < reach || x > picture.width - reach || y > picture.height - reach
  const unread = edge.uPx.filter((u, i) => u >= reach / 2 && !onRim(edge.outline[i]!)).length / edge.uPx.length
  const second = areas.reduce((most, area, i) => (i === first ? most : Math.max(most, area)), 0)
  const isTwo = second > SECOND_SHARE * areas[first]!
  const isCut = isCutOff(bare, width, height, framing)
  const isAll = areas[first]! > DOG_SHARES.most * width * height
  const doubts = [
    apart01 < LEAST_APART_01 || unread > UNREAD_SHARE
      ? 'The dog and the backdrop look too alike: touch the backdrop, or draw the edge by hand.'
      : '',
    isTwo ? 'There is something else in the picture, nearly as large: only one dog can be measured.' : '',
    isCut ? 'The dog is cut off at the edge of the picture.' : '',
    isAll ? 'Nearly the whole picture was taken for dog: step back, or touch the backdrop.' : ''
  ].filter((doubt) => doubt !== '')
  return { ...fixed, areaPx: areas[first]! * by * by, apart01, doubts, unfit: isTwo || isCut || isAll }
}

/** Three in four of the wall's own pixels at the border stay under a distance; the threshold lies within these times that. Chosen on drawn pictures. */
const BORDER_TIMES = Object.freeze({ least: 2.6, most: 4.1 })

/**
 * Otsu's threshold on the logarithm of the distances (a white leg would else hide a grey back), held to what the border's
 * own pixels say of the backdrop.
 */
function thresholdOf(away: Float32Array, picture: Picture, framing: Framing): ReturnType<typeof otsu> {
  const { threshold, apart01 } = otsu(away.map((value) => Math.log1p(value)))
  const border: number[] = []
  for (const patch of wallOf(picture, framing))
    for (let y = patch.y; y < patch.y + patch.height; y++)
      for (let x = patch.x; x < patch.x + patch.width; x++) border.push(away[y * picture.width + x]!)
  const own = border.sort((a, b) => a - b)[Math.floor(border.length * 0.75)]!
  return { threshold: Math.min(own * BORDER_TIMES.most, Math.max(own * BORDER_TIMES.least, Math.expm1(threshold))), apart01 }
}

const shrunkPatch = ({ x, y, width, height }: Patch, by: number): Patch => ({
  x: Math.floor(x / by),
  y: Math.floor(y / by),
  width: Math.max(1, Math.round(width / by)),
  height: Math.max(1, Math.round(height / by))
})

const largest = (areas: readonly number[]) => areas.reduce((best, area, i) => (best < 0 || area > areas[best]! ? i : best), -1)

function largestOf(mask: Uint8Array, width: number, height: number): Uint8Array {
  const { label, areas } = bodiesOf(mask, width, height)
  const first = largest(areas) + 1
  return Uint8Array.from(label, (value) => (value === first ? 1 : 0))
}

/** The outer ring of a body, px of the small picture: 1 inside, 0 outside, and between on its rim by how far each pixel lies over the threshold. */
function ringOf(body: Uint8Array, away: Float32Array, threshold: number, width: number, height: number): PhotoPoint[] {
  const soft = new Array<number>(width * height).fill(0)
  for (let i = 0; i < soft.length; i++) if (body[i]) soft[i] = Math.min(1, Math.max(0.55, away[i]! / threshold / 2))
  const [found] = contours().size([width, height]).smooth(true).thresholds([0.5])(soft)
  const rings = found!.coordinates.map(([ring]) => ring!.slice(0, -1).map(([x, y]): PhotoPoint => [x!, y!]))
  return rings.reduce((best, ring) => (ring.length > best.length ? ring : best))
}

function isCutOff(body: Uint8Array, width: number, height: number, framing: Framing): boolean {
  const below = (height - 1) * width
  for (let x = 0; x < width; x++) if (body[x] || (framing === 'body' && body[below + x])) return true
  // a head runs out below, and its neck may do so at the lowest part of the sides
  const rows = framing === 'head' ? Math.floor(height * 0.85) : height
  for (let y = 0; y < rows; y++) if (body[y * width] || body[y * width + width - 1]) return true
  return false
}
