// One visit: what the dog came in with, with what it is set up, how it is closed.
import { adviceRules, cutRegionsOf, techniqueName, techniqueWaits, houseRules } from '@peen/content'
import { NO_AIM, type Me, type NewChosen, type NewClosing, type NewFound, type NewGate, type VisitPage } from '@peen/contract'
import { checkInIssues, excusedBy, type Found } from '@peen/core/checkin'
import { CoreError } from '@peen/core/error'
import { agreedTargets, sheetCaseOf, sheetOf, type AgreedTarget, type SheetCase } from '@peen/core/setup'
import { and, desc, eq, lt, ne } from 'drizzle-orm'
import { inTransaction, tables, type Reader, type Transaction } from '../../db'
import { refuse, type Services } from '../../http'
import { agreedOf, fixAgreed } from '../agreed'
import { eventsOf, rebuildCoat } from '../derived'
import { dogView, fullName, personById, personName } from '../people'
import { foundIn, houseAtGate, visitRow } from '../practice'
import { houseOf, rackOf, standardOf } from '../school'
import { hasCamera, picturesOf } from './pictures'

type Visit = typeof tables.visits.$inferSelect

/** The pages of one visit. An apprentice sees own visits only. */
export async function visitPage({ db }: Services, actor: Me, id: string): Promise<VisitPage> {
  const { visit, person, dog, table } = await visitRow(db, id)
  if (actor.role === 'apprentice' && person.id !== actor.id) throw refuse.forbidden('This is another apprentice’s visit.')
  const found = foundIn(visit)
  const before = await visitsBefore(db, visit)
  const [last] = before
  const ready = found.gate ? await personById(db, found.gate.by) : null
  const owner =
    dog.ownerId && actor.role !== 'apprentice' ? (await db.select().from(tables.owners).where(eq(tables.owners.id, dog.ownerId)))[0] : null
  return {
    id,
    onDate: visit.onDate,
    comesAt: visit.comesAt,
    tableNumber: table.number,
    apprentice: personName(person),
    dog: dogView(dog, owner?.givenName ?? null),
    known: before.length > 0,
    standard: await standardOf(db, visit.standardId, visit.standardVersion),
    checkIn: visit.checkIn,
    found,
    begun: (await eventsOf(db, [id])).get(id)!.some(({ kind }) => kind === 'attemptStarted'),
    checkedIn: visit.found !== null,
    readyBy: ready ? fullName(ready) : null,
    house: houseAtGate(found, await houseOf(db)),
    rack: await rackAt(db, table.id),
    chosen: visit.chosen ?? {},
    agreed: await agreedOf(db, id),
    closing: visit.closing,
    version: visit.setupVersion,
    pictures: await picturesOf(db, id),
    hasCamera: hasCamera(),
    earlier: last ? await picturesOf(db, last.id) : [],
    owedBefore: last ? foundIn(last).nailsOwed : [],
    lastTime: before.find((one) => one.closing?.nextTime)?.closing?.nextTime ?? ''
  }
}

/** The tools that lie at a table. */
async function rackAt(db: Reader, tableId: string) {
  const rack = await rackOf(db)
  const [table] = await db.select({ toolIds: tables.roomTables.toolIds }).from(tables.roomTables).where(eq(tables.roomTables.id, tableId))
  return table?.toolIds ? rack.filter(({ id }) => table.toolIds!.includes(id)) : rack
}

async function visitsBefore(db: Reader, { id, dogId, onDate }: Visit): Promise<Visit[]> {
  const { visits: s } = tables
  return db
    .select()
    .from(s)
    .where(and(eq(s.dogId, dogId), lt(s.onDate, onDate), ne(s.id, id)))
    .orderBy(desc(s.onDate), desc(s.id))
}

/** Changes one visit under its version: a second device that wrote meanwhile is told, and nothing is lost. */
async function change(
  { db, clock }: Services,
  actor: Me,
  id: string,
  version: number,
  work: (tx: Transaction, visit: Visit) => Promise<Partial<Visit>>
): Promise<{ readonly version: number }> {
  return inTransaction(db, async (tx) => {
    const visit = (await tx.select().from(tables.visits).where(eq(tables.visits.id, id)).for('update'))[0]
    if (!visit) throw refuse.notFound('This visit')
    if (actor.role === 'apprentice' && visit.apprenticeId !== actor.id) throw refuse.forbidden('This is another apprentice’s visit.')
    if (visit.setupVersion !== version)
      throw refuse.conflict(
        'changedMeanwhile',
        'Another device changed this visit. What you typed is still here; reload the visit, then enter it again.',
        {
          version: visit.setupVersion
        }
      )
    const set = await work(tx, visit)
    await tx
      .update(tables.visits)
      .set({ ...set, setupVersion: version + 1 })
      .where(eq(tables.visits.id, id))
    // a dog that is closed was worked by what stood before
    if (!('closing' in set)) await agreeAgain({ clock }, tx, actor, { ...visit, ...set })
    if (set.found) await rebuildCoat(tx, id)
    return { version: version + 1 }
  })
}

/** What was agreed once the dog is said ready, and again whenever the sheet changes after that. Opened gradings keep what they froze. */
async function agreeAgain({ clock }: Pick<Services, 'clock'>, tx: Transaction, actor: Me, visit: Visit): Promise<void> {
  await agreeOn(tx, visit, actor.id, await clock.now())
}

/** Fixes what the sheet of a visit says as what is agreed for its dog; null while nobody has said that it is ready. */
export async function agreeOn(tx: Transaction, visit: Visit, by: string, at: Date): Promise<readonly AgreedTarget[] | null> {
  if (!foundIn(visit).gate) return null
  const before = await agreedOf(tx, visit.id)
  // set up by a version that does not say the work: it finishes on what was agreed
  if (before && !(await standardOf(tx, visit.standardId, visit.standardVersion)).plan.work) return before
  const agreed = await agreedNow(tx, visit)
  await fixAgreed(tx, visit.id, agreed, by, at)
  return agreed
}

/** What the sheet of a visit says now, as it would be agreed. */
async function agreedNow(tx: Reader, visit: Visit): Promise<readonly AgreedTarget[]> {
  const dog = (await tx.select().from(tables.dogs).where(eq(tables.dogs.id, visit.dogId)))[0]
  const asked = await caseOf(tx, visit, dogView(dog), (await visitsBefore(tx, visit)).length > 0)
  try {
    return agreedTargets(sheetOf(adviceRules, { ...asked, chosen: visit.chosen ?? {} }))
  } catch (error) {
    // a chosen tool that is banned since: the advice stands, on the sheet as here
    if (!(error instanceof CoreError)) throw error
    return agreedTargets(sheetOf(adviceRules, asked))
  }
}

/** What a trim is graded against: what was agreed, or for a visit that was set up before that was kept, what its sheet says. */
export async function agreedFor(tx: Reader, visit: Visit): Promise<readonly AgreedTarget[]> {
  return (await agreedOf(tx, visit.id)) ?? agreedNow(tx, visit)
}

async function refuseGraded(tx: Transaction, id: string): Promise<void> {
  const { gradings: g } = tables
  const signed = await tx
    .select({ id: g.id })
    .from(g)
    .where(and(eq(g.visitId, id), eq(g.status, 'signed')))
  if (signed.length > 0) throw refuse.conflict('graded', 'This trim is graded, so its check-in can no longer change. Nothing was changed.')
}

/** Who must agree before a coat is clipped off. */
const OWNER = 'the owner'

/** Keeps what was found; the gate stays only while nothing was found since that stands against it. */
export async function keepFound(services: Services, actor: Me, id: string, { version, weeksSince, ...seen }: NewFound) {
  const issues = checkInIssues(seen)
  const wrongRules = seen.wishes.flatMap(({ rule }, i) => {
    const known = rule ? houseRules.find((one) => one.id === rule.id) : undefined
    if (!rule || (known && rule.side < known.sides.length)) return []
    return [{ path: `wishes.${i}.rule`, detail: `wishes.${i}.rule is ${rule.id} ${rule.side}; it must be an option of a house rule.` }]
  })
  const unagreed = seen.wishes.flatMap(({ work, askedBy }, i) =>
    work === 'reset' && askedBy !== OWNER
      ? [
          {
            path: `wishes.${i}.askedBy`,
            detail: `The coat comes off only if the owner agrees: asked for by is ${askedBy}; it must be ${OWNER}.`
          }
        ]
      : []
  )
  const wrong = [
    ...unagreed,
    ...issues.map(({ path, got, limit }) => ({ path, detail: `${path} is ${String(got)}; it must be ${limit}.` })),
    ...wrongRules
  ]
  if (wrong.length > 0) throw refuse.invalid(wrong)
  return change(services, actor, id, version, async (tx, visit) => {
    await refuseGraded(tx, id)
    const found: Found = { ...seen, gate: foundIn(visit).gate }
    const wishes = seen.wishes.map(({ what, askedBy }) => `${what}, asked for by ${askedBy}`).join('. ')
    const { allTheSame } = visit.checkIn
    const kept = allTheSame ? { allTheSame } : {}
    return { found, checkIn: { weeksSince, wishes: wishes === '' ? '' : `${wishes}.`, excused: excusedBy(seen.coat), ...kept } }
  })
}

/** Says that the dog is dry and combed to the skin: whoever signs in says so. An instructor's word, not an apprentice's own. */
export async function sayReady(services: Services, actor: Me, id: string, { version, dry, combed }: NewGate) {
  const at = (await services.clock.now()).toISOString()
  return change(services, actor, id, version, async (tx, visit) => ({
    found: { ...foundIn(visit), gate: { dry, combed, by: actor.id, at, house: await houseOf(tx) } }
  }))
}

async function caseOf(tx: Reader, visit: Visit, dog: ReturnType<typeof dogView>, known: boolean): Promise<SheetCase> {
  const found = foundIn(visit)
  return sheetCaseOf(
    {
      ...{ dog, found, known, chosen: {}, excused: visit.checkIn.excused },
      standard: await standardOf(tx, visit.standardId, visit.standardVersion),
      house: houseAtGate(found, await houseOf(tx)),
      rack: await rackAt(tx, visit.tableId)
    },
    { houseRules, regionsOf: cutRegionsOf, nameOf: techniqueName, waits: techniqueWaits }
  )
}

/** Keeps the tools that the instructor took instead of the advised ones; a banned one is refused with the reason. */
export async function keepChosen(services: Services, actor: Me, id: string, { version, chosen }: NewChosen) {
  return change(services, actor, id, version, async (tx, visit) => {
    const dog = (await tx.select().from(tables.dogs).where(eq(tables.dogs.id, visit.dogId)))[0]
    const known = (await visitsBefore(tx, visit)).length > 0
    const asked = await caseOf(tx, visit, dogView(dog), known)
    // throws with the place, the tool and the rule
    const { lines } = sheetOf(adviceRules, { ...asked, chosen })
    const places = new Set<string>(lines.map((line) => line.id))
    const unknown = Object.keys(chosen).filter((place) => !places.has(place))
    if (unknown.length > 0)
      throw refuse.invalid([
        {
          path: `chosen.${unknown[0]}`,
          detail: `chosen.${unknown[0].slice(0, 40)} is not a line of this sheet; it must be ${[...places].slice(0, 6).join(', ')} and so on.`
        }
      ])
    return { chosen }
  })
}

/** Closes the dog: what was used, what to do next time, when it comes back, what was said. Nails owed stay owed unless done. */
/** The dog is expected on a day: it is due then, until it is booked in. */
async function expectBack(tx: Transaction, dogId: string, nextOn: string): Promise<void> {
  await tx
    .insert(tables.coatAims)
    .values({ dogId, ...NO_AIM, nextOn })
    .onDuplicateKeyUpdate({ set: { nextOn } })
}

export async function closeVisit(services: Services, actor: Me, id: string, { version, nailsDone, ...said }: NewClosing) {
  const at = (await services.clock.now()).toISOString()
  const today = await services.clock.today()
  const { backOn = null } = said
  if (backOn !== null && backOn <= today)
    throw refuse.invalid([{ path: 'backOn', detail: `Back on is ${backOn}; it must be a day after ${today}.` }])
  return change(services, actor, id, version, async (tx, visit) => {
    const found = foundIn(visit)
    if (backOn !== null) await expectBack(tx, visit.dogId, backOn)
    return {
      closing: { ...said, by: actor.id, at },
      found: nailsDone ? { ...found, nailsOwed: [] } : found
    }
  })
}
