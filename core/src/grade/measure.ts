import { inRange } from '../error'
import { mean, normalCdf, sampleVariance } from '../stats'
import type { Band, Instrument } from '../standard'
import { HAIR_LENGTH_LIMITS_MM } from '../units'

/** Conformity needs this much probability to be called, either way. Source: JCGM 106:2012, 8.3.2; 5 % is our own choice. */
export const CONFORMITY_LEVEL = 0.95

export type Measured = {
  readonly method: 'mean of readings' | 'computed' | 'picture' | 'by eye'
  readonly value: number
  readonly u: number
  /** part of u that every reading with this instrument shares, mm */
  readonly common: number
  readonly n: number
}

/**
 * A length from repeated readings: the mean, with u^2 = u_instrument^2 + s^2/n (s the sample SD, n readings).
 * @param readings mm, 1 to 9 of them, each 0 to 300
 * Refuses a reading outside that with code `outOfRange`.
 * Source: JCGM 100:2008, 4.2.3 and 5.1.2.
 * @example fromReadings([16.2, 16.4, 16.6], gauge) // value 16.4, u .416
 */
export function fromReadings(readings: readonly number[], instrument: Instrument): Measured {
  inRange('readings', readings.length, 1, 9, 'readings')
  for (const reading of readings) inRange('reading', reading, HAIR_LENGTH_LIMITS_MM.low, HAIR_LENGTH_LIMITS_MM.high, 'mm')
  const n = readings.length
  return {
    method: 'mean of readings',
    value: mean(readings),
    u: Math.sqrt(instrument.uMm ** 2 + sampleVariance(readings) / n),
    common: instrument.commonMm,
    n
  }
}

/**
 * "As it should be": the assessor vouches for it by eye. It stands at the target with the u that makes the band just
 * certain (two-sided 95 %): half the distance to the band's nearer end. Our own choice: a look claims no more than that.
 */
export function byEye(targetMm: number, band: Band): Measured {
  const ends = band.flatMap((end) => (end === null || end === targetMm ? [] : [Math.abs(end - targetMm)]))
  const reach = ends.length === 0 ? 1 : Math.min(...ends)
  return { method: 'by eye', value: targetMm, u: reach / 2, common: 0, n: 0 }
}

/** Probability that the true value lies in the band: Phi((TU-y)/u) - Phi((TL-y)/u). Source: JCGM 106:2012, 7.2. */
export function conformity(value: number, u: number, band: Band): number {
  const upper = band[1] === null ? 1 : normalCdf((band[1] - value) / u)
  const lower = band[0] === null ? 0 : normalCdf((band[0] - value) / u)
  return upper - lower
}

/** meets at 95 % or more, fails at 5 % or less, else it cannot be told: measure again. */
export function verdictOf(conformity01: number): 'meets' | 'fails' | 'cannotTell' {
  if (conformity01 >= CONFORMITY_LEVEL) return 'meets'
  return conformity01 <= 1 - CONFORMITY_LEVEL ? 'fails' : 'cannotTell'
}

/**
 * Share of the marks, 0..1: full inside the band, falling in a straight line to none at the limit.
 * Our own choice: the line is the simplest rule an apprentice can work out.
 */
export function shareOfMarks(value: number, band: Band, limit: Band): number {
  const over = band[1] !== null && value > band[1] ? fall(value - band[1], (limit[1] ?? band[1]) - band[1]) : 1
  const under = band[0] !== null && value < band[0] ? fall(band[0] - value, band[0] - (limit[0] ?? band[0])) : 1
  return Math.min(over, under)
}

function fall(beyond: number, room: number): number {
  return room <= 0 ? 0 : Math.max(0, 1 - beyond / room)
}
