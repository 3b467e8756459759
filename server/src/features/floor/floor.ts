import type { FloorTable, FloorView, HoldView, Look, Me, StepView, TablePlace } from '@peen/contract'
import { placeIssue } from '@peen/core/day'
import {
  attemptMinutes,
  foldVisit,
  LOW_STAND_MIN,
  rankLooks,
  ROUNDS_DEFAULTS,
  runningAttempt,
  stepProgress,
  workedMinutes,
  type VisitState,
  type ComingStep,
  type RoundsRules,
  type StepProgress,
  type TableFacts
} from '@peen/core/practice'
import { planAgreed, type PlanStep } from '@peen/core/standard'
import { asc, eq, isNull } from 'drizzle-orm'
import { inTransaction, tables } from '../../db'
import { refuse, type Services } from '../../http'
import { techniquesNow, type TechniqueNow } from '../standings'
import { agreedOfAll } from '../agreed'
import { eventsOf } from '../derived'
import { isClosedDay, openedBy } from '../day'
import { dogView, personName } from '../people'
import { holdsFor, visitRows, standardOfVisit, stepsOfVisit } from '../practice'
import type { standardOf } from '../school'
import { houseIn, rackOf, schoolRow } from '../school'

const MINUTE_MS = 60000

type Occupied = { readonly view: FloorTable; readonly facts: TableFacts; readonly hold: HoldView | null }

/** The room as it stands today, and the next three looks. An apprentice sees own table only. */
// eslint-disable-next-line max-lines-per-function -- facts are gathered once, then laid together
export async function floorView(services: Services, actor: Me): Promise<FloorView> {
  const { db, clock } = services
  const { now, today } = await clock.moment()
  const room = await schoolRow(db)
  const rows = await visitRows(db, eq(tables.visits.onDate, today))
  const events = await eventsOf(
    db,
    rows.map(({ visit }) => visit.id)
  )
  const shop = { house: houseIn(room), rack: await rackOf(db) }
  const agreed = await agreedOfAll(
    db,
    rows.map(({ visit }) => visit.id)
  )
  const rounds = room.rounds ?? ROUNDS_DEFAULTS
  const states = new Map([...events].map(([id, own]) => [id, foldVisit(own)]))
  const workedByDog = new Map<string, number>()
  for (const { visit } of rows) {
    const minutes = workedMinutes(states.get(visit.id)!, now)
    workedByDog.set(visit.dogId, (workedByDog.get(visit.dogId) ?? 0) + minutes)
  }
  const mine = rows.filter(({ person }) => actor.role !== 'apprentice' || person.id === actor.id)
  const everyone = await techniquesNow(
    db,
    mine.map(({ person }) => person.id),
    today
  )
  const occupied: Occupied[] = []
  for (const row of mine) {
    const state = states.get(row.visit.id)!
    const standings = everyone.get(row.person.id)!
    const standard = await standardOfVisit(db, row.visit)
    const holds = state.closedAt ? [] : await holdsFor(db, row.visit, state, today, standings)
    const planned = stepsOfVisit(row.visit, standard.plan.steps, shop, agreed.get(row.visit.id) ?? null)
    const plan = planAgreed(standard.plan, agreed.get(row.visit.id) ?? [])
    occupied.push(describe(row, state, standings, { ...standard, plan }, planned, holds, workedByDog.get(row.visit.dogId)!, now))
  }
  const everyTable = await db
    .select()
    .from(tables.roomTables)
    .where(isNull(tables.roomTables.removedOn))
    .orderBy(asc(tables.roomTables.number))
  return {
    tables: everyTable.flatMap((table) => {
      const at = occupied.filter(({ view }) => view.tableId === table.id)
      if (at.length > 0) return at.slice(-1).map(({ view }) => view)
      return actor.role === 'apprentice' ? [] : [freeTable(table)]
    }),
    looks:
      actor.role === 'apprentice'
        ? []
        : looksOf(
            occupied.filter(({ view }) => !view.closed && !view.ranOut),
            rounds
          ),
    rounds,
    roomMm: [room.roomWidthMm, room.roomDepthMm],
    now,
    openedBy: await openedBy(db, today),
    dayClosed: await isClosedDay(db, today, today)
  }
}

/** Puts a table to another place in the room; refuses one through a wall or on another table. */
export async function placeTable(services: Services, actor: Me, id: string, place: TablePlace): Promise<FloorView> {
  await inTransaction(services.db, async (tx) => {
    const room = await schoolRow(tx)
    const stand = (await tx.select().from(tables.roomTables).for('update')).filter(({ removedOn }) => removedOn === null)
    if (!stand.some((table) => table.id === id)) throw refuse.notFound('This table')
    const issue = placeIssue(
      [room.roomWidthMm, room.roomDepthMm],
      place,
      stand.filter((table) => table.id !== id)
    )
    if (issue) throw refuse.invalid([{ path: 'place', detail: `${issue} The table stays where it was.` }])
    await tx.update(tables.roomTables).set(place).where(eq(tables.roomTables.id, id))
  })
  return floorView(services, actor)
}

/** Sets the numbers by which looks are ranked, and answers with the room as it is ranked now. */
export async function keepRounds(services: Services, actor: Me, rounds: RoundsRules): Promise<FloorView> {
  await services.db.update(tables.school).set({ rounds })
  return floorView(services, actor)
}

type Row = Awaited<ReturnType<typeof visitRows>>[number]

function freeTable(table: typeof tables.roomTables.$inferSelect): FloorTable {
  const { id: tableId, number, xMm, yMm, turnDeg } = table
  return {
    visitId: null,
    tableId,
    number,
    xMm,
    yMm,
    turnDeg,
    apprentice: null,
    dog: null,
    trim: null,
    plan: null,
    workedMin: 0,
    standardMin: 0,
    canStandMin: 0,
    now: null,
    next: null,
    hold: null,
    closed: false,
    stopped: null,
    ranOut: false,
    onBreak: false,
    asked: false,
    panics: false,
    lastLamport: 0
  }
}

// eslint-disable-next-line max-lines-per-function -- facts are gathered once, then laid together
function describe(
  { visit, person, dog, table }: Row,
  state: VisitState,
  standings: ReadonlyMap<string, TechniqueNow>,
  standard: Awaited<ReturnType<typeof standardOf>>,
  planned: readonly PlanStep[],
  holds: readonly HoldView[],
  dogWorkedMin: number,
  nowIso: string
): Occupied {
  const steps = stepProgress(planned, state)
  const current = steps.find((step) => step.state === 'now') ?? null
  const at = current ? steps.indexOf(current) : steps.findIndex((step) => step.state === 'todo') - 1
  const paused = current ? undefined : steps.find((step) => step.state === 'paused')
  const next = paused ?? steps.slice(at + 1).find((step) => step.state === 'todo') ?? null
  const workedMin = workedMinutes(state, nowIso)
  const canStandMin = dog.canStandMin - dogWorkedMin
  const todo = steps.filter((step) => step.state !== 'done')
  const leftMin = todo.reduce((sum, step) => sum + step.step.minutes, 0)
  // somebody waits when nothing is under way and the next step is a hold point
  const waiting = !current && next && state.openedAt ? (holds.find((hold) => hold.techniqueId === next.step.technique) ?? null) : null
  const minutesSince = (iso: string | null) => (iso === null ? null : Math.max(0, (Date.parse(nowIso) - Date.parse(iso)) / MINUTE_MS))
  const facts: TableFacts = {
    tableNumber: table.number,
    visitId: visit.id,
    apprentice: person.givenName,
    dog: dog.name,
    dogFlags: flagsOf(dog, visit.found),
    workedMin,
    standardMin: standard.standardMin,
    canStandMin,
    leftMin,
    unseenMin: minutesSince(state.seenAt ?? state.openedAt),
    askedMin: minutesSince(state.askedAt),
    waitingAt: waiting?.hazardName ?? null,
    coming: state.openedAt === null ? [] : comingSteps(steps, state, standings, nowIso),
    stopped: state.stopped,
    panics: state.panicsSince !== null
  }
  const view: FloorTable = {
    visitId: visit.id,
    tableId: table.id,
    number: table.number,
    xMm: table.xMm,
    yMm: table.yMm,
    turnDeg: table.turnDeg,
    apprentice: personName(person),
    dog: dogView(dog),
    trim: standard.name,
    plan: standard.plan,
    workedMin,
    standardMin: standard.standardMin,
    canStandMin,
    now: current ? stepView(current, standings) : null,
    next: next ? stepView(next, standings) : null,
    hold: waiting,
    closed: state.closedAt !== null,
    stopped: state.stopped,
    ranOut: state.ranOut !== null,
    onBreak: state.onBreakSince !== null,
    asked: state.askedAt !== null && state.closedAt === null,
    panics: state.panicsSince !== null && state.closedAt === null,
    lastLamport: state.lastLamport
  }
  return { view, facts, hold: waiting }
}

/** The risky steps still to come with the minutes until each is expected, by the plan and what has been worked at the present one. */
function comingSteps(
  steps: readonly StepProgress[],
  state: VisitState,
  standings: ReadonlyMap<string, TechniqueNow>,
  nowIso: string
): ComingStep[] {
  const at = steps.findIndex((step) => step.state === 'now')
  const running = runningAttempt(state)
  const spent = running ? attemptMinutes(running, state, nowIso) : 0
  let inMin = at < 0 ? 0 : Math.max(0, steps[at].step.minutes - spent)
  return steps
    .slice(at + 1)
    .filter((step) => step.state === 'todo')
    .flatMap(({ step }): ComingStep[] => {
      const startsIn = inMin
      inMin += step.minutes
      const record = standings.get(step.technique)
      const hazards = record?.technique.hazards ?? []
      const hazard = hazards.find(({ hold }) => hold) ?? hazards[0]
      if (!record || !hazard) return []
      const { state: at, attempts, prompts } = record
      return [{ hazard: hazard.name, inMin: startsIn, isHold: hazard.hold, state: at, attempts, prompts }]
    })
}

/** What makes a dog need more care today: a limit set on it, and what was found on its skin at check-in. */
function flagsOf(dog: Row['dog'], found: Row['visit']['found']): number {
  return (dog.standing?.kind === 'limited' ? 1 : 0) + ((found?.skin.length ?? 0) > 0 ? 1 : 0)
}

function stepView({ step, state, minutes }: StepProgress, standings: ReadonlyMap<string, TechniqueNow>): StepView {
  const hazard = standings.get(step.technique)?.technique.hazards.find(({ hold }) => hold)?.name ?? null
  return { techniqueId: step.technique, label: step.label, state, minutes, usualMinutes: step.minutes, hazard }
}

function looksOf(occupied: readonly Occupied[], rounds: RoundsRules): Look[] {
  return rankLooks(
    occupied.map(({ facts }) => facts),
    rounds
  ).map((ranked) => {
    const table = occupied.find(({ facts }) => facts.visitId === ranked.visitId)!
    return {
      tableNumber: ranked.tableNumber,
      visitId: ranked.visitId,
      who: table.facts.apprentice,
      say: ranked.say,
      why: ranked.why,
      hold: table.hold,
      danger: ranked.danger || table.facts.canStandMin <= LOW_STAND_MIN
    }
  })
}
