export { advise, applies, choicesOf, NOTHING_LEFT, sayChoice, whyNot, type WhyNot } from './advise'
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
