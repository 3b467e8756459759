import { seal } from '@peen/credential'
import { tables, type Transaction } from '../../db'
import type { Services } from '../../http'
import type { SigningKey } from '@peen/credential'
import { listKey } from './keys'

/** Signs the head of the trail as it stands; once for each length of it. Called with the head locked, or when nothing writes. */
export async function signHeadWith(tx: Pick<Transaction, 'select' | 'insert'>, key: SigningKey, at: Date): Promise<void> {
  const [head] = await tx.select().from(tables.auditHead)
  if (!head || head.seq === 0) return
  const document = await seal({ seq: head.seq, hash: head.hash, at: at.toISOString() }, key)
  await tx.insert(tables.signedHeads).ignore().values({ seq: head.seq, at, document })
}

/** The head of the day, where there is a key. @throws Refused where the key is not on this server */
export async function signHead({ db, keys, clock }: Services): Promise<void> {
  const key = await listKey(db, keys)
  if (key) await signHeadWith(db, key, clock.real())
}
