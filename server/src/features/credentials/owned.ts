import type { Me } from '@peen/contract'
import { eq } from 'drizzle-orm'
import { tables, type Reader } from '../../db'
import { refuse } from '../../http'

/** A finding whose files this person may have: staff any, an apprentice their own. */
export async function issuedFinding(db: Reader, actor: Me, id: string): Promise<typeof tables.findings.$inferSelect> {
  const [row] = await db.select().from(tables.findings).where(eq(tables.findings.id, id))
  if (!row) throw refuse.notFound('This certificate')
  if (actor.role === 'apprentice' && row.apprenticeId !== actor.id) throw refuse.forbidden('Apprentices can read only their own records.')
  return row
}
