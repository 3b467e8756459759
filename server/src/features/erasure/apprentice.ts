// Erasing an apprentice who has left: what names them goes, what the trail, certificates and other people's records rest on stays.
import type { ErasureView, Me } from '@peen/contract'
import { and, count, eq, gt, inArray, isNotNull } from 'drizzle-orm'
import { inTransaction, tables, type Reader, type Transaction } from '../../db'
import { refuse, type Services } from '../../http'
import { appendAudit } from '../audit'
import { fullName, personById } from '../people'
import { scrubNotes, scrubVisits, withoutNames, type Person } from './scrub'

type PersonRow = typeof tables.people.$inferSelect

const { people: p, notes: n, letters: l, visits: s, gradings: g, findings: f, attempts: at, portfolios: pf } = tables

const counted = (many: number, one: string, more = `${one}s`) => `${many} ${many === 1 ? one : more}`

/** What erasing would take away and what would stay, as sentences with their numbers; and why it cannot be done, where it cannot. */
export async function erasureView({ db, clock }: Services, id: string): Promise<ErasureView> {
  const person = await personById(db, id)
  const today = await clock.today()
  const refusal = await whyNot(db, person, today)
  const numbers = async (table: typeof n | typeof l | typeof s | typeof at | typeof pf, where: ReturnType<typeof eq>) =>
    (await db.select({ many: count() }).from(table).where(where))[0].many
  const notes = await numbers(n, and(eq(n.about, 'person'), eq(n.aboutId, id))!)
  const letters = await numbers(l, eq(l.personId, id))
  const visits = await numbers(s, eq(s.apprenticeId, id))
  const attempts = await numbers(at, eq(at.apprenticeId, id))
  const marks = (await db.select({ many: count() }).from(g).innerJoin(s, eq(s.id, g.visitId)).where(eq(s.apprenticeId, id)))[0].many
  const shown = await numbers(pf, eq(pf.apprenticeId, id))
  const certificates = await issued(db, id)
  return {
    refusal,
    goes: [
      certificates > 0 ? 'Username, email address, cohort and settings.' : 'Name, username, email address, cohort and settings.',
      ...(notes > 0 ? [`${counted(notes, 'note')} on ${person.givenName}.`] : []),
      ...(letters > 0 ? [`${counted(letters, 'letter')} to ${person.givenName}.`] : []),
      ...(shown > 0 ? [`${counted(shown, 'portfolio')}, with who opened ${shown === 1 ? 'it' : 'them'}.`] : []),
      'Time off, and the addresses of their calendar.',
      'The name in every remark, note and reason at these visits.'
    ],
    stays: [
      ...(certificates > 0
        ? [`The name on ${counted(certificates, 'certificate')}: an employer may ask for ${certificates === 1 ? 'it' : 'them'}.`]
        : []),
      `${counted(visits, 'visit')} with ${counted(attempts, 'attempt')} and ${counted(marks, 'mark')}${certificates > 0 ? '' : ', without a name'}: the trail and the dogs’ coat books rest on them.`,
      'Copies of the database made before today.'
    ]
  }
}

const issued = async (db: Reader, id: string): Promise<number> =>
  (
    await db
      .select({ many: count() })
      .from(f)
      .where(and(eq(f.apprenticeId, id), inArray(f.status, ['issued', 'revoked'])))
  )[0].many

async function whyNot(db: Reader, person: PersonRow, today: string): Promise<string | null> {
  const { givenName: name } = person
  if (person.role !== 'apprentice') return `${name} is staff. Whatever staff sign carries their name, so staff are retired, not erased.`
  if (person.erasedOn) return `This apprentice was erased on ${person.erasedOn}.`
  if (person.active) return `Retire ${name} first.`
  const [open] = await db
    .select({ id: f.id })
    .from(f)
    .where(and(eq(f.apprenticeId, person.id), eq(f.status, 'drafted')))
  if (open) return `A certificate for ${name} is still open. Decide it first.`
  const [ahead] = await db
    .select({ onDate: s.onDate })
    .from(s)
    .where(and(eq(s.apprenticeId, person.id), gt(s.onDate, today)))
  if (ahead) return `${name} has a visit on ${ahead.onDate}. Give it to someone else first.`
  const [draft] = await db
    .select({ id: g.id })
    .from(g)
    .innerJoin(s, eq(s.id, g.visitId))
    .where(and(eq(s.apprenticeId, person.id), eq(g.status, 'draft')))
  return draft ? `A trim of ${name} is still being graded. Sign that grading first.` : null
}

/** Erases an apprentice who is retired. It cannot be undone, and is in the trail. */
export async function eraseApprentice({ db, clock }: Services, actor: Me, id: string): Promise<{ readonly name: string }> {
  const [now, today] = [await clock.now(), await clock.today()]
  return inTransaction(db, async (tx) => {
    const [row] = await tx.select().from(p).where(eq(p.id, id)).for('update')
    if (!row) throw refuse.notFound('This person')
    const refusal = await whyNot(tx, row, today)
    if (refusal) throw refuse.conflict('notErasable', `${refusal} Nothing was changed.`)
    const before = (await tx.select({ many: count() }).from(p).where(isNotNull(p.erasedOn)))[0].many
    const keepsName = (await issued(tx, id)) > 0
    const name = keepsName
      ? { givenName: row.givenName, familyName: row.familyName }
      : { givenName: 'Former apprentice', familyName: String(before + 1) }
    const anonymous = {
      username: `erased-${id}`,
      passwordHash: '!',
      pinHash: null,
      email: null,
      cohort: '',
      settings: null,
      erasedOn: today
    }
    await tx
      .update(p)
      .set({ ...name, ...anonymous })
      .where(eq(p.id, id))
    await scrub(tx, row)
    const [tied] = await tx
      .select({ id: tables.accountEvents.personId })
      .from(tables.accountEvents)
      .where(eq(tables.accountEvents.personId, id))
    const entry = { kind: 'apprentice.erased', at: now.toISOString(), by: actor.id, ids: { person: id } }
    // an account in the trail gets a new seal, without its name
    await appendAudit(tx, entry, tied ? [`account:${id}`] : [])
    return { name: fullName(name) }
  })
}

async function scrub(tx: Transaction, row: PersonRow): Promise<void> {
  const { id, givenName, familyName, username, email } = row
  const names = [fullName(row), givenName, familyName, username, email ?? ''].map((one) => one.trim()).filter((one) => one !== '')
  const person: Person = { names, instead: 'the apprentice' }
  for (const table of [tables.invitations, tables.signIns, l]) await tx.delete(table).where(eq(table.personId, id))
  // links that show their work end with it; who opened them goes too
  await tx.delete(pf).where(eq(pf.apprenticeId, id))
  // nor does a calendar go on: its addresses, days off, and what it was told
  await tx.delete(tables.feeds).where(eq(tables.feeds.personId, id))
  await tx.delete(tables.daysOff).where(eq(tables.daysOff.aboutId, id))
  await tx.delete(tables.calendarMarks).where(eq(tables.calendarMarks.personId, id))
  await tx.delete(n).where(and(eq(n.about, 'person'), eq(n.aboutId, id)))
  const visits = await tx.select({ id: s.id, dogId: s.dogId }).from(s).where(eq(s.apprenticeId, id))
  await scrubNotes(tx, [...new Set(visits.map(({ dogId }) => dogId))], person)
  await scrubVisits(
    tx,
    visits.map(({ id: visit }) => visit),
    person
  )
  await scrubOwnTexts(tx, id, person)
}

/** Remarks and reasons that are kept with the person and not with a visit. */
async function scrubOwnTexts(tx: Transaction, id: string, person: Person): Promise<void> {
  const { oralAnswers: o, figurePractice: fp, holdLifts: h, assessments: a } = tables
  for (const { id: own, note } of await tx.select().from(o).where(eq(o.apprenticeId, id)))
    await tx
      .update(o)
      .set({ note: withoutNames(note, person) })
      .where(eq(o.id, own))
  for (const { id: own, note } of await tx.select().from(fp).where(eq(fp.apprenticeId, id)))
    await tx
      .update(fp)
      .set({ note: withoutNames(note, person) })
      .where(eq(fp.id, own))
  for (const { id: own, reason } of await tx.select().from(h).where(eq(h.apprenticeId, id)))
    await tx
      .update(h)
      .set({ reason: withoutNames(reason, person) })
      .where(eq(h.id, own))
  for (const { id: own, reason } of await tx
    .select()
    .from(f)
    .where(and(eq(f.apprenticeId, id), isNotNull(f.reason))))
    await tx
      .update(f)
      .set({ reason: withoutNames(reason!, person) })
      .where(eq(f.id, own))
  const settled = await tx
    .select({ visitId: a.visitId, reason: a.reason })
    .from(a)
    .innerJoin(s, eq(s.id, a.visitId))
    .where(and(eq(s.apprenticeId, id), isNotNull(a.reason)))
  for (const { visitId, reason } of settled)
    await tx
      .update(a)
      .set({ reason: withoutNames(reason!, person) })
      .where(eq(a.visitId, visitId))
}
