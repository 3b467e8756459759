// Strikes a school at random while tablets tap, photographs are sent, gradings and certificates are signed, and counts what came of it. Only zero passes.
import { sql } from 'drizzle-orm'
import { v7 } from 'uuid'
import { tables } from '../../db'
import { checkAudit } from '../../features/audit'
import { derivedAgain } from '../../features/derived'
import { smallSchool, type Client, type World } from '../world'
import { ALONE, oneMachine, pause, threeNodes, TOGETHER, type Ground } from './ground'
import {
  isHalfGraded,
  isHalfIssued,
  offerCertificate,
  photograph,
  readyFinding,
  readySheet,
  sendPicture,
  signFinding,
  signSheet
} from './signing'
import { sendAll, tabletOf, tap, type Tablet, type Turned } from './tablets'

/** `lost`: acknowledged and not there. `doubled`: there twice. `foreign`: there and never sent. `halfSigned`: a signature without its result, its second or its entry. */
export type Endured = {
  readonly rounds: number
  readonly acknowledged: number
  readonly lost: number
  readonly doubled: number
  readonly foreign: number
  /** days on which both of two people got the same table for the same dog; `booked`: on which one of them did */
  readonly doubleBooked: number
  readonly booked: number
  readonly refused: readonly string[]
  /** answers of a database that was away, or whose disk was full */
  readonly turned: Turned
  readonly signed: number
  readonly issued: number
  readonly pictures: number
  readonly halfSigned: number
  readonly trail: boolean
  readonly derived: string
  /** how often each calamity struck */
  readonly met: Readonly<Record<string, number>>
  /** what could not be tried on this computer */
  readonly left: Readonly<Record<string, string | undefined>>
}

export { ALONE, TOGETHER }

/** Taps of each tablet in a round. */
const EACH = 8
/** More than what MariaDB has room for beforehand. */
const MANY_PICTURES = 4
const TABLETS = ['ivo', 'ina', 'lena']

/** Numbers from 0 to 1 that a seed decides (mulberry32). */
function drawn(seed: number): () => number {
  let a = seed
  return () => {
    a = (a + 0x6d2b79f5) | 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

export type Asked = { readonly rounds: number; readonly seed: number; readonly isCluster?: boolean; readonly say: (line: string) => void }

/** Runs so many rounds. Prints a line for each by `say`. The same seed draws the same calamities; when they strike is the machine's. */
export async function endure({ isCluster = false, ...asked }: Asked): Promise<Endured> {
  return isCluster ? endureOn(await threeNodes(), TOGETHER, asked) : endureOn(await oneMachine(asked.rounds), ALONE, asked)
}

async function endureOn<C extends string>(ground: Ground<C>, all: readonly C[], { rounds, seed, say }: Asked): Promise<Endured> {
  const draw = drawn(seed)
  const before = process.env.PEEN_TEST_DB
  process.env.PEEN_TEST_DB = JSON.stringify(ground.settings)
  const world = await smallSchool('endure').finally(() => (process.env.PEEN_TEST_DB = before))
  try {
    await offerCertificate(world)
    await ground.openServers()
    const calamities = all.filter((one) => ground.left[one] === undefined)
    for (const [one, why] of Object.entries(ground.left)) say(`not tried here: ${one}, ${why as string}`)
    const met = Object.fromEntries(all.map((one) => [one, 0])) as Record<C, number>
    const school = await schoolOf(world)
    for (let round = 1; round <= rounds; round++) {
      const calamity = calamities[round % calamities.length]!
      met[calamity]++
      await oneRound(ground, school, calamity, round, draw)
      say(
        `round ${round} of ${rounds}: ${calamity}, ${school.tablets.reduce((sum, { acknowledged }) => sum + acknowledged.size, 0)} acknowledged`
      )
    }
    return { rounds, met, left: ground.left, ...(await countOf(school)) }
  } finally {
    await world.close().catch(() => undefined)
    await ground.close()
  }
}

type School = {
  readonly world: World
  readonly tablets: readonly Tablet[]
  readonly turned: Turned
  readonly leads: readonly Client[]
  readonly visitId: string
  readonly signed: string[]
  readonly issued: string[]
  readonly pictures: string[]
}

async function schoolOf(world: World): Promise<School> {
  const turned: Turned = { away: 0, full: 0 }
  const tablets: Tablet[] = []
  for (const who of TABLETS) tablets.push(tabletOf(await world.client(who), turned))
  const leads = [await world.client('lena'), await world.client('lars')]
  return { world, tablets, turned, leads, visitId: await world.newVisit('abe'), signed: [], issued: [], pictures: [] }
}

/** Everyone works while one calamity strikes and passes; it ends when all was answered for. */
async function oneRound<C extends string>(
  ground: Ground<C>,
  school: School,
  calamity: C,
  round: number,
  draw: () => number
): Promise<void> {
  const { world, tablets, turned, leads, visitId } = school
  const way = { urls: ground.urls, turned }
  const [ivo, ina] = tablets.map(({ client }) => client)
  const offMs = calamity === 'wrongClock' ? (draw() - 0.5) * 4 * 3600000 : 0
  for (const tablet of tablets) tap(tablet, EACH, offMs)
  const sheet = round % 2 === 0 ? await readySheet(world, ivo!) : null
  const finding = round % 2 === 1 ? await readyFinding(world, ina!, ivo!, `guest${round}`) : null
  const pictures = Array.from({ length: calamity === 'diskFull' ? MANY_PICTURES : round % 5 === 0 ? 1 : 0 }, () => v7())
  const picture = pictures.length > 0 ? await photograph(round) : null
  // one visit for each: a later picture of the same side takes the place of the one before
  const albums = await Promise.all(pictures.map(async (as) => ({ as, visit: await world.newVisit('abe') })))
  // a disk is full before the work of the round begins; all else strikes in its midst
  const full = calamity === 'diskFull' ? await ground.strikes[calamity](draw) : null
  const strike = async () => {
    if (full) {
      // it stays full until one of them has run into it: on a slow machine that takes a while
      const before = turned.full
      for (let waited = 0; turned.full === before && waited < FULL_AT_MOST_MS; waited += LOOK_MS) await pause(LOOK_MS)
      return full()
    }
    await pause(draw() * 150)
    const mend = await ground.strikes[calamity](draw)
    await pause(draw() * 200)
    await mend()
  }
  const how = { isCut: calamity === 'cut', tabs: calamity === 'twoTabs' ? 2 : 1, isReloaded: calamity === 'reloaded' }
  await Promise.all([
    strike(),
    bookAtOnce(ground.urls, school, round),
    ...tablets.map((tablet) => sendAll(ground.urls, visitId, tablet, draw, how)),
    sheet && signSheet(way, ivo!, sheet),
    finding && signFinding(way, leads, finding),
    picture && Promise.all(albums.map(({ as, visit }) => sendPicture(way, ivo!, visit, as, picture)))
  ])
  if (sheet) school.signed.push(sheet.id)
  if (finding) school.issued.push(finding)
  school.pictures.push(...pictures)
}

const LOOK_MS = 250
const FULL_AT_MOST_MS = 60000

/** Days that two people want in a round: one race is seldom close enough to be lost. */
const WANTED = 6
/** Each has a date of its own, far ahead of all clocks here. */
const dayWanted = (round: number, i: number) => new Date(Date.UTC(2031, 0, 1 + round * WANTED + i)).toISOString().slice(0, 10)

/** Two people plan the same in the same moment, each at another server where there are two. */
async function bookAtOnce(urls: readonly string[], { world, leads }: School, round: number): Promise<void> {
  const { abe: apprenticeId, flint: dogId, table: tableId } = world.ids
  const wanted = { apprenticeId, dogId, tableId, standardId: 'bearded-pet', weeksSince: 6, wishes: '' }
  const book = (by: Client, url: string, onDate: string) => {
    const body = JSON.stringify({ id: v7(), ...wanted, onDate })
    const init = { method: 'POST', headers: { ...by.headers, 'content-type': 'application/json' }, body }
    return fetch(`${url}/visits`, { ...init, signal: AbortSignal.timeout(30000) }).catch(() => null)
  }
  for (let i = 0; i < WANTED; i++) await Promise.all(leads.map((by, n) => book(by, urls[n % urls.length]!, dayWanted(round, i))))
}

async function countOf({ world, tablets, turned, visitId, signed, issued, pictures }: School) {
  const [rows] = (await world.db.execute(
    sql`SELECT id, JSON_VALUE(payload, '$.text') AS text FROM practice_events WHERE visit_id = ${visitId}`
  )) as unknown as [{ id: string; text: string }[]]
  const there = new Set(rows.map(({ id }) => id))
  const shot = new Set((await world.db.select({ id: tables.pictures.id }).from(tables.pictures)).map(({ id }) => id))
  const all = (of: (tablet: Tablet) => Iterable<string>) => tablets.flatMap((tablet) => [...of(tablet)])
  const acknowledged = all((tablet) => tablet.acknowledged)
  const sent = new Set(all((tablet) => tablet.sent))
  const [days] = (await world.db.execute(
    sql`SELECT on_date, COUNT(*) AS many FROM visits WHERE on_date >= '2031-01-01' GROUP BY on_date`
  )) as unknown as [{ many: number }[]]
  const halves = [
    ...(await Promise.all(signed.map((id) => isHalfGraded(world, id)))),
    ...(await Promise.all(issued.map((id) => isHalfIssued(world, id))))
  ]
  return {
    ...{ refused: all(({ refused }) => refused.values()), signed: signed.length, issued: issued.length, pictures: pictures.length },
    turned,
    acknowledged: acknowledged.length,
    lost:
      acknowledged.filter((id) => !there.has(id)).length +
      tablets.reduce((n, { kept }) => n + kept.length, 0) +
      pictures.filter((id) => !shot.has(id)).length,
    doubled: rows.length - new Set(rows.map(({ text }) => text)).size + (shot.size - pictures.length),
    booked: days.length,
    doubleBooked: days.filter(({ many }) => Number(many) > 1).length,
    foreign: rows.filter(({ id }) => !sent.has(id)).length,
    halfSigned: halves.filter(Boolean).length,
    trail: (await checkAudit(world.db)).whole,
    derived: await derivedAgain(world.db)
  }
}
