// Accounts of staff: what happened to them, who signs, and who may confirm whom. All of it is in the trail.
import {
  mayConfirm,
  maySaySame,
  sameAccounts,
  signingRight,
  type AccountEvent,
  type AccountEventKind,
  type AccountsOf
} from '@peen/core/certify'
import type { Me, SamePerson } from '@peen/contract'
import { asc } from 'drizzle-orm'
import { inTransaction, tables, type Reader, type Transaction } from '../../db'
import { refuse, type Services } from '../../http'
import { appendAudit } from '../audit'
import { fullName, personById } from '../people'

/** Everything that ever happened to any account, in order. */
export async function accountEvents(db: Reader): Promise<readonly AccountEvent[]> {
  const rows = await db.select().from(tables.accountEvents).orderBy(asc(tables.accountEvents.seq))
  return rows.map(({ kind, personId, by, otherId, at }) => ({ kind, personId, by, otherId, at: at.toISOString() }))
}

type NewAccountEvent = {
  readonly kind: AccountEventKind
  readonly personId: string
  readonly by: string | null
  readonly otherId?: string | null
  readonly at: Date
}

/** Writes what happened to an account, into the trail too. `by` is null on the server's console and for a person's own welcome. */
export async function recordAccount(tx: Transaction, { kind, personId, by, otherId = null, at }: NewAccountEvent): Promise<void> {
  await tx.insert(tables.accountEvents).values({ kind, personId, by, otherId, at })
  const ids = { person: personId, ...(otherId ? { other: otherId } : {}) }
  await appendAudit(tx, { kind: `account.${kind}`, at: at.toISOString(), by: by ?? personId, ids }, [`account:${personId}`])
}

/** Is an account new or reset, with a password that its person has not chosen? */
export async function waitsForWelcome(db: Reader, personId: string, now: Date): Promise<boolean> {
  const right = signingRight(personId, await accountEvents(db), now)
  return !right.signs && right.waits === 'welcome'
}

/** Refuses who may not sign yet, with the reason. */
export async function refuseUnsettled({ db, clock }: Pick<Services, 'clock'> & { readonly db: Reader }, actor: Me): Promise<void> {
  const right = signingRight(actor.id, await accountEvents(db), clock.real())
  if (!right.signs) throw refuse.forbidden(`You cannot sign yet: ${right.because}. Nothing was changed.`)
}

/** Says that one has met the person behind an account; it signs two days later. */
export async function confirmAccount({ db, clock }: Services, actor: Me, personId: string): Promise<{ readonly id: string }> {
  const at = clock.real()
  await inTransaction(db, async (tx) => {
    // one after another, so that two confirmations cannot pass each other
    await tx.select().from(tables.auditHead).for('update')
    const person = await personById(tx, personId)
    if (person.role === 'apprentice') throw refuse.forbidden('Apprentices do not sign, so there is nothing to confirm.')
    if (!person.active) throw refuse.conflict('retired', `${person.givenName} is retired. Nothing was changed.`)
    const answer = mayConfirm(actor.id, personId, await accountEvents(tx), at)
    if (!answer.may) throw refuse.forbidden(`You cannot confirm ${person.givenName}: ${answer.because}. Nothing was changed.`)
    await recordAccount(tx, { kind: 'confirmed', personId, by: actor.id, at })
  })
  return { id: personId }
}

/** Which accounts belong to one person. */
export const accountsOfOne = async (db: Reader): Promise<AccountsOf> => sameAccounts(await accountEvents(db))

/** Says that two accounts belong to one person, or that they do not after all. Both may be of any role. */
export async function saySame({ db, clock }: Services, actor: Me, personId: string, { otherId, same }: SamePerson): Promise<void> {
  const at = clock.real()
  await inTransaction(db, async (tx) => {
    await tx.select().from(tables.auditHead).for('update')
    const [person, other] = [await personById(tx, personId), await personById(tx, otherId)]
    const answer = maySaySame(actor.id, { personId, otherId, same }, await accountEvents(tx), at)
    if (!answer.may)
      throw refuse.forbidden(
        `You cannot record ${fullName(person)} and ${fullName(other)} as ${same ? 'one person' : 'two people'}: ${answer.because}. Nothing was changed.`
      )
    await recordAccount(tx, { kind: same ? 'same' : 'apart', personId, otherId, by: actor.id, at })
  })
}
