// What a certificate asks of one apprentice's records. The server asks it of its database, and the check of a bundle asks it of the files.
import { questions, retiredTechniques } from '@peen/content'
import type { Certificate, CertifyFacts, GradedTrim, Held, TechniqueState } from '@peen/core/certify'
import type { AttemptRecord } from '@peen/core/competency'
import { nowCalled, successorOf } from '@peen/core/technique'
import { group } from 'd3-array'

/** The id under which a technique's history is kept today. */
export const techniqueToday = (id: string): string => nowCalled(id, retiredTechniques)

/** An attempt of an apprentice, under its technique's name of today. */
export type Attempt = { readonly techniqueId: string; readonly record: AttemptRecord }
export type Trim = GradedTrim & { readonly standardId: string; readonly blind: boolean }

/** What is on record of one apprentice on a day. */
export type KnownOfOne = {
  readonly today: string
  /** on live dogs, oldest first */
  readonly live: readonly Attempt[]
  /** by techniques as they are called today */
  readonly standings: ReadonlyMap<string, TechniqueState>
  /** questions whose last answer was right, with the day */
  readonly answered: ReadonlyMap<string, string>
  readonly held: ReadonlyMap<string, Held>
  /** signed, oldest first */
  readonly trims: readonly Trim[]
  /** the assessor is the apprentice under another account */
  readonly isOwn: (assessorId: string) => boolean
}
export type Names = Pick<CertifyFacts, 'techniqueNames' | 'certificateNames'>

/** Gathered once for one apprentice, then asked for each certificate. */
export function factsOf(known: KnownOfOne, names: Names): (certificate: Pick<Certificate, 'rules' | 'standards'>) => CertifyFacts {
  const { today, live, answered, held } = known
  const counted = live.filter(({ record }) => record.counts)
  const attempts = group(counted, ({ techniqueId }) => techniqueId)
  const every = {
    ...{ today, answered, held, questionWords },
    standings: withRetired(known.standings, answered),
    attempts: renamedToo(new Map([...attempts].map(([id, some]) => [id, some.map(({ record }) => record)]))),
    lastSafetyOn: latest(live.filter(({ record }) => record.safetyEvents > 0)),
    lastWorkOn: latest(counted)
  }
  return ({ rules, standards }) => {
    const wanted = new Set(rules.flatMap((rule) => ('techniques' in rule ? rule.techniques.map(techniqueToday) : [])))
    const dogs = new Map(
      counted
        .filter(({ techniqueId }) => wanted.has(techniqueId))
        .map(({ record: { dogId, dogName, coat } }) => [dogId, { id: dogId, name: dogName, coat }])
    )
    return {
      ...every,
      ...names,
      trims: known.trims.filter((trim) => standards.includes(trim.standardId) && trim.blind && !known.isOwn(trim.assessorId)),
      dogs: [...dogs.values()].sort((x, y) => x.name.localeCompare(y.name))
    }
  }
}

/** What was kept under a technique's name of today, under its former name as well: a school's rule may still ask by that. */
function renamedToo<T>(known: ReadonlyMap<string, T>): ReadonlyMap<string, T> {
  const former = retiredTechniques.flatMap(({ id }): [string, T][] => {
    const today = techniqueToday(id)
    return today !== id && known.has(today) ? [[id, known.get(today)!]] : []
  })
  return new Map([...known, ...former])
}

/** A retired technique stands where its successor stands, and no lower than it stood itself: what was shown is not lost. */
function withRetired(
  known: ReadonlyMap<string, TechniqueState>,
  answered: ReadonlyMap<string, string>
): ReadonlyMap<string, TechniqueState> {
  const own = renamedToo(known)
  const former = retiredTechniques.flatMap(({ id }): [string, TechniqueState][] => {
    const to = successorOf(id, retiredTechniques)
    const successor = to === null ? answeredAs(id, answered) : own.get(to)
    return successor?.state === 'competent' && own.get(id)?.state !== 'competent' ? [[id, successor]] : []
  })
  return new Map([...own, ...former])
}

/** Knowledge that became a question: shown by its answer, without any luck in it. */
function answeredAs(id: string, answered: ReadonlyMap<string, string>): TechniqueState | undefined {
  const question = questions.find(({ was }) => was === id)
  const signalOn = question === undefined ? undefined : answered.get(question.id)
  return signalOn === undefined ? undefined : { state: 'competent', signalOn, risk: 0 }
}
const questionWords: ReadonlyMap<string, string> = new Map(questions.map(({ id, ask }) => [id, ask]))

const latest = (attempts: readonly Attempt[]): string | null =>
  attempts
    .map(({ record }) => record.onDate)
    .sort()
    .at(-1) ?? null
