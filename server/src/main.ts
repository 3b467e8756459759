// Serves Peen. Started by scripts/start.mjs, which has prepared the database before.
import { fileURLToPath } from 'node:url'
import { makeApp } from './app'
import { backupsOf } from './backup'
import { databaseClock, windDemo } from './clock'
import { checkDatabase, connect, settingsFromEnvironment } from './db'
import { checkNightly } from './features/audit'
import { signHead } from './features/credentials'
import { placeAll, streamsOf } from './features/live'
import { makeLog } from './log'
import { listen, reachOf, roomNames } from './room'
import { makeMetrics, openWatch, SLOW_MS, type Metrics } from './watch'

const log = makeLog(process.env.PEEN_LOG ?? 'warn', process.env.PEEN_LOGS)
const settings = settingsFromEnvironment()
// queries are slow before anything is counted, too: a start has the longest of all
let metrics: Metrics | null = null
const { db, close } = connect(settings, {
  heard: (query, ms) => {
    if (ms < SLOW_MS) return
    metrics?.slow()
    log.warn({ query: query.slice(0, 400), ms: Math.round(ms) }, 'a slow query')
  }
})
/** The built application: our own, or one that was built elsewhere. */
const web = process.env.PEEN_WEB ?? fileURLToPath(new URL('../../web/dist', import.meta.url))
const port = Number(process.env.PEEN_PORT ?? 4760)

await checkDatabase(settings).catch(giveUp)
await windDemo(db)
await placeAll(db)
const clock = databaseClock(db, process.env.PEEN_DEMO_CLOCK === 'stands')
const reach = sayOrStop(() => reachOf(process.env))
const hosts = () => [...(reach.room ? roomNames() : []), ...(reach.publicUrl ? [reach.publicUrl.hostname] : [])]
const backups = process.env.PEEN_BACKUPS
  ? backupsOf(
      {
        folder: process.env.PEEN_BACKUPS,
        second: process.env.PEEN_BACKUP_TO || null,
        // the demo is invented, and made again by its own program
        isNightly: process.env.PEEN_BACKUP_NIGHTLY === 'yes'
      },
      log
    )
  : undefined
const services = { db, clock, log, backups, keys: process.env.PEEN_KEYS || undefined, publicUrl: reach.publicUrl?.origin ?? null }
metrics = makeMetrics({ ...services, streams: () => streamsOf(services) })
const app = makeApp(services, web, { hosts, proxied: reach.publicUrl !== null, metrics })
const listening = await listen(app, reach, port).catch((error: Error) =>
  giveUp(new Error(`the web server could not open port ${port}: ${error.message}`))
)
const watchPort = Number(process.env.PEEN_WATCH_PORT ?? 0)
const closeWatch = watchPort > 0 ? await openWatch(services, metrics, watchPort).catch(noWatch) : () => undefined
process.send?.({ says: listening.says })

const stopChecking = checkNightly({ db, clock, log }, () => signHead(services))

async function stop(): Promise<void> {
  stopChecking()
  closeWatch()
  backups?.stop()
  listening.close()
  await close()
  process.exit(0)
}
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
process.on('disconnect', stop)

/** A school opens without being watched, too. */
function noWatch(error: Error): () => void {
  log.warn('/healthz and /metrics could not be opened on port %d: %s', watchPort, error.message)
  return () => undefined
}

/** A setting that is wrong ends the start with its sentence. */
function sayOrStop<T>(read: () => T): T {
  try {
    return read()
  } catch (error) {
    return giveUp(error as Error)
  }
}

function giveUp(error: Error): never {
  process.stderr.write(`Peen: ${error.message}\n`)
  process.exit(1)
}
