import type { CoreIssue } from '../error'
import { isRegionId } from '../regions'
import { Z_95 } from '../stats'
import type { Band, Criterion, Standard } from './types'

/**
 * The largest standard uncertainty (mm) with which a band can still be met at its best point, at 95 % conformity.
 * A band of both ends: width / (2 * 1.96); of one end: the distance from nought / 1.645. Infinite when both are open.
 * Source: JCGM 106:2012, 8.3; the two-sided form is the design's 3.92 u.
 */
export function largestUsableU(band: Band): number {
  const [low, high] = band
  if (low !== null && high !== null) return (high - low) / (2 * Z_95)
  if (high !== null) return high / Z_95_ONE_SIDED
  return Infinity
}

const Z_95_ONE_SIDED = 1.6448536269514722

/** Everything wrong with a standard, each with its place; an empty list when it can be used. */
export function standardIssues(standard: Standard): CoreIssue[] {
  const issues: CoreIssue[] = []
  const refuse = (path: string, got: unknown, limit: string, code = 'invalidStandard') => issues.push({ code, path, got, limit })
  const sections = new Set(standard.sections.map((section) => section.id))
  const ids = new Set<string>()
  if (standard.criteria.length === 0) refuse('criteria', 0, 'at least one criterion')
  for (const criterion of standard.criteria) {
    const at = `criteria.${criterion.id}`
    if (ids.has(criterion.id)) refuse(`${at}.id`, criterion.id, 'an id used once')
    ids.add(criterion.id)
    if (!sections.has(criterion.section)) refuse(`${at}.section`, criterion.section, [...sections].join(', '))
    if (!isRegionId(criterion.region)) refuse(`${at}.region`, criterion.region, 'a known region')
    if (!(criterion.weight > 0)) refuse(`${at}.weight`, criterion.weight, 'more than 0')
    issues.push(...answerIssues(standard, criterion, at))
  }
  for (const section of standard.sections) {
    if (!(section.floor >= 0 && section.floor <= 100)) refuse(`sections.${section.id}.floor`, section.floor, '0 to 100')
    if (!standard.criteria.some((criterion) => criterion.section === section.id))
      refuse(`sections.${section.id}`, 'empty', 'at least one criterion')
  }
  return issues
}

function answerIssues(standard: Standard, criterion: Criterion, at: string): CoreIssue[] {
  const { how } = criterion
  if (how.kind === 'judged') {
    const worded = how.levels.filter((level) => level.trim() !== '').length
    return worded === 5 && how.levels.length === 5
      ? []
      : [{ code: 'missingLevels', path: `${at}.levels`, got: worded, limit: 'five worded levels, 0 to 4' }]
  }
  const issues: CoreIssue[] = []
  if (!bandInside(how.band, how.limit)) {
    issues.push({
      code: 'bandOutsideLimit',
      path: `${at}.band`,
      got: how.band.join(' to '),
      limit: `inside the limit ${how.limit.join(' to ')}`
    })
  }
  if (how.kind === 'difference') {
    const pair = standard.criteria.find((other) => other.id === how.of)
    if (pair?.how.kind !== 'length' || pair.how.sides !== 'pair') {
      issues.push({ code: 'unknownPair', path: `${at}.of`, got: how.of, limit: 'a paired length criterion' })
    }
    return issues
  }
  const instrument = standard.instruments.find((candidate) => candidate.id === how.instrument)
  const usable = largestUsableU(how.band)
  if (!instrument)
    issues.push({
      code: 'unknownInstrument',
      path: `${at}.instrument`,
      got: how.instrument,
      limit: standard.instruments.map((i) => i.id).join(', ')
    })
  else if (instrument.uMm > usable) {
    issues.push({
      code: 'cannotDecide',
      path: `${at}.instrument`,
      got: `${instrument.name}, u ${instrument.uMm} mm`,
      limit: `u of ${usable.toFixed(2)} mm at the most for this band`
    })
  }
  return issues
}

function bandInside(band: Band, limit: Band): boolean {
  const lowOk = band[0] === null ? limit[0] === null : limit[0] !== null && limit[0] <= band[0]
  const highOk = band[1] === null ? limit[1] === null : limit[1] !== null && limit[1] >= band[1]
  const ordered = band[0] === null || band[1] === null || band[0] < band[1]
  return lowOk && highOk && ordered
}
