// One dog's coat book: its page, what is written into it, what is struck, what the coat is kept for.
import type { CoatAim, CoatPage, CoatStrike, Me, NewCoatEntries } from '@peen/contract'
import { entryIssues, type BookDog, type CoatRules } from '@peen/core/coat'
import { and, desc, eq, inArray, isNotNull, lt, lte, or } from 'drizzle-orm'
import { inTransaction, tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { rememberReading } from '../grading'
import { offOf, openingOf } from '../opening'
import { allPeople, dogView, fullName } from '../people'
import { standardAgreed } from '../agreed'
import { houseOf, newestStandards, rackOf, standardOf } from '../school'
import { coatRulesOf, sproutDaysOf } from './limits'
import { aimOf, aimsOf, linesOf } from './lines'
import { tanglesOf } from './tangles'

type DogRow = typeof tables.dogs.$inferSelect

/** The book of a dog with everything that its model needs. */
export async function coatPage({ db, clock }: Services, actor: Me, dogId: string): Promise<CoatPage> {
  const dog = await dogRow(db, dogId)
  const today = await clock.today()
  const isStaff = actor.role !== 'apprentice'
  const own = (await linesOf({ db, actor, today }, [dogId])).get(dogId)!
  const { visits: s } = tables
  const [last] = await db
    .select()
    .from(s)
    // of another's visit an apprentice reads nothing before it is over
    .where(
      and(
        eq(s.dogId, dogId),
        lte(s.onDate, today),
        isStaff ? undefined : or(lt(s.onDate, today), isNotNull(s.closing), eq(s.apprenticeId, actor.id))
      )
    )
    .orderBy(desc(s.onDate), desc(s.id))
    .limit(1)
  const standards = await newestStandards(db)
  const usual = standards.find(({ body }) => body.bodyType === dog.bodyType) ?? standards[0]
  return {
    dog: dogView(dog),
    today,
    isWire: dogView(dog).coatType === 'wire',
    rules: await coatRulesOf(db),
    sproutDays: await sproutDaysOf(db),
    lines: own.lines,
    unread: own.unread,
    aim: aimOf(await aimsOf(db), dogId),
    opening: await openingOf(db),
    tangles: await tanglesOf(db, actor, dogId, today),
    off: await offOf(db, today, isStaff ? dogId : null),
    standard: last ? await standardAgreed(db, last) : usual.body,
    written: last ? await standardOf(db, last.standardId, last.standardVersion) : usual.body,
    rack: await rackOf(db),
    house: await houseOf(db),
    people: isStaff ? (await allPeople(db)).filter(({ active }) => active).map((person) => ({ id: person.id, name: fullName(person) })) : []
  }
}

/** Shows what colleagues measured on this dog: what one marks of those trims later is not blind. */
export async function readLengths({ db, clock }: Services, actor: Me, dogId: string): Promise<{ readonly read: number }> {
  const today = await clock.today()
  const { unread } = (await linesOf({ db, actor, today }, [(await dogRow(db, dogId)).id])).get(dogId)!
  const at = await clock.now()
  await inTransaction(db, async (tx) => {
    for (const { gradingId } of unread) await rememberReading(tx, gradingId, actor.id, at)
  })
  return { read: unread.length }
}

async function dogRow(db: Reader, id: string): Promise<DogRow> {
  const row = (await db.select().from(tables.dogs).where(eq(tables.dogs.id, id)))[0]
  if (!row) throw refuse.notFound('This dog')
  return row
}

/** Writes lines into the book. What cannot be is refused with its sentence, and none of the lines is kept. */
export async function writeEntries({ db, clock }: Services, actor: Me, dogId: string, { entries }: NewCoatEntries) {
  const at = await clock.now()
  const today = await clock.today()
  return inTransaction(db, async (tx) => {
    const dog = (await tx.select().from(tables.dogs).where(eq(tables.dogs.id, dogId)).for('update'))[0]
    if (!dog) throw refuse.notFound('This dog')
    const known: BookDog = { bornOn: dog.profile?.bornOn ?? null, today }
    const wrong = entries.flatMap((entry, i) =>
      entryIssues(entry, known).map(({ path, say }) => ({ path: `entries.${i}.${path}`, detail: say }))
    )
    if (wrong.length > 0) throw refuse.invalid(wrong)
    const hands = [...new Set(entries.flatMap((entry) => entry.hands ?? []))]
    const people = new Set((await tx.select({ id: tables.people.id }).from(tables.people)).map(({ id }) => id))
    if (!hands.every((id) => people.has(id)))
      throw refuse.invalid([{ path: 'entries', detail: 'Whose hands is someone who is not at this school.' }])
    const { coatEntries: e } = tables
    const there = await tx
      .select({ id: e.id })
      .from(e)
      .where(
        inArray(
          e.id,
          entries.map(({ id }) => id)
        )
      )
    const alreadyThere = new Set(there.map(({ id }) => id))
    // the same lines sent twice are written once
    const fresh = entries.filter(({ id }) => !alreadyThere.has(id))
    if (fresh.length > 0)
      await tx.insert(e).values(
        fresh.map(({ id, on, place, side, act, hands: whose }) => ({
          ...{ id, dogId, place, side, act },
          onDate: on,
          hands: whose,
          by: actor.id,
          at
        }))
      )
    return { written: fresh.length }
  })
}

/** Strikes lines: they count no more and stay to be read, with who struck them and why. */
export async function strikeEntries({ db, clock }: Services, actor: Me, dogId: string, { entryIds, reason }: CoatStrike) {
  const today = await clock.today()
  const { lines } = (await linesOf({ db, actor, today }, [(await dogRow(db, dogId)).id])).get(dogId)!
  const ids = [...new Set(entryIds)]
  for (const id of ids) {
    const line = lines.find((one) => one.id === id)
    if (!line) throw refuse.notFound('This line of the coat book')
    if (line.struck)
      throw refuse.conflict('struckAlready', `This line has already been struck out, by ${line.struck.by}: ${line.struck.reason}`)
  }
  const at = await clock.now()
  await db.insert(tables.coatStruck).values(ids.map((entryId) => ({ entryId, dogId, reason, by: actor.id, at })))
  return { struck: ids.length }
}

/** Takes back that lines were struck. */
export async function unstrikeEntries({ db }: Services, dogId: string, entryIds: readonly string[]) {
  const { coatStruck: x } = tables
  await db.delete(x).where(and(inArray(x.entryId, [...entryIds]), eq(x.dogId, dogId)))
  return { counted: entryIds.length }
}

export async function keepAim({ db, clock }: Services, dogId: string, aim: CoatAim): Promise<CoatAim> {
  await dogRow(db, dogId)
  const today = await clock.today()
  const early = (path: 'aimOn' | 'nextOn', label: string) =>
    aim[path] !== null && aim[path] < today ? [{ path, detail: `${label} is ${aim[path]}; it must be ${today} or later.` }] : []
  const wrong = [...early('aimOn', 'The date that counts'), ...early('nextOn', 'Next visit')]
  if (wrong.length > 0) throw refuse.invalid(wrong)
  await db
    .insert(tables.coatAims)
    .values({ dogId, ...aim })
    .onDuplicateKeyUpdate({ set: aim })
  return aim
}

export async function keepCoatRules({ db }: Services, rules: CoatRules): Promise<CoatRules> {
  await db.update(tables.school).set({ coat: rules })
  return rules
}
