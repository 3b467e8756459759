// Two assessors' marks of one trim side by side.
import type { GradeResult, PartResult } from './types'

export type MarkDifference = {
  readonly criterionId: string
  readonly label: string
  readonly side: PartResult['side']
  readonly station: PartResult['station']
  /** what each found, in a sentence, and the marks of 100 each gave; null where it counts for nothing */
  readonly first: { readonly say: string; readonly marks: number | null }
  readonly second: { readonly say: string; readonly marks: number | null }
  /** marks of 100 by which the second gave more (or, less than 0, fewer) */
  readonly by: number
  /** the measures differ by more than both uncertainties explain, or the verdicts are opposite */
  readonly isReal: boolean
}

/** Two normal values differ beyond chance from here on: 1.96 standard uncertainties of their difference. */
const BEYOND = 1.96

/**
 * Where two gradings of one trim differ, the largest in marks first. What both found alike is left out.
 * @returns marks of 100, by the weight that each result itself gives to a part
 */
export function differencesOf(first: GradeResult, second: GradeResult): MarkDifference[] {
  const key = ({ criterionId, side }: PartResult) => `${criterionId}|${side}`
  const others = new Map(second.parts.map((part) => [key(part), part]))
  const [one, other] = [markScale(first), markScale(second)]
  return first.parts
    .flatMap((part): MarkDifference[] => {
      const twin = others.get(key(part))
      if (!twin) return []
      const [a, b] = [one(part), other(twin)]
      const by = (b ?? 0) - (a ?? 0)
      const isAlike = part.verdict === twin.verdict && Math.abs(by) < 0.05
      if (isAlike) return []
      return [
        {
          ...{ criterionId: part.criterionId, label: part.label, side: part.side, station: part.station, by },
          first: { say: part.say, marks: a },
          second: { say: twin.say, marks: b },
          isReal: differs(part, twin)
        }
      ]
    })
    .sort((a, b) => Math.abs(b.by) - Math.abs(a.by))
}

/** Marks of 100 that a part has earned: its share of its weight, over all weights that count. */
function markScale({ parts }: GradeResult): (part: PartResult) => number | null {
  const whole = parts.reduce((sum, { share01, weight }) => sum + (share01 === null ? 0 : weight), 0)
  return ({ share01, weight }) => (share01 === null || whole === 0 ? null : (100 * share01 * weight) / whole)
}

function differs(a: PartResult, b: PartResult): boolean {
  if (a.valueMm !== null && b.valueMm !== null)
    return Math.abs(a.valueMm - b.valueMm) > BEYOND * Math.hypot(a.uMm ?? 0, b.uMm ?? 0) && a.valueMm !== b.valueMm
  return (a.verdict === 'meets' && b.verdict === 'fails') || (a.verdict === 'fails' && b.verdict === 'meets')
}
