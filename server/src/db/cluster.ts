// A database of several nodes, each of which takes writes: the first that answers is used, and a lock on one holds on all.
import mysql, { type Pool, type PoolConnection } from 'mysql2/promise'
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
