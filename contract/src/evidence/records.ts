// Everything that is on record of one apprentice, as a file of a published shape.
import type { State } from '@peen/core/competency'
import type { HelpLevel } from '@peen/core/practice'

export const RECORD_SCHEMA_ID = 'https://peen.invalid/schemas/record-2.json'

export type RecordAttempt = {
  readonly onDate: string
  readonly techniqueId: string
  readonly technique: string
  readonly dog: string
  readonly coat: string
  readonly sides: 'left' | 'right' | 'both'
  readonly setting: 'live' | 'figure'
  readonly counts: boolean
  readonly clean: boolean
  readonly help: HelpLevel
  readonly prompts: number
  readonly minutes: number
  readonly planMinutes: number | null
  readonly because: string
}
export type RecordTechnique = {
  readonly techniqueId: string
  readonly technique: string
  readonly state: State
  readonly because: string
  readonly score: number
  readonly limit: number
  readonly attempts: number
  readonly clean: number
  readonly signalOn: string | null
  readonly lastOn: string | null
}
export type RecordTrim = {
  readonly onDate: string
  readonly dog: string
  readonly trim: string
  readonly assessor: string
  readonly mark: number | null
  readonly low: number | null
  readonly high: number | null
  readonly outcome: string
  readonly settled: 'passed' | 'notPassed' | null
}
export type RecordCertificate = {
  readonly number: string
  readonly certificate: string
  readonly version: number
  readonly status: 'drafted' | 'issued' | 'declined' | 'revoked'
  readonly validUntil: string | null
  readonly signatures: readonly { readonly name: string; readonly on: string }[]
  readonly auditHash: string | null
}
export type RecordHold = {
  readonly techniqueId: string
  readonly technique: string
  readonly liftedOn: string
  readonly by: string
  readonly reason: string
}
export type RecordAnswer = {
  readonly onDate: string
  readonly question: string
  readonly right: boolean
  readonly by: string
  readonly note: string
}
export type RecordFigure = {
  readonly onDate: string
  readonly techniqueId: string
  readonly technique: string
  readonly minutes: number
  readonly note: string
}

/** Signed: Ed25519 over the canonical bytes (RFC 8785) of everything but the signature. */
export type SignedHead = {
  readonly seq: number
  readonly hash: string
  readonly at: string
  readonly signedBy: string
  readonly signature: string
}

/** One apprentice's whole record. Dogs by name alone; nothing of owners. */
export type RecordFile = {
  readonly $schema: typeof RECORD_SCHEMA_ID
  readonly school: string
  readonly writtenOn: string
  readonly person: {
    readonly id: string
    readonly givenName: string
    readonly familyName: string
    readonly cohort: string
    readonly startedOn: string
  }
  readonly techniques: readonly RecordTechnique[]
  readonly attempts: readonly RecordAttempt[]
  readonly figures: readonly RecordFigure[]
  readonly trims: readonly RecordTrim[]
  readonly certificates: readonly RecordCertificate[]
  readonly liftedHolds: readonly RecordHold[]
  readonly answers: readonly RecordAnswer[]
  /** the head of the audit chain when this was written */
  readonly auditHead: string
  /** the newest head that the school's key has signed; null where no certificate was ever issued */
  readonly signedHead: SignedHead | null
}

const text = { type: 'string' }
const day = { type: 'string', pattern: '^\\d{4}-\\d{2}-\\d{2}$' }
const maybe = (of: { readonly type: string }) => ({ ...of, type: [of.type, 'null'] })
const number = { type: 'number' }
const bool = { type: 'boolean' }
const one = (...allowed: readonly (string | null)[]) => ({ enum: allowed })
const shape = (properties: Readonly<Record<string, object>>) => ({
  type: 'object',
  additionalProperties: false,
  required: Object.keys(properties),
  properties
})
const list = (properties: Readonly<Record<string, object>>) => ({ type: 'array', items: shape(properties) })

/** JSON Schema (2020-12) of a record file. */
export const recordJsonSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  $id: RECORD_SCHEMA_ID,
  title: 'One apprentice’s record',
  ...shape({
    $schema: { const: RECORD_SCHEMA_ID },
    school: text,
    writtenOn: day,
    person: shape({ id: text, givenName: text, familyName: text, cohort: text, startedOn: day }),
    techniques: list({
      ...{ techniqueId: text, technique: text, because: text, score: number, limit: number, attempts: number, clean: number },
      ...{ state: one('new', 'practising', 'ready', 'competent', 'slipping', 'lapsed', 'held'), signalOn: maybe(day), lastOn: maybe(day) }
    }),
    attempts: list({
      ...{ onDate: day, techniqueId: text, technique: text, dog: text, coat: text, because: text },
      ...{ sides: one('left', 'right', 'both'), setting: one('live', 'figure'), counts: bool, clean: bool },
      ...{
        help: one('shown', 'handsGuided', 'talkedThrough', 'onePrompt', 'alone'),
        prompts: number,
        minutes: number,
        planMinutes: maybe(number)
      }
    }),
    figures: list({ onDate: day, techniqueId: text, technique: text, minutes: number, note: text }),
    trims: list({
      ...{
        onDate: day,
        dog: text,
        trim: text,
        assessor: text,
        mark: maybe(number),
        low: maybe(number),
        high: maybe(number),
        outcome: text
      },
      settled: one('passed', 'notPassed', null)
    }),
    certificates: list({
      ...{
        number: text,
        certificate: text,
        version: number,
        status: one('drafted', 'issued', 'declined', 'revoked'),
        validUntil: maybe(day)
      },
      ...{ signatures: list({ name: text, on: day }), auditHash: maybe(text) }
    }),
    liftedHolds: list({ techniqueId: text, technique: text, liftedOn: day, by: text, reason: text }),
    answers: list({ onDate: day, question: text, right: bool, by: text, note: text }),
    auditHead: text,
    signedHead: { anyOf: [{ type: 'null' }, shape({ seq: number, hash: text, at: text, signedBy: text, signature: text })] }
  })
} as const

/** A cohort from a table, as it would be let in. */
export type CohortLine = {
  readonly line: number
  readonly givenName: string
  readonly familyName: string
  readonly username: string
  readonly email: string
  readonly cohort: string
}
export type CohortPreview =
  | { readonly ok: true; readonly people: readonly CohortLine[]; readonly newCohorts: readonly string[] }
  | { readonly ok: false; readonly issues: readonly { readonly path: string; readonly detail: string }[] }
