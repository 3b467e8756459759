// Several pictures of one trim taken one after the other: what they say together, and by how much they differ.
import type { MeasureKey, PictureUnit } from './catalogue'

type Told = MeasureKey & {
  readonly unit: PictureUnit
  readonly value: number
  /** standard uncertainty; `common` is the part of it that all pictures share (the scale's depth was judged once) */
  readonly u: number
  readonly common: number
}

/** A measure over several pictures, in its own unit. */
export type Averaged = {
  /** mean of all */
  readonly value: number
  readonly u: number
  /** standard deviation from picture to picture, 0 with one */
  readonly scatter: number
  readonly n: number
}

/**
 * The mean of a measure over pictures that were each set up afresh. What the pictures share does not average out; of the rest the
 * larger counts: what each picture says of itself, or what they differ by.
 * @param own one value of each picture, at least one
 * @returns mean and u in the measure's unit
 * Source: JCGM 100:2008, 4.2 (mean of repeated observations) and 5.1 (uncorrelated and common parts)
 */
export function averageOf(own: readonly Pick<Told, 'value' | 'u' | 'common'>[]): Averaged {
  const n = own.length
  const value = own.reduce((sum, one) => sum + one.value, 0) / n
  const scatter = n < 2 ? 0 : Math.sqrt(own.reduce((sum, one) => sum + (one.value - value) ** 2, 0) / (n - 1))
  const common = Math.max(...own.map((one) => Math.min(one.common, one.u)))
  const each = Math.sqrt(own.reduce((sum, { u, common: shared }) => sum + Math.max(0, u ** 2 - shared ** 2), 0) / n)
  return { value, u: Math.hypot(common, Math.max(each, scatter) / Math.sqrt(n)), scatter, n }
}

/** Every measure of the newest picture with what earlier ones of the same trim say of it; one that they cannot tell stays its own. */
export function averaged<T extends Told>(
  newest: readonly T[],
  earlier: readonly (readonly Told[])[]
): readonly (T & { readonly over: Averaged })[] {
  return newest.map((measure) => {
    const same = earlier.flatMap((one) => one.filter(({ id, side }) => id === measure.id && side === measure.side).slice(0, 1))
    const over = averageOf([measure, ...same])
    return { ...measure, value: over.value, u: over.u, common: Math.min(measure.common, over.u), over }
  })
}
