// The dog as it came in: what its trim left, grown out since.
import { growthOf } from '../coat'
import { inRange } from '../error'
import type { RegionId } from '../regions'
import { lengthOfPlace, settingPass, unsaidWork, workFor, type Plan, type WorkCase } from '../standard'

/** How hair grows on a dog that was never measured, mm a day. Source: core/coat, the usual rate. */
export const usualGrowthMm = (): number => growthOf([]).mmPerDay

/**
 * Lengths as the dog came in, mm: where the trim cuts, what it leaves and what has grown since; where the coat itself stands or is
 * left, as the plan expects it, since such hair keeps its own length. Never shorter than the plan.
 * @param weeks since the last groom, 0 to 520; null where they are not known: then the lengths are the plan's
 */
export function cameInLengths(
  plan: Pick<Plan, 'work' | 'lengthsMm'>,
  weeks: number | null,
  one: WorkCase,
  mmPerDay: number = usualGrowthMm()
): Readonly<Partial<Record<RegionId, number>>> {
  const grownMm = weeks === null ? 0 : 7 * Math.min(MOST_WEEKS, inRange('weeks', weeks, 0, 520, 'weeks')) * mmPerDay
  const found: Partial<Record<RegionId, number>> = { ...plan.lengthsMm }
  const seen = new Set<RegionId>()
  for (const row of workFor(plan.work ?? unsaidWork(plan.lengthsMm), one)) {
    const mm = plan.lengthsMm[row.place] ?? lengthOfPlace(row)
    // of a place in parts the first is drawn
    if (mm === null || found[row.place] === undefined || seen.has(row.place)) continue
    seen.add(row.place)
    const isCut = row.does === 'unsaid' || settingPass(row) !== null
    found[row.place] = isCut ? mm + grownMm : mm
  }
  return found
}
/** After half a year a coat that was cut has the length that it keeps. Chosen. */
const MOST_WEEKS = 26
