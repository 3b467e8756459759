import { door } from '../error'
import * as measuredPart from './measured'

export { RULE_KINDS, RULE_NAMES, type MeasuredRule, type RuleCase, type RuleKind } from './measured'

export const { measuredRules, tailBandWidths } = door(measuredPart)
