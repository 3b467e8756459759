import type { MeasureId } from '../terms'
import type { RegionId } from '../regions'
import type { FormulaId, Inputs } from './formulas'
import type { HouseSide, PlacePlan } from './work'

export const STATIONS = ['side', 'front', 'rear', 'above', 'hand', 'handling'] as const
export type Station = (typeof STATIONS)[number]

export type Sides = 'pair' | 'single'

/** [low, high] in mm; null where that end is open (a departure cannot be less than none). */
export type Band = readonly [number | null, number | null]

/** A target with the band that gives full marks and the limit that gives none, mm. */
export type LengthTarget = { readonly targetMm: number; readonly band: Band; readonly limit: Band }

/** How a criterion is answered. Bands and limits in mm; full marks inside the band, none at the limit. */
export type How =
  | {
      readonly kind: 'length'
      readonly sides: Sides
      readonly targetMm: number
      readonly band: Band
      readonly limit: Band
      readonly instrument: string
      /** the trim is no longer itself when the hair has grown to this, mm: apart from what is allowed on the day */
      readonly grownOutMm: number
      /** where the two sides were agreed apart for this dog: each with its own target; never in a standard as it is written */
      readonly bySide?: { readonly left: LengthTarget; readonly right: LengthTarget }
    }
  | {
      readonly kind: 'measured'
      readonly sides: Sides
      readonly targetMm: number
      readonly band: Band
      readonly limit: Band
      readonly instrument: string
      readonly fault: string
      readonly mend: string
      readonly mendNow: boolean
    }
  | {
      /** worked out from several readings; band, limit and target in the formula's own unit */
      readonly kind: 'computed'
      readonly formula: FormulaId
      readonly sides: Sides
      readonly target: number
      readonly band: Band
      readonly limit: Band
      readonly instrument: string
      /** readings of a good trim, mm: what the target is worked out from */
      readonly typical: Inputs
      /** another computed criterion whose readings are taken; then nothing is asked here */
      readonly readingsOf?: string
      readonly fault: string
      readonly mend: string
      readonly mendNow: boolean
    }
  | {
      readonly kind: 'difference'
      readonly of: string
      readonly band: Band
      readonly limit: Band
      /** left minus right as it was agreed for this dog, mm; never in a standard as it is written */
      readonly agreedMm?: number
    }
  | { readonly kind: 'judged'; readonly sides: Sides; readonly levels: readonly string[]; readonly mend: string; readonly mendNow: boolean }

export type Criterion = {
  readonly id: string
  readonly label: string
  readonly section: string
  readonly station: Station
  readonly weight: number
  readonly region: RegionId
  /** where on the region, as a phrase: "at half height" */
  readonly place: string
  /** what a photograph can be measured for to answer it (a judged one is informed by it, and still judged); lengths need none: they follow from the outline and a gauged skin */
  readonly picture?: MeasureId
  readonly praise: string
  readonly how: How
}

/** `uMm` standard uncertainty of one reading; `commonMm` the part of it that all readings share. */
export type Instrument = {
  readonly id: string
  readonly name: string
  readonly uMm: number
  readonly commonMm: number
  readonly readings: number
}

export type Section = { readonly id: string; readonly name: string; readonly floor: number }
export type CriticalFault = { readonly id: string; readonly name: string; readonly cap: number }

/** A step of the walk. `apart`: it has a clock of its own, and is not in the trim's minutes. `house`: it stands on that side only. */
export type PlanStep = {
  readonly technique: string
  readonly label: string
  readonly toolId: string | null
  readonly direction: 'with' | 'against' | null
  readonly minutes: number
  readonly apart?: boolean
  readonly house?: HouseSide
}

/**
 * What a trim leaves and how it is worked. `drawnAs` names the drawn coat whose shapes it has: a copy keeps those of its model.
 * `work` says what is done at each place; a version of before there was one has none. `lengthsMm` is what the work leaves.
 */
export type Plan = {
  readonly drawnAs: string
  readonly work?: readonly PlacePlan[]
  readonly lengthsMm: Readonly<Partial<Record<RegionId, number>>>
  readonly steps: readonly PlanStep[]
}

/** A part of what makes the trim, with the criteria that hold it. */
export type Making = { readonly say: string; readonly criteria: readonly string[] }

/** The fault that only this trim can have, with the criterion that finds it. */
export type OwnFault = { readonly name: string; readonly criterion: string }

/**
 * What a side of a house rule, or the owner's wish for that side, makes of the trim. Lengths move the criteria of their
 * region with them; `criteria` stand instead of those of the same id, or are added; `drops` fall away.
 */
export type Variant = {
  readonly rule: string
  readonly side: number
  readonly says: string
  readonly lengthsMm?: Readonly<Partial<Record<RegionId, number>>>
  readonly drops?: readonly string[]
  readonly criteria?: readonly Criterion[]
}

/** A versioned standard: what a finished trim is graded against. Marks are shares of 100. */
export type Standard = {
  readonly id: string
  readonly version: number
  readonly name: string
  readonly bodyType: string
  readonly standardMin: number
  readonly passMark: number
  readonly makes: readonly Making[]
  readonly ownFault: OwnFault
  readonly instruments: readonly Instrument[]
  readonly sections: readonly Section[]
  readonly critical: readonly CriticalFault[]
  readonly plan: Plan
  readonly criteria: readonly Criterion[]
  readonly variants: readonly Variant[]
}
