// What a check of a certificate came to, in a headline and a sentence.
import type { CheckView } from '@peen/contract'
import type { GlyphName } from '../components/glyphs'
import type { Say } from '@peen/wording'

const revokedWords = (t: Say) => ({
  error: t('check.revokedError'),
  evidence: t('check.revokedEvidence'),
  safety: t('check.revokedSafety'),
  request: t('check.revokedRequest')
})

const partWords = (t: Say): Readonly<Record<string, string>> => ({
  holder: t('check.partHolder'),
  claim: t('check.partClaim'),
  dates: t('check.partDates'),
  issuer: t('check.partIssuer'),
  rules: t('check.partRules'),
  evidence: t('check.partEvidence'),
  status: t('check.partStatus'),
  proof: t('check.partProof'),
  other: t('check.partOther')
})

/** Why a file cannot be checked. */
export function whyUnreadable(t: Say, { unreadable, what }: Pick<CheckView, 'unreadable' | 'what'>): string {
  if (unreadable === 'unknownWords') return t('check.unknownWords', { what: what ?? '' })
  if (unreadable === 'otherKey') return t('check.otherKey', { what: what ?? '' })
  if (unreadable === 'tooLarge') return t('check.tooLarge')
  return unreadable === 'noCredential' ? t('check.noCredential') : t('check.broken')
}

export type SaidCheck = { readonly glyph: GlyphName; readonly headline: string; readonly says: string }

/** What a page speaks with: its messages, a day, and parts joined, as the reader's language does. */
export type Voice = { readonly t: Say; readonly sayDate: (day: string) => string; readonly list: (parts: readonly string[]) => string }

/** The voice of a language, a BCP 47 tag. */
export const voiceOf = (t: Say, language: string): Voice => ({
  t,
  sayDate: (day) => new Intl.DateTimeFormat(language, { dateStyle: 'long', timeZone: 'UTC' }).format(new Date(`${day}T12:00:00Z`)),
  list: (parts) => new Intl.ListFormat(language, { type: 'conjunction' }).format(parts)
})

export function sayCheck(view: CheckView, { t, sayDate, list }: Voice): SaidCheck {
  const { school, holder } = view
  const until = view.validUntil ? sayDate(view.validUntil) : ''
  switch (view.verdict) {
    case 'valid':
      return view.ours
        ? { glyph: 'meets', headline: t('check.valid'), says: t('check.validSays', { school, holder }) }
        : { glyph: 'cannotTell', headline: t('check.foreign', { school }), says: t('check.foreignSays', { school }) }
    case 'expired':
      return { glyph: 'lapsed', headline: t('check.expired', { date: until }), says: t('check.expiredSays', { school, holder }) }
    case 'revoked':
      return {
        glyph: 'fails',
        headline: t('check.revoked', { date: view.revoked ? sayDate(view.revoked.on) : '' }),
        says: view.revoked ? revokedWords(t)[view.revoked.kind] : ''
      }
    case 'changed': {
      const parts = view.changed.map((part) => partWords(t)[part] ?? t('check.partOther'))
      const says = parts.length > 0 ? t('check.changedParts', { parts: list(parts) }) : t('check.changedSomewhere')
      return { glyph: 'danger', headline: t('check.changed'), says }
    }
    case 'notYet':
      return { glyph: 'cannotTell', headline: t('check.notYet', { date: view.issuedOn ? sayDate(view.issuedOn) : '' }), says: '' }
    case 'notInRecords':
      return { glyph: 'danger', headline: t('check.notInRecords'), says: t('check.notInRecordsSays') }
    case 'unreadable':
      return { glyph: 'missing', headline: t('check.unreadable'), says: whyUnreadable(t, view) }
  }
}

/** What a certificate says, line by line; nothing where it could not be read. */
export function factsOf(one: CheckView, { t, sayDate }: Voice): { readonly name: string; readonly is: string }[] {
  if (one.verdict === 'unreadable') return []
  return [
    { name: t('check.holder'), is: one.holder },
    { name: t('check.certificate'), is: [one.name, one.number].filter(Boolean).join(', ') },
    { name: t('check.claim'), is: one.claim },
    { name: t('check.school'), is: one.school },
    { name: t('check.issued'), is: one.issuedOn ? sayDate(one.issuedOn) : '' },
    { name: t('check.validUntil'), is: one.validUntil ? sayDate(one.validUntil) : t('check.forGood') },
    { name: t('check.signedBy'), is: one.signers.map((by) => t('check.signer', { ...by, date: sayDate(by.on) })).join('; ') },
    { name: t('check.signingKey'), is: one.fingerprint ?? '' }
  ].filter(({ is }) => is !== '')
}
