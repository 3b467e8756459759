// Plays the scenario through the server's own use cases; nothing derived is written by hand.
import { certificates, standards, houseRules } from '@peen/content'
import { NO_PROFILE, USUAL_SETTINGS, type Me } from '@peen/contract'
import type { Gate } from '@peen/core/checkin'
import {
  agree,
  appoint,
  ensureSchool,
  hashPassword,
  decideStanding,
  openDay,
  openGrading,
  planVisit,
  draftFinding,
  recordAccount,
  recordEvents,
  saveDraft,
  settle,
  settableClock,
  gradingView,
  sayReady,
  signGrading,
  standardOf,
  tables,
  type Database,
  type Services
} from '@peen/server'
import { eq } from 'drizzle-orm'
import pino from 'pino'
import {
  APPRENTICES,
  COHORT_START,
  DOGS,
  NOW,
  OPENED_MIN_AGO,
  OWNERS_SEED,
  PASSWORD,
  PLANNED,
  POODLES,
  SCHOOL,
  STAFF,
  TABLES,
  TODAY,
  UNGRADED,
  ZONE
} from './cast'
import { playCalendar } from './calendar'
import { COAT_DOGS, playCoats } from './coats'
import { chanceFrom } from './random'
import { scenario, wholeTrim, type DemoVisit, type Scenario } from './scenario'
import { gradedAnswers, ratingFor } from './trims'

/** Fills an empty, migrated database with the demo school and returns how much it holds. */
export async function playDemo(db: Database): Promise<{ visits: number; events: number; gradings: number }> {
  const clock = settableClock(NOW, ZONE)
  const services: Services = { db, clock, log: pino({ level: 'silent' }) }
  const standard = await standardOf(db, standards[0].id, standards[0].version)
  const plan = scenario(standard)
  await insertSchool(db, plan)
  const actors = new Map(
    STAFF.map((staff) => [
      staff.key,
      {
        id: plan.ids.person.get(staff.key)!,
        givenName: staff.given,
        familyName: staff.family,
        role: staff.role,
        csrf: '',
        settings: USUAL_SETTINGS
      } as Me
    ])
  )
  let gradings = 0
  for (const visit of plan.visits) {
    clock.set(visit.closedAt ?? NOW)
    await playVisit(services, visit, plan, actors)
    for (const key of visit.gradedBy) {
      await playGrading(services, visit, actors.get(key)!, key, plan)
      gradings++
    }
  }
  const coats = await playCoats(services, plan.ids, actors)
  // the day was opened before the first dog stood on a table
  clock.set(new Date(NOW.getTime() - OPENED_MIN_AGO * 60000))
  await openDay(services, actors.get('ruben')!, TODAY)
  clock.set(NOW)
  await planTheRest(services, plan, actors.get('ruben')!)
  clock.set(new Date(NOW.getTime() - 20 * 3600_000))
  await finishUngraded(services, plan, actors)
  clock.set(NOW)
  for (const key of ['tove', 'bram']) {
    const body = { id: plan.chance.id(NOW), apprenticeId: plan.ids.person.get(key)!, certificateId: certificates[0].id }
    await draftFinding(services, actors.get('anneke')!, body)
  }
  await playCalendar(services, plan.ids, actors.get('anneke')!)
  gradings += await secondMarks(services, plan, actors)
  const events = plan.visits.reduce((sum, visit) => sum + visit.events.length, coats.events)
  return { visits: plan.visits.length + coats.visits, events, gradings }
}

/** A trim that was finished yesterday: its assessor has opened the sheet and takes the pictures today. */
async function finishUngraded(services: Services, { ids, chance }: Scenario, actors: ReadonlyMap<string, Me>): Promise<void> {
  const { apprentice, dog, table, onDate, standardId, assessor } = UNGRADED
  const id = chance.id(NOW)
  await planVisit(services, {
    id,
    apprenticeId: ids.person.get(apprentice)!,
    dogId: ids.dog.get(dog)!,
    tableId: ids.table.get(table)!,
    standardId,
    weeksSince: 8,
    wishes: '',
    onDate
  })
  const actor = actors.get(assessor)!
  await sayReady(services, actor, id, { version: 0, dry: true, combed: true })
  const { steps } = standards.find((one) => one.id === standardId)!.plan
  const began = new Date((await services.clock.now()).getTime() - 3 * 3600_000)
  await recordEvents(services, actor, id, wholeTrim(id, actor.id, began, steps, chance))
  await openGrading(services, actor, id, { id: chance.id(NOW) })
}

/** Whose trims a second assessor marks in the demo: one settled, one to be settled, one only appointed. */
const SECOND_MARKS = [
  { apprentice: 'kit', reason: 'The foreleg was combed up before it was read; read again, it is even.' },
  { apprentice: 'enzo', reason: null },
  { apprentice: 'dilys', reason: null }
] as const

/** Trims whose interval holds the pass mark get a second assessor. Returns how many were marked. */
async function secondMarks(services: Services, plan: Scenario, actors: ReadonlyMap<string, Me>): Promise<number> {
  const { gradings: g, gradingResults: r } = tables
  const unsure = await services.db
    .select({ id: g.visitId })
    .from(g)
    .innerJoin(r, eq(r.gradingId, g.id))
    .where(eq(r.outcome, 'secondAssessor'))
  const asks = new Set(unsure.map(({ id }) => id))
  let marked = 0
  for (const [i, { apprentice, reason }] of SECOND_MARKS.entries()) {
    const visit = plan.visits.findLast((one) => one.apprentice === apprentice && one.gradedBy.length === 1 && asks.has(one.id))
    if (!visit) continue
    const first = visit.gradedBy[0]
    const second = STAFF.find(({ key }) => key !== first && key !== 'anneke' && key !== 'ottilie')!.key
    const one = { first: actors.get(first)!, second: actors.get(second)! }
    await appoint(services, actors.get('anneke')!, visit.id, { first: one.first.id, second: one.second.id })
    if (i === 2) continue
    await playGrading(services, visit, one.second, second, plan)
    marked++
    if (!reason) continue
    await settle(services, one.first, visit.id, { outcome: 'passed', reason })
    await agree(services, one.second, visit.id)
  }
  return marked
}

/** What is planned and not begun: two poodles, and a dog that is limited. */
async function planTheRest(services: Services, { ids, chance }: Scenario, ruben: Me): Promise<void> {
  for (const { apprentice, dog, table, onDate, wishes } of PLANNED)
    await planVisit(services, {
      id: chance.id(NOW),
      apprenticeId: ids.person.get(apprentice)!,
      dogId: ids.dog.get(dog)!,
      tableId: ids.table.get(table)!,
      standardId: 'clean-face',
      weeksSince: null,
      wishes,
      onDate
    })
  await decideStanding(services, ruben, ids.dog.get('rook')!, { kind: 'limited', reason: 'two people for his nails', vet: false })
}

const USUAL_SIDES = Object.fromEntries(houseRules.map(({ id, chosen }) => [id, chosen]))

async function insertSchool(db: Database, { ids, chance }: Scenario): Promise<void> {
  await db.transaction((tx) => ensureSchool(tx, SCHOOL.name))
  await db
    .update(tables.school)
    // this school has counted four weeks from the day it opened
    .set({ ...SCHOOL, timeZone: ZONE, demoNow: NOW, houseRules: { ...USUAL_SIDES, 'sprout-weeks': 0 } })
    .where(eq(tables.school.id, 1))
  const passwordHash = await hashPassword(PASSWORD)
  const person = (key: string, given: string, family: string) => ({
    id: ids.person.get(key)!,
    givenName: given,
    familyName: family,
    username: key,
    passwordHash,
    active: true,
    // letters go nowhere: the address is invented as well
    email: `${key}@post.invalid`,
    // nobody in the demo is new to it
    settings: { ...USUAL_SETTINGS, guided: true }
  })
  await db.insert(tables.people).values([
    ...STAFF.map((staff) => ({
      ...person(staff.key, staff.given, staff.family),
      role: staff.role,
      cohort: '',
      startedOn: '2024-08-19',
      handed: 'right'
    })),
    ...APPRENTICES.map((one) => ({
      ...person(one.key, one.given, one.family),
      role: 'apprentice' as const,
      cohort: one.cohort,
      startedOn: COHORT_START[one.cohort],
      handed: one.handed
    }))
  ])
  const foundedAt = new Date('2024-08-19T07:00:00.000Z')
  for (const { key } of STAFF)
    await db.transaction((tx) => recordAccount(tx, { kind: 'founded', personId: ids.person.get(key)!, by: null, at: foundedAt }))
  await db.insert(tables.roomTables).values(TABLES.map((table) => ({ ...table, id: ids.table.get(table.number)! })))
  await db.insert(tables.cohorts).values(Object.entries(COHORT_START).map(([name, startedOn]) => ({ name, startedOn, endedOn: null })))
  const coats = chanceFrom(OWNERS_SEED)
  for (const dog of [...DOGS, ...POODLES, ...COAT_DOGS]) {
    const ownerId = dog.owner ? (COAT_DOGS.includes(dog) ? coats : chance).id(NOW) : null
    if (ownerId)
      await db.insert(tables.owners).values({ id: ownerId, givenName: dog.owner!, contact: `${dog.owner!.toLowerCase()}@post.invalid` })
    const { key, owner: _owner, burns, facts, body = 'bearded', profile, ...rest } = dog
    const more = profile ? { ...NO_PROFILE, ...profile } : null
    await db.insert(tables.dogs).values({
      ...rest,
      id: ids.dog.get(key)!,
      bodyType: body,
      burns: [...(burns ?? [])],
      facts: [...(facts ?? [])],
      profile: more,
      ownerId
    })
  }
}

async function playVisit(services: Services, visit: DemoVisit, { ids }: Scenario, actors: ReadonlyMap<string, Me>): Promise<void> {
  await services.db.insert(tables.visits).values({
    id: visit.id,
    apprenticeId: ids.person.get(visit.apprentice)!,
    dogId: ids.dog.get(visit.dog)!,
    tableId: ids.table.get(visit.table)!,
    standardId: 'bearded-pet',
    standardVersion: standards[0].version,
    onDate: visit.onDate,
    checkIn: visit.checkIn,
    found: visit.found
  })
  const actor = [...actors.values()].find((candidate) => candidate.id === visit.events[0].by)!
  const gate = visit.found?.gate
  if (gate) await readyAt(services, visit, actors, gate)
  const { answers } = await recordEvents(services, actor, visit.id, visit.events)
  const refused = answers.find((answer) => answer.status !== 'stored')
  if (refused) throw new Error(`The demo's own event was not stored on ${visit.onDate}: ${refused.detail}`)
}

/** Says a dog ready when it was: what was agreed for it is fixed at that moment. */
async function readyAt(services: Services, { id, closedAt }: DemoVisit, actors: ReadonlyMap<string, Me>, gate: Gate): Promise<void> {
  const clock = services.clock as ReturnType<typeof settableClock>
  clock.set(new Date(gate.at))
  const by = [...actors.values()].find((candidate) => candidate.id === gate.by)!
  await sayReady(services, by, id, { version: 0, dry: gate.dry, combed: gate.combed })
  clock.set(closedAt ?? NOW)
}

async function playGrading(services: Services, visit: DemoVisit, actor: Me, key: string, { chance }: Scenario): Promise<void> {
  const { id } = await openGrading(services, actor, visit.id, { id: chance.id(visit.closedAt ?? NOW) })
  // graded by what was agreed for this dog
  const { standard } = await gradingView(services, actor, id)
  const staff = STAFF.find((candidate) => candidate.key === key)!
  const apprentice = APPRENTICES.find((candidate) => candidate.key === visit.apprentice)!
  const skill = { sure01: visit.sure01, longerRightMm: apprentice.handed === 'left' ? 4 : 0, leaning: staff.leaning }
  const answers = gradedAnswers(standard, skill, visit.checkIn.excused, chance)
  const { version } = await saveDraft(services, actor, id, { version: 1, answers, critical: [], globalRating: ratingFor(skill) })
  await signGrading(services, actor, id, { version })
}
