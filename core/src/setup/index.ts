export { fitOf, type Fit } from './fit'
export {
  factsToday,
  groupLines,
  houseFor,
  orderedSteps,
  sayLinePlace,
  sayTool,
  sheetCaseOf,
  sheetOf,
  WISH_LIMITS_MM,
  type KnownDog
} from './sheet'
export type { Chosen, LineId, LineSide, Sheet, SheetCase, SheetLine, TrimFit } from './types'
