// Closing a visit: what is undone, region by region and side by side, and which pairs still fit into the dog's minutes.
import type { Attempt, VisitState, Side } from '../practice'
import { regionName, regionOf, type RegionId } from '../regions'
import { bestParts } from './pairs'

/** A step of the trim with the places it goes over. */
export type ClosingStep = {
  readonly technique: string
  readonly label: string
  readonly minutes: number
  readonly regions: readonly RegionId[]
}
/** What hands did: a technique at places of a side, or places that the instructor finished (`technique` null). */
export type Done = { readonly technique: string | null; readonly regions: readonly RegionId[]; readonly side: Side }

/** A step that took hair of a live dog and was finished; what was cut short is not known to be done. */
export const isWorked = ({ ended, cutShort, setting }: Pick<Attempt, 'ended' | 'cutShort' | 'setting'>): boolean =>
  ended !== null && !cutShort && setting === 'live'

/** What a visit's hands did: attempts that were ended and not cut short, and what the instructor finished. */
export function doneIn({ attempts, byInstructor }: Pick<VisitState, 'attempts' | 'byInstructor'>): readonly Done[] {
  return [
    ...attempts.filter(isWorked).map(({ techniqueId, regions, side }) => ({ technique: techniqueId, regions, side })),
    ...byInstructor.map(({ regions, side }) => ({ technique: null, regions, side }))
  ]
}

/** A place of a step that nobody finished. */
export type Undone = {
  readonly technique: string
  readonly label: string
  readonly region: RegionId
  /** what is left to do; `both` of a pair, `whole` of a place with one side */
  readonly side: 'left' | 'right' | 'both' | 'whole'
  /** of what is left, by the plan */
  readonly minutes: number
}

/** The list that the next visit begins with, in the order of the steps. Minutes of a step are shared evenly over its places. */
export function undoneOf(steps: readonly ClosingStep[], done: readonly Done[]): readonly Undone[] {
  return steps.flatMap(({ technique, label, minutes, regions }) =>
    regions.flatMap((region): Undone[] => {
      const mine = done.filter((one) => (one.technique === null || one.technique === technique) && one.regions.includes(region))
      const has = (side: 'left' | 'right') => mine.some((one) => one.side === 'both' || one.side === side)
      const share = minutes / regions.length
      const left = { technique, label, region }
      if (!regionOf(region).paired) return mine.length > 0 ? [] : [{ ...left, side: 'whole', minutes: share }]
      if (has('left') && has('right')) return []
      if (has('left')) return [{ ...left, side: 'right', minutes: share / 2 }]
      if (has('right')) return [{ ...left, side: 'left', minutes: share / 2 }]
      return [{ ...left, side: 'both', minutes: share }]
    })
  )
}

/** A part that is worked in one go, with what is undone in it: a place of both sides, or the side that is missing. */
export type Fitting = { readonly parts: readonly Undone[]; readonly minutes: number; readonly leaves: readonly Undone[] }

/**
 * What a place is worth when minutes are short: one; two more where its other side is done already (two sides out of step take longer to
 * mend than anything but broken coat: common practice), one more where the coat is out of step there. Weights are chosen.
 */
const WORTH = Object.freeze({ place: 1, otherSideDone: 2, outOfStep: 1 })

/**
 * Which of the undone places still fit, pairs whole or not at all.
 * @param minutes that the dog can still stand, whole @param outOfStep places whose sides are apart already
 */
export function whatFits(undone: readonly Undone[], minutes: number, outOfStep: ReadonlySet<RegionId> = new Set()): Fitting {
  const parts = undone.map((one, i) => ({
    id: String(i),
    minutes: Math.max(1, Math.ceil(one.minutes - 1e-9)),
    worth:
      WORTH.place +
      (one.side === 'left' || one.side === 'right' ? WORTH.otherSideDone : 0) +
      (outOfStep.has(one.region) ? WORTH.outOfStep : 0)
  }))
  const best = bestParts(parts, Math.max(0, Math.floor(minutes)))
  const chosen = new Set(best.ids)
  return {
    parts: undone.filter((_, i) => chosen.has(String(i))),
    minutes: best.minutes,
    leaves: undone.filter((_, i) => !chosen.has(String(i)))
  }
}

/** "Left ribs", "Back, both sides", "Chest". */
export function sayUndone({ region, side }: Pick<Undone, 'region' | 'side'>): string {
  const name = regionName(region)
  if (side === 'whole') return name
  return side === 'both' ? `${name}, both sides` : `${side === 'left' ? 'Left' : 'Right'} ${name.toLowerCase()}`
}
