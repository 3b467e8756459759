// Which accounts may sign: a new, reset or returned one only after another signer has met the person. Source: docs/method.md, Who signs.

/**
 * What happened to an account. `founded`: confirmed on the server's own console; `made`, `reset`, `role`, `back`: by a colleague;
 * `welcomed`: the person chose a password by the letter; `confirmed`: another signer has met the person; `same`, `apart`: it belongs, or
 * does not belong after all, to the person of another account.
 */
export const ACCOUNT_EVENTS = ['founded', 'made', 'reset', 'role', 'back', 'retired', 'welcomed', 'confirmed', 'same', 'apart'] as const
export type AccountEventKind = (typeof ACCOUNT_EVENTS)[number]
export type AccountEvent = {
  readonly kind: AccountEventKind
  readonly personId: string
  /** who did it; null on the server's console and for the person's own welcome */
  readonly by: string | null
  /** the other account of `same` and `apart` */
  readonly otherId?: string | null
  /** by the wall clock, ISO 8601 */
  readonly at: string
}

/** After a confirmation an account waits so long before it signs, hours: time for the others to see it in the trail. Chosen. */
export const WAIT_HOURS = 48

/** What takes the right to sign away until the account is confirmed again. */
const UNSETTLES: ReadonlySet<AccountEventKind> = new Set(['made', 'reset', 'role', 'back'])
/** What gives a colleague a hold on an account. */
const TIES: ReadonlySet<AccountEventKind> = new Set(['made', 'reset', 'role', 'back', 'confirmed'])

export type SigningRight =
  { readonly signs: true } | { readonly signs: false; readonly because: string; readonly waits: 'welcome' | 'confirmation' | 'hours' }

/**
 * Whether an account may sign at a moment. Events in the order in which they happened; those of others are not looked at.
 * An account of which nothing is known does not sign.
 */
export function signingRight(personId: string, events: readonly AccountEvent[], now: Date): SigningRight {
  const own = events.filter((event) => event.personId === personId)
  const founded = own.findLastIndex(({ kind }) => kind === 'founded')
  const unsettled = own.findLastIndex(({ kind }) => UNSETTLES.has(kind))
  if (founded > unsettled) return { signs: true }
  const since = own.slice(unsettled + 1)
  const welcomed = since.findIndex(({ kind }) => kind === 'welcomed')
  const isReturn = own[unsettled]?.kind === 'back' || own[unsettled]?.kind === 'role'
  if (welcomed < 0 && !isReturn)
    return { signs: false, waits: 'welcome', because: 'the account is new or reset, and the person has not chosen a password yet' }
  const confirmed = since.slice(welcomed + 1).find(({ kind }) => kind === 'confirmed')
  if (!confirmed)
    return {
      signs: false,
      waits: 'confirmation',
      because: 'the account is new, reset or reinstated, and no other signer has met the person and confirmed it'
    }
  const from = new Date(Date.parse(confirmed.at) + WAIT_HOURS * 3600000)
  if (now < from)
    return {
      signs: false,
      waits: 'hours',
      because: `the account was confirmed less than ${WAIT_HOURS} hours ago; it can sign from ${minuteOf(from)}`
    }
  return { signs: true }
}

const minuteOf = (at: Date) => `${at.toISOString().slice(0, 16).replace('T', ' ')} UTC`

export type MayConfirm = { readonly may: true } | { readonly may: false; readonly because: string }

/**
 * Whether a colleague may confirm an account: a signer, not the person, not who made, reset, promoted or took it back, and not an
 * account that one of those once made, reset, promoted, took back or confirmed.
 */
export function mayConfirm(confirmerId: string, personId: string, events: readonly AccountEvent[], now: Date): MayConfirm {
  const no = (because: string): MayConfirm => ({ may: false, because })
  const accountsOf = sameAccounts(events)
  if (accountsOf(personId).has(confirmerId)) return no('you cannot confirm your own account')
  const right = signingRight(personId, events, now)
  if (right.signs) return no('this account can already sign')
  if (right.waits === 'welcome') return no('the person has not chosen a password yet')
  if (right.waits === 'hours') return no('this account is already confirmed and in its waiting time')
  if (!signingRight(confirmerId, events, now).signs) return no('only an account that can sign may confirm another')
  const makers = new Set(
    events.flatMap(({ kind, personId: of, by }) => (of === personId && UNSETTLES.has(kind) && by ? [...accountsOf(by)] : []))
  )
  if (makers.has(confirmerId)) return no('you made or reset this account, so another signer must confirm it')
  const isTied = events.some(({ kind, personId: of, by }) => of === confirmerId && TIES.has(kind) && by !== null && makers.has(by))
  if (isTied) return no('the person who made this account also made, reset or confirmed yours, so another signer must confirm it')
  return { may: true }
}

/** All accounts of the person behind one, itself among them. */
export type AccountsOf = (id: string) => ReadonlySet<string>

/** Which accounts belong to one person, as colleagues have said: what was said last of two accounts holds. */
export function sameAccounts(events: readonly AccountEvent[]): AccountsOf {
  const pairs = new Map<string, { readonly ids: readonly [string, string]; readonly same: boolean }>()
  for (const { kind, personId, otherId } of events)
    if ((kind === 'same' || kind === 'apart') && otherId)
      pairs.set([personId, otherId].sort().join(' '), { ids: [personId, otherId], same: kind === 'same' })
  const groups = new Map<string, ReadonlySet<string>>()
  for (const { ids, same } of pairs.values()) {
    if (!same) continue
    const together = new Set(ids.flatMap((id) => [id, ...(groups.get(id) ?? [])]))
    for (const id of together) groups.set(id, together)
  }
  return (id) => groups.get(id) ?? new Set([id])
}

/**
 * Whether a colleague may say that two accounts belong to one person, or that they do not after all: an account that signs. That they
 * belong together may be said of oneself; that they do not is said by another person, since it gives rights back.
 */
export function maySaySame(
  actorId: string,
  { personId, otherId, same }: { readonly personId: string; readonly otherId: string; readonly same: boolean },
  events: readonly AccountEvent[],
  now: Date
): MayConfirm {
  const no = (because: string): MayConfirm => ({ may: false, because })
  const accountsOf = sameAccounts(events)
  if (personId === otherId) return no('they are the same account')
  if (!signingRight(actorId, events, now).signs) return no('only an account that can sign may link accounts')
  const areSame = accountsOf(personId).has(otherId)
  if (same) return areSame ? no('this is already recorded') : { may: true }
  if (!areSame) return no('they are not linked')
  return accountsOf(personId).has(actorId) ? no('one of them is yours, so another signer must do it') : { may: true }
}
