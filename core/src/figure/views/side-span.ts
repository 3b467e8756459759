import type { BodyType, OutlineLandmark, Skeleton } from '../body'
import type { Fault, Stop } from '../coat'
import { smoothstep, type Point } from '../vec'
import type { Outline } from './outline'

/** What the shapes of the profile are made from. */
export type Side = {
  readonly skeleton: Skeleton
  readonly body: BodyType
  readonly outline: Outline
  readonly tailAxis: readonly Point[]
}
export type Faults = readonly Fault[] | undefined

/** Holds between two landmarks of the outline, easing in and out over some mm; no ease is a hard border. */
export function span({ outline }: Side, from: OutlineLandmark, to: OutlineLandmark, easeIn: number, easeOut: number): Stop['hold'] {
  const { arc, perimeter, markAt } = outline
  const start = arc[markAt[from]]!
  const end = arc[markAt[to]]! < start ? arc[markAt[to]]! + perimeter : arc[markAt[to]]
  return (layer, k) => {
    let s = arc[layer.outlineIndex[k]!]!
    if (s < start - 1) s += perimeter
    if (easeIn === 0) return s >= start && s <= end! ? 1 : 0
    return smoothstep(start - easeIn * 0.01, start + easeIn, s) * (1 - smoothstep(end! - easeOut, end! + easeOut * 0.01, s))
  }
}
