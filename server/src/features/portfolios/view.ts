// A portfolio as it is read: what was chosen, as it stands today.
import type { PortfolioView } from '@peen/contract'
import { inArray } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import type { Services } from '../../http'
import { certificatesOf } from '../certificates'
import { credentialRow, sayCode, signersOf } from '../credentials'
import { allPeople, fullName, personById } from '../people'
import { schoolRow, trimNames } from '../school'
import { standingsOf } from '../standings'
import { issuedTo, picturesOf, showableTrims } from './showable'

export type PortfolioRecord = typeof tables.portfolios.$inferSelect

export type Read = Omit<PortfolioView, 'open'>

export async function portfolioView({ db, clock }: Services, row: PortfolioRecord): Promise<Read> {
  const today = await clock.today()
  return {
    holder: fullName(await personById(db, row.apprenticeId)),
    school: (await schoolRow(db)).name,
    ...{ title: row.title, endsOn: row.endsOn },
    certificates: await certificatesShown(db, row, today),
    trims: await trimsShown(db, row, today),
    charts: await chartsShown(db, row, today)
  }
}

async function certificatesShown(db: Reader, { apprenticeId, shown }: PortfolioRecord, today: string): Promise<Read['certificates']> {
  const known = new Map((await certificatesOf(db, true)).map((one) => [one.id, one]))
  const own = (await issuedTo(db, apprenticeId)).filter(({ id }) => shown.certificates.includes(id))
  const rows = []
  for (const { id, number, certificateId, status, validUntil } of own) {
    const isOver = validUntil !== null && validUntil < today
    const { name = certificateId, claim = '' } = known.get(certificateId) ?? {}
    const code = (await credentialRow(db, id))?.code
    const issuedOn = (await signersOf(db, id)).at(-1)?.onDate ?? ''
    const standing = status === 'revoked' ? ('revoked' as const) : isOver ? ('expired' as const) : ('valid' as const)
    rows.push({ name, claim, number, code: code ? sayCode(code) : null, issuedOn, validUntil, standing })
  }
  return rows
}

async function trimsShown(db: Reader, { apprenticeId, shown }: PortfolioRecord, today: string): Promise<Read['trims']> {
  const { trims } = await showableTrims(db, apprenticeId, today)
  const own = trims.filter(({ gradingId }) => shown.trims.some((one) => one.gradingId === gradingId))
  if (own.length === 0) return []
  const visitIds = own.map(({ visitId }) => visitId)
  const pictures = await picturesOf(db, visitIds)
  const chosen = new Map(shown.trims.map((one) => [one.gradingId, new Set(one.pictures)]))
  const trimOf = await trimNames(db, own)
  const staff = new Map((await allPeople(db)).map((person) => [person.id, fullName(person)]))
  const { dogs: d } = tables
  const dogIds = own.map(({ dogId }) => dogId)
  const named = new Set(
    (await db.select({ id: d.id, profile: d.profile }).from(d).where(inArray(d.id, dogIds)))
      .filter(({ profile }) => profile?.nameOutside === true)
      .map(({ id }) => id)
  )
  return own.map(({ gradingId, visitId, dogId, dogName, coat, onDate, assessorId, result, settled, ...worn }) => ({
    ...{ trim: trimOf(worn), dog: named.has(dogId) ? dogName : null, coat, onDate, assessor: staff.get(assessorId) ?? '' },
    ...{ mark: result.total!.value, low: result.total!.interval[0], high: result.total!.interval[1] },
    ...{ outcome: settled ?? result.outcome, praise: result.praise },
    pictures: (pictures.get(visitId) ?? []).filter(({ id }) => chosen.get(gradingId)!.has(id))
  }))
}

async function chartsShown(db: Reader, { apprenticeId, shown }: PortfolioRecord, today: string): Promise<Read['charts']> {
  if (shown.charts.length === 0) return []
  const standings = await standingsOf(db, apprenticeId, today)
  return shown.charts.flatMap((id) => {
    const record = standings.get(id)
    if (!record) return []
    const { clean, scores, limit, cleanRun, expected, score, attempts, lastOn } = record.standing
    return [{ name: record.technique.name, clean, standing: { scores, limit, cleanRun, expected, score, attempts, lastOn } }]
  })
}

/** Photographs that a portfolio may show: chosen, of a trim that may still be shown. */
export async function picturesShown({ db, clock }: Services, { apprenticeId, shown }: PortfolioRecord): Promise<ReadonlySet<string>> {
  const { trims } = await showableTrims(db, apprenticeId, await clock.today())
  const may = new Set(trims.map(({ gradingId }) => gradingId))
  const pictures = await picturesOf(
    db,
    trims.map(({ visitId }) => visitId)
  )
  const there = new Set([...pictures.values()].flat().map(({ id }) => id))
  return new Set(shown.trims.filter(({ gradingId }) => may.has(gradingId)).flatMap((one) => one.pictures.filter((id) => there.has(id))))
}
