// Everything behind one certificate as a ZIP of open files, which anyone can check without this server.
import {
  pack,
  pathOfSeal,
  SCHEMAS,
  statementsOf,
  toBytes,
  withoutTexts,
  type Behind,
  type BehindAttempt,
  type BehindMark
} from '@peen/bundle'
import type { Me } from '@peen/contract'
import type { PracticeEvent } from '@peen/core/practice'
import { eq, inArray } from 'drizzle-orm'
import { toCsv, type Cell } from '../../csv'
import { tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { wordsIn } from '../../words'
import { badgePng, credentialOf, keysFile, listKey, paperPdf, revokedList, signHead } from '../credentials'
import { rememberAll, waitsForOwnWord } from '../grading'
import { schoolRow, standardOf } from '../school'
import { visitsBeingMarked } from '../standings'
import { attemptsBehind, behindOf, eventsBehind, gradingsBehind, marksBehind } from './gather'
import { sealNames, stretchOf } from './trail'

type FindingRow = typeof tables.findings.$inferSelect
type GradingRow = typeof tables.gradings.$inferSelect

/** Marks go out only to readers who may have all of them; what a colleague reads in a file is remembered as on a screen. */
async function refuseBlind({ db, clock }: Services, actor: Me, gradings: readonly GradingRow[]): Promise<void> {
  const visitIds = gradings.map(({ visitId }) => visitId)
  const open = await visitsBeingMarked(db)
  if (visitIds.some((id) => open.has(id)))
    throw refuse.conflict(
      'blind',
      'A trim behind this certificate is being marked again. Its evidence can be downloaded once that mark is signed.'
    )
  const unsaid = actor.role === 'apprentice' ? await waitsForOwnWord(db, visitIds, await clock.today()) : new Set()
  if (unsaid.size > 0)
    throw refuse.conflict('blind', 'Rate your own trims first: the evidence holds their marks. They are waiting for you at the table.')
  await rememberAll(
    db,
    actor,
    gradings.map(({ id, assessorId }) => ({ gradingId: id, assessorId })),
    await clock.now()
  )
}

/** The evidence of an issued certificate. @throws Refused where it has no file yet, or marks in it are still blind to the reader */
export async function bundleZip(services: Services, actor: Me, finding: FindingRow): Promise<Uint8Array> {
  const { db, clock } = services
  const { document } = await credentialOf(services, finding.id)
  const key = await listKey(db, services.keys)
  if (!key) throw refuse.notFound('A signing key')
  const known = await behindOf(db, finding)
  const gradings = await gradingsBehind(db, known)
  const behind = { ...known, staff: await staffOf(db, finding, gradings, known.staff) }
  await refuseBlind(services, actor, gradings)
  await signHead(services)
  const events = await eventsBehind(db, behind)
  const attempts = await attemptsBehind(db, behind)
  const marks = await marksBehind(db, behind, gradings)
  const { entries, sealed, heads } = await stretchOf(db, await sealNames(db, finding, gradings))
  const files = new Map<string, Uint8Array>([
    ['README.txt', new TextEncoder().encode(`${wordsIn(actor.settings.language)('bundle.readMe', { number: finding.number })}\n`)],
    ['certificate.json', toBytes(document)],
    ['certificate.png', new Uint8Array(await badgePng(services, finding.id))],
    ['certificate.pdf', new Uint8Array(await paperPdf(services, finding, actor, true))],
    ['issuer.json', toBytes(await keysFile(services))],
    ['status.json', toBytes(await revokedList(services))],
    ['behind.json', toBytes(behind)],
    ['attempts.json', toBytes(attempts)],
    ['attempts.csv', new TextEncoder().encode(attemptsCsv(behind, attempts))],
    ['marks.json', toBytes(marks)],
    ['marks.csv', new TextEncoder().encode(marksCsv(marks))],
    ['xapi.json', toBytes(statements(services, { behind, attempts, marks }, events, gradings))],
    ['trail/entries.json', toBytes(entries)],
    ['trail/heads.json', toBytes(heads)],
    ...[...events].map(([id, own]): [string, Uint8Array] => [`events/${id}.json`, toBytes(own.map(withoutTexts))]),
    ...sealed.map((one): [string, Uint8Array] => [pathOfSeal(one.name), toBytes(one)]),
    ...(await standardFiles(db, gradings)),
    ...(await pictureFiles(db, gradings)),
    ...Object.entries(SCHEMAS).map(([path, schema]): [string, Uint8Array] => [`schemas/${path.replace('/', '-')}`, toBytes(schema)])
  ])
  const { name: school } = await schoolRow(db)
  return pack(files, { school, number: finding.number, finding: finding.id, madeAt: (await clock.now()).toISOString() }, key)
}

/** Of the staff, those who signed the certificate or a mark behind it. */
async function staffOf(db: Reader, finding: FindingRow, gradings: readonly GradingRow[], staff: Behind['staff']): Promise<Behind['staff']> {
  const { signatures: s } = tables
  const signers = await db.select({ id: s.personId }).from(s).where(eq(s.findingId, finding.id))
  const own = new Set([...signers.map(({ id }) => id), ...gradings.map(({ assessorId }) => assessorId)])
  return staff.filter(({ id }) => own.has(id))
}

function statements(
  { publicUrl }: Services,
  told: { readonly behind: Behind; readonly attempts: readonly BehindAttempt[]; readonly marks: readonly BehindMark[] },
  events: ReadonlyMap<string, readonly PracticeEvent[]>,
  gradings: readonly GradingRow[]
): object[] {
  const signed = new Map(gradings.map(({ id, signedAt }) => [id, signedAt?.toISOString() ?? null]))
  const endedAt = (visitId: string) =>
    (events.get(visitId) ?? [])
      .map(({ atDevice }) => atDevice)
      .sort()
      .at(-1) ?? null
  return statementsOf({ ...told, endedAt, signedAt: (id) => signed.get(id) ?? null, home: publicUrl ?? null })
}

function attemptsCsv({ techniques, visits }: Behind, attempts: readonly BehindAttempt[]): string {
  const names = new Map(techniques.map(({ id, name }) => [id, name]))
  const dogs = new Map(visits.map(({ id, dog }) => [id, dog]))
  const columns = ['date', 'technique', 'dog', 'coat', 'sides', 'setting', 'counts', 'clean', 'help', 'prompts', 'minutes', 'why']
  return toCsv(
    columns,
    attempts.map((one): Cell[] => [
      ...[one.onDate, names.get(one.techniqueId) ?? one.techniqueId, dogs.get(one.visitId)!.name, dogs.get(one.visitId)!.coat, one.sides],
      ...[one.setting, one.counts, one.clean, one.help, one.prompts, one.minutes, one.because]
    ])
  )
}

const marksCsv = (marks: readonly BehindMark[]): string =>
  toCsv(
    ['date', 'dog', 'trim', 'assessor', 'mark', 'low', 'high', 'outcome', 'setAside'],
    marks.map((one): Cell[] => [one.onDate, one.dog, one.trim, one.assessor, one.mark, one.low, one.high, one.outcome, one.setAside])
  )

async function standardFiles(db: Reader, gradings: readonly GradingRow[]): Promise<[string, Uint8Array][]> {
  const asked = new Map(gradings.map((row) => [`${row.standardId}@${row.standardVersion}`, row]))
  const files: [string, Uint8Array][] = []
  for (const [name, { standardId, standardVersion }] of asked)
    files.push([`standards/${name}.json`, toBytes(await standardOf(db, standardId, standardVersion))])
  return files
}

async function pictureFiles(db: Reader, gradings: readonly GradingRow[]): Promise<[string, Uint8Array][]> {
  const { pictures: p } = tables
  const visits = [...new Set(gradings.map(({ visitId }) => visitId))]
  if (visits.length === 0) return []
  const ids = await db.select({ id: p.id }).from(p).where(inArray(p.visitId, visits))
  const files: [string, Uint8Array][] = []
  for (const { id } of ids) {
    const [row] = await db.select({ bytes: p.bytes }).from(p).where(eq(p.id, id))
    if (row) files.push([`pictures/${id}.jpg`, new Uint8Array(row.bytes)])
  }
  return files
}
