// Practice on stand-in figures: loose coats on a stand, which come before live dogs. Logged apart, never on a chart.
import type { FigureView, Me, NewFigure } from '@peen/contract'
import { desc, eq } from 'drizzle-orm'
import { orTaken, tables } from '../../db'
import { refuse, type Services } from '../../http'
import { personById } from '../people'
import { techniquesOf } from '../school'

const MOST_SHOWN = 200

/** What an apprentice has practised on figures, the newest first. An apprentice reads the own. */
export async function figuresOf({ db }: Services, actor: Me, apprenticeId: string): Promise<FigureView[]> {
  if (actor.role === 'apprentice' && actor.id !== apprenticeId) throw refuse.forbidden('Apprentices can read only their own records.')
  const names = new Map((await techniquesOf(db)).map(({ id, name }) => [id, name]))
  const { figurePractice: f } = tables
  const rows = await db.select().from(f).where(eq(f.apprenticeId, apprenticeId)).orderBy(desc(f.onDate), desc(f.at)).limit(MOST_SHOWN)
  return rows.map(({ id, techniqueId, side, minutes, note, onDate, by }) => {
    return { id, techniqueId, side, minutes, note, onDate, technique: names.get(techniqueId) ?? techniqueId, own: by === actor.id }
  })
}

/** Logs practice on a figure today. Refuses an unknown technique, and somebody who has left. */
export async function addFigure(services: Services, actor: Me, apprenticeId: string, figure: NewFigure): Promise<FigureView[]> {
  const { db, clock } = services
  if (actor.role === 'apprentice' && actor.id !== apprenticeId) throw refuse.forbidden('Apprentices can log only their own practice.')
  const person = await personById(db, apprenticeId)
  if (person.role !== 'apprentice') throw refuse.notFound('This apprentice')
  if (!person.active) throw refuse.conflict('retired', `${person.givenName} has left the school. Nothing was changed.`)
  if (!(await techniquesOf(db)).some(({ id }) => id === figure.techniqueId))
    throw refuse.invalid([{ path: 'techniqueId', detail: `Technique is ${figure.techniqueId.slice(0, 60)}; it must be in the catalogue.` }])
  const row = { ...figure, apprenticeId, onDate: await clock.today(), by: actor.id, at: await clock.now() }
  await orTaken(db.insert(tables.figurePractice).values(row), refuse.taken('entry'))
  return figuresOf(services, actor, apprenticeId)
}

/** Takes an entry out again: who wrote it, or staff. */
export async function removeFigure(services: Services, actor: Me, id: string): Promise<FigureView[]> {
  const { figurePractice: f } = tables
  const [row] = await services.db.select().from(f).where(eq(f.id, id))
  if (!row) throw refuse.notFound('This entry')
  if (actor.role === 'apprentice' && row.by !== actor.id) throw refuse.forbidden('Apprentices can remove only their own entries.')
  await services.db.delete(f).where(eq(f.id, id))
  return figuresOf(services, actor, row.apprenticeId)
}
