// The lengths that were agreed for this dog today, and what they make of the standard that its trim is graded against.
import { regionName, type RegionId } from '../regions'
import { sayNumber } from '../units'
import type { Criterion, How, LengthTarget, Plan, Standard } from './types'
import { leastHalf, movedTo, type FittedStandard, type Moved } from './variants'

/** What was agreed for one place, or one of its sides: the length that will stand there, mm. */
export type AgreedLength = {
  readonly region: RegionId
  readonly side: 'left' | 'right' | 'both' | 'whole'
  /** null where nothing is cut, or no length is set */
  readonly mm: number | null
  /** who or what asked for this length, as a sentence without its full stop */
  readonly why: string
  /** a further part of a place that is worked in several ways: the place is graded by its first */
  readonly isPart?: boolean
}

type Sided = { readonly left: number | null; readonly right: number | null }

/** The agreed length of a place on either side, mm; null where none was agreed. */
export function agreedAt(agreed: readonly AgreedLength[], region: RegionId): Sided {
  const on = (key: 'left' | 'right') =>
    agreed.find((one) => one.region === region && !one.isPart && (one.side === key || one.side === 'both' || one.side === 'whole'))?.mm ??
    null
  return { left: on('left'), right: on('right') }
}

/**
 * The standard by which a trim is graded once its lengths are agreed: each length criterion asks for what was agreed at its
 * place, side by side where the sides differ, and a difference between sides is counted from the agreed one. Band and limit
 * keep their share of the target, and never become narrower than the instrument can decide. Lengths in mm.
 */
export function agreedStandard({ standard, moved }: FittedStandard, agreed: readonly AgreedLength[]): FittedStandard {
  if (agreed.length === 0) return { standard, moved }
  const criteria = standard.criteria.map((criterion) => withAgreed(standard, criterion, agreedAt(agreed, criterion.region)))
  const pairs = new Map(criteria.map((one) => [one.id, one]))
  const says = (Object.entries(standard.plan.lengthsMm) as [RegionId, number][]).flatMap(([region, was]) => {
    const { left, right } = agreedAt(agreed, region)
    return [left, right].every((mm) => mm === null || mm === was) ? [] : [sayAgreed(region, { left, right }, was, agreed)]
  })
  return {
    standard: { ...standard, plan: planAgreed(standard.plan, agreed), criteria: criteria.map((one) => withAgreedPair(one, pairs)) },
    moved: [...moved, ...says]
  }
}

/** A trim's plan with the lengths that were agreed for one dog, mm; where the sides differ, the longer: hair cannot be put back. */
export function planAgreed<P extends Pick<Plan, 'lengthsMm'>>(plan: P, agreed: readonly AgreedLength[]): P {
  const lengthsMm = Object.fromEntries(
    (Object.entries(plan.lengthsMm) as [RegionId, number][]).map(([region, was]) => {
      const { left, right } = agreedAt(agreed, region)
      return [region, left === null && right === null ? was : Math.max(left ?? 0, right ?? 0)]
    })
  )
  return { ...plan, lengthsMm }
}

function sayAgreed(region: RegionId, { left, right }: Sided, was: number, agreed: readonly AgreedLength[]): Moved {
  const isEven = left === right || left === null || right === null
  const length = isEven ? `${sayNumber((left ?? right)!)} mm` : `${sayNumber(left)} mm on the left, ${sayNumber(right)} mm on the right`
  const why = agreed.find((one) => one.region === region && !one.isPart && one.mm !== null && one.mm !== was)?.why ?? ''
  return {
    regions: [region],
    by: { agreed: true },
    say: `${regionName(region)}: ${length}, not ${sayNumber(was)} mm${why ? `: ${why}` : ''}.`
  }
}

function withAgreed(standard: Standard, criterion: Criterion, { left, right }: Sided): Criterion {
  const { how } = criterion
  if (how.kind !== 'length') return criterion
  const [onLeft, onRight] = [left ?? right ?? how.targetMm, right ?? left ?? how.targetMm]
  const least = leastHalf(standard, how)
  const longer = movedTo(how, Math.max(onLeft, onRight), least)
  if (onLeft === onRight || how.sides === 'single') return { ...criterion, how: longer }
  const target = (mm: number): LengthTarget => {
    const { targetMm, band, limit } = movedTo(how, mm, least)
    return { targetMm, band, limit }
  }
  // what is drawn and said of the place as a whole goes by its longer side: hair cannot be put back
  return { ...criterion, how: { ...longer, bySide: { left: target(onLeft), right: target(onRight) } } }
}

/** Where the sides were agreed apart, they may differ by just that. */
function withAgreedPair(criterion: Criterion, byId: ReadonlyMap<string, Criterion>): Criterion {
  const { how } = criterion
  const pair = how.kind === 'difference' ? byId.get(how.of)?.how : undefined
  if (how.kind !== 'difference' || pair?.kind !== 'length' || !pair.bySide) return criterion
  const apartMm = pair.bySide.left.targetMm - pair.bySide.right.targetMm
  const shift = (end: number | null) => (end === null ? null : end + apartMm)
  return {
    ...criterion,
    how: { ...how, agreedMm: apartMm, band: [shift(how.band[0]), shift(how.band[1])], limit: [shift(how.limit[0]), shift(how.limit[1])] }
  }
}

/** How a criterion is answered on one side: with that side's own target where the sides were agreed apart. */
export function howOnSide(how: How, side: 'left' | 'right' | 'whole'): How {
  if (how.kind !== 'length' || !how.bySide || side === 'whole') return how
  return { ...how, ...how.bySide[side] }
}
