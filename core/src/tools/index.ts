import { door } from '../error'
import * as seriesPart from './series'

export { type Direction, type LengthLeft, REFERENCE_SERIES, type Tool } from './series'

export const { lengthLeft, toolById } = door(seriesPart)
