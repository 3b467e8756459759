// Both profiles of one dog against each other: what stands on its left, and what on its right.
import type { RegionId } from '../../regions'
import { layPoint, type Laid } from '../fit/align'
import type { PhotoPoint } from '../types'
import { laidRigid, type RegionDeparture } from './departure'
import { toPx } from './frame'
import type { PlannedView } from './plan'
import { proposePlaces } from './propose'
import { traceOf, type Reading } from './trace'

/** What a profile shows of its own side alone: everything else of its outline both sides share. */
const SIDED: readonly RegionId[] = ['skirt', 'foreleg', 'thigh', 'rearPastern']

/** `byMm` above 0: the coat stands so much farther out on the left. */
export type SideCompared = { readonly region: RegionId; readonly byMm: number; readonly u: number }

/**
 * The two sides of a dog by how far each profile's coat stands off the same plan.
 * @returns mm with its standard uncertainty, for what both profiles show of their own side
 * Source: JCGM 100:2008, 5.1: the two pictures share nothing but the plan, which drops out
 */
export function sidesCompared(left: readonly RegionDeparture[], right: readonly RegionDeparture[]): readonly SideCompared[] {
  return SIDED.flatMap((region): SideCompared[] => {
    const [one, other] = [left, right].map((side) => side.find((own) => own.region === region))
    return one && other ? [{ region, byMm: one.byMm - other.byMm, u: Math.hypot(one.uMm, other.uMm) }] : []
  })
}

/** The other way of `layPoint`. */
const unlaid = ({ k, turn, dx, dy }: Laid, [x, y]: PhotoPoint): PhotoPoint => {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
  const [u, v] = [(x - dx) / k, (y - dy) / k]
  return [cos * u + sin * v, cos * v - sin * u]
}

/**
 * The outline of another picture of this dog as it would lie in this one, px: of the other profile, mirrored, or of the dog as it
 * came in. Both are laid over the dog's own body.
 * @param otherPlan the plan of the other picture, where its coat was longer
 * @throws CoreError where either outline is no dog seen from there
 */
export function otherOver(reading: Reading, other: Reading, plan: PlannedView, otherPlan: PlannedView = plan): readonly PhotoPoint[] {
  const laidIn = (own: Reading, by: PlannedView) => laidRigid(own, by, proposePlaces(own.frame, own.outline, by).laid)
  const [here, there] = [laidIn(reading, plan), laidIn(other, otherPlan)]
  return traceOf(other).outline.map((point) => toPx(reading.frame, layPoint(here, unlaid(there, point)), plan.depths.edge.mm))
}
