// The room, a table, who is to be looked at next.
import type { ClosingStep } from '@peen/core/coat'
import type { PracticeEvent, RoundsRules, StepState } from '@peen/core/practice'
import type { AgreedTarget } from '@peen/core/setup'
import type { Plan, PlanStep } from '@peen/core/standard'
import type { CheckIn, DogView } from '../dogs/dog-views'
import type { PersonName } from '../people/school-view'

/** `gate`: nobody may cut before the check-in says that the dog is ready; an instructor’s presence does not lift it. */
export type HoldView = {
  readonly gate?: true
  readonly techniqueId: string
  readonly hazardId: string
  readonly hazardName: string
  readonly caution: string
}

export type StepView = {
  readonly techniqueId: string
  readonly label: string
  readonly state: StepState
  readonly minutes: number | null
  readonly usualMinutes: number
  readonly hazard: string | null
}

export type FloorTable = {
  readonly visitId: string | null
  readonly tableId: string
  readonly number: number
  readonly xMm: number
  readonly yMm: number
  readonly turnDeg: number
  readonly apprentice: PersonName | null
  readonly dog: DogView | null
  readonly trim: string | null
  readonly plan: Plan | null
  readonly workedMin: number
  readonly standardMin: number
  readonly canStandMin: number
  readonly now: StepView | null
  readonly next: StepView | null
  readonly hold: HoldView | null
  readonly closed: boolean
  readonly stopped: string | null
  /** the dog could stand no longer today */
  readonly ranOut: boolean
  readonly onBreak: boolean
  readonly panics: boolean
  /** the apprentice asks for help and nobody has come yet */
  readonly asked: boolean
  /** what a new event of this visit must come after */
  readonly lastLamport: number
}

export type Look = {
  readonly tableNumber: number
  readonly visitId: string
  readonly who: string
  readonly say: string
  readonly why: string
  readonly hold: HoldView | null
  readonly danger: boolean
}

export type FloorView = {
  readonly tables: readonly FloorTable[]
  readonly looks: readonly Look[]
  /** the numbers by which the looks are ranked */
  readonly rounds: RoundsRules
  readonly roomMm: readonly [number, number]
  /** the server's one clock when this was read, UTC */
  readonly now: string
  /** who opened the day; null before that */
  readonly openedBy: string | null
  readonly dayClosed: boolean
}

export type TableView = {
  readonly id: string
  /** the server's one clock when this was read, UTC */
  readonly now: string
  readonly onDate: string
  readonly tableNumber: number
  readonly apprentice: PersonName
  readonly dog: DogView
  readonly checkIn: CheckIn
  readonly standardId: string
  readonly standardVersion: number
  readonly standardMin: number
  /** minutes that this dog has stood today at other visits */
  readonly elsewhereMin: number
  /** the steps of the trim in the order in which this house works, with the tools that were agreed */
  readonly steps: readonly PlanStep[]
  /** the sides of house rules as they hold at this visit */
  readonly house: Readonly<Record<string, number>>
  /** the steps that take hair, each with the places it takes it at: by which the table is closed */
  readonly closing: readonly ClosingStep[]
  /** what was agreed for this dog at set-up; null until it is said ready */
  readonly agreed: readonly AgreedTarget[] | null
  readonly events: readonly PracticeEvent[]
  /** given names of who recorded something here, by id */
  readonly names: Readonly<Record<string, string>>
  readonly holds: readonly HoldView[]
  readonly gradings: readonly {
    readonly id: string
    readonly assessor: string
    readonly status: 'draft' | 'signed' | 'setAside'
    readonly own: boolean
  }[]
}
