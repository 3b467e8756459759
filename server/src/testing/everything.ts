// Every cell of every table as one text, to look for what must not be there.
import { sql } from 'drizzle-orm'
import type { Database } from '../db'

export async function everythingIn(db: Database): Promise<string> {
  const [names] = (await db.execute(sql`SHOW TABLES`)) as unknown as [Record<string, string>[]]
  const all: string[] = []
  for (const name of names.map((row) => Object.values(row)[0]))
    all.push(JSON.stringify(((await db.execute(sql.raw(`SELECT * FROM \`${name}\``))) as unknown as [object[]])[0]))
  return all.join('\n')
}
