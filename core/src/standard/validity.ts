import type { CoreIssue } from '../error'
import { CoreError } from '../error'
import { isRegionId } from '../regions'
import { Z_95 } from '../stats'
import { giveOrTake, sayNumber } from '../units'
import { computeFrom, formulaById } from './formulas'
import { STATIONS, type Band, type Criterion, type How, type Instrument, type Standard } from './types'
import { fittedStandard } from './variants'
import { workIssues, type WorkKnown } from './work-validity'

/**
 * The largest standard uncertainty with which a band can still be met at its best point, at 95 % conformity, in the band's
 * own unit. A band of both ends: width / (2 * 1.96); of one end: the distance from nought / 1.645. Infinite when both are open.
 * Source: JCGM 106:2012, 8.3; the two-sided form is the design's 3.92 u.
 */
export function largestUsableU(band: Band): number {
  const [low, high] = band
  if (low !== null && high !== null) return (high - low) / (2 * Z_95)
  if (high !== null) return high / Z_95_ONE_SIDED
  return Infinity
}

const Z_95_ONE_SIDED = 1.6448536269514722

/** u that a criterion is answered with, in its own unit: the instrument's, or what the formula makes of it; null where nothing is read. */
export function uOf(standard: Standard, how: How): number | null {
  if (how.kind === 'judged' || how.kind === 'difference') return null
  const instrument = standard.instruments.find(({ id }) => id === how.instrument)
  if (!instrument) return null
  return how.kind === 'computed' ? computeFrom(how.formula, how.typical, instrument).u : instrument.uMm
}

/** What a standard may refer to outside itself. */
export type Known = Pick<WorkKnown, 'toolKinds'> & {
  readonly techniques?: ReadonlySet<string>
  readonly tools?: ReadonlySet<string>
  readonly bodies?: ReadonlySet<string>
  /** drawn coats, each with its body */
  readonly coats?: ReadonlyMap<string, string>
  /** house rules with the number of their sides */
  readonly houses?: ReadonlyMap<string, number>
}

type Refuse = (path: string, got: unknown, limit: string, code?: string) => void

/** Everything wrong with a standard, each with its place; an empty list when it can be used. */
export function standardIssues(standard: Standard, known: Known = {}): CoreIssue[] {
  const issues: CoreIssue[] = []
  const refuse: Refuse = (path, got, limit, code = 'invalidStandard') => issues.push({ code, path, got, limit })
  headIssues(standard, known, refuse)
  criteriaIssues(standard, '', refuse)
  sectionIssues(standard, refuse)
  planIssues(standard, known, refuse)
  workIssues(standard, known, refuse)
  referenceIssues(standard, refuse)
  variantIssues(standard, known, refuse)
  return issues
}

function headIssues(standard: Standard, { bodies }: Known, refuse: Refuse): void {
  if (standard.name.trim() === '') refuse('name', 'empty', 'a name')
  if (bodies && !bodies.has(standard.bodyType)) refuse('bodyType', standard.bodyType, [...bodies].join(', '))
  if (!(standard.passMark > 0 && standard.passMark < 100)) refuse('passMark', standard.passMark, 'more than 0 and less than 100')
  if (!(standard.standardMin > 0)) refuse('standardMin', standard.standardMin, 'more than 0 minutes')
  for (const { id, cap } of standard.critical) if (!(cap >= 0 && cap < 100)) refuse(`critical.${id}.cap`, cap, '0 to 99')
  for (const { id, uMm, commonMm, readings } of standard.instruments) {
    if (!(uMm > 0)) refuse(`instruments.${id}.uMm`, uMm, 'more than 0 mm')
    if (!(commonMm >= 0 && commonMm <= uMm)) refuse(`instruments.${id}.commonMm`, commonMm, `0 to ${uMm} mm, its own u`)
    if (!(Number.isInteger(readings) && readings >= 1 && readings <= 9)) refuse(`instruments.${id}.readings`, readings, '1 to 9')
  }
}

function criteriaIssues(standard: Standard, before: string, refuse: Refuse): void {
  const sections = new Set(standard.sections.map((section) => section.id))
  const ids = new Set<string>()
  if (standard.criteria.length === 0) refuse(`${before}criteria`, 0, 'at least one criterion')
  for (const criterion of standard.criteria) {
    const at = `${before}criteria.${criterion.id}`
    if (ids.has(criterion.id)) refuse(`${at}.id`, criterion.id, 'an id used once')
    ids.add(criterion.id)
    if (criterion.label.trim() === '') refuse(`${at}.label`, 'empty', 'a name')
    if (!sections.has(criterion.section)) refuse(`${at}.section`, criterion.section, [...sections].join(', '))
    if (!STATIONS.includes(criterion.station)) refuse(`${at}.station`, criterion.station, STATIONS.join(', '))
    if (!isRegionId(criterion.region)) refuse(`${at}.region`, criterion.region, 'a known region')
    if (!(criterion.weight > 0)) refuse(`${at}.weight`, criterion.weight, 'more than 0')
    answerIssues(standard, criterion, at, refuse)
  }
}

function answerIssues(standard: Standard, { how }: Criterion, at: string, refuse: Refuse): void {
  if (how.kind === 'judged') {
    const worded = how.levels.filter((level) => level.trim() !== '').length
    if (worded !== 5 || how.levels.length !== 5) refuse(`${at}.levels`, worded, 'five worded levels, 0 to 4', 'missingLevels')
    return
  }
  if (!bandInside(how.band, how.limit))
    refuse(`${at}.band`, how.band.map(sayEnd).join(' to '), `inside the limit ${how.limit.map(sayEnd).join(' to ')}`, 'bandOutsideLimit')
  if (how.kind === 'difference') {
    const pair = standard.criteria.find((other) => other.id === how.of)
    if (pair?.how.kind !== 'length' || pair.how.sides !== 'pair') refuse(`${at}.of`, how.of, 'a paired length criterion', 'unknownPair')
    return
  }
  const target = how.kind === 'computed' ? how.target : how.targetMm
  if (!inBand(target, how.band)) refuse(`${at}.target`, target, `inside the band ${how.band.map(sayEnd).join(' to ')}`, 'targetOutsideBand')
  if (how.kind === 'length' && how.band[1] !== null && !(how.grownOutMm >= how.band[1]))
    refuse(`${at}.grownOutMm`, how.grownOutMm, `${how.band[1]} mm or more: what is allowed on the day is not grown out`, 'grownOutInBand')
  const instrument = standard.instruments.find((candidate) => candidate.id === how.instrument)
  if (!instrument) refuse(`${at}.instrument`, how.instrument, standard.instruments.map((i) => i.id).join(', '), 'unknownInstrument')
  else if (how.kind === 'computed') formulaIssues(standard, how, instrument, at, refuse)
  else decidable(how.band, instrument.name, instrument.uMm, 'mm', at, refuse)
}

type ComputedHow = Extract<How, { kind: 'computed' }>

function formulaIssues(standard: Standard, how: ComputedHow, instrument: Instrument, at: string, refuse: Refuse): void {
  const formula = formulaById(how.formula)
  if (!formula) return refuse(`${at}.formula`, how.formula, 'a known formula', 'unknownFormula')
  try {
    const { value, u } = computeFrom(how.formula, how.typical, instrument)
    if (!inBand(value, how.band))
      refuse(
        `${at}.typical`,
        `${sayNumber(value)} ${formula.unit}`,
        `readings that lie inside the band ${how.band.map(sayEnd).join(' to ')}`
      )
    decidable(how.band, instrument.name, u, formula.unit, at, refuse)
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    refuse(`${at}.typical.${error.issue.path}`, error.issue.got, error.issue.limit)
  }
  if (how.readingsOf === undefined) return
  const from = standard.criteria.find(({ id }) => id === how.readingsOf)?.how
  const same = (other: ComputedHow) =>
    other.sides === how.sides &&
    other.readingsOf === undefined &&
    formula.inputs.every(({ id }) => formulaById(other.formula)?.inputs.some((input) => input.id === id))
  if (from?.kind !== 'computed' || !same(from))
    refuse(`${at}.readingsOf`, how.readingsOf, 'a computed criterion of the same sides that reads the same places', 'unknownReadings')
}

function decidable(band: Band, name: string, u: number, unit: string, at: string, refuse: Refuse): void {
  const usable = largestUsableU(band)
  if (u > usable)
    refuse(
      `${at}.instrument`,
      `${name}, give or take ${giveOrTake(u)} ${unit}`,
      `accurate to ${giveOrTake(usable)} ${unit} or better for this band`,
      'cannotDecide'
    )
}

function sectionIssues(standard: Standard, refuse: Refuse): void {
  for (const { id, floor } of standard.sections) {
    if (!(floor >= 0 && floor <= 100)) refuse(`sections.${id}.floor`, floor, '0 to 100')
    if (!standard.criteria.some(({ section }) => section === id)) refuse(`sections.${id}`, 'empty', 'at least one criterion')
  }
}

function planIssues({ plan, bodyType }: Standard, { techniques, tools, coats, houses }: Known, refuse: Refuse): void {
  if (coats && coats.get(plan.drawnAs) !== bodyType)
    refuse('plan.drawnAs', plan.drawnAs, [...coats].flatMap(([id, body]) => (body === bodyType ? [id] : [])).join(', '))
  for (const [region, mm] of Object.entries(plan.lengthsMm)) {
    if (!isRegionId(region)) refuse(`plan.lengthsMm.${region}`, region, 'a known region')
    if (!(mm > 0 && mm <= 300)) refuse(`plan.lengthsMm.${region}`, mm, 'more than 0 and up to 300 mm')
  }
  if (plan.steps.length === 0) refuse('plan.steps', 0, 'at least one step')
  plan.steps.forEach(({ technique, toolId, minutes, house }, i) => {
    // an attempt is a technique on a dog in a visit: two steps of one technique would be one attempt
    if (plan.steps.findIndex((step) => step.technique === technique) < i)
      refuse(`plan.steps.${i + 1}.technique`, technique, 'a technique that no other step of this trim has')
    if (techniques && !techniques.has(technique)) refuse(`plan.steps.${i + 1}.technique`, technique, 'a known technique')
    if (tools && toolId !== null && !tools.has(toolId)) refuse(`plan.steps.${i + 1}.toolId`, toolId, 'a tool of the rack')
    if (!(minutes > 0)) refuse(`plan.steps.${i + 1}.minutes`, minutes, 'more than 0')
    if (house && houses && !(house.side < (houses.get(house.id) ?? 0)))
      refuse(`plan.steps.${i + 1}.house`, `${house.id}, side ${house.side}`, 'a side of a house rule')
  })
}

function referenceIssues({ criteria, makes, ownFault }: Standard, refuse: Refuse): void {
  const ids = new Set(criteria.map(({ id }) => id))
  makes.forEach((making, i) => {
    for (const id of making.criteria) if (!ids.has(id)) refuse(`makes.${i + 1}`, id, 'a criterion of this standard', 'unknownCriterion')
  })
  if (!ids.has(ownFault.criterion)) refuse('ownFault.criterion', ownFault.criterion, 'a criterion of this standard', 'unknownCriterion')
}

/** A variant must leave a standard that can be used, whichever side is taken. */
function variantIssues(standard: Standard, { houses }: Known, refuse: Refuse): void {
  const ids = new Set(standard.criteria.map(({ id }) => id))
  for (const { rule, side, drops = [] } of standard.variants) {
    const at = `variants.${rule}.${side}`
    const sides = houses?.get(rule)
    if (houses && sides === undefined) refuse(at, rule, 'a question of the house', 'unknownRule')
    if (sides !== undefined && !(side >= 0 && side < sides)) refuse(at, side, `0 to ${sides - 1}`, 'unknownSide')
    for (const id of drops) if (!ids.has(id)) refuse(`${at}.drops`, id, 'a criterion of this standard', 'unknownCriterion')
    const { standard: fitted } = fittedStandard(standard, { house: { [rule]: side }, wishes: [] })
    const own: CoreIssue[] = []
    criteriaIssues({ ...fitted, variants: [] }, `${at}.`, (path, got, limit, code = 'invalidStandard') =>
      own.push({ code, path, got, limit })
    )
    const plain = new Set<string>()
    criteriaIssues(standard, `${at}.`, (path, got) => plain.add(`${path} ${String(got)}`))
    for (const { code, path, got, limit } of own) if (!plain.has(`${path} ${String(got)}`)) refuse(path, got, limit, code)
  }
}

/** What stands against a standard, as a sentence that names the criterion as an instructor knows it. */
export function sayStandardIssue(standard: Standard, { path, got, limit }: CoreIssue): string {
  const id = /criteria\.([^.]+)/.exec(path)?.[1]
  const label = [...standard.criteria, ...standard.variants.flatMap(({ criteria = [] }) => criteria)].find((one) => one.id === id)?.label
  const field = path.split('.').at(-1)!
  const what = FIELD_WORDS[field] ?? field
  const where = label ? `${label}: ${what}` : id ? `${id}: ${what}` : (HEAD_WORDS[path] ?? path.replaceAll('.', ', '))
  const variant = path.startsWith('variants.') ? ' (in a variant)' : ''
  return `${where}${variant} is ${String(got)}; it must be ${limit}.`
}

const FIELD_WORDS: Readonly<Record<string, string>> = {
  band: 'the band',
  target: 'the target',
  limit: 'the limit',
  levels: 'the number of worded levels',
  instrument: 'the instrument',
  grownOutMm: 'the grown-out length',
  region: 'the region',
  section: 'the section',
  station: 'the station',
  weight: 'the weight',
  typical: 'the typical reading',
  readingsOf: 'the criterion it reads from',
  of: 'the pair',
  label: 'the name'
}
const HEAD_WORDS: Readonly<Record<string, string>> = {
  name: 'The name',
  bodyType: 'The body type',
  passMark: 'The pass mark',
  standardMin: 'The standard time',
  criteria: 'The number of criteria',
  'plan.drawnAs': 'The shapes it is drawn with',
  'plan.steps': 'The number of steps',
  'ownFault.criterion': 'The criterion of its typical fault'
}

const sayEnd = (end: number | null) => (end === null ? 'open' : sayNumber(end))
const inBand = (value: number, [low, high]: Band) => (low === null || value >= low - 1e-9) && (high === null || value <= high + 1e-9)

function bandInside(band: Band, limit: Band): boolean {
  const lowOk = band[0] === null ? limit[0] === null : limit[0] !== null && limit[0] <= band[0]
  const highOk = band[1] === null ? limit[1] === null : limit[1] !== null && limit[1] >= band[1]
  const ordered = band[0] === null || band[1] === null || band[0] < band[1]
  return lowOk && highOk && ordered
}

/**
 * The share of criteria that two standards have in common, 0..1 of the shorter one: the same id, or the same name.
 */
export function sharedCriteria01(a: Standard, b: Standard): number {
  const count = (of: (criterion: Criterion) => string) => {
    const own = new Set(a.criteria.map(of))
    return new Set(b.criteria.map(of).filter((name) => own.has(name))).size
  }
  const least = Math.min(a.criteria.length, b.criteria.length)
  return (
    Math.max(
      count(({ id }) => id),
      count(({ label }) => label.trim().toLowerCase())
    ) / least
  )
}
