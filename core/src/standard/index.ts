export * from './types'
export {
  BAND_COMB_MM,
  computeFrom,
  FORMULA_IDS,
  formulaById,
  FORMULAS,
  type Computed,
  type Formula,
  type FormulaId,
  type FormulaInput,
  type Inputs,
  type Unit
} from './formulas'
export { largestUsableU, sayStandardIssue, sharedCriteria01, standardIssues, uOf, type Known } from './validity'
export { fittedStandard, NOTHING_ASKED, type Asked, type FittedStandard, type Moved } from './variants'
export { agreedAt, agreedStandard, howOnSide, planAgreed, type AgreedLength } from './agreed'
