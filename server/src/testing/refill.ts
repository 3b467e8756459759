// Puts a database back to what another one holds. For tests: the demo is played once, and copied from there.
import { spawnSync } from 'node:child_process'
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

const asked = (settings: DatabaseSettings, query: string): readonly string[] => {
  const { status, stdout, stderr } = client(settings, ['-N', '-B', '-e', query])
  if (status !== 0) throw new Error(`${settings.database}: ${stderr.toString()}`)
  return stdout.toString().trim().split('\n').filter(Boolean)
}

/**
 * Brings a database back to what another of the same shape holds; a server that has it open may go on. Tables are compared by their
 * checksum, and only those that differ are filled again: pouring a dump takes the database seconds. Throws with what the client said.
 */
export function refill(settings: DatabaseSettings, from: string): void {
  waitForQuiet(settings)
  const pristine = { ...settings, database: from }
  const tables = asked(pristine, 'SHOW TABLES')
  const sums = (of: DatabaseSettings) =>
    new Map(
      asked(of, `CHECKSUM TABLE ${tables.join(', ')}`)
        .map((line) => line.split('\t') as [string, string])
        .map(([t, sum]) => [t.split('.')[1], sum])
    )
  const [was, is] = [sums(pristine), sums(settings)]
  const changed = tables.filter((table) => was.get(table) !== is.get(table))
  if (changed.length === 0) return
  const again = changed.map((table) => `TRUNCATE ${table}; INSERT INTO ${table} SELECT * FROM ${from}.${table};`)
  asked(settings, `SET foreign_key_checks = 0; ${again.join(' ')}`)
}

/** Moves the standing clock of a demo on, by minutes; whoever listens is told that the day has changed. */
export function passMinutes(settings: DatabaseSettings, minutes: number): void {
  const { status, stderr } = client(settings, ['-e', `UPDATE school SET demo_now = demo_now + INTERVAL ${Math.round(minutes)} MINUTE`])
  if (status !== 0) throw new Error(`the clock of ${settings.database} could not be moved: ${stderr.toString()}`)
}
