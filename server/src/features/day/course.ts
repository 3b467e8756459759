// The course of a day: opened, who is not here, closed with a summary for each apprentice.
import type { DaySummaryView, Me } from '@peen/contract'
import { and, asc, desc, eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { inTransaction, tables, type Reader, type Transaction } from '../../db'
import { refuse, type Services } from '../../http'
import { personById } from '../people'
import { schoolRow } from '../school'
import { isClosedDay, visitsOn } from './day'
import { summariesOf } from './summaries'

type Day = { readonly onDate: string }

/** Opens the day of today; again is the same. */
export async function openDay({ db, clock }: Services, actor: Me, onDate: string): Promise<Day> {
  const today = await clock.today()
  const at = await clock.now()
  if (onDate !== today)
    throw refuse.conflict('otherDay', `Today is ${today}; ${onDate} can only be opened on the day. Nothing was changed.`)
  if (await isClosedDay(db, onDate, today)) throw refuse.conflict('dayClosed', `${onDate} is already closed. Nothing was changed.`)
  await db.insert(tables.openedDays).ignore().values({ onDate, by: actor.id, at })
  return { onDate }
}

/** Says that somebody is not here, or is after all. Who is at a table finishes there first. */
export async function setAbsent(
  { db, clock }: Services,
  actor: Me,
  { onDate, personId, absent }: { readonly onDate: string; readonly personId: string; readonly absent: boolean }
): Promise<Day> {
  const at = await clock.now()
  const today = await clock.today()
  return inTransaction(db, async (tx) => {
    const person = await personById(tx, personId)
    if (await isClosedDay(tx, onDate, today))
      throw refuse.conflict('dayClosed', `${onDate} is ${onDate < today ? 'over' : 'closed'}. Nothing was changed.`)
    const { absences: a } = tables
    if (!absent) {
      await tx.delete(a).where(and(eq(a.onDate, onDate), eq(a.personId, personId)))
      return { onDate }
    }
    const busy = (await visitsOn(tx, onDate)).find(({ row, begun, closed }) => row.person.id === personId && begun && !closed)
    if (busy)
      throw refuse.conflict(
        'atWork',
        `${person.givenName} is at table ${busy.row.table.number} with ${busy.row.dog.name}: finish there first. Nothing was changed.`
      )
    await tx.insert(a).ignore().values({ onDate, personId, by: actor.id, at })
    return { onDate }
  })
}

/** Closes a day: nothing is planned on it any more, and each apprentice is sent the day in sentences. Refused while a dog is at work. */
export async function closeDay(services: Services, actor: Me, onDate: string): Promise<Day & { readonly sent: number }> {
  const { db, clock } = services
  const at = await clock.now()
  return inTransaction(db, async (tx) => {
    await tx.select().from(tables.school).for('update')
    const open = (await visitsOn(tx, onDate)).filter(({ begun, closed }) => begun && !closed)
    if (open.length > 0) {
      const dogs = open.map(({ row }) => row.dog.name).join(', ')
      throw refuse.conflict('stillOpen', `${dogs}: finish at the table first, then close the day. Nothing was changed.`)
    }
    await tx.insert(tables.closedDays).ignore().values({ onDate, by: actor.id, at })
    return { onDate, sent: await sendSummaries(tx, onDate, at) }
  })
}

/** Opens a closed day again. */
export async function reopenDay({ db }: Services, onDate: string): Promise<Day> {
  await db.delete(tables.closedDays).where(eq(tables.closedDays.onDate, onDate))
  return { onDate }
}

/** Every apprentice's day in sentences; an apprentice reads the own. */
export async function daySummaries({ db, clock }: Services, actor: Me, onDate: string): Promise<DaySummaryView[]> {
  const all = await summariesOf(db, onDate, (await clock.now()).toISOString())
  return actor.role === 'apprentice' ? all.filter(({ person }) => person.id === actor.id) : all
}

/** Puts each day into a letter; one that says the same as was sent before is not sent again. Returns how many were. */
async function sendSummaries(tx: Transaction, onDate: string, at: Date): Promise<number> {
  const subject = `Your day at ${(await schoolRow(tx)).name}, ${onDate}`
  let sent = 0
  for (const { person, sentences } of await summariesOf(tx, onDate, at.toISOString())) {
    const body = `Dear ${person.givenName},\n\n${sentences.join('\n')}`
    if ((await lastLetter(tx, person.id, subject)) === body) continue
    const { email } = await personById(tx, person.id)
    await tx.insert(tables.letters).values({ id: v7(), personId: person.id, address: email ?? '', subject, body, at })
    sent++
  }
  return sent
}

async function lastLetter(db: Reader, personId: string, subject: string): Promise<string | null> {
  const { letters: l } = tables
  const [row] = await db
    .select({ body: l.body })
    .from(l)
    .where(and(eq(l.personId, personId), eq(l.subject, subject)))
    .orderBy(desc(l.at), asc(l.id))
    .limit(1)
  return row?.body ?? null
}
