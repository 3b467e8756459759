import { lerp, type Point } from '../vec'
import type { BodyType } from './types'

/** Landmarks in the order in which the outline visits them, clockwise from the nose. */
export const OUTLINE_ORDER = [
  'noseTip',
  'noseTop',
  'bridge',
  'stop',
  'brow',
  'skullTop',
  'occiput',
  'nape',
  'crest',
  'withers',
  'midBack',
  'loin',
  'croup',
  'tailSet',
  'buttock',
  'backThigh',
  'gaskinBack',
  'hockPoint',
  'rearPasternBack',
  'rearHeel',
  'rearPad',
  'rearToe',
  'rearToeTop',
  'rearPasternFront',
  'hockFront',
  'gaskinFront',
  'stifle',
  'flank',
  'belly',
  'brisket',
  'elbow',
  'forearmBack',
  'frontPasternBack',
  'frontHeel',
  'frontPad',
  'frontToe',
  'frontToeTop',
  'frontPasternFront',
  'forearmFront',
  'forearmTop',
  'pointShoulder',
  'prosternum',
  'neckFront',
  'throat',
  'jawCorner',
  'jawMid',
  'chin',
  'lipFront',
  'philtrum'
] as const

export const INNER_LANDMARKS = ['lipCorner', 'eye', 'earFront', 'earBack', 'cheek', 'earTip', 'tailTip'] as const
export const CORNERS: ReadonlySet<string> = new Set(['noseTip', 'lipFront', 'rearPad', 'frontPad', 'rearHeel', 'frontHeel'])

export type OutlineLandmark = (typeof OUTLINE_ORDER)[number]
export type Landmark = OutlineLandmark | (typeof INNER_LANDMARKS)[number]
export type Landmarks = Readonly<Record<Landmark, Point>>

/** The head's own frame: u from occiput to nose, v up, both in head lengths. */
export type HeadFrame = { readonly origin: Point; readonly u: Point; readonly v: Point; readonly lengthMm: number }

export type Skeleton = {
  readonly heightMm: number
  readonly marks: Landmarks
  readonly ear: readonly Point[]
  readonly tailSpine: readonly Point[]
  readonly head: HeadFrame
}

/** A point of the head frame in mm. */
export function headPoint({ origin, u, v, lengthMm }: HeadFrame, a: number, b: number): Point {
  return [origin[0] + (u[0] * a + v[0] * b) * lengthMm, origin[1] + (u[1] * a + v[1] * b) * lengthMm]
}

/**
 * A body type at a withers height as landmarks in mm. What makes it a dog: elbow straight under the withers, hock point
 * behind the buttock, rear pastern vertical. Proportions: our own figure kit.
 */
export function skeletonOf(body: BodyType, heightMm: number): Skeleton {
  const marks = {} as Record<Landmark, Point>
  const set = (name: Landmark, x: number, y: number) => (marks[name] = [x * heightMm, y * heightMm])
  trunk(body, set)
  const buttockY = marks.buttock[1] / heightMm
  rear(body, buttockY, set)
  front(body, set)
  const head = headAndNeck(body, heightMm, marks, set)
  const ear = body.ear.map(([u, v]) => headPoint(head, u, v))
  const tailSpine = body.tail.map(([x, y]): Point => [marks.tailSet[0] + x * heightMm, marks.tailSet[1] + y * heightMm])
  marks.earTip = ear[body.earTipIndex]!
  marks.tailTip = tailSpine[tailSpine.length - 1]!
  return { heightMm, marks, ear, tailSpine, head }
}

type SetMark = (name: Landmark, x: number, y: number) => void

function trunk(b: BodyType, set: SetMark): void {
  const end = b.len - b.fs
  const tailX = end - b.croupLen * 0.52
  set('withers', 0, 1)
  set('midBack', tailX * 0.34, 1 - b.dip)
  set('loin', tailX * 0.66, 1 - b.dip * 0.6 + b.loin)
  set('croup', tailX - 0.075, b.rumpY + 0.005)
  set('tailSet', tailX, b.rumpY - b.croupDrop)
  set('buttock', end, b.rumpY - b.croupDrop - 0.13)
}

function rear(b: BodyType, buttockY: number, set: SetMark): void {
  const brisketY = 1 - b.chest
  const end = b.len - b.fs
  const toe = end - 0.075 + b.ang * 0.09
  const hockX = toe + 0.108 * Math.sqrt(b.bone) * b.foot * 0.97
  const stifleX = end - 0.285 + 0.02 * (1 - b.ang)
  const stifleY = brisketY + b.stifleDy
  set('backThigh', lerp(end, hockX, 0.06) - 0.012 * (1 - b.ang) - 0.005, lerp(buttockY, b.hock, 0.44))
  set('gaskinBack', hockX - 0.083 * Math.sqrt(b.bone), b.hock + (buttockY - b.hock) * 0.24)
  set('hockPoint', hockX, b.hock)
  set('rearPasternBack', hockX - 0.012, b.hock * 0.5)
  set('rearHeel', hockX - 0.008, 0.045)
  set('rearPad', hockX - 0.02, 0)
  set('rearToe', toe + 0.006, 0.004)
  set('rearToeTop', toe + 0.012, 0.05 * b.foot)
  set('rearPasternFront', hockX - 0.012 - 0.062 * b.bone, b.hock * 0.5)
  set('hockFront', hockX - 0.088 * b.bone, b.hock + 0.02)
  set('gaskinFront', lerp(stifleX, hockX - 0.088 * b.bone, 0.55), lerp(stifleY, b.hock, 0.62))
  set('stifle', stifleX, stifleY)
  set('flank', stifleX - 0.035, brisketY + b.tuck)
  set('belly', lerp(0.08, stifleX, 0.55), brisketY + b.tuck * 0.42)
}

function front(b: BodyType, set: SetMark): void {
  const brisketY = 1 - b.chest
  const elbowY = brisketY + 0.03
  const legX = b.fx - 0.012
  set('brisket', b.fx + 0.12, brisketY - 0.012)
  set('elbow', b.fx + 0.058 * b.bone, elbowY)
  set('forearmBack', legX + 0.036 * b.bone, elbowY * 0.62)
  set('frontPasternBack', legX + 0.028 * b.bone, elbowY * 0.2)
  set('frontHeel', legX + 0.032 * b.bone, 0.04)
  set('frontPad', legX + 0.018 * b.bone, 0)
  set('frontToe', legX - 0.034 * b.bone - 0.05 * b.foot, 0.004)
  set('frontToeTop', legX - 0.034 * b.bone - 0.04 * b.foot, 0.045 * b.foot)
  set('frontPasternFront', legX - 0.034 * b.bone, elbowY * 0.21)
  set('forearmFront', legX - 0.041 * b.bone, elbowY * 0.62)
  set('forearmTop', legX - 0.062 * b.bone, elbowY + 0.035)
  set('pointShoulder', -b.fs + 0.035, lerp(brisketY, 1, 0.3))
  set('prosternum', -b.fs, lerp(brisketY, 1, 0.44))
}

function headAndNeck(b: BodyType, heightMm: number, marks: Record<Landmark, Point>, set: SetMark): HeadFrame {
  const rise = (b.neckAng * Math.PI) / 180
  const origin: Point = [-b.neck * Math.cos(rise) + 0.02, 1 + b.neck * Math.sin(rise)]
  const down = (b.pitch * Math.PI) / 180
  const head: HeadFrame = {
    origin: [origin[0] * heightMm, origin[1] * heightMm],
    u: [-Math.cos(down), -Math.sin(down)],
    v: [-Math.sin(down), Math.cos(down)],
    lengthMm: b.headLen * heightMm
  }
  const inHead = (name: Landmark, a: number, c: number) => (marks[name] = headPoint(head, a, c))
  const face = 1 - b.muzzleShare
  const lip = -b.stop
  inHead('occiput', 0, 0)
  inHead('skullTop', face * 0.5, b.dome)
  inHead('brow', face - 0.05, b.dome * 0.72 - 0.005)
  inHead('stop', face + 0.045, lip)
  inHead('bridge', face + b.muzzleShare * 0.55, lip - 0.008)
  inHead('noseTop', 0.955, lip - 0.012 + b.noseUp)
  inHead('noseTip', 1, lip - 0.05 + b.noseUp)
  inHead('philtrum', 0.978, lip - 0.105)
  inHead('lipFront', 0.965, lip - 0.17)
  inHead('chin', 0.915, lip - b.muzzleDepth)
  inHead('jawMid', face + b.muzzleShare * 0.25, lip - b.muzzleDepth * 1.04)
  inHead('jawCorner', face * 0.5, -b.skullDepth)
  inHead('lipCorner', face + b.muzzleShare * 0.16, lip - b.muzzleDepth * 0.8)
  inHead('eye', face - 0.03, b.eyeV)
  inHead('earFront', face * 0.52, b.earV)
  inHead('earBack', face * 0.1, b.earV - 0.08)
  inHead('cheek', face * 0.62, -b.skullDepth * 0.6)
  inHead('throat', face * 0.1, -b.skullDepth * 1.13)
  const throat: Point = [marks.throat[0] / heightMm, marks.throat[1] / heightMm]
  const breast: Point = [-b.fs + 0.01, lerp(1 - b.chest, 1, 0.66)]
  set('neckFront', lerp(breast[0], throat[0], 0.15) + 0.008, lerp(breast[1], throat[1], 0.15))
  // nape and crest bulge to the rear of the line from occiput to withers
  const [dx, dy] = [origin[0], origin[1] - 1]
  const length = Math.hypot(dx, dy)
  const normal: Point = [-dy / length, dx / length]
  const sign = normal[0] > 0 ? 1 : -1
  const bulge = (name: Landmark, t: number, by: number) =>
    set(name, lerp(origin[0], 0, t) + sign * normal[0] * by, lerp(origin[1], 1, t) + sign * normal[1] * by)
  bulge('nape', 0.24, b.arch)
  bulge('crest', 0.68, b.arch * 0.2 - 0.012)
  return head
}
