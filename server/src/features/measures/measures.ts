// Photographs of a finished trim as one assessor measures them. Each assessor has own marks, blind to the others'.
import type { GradingView, LastVisit, MeasurePage, Me, Moment, PictureMarks, SaveMarks } from '@peen/contract'
import { daysBetween } from '@peen/core/competency'
import { fromReadings, type Answers } from '@peen/core/grade'
import { SEEN, sideSeen, type RegionDeparture, type Seen, type SkinReading } from '@peen/core/measure'
import type { Standard } from '@peen/core/standard'
import { and, desc, eq, inArray, lt, ne } from 'drizzle-orm'
import { inTransaction, tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { gradedBy } from '../derived'
import { gradingView, unreadOf } from '../grading'
import { visitsBeingMarked } from '../standings'
import { hasCamera, picturesOf } from '../visits'

/** Everything that measuring the trim of a grading needs. Only its own assessor measures for it. */
export async function measurePage(services: Services, actor: Me, gradingId: string): Promise<MeasurePage> {
  const grading = await gradingView(services, actor, gradingId)
  if (!grading.own) throw refuse.forbidden('A trim is measured by the assessor who grades it.')
  const { db } = services
  const pictures = (await picturesOf(db, grading.visitId)).filter(
    ({ stance, moment }) => moment !== 'during' && (SEEN as readonly string[]).includes(stance)
  )
  const ids = pictures.map(({ id }) => id)
  const rows = ids.length === 0 ? [] : await ownMarks(db, actor.id, ids)
  const marksOf = (moment: Moment) =>
    pictures
      .filter((picture) => picture.moment === moment)
      .map(({ id, stance }): PictureMarks => {
        const row = rows.find(({ pictureId }) => pictureId === id)
        return { pictureId: id, seen: stance as Seen, version: row?.version ?? 0, marks: row?.marks ?? null, regions: row?.regions ?? [] }
      })
  const earlier = await earlierMarks(db, actor.id, grading.visitId, ids)
  const [marks, before] = [marksOf('after'), marksOf('before')]
  const lastVisit = await lastVisitOf(db, grading)
  return { grading, pictures, marks, before, lastVisit, earlier, skin: await skinOf(services, actor, grading), hasCamera: hasCamera() }
}

/** The visit of this dog before the one that is graded. */
async function lastVisitOf(db: Reader, { dog, visitId, onDate, standard }: GradingView): Promise<LastVisit | null> {
  const { visits: s } = tables
  const [last] = await db
    .select({ onDate: s.onDate, standardId: s.standardId })
    .from(s)
    .where(and(eq(s.dogId, dog.id), lt(s.onDate, onDate), ne(s.id, visitId)))
    .orderBy(desc(s.onDate), desc(s.id))
    .limit(1)
  if (!last) return null
  return { onDate: last.onDate, days: daysBetween(last.onDate, onDate), sameTrim: last.standardId === standard.id }
}

/** Own marks of pictures after the trim that a newer one of their view has replaced, the newest first. */
async function earlierMarks(db: Reader, by: string, visitId: string, newest: readonly string[]): Promise<PictureMarks[]> {
  const { pictureMarks: m, pictures: p } = tables
  const rows = await db
    .select({ pictureId: p.id, seen: m.seen, version: m.version, marks: m.marks, regions: m.regions })
    .from(m)
    .innerJoin(p, eq(p.id, m.pictureId))
    .where(and(eq(p.visitId, visitId), eq(p.moment, 'after'), eq(m.by, by)))
    // ids are made in order of time
    .orderBy(desc(p.id))
  return rows.filter(({ pictureId }) => !newest.includes(pictureId))
}

function ownMarks(db: Reader, by: string, pictureIds: readonly string[]) {
  const { pictureMarks: m } = tables
  return db
    .select()
    .from(m)
    .where(and(eq(m.by, by), inArray(m.pictureId, [...pictureIds])))
}

/** Keeps the marks of one picture. A second device that writes from an older version gets 409 and its text is not lost: it is still on that device. */
export async function saveMarks({ db, clock }: Services, actor: Me, pictureId: string, body: SaveMarks): Promise<{ version: number }> {
  const at = await clock.now()
  return inTransaction(db, async (tx) => {
    const { pictures: p, visits: s, pictureMarks: m, gradings: g } = tables
    const picture = (
      await tx
        .select({ id: p.id, stance: p.stance, visitId: s.id })
        .from(p)
        .innerJoin(s, eq(s.id, p.visitId))
        .where(eq(p.id, pictureId))
        .for('update')
    )[0]
    if (!picture) throw refuse.notFound('This picture')
    if (picture.stance !== body.seen)
      throw refuse.invalid([{ path: 'seen', detail: `Seen is ${body.seen}; this picture was taken as ${picture.stance}.` }])
    const [signed] = await tx
      .select({ id: g.id })
      .from(g)
      .where(and(eq(g.visitId, picture.visitId), eq(g.assessorId, actor.id), ne(g.status, 'draft')))
    if (signed) throw refuse.conflict('signed', 'You have signed this trim, so its measurements can no longer change.')
    await refuseStrange(tx, actor, picture, body)
    const known = (
      await tx
        .select({ version: m.version })
        .from(m)
        .where(and(eq(m.pictureId, pictureId), eq(m.by, actor.id)))
    )[0]
    const version = known?.version ?? 0
    if (version !== body.version)
      throw refuse.conflict('marksConflict', 'Another device has marked this picture since. Its marks stay; reload them.')
    const row = { seen: body.seen, version: version + 1, marks: body.marks, regions: [...body.regions], at }
    if (known)
      await tx
        .update(m)
        .set(row)
        .where(and(eq(m.pictureId, pictureId), eq(m.by, actor.id)))
    else await tx.insert(m).values({ pictureId, by: actor.id, ...row })
    return { version: version + 1 }
  })
}

/** @throws Refused for a picture to average with that is none of this visit and view, or was not measured by the same person */
async function refuseStrange(
  db: Reader,
  actor: Me,
  picture: { readonly id: string; readonly visitId: string },
  { seen, marks }: SaveMarks
): Promise<void> {
  if (!marks.averaged?.length) return
  const known = (await earlierMarks(db, actor.id, picture.visitId, [picture.id])).filter((one) => one.seen === seen)
  const strange = marks.averaged.find((id) => !known.some(({ pictureId }) => pictureId === id))
  if (strange)
    throw refuse.invalid([
      {
        path: 'marks.averaged',
        detail: 'Averaged: one of the pictures is not an earlier one of this view that you have measured. Nothing was changed.'
      }
    ])
}

/**
 * What gauge readings have said of this dog's outline: every signed grading, and this one as it stands, whose assessor
 * both read a length and measured a picture of that region and side. Nothing of a colleague's by which this one would not be blind.
 */
async function skinOf({ db, clock }: Services, actor: Me, own: GradingView): Promise<SkinReading[]> {
  const { gradings: g, visits: s, pictures: p, pictureMarks: m } = tables
  const rows = await db
    .select({ grading: g, onDate: s.onDate, seen: m.seen, regions: m.regions })
    .from(m)
    .innerJoin(p, eq(p.id, m.pictureId))
    .innerJoin(s, eq(s.id, p.visitId))
    .innerJoin(g, and(eq(g.visitId, s.id), eq(g.assessorId, m.by)))
    .where(and(eq(s.dogId, own.dog.id), eq(p.moment, 'after')))
  const open = await visitsBeingMarked(db)
  const signed = rows.filter(({ grading }) => grading.status === 'signed')
  const marked = signed.map(({ grading, onDate }) => ({ gradingId: grading.id, assessorId: grading.assessorId, onDate }))
  const unread = await unreadOf(db, actor, marked, await clock.today())
  const counted = rows.filter(
    ({ grading }) =>
      grading.id === own.id ||
      (grading.status === 'signed' && (grading.assessorId === actor.id || !(open.has(grading.visitId) || unread.has(grading.id))))
  )
  const found: SkinReading[] = []
  for (const { grading, seen, regions } of counted) {
    const { standard } = await gradedBy(db, grading)
    found.push(...skinFrom(standard, grading.answers, seen, regions))
  }
  return found
}

/** A profile shows its own side; from where both are seen, neither side's length is told alone. */
function skinFrom(standard: Standard, answers: Answers, seen: Seen, regions: readonly RegionDeparture[]): SkinReading[] {
  const side = sideSeen(seen)
  if (!side) return []
  return standard.criteria.flatMap(({ id, how, region }): SkinReading[] => {
    const found = regions.find((own) => own.region === region)
    if (how.kind !== 'length' || !found) return []
    const given = answers[id]?.[how.sides === 'pair' ? side : 'whole']
    const instrument = standard.instruments.find((one) => one.id === how.instrument)
    if (given?.kind !== 'readings' || !instrument) return []
    const { value, u } = fromReadings(given.mm, instrument)
    return [{ region, seen, overSkinMm: found.overSkinMm, overSkinU: found.uMm, gaugeMm: value, gaugeU: u }]
  })
}
