// Knowledge that is asked, not done: a question, the answer an assessor listens for, and what was answered.
import type { CoreIssue } from '../error'
import type { RetiredTechnique, Technique } from './types'

/** `answer`: what must be said, point by point. `was`: the technique under which this was kept before it was a question. */
export type OralQuestion = {
  readonly id: string
  readonly ask: string
  readonly answer: readonly string[]
  readonly about: readonly string[]
  readonly was?: string
}

/** What an assessor ticked after asking. `onDate` as YYYY-MM-DD. */
export type OralAnswer = { readonly questionId: string; readonly right: boolean; readonly onDate: string }

/** The answer that stands for each question: the last one given. Answers oldest first. */
export function answersStanding<A extends OralAnswer>(answers: readonly A[]): ReadonlyMap<string, A> {
  return new Map(answers.map((answer) => [answer.questionId, answer]))
}

/** Everything wrong with a list of questions. */
export function questionIssues(
  questions: readonly OralQuestion[],
  techniques: readonly Technique[],
  retired: readonly RetiredTechnique[]
): CoreIssue[] {
  const known = new Set(techniques.map(({ id }) => id))
  const asked = new Set(retired.flatMap(({ id, retired: { how } }) => (how === 'asked' ? [id] : [])))
  const issues: CoreIssue[] = []
  const refuse = (path: string, got: unknown, limit: string) => issues.push({ code: 'invalidQuestion', path, got, limit })
  questions.forEach(({ id, ask, answer, about, was }, i) => {
    const at = `questions.${id}`
    if (questions.findIndex((one) => one.id === id) !== i) refuse(`${at}.id`, id, 'an id used once')
    if (ask.trim() === '') refuse(`${at}.ask`, 'empty', 'a question')
    if (answer.length === 0 || answer.some((point) => point.trim() === '')) refuse(`${at}.answer`, answer.length, 'points in words')
    for (const technique of about) if (!known.has(technique)) refuse(`${at}.about`, technique, 'a technique in use')
    if (was !== undefined && !asked.has(was)) refuse(`${at}.was`, was, 'a technique that became a question')
  })
  const covered = new Set(questions.map(({ was }) => was))
  for (const id of asked) if (!covered.has(id)) refuse(`questions.was`, id, 'a question for every technique that became one')
  return issues
}
