import { date, door } from '../error'
import * as sayPart from './say'

export { HAIR_LENGTH_LIMITS_MM, type LengthUnit, MM_PER_INCH } from './say'

export const { inchFromMm, lengthsIn, lowerFirst, mmFromInch, mmOfFraction, mmOfText, sayDay, sayLength, sayNumber, upperFirst } = door(
  sayPart,
  { sayDay: [date] }
)
