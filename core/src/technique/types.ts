import type { RegionId } from '../regions'

export const FAMILIES = ['handling', 'clipping', 'scissoring', 'stripping', 'finishing'] as const
export type Family = (typeof FAMILIES)[number]
export const FAMILY_NAMES: Readonly<Record<Family, string>> = {
  handling: 'Preparation and handling',
  clipping: 'Clipping',
  scissoring: 'Scissoring',
  stripping: 'Stripping',
  finishing: 'Finishing'
}

export type TechniqueFault = {
  readonly id: string
  readonly name: string
  readonly major: boolean
  readonly cause: string
  readonly cure: string
}
/** `hold`: a new, lapsed or held apprentice waits here until the instructor taps "I am here". */
export type Hazard = { readonly id: string; readonly name: string; readonly caution: string; readonly hold: boolean }

export type Technique = {
  readonly id: string
  readonly name: string
  readonly family: Family
  /** 1 from the first weeks, 2 once those are clean, 3 last */
  readonly level: number
  /** techniques that come before this one */
  readonly after: readonly string[]
  readonly steps: readonly string[]
  readonly lookAt: string
  /** what counts as clean */
  readonly clean: string
  /** how it is practised on a figure with a loose coat, before a live dog */
  readonly figure: string
  readonly faults: readonly TechniqueFault[]
  readonly hazards: readonly Hazard[]
  readonly regions: readonly RegionId[]
  readonly tools: readonly string[]
  readonly usualMinutes: number
  /** may be worked on a dog that is not yet dry and combed to the skin: rough work before the bath, and whatever is pulled or carded */
  readonly beforeGate?: boolean
}

/**
 * `renamed`: the same skill under a better name; its history goes with it. `merged`: one piece of work had two charts; the other
 * goes on, and what was recorded here stays on file and is not counted a second time. `judged`: looked at inside another
 * attempt, as one of its faults. `asked`: knowledge, now an oral question.
 */
export type Retirement = { readonly how: 'renamed' | 'merged' | 'judged'; readonly to: string } | { readonly how: 'asked' }
export type RetiredTechnique = Technique & { readonly retired: Retirement }
