import { inRange } from '../../error'
import type { BodyType, Measures } from './types'

/** Smallest and largest withers height, mm: from the smallest toys to the tallest dogs that come to be groomed. */
export const WITHERS_LIMITS_MM = Object.freeze({ low: 150, high: 900 })

/** The fore foot's length as a share of withers height at foot 1, from the landmarks of the skeleton. */
const FOOT_SHARE = 0.118

/** By how much a measurement may differ from what the body type would give before it is a slip of the tape. */
const PLAUSIBLE = Object.freeze({ low: 0.6, high: 1.6 })

/** What the body type itself would measure at a withers height, mm. */
export function usualMeasures(body: BodyType, withersMm: number): Required<Measures> {
  return {
    withersMm,
    backMm: (body.len - body.fs - body.croupLen * 0.52) * withersMm,
    muzzleMm: body.headLen * body.muzzleShare * withersMm,
    forelegMm: (1 - body.chest + 0.03) * withersMm,
    footMm: FOOT_SHARE * body.foot * withersMm
  }
}

/**
 * A body type with a dog's own proportions. Skull length, depth and angles stay those of the type.
 * @throws CoreError `outOfRange` with the field, the value and what this type allows at this height
 */
export function fitBody(body: BodyType, own: Measures): BodyType {
  const { withersMm } = own
  inRange('withersMm', withersMm, WITHERS_LIMITS_MM.low, WITHERS_LIMITS_MM.high, 'mm')
  const usual = usualMeasures(body, withersMm)
  const measured = (field: Exclude<keyof Measures, 'withersMm'>): number | null => {
    const value = own[field]
    if (value === undefined) return null
    return inRange(field, value, Math.round(usual[field] * PLAUSIBLE.low), Math.round(usual[field] * PLAUSIBLE.high), 'mm')
  }
  const [back, muzzle, foreleg, foot] = [measured('backMm'), measured('muzzleMm'), measured('forelegMm'), measured('footMm')]
  const skull = body.headLen * (1 - body.muzzleShare)
  const headLen = muzzle === null ? body.headLen : skull + muzzle / withersMm
  // a longer muzzle makes the head longer, not the skull: what is a share of head length shrinks with it
  const same = body.headLen / headLen
  return {
    ...body,
    len: back === null ? body.len : back / withersMm + body.fs + body.croupLen * 0.52,
    headLen,
    muzzleShare: muzzle === null ? body.muzzleShare : muzzle / withersMm / headLen,
    muzzleDepth: body.muzzleDepth * same,
    skullDepth: body.skullDepth * same,
    dome: body.dome * same,
    stop: body.stop * same,
    eyeV: body.eyeV * same,
    earV: body.earV * same,
    ear: body.ear.map(([u, v]) => [u * same, v * same] as const),
    breadth: { ...body.breadth, skull: body.breadth.skull * same, muzzle: body.breadth.muzzle * same },
    chest: foreleg === null ? body.chest : 1.03 - foreleg / withersMm,
    foot: foot === null ? body.foot : foot / (FOOT_SHARE * withersMm)
  }
}

/** A dog that is stood up wide shows so much wall between the coats of its legs, mm. Chosen. */
const GAP_MM = 24

/**
 * The same dog with its legs set apart, as it is stood up for a picture from the front or the rear: the wall is seen between
 * them. A dog whose legs stand apart already stays as it is.
 * @param lengths of the hair on its legs, mm
 */
export function standingWide(
  body: BodyType,
  withersMm: number,
  lengths: { readonly foreleg?: number; readonly rearPastern?: number }
): BodyType {
  const { breadth } = body
  const track = (bone: number, hairMm = 0) => bone + (2 * hairMm + GAP_MM) / withersMm
  return {
    ...body,
    breadth: {
      ...breadth,
      foreTrack: Math.max(breadth.foreTrack, track(breadth.foreleg, lengths.foreleg)),
      rearTrack: Math.max(breadth.rearTrack, track(breadth.rearPastern, lengths.rearPastern))
    }
  }
}
