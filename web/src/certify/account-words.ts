// What happened to an account of staff, as a sentence.
import type { AccountEvent, AccountEventKind } from '@peen/core/certify'

const WHAT: Readonly<Record<AccountEventKind, string>> = {
  founded: 'was confirmed on the server’s console',
  made: 'was let in',
  reset: 'got a letter for a new password',
  role: 'got another role',
  back: 'was taken in again',
  retired: 'was retired',
  welcomed: 'chose a password',
  confirmed: 'was met and confirmed'
}

/** "Nel was met and confirmed by Lars." */
export function sayAccount({ kind, personId, by }: AccountEvent, nameOf: (id: string) => string | null): string {
  const words = `${nameOf(personId) ?? 'A former colleague'} ${WHAT[kind]}`
  return by === null ? `${words}.` : `${words} by ${nameOf(by) ?? 'a former colleague'}.`
}
