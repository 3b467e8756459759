// A dog as it came in, on a picture from before the trim: how far its coat had grown, and what came off.
import type { RegionId } from '../../regions'
import { areaOf } from '../body/curves'
import type { RegionDeparture } from './departure'
import { plannedView, type PlannedDog, type PlannedView } from './plan'
import { traceOf, type Reading } from './trace'
import type { Seen } from './frame'

/** A coat is grown out by steps of this, mm, and by no more than so many of them. Chosen. */
const STEP_MM = 5
const MOST_STEPS = 24

/** `mm` above 0: the coat stood so much farther out before. Of hair that lies flat less is seen than was cut. */
export type CutOff = { readonly region: RegionId; readonly mm: number; readonly u: number }

/** The planned dog with its whole coat longer by so much, mm. @throws CoreError as {@link plannedView}, for more than 120 mm */
export const grownView = (dog: PlannedDog, seen: Seen, byMm: number): PlannedView =>
  plannedView({ ...dog, worn: { lengths: dog.lengths, days: byMm, mmPerDay: 1 } }, seen)

/**
 * The planned dog grown out until it covers as much as the outline does: the longer its coat, the more it covers.
 * @param grown the plan grown by so many mm
 * @returns the plan with how far it is grown, mm; as it is planned where there is no scale
 */
export function grownLike(reading: Reading, grown: (byMm: number) => PlannedView): { readonly byMm: number; readonly plan: PlannedView } {
  const area = areaOf(traceOf(reading).outline)
  let [low, high] = [0, reading.frame.hasScale ? MOST_STEPS : 0]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (areaOf(grown(middle * STEP_MM).outline) < area) low = middle
    else high = middle
  }
  const [shorter, longer] = [low, high].map((step) => ({ byMm: step * STEP_MM, plan: grown(step * STEP_MM) }))
  const off = ({ plan }: { readonly plan: PlannedView }) => Math.abs(areaOf(plan.outline) - area)
  return off(shorter!) <= off(longer!) ? shorter! : longer!
}

/**
 * A plan that is grown alike all over lies over a dog whose coat is not: so uncertain, as a share of what the coat stood out more on the
 * average. Less surely where a profile's head is held otherwise on each picture, and over what hangs. Chosen on drawn dogs
 * (`npm run before`, docs/robustness-before.md).
 */
const LAID_SHARE = Object.freeze({ head: 0.1, trunk: 0.18, loose: 0.22 })
const LOOSE: ReadonlySet<RegionId> = new Set([
  ...(['skirt', 'skull', 'brow', 'muzzle', 'beard', 'cheek', 'throat', 'earOutside', 'neckTop'] as const)
])

/** Too small a place to be told apart from the skull beside it. */
const UNTOLD: ReadonlySet<RegionId> = new Set(['earBase'])

/**
 * What came off between two pictures of one view, region by region, by how far the coat stands over the same skin in each.
 * @returns mm with its standard uncertainty, for what both pictures tell
 * Source: JCGM 100:2008, 5.1: the two pictures share nothing but the drawn skin, which drops out
 */
export function cutOff(before: readonly RegionDeparture[], after: readonly RegionDeparture[], seen: Seen): readonly CutOff[] {
  const both = before
    .filter(({ region }) => !UNTOLD.has(region))
    .flatMap((was) => {
      const is = after.find(({ region }) => region === was.region)
      return is ? [{ region: was.region, mm: was.overSkinMm - is.overSkinMm, uMm: Math.hypot(was.uMm, is.uMm) }] : []
    })
  const grownMm = Math.abs(both.reduce((sum, { mm }) => sum + mm, 0)) / Math.max(1, both.length)
  return both.map(({ region, mm, uMm }): CutOff => {
    const kind = seen === 'head' ? 'head' : LOOSE.has(region) ? 'loose' : 'trunk'
    return { region, mm, u: Math.hypot(uMm, LAID_SHARE[kind] * grownMm) }
  })
}
