// npm run bench: a wall of 200 apprentices by 60 techniques over 300,000 attempts, beside bare SQL over the same rows in the same run.
import { techniques } from '@peen/content'
import { standingOf, type AttemptRecord } from '@peen/core/competency'
import { randomFrom } from '@peen/core/stats'
import { connect, ensureSchool, loadContent, migrateUp, rebuildCharts, settableClock, tables, wallView } from '@peen/server'
import { sql } from 'drizzle-orm'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pino from 'pino'
import { v7 } from 'uuid'
import { freePort } from './machine.mjs'
import { startMariadb } from './mariadb.mjs'

const APPRENTICES = 200
const TECHNIQUES = 60
const EACH = 25
const ROUNDS = 9
const BATCH = 2000

const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]
async function timed(work: () => Promise<unknown>): Promise<number> {
  const times: number[] = []
  for (let round = 0; round < ROUNDS; round++) {
    const start = performance.now()
    await work()
    times.push(performance.now() - start)
  }
  return median(times)
}

const random = randomFrom(20261126)
const folder = mkdtempSync(join(tmpdir(), 'peen-bench-wall-'))
const database = await startMariadb({ folder, port: await freePort(), durable: false })
await database.createDatabase('peen_bench_wall')
const settings = { host: '127.0.0.1', port: database.port, user: database.user, password: database.password, database: 'peen_bench_wall' }
const connection = connect(settings)
try {
  await migrateUp(connection.db)
  await loadContent(connection.db)
  await connection.db.transaction((tx) => ensureSchool(tx, 'Bench'))
  const dogs = Array.from({ length: 40 }, (_, i) => ({
    ...{
      id: v7(),
      name: `Dog ${i}`,
      bodyType: 'bearded',
      coat: ['wire', 'soft wire', 'soft curly'][i % 3],
      colour: 'grey',
      withersMm: 380
    },
    ...{ canStandMin: 60, temperament: 'calm', dislikes: '', burns: [] }
  }))
  await connection.db.insert(tables.dogs).values(dogs)
  const people = Array.from({ length: APPRENTICES }, (_, i) => ({
    ...{
      id: v7(),
      givenName: `Given${i}`,
      familyName: `Family${i}`,
      username: `bench${i}`,
      passwordHash: '!',
      role: 'apprentice' as const
    },
    ...{ cohort: `Cohort ${i % 8}`, startedOn: '2025-09-01', handed: 'right', active: true }
  }))
  await connection.db.insert(tables.people).values(people)
  const ids = techniques.slice(0, TECHNIQUES).map(({ id }) => id)
  const rows = people.flatMap(({ id: apprenticeId }) =>
    ids.flatMap((techniqueId) =>
      Array.from({ length: EACH }, (_, n) => {
        const clean = random() < 0.7 + n / 100
        const onDate = new Date(Date.UTC(2025, 8, 1) + n * 8 * 86400000).toISOString().slice(0, 10)
        const body = {
          ...{
            techniqueId,
            clean,
            counts: true,
            setting: 'live' as const,
            minutes: 12,
            prompts: clean ? 0 : 2,
            faults: [],
            majorFaults: []
          },
          ...{
            help: clean ? ('alone' as const) : ('talkedThrough' as const),
            sides: 'both' as const,
            safetyEvents: 0,
            seriousSafety: false
          },
          because: clean ? '' : 'more than one prompt'
        }
        return {
          visitId: v7(),
          techniqueId,
          setting: 'live',
          apprenticeId,
          dogId: dogs[n % dogs.length].id,
          onDate,
          planMinutes: 10,
          body
        }
      })
    )
  )
  for (let from = 0; from < rows.length; from += BATCH) await connection.db.insert(tables.attempts).values(rows.slice(from, from + BATCH))
  const start = performance.now()
  await rebuildCharts(connection.db)
  const built = performance.now() - start
  const clock = settableClock(new Date('2026-04-14T09:42:00.000Z'), 'Europe/London')
  const services = { db: connection.db, clock, log: pino({ level: 'silent' }) }
  const view = await wallView(services)
  const cells = view.rows.reduce((sum, row) => sum + row.cells.length, 0)
  const wall = await timed(() => wallView(services))
  const bare = await timed(() =>
    connection.db.execute(
      sql`SELECT apprentice_id, technique_id, COUNT(*), SUM(json_value(body, '$.clean')), MAX(on_date) FROM derived_attempts GROUP BY apprentice_id, technique_id`
    )
  )
  console.log(
    `Wall of ${view.rows.length} x ${view.techniques.length} (${cells} cells) over ${rows.length} attempts: ${wall.toFixed(0)} ms; reference: counts, clean and last day of the same rows by bare SQL ${bare.toFixed(0)} ms; ${(wall / bare).toFixed(2)} x (limit 1.5, or 300 ms). Every chart made anew: ${(built / 1000).toFixed(1)} s`
  )
  const own = rows.filter(({ apprenticeId }) => apprenticeId === people[0].id)
  const records = ids.map((id) =>
    own
      .filter(({ techniqueId }) => techniqueId === id)
      .map(({ visitId, onDate, dogId, body, planMinutes }): AttemptRecord => ({
        visitId,
        onDate,
        dogId,
        dogName: 'Dog',
        coat: 'wire',
        planMinutes,
        ...body
      }))
  )
  const one = await timed(async () => {
    for (const attempts of records) standingOf({ techniqueName: 'x', attempts, passedTrimOn: null, liftedOn: null, today: '2026-04-14' })
  })
  console.log(`One apprentice, ${records.length} techniques and ${own.length} attempts, computed anew: ${one.toFixed(1)} ms (limit 20)`)
} finally {
  await connection.close()
  await database.stop()
  rmSync(folder, { recursive: true, force: true })
}
