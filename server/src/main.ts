// Serves Peen. Started by scripts/start.mjs, which has prepared the database before.
import { fileURLToPath } from 'node:url'
import { makeApp } from './app'
import { databaseClock, windDemo } from './clock'
import { connect, settingsFromEnvironment } from './db'
import { checkNightly } from './features/audit'
import { placeAll } from './features/live'
import { serverFor } from './http'
import { makeLog } from './log'

const { db, close } = connect(settingsFromEnvironment())
const log = makeLog(process.env.PEEN_LOG ?? 'warn')
const web = fileURLToPath(new URL('../../web/dist', import.meta.url))
const port = Number(process.env.PEEN_PORT ?? 4760)

await windDemo(db)
await placeAll(db)
const clock = databaseClock(db, process.env.PEEN_DEMO_CLOCK === 'stands')
const server = serverFor(makeApp({ db, clock, log }, web))
server.on('error', (error) => {
  process.stderr.write(`Peen: the web server could not open port ${port}: ${error.message}\n`)
  process.exit(1)
})
server.listen(port, '127.0.0.1', () => process.send?.('open'))

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
