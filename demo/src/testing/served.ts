// The demo's year, served to a test that signs in and asks.
import { connect, databaseClock, makeApp, type Connection } from '@peen/server'
import { mkdtempSync, rmSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pino from 'pino'
import { refill } from '../../../server/src/testing/refill'
import { freshDatabase, patientFetch } from '../../../server/src/testing/world'
import { PASSWORD } from '../cast'
import { playDemo } from '../play'

export type ServedDemo = {
  readonly fresh: Connection
  /** what the lead is answered; throws where it is refused */
  readonly get: (path: string) => Promise<unknown>
  /** signs another person in, and asks as they would */
  readonly as: (username: string) => Promise<(path: string) => Promise<unknown>>
  /** signs a person in; what they ask, or post where there is a body, is answered as it comes */
  readonly signIn: (username: string) => Promise<(path: string, body?: object) => Promise<Response>>
  readonly close: () => Promise<void>
}

type Served = {
  /** a lead's user name */
  readonly as?: string
  readonly logQuery?: (query: string, values: unknown[]) => void
}

/** A copy of the demo's database under a name of its own, served on a free port. */
export async function servedDemo(name: string, { as = 'ottilie', logQuery = () => undefined }: Served = {}): Promise<ServedDemo> {
  const fresh = await freshDatabase(name)
  const played = process.env.PEEN_TEST_DEMO
  const settings = { ...JSON.parse(process.env.PEEN_TEST_DB!), database: `peen_test_${name}` }
  if (played) refill(settings, played)
  else await playDemo(fresh.db)
  const listened = connect(settings, { logQuery })
  const keys = mkdtempSync(join(tmpdir(), 'peen-keys-'))
  const app = makeApp(
    { db: listened.db, clock: databaseClock(listened.db, true), log: pino({ level: 'silent' }), keys, solverSeconds: 120 },
    null
  )
  const server = app.listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`
  const signedIn = async (username: string) => {
    const headers = { 'content-type': 'application/json' }
    const answer = await fetch(`${url}/sign-in`, { method: 'POST', headers, body: JSON.stringify({ username, password: PASSWORD }) })
    const cookie = answer.headers.getSetCookie()[0].split(';')[0]
    const { csrf } = (await answer.json()) as { csrf: string }
    return (path: string, body?: object): Promise<Response> =>
      patientFetch(url + path, {
        headers: { ...headers, cookie, 'x-peen-csrf': csrf },
        ...(body && { method: 'POST', body: JSON.stringify(body) })
      })
  }
  const asPerson = async (username: string) => {
    const ask = await signedIn(username)
    return async (path: string): Promise<unknown> => {
      const answer = await ask(path)
      if (!answer.ok) throw new Error(`${path}: ${answer.status}`)
      return answer.json()
    }
  }
  return {
    fresh,
    get: await asPerson(as),
    as: asPerson,
    signIn: signedIn,
    close: async () => {
      server.closeAllConnections()
      server.close()
      await Promise.all([fresh.close(), listened.close()])
      rmSync(keys, { recursive: true, force: true })
    }
  }
}
