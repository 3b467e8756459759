import { CoreError } from '../error'
import { Z_95 } from './normal'

export type ProportionEstimate = {
  readonly method: 'wilson'
  readonly value: number
  readonly interval: readonly [number, number]
  readonly n: number
}

/**
 * A success rate with its Wilson score interval (no continuity correction), R's `prop.test(correct = FALSE)`.
 * @param successes whole number, 0..n
 * @param n attempts, at least 1
 * @returns value and interval as shares 0..1
 * Refuses with code `notACount` when the two are not whole numbers with 0 <= successes <= n, n >= 1.
 * Source: Wilson 1927; checked against Newcombe 1998, table I.
 * @example wilson(81, 263).interval // [.2553, .3662]
 */
export function wilson(successes: number, n: number, z: number = Z_95): ProportionEstimate {
  if (!Number.isInteger(successes) || !Number.isInteger(n) || n < 1 || successes < 0 || successes > n) {
    throw new CoreError({ code: 'notACount', path: 'successes', got: `${successes} of ${n}`, limit: 'whole numbers, 0 to n, n at least 1' })
  }
  const p = successes / n
  const z2 = z * z
  const centre = (p + z2 / (2 * n)) / (1 + z2 / n)
  const half = (z / (1 + z2 / n)) * Math.sqrt((p * (1 - p)) / n + z2 / (4 * n * n))
  return { method: 'wilson', value: p, interval: [Math.max(0, centre - half), Math.min(1, centre + half)], n }
}
