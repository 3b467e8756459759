import { door, items } from '../error'
import * as formulasPart from './formulas'
import * as validityPart from './validity'
import * as variantsPart from './variants'
import * as agreedPart from './agreed'
import * as wishesPart from './wishes'
import * as workPart from './work'
import * as workEditPart from './work-edit'

export * from './types'
export {
  BAND_COMB_MM,
  FORMULA_IDS,
  FORMULAS,
  type Computed,
  type Formula,
  type FormulaId,
  type FormulaInput,
  type Inputs,
  type Unit
} from './formulas'
export type { Known } from './validity'
export {
  DOES,
  type HouseSide,
  type Pass,
  PASS_DIRECTIONS,
  PASS_KINDS,
  type PassDirection,
  type PassKind,
  type PlacePlan,
  SETS_LENGTH,
  type Share,
  SHARES,
  TOOLS_OF,
  type WorkCase
} from './work'
export { WORK_WISHES, WORK_WISH_NAMES, type WorkWish } from './wishes'
export { NOTHING_ASKED, type Asked, type FittedStandard, type Moved } from './variants'
export type { AgreedLength } from './agreed'

export const { computeFrom, formulaById } = door(formulasPart)
export const { largestUsableU, sayStandardIssue, sharedCriteria01, standardIssues, uOf } = door(validityPart, {
  largestUsableU: [items(2, 2)]
})
export const { fittedStandard } = door(variantsPart)
export const { agreedAt, agreedStandard, howOnSide, planAgreed } = door(agreedPart)
export const {
  isCut,
  lengthOfPlace,
  lengthsOfWork,
  placesTaken,
  planWithLength,
  settingPass,
  unsaidWork,
  workFor,
  workSettled,
  workWithLength
} = door(workPart)
export const { standardAsWished, workWishesFor } = door(wishesPart)
export const { newPass, passAs, rowAs, standardWithWork, withTool } = door(workEditPart)
