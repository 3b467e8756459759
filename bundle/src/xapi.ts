// Attempts and marks as statements of the Experience API (xAPI 1.0.3), in the vocabulary that ADL publishes.
import { v5 } from 'uuid'
import type { Behind, BehindAttempt, BehindMark } from './shapes'

const ADL = 'http://adlnet.gov/expapi'
const VERBS = {
  completed: { id: `${ADL}/verbs/completed`, display: { 'en-US': 'completed' } },
  passed: { id: `${ADL}/verbs/passed`, display: { 'en-US': 'passed' } },
  failed: { id: `${ADL}/verbs/failed`, display: { 'en-US': 'failed' } },
  scored: { id: `${ADL}/verbs/scored`, display: { 'en-US': 'scored' } }
} as const
/** A mark that leaves the outcome open is a score, no more. */
const VERB_OF: Readonly<Record<string, keyof typeof VERBS>> = { passed: 'passed', notPassed: 'failed' }

/** Names of our own, under a domain that no one can have: RFC 2606. */
const OURS = 'https://peen.invalid/xapi'

export type Told = {
  readonly behind: Behind
  readonly attempts: readonly BehindAttempt[]
  readonly marks: readonly BehindMark[]
  /** when a visit ended and a mark was signed, ISO 8601 */
  readonly endedAt: (visitId: string) => string | null
  readonly signedAt: (gradingId: string) => string | null
  /** the school's own address, under which its people are known */
  readonly home: string | null
}

const activity = (path: string, name: string, type: string) => ({
  objectType: 'Activity' as const,
  id: `${OURS}/${path}`,
  definition: { type: `${ADL}/activities/${type}`, name: { 'en-US': name } }
})
const idOf = (what: string) => v5(`${OURS}/${what}`, v5.URL)

/** One statement for each attempt and each mark that counts, each under an id of its own that stays. */
export function statementsOf({ behind, attempts, marks, endedAt, signedAt, home }: Told): object[] {
  const { id, name } = behind.apprentice
  const actor = { objectType: 'Agent' as const, name, account: { homePage: home ?? OURS, name: id } }
  const names = new Map(behind.techniques.map((one) => [one.id, one.name]))
  const timed = (timestamp: string | null) => (timestamp === null ? {} : { timestamp })
  const tried = attempts.map(({ visitId, techniqueId, setting, clean, minutes, prompts, help, counts, sides }) => ({
    id: idOf(`${visitId}/${techniqueId}/${setting}`),
    actor,
    verb: VERBS.completed,
    object: activity(`techniques/${techniqueId}`, names.get(techniqueId) ?? techniqueId, 'performance'),
    result: {
      ...{ success: clean, completion: true, duration: `PT${minutes}M` },
      extensions: Object.fromEntries(
        Object.entries({ prompts, help, counts, sides, setting }).map(([key, value]) => [`${OURS}/${key}`, value])
      )
    },
    ...timed(endedAt(visitId))
  }))
  const marked = marks
    .filter(({ setAside, mark }) => !setAside && mark !== null)
    .map(({ gradingId, trim, mark, outcome, assessor }) => ({
      id: idOf(`marks/${gradingId}`),
      actor,
      verb: VERBS[VERB_OF[outcome] ?? 'scored'],
      object: activity(`trims/${gradingId}`, trim, 'assessment'),
      result: {
        score: { raw: mark!, min: 0, max: 100, scaled: mark! / 100 },
        ...(VERB_OF[outcome] ? { success: outcome === 'passed' } : {})
      },
      context: { instructor: { objectType: 'Agent' as const, name: assessor, account: { homePage: home ?? OURS, name: assessor } } },
      ...timed(signedAt(gradingId))
    }))
  return [...tried, ...marked]
}
