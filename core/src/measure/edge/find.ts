// The dog's outline in a picture, from the whole of it down to the edge of its coat.
import { contours } from 'd3-contour'
import { CoreError } from '../../error'
import type { PhotoPoint } from '../types'
import { awayFromBackdrop, besideTheFeet, wallOf, type Framing, type Patch } from './backdrop'
import { applyStrokes, throughAnchors, type Stroke } from './correct'
import { areaOf, bodiesOf, largest, largestOf, majority, maskOf, otsu } from './mask'
import { checkPicture, shrink, type Picture } from './picture'
import { refined, type Edge } from './refine'
import { withoutStraps } from './thin'
import { idleTouches, withoutTouched } from './touch'
import { DOG_SHARES, isNoDog, toldOf } from './whole'

export type FoundOutline = Edge & {
  /** px² of the picture */
  readonly areaPx: number
  /** how far dog and backdrop stand apart in colour: share of all spread that lies between the two, 0 to 1 (Otsu's eta) */
  readonly apart01: number
  /** what makes it doubtful, in sentences; empty where it is sure */
  readonly doubts: readonly string[]
  /** is it no outline of one whole dog? then nothing may be told of it until it is put right */
  readonly unfit: boolean
  /** touches on what was backdrop already: they changed nothing */
  readonly idleTouches: number
}

/** What somebody has put right: places of backdrop, strokes of the brush, places through which the edge runs; px. */
export type Corrections = {
  readonly backdrop: readonly Patch[]
  readonly strokes: readonly Stroke[]
  readonly anchors: readonly PhotoPoint[]
  /** where two touches said that the dog is, and what was found of it there: in place of what stands out of the backdrop */
  readonly shape?: ShapeFound | null
}
/** `ring`: where it ends, roughly; px */
export type ShapeFound = { readonly touches: readonly [PhotoPoint, PhotoPoint]; readonly ring: readonly PhotoPoint[] }
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
  onStep('apart')
  const { away, threshold, apart01, standsOut } = partedBy(small, framing, scaled)
  const { shape } = corrections
  const kept = shape ? maskOf(shape.ring, small) : standsOut
  const mmPx = pxPerMm ?? (Math.sqrt(areaOf(kept)) * by) / USUAL_MM[framing]
  const raw = shape ? kept : majority(standsOut, width, height, (EDGE_MM / 2) * (mmPx / by))
  const seen = shape ? raw : withoutTable(raw, small, framing, (EDGE_MM / 2) * (mmPx / by))
  const isDog = (left: Uint8Array) => !isNoDog(left, width, height, framing)
  const mask = withoutTouched(seen, small, scaled, isDog(seen) ? null : isDog)
  applyStrokes(mask, width, height, corrections.strokes, by)
  const { label, areas } = bodiesOf(mask, width, height)
  const first = largest(areas)
  if (first < 0 || areas[first]! < DOG_SHARES.least * width * height) throw noDog()
  onStep('straps')
  const body = Uint8Array.from(label, (value) => (value === first + 1 ? 1 : 0))
  const bare = largestOf(majority(withoutStraps(body, small, mmPx / by), width, height, (EDGE_MM / 2) * (mmPx / by)), width, height)
  applyStrokes(bare, width, height, corrections.strokes, by, true)
  // a stroke may have taken all that was left
  if (areaOf(bare) === 0) throw noDog()
  // where a shape was found, how far a pixel stands off the backdrop says nothing
  const ring = shape ? ringOf(bare, away.fill(1), 0.5, width, height) : ringOf(bare, away, threshold, width, height)
  const outline = ring.map(([x, y]): PhotoPoint => [x * by, y * by])
  onStep('edge')
  const reach = Math.max(3, REACH_MM * mmPx)
  const edge = refined(picture, outline, Math.max(1.5, (EDGE_MM / 2) * mmPx), reach)
  const isInside = ([x, y]: PhotoPoint) => bare[Math.floor(y / by) * width + Math.floor(x / by)] === 1
  const isNear = (anchor: PhotoPoint) => nearestOf(edge.outline, anchor) <= FAR_REACHES[isInside(anchor) ? 'inwards' : 'outwards'] * reach
  const near = corrections.anchors.filter(isNear)
  const fixed = throughAnchors(edge, near, reach * 6)
  const onRim = ([x, y]: PhotoPoint) => x < reach || y < reach || x > picture.width - reach || y > picture.height - reach
  const unread = edge.uPx.filter((u, i) => u >= reach / 2 && !onRim(edge.outline[i]!)).length / edge.uPx.length
  const told = toldOf(bare, width, height, framing, {
    second01: areas.reduce((most, area, i) => (i === first ? most : Math.max(most, area)), 0) / areas[first]!,
    isAlike: (!shape && apart01 < LEAST_APART_01) || unread > UNREAD_SHARE,
    isTableOff: seen !== raw,
    isFar: near.length < corrections.anchors.length
  })
  // what two touches have laid is looked at by an eye before it is believed
  const doubts = shape ? [...told.doubts, BY_SHAPE] : told.doubts
  return { ...fixed, areaPx: areas[first]! * by * by, apart01, ...told, doubts, idleTouches: idleTouches(seen, small, scaled) }
}

const BY_SHAPE = 'It was fitted by two touches: check it all the way round.'

/**
 * An edge is bent over no more reaches than this: farther off, one cannot tell which side of it the dog is on, and inwards the far side of a
 * leg is near. Chosen on drawn scenes.
 */
const FAR_REACHES = Object.freeze({ inwards: 1.5, outwards: 4 })
const nearestOf = (ring: readonly PhotoPoint[], [x, y]: PhotoPoint) => Math.min(...ring.map(([u, v]) => Math.hypot(u - x, v - y)))

const noDog = () =>
  new CoreError({ code: 'noDog', path: 'picture', got: 'nothing that stands out', limit: 'a dog before a plain backdrop' })

type Parted = {
  readonly away: Float32Array
  readonly threshold: number
  readonly apart01: number
  readonly standsOut: Uint8Array
}

/**
 * What stands out from the border's colours. What somebody has touched changes none of them: it is taken off later, where it hangs
 * together. Only where nothing stands out at all do touched colours take the border's place.
 */
function partedBy(small: Picture, framing: Framing, touched: readonly Patch[]): Parted {
  if (touched.length > 0 && !touched.some((patch) => overlaps(patch, small)))
    throw new CoreError({ code: 'noBackdrop', path: 'backdrop', got: 'a place outside the picture', limit: 'a place of the backdrop' })
  const parted = (patches: readonly Patch[]): Parted => {
    const away = awayFromBackdrop(small, framing, patches)
    const { threshold, apart01 } = thresholdOf(away, small, framing)
    return { away, threshold, apart01, standsOut: Uint8Array.from(away, (value) => (value > threshold ? 1 : 0)) }
  }
  const usual = parted([])
  const least = DOG_SHARES.least * small.width * small.height
  const isNothing = usual.standsOut.reduce((sum, value) => sum + value, 0) < least
  return isNothing && touched.length > 0 ? parted(touched) : usual
}

const overlaps = ({ x, y, width, height }: Patch, picture: Picture) =>
  x < picture.width && y < picture.height && x + width > 0 && y + height > 0

/**
 * Where what stands out runs out of the picture below, that is the table, most of the time: taken off as if a finger had touched it beside
 * the dog. Kept only where one whole dog is left.
 */
function withoutTable(mask: Uint8Array, small: Picture, framing: Framing, reachPx: number): Uint8Array {
  const { width, height } = small
  if (framing === 'head' || !isNoDog(mask, width, height, framing)) return mask
  const bare = majority(
    withoutTouched(mask, small, besideTheFeet(small), () => true),
    width,
    height,
    reachPx
  )
  return isNoDog(bare, width, height, framing) ? mask : bare
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

/** The outer ring of a body, px of the small picture: 1 inside, 0 outside, and between on its rim by how far each pixel lies over the threshold. */
function ringOf(body: Uint8Array, away: Float32Array, threshold: number, width: number, height: number): PhotoPoint[] {
  const soft = new Array<number>(width * height).fill(0)
  for (let i = 0; i < soft.length; i++) if (body[i]) soft[i] = Math.min(1, Math.max(0.55, away[i]! / threshold / 2))
  const [found] = contours().size([width, height]).smooth(true).thresholds([0.5])(soft)
  const rings = found!.coordinates.map(([ring]) => ring!.slice(0, -1).map(([x, y]): PhotoPoint => [x!, y!]))
  return rings.reduce((best, ring) => (ring.length > best.length ? ring : best))
}
