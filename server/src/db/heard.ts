// How long each query takes, told to who asks for it. The values of a query are not: no log may hold them.
import type { Pool, PoolConnection } from 'mysql2/promise'

export type Heard = (query: string, ms: number) => void
type Asked = string | { readonly sql: string }
type Asking = (asked: Asked, values?: unknown[]) => Promise<unknown>

const timed =
  (plain: Asking, heard: Heard): Asking =>
  async (asked, values) => {
    const begun = performance.now()
    try {
      return await plain(asked, values)
    } finally {
      heard(typeof asked === 'string' ? asked : asked.sql, performance.now() - begun)
    }
  }

const listenTo = <T extends Pool | PoolConnection>(client: T, heard: Heard): T =>
  Object.assign(client, { query: timed(client.query.bind(client) as Asking, heard) })

/** The same pool, each query of which is heard: those of its connections too. */
export function hearing(pool: Pool, heard: Heard): Pool {
  const connection = pool.getConnection.bind(pool)
  return Object.assign(listenTo(pool, heard), { getConnection: async () => listenTo(await connection(), heard) })
}
