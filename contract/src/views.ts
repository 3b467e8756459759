// What the server answers: read models for the screens.
import type { ClosingStep } from '@peen/core/coat'
import type { CoatType, DogFact } from '@peen/core/advice'
import type { MaySign, RuleOutcome } from '@peen/core/certify'
import type { DogStanding } from '@peen/core/checkin'
import type { AttemptRecord, Standing as TechniqueState } from '@peen/core/competency'
import type { Answers, BurnPlace, GlobalRating, GradedWith, GradeResult } from '@peen/core/grade'
import type { PracticeEvent, RoundsRules, Side, StepState } from '@peen/core/practice'
import type { RegionId } from '@peen/core/regions'
import type { AgreedTarget } from '@peen/core/setup'
import type { Moved, Plan, PlanStep, Standard, Variant } from '@peen/core/standard'
import type { Tool } from '@peen/core/tools'
import type { Role } from './auth'
import type { DogProfileMore } from './dogs'
import type { TechniqueVersion } from './techniques'

export type SchoolView = {
  readonly name: string
  readonly room: string
  readonly timeZone: string
  /** the server's one clock, UTC */
  readonly now: string
  /** false where that clock stands */
  readonly clockRuns: boolean
  readonly isDemo: boolean
  readonly tools: readonly Tool[]
  /** every version, without its criteria */
  readonly standards: readonly StandardHead[]
  /** the school's own version of each technique, else what Peen ships */
  readonly techniques: readonly TechniqueVersion[]
  readonly houseRules: Readonly<Record<string, number>>
}

/** What a screen needs to name a trim, plan it and draw it. */
export type StandardHead = Pick<Standard, 'id' | 'version' | 'name' | 'bodyType' | 'standardMin' | 'plan'> & {
  readonly retired: boolean
  readonly variants: readonly Pick<Variant, 'rule' | 'side' | 'says'>[]
}

export type PersonName = { readonly id: string; readonly givenName: string; readonly familyName: string; readonly role: Role }

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
    readonly status: 'draft' | 'signed'
    readonly own: boolean
  }[]
}

export type ApprenticeSummary = PersonName & {
  readonly cohort: string
  readonly competent: number
  readonly ready: number
  readonly held: number
  readonly slipping: number
  readonly lapsed: number
  readonly lastOn: string | null
  readonly say: string
}

export type TechniqueStanding = {
  readonly techniqueId: string
  readonly standing: TechniqueState
  readonly attempts: readonly AttemptRecord[]
}

export type CertificateProgress = {
  readonly certificateId: string
  readonly name: string
  readonly rules: readonly RuleOutcome[]
  readonly say: string
  readonly ready: boolean
  readonly findingId: string | null
  readonly issued: boolean
  readonly validUntil: string | null
  /** it was issued, and its time is over */
  readonly ranOut: boolean
}

export type PractiseNext = {
  readonly techniqueId: string
  readonly say: string
  /** clauses: where it stands, what asks for it, which coat and day */
  readonly why: readonly string[]
  readonly dog: DogView | null
  readonly onDate: string | null
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

export type ApprenticeView = {
  readonly person: PersonName
  readonly cohort: string
  readonly week: number
  readonly handed: string
  readonly say: string
  readonly techniques: readonly TechniqueStanding[]
  readonly certificates: readonly CertificateProgress[]
  /** best first */
  readonly next: readonly PractiseNext[]
  readonly today: string | null
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

/** Trims that one page of their list holds. */
export const TRIMS_A_PAGE = 100

export type TrimRow = {
  readonly gradingId: string
  readonly visitId: string
  readonly onDate: string
  readonly apprentice: string
  readonly dog: string
  readonly assessor: string
  readonly status: 'draft' | 'signed'
  readonly mark: number | null
  readonly interval: readonly [number, number] | null
  readonly outcome: string | null
  /** why the verdict is what it is, in a sentence; null where it is hidden */
  readonly because: string | null
  readonly hidden: string | null
}

export type GradingView = {
  readonly id: string
  readonly visitId: string
  readonly onDate: string
  readonly tableNumber: number
  readonly apprentice: PersonName
  readonly assessor: PersonName
  readonly dog: DogView
  readonly checkIn: CheckIn
  readonly standardId: string
  readonly standardVersion: number
  readonly status: 'draft' | 'signed'
  readonly blind: boolean
  /** the sides in house rules by which this trim was worked and is graded */
  readonly houseRules: Readonly<Record<string, number>>
  /** the standard with the house's variants and the owner's wishes in it, and what they moved */
  readonly standard: Standard
  readonly moved: readonly Moved[]
  readonly own: boolean
  /** what it is computed from besides its answers: of a signed one what it was signed by */
  readonly gradedWith: GradedWith
  readonly version: number
  readonly answers: Answers
  readonly critical: readonly string[]
  readonly globalRating: GlobalRating | null
  readonly signedAt: string | null
  /** null while the assessor has not said the global rating */
  readonly result: GradeResult | null
  readonly praises: readonly string[]
}

/** A signed mark beside what the method in use today would say of the same sheet. */
export type MethodDifference = {
  readonly gradingId: string
  readonly onDate: string
  readonly apprentice: string
  readonly dog: string
  readonly signed: { readonly method: number; readonly mark: number | null; readonly outcome: GradeResult['outcome'] }
  readonly now: {
    readonly method: number
    readonly mark: number | null
    readonly outcome: GradeResult['outcome']
    readonly because: string
  }
}

export type FindingRow = {
  readonly findingId: string | null
  readonly apprenticeId: string
  readonly apprentice: string
  readonly certificateId: string
  readonly certificate: string
  readonly met: number
  /** names of the rules that are not met, and of those that cannot be told yet */
  readonly missing: readonly string[]
  readonly unknown: readonly string[]
  readonly of: number
  readonly status: 'none' | 'drafted' | 'issued' | 'declined'
  readonly say: string
}

export type FindingView = {
  readonly id: string
  readonly number: string
  readonly status: 'drafted' | 'issued' | 'declined'
  readonly apprentice: PersonName
  readonly certificate: {
    readonly id: string
    readonly name: string
    readonly claim: string
    readonly standardId: string
    readonly version: number
  }
  readonly draftedBy: string
  readonly rules: readonly RuleOutcome[]
  readonly ready: boolean
  readonly say: string
  readonly deciding: {
    readonly gradingId: string
    readonly onDate: string
    readonly dog: DogView
    readonly plan: Plan
    readonly minutes: number
  } | null
  readonly signatures: readonly {
    readonly personId: string
    readonly name: string
    readonly role: Role
    readonly note: string
    readonly signedAt: string
  }[]
  readonly people: readonly { readonly id: string; readonly name: string; readonly role: Role; readonly may: MaySign }[]
  readonly missing: string | null
  readonly declined: { readonly reason: string; readonly by: string } | null
  readonly auditHash: string | null
  /** the last day on which it stands; null where it does not run out */
  readonly validUntil: string | null
  /** the finding that this one renews */
  readonly renews: string | null
}
