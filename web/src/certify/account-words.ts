// What happened to an account of staff, as a sentence.
import type { AccountEvent, AccountEventKind } from '@peen/core/certify'
import { t } from '../words'

const WHAT: Readonly<Record<AccountEventKind, string>> = {
  founded: t('certify.confirmedServer'),
  made: t('certify.added'),
  reset: t('certify.sentLetterChooseNewPassword'),
  role: t('certify.givenAnotherRole'),
  back: t('certify.reinstated'),
  retired: t('certify.retired'),
  welcomed: t('certify.chosePassword'),
  confirmed: t('certify.metConfirmed'),
  same: t('certify.samePerson'),
  apart: t('certify.differentPersonFrom')
}

/** "Nel was met and confirmed by Lars." */
export function sayAccount({ kind, personId, by, otherId }: AccountEvent, nameOf: (id: string) => string | null): string {
  const other = otherId ? t('certify.otherIdSaid', { otherId: nameOf(otherId) ?? t('certify.formerColleague') }) : ''
  const words = `${nameOf(personId) ?? 'A former colleague'} ${WHAT[kind]}${other}`
  return by === null ? `${words}.` : t('certify.words', { words, by: nameOf(by) ?? t('certify.formerColleague') })
}
