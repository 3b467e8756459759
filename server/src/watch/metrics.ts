// What a school's Peen is doing, in numbers for Prometheus. Names end in their unit; nothing in them tells of a person or a dog.
import { count, isNull } from 'drizzle-orm'
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client'
import { tables, type Database } from '../db'
import { lastChecks } from '../features/audit'
import type { Services } from '../http'

/** Upper ends of the classes in which answers are counted, seconds. */
const CLASSES_S = [0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10]

export type Metrics = {
  readonly registry: Registry
  /** a request was answered */
  readonly answered: (endpoint: string, status: number, seconds: number) => void
  /** a query took longer than it should */
  readonly slow: () => void
}

type Watched = Pick<Services, 'db' | 'clock' | 'backups'> & { readonly streams: () => number }

export function makeMetrics(watched: Watched): Metrics {
  const registry = new Registry()
  const registers = [registry]
  collectDefaultMetrics({ register: registry })
  const requests = new Histogram({
    ...{ name: 'peen_request_duration_seconds', help: 'Answers by endpoint and status.', labelNames: ['endpoint', 'status'], registers },
    buckets: CLASSES_S
  })
  const slow = new Counter({
    name: 'peen_slow_queries_total',
    help: 'Queries that took longer than half a second; the log names them.',
    registers
  })
  for (const { name, help, read } of gauges(watched))
    new Gauge({
      ...{ name, help, registers },
      async collect() {
        // what cannot be read is told by peen_database_up, and is no number
        this.set((await read().catch(() => null)) ?? NaN)
      }
    })
  return {
    registry,
    answered: (endpoint, status, seconds) => requests.observe({ endpoint, status: String(status) }, seconds),
    slow: () => slow.inc()
  }
}

type Read = { readonly name: string; readonly help: string; readonly read: () => Promise<number | null> }

function gauges({ db, clock, backups, streams }: Watched): readonly Read[] {
  const ageS = (at: string | undefined) => (at === undefined ? null : Math.max(0, (clock.real().getTime() - Date.parse(at)) / 1000))
  const checked = async () => (await lastChecks(db, 1))[0]
  return [
    { name: 'peen_streams', help: 'Tablets that listen now.', read: async () => streams() },
    { name: 'peen_events_waiting', help: 'Events that are kept and not told to the tablets yet.', read: () => waiting(db) },
    { name: 'peen_database_up', help: '1 while the database answers.', read: async () => ((await isUp(db)) ? 1 : 0) },
    {
      name: 'peen_trail_whole',
      help: '1 if the last check found every entry of the trail as it was.',
      read: async () => bit((await checked())?.whole)
    },
    { name: 'peen_trail_entries', help: 'Entries of the trail at its last check.', read: async () => (await checked())?.entries ?? null },
    { name: 'peen_trail_check_age_seconds', help: 'Time since the trail was checked.', read: async () => ageS((await checked())?.at) },
    { name: 'peen_backup_age_seconds', help: 'Time since the last backup.', read: async () => ageS(backups?.view().backups[0]?.at) },
    {
      name: 'peen_backup_proven',
      help: '1 if the last backup was restored once and nothing differed.',
      read: async () => bit(provenLast(backups))
    }
  ]
}

const bit = (is: boolean | undefined) => (is === undefined ? null : is ? 1 : 0)

function provenLast(backups: Services['backups']): boolean | undefined {
  const [last] = backups?.view().backups ?? []
  return last && last.proof !== null && last.proof.trail && last.proof.derived !== 'other'
}

async function waiting(db: Database): Promise<number> {
  const [row] = await db.select({ n: count() }).from(tables.events).where(isNull(tables.events.position))
  return row!.n
}

/** Does the database answer a question about the school within two seconds? */
export async function isUp(db: Database): Promise<boolean> {
  const late = new Promise<false>((resolve) => setTimeout(() => resolve(false), 2000).unref())
  return Promise.race([
    db
      .select({ id: tables.school.id })
      .from(tables.school)
      .limit(1)
      .then(
        () => true,
        () => false
      ),
    late
  ])
}
