import { CoreError, inRange } from '../error'
import { regionName } from '../regions'
import { computeFrom, formulaById, howOnSide, type Band, type Criterion, type How, type Standard, type Unit } from '../standard'
import { giveOrTake, lowerFirst, sayNumber } from '../units'
import { byEye, conformity, fromReadings, shareOfMarks, verdictOf, type Measured } from './measure'
import type { Answer, Answers, HandAnswer, PartResult, PictureMeasured, SideAnswer, SideKey } from './types'

/** One side of a criterion together with what was found there, before any drawing of chances. */
export type Part = {
  readonly criterion: Criterion
  /** how this side is answered: with its own target where the sides were agreed apart */
  readonly how: How
  readonly side: SideKey
  readonly weight: number
  readonly answer: HandAnswer | ({ readonly kind: 'picture' } & PictureMeasured) | null
  readonly overruled: Extract<SideAnswer, { kind: 'overruled' }> | null
  readonly measured: Measured | null
  readonly instrument: string | null
}

/** Judged levels run 0 to 4. */
export const TOP_LEVEL = 4
const MEETS_FROM_LEVEL = 3

/** The sides a criterion is answered for. A difference is computed, never answered. */
export function sidesOf(how: How): readonly SideKey[] {
  if (how.kind === 'difference') return ['whole']
  return how.sides === 'pair' ? ['left', 'right'] : ['whole']
}

/** Does it follow from what another criterion was answered with? Then nothing is asked here. */
export function follows({ how }: Criterion): boolean {
  return how.kind === 'difference' || (how.kind === 'computed' && how.readingsOf !== undefined)
}

/** The unit a criterion is measured in. */
export function unitOf(how: How): Unit {
  return how.kind === 'computed' ? (formulaById(how.formula)?.unit ?? 'mm') : 'mm'
}

/** The value at which a measured criterion is as it should be; null for what is judged or compared. */
export function targetOf(how: How): number | null {
  if (how.kind === 'computed') return how.target
  return how.kind === 'length' || how.kind === 'measured' ? how.targetMm : null
}

/**
 * Every part of the standard with its answer. Half the weight goes to each side of a pair.
 * Refuses an answer of the wrong kind (`wrongAnswer`), an unknown criterion (`unknownCriterion`) or a value out of range.
 */
export function partsOf(standard: Standard, answers: Answers): Part[] {
  for (const [id, answer] of Object.entries(answers)) refuseStray(standard, id, answer)
  return standard.criteria.flatMap((criterion) => {
    const sides = sidesOf(criterion.how)
    return sides.map((side) => partOf(standard, criterion, side, criterion.weight / sides.length, answers))
  })
}

function refuseStray(standard: Standard, id: string, answer: Answer): void {
  const criterion = standard.criteria.find((candidate) => candidate.id === id)
  if (!criterion) throw new CoreError({ code: 'unknownCriterion', path: `answers.${id}`, got: id, limit: `a criterion of ${standard.id}` })
  if (follows(criterion) && !Object.values(answer).every((own) => own.kind === 'picture' || own.kind === 'overruled'))
    throw new CoreError({ code: 'computed', path: `answers.${id}`, got: 'an answer', limit: 'none: it follows from other readings' })
  const sides = sidesOf(criterion.how)
  const stray = Object.keys(answer).find((side) => !(sides as readonly string[]).includes(side))
  if (stray !== undefined) throw new CoreError({ code: 'wrongSide', path: `answers.${id}`, got: stray, limit: sides.join(' and ') })
}

function partOf(standard: Standard, criterion: Criterion, side: SideKey, weight: number, answers: Answers): Part {
  if (criterion.how.kind === 'difference') return differencePart(standard, criterion, weight, answers)
  const how = howOnSide(criterion.how, side)
  const from = how.kind === 'computed' ? (how.readingsOf ?? criterion.id) : criterion.id
  // what was measured for this very criterion comes before readings that it follows from
  const own = answers[criterion.id]?.[side] ?? null
  const given = own?.kind === 'picture' || own?.kind === 'overruled' ? own : (answers[from]?.[side] ?? null)
  const overruled = given?.kind === 'overruled' ? given : null
  const answer = given?.kind === 'overruled' ? given.instead : given
  // another criterion's picture is of another thing
  if (answer?.kind === 'picture' && !own) return { criterion, how, side, weight, answer: null, overruled, measured: null, instrument: null }
  const instrument = answer?.kind === 'picture' ? pictureKey(answer) : 'instrument' in how ? how.instrument : null
  const measured = answer ? measuredFrom(standard, { ...criterion, how }, side, answer) : null
  return { criterion, how, side, weight, answer, overruled, measured, instrument }
}

/** All measures of one picture share its scale, as all readings with one instrument share its error. */
const pictureKey = ({ pictureId }: PictureMeasured) => `picture:${pictureId}`

function fromPicture({ value, u, common }: PictureMeasured, path: string): Measured {
  inRange(`${path}.value`, value, -3000, 3000)
  inRange(`${path}.u`, u, 0.001, 3000)
  inRange(`${path}.common`, common, 0, u)
  return { method: 'picture', value, u, common, n: 1 }
}

function measuredFrom(standard: Standard, criterion: Criterion, side: SideKey, answer: NonNullable<Part['answer']>): Measured | null {
  const { how } = criterion
  const path = `answers.${criterion.id}.${side}`
  if (answer.kind === 'picture') {
    if (how.kind === 'judged') throw new CoreError({ code: 'wrongAnswer', path, got: 'a measure', limit: 'a level 0 to 4' })
    return fromPicture(answer, path)
  }
  if (answer.kind === 'level') {
    if (how.kind !== 'judged') throw new CoreError({ code: 'wrongAnswer', path, got: 'a level', limit: 'readings in mm' })
    if (!Number.isInteger(answer.level)) throw new CoreError({ code: 'outOfRange', path, got: answer.level, limit: '0, 1, 2, 3 or 4' })
    inRange(path, answer.level, 0, TOP_LEVEL)
    return null
  }
  if (how.kind === 'judged' || how.kind === 'difference') {
    if (answer.kind === 'readings' || answer.kind === 'inputs')
      throw new CoreError({ code: 'wrongAnswer', path, got: 'readings', limit: 'a level 0 to 4' })
    return null
  }
  if (answer.kind === 'asItShouldBe') return byEye(targetOf(how)!, how.band)
  if (how.kind === 'computed') return answer.kind === 'inputs' ? computedFrom(standard, how, answer.values) : strayReadings(answer, path)
  if (answer.kind === 'inputs') throw new CoreError({ code: 'wrongAnswer', path, got: 'readings by name', limit: 'readings in mm' })
  if (answer.kind !== 'readings') return null
  return fromReadings(answer.mm, instrumentOf(standard, how.instrument))
}

function strayReadings(answer: NonNullable<Part['answer']>, path: string): null {
  if (answer.kind === 'readings')
    throw new CoreError({ code: 'wrongAnswer', path, got: 'readings', limit: 'one reading of each place, by its name' })
  return null
}

function computedFrom(standard: Standard, how: Extract<How, { kind: 'computed' }>, values: Readonly<Record<string, number>>): Measured {
  return { method: 'computed', n: 1, ...computeFrom(how.formula, values, instrumentOf(standard, how.instrument)) }
}

function instrumentOf(standard: Standard, id: string) {
  const instrument = standard.instruments.find((candidate) => candidate.id === id)
  if (!instrument)
    throw new CoreError({ code: 'unknownInstrument', path: 'instrument', got: id, limit: standard.instruments.map((i) => i.id).join(', ') })
  return instrument
}

/** Left minus right of the pair it names. What both readings share (the instrument's common part) drops out of its u. */
function differencePart(standard: Standard, criterion: Criterion, weight: number, answers: Answers): Part {
  const { how } = criterion
  if (how.kind !== 'difference') throw new Error('not a difference')
  const pair = standard.criteria.find((other) => other.id === how.of)!
  const [left, right] = (['left', 'right'] as const).map((side) => partOf(standard, pair, side, pair.weight / 2, answers))
  const none = { criterion, how, side: 'whole' as const, weight, overruled: null, measured: null, instrument: null }
  const outside = [left, right].find((part) => part!.answer?.kind === 'excused' || part!.answer?.kind === 'instructor')
  if (outside) return { ...none, answer: outside.answer }
  const given = answers[criterion.id]?.whole ?? null
  if (given?.kind === 'picture')
    return { ...none, answer: given, measured: fromPicture(given, `answers.${criterion.id}.whole`), instrument: pictureKey(given) }
  const overruled = given?.kind === 'overruled' ? given : null
  if (overruled?.instead.kind === 'asItShouldBe')
    return { ...none, overruled, answer: overruled.instead, measured: byEye(how.agreedMm ?? 0, how.band) }
  if (!left!.measured || !right!.measured) return { ...none, answer: null }
  // whoever vouches for both sides by eye has seen them side by side: they are as they should be to each other as well
  if (left!.measured.method === 'by eye' && right!.measured.method === 'by eye')
    return { ...none, overruled, answer: { kind: 'asItShouldBe' }, measured: byEye(how.agreedMm ?? 0, how.band) }
  const own = (m: Measured) => m.u ** 2 - m.common ** 2
  const measured: Measured = {
    method: left!.measured.n && right!.measured.n ? 'mean of readings' : 'by eye',
    value: left!.measured.value - right!.measured.value,
    u: Math.sqrt(own(left!.measured) + own(right!.measured)),
    common: 0,
    n: Math.min(left!.measured.n, right!.measured.n)
  }
  return { ...none, overruled, answer: { kind: 'asItShouldBe' }, measured }
}

/** Marks share of a part, 0..1, at a given value (mm) or level; null where it counts for nothing. */
export function shareAt({ how }: Part, valueMm: number | null, level: number | null): number | null {
  if (how.kind === 'judged') return level === null ? null : Math.min(TOP_LEVEL, Math.max(0, level)) / TOP_LEVEL
  return valueMm === null ? null : shareOfMarks(valueMm, how.band, how.limit)
}

/** The level an answer stands for: "as it should be" is the top one. */
export function levelOf(part: Part): number | null {
  if (part.how.kind !== 'judged' || !part.answer) return null
  if (part.answer.kind === 'level') return part.answer.level
  return part.answer.kind === 'asItShouldBe' ? TOP_LEVEL : null
}

/** A part in figures and in words. */
export function describePart(part: Part, standard: Standard): PartResult {
  const { criterion, side, weight, answer, measured } = part
  const level = levelOf(part)
  const judgement = judge(part, standard, level)
  return {
    criterionId: criterion.id,
    label: criterion.label,
    side,
    section: criterion.section,
    station: criterion.station,
    region: criterion.region,
    place: criterion.place,
    basis: basisOf(part),
    valueMm: measured?.value ?? null,
    uMm: measured?.u ?? null,
    unit: unitOf(part.how),
    level,
    share01: answer ? shareAt(part, measured?.value ?? null, level) : null,
    weight,
    ...judgement,
    overruled: part.overruled && { reason: part.overruled.reason, value: part.overruled.measured.value, u: part.overruled.measured.u }
  }
}

function basisOf(part: Part): PartResult['basis'] {
  if (!part.answer || part.answer.kind === 'excused' || part.answer.kind === 'instructor') return 'none'
  if (part.how.kind === 'judged') return 'judged'
  if (part.answer.kind === 'picture') return 'picture'
  if (part.how.kind === 'difference' && part.measured?.method === 'by eye') return 'byEye'
  if (part.how.kind === 'difference' || part.answer.kind === 'inputs') return 'computed'
  return part.answer.kind === 'readings' ? 'readings' : 'byEye'
}

type Judgement = Pick<PartResult, 'verdict' | 'departure' | 'conformity01' | 'say'>

function judge(part: Part, standard: Standard, level: number | null): Judgement {
  const plain = { departure: null, conformity01: null } as const
  const { answer, how, measured } = part
  if (!answer) return { ...plain, verdict: 'notAnswered', say: 'not answered' }
  if (answer.kind === 'excused') return { ...plain, verdict: 'excused', say: `like this on arrival: ${answer.reason}` }
  if (answer.kind === 'instructor') return { ...plain, verdict: 'instructor', say: 'finished by the instructor' }
  if (how.kind === 'judged') {
    return { ...plain, verdict: level! >= MEETS_FROM_LEVEL ? 'meets' : 'fails', say: `${level}: ${how.levels[level!]}` }
  }
  const chance = conformity(measured!.value, measured!.u, how.band)
  const needed = 'instrument' in how ? instrumentOf(standard, how.instrument).readings : 0
  const missing = answer.kind === 'readings' ? Math.max(0, needed - answer.mm.length) : 0
  const verdict = missing > 0 ? 'cannotTell' : verdictOf(chance)
  // of two sides that differ it is the longer one that is shown: it alone can be cut
  const departure = verdict !== 'fails' ? null : how.kind === 'difference' ? 'long' : departureOf(measured!.value, how.band)
  const say = missing > 0 ? `cannot tell: ${missing} more reading${missing > 1 ? 's' : ''}` : sayMeasure(part, verdict, departure)
  return { verdict, departure, conformity01: chance, say }
}

function departureOf(value: number, band: Band): 'long' | 'short' {
  return band[1] !== null && value > band[1] ? 'long' : 'short'
}

function sayMeasure(part: Part, verdict: 'meets' | 'fails' | 'cannotTell', departure: 'long' | 'short' | null): string {
  const { how } = part
  const { value, u } = part.measured!
  const unit = unitOf(how)
  if (verdict === 'cannotTell') {
    return part.measured!.method === 'by eye'
      ? 'cannot tell by eye: use the gauge'
      : `cannot tell at ${sayNumber(value)} ${unit}, give or take ${giveOrTake(u)}: measure again`
  }
  if (how.kind === 'difference') {
    const beyond = value - (how.agreedMm ?? 0)
    const agreed = how.agreedMm ? ' than agreed' : ''
    if (verdict === 'meets' && part.measured!.method === 'by eye') return 'alike, by eye'
    if (verdict === 'meets') return `meets, ${sayNumber(Math.abs(value))} mm apart${how.agreedMm ? ', as agreed' : ''}`
    return `${beyond > 0 ? 'left' : 'right'} ${sayNumber(Math.abs(beyond))} mm longer${agreed}`
  }
  if (verdict === 'meets') return part.measured!.method === 'by eye' ? 'as it should be' : `meets, ${sayNumber(value)} ${unit}`
  if (how.kind === 'length') return `${sayNumber(Math.abs(value - how.targetMm))} mm too ${departure}`
  if (how.kind === 'computed') return `${sayNumber(value)} ${unit}, not ${sayBand(how.band)}`
  return `${sayNumber(value)} mm off`
}

/** What is allowed, in the unit of what is measured. */
export const sayBand = ([low, high]: Band): string =>
  low === null ? `${sayNumber(high!)} or less` : high === null ? `${sayNumber(low)} or more` : `${sayNumber(low)} to ${sayNumber(high)}`

/** "Left foreleg", "Beard": the side is always the dog's own. */
export function sayPlace(criterion: Criterion, side: SideKey): string {
  const name = regionName(criterion.region)
  return side === 'whole' ? name : `${side === 'left' ? 'Left' : 'Right'} ${lowerFirst(name)}`
}
