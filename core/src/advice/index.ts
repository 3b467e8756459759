export { advise, applies, choicesOf, NOTHING_LEFT, sayChoice, whyNot, type WhyNot } from './advise'
export {
  COAT_TYPES,
  FACTS,
  type Advice,
  type AdviceCase,
  type AdviceRule,
  type Ban,
  type Choice,
  type CoatType,
  type Effect,
  type Fact,
  type Fired,
  type When
} from './types'
