import { regionName } from '../regions'
import type { Criterion, LengthTarget, Standard } from '../standard'
import { sayNumber } from '../units'
import { shareOfMarks } from './measure'
import { levelOf, sayPlace, shareAt, type Part } from './parts'
import { counts } from './total'
import type { BurnPlace, MendItem, SideKey } from './types'

/** Cuts are sought in steps of half a millimetre: finer is not cut by hand. Common practice, no published source. */
const STEP_MM = 0.5
const MOST_TO_MEND = 3
/** A gain below a fifth of a mark is not worth another cut. Our own choice. */
const LEAST_GAIN = 0.2

export type Mending = { readonly mend: readonly MendItem[]; readonly nextTime: readonly string[] }

/**
 * What to mend now, biggest gain first, at most three; and what must wait. Cuts only: hair cannot be put back, so the
 * cut of each side is 0 mm or more, chosen to gain most marks for both sides and their difference together. A place
 * that burned before is never cut shorter.
 * @param parts every part of the grading
 * @returns gains in marks of 100
 */
export function mendingOf(standard: Standard, parts: readonly Part[], burns: readonly BurnPlace[]): Mending {
  const weight = parts.filter(counts).reduce((sum, part) => sum + part.weight, 0)
  const perMark = weight > 0 ? 100 / weight : 0
  const items: MendItem[] = []
  const later: string[] = []
  for (const criterion of standard.criteria) {
    const own = parts.filter((part) => part.criterion === criterion && counts(part))
    if (own.length === 0) continue
    if (criterion.how.kind === 'difference') {
      items.push(...own.flatMap((part) => mendPair(part, burns)).map((item) => ({ ...item, gain: item.gain * perMark })))
      continue
    }
    const found = criterion.how.kind === 'length' ? mendLength(parts, own, burns) : own.flatMap((part) => mendOther(part, burns))
    for (const item of found) {
      const gain = item.gain * perMark
      if (gain >= LEAST_GAIN) items.push({ ...item, gain })
      else if (item.say !== '' && item.wait) later.push(item.say)
    }
  }
  items.sort((a, b) => b.gain - a.gain || a.criterionId.localeCompare(b.criterionId))
  return { mend: items.slice(0, MOST_TO_MEND).map(withoutWait), nextTime: later.slice(0, MOST_TO_MEND) }
}

type Candidate = MendItem & { readonly wait?: boolean }

function withoutWait({ wait: _wait, ...item }: Candidate): MendItem {
  return item
}

/** The best pair of cuts for the sides of a length, each with its own target, and, where the standard compares its sides, their difference. */
export function bestCuts(
  sides: readonly (LengthTarget & { readonly value: number; readonly weight: number; readonly burned: boolean })[],
  pair: {
    readonly weight: number
    readonly band: readonly [number | null, number | null]
    readonly limit: readonly [number | null, number | null]
  } | null
): { readonly cuts: readonly number[]; readonly gain: number } {
  const options = sides.map((side) => (side.burned ? [0] : cutsUpTo(side.value)).map((cut) => option(side, cut)))
  const start = sides.map((side) => option(side, 0))
  const together = (a: Option, b: Option | undefined) =>
    a.worth + (b ? b.worth : 0) + (pair && b ? pair.weight * shareOfMarks(a.after - b.after, pair.band, pair.limit) : 0)
  const [first, second] = options
  const before = together(start[0]!, start[1])
  let best = { a: start[0]!, b: start[1] as Option | undefined, worth: before, off: start[0]!.off + (start[1]?.off ?? 0) }
  for (const a of first!) {
    for (const b of second ?? [undefined]) {
      const worth = together(a, b)
      const off = a.off + (b ? b.off : 0)
      if (worth > best.worth + 1e-9 || (worth > best.worth - 1e-9 && off < best.off - 1e-9)) best = { a, b, worth, off }
    }
  }
  return { cuts: best.b ? [best.a.cut, best.b.cut] : [best.a.cut], gain: best.worth - before }

  function option({ value, weight, targetMm, band, limit }: (typeof sides)[number], cut: number): Option {
    const after = value - cut
    return { cut, after, worth: weight * shareOfMarks(after, band, limit), off: Math.abs(after - targetMm) }
  }
}

type Option = { readonly cut: number; readonly after: number; readonly worth: number; readonly off: number }

function cutsUpTo(value: number): number[] {
  return Array.from({ length: Math.floor(value / STEP_MM) + 1 }, (_, i) => i * STEP_MM)
}

function mendLength(parts: readonly Part[], own: readonly Part[], burns: readonly BurnPlace[]): Candidate[] {
  const { criterion } = own[0]!
  const pair = parts.find((part) => part.criterion.how.kind === 'difference' && part.criterion.how.of === criterion.id && counts(part))
  const compared = pair && pair.how.kind === 'difference' && own.length === 2 ? { weight: pair.weight, ...pair.how } : null
  const sides = own.flatMap((part) =>
    part.how.kind === 'length'
      ? [{ ...part.how, side: part.side, value: part.measured!.value, weight: part.weight, burned: isBurned(criterion, part.side, burns) }]
      : []
  )
  // sides that are not compared are mended each on its own, so that a sentence names one place
  const groups = compared ? [sides] : sides.map((side) => [side])
  return groups.map((group) => {
    const { cuts, gain } = bestCuts(group, compared)
    const cutOf = (side: SideKey) => cuts[group.findIndex((member) => member.side === side)] ?? 0
    const cutMm = {
      left: group[0]!.side === 'whole' ? cuts[0]! : cutOf('left'),
      right: group[0]!.side === 'whole' ? cuts[0]! : cutOf('right')
    }
    const { say, wait, side } = sayLengthMend(criterion, group, cuts)
    return { criterionId: criterion.id, side, region: criterion.region, gain, cutMm, say, wait }
  })
}

type MeasuredSide = LengthTarget & { readonly side: SideKey; readonly value: number; readonly burned: boolean }

// eslint-disable-next-line max-lines-per-function -- one case beside the other: apart, none would show that they are all
function sayLengthMend(
  criterion: Criterion,
  group: readonly MeasuredSide[],
  cuts: readonly number[]
): { say: string; wait: boolean; side: SideKey } {
  const cutAt = group.map((_, i) => i).filter((i) => cuts[i]! > 0)
  const overTarget = ({ value, targetMm }: MeasuredSide) => value - targetMm
  const shortest = group.reduce((a, b) => (overTarget(b) < overTarget(a) ? b : a))
  const isShort = shortest.band[0] !== null && shortest.value < shortest.band[0]
  const shortBy = sayNumber(-overTarget(shortest))
  if (cutAt.length === 0) {
    if (isShort)
      return {
        say: `${sayPlace(criterion, shortest.side)} is ${shortBy} mm short ${criterion.place}: leave it longer next time.`,
        wait: true,
        side: shortest.side
      }
    const burned = group.find((side) => side.burned && side.band[1] !== null && side.value > side.band[1])
    if (burned) {
      const over = sayNumber(overTarget(burned))
      return {
        say: `${sayPlace(criterion, burned.side)} is ${over} mm too long ${criterion.place}, but the dog was burned here before: leave it, never go shorter.`,
        wait: true,
        side: burned.side
      }
    }
    return { say: '', wait: false, side: group[0]!.side }
  }
  const i = cutAt[0]!
  const after = sayNumber(group[i]!.value - cuts[i]!)
  if (cutAt.length === 1 && group.length === 2 && isShort && shortest !== group[i]) {
    const other = group[i]!.side === 'left' ? 'left' : 'right'
    return {
      say: `${sayPlace(criterion, shortest.side)} is ${shortBy} mm short ${criterion.place}: leave it; bring the ${other} side to ${after} mm.`,
      wait: false,
      side: shortest.side
    }
  }
  if (cutAt.length === 1 && group.length === 2) {
    const prouder = sayNumber(overTarget(group[i]!) - overTarget(group[1 - i]!))
    const other = group[1 - i]!.side
    return {
      say: `${sayPlace(criterion, group[i]!.side)} is ${prouder} mm longer than the ${other} ${criterion.place}: take off ${sayNumber(cuts[i]!)} mm.`,
      wait: false,
      side: group[i]!.side
    }
  }
  if (cutAt.length === 2) {
    const name = regionName(criterion.region)
    return {
      say: `${name} is long on both sides ${criterion.place}: take ${sayNumber(cuts[0]!)} mm off the left and ${sayNumber(cuts[1]!)} mm off the right.`,
      wait: false,
      side: cuts[0]! >= cuts[1]! ? group[0]!.side : group[1]!.side
    }
  }
  return {
    say: `${sayPlace(criterion, group[i]!.side)} is ${sayNumber(overTarget(group[i]!))} mm too long ${criterion.place}: take off ${sayNumber(cuts[i]!)} mm.`,
    wait: false,
    side: group[i]!.side
  }
}

/** Two sides compared on a photograph alone: the longer one comes back. Gauged sides are mended by their own lengths. */
function mendPair(part: Part, burns: readonly BurnPlace[]): Candidate[] {
  const { criterion, measured, how } = part
  if (part.answer?.kind !== 'picture' || !measured || how.kind !== 'difference') return []
  const share = shareAt(part, measured.value, null) ?? 1
  const beyond = measured.value - (how.agreedMm ?? 0)
  const side = beyond > 0 ? 'left' : 'right'
  if (share >= 1 || isBurned(criterion, side, burns)) return []
  const mm = sayNumber(Math.abs(beyond))
  const cutMm = { left: side === 'left' ? Math.abs(beyond) : 0, right: side === 'right' ? Math.abs(beyond) : 0 }
  const say = `${sayPlace(criterion, side)} is ${mm} mm longer than the ${side === 'left' ? 'right' : 'left'}: take off ${mm} mm.`
  return [{ criterionId: criterion.id, side, region: criterion.region, cutMm, gain: part.weight * (1 - share), say }]
}

function mendOther(part: Part, burns: readonly BurnPlace[]): Candidate[] {
  const { criterion } = part
  const { how } = criterion
  if (how.kind !== 'judged' && how.kind !== 'measured' && how.kind !== 'computed') return []
  const share = shareAt(part, part.measured?.value ?? null, levelOf(part)) ?? 1
  if (share >= 1) return []
  const place = sayPlace(criterion, part.side)
  const found = how.kind === 'judged' ? how.levels[levelOf(part)!] : how.fault.replace(/\{(mm|value)\}/, sayNumber(part.measured!.value))
  const sidePrefix = part.side === 'whole' ? '' : `${part.side === 'left' ? 'Left' : 'Right'} side. `
  const finding = how.kind === 'judged' ? `${criterion.label}: ${found}` : `${sidePrefix}${found}`
  const cutMm = { left: 0, right: 0 }
  const base = { criterionId: criterion.id, side: part.side, region: criterion.region, cutMm }
  const where = how.kind === 'judged' && part.side !== 'whole' ? ` (${place.toLowerCase()})` : ''
  if (!how.mendNow) return [{ ...base, gain: 0, say: `${finding}${where}. Next time: ${how.mend}.`, wait: true }]
  if (isBurned(criterion, part.side, burns)) {
    return [{ ...base, gain: 0, say: `${finding}${where}, but the dog was burned here before: leave it, never go shorter.`, wait: true }]
  }
  return [{ ...base, gain: part.weight * (1 - share), say: `${finding}${where}: ${how.mend}.` }]
}

function isBurned(criterion: Criterion, side: SideKey, burns: readonly BurnPlace[]): boolean {
  return burns.some((burn) => burn.region === criterion.region && (burn.side === 'both' || side === 'whole' || burn.side === side))
}
