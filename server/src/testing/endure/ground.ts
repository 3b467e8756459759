// What is struck: a server with its database, or two servers over a database of three nodes. Each may be killed, and comes back.
import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { chmodSync, closeSync, mkdtempSync, openSync, readFileSync, rmSync, writeSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { startCluster } from '../../../../scripts/cluster.mjs'
import { freePort } from '../../../../scripts/machine.mjs'
import { startMariadb } from '../../../../scripts/mariadb.mjs'
import type { DatabaseSettings } from '../../db'

export type Strike = () => Promise<void>
export type Ground<Calamity extends string> = {
  readonly settings: Omit<DatabaseSettings, 'database'>
  /** where its servers answer; a tablet that gets no answer tries the next */
  readonly urls: readonly string[]
  /** begins a calamity; what it returns mends it */
  readonly strikes: Readonly<Record<Calamity, (draw: () => number) => Promise<Strike>>>
  /** those that this computer does not allow, with why */
  readonly left: Readonly<Partial<Record<Calamity, string>>>
  readonly openServers: () => Promise<void>
  readonly close: () => Promise<void>
}

const ROOT = fileURLToPath(new URL('../../../..', import.meta.url))
export const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
const DATABASE = 'peen_test_endure'
const nothing = async (): Promise<Strike> => async () => undefined

/** A server over a database. `kill` ends it as the kernel does. */
async function serverOver(settings: Omit<DatabaseSettings, 'database'>) {
  const port = await freePort()
  const PEEN_DB = JSON.stringify({ ...settings, database: DATABASE })
  let child: ChildProcess | null = null
  const open = async () => {
    const env = { ...process.env, NODE_ENV: 'production', PEEN_PORT: String(port), PEEN_DB, PEEN_LOG: 'silent', PEEN_DEMO_CLOCK: 'stands' }
    // a database that is away at this moment ends the start, as it does for a school: the starter begins again
    for (let said = false; !said;) {
      const one = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
        ...{ cwd: ROOT, env, stdio: ['ignore', 'ignore', 'inherit', 'ipc'] }
      })
      child = one
      said = await new Promise<boolean>((resolve) => {
        one.once('message', () => resolve(true))
        one.once('exit', () => resolve(false))
      })
      if (!said) await pause(500)
    }
  }
  const kill = async () => {
    if (!child || child.exitCode !== null || child.signalCode !== null) return
    const ended = new Promise((resolve) => child!.once('exit', resolve))
    child.kill('SIGKILL')
    await ended
  }
  return { url: `http://127.0.0.1:${port}/api`, open, kill }
}

/** So large is the disk of a database that is to run full, MB: room for what MariaDB lays out beforehand, and for what each round leaves. */
const diskMb = (rounds: number) => 260 + 2 * rounds

/** A disk of its own under a folder; null where this computer lets no one mount one, with why. */
function smallDisk(folder: string, mb: number): string | null {
  const run = spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${mb}m`, 'tmpfs', folder], { encoding: 'utf8' })
  return run.status === 0 ? null : `no small disk could be mounted: ${(run.stderr ?? run.error?.message ?? '').trim()}`
}

/** Fills the disk of a folder to the last byte. */
function fill(folder: string): Strike {
  const path = join(folder, 'filler')
  const file = openSync(path, 'w')
  for (let size = 1 << 20; size >= 512;) {
    try {
      if (writeSync(file, Buffer.alloc(size)) < size) size >>= 1
    } catch {
      size >>= 1
    }
  }
  closeSync(file)
  return async () => rmSync(path)
}

export const ALONE = [
  ...(['none', 'serverKilled', 'databaseKilled', 'bothKilled', 'cut', 'wrongClock', 'twoTabs', 'reloaded', 'diskFull'] as const)
]
export type Alone = (typeof ALONE)[number]

/** One server and its database. */
export async function oneMachine(rounds: number): Promise<Ground<Alone>> {
  const folder = mkdtempSync(join(tmpdir(), 'peen-endure-'))
  const noDisk = smallDisk(folder, diskMb(rounds))
  const port = await freePort()
  let database: Awaited<ReturnType<typeof startMariadb>>
  const more = ['--innodb-log-file-size=16M']
  const openDatabase = async () => void (database = await startMariadb({ folder, port, durable: true, more }))
  await openDatabase()
  await database!.allowDatabases('peen_test_')
  const { user, password } = database!
  const settings = { host: '127.0.0.1', port, user, password }
  const server = await serverOver(settings)
  const killDatabase = async () => {
    process.kill(Number(readFileSync(join(folder, 'mariadb.pid'), 'utf8')), 'SIGKILL')
    await pause(300)
  }
  return {
    ...{ settings, urls: [server.url], openServers: server.open, left: noDisk === null ? {} : { diskFull: noDisk } },
    strikes: {
      ...{ none: nothing, cut: nothing, wrongClock: nothing, twoTabs: nothing, reloaded: nothing },
      serverKilled: async () => (await server.kill(), server.open),
      databaseKilled: async () => (await killDatabase(), openDatabase),
      bothKilled: async () => {
        await Promise.all([server.kill(), killDatabase()])
        return async () => (await openDatabase(), await server.open())
      },
      diskFull: async (draw) => {
        const empty = fill(folder)
        return async () => {
          await pause(1500 + draw() * 1500)
          await empty()
        }
      }
    },
    close: async () => {
      await server.kill()
      await database.stop()
      if (noDisk === null) spawnSync('umount', [folder])
      rmSync(folder, { recursive: true, force: true })
    }
  }
}

export const TOGETHER = [
  ...(['none', 'nodeKilled', 'nodeFrozen', 'nodeStopped', 'serverKilled', 'cut', 'wrongClock', 'twoTabs', 'reloaded'] as const)
]
export type Together = (typeof TOGETHER)[number]

/** Longer than the others wait for a silent node before they go on without it (evs.suspect_timeout, 5 s), ms. */
const FROZEN_MS = 8000

/** Two servers over three nodes; one of the nodes may be lost at any time. */
export async function threeNodes(): Promise<Ground<Together>> {
  const folder = mkdtempSync(join(tmpdir(), 'peen-cluster-'))
  // the nodes run as a user of their own where this is root
  chmodSync(folder, 0o755)
  const cluster = await startCluster(folder)
  await cluster.allowDatabases('peen_test_')
  const [first, ...others] = cluster.nodes
  const settings = { ...first!, others, user: cluster.user, password: cluster.password }
  // as at two sites: each asks the node of its own first
  const servers = [await serverOver(settings), await serverOver({ ...settings, ...others[0]!, others: [others[1]!, first!] })]
  const one = <T>(list: readonly T[], draw: () => number) => list[Math.floor(draw() * list.length)]!
  const whichNode = (draw: () => number) => Math.floor(draw() * cluster.nodes.length)
  return {
    ...{
      settings,
      urls: servers.map(({ url }) => url),
      left: {},
      openServers: async () => void (await Promise.all(servers.map(({ open }) => open())))
    },
    strikes: {
      ...{ none: nothing, cut: nothing, wrongClock: nothing, twoTabs: nothing, reloaded: nothing },
      nodeKilled: async (draw) => {
        const node = whichNode(draw)
        await cluster.kill(node)
        return () => cluster.open(node)
      },
      nodeStopped: async (draw) => {
        const node = whichNode(draw)
        await cluster.stopOne(node)
        return () => cluster.open(node)
      },
      nodeFrozen: async (draw) => {
        const thaw = cluster.freeze(whichNode(draw))
        await pause(FROZEN_MS)
        return async () => (thaw(), await cluster.whole())
      },
      serverKilled: async (draw) => {
        const server = one(servers, draw)
        await server.kill()
        return server.open
      }
    },
    close: async () => {
      await Promise.all(servers.map(({ kill }) => kill()))
      await cluster.stop()
      rmSync(folder, { recursive: true, force: true })
    }
  }
}
