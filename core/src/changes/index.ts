import { door } from '../error'
import * as changesPart from './changes'

export type { Change } from './changes'

export const { changesBetween } = door(changesPart)
