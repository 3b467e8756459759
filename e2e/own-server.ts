// A server of a test's own over its worker's demo: it may be stopped and started again while pages are open.
import { spawn } from 'node:child_process'
import { mine } from './app'

export type OwnServer = { readonly start: () => Promise<void>; readonly stop: () => Promise<void> }

/** Whether the runner lends its database; when a person's own Peen is driven it does not. */
export const hasOwnDatabase = (): boolean => Boolean(process.env.PEEN_TEST_DB && process.env.PEEN_E2E_DATABASE)

/** `env`: what the server is told besides its database, as PEEN_ROOM or PEEN_WEB. Started by `start`. */
export function ownServer(port: number, env: Readonly<Record<string, string>> = {}): OwnServer {
  const PEEN_DB = JSON.stringify({ ...JSON.parse(process.env.PEEN_TEST_DB!), database: mine(process.env.PEEN_E2E_DATABASE!) })
  const told = { ...process.env, NODE_ENV: 'production', PEEN_DEMO_CLOCK: 'stands', PEEN_PORT: String(port), PEEN_DB, ...env }
  let stop: () => Promise<void> = async () => undefined
  return {
    start: async () => {
      const child = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
        env: told,
        stdio: ['ignore', 'inherit', 'inherit', 'ipc']
      })
      const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()))
      stop = async () => {
        child.kill('SIGTERM')
        await ended
      }
      await Promise.race([
        new Promise((resolve) => child.once('message', resolve)),
        ended.then(() => Promise.reject(new Error('the server of this test ended before it listened')))
      ])
    },
    stop: () => stop()
  }
}
