// Dated notes on a dog, a person or a visit: written by staff, struck with a reason, never changed.
import { NOTED, type Me, type NewNote, type Noted, type NoteView, type StrikeNote } from '@peen/contract'
import { and, desc, eq } from 'drizzle-orm'
import { orTaken, tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { fullName } from '../people'

export function notedOf(text: string): Noted {
  const known = NOTED.find((one) => one === text)
  if (!known) throw refuse.notFound(`Notes on "${text.slice(0, 20)}"`)
  return known
}

/** An apprentice reads what is noted on dogs and on own visits; what is noted on people is the staff's. */
async function mayRead(db: Reader, actor: Me, about: Noted, id: string): Promise<void> {
  if (actor.role !== 'apprentice' || about === 'dog') return
  const { visits: s } = tables
  const [own] = about === 'visit' ? await db.select({ id: s.apprenticeId }).from(s).where(eq(s.id, id)) : []
  if (own?.id !== actor.id) throw refuse.forbidden('These notes are for the staff.')
}

async function exists(db: Reader, about: Noted, id: string): Promise<void> {
  const { dogs: d, people: p, visits: s } = tables
  const found =
    about === 'dog'
      ? await db.select({ id: d.id }).from(d).where(eq(d.id, id))
      : about === 'person'
        ? await db.select({ id: p.id }).from(p).where(eq(p.id, id))
        : await db.select({ id: s.id }).from(s).where(eq(s.id, id))
  if (found.length === 0) throw refuse.notFound(`This ${about}`)
}

export async function notesOn({ db }: Services, actor: Me, about: Noted, id: string): Promise<NoteView[]> {
  await mayRead(db, actor, about, id)
  const { notes: n } = tables
  const rows = await db
    .select()
    .from(n)
    .where(and(eq(n.about, about), eq(n.aboutId, id)))
    .orderBy(desc(n.onDate), desc(n.at))
  const names = new Map((await db.select().from(tables.people)).map((person) => [person.id, fullName(person)]))
  return rows.map(({ id: own, onDate, text, by, struck }) => ({
    ...{ id: own, onDate, text, by: names.get(by) ?? '' },
    struck: struck ? { by: names.get(struck.by) ?? '', reason: struck.reason } : null
  }))
}

export async function writeNote({ db, clock }: Services, actor: Me, about: Noted, aboutId: string, note: NewNote): Promise<{ id: string }> {
  await exists(db, about, aboutId)
  const row = { ...note, about, aboutId, by: actor.id, at: await clock.now(), struck: null }
  await orTaken(db.insert(tables.notes).values(row), refuse.taken('note'))
  return { id: note.id }
}

export async function strikeNote({ db, clock }: Services, actor: Me, id: string, { reason }: StrikeNote): Promise<{ id: string }> {
  const { notes: n } = tables
  const [note] = await db.select().from(n).where(eq(n.id, id))
  if (!note) throw refuse.notFound('This note')
  if (note.struck) throw refuse.conflict('struck', 'This note has already been struck out.')
  await db
    .update(n)
    .set({ struck: { by: actor.id, reason, at: (await clock.now()).toISOString() } })
    .where(eq(n.id, id))
  return { id }
}
