// What a check of the trail came to, in sentences.
import type { TrailCheck } from '@peen/contract'
import { t } from '../words'

const THINGS: Readonly<Record<string, string>> = {
  grading: t('certify.aSignedGrading'),
  events: t('certify.recordTableBeforeTrimSigned'),
  pictures: t('certify.aPhotographOfATrimThatWasSigne'),
  finding: t('certify.aDecisionAboutACertificate'),
  signature: t('certify.aSignatureUnderACertificate'),
  credential: t('certify.aCertificateThatWasMade'),
  setAside: t('certify.aMarkSetAside'),
  appeal: t('certify.anAppeal'),
  kept: t('certify.aKeptCertificate'),
  revocation: t('certify.aRevocation'),
  assessment: t('certify.whatTwoAssessorsAgreed'),
  account: t('certify.staffAccount'),
  standard: t('certify.aVersionOfATrimThatIsInUse'),
  certificate: t('certify.rulesCertificateUse')
}

/** "Nothing that was signed has been changed." */
export function sayCheck({ whole, brokenAt, changed }: TrailCheck): string {
  if (whole) return t('certify.nothingSignedHasBeenChanged')
  const entry = brokenAt === null ? [] : [t('certify.entryBrokenAtTrailDoesNot', { brokenAt })]
  const things =
    changed.length === 0
      ? []
      : [changed.length === 1 ? t('certify.oneThingChanged') : t('certify.nThingsWereChanged', { n: changed.length })]
  return t('certify.somethingChangedOutsidePeenX', { x: [...entry, ...things].join(t('certify.and3')) })
}

/** "A signed grading is not what it was when it was signed (grading:…, entry 12)." */
export function sayChanged({ name, seq, missing }: TrailCheck['changed'][number]): string {
  const what = THINGS[name.slice(0, name.indexOf(':'))] ?? t('certify.something')
  if (seq === 0) return t('certify.whatAddedOutsidePeenName', { what, name })
  return missing ? t('certify.whatMissingNameEntrySeq', { what, name, seq }) : t('certify.whatHasBeenAlteredName', { what, name, seq })
}
