export { measuredRules, RULE_KINDS, RULE_NAMES, tailBandWidths, type MeasuredRule, type RuleCase, type RuleKind } from './measured'
