// Where an apprentice stands, and what a certificate finds.
import type { MaySign, RuleOutcome } from '@peen/core/certify'
import type { AttemptRecord, Standing as TechniqueState } from '@peen/core/competency'
import type { Plan } from '@peen/core/standard'
import type { DogView } from '../dogs/dog-views'
import type { Role } from '../people/auth'
import type { PersonName } from '../people/school-view'
import type { RevokeKind } from './credentials'

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
  readonly status: 'none' | 'drafted' | 'issued' | 'declined' | 'revoked'
  /** issued, and a mark behind it was set aside since: a lead must decide */
  readonly undecided: boolean
  readonly say: string
}

export type FindingView = {
  readonly id: string
  readonly number: string
  readonly status: 'drafted' | 'issued' | 'declined' | 'revoked'
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
  /** marks behind it that were set aside since it was issued, and about which no lead has decided */
  readonly undecided: readonly { readonly gradingId: string; readonly onDate: string; readonly dog: string; readonly reason: string }[]
  readonly revoked: { readonly kind: RevokeKind; readonly reason: string; readonly by: string; readonly at: string } | null
  readonly auditHash: string | null
  /** the last day on which it stands; null where it does not run out */
  readonly validUntil: string | null
  /** the finding that this one renews */
  readonly renews: string | null
}
