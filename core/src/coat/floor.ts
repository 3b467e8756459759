// What a visit on the floor writes into the coat book besides its steps: what came in, and what was measured.
import type { CoatFinding } from '../checkin'
import type { PartResult } from '../grade'
import { regionOf } from '../regions'
import { sideAt } from './taken'
import type { PatchSide } from './places'
import type { CoatEntry } from './types'

/** Holes and missing hair that came in with the dog. Mats still in the coat are no holes. */
export function entriesOfFindings(visitId: string, on: string, coat: readonly CoatFinding[], by: string | null): readonly CoatEntry[] {
  return coat.flatMap(({ kind, region, side, widthMm }, i): CoatEntry[] =>
    kind === 'mat'
      ? []
      : [
          {
            id: `${visitId}/found/${i}`,
            on,
            place: region,
            side: sideAt(region, side),
            act: { kind: 'hole', widthMm, cause: kind },
            hands: by
          }
        ]
  )
}

/** Lengths that an assessor read on the finished trim, with their u. One side of a pair for each; the whole of a pair is both sides. */
export function entriesOfGrading(
  gradingId: string,
  on: string,
  parts: readonly PartResult[],
  lengths: ReadonlySet<string>,
  by: string
): readonly CoatEntry[] {
  return parts.flatMap(({ criterionId, side, region, basis, valueMm, uMm }): CoatEntry[] => {
    if (!lengths.has(criterionId) || basis !== 'readings' || valueMm === null || uMm === null) return []
    const at: PatchSide | 'both' = !regionOf(region).paired ? 'middle' : side === 'whole' ? 'both' : side
    return [
      { id: `${gradingId}/${criterionId}/${side}`, on, place: region, side: at, act: { kind: 'length', mm: valueMm, uMm }, hands: by }
    ]
  })
}
