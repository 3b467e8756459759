import { door } from '../error'
import * as agreedPart from './agreed'
import * as fitPart from './fit'
import * as sheetPart from './sheet'
import * as passesPart from './passes'
import * as sayPart from './say'
import * as cameInPart from './came-in'
import * as layOutPart from './lay-out'
import * as walkPart from './walk'

export type { AgreedTarget } from './agreed'
export type { Fit } from './fit'
export { GATE_WORDS } from './walk'
export { WISH_LIMITS_MM, type KnownDog } from './sheet'
export type { Chosen, LineId, LineSide, Sheet, SheetCase, SheetLine, SheetPass, TrimFit } from './types'

export const { agreedTargets, linesAtStep, sayTarget, stepsByTargets } = door(agreedPart)
export const { fitOf } = door(fitPart)
export const { adviceInPlan } = door(passesPart)
export const { burnedMmAt, factsAt, factsToday, houseFor, sheetCaseOf, sheetOf } = door(sheetPart)
export const { groupLines, sayLinePlace, sayPass, sayTool } = door(sayPart)
export const { cameInLengths, usualGrowthMm } = door(cameInPart)
export const { layOut } = door(layOutPart)
export const { gateStep, minutesOfWalk, orderedSteps } = door(walkPart)
