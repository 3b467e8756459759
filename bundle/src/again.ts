// What was derived, computed once more from what a bundle holds: attempts from events, marks from answers, rules from both.
import { findingOf, type Held, type RuleOutcome } from '@peen/core/certify'
import { designLearningChart, standingOf, type AttemptRecord } from '@peen/core/competency'
import { gradeResult, type GradeResult } from '@peen/core/grade'
import type { CountedAttempt, PracticeEvent } from '@peen/core/practice'
import { agreedStandard, fittedStandard, type Standard } from '@peen/core/standard'
import { answersStanding } from '@peen/core/technique'
import { group } from 'd3-array'
import { countedOf } from './attempts'
import { factsOf, techniqueToday, type Attempt, type Trim } from './facts'
import type { SealedAssessment, SealedGrading, SealedSetAside } from './sealed'
import type { Behind, BehindAttempt, BehindVisit } from './shapes'

/** Everything that a bundle says was there, read and of the right shape. */
export type Evidence = {
  readonly behind: Behind
  /** by visit, in the order of the file */
  readonly events: ReadonlyMap<string, readonly PracticeEvent[]>
  readonly gradings: readonly SealedGrading[]
  readonly assessments: readonly SealedAssessment[]
  readonly setAsides: readonly SealedSetAside[]
  readonly standards: ReadonlyMap<string, Standard>
}

const attemptKey = ({ visitId, techniqueId, setting }: Pick<BehindAttempt, 'visitId' | 'techniqueId' | 'setting'>) =>
  `${visitId} ${techniqueId} ${setting}`
const COMPARED = ['clean', 'counts', 'minutes', 'prompts', 'help', 'sides', 'safetyEvents', 'seriousSafety'] as const

export const attemptsOf = ({ id: visitId, onDate, dog }: BehindVisit, counted: readonly CountedAttempt[]): BehindAttempt[] =>
  counted.map((attempt) => ({ visitId, onDate, dogId: dog.id, ...attempt }))

/** Attempts of which the record says something else than their events come to. */
export function unlikeTheirEvents({ behind, events }: Evidence, recorded: readonly BehindAttempt[]): string[] {
  const major = new Set(behind.majorFaults)
  const again = behind.visits.flatMap((visit) => attemptsOf(visit, countedOf(events.get(visit.id) ?? [], major)))
  const [was, is] = [recorded, again].map((some) => new Map(some.map((one) => [attemptKey(one), one])))
  const keys = [...new Set([...was!.keys(), ...is!.keys()])]
  return keys.filter((key) => COMPARED.some((field) => was!.get(key)?.[field] !== is!.get(key)?.[field]))
}

/** How far a mark may lie off when another machine computes it, of 100. */
const MARK_NEAR = 0.05
export type MarkAgain = { readonly gradingId: string; readonly verdict: 'same' | 'other' | 'cannotTell' }

/** Each signed mark, computed once more from its answers. One that the first method signed cannot be. */
export const marksAgain = (evidence: Evidence): MarkAgain[] =>
  evidence.gradings.map((grading) => ({ gradingId: grading.id, verdict: markAgain(evidence, grading) }))

function markAgain({ standards }: Evidence, grading: SealedGrading): MarkAgain['verdict'] {
  const written = standards.get(`${grading.standardId}@${grading.standardVersion}`)
  if (!written || grading.gradedWith === null) return 'cannotTell'
  const fitted = fittedStandard(written, { house: grading.houseRules, wishes: grading.wishes ?? [] })
  const { standard } = agreedStandard(fitted, grading.agreed ?? [])
  const { answers, critical, id: seedText, gradedWith } = grading
  const result = gradeResult(standard, { answers, critical, seedText, ...gradedWith })
  return isLike(result, grading.result.body) ? 'same' : 'other'
}

function isLike(a: GradeResult, b: GradeResult): boolean {
  const numbers = ({ total }: GradeResult) => (total ? [total.value, ...total.interval] : [])
  const [x, y] = [numbers(a), numbers(b)]
  return a.outcome === b.outcome && x.length === y.length && x.every((one, i) => Math.abs(one - y[i]!) <= MARK_NEAR)
}

/** The rules of the certificate as they come out on the day that it was issued, from the evidence alone. */
export function rulesAgain(evidence: Evidence): readonly RuleOutcome[] {
  const { behind } = evidence
  return findingOf(behind.certificate, factsThen(evidence)(behind.certificate)).rules
}

function factsThen(evidence: Evidence) {
  const { behind } = evidence
  const { apprentice, issuedOn: today, charts } = behind
  const attempts = attemptsThen(evidence)
  const trims = trimsThen(evidence)
  const right = [...answersStanding(behind.answers.filter(({ onDate }) => onDate <= today) as never)].filter(([, answer]) => answer.right)
  const known = {
    ...{ today, trims, live: attempts.filter(({ isLive }) => isLive) },
    standings: standingsThen(evidence, attempts, trims, designLearningChart(charts).falseCompetentRisk),
    answered: new Map(right.map(([question, { onDate }]): [string, string] => [question, onDate])),
    held: new Map(behind.held.map(({ certificateId, name, until }): [string, Held] => [certificateId, { name, until }])),
    isOwn: (assessorId: string) => apprentice.accounts.includes(assessorId)
  }
  const named = (some: Behind['techniques']) => new Map(some.map(({ id, name }) => [id, name]))
  return factsOf(known, { techniqueNames: named(behind.techniques), certificateNames: named(behind.certificates) })
}

/** Events that had reached the server when the certificate was issued. */
const cameBy = (events: readonly PracticeEvent[], at: string) => events.filter(({ receivedAt }) => receivedAt === null || receivedAt <= at)

/** In the order of the files, which is the order of the database. */
function attemptsThen({ behind, events }: Evidence): (Attempt & { readonly isLive: boolean })[] {
  const major = new Set(behind.majorFaults)
  const past = behind.visits.filter(({ onDate }) => onDate <= behind.issuedOn).sort((a, b) => a.onDate.localeCompare(b.onDate))
  return past.flatMap((visit) =>
    countedOf(cameBy(events.get(visit.id) ?? [], behind.issuedAt), major).map((attempt) => ({
      ...{ techniqueId: attempt.techniqueId, record: recordOf(visit, attempt), isLive: attempt.setting === 'live' }
    }))
  )
}

const recordOf = ({ id, onDate, dog }: BehindVisit, attempt: CountedAttempt): AttemptRecord => {
  const { clean, counts, minutes, prompts, help, sides, because, safetyEvents, seriousSafety } = attempt
  return {
    ...{ visitId: id, onDate, dogId: dog.id, dogName: dog.name, coat: dog.coat, planMinutes: null },
    ...{ clean, counts, minutes, prompts, help, sides, because, safetyEvents, seriousSafety }
  }
}

/** Marks that counted then: signed by then, not set aside by then, and of no trim that was still being marked. */
function trimsThen({ behind, gradings, assessments, setAsides }: Evidence): Trim[] {
  const at = behind.issuedAt
  const visits = new Map(behind.visits.map((visit) => [visit.id, visit]))
  const gone = new Set(setAsides.filter((one) => one.at <= at).map(({ gradingId }) => gradingId))
  const open = new Set(gradings.filter((one) => one.startedAt <= at && (one.signedAt ?? '~') > at).map(({ sessionId }) => sessionId))
  const settled = new Map(assessments.map((one) => [one.sessionId, one.agreedBy === null ? null : one.outcome]))
  return gradings
    .filter(({ id, sessionId, signedAt }) => signedAt !== null && signedAt <= at && !gone.has(id) && !open.has(sessionId))
    .flatMap((one) => {
      const visit = visits.get(one.sessionId)
      if (!visit) return []
      const { dog, onDate } = visit
      return [
        {
          ...{ gradingId: one.id, visitId: visit.id, dogId: dog.id, dogName: dog.name, coat: dog.coat, onDate },
          ...{ assessorId: one.assessorId, blind: one.blind, standardId: one.standardId, hasWishes: (one.wishes ?? []).length > 0 },
          ...{ settled: settled.get(visit.id) ?? null, result: one.result.body }
        }
      ]
    })
    .sort((a, b) => a.onDate.localeCompare(b.onDate))
}

function standingsThen({ behind }: Evidence, attempts: readonly Attempt[], trims: readonly Trim[], risk: number) {
  const passed = trims.filter((trim) => (trim.settled ?? trim.result.outcome) === 'passed')
  const names = new Map(behind.techniques.map(({ id, name }) => [id, name]))
  return new Map(
    [...group(attempts, ({ techniqueId }) => techniqueId)].map(([id, own]) => {
      const shown = new Set(own.map(({ record }) => record.visitId))
      const liftedOn = latest(behind.lifts.filter(({ techniqueId }) => techniqueToday(techniqueId) === id))
      const facts = {
        ...{ techniqueName: names.get(id) ?? id, attempts: own.map(({ record }) => record), liftedOn, today: behind.issuedOn },
        passedTrimOn: passed.find(({ visitId }) => shown.has(visitId))?.onDate ?? null
      }
      const { state, signalOn } = standingOf(facts, behind.charts)
      return [id, { state, signalOn, risk }] as const
    })
  )
}
const latest = (some: readonly { readonly onDate: string }[]): string | null =>
  some
    .map(({ onDate }) => onDate)
    .sort()
    .at(-1) ?? null
