// Serves Peen. Started by scripts/start.mjs, which has prepared the database before.
import { fileURLToPath } from 'node:url'
import { makeApp } from './app'
import { databaseClock, windDemo } from './clock'
import { connect, settingsFromEnvironment } from './db'
import { checkNightly } from './features/audit'
import { placeAll } from './features/live'
import { makeLog } from './log'

const { db, close } = connect(settingsFromEnvironment())
const log = makeLog(process.env.PEEN_LOG ?? 'warn')
const web = fileURLToPath(new URL('../../web/dist', import.meta.url))
const port = Number(process.env.PEEN_PORT ?? 4760)

await windDemo(db)
await placeAll(db)
const clock = databaseClock(db, process.env.PEEN_DEMO_CLOCK === 'stands')
const server = makeApp({ db, clock, log }, web).listen(port, '127.0.0.1', (error?: Error) => {
  if (error) {
    process.stderr.write(`Peen: the web server could not open port ${port}: ${error.message}\n`)
    process.exit(1)
  }
  process.send?.('open')
})
// a sender of one byte at a time does not hold a connection for ever
server.headersTimeout = 15_000
server.requestTimeout = 120_000
server.keepAliveTimeout = 10_000
server.maxHeadersCount = 60

const stopChecking = checkNightly({ db, clock, log })

async function stop(): Promise<void> {
  stopChecking()
  server.closeAllConnections()
  server.close()
  await close()
  process.exit(0)
}
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
process.on('disconnect', stop)
