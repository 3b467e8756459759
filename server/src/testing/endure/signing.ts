// Gradings, certificates and photographs that are sent while everything is struck, and whether any was left half done.
import { standards } from '@peen/content'
import type { Certificate } from '@peen/core/certify'
import { answersAtTarget } from '@peen/core/grade'
import { eq } from 'drizzle-orm'
import sharp from 'sharp'
import { v7 } from 'uuid'
import { tables } from '../../db'
import type { Client, World } from '../world'
import { askThrough, type Way } from './tablets'

const JSON_TYPE = 'application/json'

/** A certificate that one passed trim is enough for, however old: the servers go by the day of this computer. */
const SHORT: Certificate = {
  ...{ id: 'endured', version: 1, name: 'Endured', claim: 'cuts one trim', standardId: 'bearded-pet', standards: ['bearded-pet'] },
  ...{ validMonths: null, renewal: [], rules: [{ kind: 'passedTrim', name: 'A passed trim', withinDays: 3650 }] }
}

export const offerCertificate = (world: World) =>
  world.db.insert(tables.certificates).values({ id: SHORT.id, version: SHORT.version, body: SHORT, by: null, at: new Date() })

/** A grading that only waits for its signature. */
export async function readySheet(world: World, by: Client, apprentice = 'bea'): Promise<{ readonly id: string; readonly version: number }> {
  const visit = await world.newTrim(apprentice)
  const id = (await by.post(`/visits/${visit}/gradings`, { id: v7() })).body.id as string
  const body = { version: 1, answers: answersAtTarget(standards[0]!, 4), critical: [], globalRating: 'pass' }
  const { body: kept } = await by.send('PUT', `/gradings/${id}`, body)
  return { id, version: kept.version as number }
}

export const signSheet = (way: Way, by: Client, { id, version }: { readonly id: string; readonly version: number }) =>
  askThrough(
    way,
    by,
    `/gradings/${id}/sign`,
    { body: JSON.stringify({ version }), type: JSON_TYPE },
    (status, code) => status === 200 || code === 'signed'
  )

/** A certificate that only waits for its two signatures: of an apprentice who was never here before. */
export async function readyFinding(world: World, marker: Client, by: Client, name: string): Promise<string> {
  const id = v7()
  const person = { givenName: name, familyName: 'Test', username: name, passwordHash: '-', role: 'apprentice' as const, cohort: 'Test' }
  await world.db.insert(tables.people).values({ id, ...person, startedOn: '2026-01-05', handed: 'right', active: true })
  const ids = world.ids as Record<string, string>
  ids[name] = id
  const sheet = await readySheet(world, marker, name)
  const signed = await marker.post(`/gradings/${sheet.id}/sign`, { version: sheet.version })
  const drafted = await by.post('/findings', { id: v7(), apprenticeId: id, certificateId: SHORT.id })
  if (signed.status !== 200 || typeof drafted.body.id !== 'string')
    throw new Error(`no finding: ${signed.body.detail} ${drafted.body.detail}`)
  return drafted.body.id
}

/** Both sign, one after the other; who asks again after an answer that was lost hears that it was done. */
export async function signFinding(way: Way, signers: readonly Client[], id: string): Promise<void> {
  for (const by of signers)
    await askThrough(
      way,
      by,
      `/findings/${id}/sign`,
      { body: '{}', type: JSON_TYPE },
      (status, code) => status === 200 || status === 403 || code === 'decided'
    )
}

/** A photograph of noise: so large that a full disk has no room for it. */
export async function photograph(seed: number): Promise<Blob> {
  const [width, height] = [1600, 1200]
  let at = seed
  const noise = Buffer.from(
    Uint8Array.from({ length: width * height * 3 }, () => ((at = (at * 1103515245 + 12345) & 0x7fffffff) >> 16) & 255)
  )
  const jpeg = await sharp(noise, { raw: { width, height, channels: 3 } })
    .jpeg({ quality: 95 })
    .toBuffer()
  return new Blob([new Uint8Array(jpeg)])
}

export const sendPicture = (way: Way, by: Client, visitId: string, as: string, picture: Blob) =>
  askThrough(way, by, `/visits/${visitId}/pictures/after/left?as=${as}`, { body: picture, type: 'image/jpeg' }, (status) => status === 200)

/** A grading without its result or its seal, or one that is not signed. */
export async function isHalfGraded(world: World, id: string): Promise<boolean> {
  const [grading] = await world.db.select({ status: tables.gradings.status }).from(tables.gradings).where(eq(tables.gradings.id, id))
  const results = await world.db.$count(tables.gradingResults, eq(tables.gradingResults.gradingId, id))
  const seals = await world.db.$count(tables.auditSeals, eq(tables.auditSeals.name, `grading:${id}`))
  return grading?.status !== 'signed' || results !== 1 || seals !== 1
}

/** A certificate without both signatures, their seals or its entry in the trail. */
export async function isHalfIssued(world: World, id: string): Promise<boolean> {
  const [finding] = await world.db.select().from(tables.findings).where(eq(tables.findings.id, id))
  const signatures = await world.db.select().from(tables.signatures).where(eq(tables.signatures.findingId, id))
  const sealed = await Promise.all(
    signatures.map(({ personId }) => world.db.$count(tables.auditSeals, eq(tables.auditSeals.name, `signature:${id}/${personId}`)))
  )
  return finding?.status !== 'issued' || !finding.auditHash || signatures.length !== 2 || sealed.some((many) => many !== 1)
}
