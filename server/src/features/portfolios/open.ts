// A portfolio opened by its link, by someone who has no account.
import { sha256 } from '@peen/bundle'
import type { OpenPortfolio, PortfolioView } from '@peen/contract'
import { and, eq, gte } from 'drizzle-orm'
import { v4, validate } from 'uuid'
import { tables } from '../../db'
import { refuse, type Services } from '../../http'
import { tryFew } from '../auth'
import { stateOf } from './portfolios'
import { picturesShown, portfolioView } from './view'

const { portfolios: t, portfolioOpens: o, pictures: p } = tables

/** Wrong links from one address in a quarter of an hour. Chosen. */
const MOST_WRONG = 20
/** How long the pictures of an opened page may be read, hours. Chosen. */
const OPEN_HOURS = 8

const ENDED = {
  ended: 'This link has ended. Ask its owner for a new one.',
  takenBack: 'This link was taken back by its owner.'
} as const

export async function openPortfolio(services: Services, ip: string, { id, secret, reader }: OpenPortfolio): Promise<PortfolioView> {
  const { db, clock } = services
  const row = await tryFew(db, { kind: 'address', value: `portfolio ${ip}` }, { now: clock.real(), most: MOST_WRONG }, async () => {
    const [found] = validate(id) ? await db.select().from(t).where(eq(t.id, id)) : []
    const right = found !== undefined && found.secretHash === sha256(secret)
    return { right, value: right ? found : null }
  })
  if (!row) throw refuse.notFound('A portfolio under this link')
  const state = stateOf(row, await clock.today())
  if (state !== 'open') throw refuse.conflict('linkEnded', ENDED[state])
  const view = await portfolioView(services, row)
  const open = v4()
  await db.insert(o).values({ id: open, portfolioId: row.id, reader, at: await clock.now() })
  return { open, ...view }
}

/** A photograph, for as long as the page that it stands on may be read. */
export async function portfolioPicture(services: Services, open: string, pictureId: string): Promise<Buffer> {
  const { db, clock } = services
  const since = new Date((await clock.now()).getTime() - OPEN_HOURS * 3_600_000)
  const [row] =
    validate(open) && validate(pictureId)
      ? await db
          .select({ portfolio: t })
          .from(o)
          .innerJoin(t, eq(t.id, o.portfolioId))
          .where(and(eq(o.id, open), gte(o.at, since)))
      : []
  const isOpen = row && stateOf(row.portfolio, await clock.today()) === 'open'
  const [picture] =
    isOpen && (await picturesShown(services, row.portfolio)).has(pictureId)
      ? await db.select({ bytes: p.bytes }).from(p).where(eq(p.id, pictureId))
      : []
  if (!picture) throw refuse.notFound('This photograph')
  return picture.bytes
}
