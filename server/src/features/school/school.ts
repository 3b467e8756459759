import {
  adviceRules,
  certificates as shippedCertificates,
  houseRules,
  knownWith,
  questions,
  rack,
  retiredTechniques,
  standards as shippedStandards,
  techniques as shippedTechniques
} from '@peen/content'
import type { HouseRules, Room, SchoolView, StandardHead, TechniqueVersion } from '@peen/contract'
import { ruleIssues } from '@peen/core/advice'
import { CoreError } from '@peen/core/error'
import { GRADE_RULES, type GradeRules } from '@peen/core/grade'
import { standardIssues, type Known, type Standard } from '@peen/core/standard'
import { catalogueIssues, nowCalled, questionIssues, retirementIssues, upToDate } from '@peen/core/technique'
import type { Tool } from '@peen/core/tools'
import { asc } from 'drizzle-orm'
import { inTransaction, tables, type Database, type Reader, type Transaction } from '../../db'
import { refuse, type Services } from '../../http'
import { DERIVED_BY } from './derived-by'
import { everyStandard, retiredOf } from './versions'

const EMPTY_ROOM = { room: 'grooming room', timeZone: 'Europe/London', demoNow: null, roomWidthMm: 12000, roomDepthMm: 9000 }

const USUAL_RULES = Object.fromEntries(houseRules.map((rule) => [rule.id, rule.chosen]))

/** The school's single row; made once with the house rules' defaults. */
export async function ensureSchool(tx: Transaction, name: string): Promise<void> {
  await tx
    .insert(tables.school)
    .ignore()
    .values({ id: 1, name, ...EMPTY_ROOM, houseRules: USUAL_RULES, derivedBy: DERIVED_BY })
}

/** What a standard may refer to in this school: its own rack. */
export async function knownTo(db: Reader): Promise<Known> {
  return knownWith(await rackOf(db))
}

/** What Peen ships as data, into the database, where a school may change it. Runs at every start; never overwrites. */
export async function loadContent(db: Database): Promise<void> {
  const [ruleIssue] = ruleIssues(adviceRules, {
    labels: new Set(rack.map(({ label }) => label)),
    houses: new Map(houseRules.map(({ id, sides }) => [id, sides.length]))
  })
  if (ruleIssue) throw new CoreError(ruleIssue)
  const [techniqueIssue] = [
    ...catalogueIssues(shippedTechniques, new Set(rack.map(({ id }) => id))),
    ...retirementIssues(retiredTechniques, shippedTechniques),
    ...questionIssues(questions, shippedTechniques, retiredTechniques)
  ]
  if (techniqueIssue) throw new CoreError(techniqueIssue)
  for (const standard of shippedStandards) {
    const [issue] = standardIssues(standard, knownWith())
    if (issue) throw new CoreError({ ...issue, path: `${standard.id}.${issue.path}` })
    await db.insert(tables.standards).ignore().values({ id: standard.id, version: standard.version, body: standard })
  }
  for (const body of shippedCertificates) await db.insert(tables.certificates).ignore().values({ id: body.id, version: body.version, body })
  await loadRack(db)
  await db.insert(tables.auditHead).ignore().values({ id: 1, seq: 0, hash: '' })
  await db.insert(tables.liveHead).ignore().values({ id: 1, position: 0 })
}

/** Tools that Peen did not have before come into a school's rack, at its end; one that the school took out does not come back. */
async function loadRack(db: Database): Promise<void> {
  const { tools, offeredTools, rackChanges } = tables
  const own = await db.select({ id: tools.id, position: tools.position }).from(tools)
  const before = await db.select({ id: offeredTools.id }).from(offeredTools)
  // a rack of before this was kept: what it holds, or once held, was offered
  const held = before.length > 0 ? [] : (await db.select({ rack: rackChanges.before }).from(rackChanges)).flatMap(({ rack: was }) => was)
  const offered = new Set([...before, ...own, ...held].map(({ id }) => id))
  const fresh = rack.filter(({ id }) => !offered.has(id))
  const from = Math.max(-1, ...own.map(({ position }) => position)) + 1
  if (fresh.length > 0) await db.insert(tools).values(fresh.map((body, i) => ({ id: body.id, position: from + i, body })))
  const ids = new Set([...offered, ...rack.map(({ id }) => id)])
  await db
    .insert(offeredTools)
    .ignore()
    .values([...ids].map((id) => ({ id })))
}

export async function schoolRow(db: Reader) {
  const row = (await db.select().from(tables.school).limit(1))[0]
  if (!row) throw refuse.notFound('The school')
  return row
}

export async function rackOf(db: Reader): Promise<Tool[]> {
  return (await db.select().from(tables.tools).orderBy(asc(tables.tools.position))).map((row) => row.body)
}

/** Every technique in the school's newest version, else as Peen ships it. */
export async function techniquesOf(db: Reader): Promise<readonly TechniqueVersion[]> {
  const { schoolTechniques: t } = tables
  const own = await db.select().from(t).orderBy(asc(t.version))
  const newest = new Map(own.map((row) => [nowCalled(row.id, retiredTechniques), { ...row.body, version: row.version }]))
  return shippedTechniques.map((technique) => {
    const ours = newest.get(technique.id)
    return ours ? upToDate(ours, technique, retiredTechniques) : { ...technique, version: 1 }
  })
}

async function standardHeads(db: Reader): Promise<StandardHead[]> {
  const retired = await retiredOf(db)
  return inShippedOrder(await everyStandard(db)).map(({ id, version, name, bodyType, standardMin, plan, variants }) => ({
    ...{ id, version, name, bodyType, standardMin, plan },
    retired: retired.has(id),
    variants: variants.map(({ rule, side, says }) => ({ rule, side, says }))
  }))
}

/** As Peen ships them, then the school's own by name; newer versions first. */
export function inShippedOrder(standards: readonly Standard[]): Standard[] {
  const place = (id: string) => shippedStandards.findIndex((one) => one.id === id) + 1 || shippedStandards.length + 1
  return [...standards].sort((a, b) => place(a.id) - place(b.id) || a.name.localeCompare(b.name) || b.version - a.version)
}

/** The sides in the school's row. */
export const houseIn = ({ houseRules: own }: typeof tables.school.$inferSelect): Readonly<Record<string, number>> => ({
  ...USUAL_RULES,
  ...own
})

/** The school's sides; a question that came after the school was opened has its usual answer. */
export async function houseOf(db: Reader): Promise<Readonly<Record<string, number>>> {
  return houseIn(await schoolRow(db))
}

/** When a trim passes, as the school has set it. */
export async function gradeRulesOf(db: Reader): Promise<GradeRules> {
  return { ...GRADE_RULES, ...(await schoolRow(db)).grading }
}

/** Sets when a trim passes: drafts and new gradings go by it, signed ones keep theirs. */
export async function keepGradeRules(services: Services, rules: GradeRules): Promise<GradeRules> {
  await services.db.update(tables.school).set({ grading: rules })
  return gradeRulesOf(services.db)
}

/** What every screen needs to know of the school: names, its clock, rack and standards. */
export async function schoolView({ db, clock }: Services): Promise<SchoolView> {
  const row = await schoolRow(db)
  return {
    name: row.name,
    room: row.room,
    timeZone: row.timeZone,
    now: (await clock.now()).toISOString(),
    clockRuns: await clock.runs(),
    isDemo: row.demoNow !== null,
    restored: row.restored,
    tools: await rackOf(db),
    standards: await standardHeads(db),
    techniques: await techniquesOf(db),
    houseRules: await houseOf(db)
  }
}

/** Takes the school's side in questions where practitioners differ. Refuses a question or a side that does not exist. */
export async function chooseHouseRules(services: Services, { rules }: HouseRules): Promise<SchoolView> {
  const wrong = Object.entries(rules).flatMap(([id, side]) => {
    const rule = houseRules.find((candidate) => candidate.id === id)
    if (!rule) return [{ path: `rules.${id}`, detail: `${id.slice(0, 40)} is not a house rule.` }]
    return side < rule.sides.length
      ? []
      : [{ path: `rules.${id}`, detail: `${rule.question} is ${side}; it must be 0 to ${rule.sides.length - 1}.` }]
  })
  if (wrong.length > 0) throw refuse.invalid(wrong)
  await inTransaction(services.db, async (tx) => {
    const row = (await tx.select().from(tables.school).for('update'))[0]
    if (!row) throw refuse.notFound('The school')
    await tx.update(tables.school).set({ houseRules: { ...row.houseRules, ...rules } })
  })
  return schoolView(services)
}

/** Names the room and gives its size; refuses one in which a table would stand outside. */
export async function keepRoom(services: Services, room: Room): Promise<SchoolView> {
  const stand = await services.db.select().from(tables.roomTables)
  const outside = stand.filter(({ xMm, yMm }) => xMm > room.roomWidthMm - 1200 || yMm > room.roomDepthMm - 800)
  if (outside.length > 0)
    throw refuse.conflict(
      'tableOutside',
      `Table ${outside.map(({ number }) => number).join(', ')} would be outside the room. Nothing was changed.`
    )
  await services.db.update(tables.school).set({ ...room })
  return schoolView(services)
}
