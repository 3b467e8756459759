// A database of several nodes, each of which takes writes: the first that answers is used, and a lock on one holds on all.
import mysql, { type ConnectionOptions, type Pool, type PoolConnection } from 'mysql2/promise'
import { createHash } from 'node:crypto'

export type Node = { readonly host: string; readonly port: number }

/** A node that did not answer is asked again after so long, ms. */
const ASKED_AGAIN_MS = 3000
/** A node that takes no connection within this time counts as lost, ms. */
const CONNECT_MS = 3000

/** What a lock is known by on every node: the rows that it asks for, whatever it reads of them. */
export function holdName(query: string, values: readonly unknown[]): string {
  const rows = query.slice(query.toLowerCase().indexOf(' from '))
  return createHash('sha256')
    .update(JSON.stringify([rows, values]))
    .digest('hex')
}

type Asked = string | { readonly sql: string }

/**
 * A row that is locked but not written is locked on its own node alone. Before each such lock a row of that name is written and
 * taken out again: two transactions on two nodes that lock the same then clash, and the later one is run again from its start.
 */
function holding(connection: PoolConnection): PoolConnection {
  const plain = connection.query.bind(connection) as (asked: Asked, values?: unknown[]) => Promise<unknown>
  const query = async (asked: Asked, values: unknown[] = []) => {
    const text = typeof asked === 'string' ? asked : asked.sql
    if (text.endsWith(' for update')) {
      const name = holdName(text, values)
      await plain('INSERT INTO holds (name) VALUES (?)', [name])
      await plain('DELETE FROM holds WHERE name = ?', [name])
    }
    return plain(asked, values)
  }
  return Object.assign(connection, { query })
}

/** What each node has to be started with, so that no one reads or writes over what they have not seen. */
const NEEDED = [
  { name: 'wsrep_sync_wait', isRight: (value: string) => (Number(value) & 1) === 1, write: '1' },
  { name: 'innodb_snapshot_isolation', isRight: (value: string) => value === 'ON', write: 'ON' }
]

/** Refuses nodes whose settings would let two sites overlook each other. A node that does not answer is not asked. */
export async function checkNodes(nodes: readonly Node[], options: ConnectionOptions): Promise<void> {
  for (const node of nodes) {
    const connection = await opened(node, options)
    if (!connection) continue
    for (const { name, isRight, write } of NEEDED) {
      const [rows] = (await connection.query('SHOW VARIABLES LIKE ?', [name])) as unknown as [{ Value: string }[]]
      if (!rows[0] || !isRight(rows[0].Value)) {
        connection.destroy()
        const is = rows[0] ? `is ${rows[0].Value}` : 'is not known'
        throw new Error(`On ${node.host}:${node.port}, ${name} ${is}; write ${name} = ${write} into its settings (docs/several-sites.md).`)
      }
    }
    await connection.end()
  }
}

const opened = (node: Node, options: ConnectionOptions) =>
  mysql.createConnection({ ...options, ...node, connectTimeout: CONNECT_MS }).catch(() => null)

/** The first node that takes a connection; the first of all where none does. */
export async function firstThatAnswers(nodes: readonly Node[], options: ConnectionOptions): Promise<Node> {
  for (const node of nodes) {
    const connection = await opened(node, options)
    if (!connection) continue
    await connection.end()
    return node
  }
  return nodes[0]!
}

/** A pool over several nodes in the order given. `options`: what each connection is opened with. */
export function poolOver(nodes: readonly Node[], options: object): { readonly client: Pool; readonly end: () => Promise<void> } {
  const cluster = mysql.createPoolCluster({ canRetry: true, removeNodeErrorCount: 1, restoreNodeTimeout: ASKED_AGAIN_MS })
  for (const [i, node] of nodes.entries()) cluster.add(`node${i}`, { ...options, ...node, connectTimeout: CONNECT_MS })
  const all = cluster.of('*', 'ORDER')
  const client = {
    query: (asked: string, values: unknown[]) => all.query(asked, values),
    execute: (asked: string, values: unknown[]) => all.execute(asked, values as never),
    getConnection: async () => holding(await all.getConnection())
  }
  return { client: client as unknown as Pool, end: () => cluster.end() }
}
