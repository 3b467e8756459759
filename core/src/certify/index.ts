import { door } from '../error'
import * as accountsPart from './accounts'
import * as borderlinePart from './borderline'
import * as rulesPart from './rules'
import * as sayPart from './say'
import * as signingPart from './signing'
import * as validityPart from './validity'

export {
  ACCOUNT_EVENTS,
  WAIT_HOURS,
  type AccountEvent,
  type AccountEventKind,
  type AccountsOf,
  type MayConfirm,
  type SigningRight
} from './accounts'
export { LEAST_TRIMS, type Borderline, type Rated } from './borderline'
export type { Practised } from './rules'
export type { RuleNames } from './say'
export type { MaySign, SigningFacts, SigningPerson } from './signing'
export type {
  Certificate,
  CertificateRule,
  CertifyFacts,
  Finding,
  GradedTrim,
  Held,
  RuleKind,
  RuleOutcome,
  Settled,
  TechniqueState
} from './types'
export type { KnownForCertificates } from './validity'

export const { mayConfirm, maySaySame, sameAccounts, signingRight } = door(accountsPart)
export const { borderlineOf } = door(borderlinePart)
export const { findingOf, goodTrims, lacks, practisedSoFar } = door(rulesPart)
export const { newRule, sayRule, sayTerm } = door(sayPart)
export const { maySign, missingSigners } = door(signingPart)
export const { certificateIssues } = door(validityPart)
