// This dog's own rate of growth: a prior, and what its own lengths and layer gaps say.
import { Z_95 } from '../stats'

/** One piece of evidence: a rate and its standard uncertainty, mm a day, with how it was found. */
export type RateFound = { readonly from: 'lengths' | 'gap'; readonly mmPerDay: number; readonly uMmPerDay: number; readonly n: number }

export type GrowthPrior = { readonly mmPerDay: number; readonly sd: number }

/**
 * 0.3 mm a day of the order of Gunaratnam & Wilkinson 1983 (.34 shoulder, .40 flank), with a spread that
 * holds Butler & Wright 1981 (.04 to .18) within two and a half: both from memory. The spread is chosen.
 */
export const GROWTH_PRIOR: GrowthPrior = Object.freeze({ mmPerDay: 0.3, sd: 0.08 })
/** How much places of one dog differ, mm a day. Chosen; the two places of Gunaratnam & Wilkinson 1983 are .06 apart (from memory). */
export const PLACES_SD = 0.03
/** Hair does not stand still and does not shoot: rates outside are not believed, mm a day. From memory: .04 to .4 reported. */
export const RATE_LIMITS = Object.freeze({ low: 0.04, high: 0.8 })

const SHRUNK = 'weighted least squares, shrunk to the prior'

export type Growth = {
  readonly method: 'prior' | typeof SHRUNK
  readonly mmPerDay: number
  /** standard uncertainty, mm a day */
  readonly u: number
  /** 95 %, mm a day, within what is believed */
  readonly interval: readonly [number, number]
  /** pieces of evidence beside the prior */
  readonly n: number
}

/** A length on a day with its standard uncertainty, mm. */
export type LengthPoint = { readonly day: number; readonly mm: number; readonly uMm: number }

/**
 * Slope through lengths of hair that was not touched between them: least squares weighted by 1/u^2 (R's `lm(mm ~ day, weights)`), with
 * the u of the slope from the u of the points (not from their scatter). Null where all lie on one day.
 */
export function slopeOf(points: readonly LengthPoint[]): RateFound | null {
  if (new Set(points.map(({ day }) => day)).size < 2) return null
  const w = points.map(({ uMm }) => 1 / uMm ** 2)
  const total = w.reduce((sum, one) => sum + one, 0)
  const day = points.reduce((sum, point, i) => sum + w[i]! * point.day, 0) / total
  const mm = points.reduce((sum, point, i) => sum + w[i]! * point.mm, 0) / total
  const sxx = points.reduce((sum, point, i) => sum + w[i]! * (point.day - day) ** 2, 0)
  const sxy = points.reduce((sum, point, i) => sum + w[i]! * (point.day - day) * (point.mm - mm), 0)
  return { from: 'lengths', mmPerDay: sxy / sxx, uMmPerDay: Math.sqrt(1 / sxx), n: points.length }
}

/** A layer stands so much longer than one pulled so many days later: that much it grew in those days. Null for no days between. */
export function rateOfGap(mm: number, days: number, uMm: number): RateFound | null {
  return days > 0 ? { from: 'gap', mmPerDay: mm / days, uMmPerDay: uMm / days, n: 1 } : null
}

/** Days between two pulls whose layers stand so far apart. @example 38 mm at 0.3 mm a day: 127 days, about 18 weeks */
export function daysOfGap(mm: number, mmPerDay: number): number {
  return Math.round(mm / mmPerDay)
}

/** The rate of growth: evidence weighted by its precision and drawn to the prior by the prior's (normal with known variances). */
export function growthOf(found: readonly RateFound[], prior: GrowthPrior = GROWTH_PRIOR): Growth {
  const parts = [{ mmPerDay: prior.mmPerDay, u: prior.sd }, ...found.map((one) => ({ mmPerDay: one.mmPerDay, u: one.uMmPerDay }))]
  const precision = parts.reduce((sum, { u }) => sum + 1 / u ** 2, 0)
  const mmPerDay = believed(parts.reduce((sum, part) => sum + part.mmPerDay / part.u ** 2, 0) / precision)
  const u = Math.sqrt(1 / precision)
  return {
    method: found.length === 0 ? 'prior' : SHRUNK,
    mmPerDay,
    u,
    interval: [believed(mmPerDay - Z_95 * u), believed(mmPerDay + Z_95 * u)],
    n: found.length
  }
}

/**
 * The rate at one place: what each other place of the dog comes to, spread by how much places differ, then its own evidence. Nothing
 * counts twice. With no evidence anywhere it is the prior.
 */
export function growthAt<Id>(place: Id, found: ReadonlyMap<Id, readonly RateFound[]>, prior: GrowthPrior = GROWTH_PRIOR): Growth {
  const elsewhere = [...found].flatMap(([id, rates]) => (id === place || rates.length === 0 ? [] : [asOne(rates)]))
  const dog = growthOf(elsewhere, prior)
  const sd = elsewhere.length === 0 ? prior.sd : Math.hypot(dog.u, PLACES_SD)
  const n = [...found.values()].reduce((sum, rates) => sum + rates.length, 0)
  return { ...growthOf(found.get(place) ?? [], { mmPerDay: dog.mmPerDay, sd }), n, method: n === 0 ? 'prior' : SHRUNK }
}

/** All evidence of one other place as one rate, with how much places of a dog differ. */
function asOne(rates: readonly RateFound[]): RateFound {
  const precision = rates.reduce((sum, { uMmPerDay }) => sum + 1 / uMmPerDay ** 2, 0)
  const mmPerDay = rates.reduce((sum, rate) => sum + rate.mmPerDay / rate.uMmPerDay ** 2, 0) / precision
  return { from: 'lengths', mmPerDay, uMmPerDay: Math.hypot(Math.sqrt(1 / precision), PLACES_SD), n: rates.length }
}

const believed = (rate: number) => Math.min(RATE_LIMITS.high, Math.max(RATE_LIMITS.low, rate))
