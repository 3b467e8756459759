import { door } from '../error'
import * as normalPart from './normal'
import * as wilsonPart from './wilson'
import * as summaryPart from './summary'
import * as randomPart from './random'

export { Z_95 } from './normal'
export type { ProportionEstimate } from './wilson'
export type { Random } from './random'

export const { normalCdf } = door(normalPart)
export const { wilson } = door(wilsonPart)
export const { mean, quantile, sampleVariance } = door(summaryPart)
export const { normalDraw, randomFrom, seedOf } = door(randomPart)
