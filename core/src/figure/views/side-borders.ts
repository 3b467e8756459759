// Where clipped lines run on the profile: the foot line, the top of a bracelet, the point of the tail band.
import type { BodyType, Skeleton } from '../body'
import { faultOf, shapeOf, shapesOf, type Coat, type DrawnRegion, type Fault, type Place, type Weights } from '../coat'
import { smoothstep, type Point } from '../vec'
import type { Outline, SoftOf } from './outline'

/** What every part of the profile is made from. */
export type Build = {
  readonly body: BodyType
  readonly skeleton: Skeleton
  readonly coat: Coat
  readonly faults: readonly Fault[]
  readonly outline: Outline
  readonly softOf: SoftOf
  readonly flows: Readonly<Record<DrawnRegion, Point>>
  readonly place: (weights: Weights, sideA: number) => Place
}

/** Feet belong to the foot up to the foot line, where one is clipped. */
export function gated(build: Build, weights: Weights, y: number): Weights {
  const line = shapeOf(build.coat.shapes, 'footLine')
  if (!line) return weights
  const [foot, leg] =
    weights.foreFoot !== undefined || weights.foreleg !== undefined
      ? (['foreFoot', 'foreleg'] as const)
      : (['rearFoot', 'rearPastern'] as const)
  const both = (weights[foot] ?? 0) + (weights[leg] ?? 0)
  if (both === 0) return weights
  const at = line.heightMm + (faultOf(build.faults, 'footLine')?.mm ?? 0)
  const soft = faultOf(build.faults, 'softEdge')?.mm ?? Math.max(2, build.softOf(foot) * 0.3)
  const below = 1 - smoothstep(at - soft, at + soft, y)
  return { ...weights, [foot]: both * below, [leg]: both * (1 - below) }
}

/** Above a bracelet the leg is clipped as the body is. */
export function braceleted(build: Build, weights: Weights, y: number): Weights {
  const fore = weights.foreleg !== undefined
  const bracelet = shapesOf(build.coat.shapes, 'cylinder').find(({ limb }) => limb === (fore ? 'fore' : 'rear'))
  if (bracelet?.topMm === undefined) return weights
  const above = smoothstep(bracelet.topMm - 3, bracelet.topMm + 3, y)
  if (fore) return { ...weights, foreleg: weights.foreleg! * (1 - above), shoulder: (weights.shoulder ?? 0) + weights.foreleg! * above }
  const both = (weights.thigh ?? 0) + (weights.rearPastern ?? 0)
  return { ...weights, thigh: both * above, rearPastern: both * (1 - above) }
}

/** The point of the band runs up into the croup. */
export function withBand(build: Build, weights: Weights, p: Point): Weights {
  const band = shapeOf(build.coat.shapes, 'band')
  if (!band || band.vMm <= 0) return weights
  const { tailSet } = build.skeleton.marks
  const ahead = (tailSet[0] - p[0]) / band.vMm
  const below = (tailSet[1] + 0.02 * build.outline.heightMm - p[1]) / (band.vMm * 0.5)
  if (ahead < 0 || below < 0) return weights
  const share = 1 - smoothstep(0.85, 1.05, ahead + below)
  return share > 0 ? { ...scaled(weights, 1 - share), tailBand: share } : weights
}

const scaled = (weights: Weights, by: number): Weights =>
  Object.fromEntries(Object.entries(weights).map(([region, weight]) => [region, weight * by]))
