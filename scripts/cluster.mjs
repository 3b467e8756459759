// A database of three nodes on loopback (Galera, in Debian's MariaDB), each of which takes writes. For npm run endure -- --cluster.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { userInfo } from 'node:os'
import { join } from 'node:path'
import { ensureProgram, freePorts, isAlive, Refusal } from './machine.mjs'
import { startMariadb } from './mariadb.mjs'

const PROVIDER = ['/usr/lib/galera/libgalera_smm.so', '/usr/lib/libgalera_smm.so']
const NODES = 3
const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms))

/**
 * Starts three nodes under `folder`.
 * @returns {Promise<{nodes: {host: string, port: number}[], user: string, password: string, allowDatabases: (prefix: string) => Promise<void>,
 *   kill: (node: number) => Promise<void>, stopOne: (node: number) => Promise<void>, open: (node: number) => Promise<void>,
 *   freeze: (node: number) => () => void, whole: () => Promise<void>, stop: () => Promise<void>}>}
 */
export async function startCluster(folder) {
  const provider = ensureProgram(PROVIDER, 'galera-4')
  ensureProgram(['/usr/bin/rsync'], 'rsync')
  // rsync hands a state over under the name of the one who runs it; as root it would do so as a stranger
  const user = userInfo().uid === 0 ? 'mysql' : userInfo().username
  const places = []
  const ports = await freePorts(NODES * 4)
  for (let i = 0; i < NODES; i++) {
    const [port, group, ist, sst] = ports.slice(i * 4)
    places.push({ folder: join(folder, `node${i + 1}`), port, group, ist, sst })
  }
  const cluster = `gcomm://${places.map(({ group }) => `127.0.0.1:${group}`).join(',')}`
  const running = []
  const start = async (i, isFirst = false) => {
    const { folder: own, port, group, ist, sst } = places[i]
    mkdirSync(own, { recursive: true, mode: 0o755 })
    // one password for all: a node that joins takes over the users of the others
    if (i > 0) writeFileSync(join(own, 'secret'), readFileSync(join(places[0].folder, 'secret')), { mode: 0o600 })
    running[i] = await startMariadb({
      ...{ folder: own, port, user, isReady },
      more: [
        ...['--wsrep-on=ON', `--wsrep-provider=${provider}`, `--wsrep-cluster-address=${cluster}`, `--wsrep-node-name=node${i + 1}`],
        ...[`--wsrep-node-address=127.0.0.1:${group}`, `--wsrep-sst-method=rsync`, `--wsrep-sst-receive-address=127.0.0.1:${sst}`],
        `--wsrep-provider-options=gmcast.listen_addr=tcp://127.0.0.1:${group};ist.recv_addr=127.0.0.1:${ist}`,
        // what is read is never older than what was answered before, on whichever node
        ...['--wsrep-sync-wait=1', '--binlog-format=ROW', '--innodb-autoinc-lock-mode=2', '--innodb-log-file-size=32M'],
        ...(isFirst ? ['--wsrep-new-cluster'] : [])
      ]
    })
  }
  for (let i = 0; i < NODES; i++) await start(i, i === 0)
  const pidOf = (i) => Number(readFileSync(join(places[i].folder, 'mariadb.pid'), 'utf8'))
  return {
    nodes: places.map(({ port }) => ({ host: '127.0.0.1', port })),
    user: running[0].user,
    password: running[0].password,
    allowDatabases: (prefix) => running[0].allowDatabases(prefix),
    kill: async (i) => {
      const pid = pidOf(i)
      process.kill(pid, 'SIGKILL')
      while (isAlive(pid)) await pause(50)
    },
    stopOne: (i) => running[i].stop(),
    open: (i) => start(i),
    freeze: (i) => {
      const pid = pidOf(i)
      process.kill(pid, 'SIGSTOP')
      return () => process.kill(pid, 'SIGCONT')
    },
    whole: async () => {
      for (let tries = 0; tries < 600; tries++) {
        const sizes = await Promise.all(running.map(({ status }) => status('wsrep_cluster_size').catch(() => '')))
        const states = await Promise.all(running.map(({ status }) => status('wsrep_local_state_comment').catch(() => '')))
        if (sizes.every((size) => size === String(NODES)) && states.every((state) => state === 'Synced')) return
        await pause(200)
      }
      throw new Refusal('The nodes did not find each other again within two minutes.')
    },
    stop: async () => {
      for (const one of running) await one.stop()
    }
  }
}

/** Does a node take writes? */
async function isReady(connection) {
  const [rows] = await connection.query("SHOW STATUS LIKE 'wsrep_ready'")
  return rows[0]?.Value === 'ON'
}
