// The calendar as a file, and by an address that its owner can withdraw.
import { sha256 } from '@peen/bundle'
import type { FeedMade, FeedRow, Me, NewFeed } from '@peen/contract'
import { shiftDay } from '@peen/core/day'
import { and, asc, eq, isNull } from 'drizzle-orm'
import { randomBytes } from 'node:crypto'
import { validate } from 'uuid'
import { localDate } from '../../clock'
import { inTransaction, orTaken, tables, type Reader } from '../../db'
import { refuse, type Services } from '../../http'
import { wordsIn } from '../../words'
import { tryFew } from '../auth'
import { schoolRow } from '../school'
import { bringMarks, icsOf, isForAll } from './ics'
import { itemsIn, readableBy } from './items'

const { feeds: t, people: p } = tables

/** From when and how far ahead a file goes, days. Chosen: last month's for the record, a year for what is planned. */
const SPAN = Object.freeze({ back: 31, ahead: 366 })
/** What is gone is told for so many days: by then every calendar has asked. Chosen. */
const GONE_DAYS = 62
/** Addresses of one person that are open at once. Chosen. */
const MOST_FEEDS = 10
/** Wrong addresses from one place in a quarter of an hour. Chosen. */
const MOST_WRONG = 30

type Reads = Pick<Me, 'id' | 'role'> & { readonly language: string }

/** A person's calendar as a file. */
export async function calendarFile({ db, clock }: Services, who: Reads): Promise<string> {
  const [now, today] = [await clock.now(), await clock.today()]
  const span = { from: shiftDay(today, -SPAN.back), to: shiftDay(today, SPAN.ahead) }
  const school = await schoolRow(db)
  return inTransaction(db, async (tx) => {
    const held = await itemsIn(tx, span)
    const marks = await bringMarks(tx, held, { from: span.from, now })
    const since = new Date(now.getTime() - GONE_DAYS * 86_400_000)
    const gone = [...marks.values()].filter(
      ({ uid, goneAt, personId }) =>
        goneAt !== null && goneAt >= since && (who.role !== 'apprentice' || personId === who.id || isForAll(uid))
    )
    const words = wordsIn(who.language)
    return icsOf({ name: school.name, timeZone: school.timeZone, items: readableBy(who, held), marks, gone, t: words })
  })
}

export async function feedsOf({ db }: Services, actor: Me): Promise<readonly FeedRow[]> {
  const rows = await db.select().from(t).where(eq(t.personId, actor.id)).orderBy(asc(t.madeAt), asc(t.id))
  const { timeZone } = await schoolRow(db)
  return rows.map(({ id, name, madeAt, lastReadAt, withdrawnAt }) => ({
    ...{ id, name, madeOn: localDate(madeAt, timeZone), lastReadAt: lastReadAt?.toISOString() ?? null, withdrawn: withdrawnAt !== null }
  }))
}

export async function makeFeed(services: Services, actor: Me, { id, name }: NewFeed): Promise<FeedMade> {
  const { db, clock } = services
  const open = (await feedsOf(services, actor)).filter(({ withdrawn }) => !withdrawn).length
  if (open >= MOST_FEEDS)
    throw refuse.conflict('tooMany', `You have ${open} addresses; there can be ${MOST_FEEDS}. Withdraw one first. Nothing was changed.`)
  // 144 bits, which no one guesses
  const secret = randomBytes(18).toString('base64url')
  const row = { id, personId: actor.id, name, secretHash: sha256(secret), madeAt: await clock.now() }
  await orTaken(db.insert(t).values(row), refuse.taken('address'))
  return { path: `/api/feed/${id}/${secret}.ics`, feeds: await feedsOf(services, actor) }
}

export async function withdrawFeed(services: Services, actor: Me, id: string): Promise<readonly FeedRow[]> {
  const { db, clock } = services
  const [own] = await db
    .select({ id: t.id })
    .from(t)
    .where(and(eq(t.id, id), eq(t.personId, actor.id)))
  if (!own) throw refuse.notFound('This address')
  await db
    .update(t)
    .set({ withdrawnAt: await clock.now() })
    .where(and(eq(t.id, id), isNull(t.withdrawnAt)))
  return feedsOf(services, actor)
}

/** A calendar by its address; withdrawn addresses, and those of people who have left, are ended. */
export async function readFeed(services: Services, ip: string, id: string, given: string): Promise<string> {
  const { db, clock } = services
  const secret = given.replace(/\.ics$/, '')
  const row = await tryFew(db, { kind: 'address', value: `feed ${ip}` }, { now: clock.real(), most: MOST_WRONG }, async () => {
    const found = validate(id) ? await feedRow(db, id) : undefined
    const right = found !== undefined && found.feed.secretHash === sha256(secret)
    return { right, value: right ? found : null }
  })
  if (!row) throw refuse.notFound('A calendar under this address')
  const { feed, person } = row
  if (feed.withdrawnAt !== null || !person.active)
    throw refuse.conflict('linkEnded', 'This address was withdrawn. Remove this calendar, and ask its owner for a new address.')
  const text = await calendarFile(services, { id: person.id, role: person.role, language: person.settings?.language ?? 'en-GB' })
  await db
    .update(t)
    .set({ lastReadAt: await clock.now() })
    .where(eq(t.id, feed.id))
  return text
}

async function feedRow(db: Reader, id: string) {
  const [row] = await db.select({ feed: t, person: p }).from(t).innerJoin(p, eq(p.id, t.personId)).where(eq(t.id, id))
  return row
}
