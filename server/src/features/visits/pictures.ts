// Photographs of a dog before and after: turned upright, made small enough, without the place where they were taken.
import { isHeic, MOMENTS, STANCES, type Me, type Moment, type PictureView, type Stance } from '@peen/contract'
import { and, asc, count, eq, ne, notExists, sql } from 'drizzle-orm'
import sharp from 'sharp'
import { v7, validate as isUuid } from 'uuid'
import { inTransaction, tables, type Database, type Reader, type Transaction } from '../../db'
import { refuse, type Services } from '../../http'
import { visitRow } from '../practice'

/** More pixels than any tablet takes; a small file can hold many. */
const MOST_PIXELS = 50_000_000
/** A dog is measured on it: two pixels a millimetre for a dog of a metre. */
const LONG_SIDE_PX = 2400
const KINDS = new Map([
  ['jpeg', 'JPEG'],
  ['png', 'PNG'],
  ['webp', 'WebP']
])

/** Where the table camera listens on this machine; null where there is none. */
export const cameraUrl = (): string | null => process.env.PEEN_CAMERA_URL ?? null
export const hasCamera = (): boolean => cameraUrl() !== null

export async function picturesOf(db: Reader, visitId: string): Promise<PictureView[]> {
  const { id, moment, stance, widthPx, heightPx } = tables.pictures
  const rows = await db
    .select({ id, moment, stance, widthPx, heightPx })
    .from(tables.pictures)
    .where(eq(tables.pictures.visitId, visitId))
    .orderBy(asc(stance))
  // an older one that was measured is kept, but it is no longer the picture of its stance; ids are made in order of time
  const newer = (row: PictureView, one: PictureView) => one.moment === row.moment && one.stance === row.stance && one.id > row.id
  return rows.filter((row) => row.moment === 'during' || !rows.some((one) => newer(row, one)))
}

/** One picture is decoded at a time, with one thread and no cache: a large one needs some 200 MB while it is open. */
sharp.concurrency(1)
sharp.cache(false)
let decoding: Promise<unknown> = Promise.resolve()
let waiting = 0
/** More than a room of tablets sends in a moment; each that waits holds up to 15 MB. */
const MOST_WAITING = 12
async function oneAtATime<T>(work: () => Promise<T>): Promise<T> {
  if (waiting >= MOST_WAITING)
    throw refuse.busy('Many pictures are arriving at once. Send this one again in a minute; nothing was changed.')
  waiting++
  const run = decoding.then(work)
  decoding = run.catch(() => undefined)
  return run.finally(() => waiting--)
}

/** The picture re-encoded. Refuses what is no JPEG, PNG or WebP, what is broken, and what holds too many pixels. */
export const cleaned = (bytes: Buffer): Promise<Cleaned> => oneAtATime(() => decoded(bytes))
type Cleaned = { readonly bytes: Buffer; readonly widthPx: number; readonly heightPx: number }

async function decoded(bytes: Buffer): Promise<Cleaned> {
  const invalid = (detail: string) => refuse.invalid([{ path: 'picture', detail: `${detail} Nothing was changed.` }])
  if (!Buffer.isBuffer(bytes) || bytes.length === 0) throw invalid('The picture is empty; it must be a JPEG, PNG or WebP of up to 15 MB.')
  if (isHeic(bytes)) throw invalid('The picture is a HEIC file, which Peen cannot read: set the camera to JPEG, or take it in Peen.')
  const meta = await sharp(bytes, { limitInputPixels: false })
    .metadata()
    .catch(() => null)
  if (!meta || !KINDS.has(meta.format ?? '')) throw invalid('The picture cannot be read; it must be a JPEG, PNG or WebP.')
  const [w, h] = [meta.width ?? 0, meta.height ?? 0]
  if (w * h > MOST_PIXELS) throw invalid(`The picture is ${w} x ${h} pixels; it can have up to ${MOST_PIXELS / 1_000_000} million in all.`)
  try {
    const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .rotate()
      .resize({ width: LONG_SIDE_PX, height: LONG_SIDE_PX, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 88 })
      .toBuffer({ resolveWithObject: true })
    return { bytes: data, widthPx: info.width, heightPx: info.height }
  } catch {
    throw invalid('The picture file is damaged.')
  }
}

/** Pictures kept of one visit: each stance before and after, and a few dozen on the way. Chosen. */
export const MOST_PICTURES = 60

/** A photograph whose answer was lost on the way comes again: it is there already. */
async function cameBefore(db: Database, id: string, visitId: string, actor: Me): Promise<PictureView | null> {
  const { pictures: p } = tables
  const [row] = await db
    .select({ visitId: p.visitId, by: p.by, moment: p.moment, stance: p.stance, widthPx: p.widthPx, heightPx: p.heightPx })
    .from(p)
    .where(eq(p.id, id))
  if (!row) return null
  if (row.visitId !== visitId || row.by !== actor.id) throw refuse.taken('picture')
  const { moment, stance, widthPx, heightPx } = row
  return { id, moment, stance, widthPx, heightPx }
}

/** Keeps a photograph of a visit; the newer one before or after takes the place of the older one of its stance, which stays only where it was measured. */
export async function addPicture(
  { db, clock }: Services,
  actor: Me,
  visitId: string,
  moment: string,
  stance: string,
  raw: Buffer,
  as: string = v7()
): Promise<PictureView> {
  const wrong = [
    ...(MOMENTS.includes(moment as Moment)
      ? []
      : [{ path: 'moment', detail: `Moment is ${moment.slice(0, 20)}; it must be ${MOMENTS.join(', ')}.` }]),
    ...(STANCES.includes(stance as Stance)
      ? []
      : [{ path: 'stance', detail: `Stance is ${stance.slice(0, 20)}; it must be ${STANCES.join(', ')}.` }]),
    ...(isUuid(as) ? [] : [{ path: 'as', detail: 'The picture’s id is not a UUID. Nothing was changed.' }])
  ]
  if (wrong.length > 0) throw refuse.invalid(wrong)
  const { person } = await visitRow(db, visitId)
  if (actor.role === 'apprentice' && person.id !== actor.id) throw refuse.forbidden('This is another apprentice’s visit.')
  const before = await cameBefore(db, as, visitId, actor)
  if (before) return before
  const picture = await cleaned(raw)
  const row = { id: as, visitId, moment: moment as Moment, stance: stance as Stance, by: actor.id, at: await clock.now(), ...picture }
  await inTransaction(db, async (tx) => {
    const { pictures: p, pictureMarks: marks } = tables
    const unmeasured = notExists(
      tx
        .select({ one: sql`1` })
        .from(marks)
        .where(eq(marks.pictureId, p.id))
    )
    // a picture that a signed mark was made by stays, under the newer one
    if (row.moment !== 'during' && !(await isSigned(tx, visitId)))
      await tx.delete(p).where(and(eq(p.visitId, visitId), eq(p.moment, row.moment), eq(p.stance, row.stance), unmeasured))
    const [{ many }] = await tx.select({ many: count() }).from(p).where(eq(p.visitId, visitId))
    if (many >= MOST_PICTURES)
      throw refuse.conflict(
        'tooMany',
        `This visit has ${many} pictures; it can have up to ${MOST_PICTURES}. Remove one first. Nothing was changed.`
      )
    await tx.insert(p).values(row)
  })
  const { id, widthPx, heightPx } = row
  return { id, moment: row.moment, stance: row.stance, widthPx, heightPx }
}

/** Takes a photograph away, unless a mark that was signed stands on it. */
export async function removePicture({ db }: Services, id: string): Promise<{ readonly id: string }> {
  const { pictures: p } = tables
  await inTransaction(db, async (tx) => {
    const [row] = await tx.select({ visitId: p.visitId }).from(p).where(eq(p.id, id))
    if (!row) throw refuse.notFound('This picture')
    // signing a mark holds this row too
    await tx.select({ id: tables.visits.id }).from(tables.visits).where(eq(tables.visits.id, row.visitId)).for('update')
    if (await isSigned(tx, row.visitId))
      throw refuse.conflict('signed', 'A mark of this trim is signed, and its pictures stay with it. Nothing was changed.')
    await tx.delete(tables.pictureMarks).where(eq(tables.pictureMarks.pictureId, id))
    await tx.delete(p).where(eq(p.id, id))
  })
  return { id }
}

/** Is a mark of this visit's trim signed? */
async function isSigned(tx: Transaction, visitId: string): Promise<boolean> {
  const { gradings: g } = tables
  const rows = await tx
    .select({ id: g.id })
    .from(g)
    .where(and(eq(g.visitId, visitId), ne(g.status, 'draft')))
  return rows.length > 0
}

/** The bytes of a photograph. An apprentice sees those of own visits. */
export async function pictureBytes({ db }: Services, actor: Me, id: string): Promise<Buffer> {
  const { pictures: p, visits: s } = tables
  const row = (
    await db.select({ bytes: p.bytes, apprenticeId: s.apprenticeId }).from(p).innerJoin(s, eq(s.id, p.visitId)).where(eq(p.id, id))
  )[0]
  if (!row) throw refuse.notFound('This picture')
  if (actor.role === 'apprentice' && row.apprenticeId !== actor.id)
    throw refuse.forbidden('This is a picture of another apprentice’s visit.')
  return row.bytes
}
