import { date, door, from } from '../error'
import * as sayPart from './say'

export { GIVE_OR_TAKE, HAIR_LENGTH_LIMITS_MM, type LengthUnit, MM_PER_INCH } from './say'

export const {
  giveOrTake,
  inchFromMm,
  lengthsIn,
  lowerFirst,
  mmFromInch,
  mmOfFraction,
  mmOfText,
  sayAgo,
  sayDay,
  sayLength,
  sayNumber,
  upperFirst
} = door(sayPart, { sayAgo: [from(0)], sayDay: [date], giveOrTake: [from(0)] })
