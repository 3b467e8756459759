// Questions asked aloud: what an assessor ticked. An answer is never changed; the last one of a question stands.
import { questions } from '@peen/content'
import { type AnswerView, type Me, type NewAnswer } from '@peen/contract'
import { answersStanding } from '@peen/core/technique'
import { group } from 'd3-array'
import { asc, inArray } from 'drizzle-orm'
import { orTaken, tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { fullName, personById } from '../people'

/** The answers of some apprentices, oldest first. */
export async function answersOf(db: Reader, apprenticeIds: readonly string[]) {
  const { oralAnswers: a } = tables
  if (apprenticeIds.length === 0) return []
  return db
    .select()
    .from(a)
    .where(inArray(a.apprenticeId, [...apprenticeIds]))
    .orderBy(asc(a.onDate), asc(a.at))
}

/** Questions whose last answer was right by a day, with the day it was given; by apprentice. */
export async function answeredBy(db: Reader, apprenticeIds: readonly string[], today: string) {
  const own = group(
    (await answersOf(db, apprenticeIds)).filter(({ onDate }) => onDate <= today),
    ({ apprenticeId }) => apprenticeId
  )
  return new Map(
    apprenticeIds.map((id) => {
      const right = [...answersStanding(own.get(id) ?? [])].filter(([, answer]) => answer.right)
      return [id, new Map(right.map(([question, { onDate }]) => [question, onDate]))] as const
    })
  )
}

export async function answersTold({ db }: Services, actor: Me, id: string): Promise<AnswerView[]> {
  if (actor.role === 'apprentice' && actor.id !== id) throw refuse.forbidden('Apprentices can read only their own answers.')
  await personById(db, id)
  const names = new Map((await db.select().from(tables.people)).map((person) => [person.id, fullName(person)]))
  return (await answersOf(db, [id])).map(({ id: own, questionId, right, onDate, note, by }) => ({
    ...{ id: own, questionId, right, onDate, note },
    by: names.get(by) ?? ''
  }))
}

export async function keepAnswer({ db, clock }: Services, actor: Me, apprenticeId: string, answer: NewAnswer): Promise<{ id: string }> {
  const person = await personById(db, apprenticeId)
  if (person.role !== 'apprentice') throw refuse.notFound('This apprentice')
  if (!questions.some(({ id }) => id === answer.questionId))
    throw refuse.invalid([{ path: 'questionId', detail: `Question is “${answer.questionId.slice(0, 60)}”; it must be on the list.` }])
  const today = await clock.today()
  if (answer.onDate > today) throw refuse.invalid([{ path: 'onDate', detail: `Date is ${answer.onDate}; it must be ${today} or before.` }])
  const row = { ...answer, apprenticeId, by: actor.id, at: await clock.now() }
  await orTaken(db.insert(tables.oralAnswers).values(row), refuse.taken('answer'))
  return { id: answer.id }
}
