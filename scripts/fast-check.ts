// What tests import as fast-check: the library itself, with seeds that are fixed in npm test and drawn anew by npm run explore.
import * as real from 'fast-check-itself'

const explores = process.env.PEEN_EXPLORE !== undefined
/** Fixed, so that CI is never red by chance; what `npm run explore` finds becomes a case of its own. */
const SEED = Number(process.env.PEEN_EXPLORE || 20261128)
const MORE_RUNS = explores ? 50 : 1
const USUAL_RUNS = 100

type Parameters<T> = real.Parameters<T>

function withSeed<T>(parameters: Parameters<T> = {}): Parameters<T> {
  const { numRuns = USUAL_RUNS, seed } = parameters
  return { ...parameters, seed: explores || seed === undefined ? SEED : seed, numRuns: numRuns * MORE_RUNS }
}

export * from 'fast-check-itself'
export const assert = (<T>(property: real.IProperty<T>, parameters?: Parameters<T>) =>
  real.assert(property, withSeed(parameters))) as typeof real.assert
const check = (<T>(property: real.IProperty<T>, parameters?: Parameters<T>) =>
  real.check(property, withSeed(parameters))) as typeof real.check
export default { ...real, assert, check }
