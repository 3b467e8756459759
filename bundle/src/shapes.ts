// What lies in an evidence bundle: types for us, JSON Schemas for everyone. Days as yyyy-mm-dd, times in ISO 8601, marks of 100.
import type { Certificate } from '@peen/core/certify'
import type { StandingRules } from '@peen/core/competency'
import type { CountedAttempt } from '@peen/core/practice'

export const MANIFEST_FORMAT = 'peen-evidence-1'

export type ManifestFile = { readonly path: string; readonly bytes: number; readonly sha256: string }
/** Signed: `signedBy` and `signature` stand beside these. */
export type Manifest = {
  readonly format: typeof MANIFEST_FORMAT
  readonly school: string
  /** number of the certificate */
  readonly number: string
  readonly finding: string
  readonly madeAt: string
  readonly files: readonly ManifestFile[]
}

export type BehindVisit = {
  readonly id: string
  readonly onDate: string
  readonly dog: { readonly id: string; readonly name: string; readonly coat: string }
  readonly standardId: string
  readonly standardVersion: number
}
/** What the rules were asked of, besides events, marks and standards, as it stood when the certificate was issued. */
export type Behind = {
  readonly finding: string
  readonly apprentice: { readonly id: string; readonly name: string; /** every account of theirs */ readonly accounts: readonly string[] }
  readonly issuedAt: string
  /** by the school's own calendar */
  readonly issuedOn: string
  /** with the rules that it was issued by */
  readonly certificate: Certificate
  readonly charts: StandingRules
  readonly visits: readonly BehindVisit[]
  readonly techniques: readonly { readonly id: string; readonly name: string }[]
  /** ids of faults that make an attempt unclean */
  readonly majorFaults: readonly string[]
  readonly lifts: readonly { readonly techniqueId: string; readonly onDate: string }[]
  readonly answers: readonly { readonly questionId: string; readonly right: boolean; readonly onDate: string }[]
  readonly held: readonly { readonly certificateId: string; readonly name: string; readonly until: string | null }[]
  readonly certificates: readonly { readonly id: string; readonly name: string }[]
  /** who marked and signed, by name */
  readonly staff: readonly { readonly id: string; readonly name: string }[]
}

export type BehindAttempt = { readonly visitId: string; readonly onDate: string; readonly dogId: string } & CountedAttempt
export type BehindMark = {
  readonly gradingId: string
  readonly visitId: string
  readonly onDate: string
  readonly dog: string
  readonly trim: string
  readonly assessor: string
  readonly mark: number | null
  readonly low: number | null
  readonly high: number | null
  readonly outcome: string
  /** it does not count any more */
  readonly setAside: boolean
}

const text = { type: 'string', maxLength: 4000 } as const
const id = { type: 'string', pattern: '^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$' } as const
const day = { type: 'string', pattern: '^\\d{4}-\\d\\d-\\d\\d$' } as const
const time = { type: 'string', pattern: '^\\d{4}-\\d\\d-\\d\\dT\\d\\d:\\d\\d:\\d\\d(\\.\\d+)?Z$' } as const
const hash = { type: 'string', pattern: '^[0-9a-f]{64}$' } as const
const orNull = (type: 'string' | 'number') => ({ type: [type, 'null'] })
const object = (properties: Readonly<Record<string, object>>, more = false) => ({
  ...{ type: 'object', properties, required: Object.keys(properties), additionalProperties: more }
})
const list = (items: object) => ({ type: 'array', items })
const schema = (title: string, of: object) => ({ $schema: 'http://json-schema.org/draft-07/schema#', title, ...of })

/** By the path of the file in the bundle. */
export const SCHEMAS = {
  'manifest.json': schema(
    'Every file of the bundle with its SHA-256, signed by the school',
    object({
      format: { const: MANIFEST_FORMAT },
      ...{ school: text, number: text, finding: id, madeAt: time },
      files: list(object({ path: text, bytes: { type: 'integer', minimum: 0 }, sha256: hash })),
      ...{ signedBy: text, signature: text }
    })
  ),
  'behind.json': schema(
    'What the rules of the certificate were asked of',
    object({
      ...{ finding: id, issuedAt: time, issuedOn: day },
      apprentice: object({ id, name: text, accounts: list(id) }),
      certificate: object(
        { id: text, version: { type: 'integer' }, name: text, claim: text, standards: list(text), rules: list({}) },
        true
      ),
      charts: { type: 'object' },
      visits: list(
        object({ id, onDate: day, dog: object({ id, name: text, coat: text }), standardId: text, standardVersion: { type: 'integer' } })
      ),
      techniques: list(object({ id: text, name: text })),
      majorFaults: list(text),
      lifts: list(object({ techniqueId: text, onDate: day })),
      answers: list(object({ questionId: text, right: { type: 'boolean' }, onDate: day })),
      held: list(object({ certificateId: text, name: text, until: orNull('string') })),
      certificates: list(object({ id: text, name: text })),
      staff: list(object({ id, name: text }))
    })
  ),
  'attempts.json': schema(
    'One line for each technique on each dog: what was shown, with how much help',
    list(
      object(
        {
          ...{ visitId: id, onDate: day, dogId: id, techniqueId: text, clean: { type: 'boolean' }, counts: { type: 'boolean' } },
          ...{ setting: { enum: ['live', 'figure'] }, minutes: { type: 'number' }, prompts: { type: 'integer' }, help: text },
          ...{ sides: { enum: ['left', 'right', 'both'] }, safetyEvents: { type: 'integer' }, seriousSafety: { type: 'boolean' } },
          ...{ majorFaults: list(text), faults: list(text), because: text }
        },
        true
      )
    )
  ),
  'marks.json': schema(
    'Graded trims with their marks of 100 and their 95 % interval',
    list(
      object({
        ...{ gradingId: id, visitId: id, onDate: day, dog: text, trim: text, assessor: text },
        ...{ mark: orNull('number'), low: orNull('number'), high: orNull('number'), outcome: text, setAside: { type: 'boolean' } }
      })
    )
  ),
  'trail/entries.json': schema(
    'Entries of the trail: each holds the hash of the one before',
    list(object({ seq: { type: 'integer', minimum: 1 }, bytes: { type: 'string' }, hash }))
  ),
  'trail/heads.json': schema(
    'Heads of the trail, signed by the school',
    list(object({ seq: { type: 'integer', minimum: 1 }, hash, at: time, signedBy: text, signature: text }))
  )
} as const
export type ShapedPath = keyof typeof SCHEMAS
