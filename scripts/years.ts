// A school of ten years, made from the demo's year: its people, dogs and visits again and again, under other ids and on earlier days.
import { inTransaction, tables, type Database } from '@peen/server'
import { inArray, sql } from 'drizzle-orm'
import { resealed, type SealName } from '../server/src/features/audit'

export type Size = { readonly years: number; readonly apprentices: number; readonly dogs: number; readonly events: number }

/** Signed trims that one entry's transaction takes. */
const SEALED_AT_ONCE = 60

/** The id of the same thing in another copy: its first eight digits are the copy's number. */
const inCopy = (column: string, copy: number | string) => `CONCAT(LPAD(HEX(${copy}), 8, '0'), SUBSTR(${column}, 9))`

/** Every column of a table in its order, some of them as something else. */
async function copied(db: Database, table: string, instead: Readonly<Record<string, string>>, where: string): Promise<void> {
  const [rows] = (await db.execute(
    sql`SELECT column_name AS name FROM information_schema.columns WHERE table_schema = DATABASE() AND table_name = ${table} ORDER BY ordinal_position`
  )) as unknown as [{ name: string }[]]
  const names = rows.map(({ name }) => `\`${name}\``).join(', ')
  const values = rows.map(({ name }) => instead[name] ?? `t.\`${name}\``).join(', ')
  await db.execute(sql.raw(`INSERT INTO ${table} (${names}) SELECT ${values} FROM ${table} t ${where}`))
}

const FIRST = (column: string) => `WHERE t.${column} IN (SELECT id FROM years_of_visits)`

/** How many copies a size needs of the demo that is there. */
async function copiesFor(db: Database, size: Size) {
  const many = async (text: string) => Number(((await db.execute(sql.raw(text))) as unknown as [{ n: number }[]])[0][0]!.n)
  const apprentices = await many("SELECT COUNT(*) AS n FROM people WHERE role = 'apprentice'")
  const dogs = await many('SELECT COUNT(*) AS n FROM dogs')
  const events = await many('SELECT COUNT(*) AS n FROM practice_events')
  const people = Math.max(1, Math.round(size.apprentices / apprentices))
  return { people, dogs: Math.max(1, Math.round(size.dogs / dogs)), visits: Math.max(1, Math.round(size.events / events / people)) }
}

/** Makes the demo in `db` a school of that size. Old apprentices have left. `say` hears how far it is. */
export async function growTo(db: Database, size: Size, say: (line: string) => void): Promise<void> {
  const copies = await copiesFor(db, size)
  // what is copied: the demo as it was played
  await db.execute(sql.raw('CREATE TABLE years_of_visits (id uuid PRIMARY KEY) SELECT id FROM visits'))
  for (let d = 1; d < copies.dogs; d++)
    await copied(db, 'dogs', { id: inCopy('t.id', d), name: `CONCAT(t.name, ' ', ${d})`, owner_id: 'NULL' }, "WHERE t.id NOT LIKE '00000%'")
  const perYear = copies.people / size.years
  for (let a = 0; a < copies.people; a++) {
    const year = Math.floor(a / perYear)
    if (a > 0)
      await copied(
        db,
        'people',
        {
          ...{ id: inCopy('t.id', a), username: `CONCAT(t.username, '-', ${a})`, family_name: `CONCAT(t.family_name, ' ', ${a})` },
          ...{
            cohort: `CONCAT(t.cohort, ' ', ${a})`,
            started_on: `DATE_SUB(t.started_on, INTERVAL ${year} YEAR)`,
            active: String(year === 0)
          }
        },
        "WHERE t.role = 'apprentice' AND t.id NOT LIKE '00000%'"
      )
    for (let v = 0; v < copies.visits; v++) if (a > 0 || v > 0) await copyVisits(db, a, v, year, copies)
    say(`Years: apprentices ${a + 1} of ${copies.people}.`)
  }
  await db.execute(sql.raw('DROP TABLE years_of_visits'))
  await placeAndSeal(db, say)
}

async function copyVisits(
  db: Database,
  a: number,
  v: number,
  year: number,
  { visits, dogs }: { readonly visits: number; readonly dogs: number }
) {
  const copy = a * visits + v
  const back = (column: string) => `DATE_SUB(DATE_SUB(t.${column}, INTERVAL ${year} YEAR), INTERVAL ${v * 11} DAY)`
  const visit = inCopy('t.visit_id', copy)
  const dogCopy = copy % dogs
  const dog = dogCopy === 0 ? 't.dog_id' : inCopy('t.dog_id', dogCopy)
  const apprentice = a === 0 ? 't.apprentice_id' : inCopy('t.apprentice_id', a)
  await copied(db, 'visits', { id: inCopy('t.id', copy), apprentice_id: apprentice, dog_id: dog, on_date: back('on_date') }, FIRST('id'))
  const own = { visit_id: visit }
  const days = { at_device: back('at_device'), received_at: back('received_at') }
  await copied(db, 'practice_events', { ...own, ...days, id: inCopy('t.id', copy), position: 'NULL' }, FIRST('visit_id'))
  await copied(db, 'gradings', { ...own, id: inCopy('t.id', copy) }, FIRST('visit_id'))
  const grading = { grading_id: inCopy('t.grading_id', copy) }
  await copied(
    db,
    'grading_results',
    grading,
    'WHERE t.grading_id IN (SELECT g.id FROM gradings g JOIN years_of_visits y ON y.id = g.visit_id)'
  )
  await copied(db, 'agreed_targets', { ...own, id: inCopy('t.id', copy) }, FIRST('visit_id'))
  const derived = { ...own, dog_id: dog, on_date: back('on_date') }
  await copied(db, 'derived_attempts', { ...derived, apprentice_id: apprentice }, FIRST('visit_id'))
  await copied(db, 'derived_coat', derived, FIRST('visit_id'))
}

/** Events get their places, and what is signed enters the trail. */
async function placeAndSeal(db: Database, say: (line: string) => void): Promise<void> {
  await db.execute(
    sql.raw(
      'UPDATE practice_events e JOIN (SELECT id, (SELECT position FROM live_head) + ROW_NUMBER() OVER (ORDER BY received_at, lamport, id) AS place FROM practice_events WHERE position IS NULL) n ON n.id = e.id SET e.position = n.place'
    )
  )
  await db.execute(sql.raw('UPDATE live_head SET position = (SELECT MAX(position) FROM practice_events)'))
  const { gradings: g, auditSeals: s } = tables
  const sealed = new Set((await db.selectDistinct({ name: s.name }).from(s)).map(({ name }) => name))
  const fresh = (
    await db
      .select({ id: g.id, visitId: g.visitId })
      .from(g)
      .where(inArray(g.status, ['signed']))
  ).filter(({ id }) => !sealed.has(`grading:${id}`))
  for (let from = 0; from < fresh.length; from += SEALED_AT_ONCE) {
    const some = fresh.slice(from, from + SEALED_AT_ONCE)
    const names = some.flatMap(({ id, visitId }): SealName[] => [`grading:${id}`, `events:${visitId}`, `pictures:${visitId}`])
    // two people may have marked one trim
    await inTransaction(db, (tx) => resealed(tx, [...new Set(names)], new Date()))
    if (from % (SEALED_AT_ONCE * 20) === 0) say(`Years: signed trims in the trail, ${from} of ${fresh.length}.`)
  }
}
