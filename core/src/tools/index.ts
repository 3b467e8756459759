import { door } from '../error'
import * as seriesPart from './series'

export { AT_THE_SKIN_MM, type Direction, type LengthLeft, REFERENCE_SERIES, type Tool } from './series'

export const { bladeOf, lengthLeft, toolById } = door(seriesPart)
