export { borderlineOf, LEAST_TRIMS, type Borderline, type Rated } from './borderline'
export { findingOf, lacks } from './rules'
export { newRule, sayRule, sayTerm, type RuleNames } from './say'
export { maySign, missingSigners, type MaySign, type SigningFacts, type SigningPerson } from './signing'
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
export { certificateIssues, type KnownForCertificates } from './validity'
