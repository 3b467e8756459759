import { houseRules, rack, standards as shippedStandards } from '@peen/content'
import type { HouseRules, SchoolView } from '@peen/contract'
import { CoreError } from '@peen/core/error'
import { standardIssues, type Standard } from '@peen/core/standard'
import type { Tool } from '@peen/core/tools'
import { and, asc, desc, eq } from 'drizzle-orm'
import { inTransaction, tables, type Database, type Reader, type Transaction } from '../../db'
import { refuse, type Services } from '../../http'

const EMPTY_ROOM = { room: 'grooming room', timeZone: 'Europe/London', demoNow: null, roomWidthMm: 12000, roomDepthMm: 9000 }

const USUAL_RULES = Object.fromEntries(houseRules.map((rule) => [rule.id, rule.chosen]))

/** The school's single row; made once with the house rules' defaults. */
export async function ensureSchool(tx: Transaction, name: string): Promise<void> {
  await tx
    .insert(tables.school)
    .ignore()
    .values({ id: 1, name, ...EMPTY_ROOM, houseRules: USUAL_RULES })
}

/** What Peen ships as data, into the database, where a school may change it. Runs at every start; never overwrites. */
export async function loadContent(db: Database): Promise<void> {
  for (const standard of shippedStandards) {
    const [issue] = standardIssues(standard)
    if (issue) throw new CoreError(issue)
    await db.insert(tables.standards).ignore().values({ id: standard.id, version: standard.version, body: standard })
  }
  for (const [position, tool] of rack.entries()) {
    await db.insert(tables.tools).ignore().values({ id: tool.id, position, body: tool })
  }
  await db.insert(tables.auditHead).ignore().values({ id: 1, seq: 0, hash: '' })
}

export async function schoolRow(db: Reader) {
  const row = (await db.select().from(tables.school).limit(1))[0]
  if (!row) throw refuse.notFound('The school')
  return row
}

export async function rackOf(db: Reader): Promise<Tool[]> {
  return (await db.select().from(tables.tools).orderBy(asc(tables.tools.position))).map((row) => row.body)
}

export async function standardOf(db: Reader, id: string, version: number): Promise<Standard> {
  const { standards: s } = tables
  const row = (
    await db
      .select()
      .from(s)
      .where(and(eq(s.id, id), eq(s.version, version)))
  )[0]
  if (!row) throw refuse.notFound(`Standard ${id}, version ${version},`)
  return row.body
}

/** The newest version of every standard. */
export async function newestStandards(db: Reader) {
  const { standards: s } = tables
  const rows = await db.select().from(s).orderBy(asc(s.id), desc(s.version))
  return rows.filter((row, i) => row.id !== rows[i - 1]?.id)
}

/** What every screen needs to know of the school: names, its clock, rack and standards. */
export async function schoolView({ db, clock }: Services): Promise<SchoolView> {
  const row = await schoolRow(db)
  return {
    name: row.name,
    room: row.room,
    timeZone: row.timeZone,
    now: (await clock.now()).toISOString(),
    isDemo: row.demoNow !== null,
    tools: await rackOf(db),
    standards: (await db.select().from(tables.standards)).map((standard) => standard.body),
    // a question that came after the school was opened has its usual answer
    houseRules: { ...USUAL_RULES, ...row.houseRules }
  }
}

/** Takes the school's side in questions where practitioners differ. Refuses a question or a side that does not exist. */
export async function chooseHouseRules(services: Services, { rules }: HouseRules): Promise<SchoolView> {
  const wrong = Object.entries(rules).flatMap(([id, side]) => {
    const rule = houseRules.find((candidate) => candidate.id === id)
    if (!rule) return [{ path: `rules.${id}`, detail: `${id.slice(0, 40)} is not a question of the house.` }]
    return side < rule.sides.length
      ? []
      : [{ path: `rules.${id}`, detail: `${rule.question} is ${side}; allowed is 0 to ${rule.sides.length - 1}.` }]
  })
  if (wrong.length > 0) throw refuse.invalid(wrong)
  await inTransaction(services.db, async (tx) => {
    const row = (await tx.select().from(tables.school).for('update'))[0]
    if (!row) throw refuse.notFound('The school')
    await tx.update(tables.school).set({ houseRules: { ...row.houseRules, ...rules } })
  })
  return schoolView(services)
}
