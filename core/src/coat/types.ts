import type { PatchSide, CoatPlace } from './places'

export const PULLS = ['lightRoll', 'half', 'all'] as const
/** How much of what stands was pulled, the longest first. */
export type Pull = (typeof PULLS)[number]

export const HOLE_CAUSES = ['matCut', 'pulled', 'missing'] as const
export type HoleCause = (typeof HOLE_CAUSES)[number]

/** What was done to a coat at a place, or what was measured there. */
export type CoatAct =
  /** `share01` where it was said how much it was; otherwise the school's share for the word, and of that the part that was done */
  | { readonly kind: 'pulled'; readonly how: Pull; readonly share01?: number; readonly part01?: number }
  | { readonly kind: 'carded' }
  /** `share01` of the hair there, all of it where it is not said */
  | { readonly kind: 'cut'; readonly toMm: number; readonly share01?: number }
  | { readonly kind: 'hole'; readonly widthMm: number; readonly cause: HoleCause }
  /** the coat as it stood when the day's work was done, with the standard uncertainty of the reading */
  | { readonly kind: 'length'; readonly mm: number; readonly uMm: number }
  /** how much longer the layer pulled on one day stands than the layer pulled on a later one */
  | { readonly kind: 'gap'; readonly mm: number; readonly olderOn: string; readonly newerOn: string }

export const ACT_KINDS = ['pulled', 'carded', 'cut', 'hole', 'length', 'gap'] as const satisfies readonly CoatAct['kind'][]

/** One line of a coat book. `hands` is whose hands: a person's id; null where nobody said. `side` both is two lines in one. */
export type CoatEntry = {
  readonly id: string
  /** a plain date */
  readonly on: string
  readonly place: CoatPlace
  readonly side: PatchSide | 'both'
  readonly act: CoatAct
  readonly hands: string | null
}

/** Hair of one place that shares its age. Lengths follow from `day0` and `mm0` at the dog's rate. */
export type HairLayer = {
  readonly share01: number
  /** the day on which what grew here before was pulled; its age counts from here */
  readonly bornDay: number
  /** from this day it is `mm0` long and grows: the day it sprouts, or the day it was cut */
  readonly day0: number
  readonly mm0: number
  /** the day of the last cut since it was pulled */
  readonly cutDay: number | null
  /** nobody knows when it was pulled: full grown is taken for granted */
  readonly assumed: boolean
}

/** A small place without hair inside another: where a mat was cut out, or too much was pulled at one spot. */
export type Hole = { readonly widthMm: number; readonly sinceDay: number; readonly day0: number; readonly mm0: number }

/** What stands at one place from a day on, until the next act. Layers shortest first; their shares sum to one. */
export type Step = {
  readonly day: number
  readonly layers: readonly HairLayer[]
  readonly holes: readonly Hole[]
  /** undercoat left after carding, a share of the full one, on that day */
  readonly undercoat01: number
}

/** How hair grows at a place of this dog. */
export type Growing = { readonly mmPerDay: number; readonly sproutDays: number; readonly terminalMm: number }
