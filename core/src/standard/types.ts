import type { RegionId } from '../regions'

export const STATIONS = ['side', 'front', 'rear', 'above', 'hand', 'handling'] as const
export type Station = (typeof STATIONS)[number]

export type Sides = 'pair' | 'single'

/** [low, high] in mm; null where that end is open (a departure cannot be less than none). */
export type Band = readonly [number | null, number | null]

/** How a criterion is answered. Bands and limits in mm; full marks inside the band, none at the limit. */
export type How =
  | {
      readonly kind: 'length'
      readonly sides: Sides
      readonly targetMm: number
      readonly band: Band
      readonly limit: Band
      readonly instrument: string
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
  | { readonly kind: 'difference'; readonly of: string; readonly band: Band; readonly limit: Band }
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

export type PlanStep = {
  readonly technique: string
  readonly label: string
  readonly toolId: string | null
  readonly direction: 'with' | 'against' | null
  readonly minutes: number
}

export type Plan = { readonly lengthsMm: Readonly<Partial<Record<RegionId, number>>>; readonly steps: readonly PlanStep[] }

/** A versioned standard: what a finished trim is graded against. Marks are shares of 100. */
export type Standard = {
  readonly id: string
  readonly version: number
  readonly name: string
  readonly bodyType: string
  readonly standardMin: number
  readonly passMark: number
  readonly instruments: readonly Instrument[]
  readonly sections: readonly Section[]
  readonly critical: readonly CriticalFault[]
  readonly plan: Plan
  readonly criteria: readonly Criterion[]
}
