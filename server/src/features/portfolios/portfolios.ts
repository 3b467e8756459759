// An apprentice's portfolios: made, listed with who opened them, taken back.
import { sha256 } from '@peen/bundle'
import { MOST_OPEN_DAYS, type Me, type NewPortfolio, type PortfolioChoices, type PortfolioMade, type PortfolioRow } from '@peen/contract'
import { daysBetween } from '@peen/core/competency'
import { and, asc, desc, eq, inArray, isNull } from 'drizzle-orm'
import { randomBytes } from 'node:crypto'
import { localDate } from '../../clock'
import { orTaken, tables } from '../../db'
import { refuse, type Services } from '../../http'
import { certificatesOf } from '../certificates'
import { signersOf } from '../credentials'
import { schoolRow, trimNames } from '../school'
import { standingsOf } from '../standings'
import { issuedTo, picturesOf, showableTrims } from './showable'
import type { PortfolioRecord } from './view'

const { portfolios: t, portfolioOpens: o } = tables

/** The part of an address that opens a portfolio: 144 bits, which no one guesses. */
const newSecret = () => randomBytes(18).toString('base64url')

export async function choices({ db, clock }: Services, actor: Me): Promise<PortfolioChoices> {
  const today = await clock.today()
  const names = new Map((await certificatesOf(db, true)).map(({ id, name }) => [id, name]))
  const { trims, notYet } = await showableTrims(db, actor.id, today)
  const pictures = await picturesOf(
    db,
    trims.map(({ visitId }) => visitId)
  )
  const trimOf = await trimNames(db, trims)
  const issued = (await issuedTo(db, actor.id)).filter(({ status }) => status === 'issued')
  const certificates = []
  for (const { id, number, certificateId } of issued) {
    const issuedOn = (await signersOf(db, id)).at(-1)?.onDate ?? ''
    certificates.push({ findingId: id, name: names.get(certificateId) ?? certificateId, number, issuedOn })
  }
  return {
    certificates,
    trims: trims.map(({ gradingId, visitId, onDate, result, ...worn }) => ({
      ...{ gradingId, trim: trimOf(worn), onDate, mark: result.total!.value, pictures: pictures.get(visitId) ?? [] }
    })),
    notYet,
    charts: [...(await standingsOf(db, actor.id, today))]
      .filter(([, { standing }]) => standing.attempts > 0)
      .map(([techniqueId, { technique, standing }]) => ({
        ...{ techniqueId, name: technique.name, state: standing.state, attempts: standing.attempts }
      }))
  }
}

/** What was chosen must be the apprentice's own, and such as may be shown. */
async function refuseForeign(services: Services, actor: Me, body: NewPortfolio): Promise<void> {
  const own = await choices(services, actor)
  const pictures = new Map(own.trims.map((trim) => [trim.gradingId, new Set(trim.pictures.map(({ id }) => id))]))
  const issues = [
    ...(body.certificates.every((id) => own.certificates.some(({ findingId }) => findingId === id))
      ? []
      : [{ path: 'certificates', detail: 'One of these certificates is not yours, or it was revoked. Choose again.' }]),
    ...(body.trims.every((trim) => trim.pictures.every((id) => pictures.get(trim.gradingId)?.has(id)) && pictures.has(trim.gradingId))
      ? []
      : [{ path: 'trims', detail: 'One of these trims cannot be shown: it is not yours, or its mark is still blind. Choose again.' }]),
    ...(body.charts.every((id) => own.charts.some(({ techniqueId }) => techniqueId === id))
      ? []
      : [{ path: 'charts', detail: 'One of these charts has no attempts of yours. Choose again.' }])
  ]
  if (issues.length > 0) throw refuse.invalid(issues)
}

export async function makePortfolio(services: Services, actor: Me, body: NewPortfolio): Promise<PortfolioMade> {
  const { db, clock } = services
  const days = daysBetween(await clock.today(), body.endsOn)
  if (days < 0 || days > MOST_OPEN_DAYS)
    throw refuse.invalid([
      { path: 'endsOn', detail: `Last day is ${body.endsOn}; it must be between today and ${MOST_OPEN_DAYS} days from now.` }
    ])
  await refuseForeign(services, actor, body)
  const { id, title, endsOn, certificates, trims, charts } = body
  const secret = newSecret()
  const shown = { certificates, trims: trims.map(({ gradingId, pictures }) => ({ gradingId, pictures })), charts }
  const row = { id, apprenticeId: actor.id, title, shown, secretHash: sha256(secret), madeAt: await clock.now(), endsOn, takenBackAt: null }
  await orTaken(db.insert(t).values(row), refuse.taken('portfolio'))
  return { path: `/portfolio/${id}/${secret}`, portfolios: await portfoliosOf(services, actor) }
}

export const stateOf = ({ endsOn, takenBackAt }: PortfolioRecord, today: string): PortfolioRow['state'] =>
  takenBackAt !== null ? 'takenBack' : endsOn < today ? 'ended' : 'open'

export async function portfoliosOf({ db, clock }: Services, actor: Me): Promise<PortfolioRow[]> {
  const today = await clock.today()
  const { timeZone } = await schoolRow(db)
  const rows = await db.select().from(t).where(eq(t.apprenticeId, actor.id)).orderBy(desc(t.madeAt))
  const ids = rows.map(({ id }) => id)
  const opens = ids.length === 0 ? [] : await db.select().from(o).where(inArray(o.portfolioId, ids)).orderBy(asc(o.at))
  return rows.map((row) => ({
    ...{ id: row.id, title: row.title, madeOn: localDate(row.madeAt, timeZone), endsOn: row.endsOn, state: stateOf(row, today) },
    ...{ certificates: row.shown.certificates.length, trims: row.shown.trims.length, charts: row.shown.charts.length },
    opened: opens.filter(({ portfolioId }) => portfolioId === row.id).map(({ reader, at }) => ({ reader, at: at.toISOString() }))
  }))
}

/** A portfolio of one's own. */
export async function ownPortfolio({ db }: Services, actor: Me, id: string): Promise<PortfolioRecord> {
  const [row] = await db
    .select()
    .from(t)
    .where(and(eq(t.id, id), eq(t.apprenticeId, actor.id)))
  if (!row) throw refuse.notFound('This portfolio')
  return row
}

export async function takeBack(services: Services, actor: Me, id: string): Promise<PortfolioRow[]> {
  const { db, clock } = services
  await ownPortfolio(services, actor, id)
  await db
    .update(t)
    .set({ takenBackAt: await clock.now() })
    .where(and(eq(t.id, id), isNull(t.takenBackAt)))
  return portfoliosOf(services, actor)
}
