import { cutRegionsOf } from '@peen/content'
import { type Draft, type GradingView, type Me, type OpenGrading, type SignGrading } from '@peen/contract'
import {
  countAnswers,
  GRADE_METHOD,
  outsideAnswers,
  refuseUnknownFaults,
  type GradedWith,
  type GradeResult,
  type Outside
} from '@peen/core/grade'
import { foldVisit, notGradable, unworkedRegions } from '@peen/core/practice'
import type { AgreedTarget } from '@peen/core/setup'
import { eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { inTransaction, orTaken, tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { appendAudit } from '../audit'
import { computeResult, eventsOf, gradedBy, rebuildCoat, storeResult } from '../derived'
import { dogView, fullName, personById, personName } from '../people'
import { accountsOfOne, refuseUnsettled } from '../accounts'
import { cuts, foundIn, houseOfVisit, outsideOf, visitRow, standardOfVisit } from '../practice'
import { gradeRulesOf, houseOf } from '../school'
import { visitsBeingMarked } from '../standings'
import { agreedFor } from '../visits'
import { appealedVisits, correctionsOf } from '../corrections'
import { knowsAnother, rememberReading, unreadOf, waitsForOwnWord } from './blindness'

type GradingRow = typeof tables.gradings.$inferSelect

/** Opens this assessor's own grading of a trim: the draft that is there, or a new one. */
export async function openGrading({ db, clock }: Services, actor: Me, visitId: string, { id }: OpenGrading): Promise<{ id: string }> {
  const { visit } = await visitRow(db, visitId)
  const accounts = (await accountsOfOne(db))(actor.id)
  if (accounts.has(visit.apprenticeId)) throw refuse.forbidden('No one can grade their own work.')
  const startedAt = await clock.now()
  return inTransaction(db, async (tx) => {
    await tx.select().from(tables.visits).where(eq(tables.visits.id, visitId)).for('update')
    const gradings = await tx.select().from(tables.gradings).where(eq(tables.gradings.visitId, visitId))
    const own = gradings.find(({ assessorId }) => assessorId === actor.id)
    if (own?.status === 'setAside') throw refuse.forbidden('Your mark of this trim was set aside. Someone else must mark it again.')
    if (own) return { id: own.id }
    if (gradings.some(({ assessorId }) => accounts.has(assessorId)))
      throw refuse.forbidden('You have already marked this trim under your other account. Each person marks a trim once.')
    const [appointed] = await tx.select().from(tables.assessments).where(eq(tables.assessments.visitId, visitId))
    const appealed = await appealedVisits(tx, [visitId])
    // an appeal asks for a mark by someone else than the two
    if (appointed && appealed.size === 0 && appointed.first !== actor.id && appointed.second !== actor.id)
      throw refuse.forbidden('Two assessors are appointed for this trim, and you are not one of them.')
    await refuseUngradable(tx, visitId)
    const agreed = await agreedFor(tx, visit)
    const frozen = {
      standardId: visit.standardId,
      standardVersion: visit.standardVersion,
      houseRules: houseOfVisit(visit, await houseOf(tx)),
      // lengths and work alone: who asked stands on the visit, where an owner can be erased
      wishes: foundIn(visit).wishes.flatMap(({ length, work }) =>
        length || work ? [{ what: '', askedBy: '', length, ...(work ? { work } : {}) }] : []
      ),
      agreed
    }
    const { standard } = await gradedBy(tx, frozen)
    const state = foldVisit((await eventsOf(tx, [visitId])).get(visitId)!)
    const outside = [...outsideOf(state, standard.plan.steps), ...stoppedAt(agreed)]
    const row = tx.insert(tables.gradings).values({
      ...frozen,
      id,
      visitId,
      assessorId: actor.id,
      status: 'draft',
      blind: !(await knowsAnother(tx, visit, actor.id, await clock.today())),
      version: 1,
      answers: outsideAnswers(standard, outside),
      gradedWith: null,
      critical: [],
      globalRating: null,
      ratedAtAnswers: null,
      startedAt,
      signedAt: null
    })
    await orTaken(row, refuse.taken('grading'))
    return { id }
  })
}

/** A grading needs a dog that was ready, and work that was done by this apprentice; refuses with what is missing. */
async function refuseUngradable(tx: Reader, visitId: string): Promise<void> {
  const { visit, person } = await visitRow(tx, visitId)
  const { plan } = await standardOfVisit(tx, visit)
  const state = foldVisit((await eventsOf(tx, [visitId])).get(visitId)!)
  const missing = notGradable(state, foundIn(visit), plan.steps, { apprentice: person.givenName, cuts })
  if (missing.length > 0) throw refuse.conflict('notGradable', `This trim cannot be graded. ${missing.join(' ')}`)
}

/** Places where nothing was to be cut today: nobody answers for them. */
function stoppedAt(agreed: readonly AgreedTarget[]): Outside[] {
  return agreed.flatMap(({ region, side, stopped }): Outside[] =>
    stopped === null
      ? []
      : [{ regions: [region], side: side === 'whole' ? 'both' : side, answer: { kind: 'excused', reason: 'nothing was to be cut here' } }]
  )
}

/** What a draft is computed with now; of a signed grading what it was signed by. */
async function gradedWithOf(db: Reader, grading: GradingRow): Promise<GradedWith> {
  if (grading.status !== 'draft') return grading.gradedWith!
  const { visit, dog } = await visitRow(db, grading.visitId)
  const { plan } = await standardOfVisit(db, visit)
  const state = foldVisit((await eventsOf(db, [visit.id])).get(visit.id)!)
  return {
    ...{ method: GRADE_METHOD, rules: await gradeRulesOf(db), burns: dog.burns },
    unworked: unworkedRegions(state, plan.steps, cutRegionsOf)
  }
}

/** What a grading comes to: of a signed one what was signed, of a draft nothing before its assessor has called the trim. */
async function resultOf(db: Reader, grading: GradingRow, gradedWith: GradedWith): Promise<GradeResult | null> {
  if (grading.status === 'draft') return grading.globalRating === null ? null : computeResult(db, grading, gradedWith)
  const { gradingResults: r } = tables
  return (await db.select({ body: r.body }).from(r).where(eq(r.gradingId, grading.id)))[0]?.body ?? null
}

const SAY_FIRST = 'Rate this trim yourself first, at its table. Then you see the mark.'
/** Why a grading must stay hidden from somebody now; null when it may be read. */
async function hiddenFrom(db: Reader, grading: GradingRow, apprenticeId: string, actor: Me, today: string): Promise<string | null> {
  if (grading.assessorId === actor.id) return null
  if (actor.role === 'apprentice' && actor.id !== apprenticeId) return 'Apprentices can read only their own records.'
  if (grading.status === 'draft') return 'This grading is still being written.'
  if (actor.role === 'apprentice' && (await waitsForOwnWord(db, [grading.visitId], today)).size > 0) return SAY_FIRST
  return (await visitsBeingMarked(db)).has(grading.visitId)
    ? 'Two assessors mark this trim, each blind to the other until both have signed.'
    : null
}

async function gradingRow(db: Reader, id: string): Promise<GradingRow> {
  const row = (await db.select().from(tables.gradings).where(eq(tables.gradings.id, id)))[0]
  if (!row) throw refuse.notFound('This grading')
  return row
}

/** Says that one wants to read a colleague's marks: remembered, since it costs blindness. */
export async function readGrading({ db, clock }: Services, actor: Me, id: string): Promise<{ readonly id: string }> {
  const grading = await gradingRow(db, id)
  const { person } = await visitRow(db, grading.visitId)
  const hidden = await hiddenFrom(db, grading, person.id, actor, await clock.today())
  if (hidden) throw refuse.forbidden(hidden)
  if (grading.assessorId !== actor.id) await rememberReading(db, id, actor.id, await clock.now())
  return { id }
}

/** A grading as one may see it. The result stays away until the global rating is given. */
export async function gradingView({ db, clock }: Services, actor: Me, id: string): Promise<GradingView> {
  const grading = await gradingRow(db, id)
  const { visit, person, dog, table } = await visitRow(db, grading.visitId)
  const hidden = await hiddenFrom(db, grading, person.id, actor, await clock.today())
  if (hidden) throw refuse.forbidden(hidden)
  const own = grading.assessorId === actor.id
  const marked = { gradingId: id, assessorId: grading.assessorId, onDate: visit.onDate }
  const isSigned = grading.status !== 'draft' && actor.role !== 'apprentice'
  if (isSigned && (await unreadOf(db, actor, [marked], await clock.today())).size > 0) {
    const assessor = fullName(await personById(db, grading.assessorId))
    throw refuse.conflict(
      'notRead',
      `${assessor} has marked this trim. If you see the marks, you can no longer mark it blind. Peen records that you have seen them.`,
      { visitId: visit.id }
    )
  }
  const state = foldVisit((await eventsOf(db, [visit.id])).get(visit.id)!)
  const gradedWith = await gradedWithOf(db, grading)
  return {
    id,
    gradedWith,
    visitId: visit.id,
    onDate: visit.onDate,
    tableNumber: table.number,
    apprentice: personName(person),
    assessor: personName(await personById(db, grading.assessorId)),
    dog: dogView(dog),
    checkIn: visit.checkIn,
    standardId: grading.standardId,
    standardVersion: grading.standardVersion,
    status: grading.status,
    blind: grading.blind,
    houseRules: grading.houseRules,
    ...(await gradedBy(db, grading)),
    own,
    version: grading.version,
    answers: grading.answers,
    critical: grading.critical,
    globalRating: grading.globalRating,
    signedAt: grading.signedAt?.toISOString() ?? null,
    result: await resultOf(db, grading, gradedWith),
    praises: state.praises.map((praise) => praise.text),
    ...(await correctionsOf(db, actor, grading, await clock.today()))
  }
}

/**
 * Saves a draft. A second device that writes from an older version gets 409; the stored draft stands, and both texts as they
 * were are kept beside it. The global rating, once given, does not change: it was asked before the total was seen.
 */
export async function saveDraft({ db, clock }: Services, actor: Me, id: string, draft: Draft): Promise<{ version: number }> {
  const at = await clock.now()
  const outcome = await inTransaction(db, async (tx) => {
    const grading = (await tx.select().from(tables.gradings).where(eq(tables.gradings.id, id)).for('update'))[0]
    if (!grading) throw refuse.notFound('This grading')
    if (grading.assessorId !== actor.id) throw refuse.forbidden('A grading is written by its own assessor only.')
    if (grading.status !== 'draft') throw refuse.conflict('signed', 'This grading is signed and can no longer change.')
    if (grading.version !== draft.version) {
      const keptId = v7()
      const { version, answers, critical, globalRating } = grading
      // the one that stands is kept as well: the person may put the other in its place
      await tx.insert(tables.gradingConflicts).values([
        { id: keptId, gradingId: id, by: actor.id, at, draft },
        { id: v7(), gradingId: id, by: actor.id, at, draft: { version, answers, critical, globalRating } }
      ])
      return { conflict: { keptId, grading } }
    }
    if (grading.globalRating !== null && draft.globalRating !== grading.globalRating) {
      throw refuse.conflict(
        'ratingGiven',
        `Your overall impression before seeing the mark was “${grading.globalRating}”; you cannot change it.`
      )
    }
    const { standard } = await gradedBy(tx, grading)
    const { answered } = countAnswers(standard, draft.answers)
    refuseUnknownFaults(standard, draft.critical)
    const ratedAtAnswers = grading.ratedAtAnswers ?? (draft.globalRating ? answered : null)
    await tx
      .update(tables.gradings)
      .set({
        version: grading.version + 1,
        answers: draft.answers,
        critical: [...draft.critical],
        globalRating: draft.globalRating,
        ratedAtAnswers
      })
      .where(eq(tables.gradings.id, id))
    return { version: grading.version + 1 }
  })
  if ('conflict' in outcome && outcome.conflict) {
    const { grading, keptId } = outcome.conflict
    throw refuse.conflict('draftConflict', 'Another device has changed this draft since. Its version stays; yours is kept beside it.', {
      keptId,
      stored: { version: grading.version, answers: grading.answers, critical: grading.critical, globalRating: grading.globalRating }
    })
  }
  return { version: outcome.version! }
}

/** Signs a grading: complete, rated, in the version that was read. From then on it is never edited. */
export async function signGrading({ db, clock }: Services, actor: Me, id: string, { version }: SignGrading): Promise<GradeResult> {
  const signedAt = await clock.now()
  return inTransaction(db, async (tx) => {
    const grading = (await tx.select().from(tables.gradings).where(eq(tables.gradings.id, id)).for('update'))[0]
    if (!grading) throw refuse.notFound('This grading')
    if (grading.assessorId !== actor.id) throw refuse.forbidden('A grading is signed by its own assessor only.')
    if (grading.status !== 'draft') throw refuse.conflict('signed', 'This grading is already signed.')
    if (grading.version !== version)
      throw refuse.conflict('draftConflict', 'Another device has changed this draft since. Read it again before you sign.')
    if (grading.globalRating === null)
      throw refuse.invalid([{ path: 'globalRating', detail: 'Give your overall impression first. Then you see the mark and can sign.' }])
    await refuseUnsettled({ db: tx, clock }, actor)
    await refuseUngradable(tx, grading.visitId)
    const gradedWith = await gradedWithOf(tx, grading)
    const result = await computeResult(tx, grading, gradedWith)
    if (result.outcome === 'unfinished') throw refuse.invalid([{ path: 'answers', detail: `It cannot be signed yet: ${result.because}` }])
    await tx.update(tables.gradings).set({ status: 'signed', signedAt, gradedWith }).where(eq(tables.gradings.id, id))
    await storeResult(tx, id, result)
    const { visitId, standardId, standardVersion } = grading
    await appendAudit(
      tx,
      {
        ...{ kind: 'grading.signed', at: signedAt.toISOString(), by: actor.id },
        ids: { grading: id, visit: visitId, standard: standardId, standardVersion, version }
      },
      [`grading:${id}`, `events:${visitId}`, `pictures:${visitId}`]
    )
    await rebuildCoat(tx, grading.visitId)
    return result
  })
}
