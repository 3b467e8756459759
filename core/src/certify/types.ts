import type { AttemptRecord, Standing } from '../competency'
import type { GradeResult } from '../grade'
import type { HelpLevel } from '../practice'

/** One thing that a certificate asks for, as data. Lengths of time in days or weeks, marks 0 to 100. */
export type CertificateRule =
  /** every one of these techniques stands competent */
  | { readonly kind: 'techniques'; readonly name: string; readonly techniques: readonly string[] }
  /** each of these techniques was done so often, on so many dogs and coats; `withinWeeks` null: at any time */
  | {
      readonly kind: 'practised'
      readonly name: string
      readonly techniques: readonly string[]
      readonly count: number
      readonly clean: boolean
      readonly mostHelp: HelpLevel
      readonly dogs: number
      readonly coats: number
      readonly bothSides: boolean
      readonly withinWeeks: number | null
    }
  /** each of these questions was asked and answered */
  | { readonly kind: 'answered'; readonly name: string; readonly questions: readonly string[] }
  | { readonly kind: 'passedTrim'; readonly name: string; readonly withinDays: number }
  /** so many finished trims at or over the mark, each by so many assessors; `wishes`: trims the owner had changed count too */
  | {
      readonly kind: 'trims'
      readonly name: string
      readonly count: number
      readonly mark: number
      readonly assessors: number
      readonly withinDays: number
      readonly wishes: boolean
    }
  | { readonly kind: 'dogs'; readonly name: string; readonly dogs: number; readonly coats: number }
  | { readonly kind: 'alike'; readonly name: string; readonly criteria: readonly string[] }
  | { readonly kind: 'noSafety'; readonly name: string; readonly days: number }
  /** none of the last so many attempts had a safety event */
  | { readonly kind: 'noCritical'; readonly name: string; readonly attempts: number }
  /** these certificates are held, and have not run out */
  | { readonly kind: 'holds'; readonly name: string; readonly certificates: readonly string[] }
  | { readonly kind: 'fresh'; readonly name: string; readonly days: number }

export type RuleKind = CertificateRule['kind']

export type Certificate = {
  readonly id: string
  readonly version: number
  readonly name: string
  readonly claim: string
  /** the trim it is drawn by, and the first of those that count */
  readonly standardId: string
  /** trims that count as evidence */
  readonly standards: readonly string[]
  /** months that it stands once it is issued; null: for good */
  readonly validMonths: number | null
  /** what renewing it asks for; empty: all rules once more */
  readonly renewal: readonly CertificateRule[]
  readonly rules: readonly CertificateRule[]
}

/** What two assessors agreed on after both had signed. */
export type Settled = 'passed' | 'notPassed'

export type GradedTrim = {
  readonly gradingId: string
  readonly visitId: string
  readonly dogId: string
  readonly dogName: string
  readonly coat: string
  readonly onDate: string
  readonly assessorId: string
  /** the owner asked for something else than the trim plans */
  readonly hasWishes: boolean
  readonly settled: Settled | null
  readonly result: GradeResult
}

/** What a rule asks of a technique's standing. */
export type TechniqueState = Pick<Standing, 'state' | 'risk' | 'signalOn'>

export type Held = { readonly name: string; readonly until: string | null }

export type CertifyFacts = {
  readonly today: string
  readonly standings: ReadonlyMap<string, TechniqueState>
  readonly techniqueNames: ReadonlyMap<string, string>
  /** attempts on live dogs that count, by technique, oldest first */
  readonly attempts: ReadonlyMap<string, readonly AttemptRecord[]>
  /** signed blind gradings of this apprentice against the certificate's trims, oldest first */
  readonly trims: readonly GradedTrim[]
  /** dogs on which a technique of the certificate was done */
  readonly dogs: readonly { readonly id: string; readonly name: string; readonly coat: string }[]
  readonly lastSafetyOn: string | null
  readonly lastWorkOn: string | null
  /** certificates this apprentice holds today, by id */
  readonly held: ReadonlyMap<string, Held>
  readonly certificateNames: ReadonlyMap<string, string>
  /** questions whose last answer was right, with the day; by id */
  readonly answered: ReadonlyMap<string, string>
  readonly questionWords: ReadonlyMap<string, string>
}

export type RuleOutcome = {
  readonly kind: RuleKind
  readonly name: string
  readonly met: 'met' | 'missing' | 'cannotTell'
  readonly evidence: string
  readonly onDate: string | null
}

export type Finding = {
  readonly rules: readonly RuleOutcome[]
  readonly deciding: GradedTrim | null
  readonly ready: boolean
  /** one sentence: can it be issued, and if not what settles it */
  readonly say: string
}
