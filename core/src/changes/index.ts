import { door } from '../error'
import * as changesPart from './changes'
import * as togetherPart from './together'

export type { Change } from './changes'
export type { Choice, Clash, How, KeyOf, Together } from './together'

export const { changesBetween } = door(changesPart)
export const { memberId, putTogether } = door(togetherPart)
