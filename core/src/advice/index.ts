import { door } from '../error'
import * as advisePart from './advise'
import * as validityPart from './validity'
import * as typesPart from './types'

export { NOTHING_LEFT, OUTSIDE_PLAN, type WhyNot } from './advise'
export {
  COAT_TYPES,
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
  type When,
  type Within
} from './types'

export const { advise, applies, cautionsWith, choicesOf, sayChoice, shortChoice, whyNot } = door(advisePart)
export const { ruleIssues } = door(validityPart)
export const { coatTypeOf } = door(typesPart)
