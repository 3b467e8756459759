// Serves Peen. Started by scripts/start.mjs, which has prepared the database before.
import { fileURLToPath } from 'node:url'
import { makeApp } from './app'
import { backupsOf } from './backup'
import { databaseClock, windDemo } from './clock'
import { connect, settingsFromEnvironment } from './db'
import { checkNightly } from './features/audit'
import { placeAll } from './features/live'
import { makeLog } from './log'
import { listen, reachOf, roomNames } from './room'

const { db, close } = connect(settingsFromEnvironment())
const log = makeLog(process.env.PEEN_LOG ?? 'warn')
/** The built application: our own, or one that was built elsewhere. */
const web = process.env.PEEN_WEB ?? fileURLToPath(new URL('../../web/dist', import.meta.url))
const port = Number(process.env.PEEN_PORT ?? 4760)

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
const app = makeApp({ db, clock, log, backups }, web, { hosts, proxied: reach.publicUrl !== null })
const listening = await listen(app, reach, port).catch((error: Error) => {
  process.stderr.write(`Peen: the web server could not open port ${port}: ${error.message}\n`)
  process.exit(1)
})
process.send?.({ says: listening.says })

const stopChecking = checkNightly({ db, clock, log })

async function stop(): Promise<void> {
  stopChecking()
  backups?.stop()
  listening.close()
  await close()
  process.exit(0)
}
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
process.on('disconnect', stop)

/** A setting that is wrong ends the start with its sentence. */
function sayOrStop<T>(read: () => T): T {
  try {
    return read()
  } catch (error) {
    process.stderr.write(`Peen: ${(error as Error).message}\n`)
    process.exit(1)
  }
}
