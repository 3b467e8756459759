// Everything that is on record of one apprentice.
import { questions, techniqueName } from '@peen/content'
import { RECORD_SCHEMA_ID, type Me, type RecordFile, type SignedHead } from '@peen/contract'
import { asc, desc, eq } from 'drizzle-orm'
import { tables } from '../../db'
import { refuse, type Services } from '../../http'
import { answersOf } from '../answers'
import { certificatesOf } from '../certificates'
import { allPeople, fullName, personById } from '../people'
import { attemptRows } from '../derived'
import { rememberAll, waitsForOwnWord } from '../grading'
import { trimNames, schoolRow } from '../school'
import { signedTrims, standingsOf } from '../standings'

const dayOf = (at: Date) => at.toISOString().slice(0, 10)

/** One apprentice's whole record: dogs by name, nothing of owners. Marks that are still blind stay out. */
// eslint-disable-next-line max-lines-per-function -- facts are gathered once, then laid together
export async function recordFile({ db, clock }: Services, actor: Me, id: string): Promise<RecordFile> {
  if (actor.role === 'apprentice' && actor.id !== id) throw refuse.forbidden('Apprentices can read only their own records.')
  const person = await personById(db, id)
  if (person.role !== 'apprentice') throw refuse.notFound('This apprentice')
  const today = await clock.today()
  const standings = await standingsOf(db, id, today)
  const nameOf = (techniqueId: string) => standings.get(techniqueId)?.technique.name ?? techniqueName(techniqueId)
  const names = new Map((await allPeople(db)).map((one) => [one.id, fullName(one)]))
  const certificates = new Map((await certificatesOf(db, true)).map((one) => [one.id, one.name]))
  const { findings: f, signatures: g, holdLifts: h, figurePractice: p } = tables
  const findings = await db.select().from(f).where(eq(f.apprenticeId, id)).orderBy(asc(f.draftedAt))
  const signatures = await db.select().from(g).innerJoin(f, eq(f.id, g.findingId)).where(eq(f.apprenticeId, id)).orderBy(asc(g.signedAt))
  const [head] = await db.select().from(tables.auditHead)
  const [signedHead] = await db.select().from(tables.signedHeads).orderBy(desc(tables.signedHeads.seq)).limit(1)
  const signed = await signedTrims(db, [id])
  // their own word comes before a mark, in a file as on a screen; what a colleague reads here is remembered
  const unsaid =
    actor.role === 'apprentice'
      ? await waitsForOwnWord(
          db,
          signed.map(({ visitId }) => visitId),
          today
        )
      : new Set<string>()
  const trimsTold = signed.filter(({ visitId }) => !unsaid.has(visitId))
  const trimOf = await trimNames(db, trimsTold)
  await rememberAll(db, actor, trimsTold, await clock.now())
  return {
    $schema: RECORD_SCHEMA_ID,
    school: (await schoolRow(db)).name,
    writtenOn: today,
    person: { id, givenName: person.givenName, familyName: person.familyName, cohort: person.cohort, startedOn: person.startedOn },
    techniques: [...standings]
      .filter(([, { attempts }]) => attempts.length > 0)
      .map(([techniqueId, { technique, standing }]) => {
        const { state, because, score, limit, attempts, clean, signalOn, lastOn } = standing
        return { techniqueId, technique: technique.name, state, because, score, limit, attempts, clean, signalOn, lastOn }
      }),
    attempts: (await attemptRows(db, [id])).map(({ row, dogName, coat }) => ({
      ...{ onDate: row.onDate, techniqueId: row.techniqueId, technique: nameOf(row.techniqueId), dog: dogName, coat },
      ...{ sides: row.body.sides, setting: row.body.setting, counts: row.body.counts, clean: row.body.clean, help: row.body.help },
      ...{ prompts: row.body.prompts, minutes: row.body.minutes, planMinutes: row.planMinutes, because: row.body.because }
    })),
    answers: (await answersOf(db, [id])).map(({ onDate, questionId, right, by, note }) => ({
      ...{ onDate, question: questions.find((one) => one.id === questionId)?.ask ?? questionId, right },
      ...{ by: names.get(by) ?? 'a former member of staff', note }
    })),
    figures: (await db.select().from(p).where(eq(p.apprenticeId, id)).orderBy(asc(p.onDate))).map(
      ({ onDate, techniqueId, minutes, note }) => ({
        ...{ onDate, techniqueId, technique: nameOf(techniqueId), minutes, note }
      })
    ),
    trims: trimsTold.map(({ onDate, dogName, assessorId, result, settled, ...worn }) => ({
      ...{ onDate, dog: dogName, trim: trimOf(worn), assessor: names.get(assessorId) ?? 'a former member of staff' },
      ...{ mark: result.total?.value ?? null, low: result.total?.interval[0] ?? null, high: result.total?.interval[1] ?? null },
      ...{ outcome: result.outcome, settled }
    })),
    certificates: findings.map((row) => ({
      ...{ number: row.number, certificate: certificates.get(row.certificateId) ?? row.certificateId, version: row.certificateVersion },
      ...{ status: row.status, validUntil: row.validUntil, auditHash: row.auditHash },
      signatures: signatures
        .filter(({ signatures: own }) => own.findingId === row.id)
        .map(({ signatures: own }) => ({ name: names.get(own.personId) ?? 'a former member of staff', on: dayOf(own.signedAt) }))
    })),
    liftedHolds: (await db.select().from(h).where(eq(h.apprenticeId, id)).orderBy(asc(h.onDate))).map((row) => ({
      ...{ techniqueId: row.techniqueId, technique: nameOf(row.techniqueId), liftedOn: row.onDate },
      ...{ by: names.get(row.by) ?? 'a former member of staff', reason: row.reason }
    })),
    auditHead: head?.hash ?? '',
    signedHead: (signedHead?.document as SignedHead | undefined) ?? null
  }
}
