// Puts a database back to what a dump holds. For tests: loading the demo once and pouring it out is cheaper than playing it again.
import { spawnSync } from 'node:child_process'
import { openSync } from 'node:fs'
import type { DatabaseSettings } from '../db'

/** Waits until nobody asks the database anything: a page that was closed may still have its answer written. Five seconds at most. */
function waitForQuiet(settings: DatabaseSettings): void {
  const busy = `SELECT COUNT(*) FROM information_schema.processlist WHERE db = '${settings.database}' AND command <> 'Sleep'`
  let quiet = 0
  for (let tries = 0; tries < 50 && quiet < 3; tries++) {
    quiet =
      client({ ...settings, database: 'information_schema' }, ['-N', '-e', busy])
        .stdout.toString()
        .trim() === '0'
        ? quiet + 1
        : 0
    Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 100)
  }
}

function client({ host, port, user, password, database }: DatabaseSettings, more: readonly string[], from: number | 'ignore' = 'ignore') {
  return spawnSync('mariadb', ['--no-defaults', `--host=${host}`, `--port=${port}`, `--user=${user}`, ...more, database], {
    stdio: [from, 'pipe', 'pipe'],
    env: { ...process.env, MYSQL_PWD: password }
  })
}

/** Every table of the dump is dropped and made again; a server that has the database open may go on. Throws with what the client said. */
export function refill(settings: DatabaseSettings, dump: string): void {
  waitForQuiet(settings)
  const { status, stderr } = client(settings, [], openSync(dump, 'r'))
  if (status !== 0) throw new Error(`${settings.database} could not be filled from ${dump}: ${stderr.toString()}`)
}

/** Moves the standing clock of a demo on, by minutes; whoever listens is told that the day has changed. */
export function passMinutes(settings: DatabaseSettings, minutes: number): void {
  const { status, stderr } = client(settings, ['-e', `UPDATE school SET demo_now = demo_now + INTERVAL ${Math.round(minutes)} MINUTE`])
  if (status !== 0) throw new Error(`the clock of ${settings.database} could not be moved: ${stderr.toString()}`)
}
