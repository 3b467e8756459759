// Where each region lies on the outline and inside it, which way its hair lies, and how flat.
import type { RegionId } from '../../regions'
import { headPoint, type BodyType, type OutlineLandmark, type Skeleton } from '../body'
import { between, lerp, unit, type Point } from '../vec'

/** The regions that are drawn, in the order of every table of lengths. */
export const DRAWN_REGIONS = [
  'skull',
  'brow',
  'muzzle',
  'beard',
  'cheek',
  'throat',
  'neckTop',
  'neckSide',
  'shoulder',
  'back',
  'ribs',
  'loin',
  'skirt',
  'chest',
  'foreleg',
  'foreFoot',
  'croup',
  'thigh',
  'rearPastern',
  'rearFoot',
  'underTail',
  'tail',
  'tailBand',
  'earOutside',
  'earBase'
] as const satisfies readonly RegionId[]
export type DrawnRegion = (typeof DRAWN_REGIONS)[number]
export const REGION_INDEX = Object.fromEntries(DRAWN_REGIONS.map((region, i) => [region, i])) as Readonly<Record<DrawnRegion, number>>

/** Slots of a table of lengths: every region of side A, then of side B. From the side A is near; from elsewhere A is the dog's left. */
export const SLOTS = 2 * DRAWN_REGIONS.length

export type Lengths = Readonly<Partial<Record<RegionId, number>>>

/** Lie of the hair, degrees from the skin's normal. Our own figure kit (chosen by eye on drawn dogs). */
export const LIE_DEG: Readonly<Record<DrawnRegion, number>> = Object.freeze({
  skull: 58,
  brow: 62,
  muzzle: 65,
  beard: 70,
  cheek: 60,
  throat: 65,
  neckTop: 60,
  neckSide: 68,
  shoulder: 68,
  back: 66,
  ribs: 70,
  loin: 66,
  skirt: 62,
  chest: 58,
  foreleg: 52,
  foreFoot: 50,
  croup: 62,
  thigh: 60,
  rearPastern: 52,
  rearFoot: 50,
  underTail: 58,
  tail: 48,
  tailBand: 60,
  earOutside: 78,
  earBase: 78
})

/** Spans of the outline that belong to a region, from landmark to landmark. */
export const OUTLINE_SPANS: readonly (readonly [DrawnRegion, OutlineLandmark, OutlineLandmark])[] = [
  ['skull', 'brow', 'occiput'],
  ['neckTop', 'occiput', 'withers'],
  ['back', 'withers', 'loin'],
  ['loin', 'loin', 'croup'],
  ['croup', 'croup', 'tailSet'],
  ['underTail', 'tailSet', 'buttock'],
  ['thigh', 'buttock', 'hockPoint'],
  ['rearPastern', 'hockPoint', 'rearHeel'],
  ['rearFoot', 'rearHeel', 'rearToeTop'],
  ['rearPastern', 'rearToeTop', 'hockFront'],
  ['thigh', 'hockFront', 'flank'],
  ['skirt', 'flank', 'elbow'],
  ['foreleg', 'elbow', 'frontHeel'],
  ['foreFoot', 'frontHeel', 'frontToeTop'],
  ['foreleg', 'frontToeTop', 'forearmTop'],
  ['chest', 'forearmTop', 'neckFront'],
  ['throat', 'neckFront', 'jawCorner'],
  ['cheek', 'jawCorner', 'jawMid'],
  ['beard', 'jawMid', 'lipFront'],
  ['muzzle', 'lipFront', 'stop'],
  ['brow', 'stop', 'brow']
]

const WIDE = 0.07
/** Borders that are clipped run over into each other within less; shares of withers height. */
const NARROW: Partial<Record<DrawnRegion, number>> = { foreFoot: 0.03, rearFoot: 0.03, skirt: 0.045, underTail: 0.03 }
/** Regions whose border is a clipped line when they are clipped close. */
const LINED: ReadonlySet<DrawnRegion> = new Set(['muzzle', 'beard', 'cheek', 'throat', 'foreFoot', 'rearFoot', 'underTail', 'tailBand'])
const CLIPPED_MM = 3.5
const CRISP = 0.022

/** Width over which a region of this length runs into its neighbour, as a share of withers height. */
export function transitionOf(region: DrawnRegion, lengthMm: number): number {
  const usual = NARROW[region] ?? WIDE
  return LINED.has(region) && lengthMm <= CLIPPED_MM ? Math.min(usual, CRISP) : usual
}

/** Which way the hair of a region points, as unit vectors. */
export function flowsOf(skeleton: Skeleton): Readonly<Record<DrawnRegion, Point>> {
  const { head, heightMm } = skeleton
  const { u } = head
  const backOfHead: Point = [-u[0], -u[1]]
  const neck = unit([-head.origin[0], heightMm - head.origin[1]])
  const down = (x: number): Point => unit([x, -1])
  return {
    skull: unit([backOfHead[0], backOfHead[1] - 0.1]),
    brow: unit([u[0] * 0.8, u[1] * 0.8 - 0.7]),
    muzzle: backOfHead,
    beard: unit([-0.8, -0.75]),
    cheek: unit([backOfHead[0] * 0.6, backOfHead[1] - 0.9]),
    throat: unit([neck[0] * 0.3, -1]),
    neckTop: neck,
    neckSide: unit([neck[0] * 0.7, neck[1] - 0.7]),
    shoulder: down(0.35),
    back: unit([1, -0.12]),
    ribs: unit([0.8, -0.75]),
    loin: unit([1, -0.35]),
    skirt: down(0.22),
    chest: down(0.12),
    foreleg: down(0.06),
    foreFoot: down(-0.3),
    croup: unit([0.9, -0.5]),
    thigh: down(0.35),
    rearPastern: down(0.1),
    rearFoot: down(-0.3),
    underTail: down(0.15),
    tail: [0, -1],
    tailBand: [0, -1],
    earOutside: [0, -1],
    earBase: [0, -1]
  }
}

/** Inside the outline a region is a polyline with a core radius; its weight falls off with the distance from that core. */
export type Core = { readonly line: readonly Point[]; readonly radiusMm: number }

export function coresOf(body: BodyType, { marks: m, head, heightMm: h }: Skeleton): Readonly<Partial<Record<DrawnRegion, Core>>> {
  const at = (name: keyof typeof m, dx: number, dy: number): Point => [m[name][0] + dx * h, m[name][1] + dy * h]
  const mix = (a: keyof typeof m, b: keyof typeof m, t: number) => between(m[a], m[b], t)
  const hd = (a: number, b: number) => headPoint(head, a, b)
  const brisketY = m.brisket[1]
  const core = (line: readonly Point[], radiusMm: number): Core => ({ line, radiusMm })
  const hl = head.lengthMm
  return {
    skull: core([hd(0.02, -0.08), m.skullTop, m.brow], 0.1 * hl),
    brow: core([hd(1 - body.muzzleShare - 0.1, body.eyeV + 0.07), hd(1 - body.muzzleShare + 0.03, body.eyeV + 0.05)], 0.03 * hl),
    muzzle: core([m.stop, m.bridge, m.noseTop], 0.05 * hl),
    beard: core([m.lipCorner, hd(0.95, -body.stop - 0.14), m.chin, m.jawMid], 0.06 * hl),
    cheek: core([m.cheek, m.jawCorner], 0.12 * hl),
    throat: core([m.throat, m.neckFront], 0.05 * h),
    neckTop: core([m.occiput, m.nape, m.crest], 0.03 * h),
    neckSide: core([mix('occiput', 'throat', 0.6), mix('crest', 'neckFront', 0.5)], 0.05 * h),
    shoulder: core([at('withers', -0.02, -0.1), mix('withers', 'pointShoulder', 0.7)], 0.07 * h),
    back: core([at('withers', 0.03, 0), m.midBack, m.loin], 0.05 * h),
    ribs: core(
      [
        [0.08 * h, lerp(brisketY, h, 0.55)],
        [m.loin[0] - 0.04 * h, lerp(brisketY, h, 0.58)]
      ],
      0.11 * h
    ),
    loin: core([at('loin', 0.02, -0.01), at('croup', -0.06, -0.1)], 0.05 * h),
    skirt: core([at('elbow', 0.03, 0), m.belly, m.flank], 0.045 * h),
    chest: core([m.prosternum, at('pointShoulder', 0.02, -0.06), at('forearmTop', 0, 0.05)], 0.045 * h),
    foreleg: core(
      [at('forearmTop', 0.05, 0), mix('forearmFront', 'forearmBack', 0.5), mix('frontPasternFront', 'frontPasternBack', 0.5)],
      0.05 * h
    ),
    foreFoot: core([at('frontToeTop', 0, -0.01), at('frontHeel', -0.01, -0.01)], 0.012 * h),
    croup: core([m.croup, at('tailSet', 0, -0.02)], 0.05 * h),
    thigh: core([at('croup', 0, -0.16), at('stifle', 0.09, 0.03), mix('gaskinFront', 'gaskinBack', 0.4)], 0.08 * h),
    rearPastern: core([mix('hockPoint', 'hockFront', 0.4), mix('rearPasternBack', 'rearPasternFront', 0.5)], 0.035 * h),
    rearFoot: core([at('rearToeTop', 0, -0.01), at('rearHeel', -0.01, -0.01)], 0.012 * h),
    underTail: core([at('tailSet', 0.02, -0.05), at('buttock', -0.01, 0.03)], 0.015 * h)
  }
}
