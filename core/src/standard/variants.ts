// A standard as it holds for one dog today: house rules choose their variants, wishes move lengths.
import { regionName, type RegionId } from '../regions'
import { sayNumber, upperFirst } from '../units'
import type { Criterion, How, Standard } from './types'
import { standardAsWished, WORK_WISH_NAMES, type WorkWish } from './wishes'
import { lengthsOfWork, planWithLength, settingPass, workFor, workSettled } from './work'

/** What was chosen for this visit: sides of house rules, and lengths that somebody asked for. */
export type Asked = {
  readonly house: Readonly<Record<string, number>>
  readonly wishes: readonly {
    readonly what: string
    readonly askedBy: string
    readonly length: { readonly region: RegionId; readonly mm: number } | null
    /** work that is done otherwise than the trim has it */
    readonly work?: WorkWish | null
  }[]
}

/** Something that is not as the standard has it: the places whose length it moves, what moved it (a house rule, a wish, or what was agreed at set-up) and how it is said. */
export type Moved = {
  readonly regions: readonly RegionId[]
  readonly by:
    { readonly rule: string; readonly side: number } | { readonly wish: string; readonly askedBy: string } | { readonly agreed: true }
  readonly say: string
}

export type FittedStandard = { readonly standard: Standard; readonly moved: readonly Moved[] }

/** Nothing chosen, nothing asked for: the standard as it is written. */
export const NOTHING_ASKED: Asked = { house: {}, wishes: [] }

/**
 * The standard that this trim is worked by and graded against. House rules come first, in the standard's order; a wish
 * for a length beats them. Moving a region's length moves its length criteria: the target becomes the new length, band and
 * limit keep their share of it, but never become narrower than the instrument can decide.
 * @returns the standard with plan and criteria moved, and each move as a sentence
 */
export function fittedStandard(written: Standard, { house, wishes }: Asked): FittedStandard {
  const standard = standardAsWished(written, wishes)
  const moved: Moved[] = []
  const { work } = standard.plan
  const settled = work && workSettled(work, house)
  let fitted = settled === work ? standard : { ...standard, plan: { ...standard.plan, work: settled } }
  for (const { rule, side, says, lengthsMm = {}, drops = [], criteria = [] } of standard.variants) {
    if ((house[rule] ?? 0) !== side) continue
    const byWork = movedByRule(standard, house, rule)
    for (const [region, mm] of byWork) fitted = withLength(fitted, region, mm)
    for (const [region, mm] of Object.entries(lengthsMm)) fitted = withLength(fitted, region as RegionId, mm)
    fitted = { ...fitted, criteria: replaced(fitted.criteria, criteria).filter(({ id }) => !drops.includes(id)) }
    const regions = [...new Set([...(Object.keys(lengthsMm) as RegionId[]), ...byWork.map(([region]) => region)])]
    moved.push({ regions, by: { rule, side }, say: `${says}.` })
  }
  for (const { region, mm, house: by } of leftByHouse(standard, fitted, house)) {
    moved.push({ regions: [region], by: { rule: by.id, side: by.side }, say: `${sayMove(region, mm, fitted)}, by house rule.` })
    fitted = withLength(fitted, region, mm)
  }
  if (standard !== written) {
    const { standard: worked, regions } = lengthsAsWished(written, fitted, house)
    fitted = worked
    for (const { what, askedBy, work: wish } of wishes)
      if (wish)
        moved.push({
          regions,
          by: { wish: what, askedBy },
          say: `${upperFirst(WORK_WISH_NAMES[wish])}${askedBy ? `, asked for by ${askedBy}` : ', as it was asked for'}.`
        })
  }
  for (const { what, askedBy, length } of wishes) {
    if (!length) continue
    const before = fitted
    const was = before.plan.lengthsMm[length.region]
    fitted = withLength(fitted, length.region, length.mm)
    if (was !== length.mm)
      moved.push({
        regions: [length.region],
        by: { wish: what, askedBy },
        say: `${sayMove(length.region, length.mm, before)}, ${askedBy ? `asked for by ${askedBy} (${what})` : 'as it was asked for'}.`
      })
  }
  return { standard: fitted, moved }
}

/** Lengths and criteria where the work was asked for otherwise: lengths follow the work, and what no longer exists is not asked. */
function lengthsAsWished(written: Standard, fitted: Standard, house: Asked['house']): { standard: Standard; regions: readonly RegionId[] } {
  const rows = (all: Standard, place: RegionId) => JSON.stringify(all.plan.work!.filter((row) => row.place === place))
  const regions = [...new Set(written.plan.work!.map(({ place }) => place))].filter((place) => rows(written, place) !== rows(fitted, place))
  const lengths = lengthsOfWork(fitted.plan.work!, { house })
  const standard = regions.reduce((all, region) => (lengths[region] === undefined ? all : withLength(all, region, lengths[region])), fitted)
  const isGone = ({ region, how }: Criterion) => regions.includes(region) && how.kind !== 'length' && how.kind !== 'difference'
  return { standard: { ...standard, criteria: standard.criteria.filter((criterion) => !isGone(criterion)) }, regions }
}

/** "Skull: 2 mm, not 3.2 mm" */
function sayMove(region: RegionId, mm: number, { plan }: Standard): string {
  const was = plan.lengthsMm[region]
  return `${regionName(region)}: ${sayNumber(mm)} mm${was === undefined ? '' : `, not ${sayNumber(was)} mm`}`
}

/** The lengths that one side of a house rule moves by the work that stands on it. */
function movedByRule({ plan }: Standard, house: Asked['house'], rule: string): [RegionId, number][] {
  if (!plan.work) return []
  const other = lengthsOfWork(plan.work, { house: { ...house, [rule]: 0 } })
  const own = Object.entries(lengthsOfWork(plan.work, { house })) as [RegionId, number][]
  return own.filter(([region, mm]) => mm !== other[region])
}

/** Lengths that the house moves without a variant that says so. */
function leftByHouse({ plan: { work } }: Standard, { plan }: Standard, house: Asked['house']) {
  if (!work) return []
  const rows = workFor(work, { house })
  return (Object.entries(lengthsOfWork(work, { house })) as [RegionId, number][]).flatMap(([region, mm]) => {
    const row = rows.find(({ place }) => place === region)
    const by = row && (settingPass(row)?.house ?? row.house)
    return by && plan.lengthsMm[region] !== mm ? [{ region, mm, house: by }] : []
  })
}

function replaced(criteria: readonly Criterion[], by: readonly Criterion[]): readonly Criterion[] {
  const known = new Set(criteria.map(({ id }) => id))
  return [...criteria.map((one) => by.find(({ id }) => id === one.id) ?? one), ...by.filter(({ id }) => !known.has(id))]
}

function withLength(standard: Standard, region: RegionId, mm: number): Standard {
  const criteria = standard.criteria.map((criterion) =>
    criterion.region === region && criterion.how.kind === 'length'
      ? { ...criterion, how: movedTo(criterion.how, mm, leastHalf(standard, criterion.how)) }
      : criterion
  )
  return { ...standard, plan: planWithLength(standard.plan, region, mm), criteria }
}

/** Half the narrowest band that the instrument can decide, with a tenth to spare: 1.96 u. */
export const leastHalf = (standard: Standard, how: { readonly instrument: string }) =>
  Math.ceil((standard.instruments.find(({ id }) => id === how.instrument)?.uMm ?? 0) * 1.96 * 10 + 1) / 10

type Length = Extract<How, { kind: 'length' }>

/** A length criterion with another target: band and limit keep their share of it, and are never narrower than the instrument can decide. */
export function movedTo(how: Length, mm: number, leastMm: number): Length {
  if (how.targetMm === mm) return how
  const share = how.targetMm > 0 ? mm / how.targetMm : 1
  const tenth = (value: number) => Math.round(Math.max(0, value) * 10) / 10
  const reach = (end: number | null) => (end === null ? null : Math.max(leastMm, Math.abs(end - how.targetMm) * share))
  const [under, over] = how.band.map(reach)
  const low = under === null ? null : tenth(mm - under!)
  // hair cannot be shorter than none: what the band loses at the bottom it keeps at the top
  const high = over === null ? null : tenth(Math.max(mm + over!, (low ?? 0) + 2 * leastMm))
  const [none, full] = how.limit.map((end) => (end === null ? null : Math.abs(end - how.targetMm) * share))
  return {
    ...how,
    targetMm: mm,
    band: [low, high],
    limit: [
      none === null || low === null ? null : Math.min(low, tenth(mm - Math.max(none!, (under ?? 0) + leastMm))),
      full === null || high === null ? null : tenth(Math.max(mm + full!, high + leastMm))
    ],
    grownOutMm: Math.max(high ?? 0, tenth(mm + (how.grownOutMm - how.targetMm) * Math.max(share, 0.5)))
  }
}
