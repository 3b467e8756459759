export {
  findingOf,
  type Certificate,
  type CertificateRule,
  type CertifyFacts,
  type Finding,
  type GradedTrim,
  type RuleOutcome
} from './rules'
export { maySign, missingSigners, type MaySign, type SigningFacts, type SigningPerson } from './signing'
