// A dog, what it came in with, its visits.
import type { CoatType, DogFact } from '@peen/core/advice'
import type { DogStanding } from '@peen/core/checkin'
import type { BurnPlace } from '@peen/core/grade'
import type { Side } from '@peen/core/practice'
import type { RegionId } from '@peen/core/regions'
import type { Plan } from '@peen/core/standard'
import type { DogProfileMore } from './dogs'

export type Excusal = { readonly region: RegionId; readonly side: Side; readonly reason: string }

/** A dog with what is known of it; its coat type is always told, by its own words where nobody has said. */
export type DogView = Omit<DogProfileMore, 'coatType'> & {
  readonly id: string
  readonly name: string
  readonly bodyType: string
  readonly coat: string
  readonly colour: string
  readonly withersMm: number
  readonly canStandMin: number
  readonly temperament: string
  readonly dislikes: string
  readonly burns: readonly BurnPlace[]
  readonly facts: readonly DogFact[]
  readonly ownerGivenName: string | null
  readonly coatType: CoatType
  readonly standing: DogStanding | null
}

export type CheckIn = {
  readonly weeksSince: number | null
  readonly wishes: string
  readonly excused: readonly Excusal[]
  /** why this trim is worked though its coat is refused for it, and by whose word */
  readonly allTheSame?: { readonly reason: string; readonly by: string }
}

/** One visit as a line of a dated list, with what was done in it. */
export type VisitLine = {
  readonly visitId: string
  readonly onDate: string
  readonly apprenticeId: string
  readonly apprentice: string
  readonly dogId: string
  readonly dog: string
  readonly trim: string
  readonly state: 'notBegun' | 'begun' | 'finished'
  readonly did: readonly { readonly technique: string; readonly clean: boolean; readonly counts: boolean; readonly minutes: number }[]
}

export type DogPage = {
  /** it stood on a table here before today */
  readonly known: boolean
  readonly dog: DogView
  /** the trim as it is written: what advice starts from */
  readonly plan: Plan
  /** the same with the lengths that were agreed for its newest visit: what its coat is held against */
  readonly worked: Plan
  readonly visits: readonly {
    readonly visitId: string
    readonly onDate: string
    readonly apprentice: string
    readonly trim: string
    readonly checkIn: CheckIn
    readonly gradingId: string | null
  }[]
  /** lengths read on the latest graded trim, by region and side, mm */
  readonly measured: readonly { readonly region: RegionId; readonly side: 'left' | 'right' | 'whole'; readonly mm: number }[]
}
