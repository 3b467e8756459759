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
  confirmed: 'was met and confirmed',
  same: 'is the same person as',
  apart: 'is another person than'
}

/** "Nel was met and confirmed by Lars." */
export function sayAccount({ kind, personId, by, otherId }: AccountEvent, nameOf: (id: string) => string | null): string {
  const other = otherId ? ` ${nameOf(otherId) ?? 'a former colleague'}, said` : ''
  const words = `${nameOf(personId) ?? 'A former colleague'} ${WHAT[kind]}${other}`
  return by === null ? `${words}.` : `${words} by ${nameOf(by) ?? 'a former colleague'}.`
}
