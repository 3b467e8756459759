export { normalCdf, Z_95 } from './normal'
export { wilson, type ProportionEstimate } from './wilson'
export { mean, quantile, sampleVariance } from './summary'
export { normalDraw, randomFrom, seedOf, type Random } from './random'
