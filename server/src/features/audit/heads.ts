// Heads of the trail that were signed: a past that was written again does not fit them.
import { isSealed } from '@peen/credential'
import { asc } from 'drizzle-orm'
import { tables, type Reader } from '../../db'

/** What is signed of a head: how long the trail was, and the hash of its last entry. */
export type Head = { readonly seq: number; readonly hash: string; readonly at: string }

/** The first signed head that the trail does not fit; null where it fits all. `hashes`: of its entries, in order. */
export async function unfitHead(db: Reader, hashes: readonly string[]): Promise<number | null> {
  const heads = await db.select().from(tables.signedHeads).orderBy(asc(tables.signedHeads.seq))
  const known = new Set((await db.select({ key: tables.issuerKeys.publicKey }).from(tables.issuerKeys)).map(({ key }) => key))
  const fits = ({ seq, document }: (typeof heads)[number]) =>
    isSealed(document) && known.has(document.signedBy) && document.seq === seq && document.hash === hashes[seq - 1]
  return heads.find((head) => !fits(head))?.seq ?? null
}
