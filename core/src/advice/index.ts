export { advise, applies, cautionsWith, choicesOf, NOTHING_LEFT, sayChoice, shortChoice, whyNot, type WhyNot } from './advise'
export { ruleIssues } from './validity'
export {
  COAT_TYPES,
  coatTypeOf,
  DOG_FACTS,
  FACTS,
  type Advice,
  type AdviceCase,
  type AdviceRule,
  type Ban,
  type Choice,
  type CoatType,
  type DogFact,
  type Effect,
  type Fact,
  type Fired,
  type When
} from './types'
