// Each rule of a certificate against what is known of an apprentice, with its evidence.
import { daysBetween, HELP_WEIGHT, jointRisk, type AttemptRecord } from '../competency'
import type { GradeResult } from '../grade'
import { giveOrTake, lowerFirst, sayAgo, sayNumber } from '../units'
import type { Certificate, CertificateRule, CertifyFacts, Finding, GradedTrim, RuleOutcome } from './types'

/**
 * Each rule of a certificate, met, missing or not to be told, with its evidence. The deciding trim is the latest passed
 * one that is not too old and whose sides are alike, else the latest passed one; without one the best so far is named.
 * Source: docs/method.md, States and Who signs.
 */
export function findingOf(certificate: Pick<Certificate, 'rules'>, facts: CertifyFacts): Finding {
  const deciding = decidingTrim(certificate.rules, facts.trims, facts.today)
  const rules = certificate.rules.map((rule) => check(rule, facts, deciding))
  const open = rules.filter((rule) => rule.met !== 'met')
  return { rules, deciding, ready: open.length === 0, say: sayFinding(rules, open) }
}

const hasPassed = ({ settled, result }: GradedTrim) => (settled === null ? result.outcome === 'passed' : settled === 'passed')

/** A newer trim never takes away what an older one has shown, as long as that one still counts; one that is too old hides no fresh one. */
function decidingTrim(rules: readonly CertificateRule[], trims: readonly GradedTrim[], today: string): GradedTrim | null {
  const passed = trims.filter(hasPassed)
  const withinDays = Math.min(...rules.flatMap((rule) => (rule.kind === 'passedTrim' ? [rule.withinDays] : [])))
  const fresh = passed.filter(({ onDate }) => daysBetween(onDate, today) <= withinDays)
  const pairs = rules.flatMap((rule) => (rule.kind === 'alike' ? [rule] : []))
  const isAlike = (trim: GradedTrim) => pairs.every((rule) => alike(rule, trim).met === 'met')
  return fresh.findLast(isAlike) ?? fresh.at(-1) ?? passed.findLast(isAlike) ?? passed.at(-1) ?? null
}

function sayFinding(rules: readonly RuleOutcome[], open: readonly RuleOutcome[]): string {
  if (open.length === 0) return `All ${rules.length} rules are met. Two people sign.`
  const unsure = open.filter((rule) => rule.met === 'cannotTell')
  if (unsure.length === open.length)
    return `It cannot be issued today: ${lowerFirst(unsure[0]!.name)} is not known. ${unsure[0]!.evidence}.`
  const missing = open.filter((rule) => rule.met === 'missing')
  return `It cannot be issued today: ${missing.length} of ${rules.length} rules ${missing.length === 1 ? 'is' : 'are'} not met. First: ${lowerFirst(missing[0]!.name)}, ${missing[0]!.evidence.split(':')[0]}.`
}

type Answer = Pick<RuleOutcome, 'met' | 'evidence' | 'onDate'>
const answer = (met: RuleOutcome['met'], evidence: string, onDate: string | null = null): Answer => ({ met, evidence, onDate })

function check(rule: CertificateRule, facts: CertifyFacts, deciding: GradedTrim | null): RuleOutcome {
  return { kind: rule.kind, name: rule.name, ...answerTo(rule, facts, deciding) }
}

// eslint-disable-next-line max-lines-per-function -- one case beside the other: apart, none would show that they are all
function answerTo(rule: CertificateRule, facts: CertifyFacts, deciding: GradedTrim | null): Answer {
  switch (rule.kind) {
    case 'techniques':
      return competent(rule, facts)
    case 'practised':
      return practised(rule, facts)
    case 'answered': {
      const open = rule.questions.filter((id) => !facts.answered.has(id))
      const asked = rule.questions.length
      if (open.length === 0)
        return answer(
          'met',
          `all ${asked} answered`,
          rule.questions
            .map((id) => facts.answered.get(id)!)
            .sort()
            .at(-1)
        )
      return answer(
        'missing',
        `${asked - open.length} of ${asked}: still to ask ${open.map((id) => facts.questionWords.get(id) ?? id).join(' ')}`
      )
    }
    case 'passedTrim':
      return passedTrim(rule, facts, deciding)
    case 'trims':
      return enoughTrims(rule, facts)
    case 'dogs':
      return enoughDogs(rule, facts)
    case 'alike':
      return deciding ? alike(rule, deciding) : answer('missing', 'no passed trim to look at')
    case 'noSafety': {
      if (!facts.lastSafetyOn) return answer('met', 'none on record')
      const days = daysBetween(facts.lastSafetyOn, facts.today)
      return answer(
        days > rule.days ? 'met' : 'missing',
        `last one ${sayAgo(days)}; it must be more than ${rule.days} days ago`,
        facts.lastSafetyOn
      )
    }
    case 'noCritical': {
      const last = [...facts.attempts.values()]
        .flat()
        .sort((a, b) => a.onDate.localeCompare(b.onDate))
        .slice(-rule.attempts)
      const event = last.findLast(({ safetyEvents }) => safetyEvents > 0)
      if (!event) return answer('met', last.length < rule.attempts ? `none in all ${last.length}` : `none in the last ${rule.attempts}`)
      const since = last.length - 1 - last.lastIndexOf(event)
      return answer('missing', `one ${since} attempts ago; the last ${rule.attempts} must have none`, event.onDate)
    }
    case 'holds': {
      const missing = rule.certificates.filter((id) => !facts.held.has(id))
      const held = rule.certificates.flatMap((id) => facts.held.get(id)?.name ?? [])
      return missing.length === 0
        ? answer('met', held.join(', '))
        : answer('missing', `not held: ${missing.map((id) => facts.certificateNames.get(id) ?? id).join(', ')}`)
    }
    case 'fresh': {
      if (!facts.lastWorkOn) return answer('missing', 'no work on record')
      const days = daysBetween(facts.lastWorkOn, facts.today)
      return answer(days <= rule.days ? 'met' : 'missing', `last worked ${sayAgo(days)}; the limit is ${rule.days} days`, facts.lastWorkOn)
    }
  }
}

type Of<K extends CertificateRule['kind']> = Extract<CertificateRule, { kind: K }>

function competent(rule: Of<'techniques'>, facts: CertifyFacts): Answer {
  const own = rule.techniques.map((id) => ({
    id,
    name: nameOf(id, facts),
    standing: facts.standings.get(id)
  }))
  const short = own.filter(({ standing }) => standing?.state !== 'competent')
  const risk = Math.round(100 * jointRisk(own.map(({ standing }) => standing?.risk ?? 1)))
  if (short.length > 0) {
    const list = short.map(({ name, standing }) => `${name} ${standing?.state ?? 'new'}`).join('; ')
    return answer('missing', `${own.length - short.length} of ${own.length}: ${list}`)
  }
  const last = own
    .map(({ standing }) => standing!.signalOn!)
    .sort()
    .at(-1)!
  return answer('met', `${own.map(({ name }) => name).join(', ')}; chance of luck over all ${own.length} together ${risk} %`, last)
}

const nameOf = (id: string, { techniqueNames }: CertifyFacts) => lowerFirst(techniqueNames.get(id) ?? id)

/** The attempts that a rule lets count. */
function fitting(rule: Of<'practised'>, attempts: readonly AttemptRecord[], today: string): AttemptRecord[] {
  return attempts.filter(
    (attempt) =>
      attempt.counts &&
      (attempt.clean || !rule.clean) &&
      HELP_WEIGHT[attempt.help] <= HELP_WEIGHT[rule.mostHelp] &&
      (rule.withinWeeks === null || daysBetween(attempt.onDate, today) <= 7 * rule.withinWeeks)
  )
}

export type Practised = {
  readonly tries: readonly AttemptRecord[]
  readonly dogs: number
  readonly coats: number
  /** sides that were never done */
  readonly sides: readonly ('left' | 'right')[]
}
/** What is there of such a rule. */
export function practisedSoFar(rule: Of<'practised'>, attempts: readonly AttemptRecord[], today: string): Practised {
  const tries = fitting(rule, attempts, today)
  const done = new Set(tries.flatMap((attempt) => (attempt.sides === 'both' ? ['left', 'right'] : [attempt.sides])))
  return {
    tries,
    dogs: new Set(tries.map(({ dogId }) => dogId)).size,
    coats: new Set(tries.map(({ coat }) => coat)).size,
    sides: rule.bothSides ? (['left', 'right'] as const).filter((one) => !done.has(one)) : []
  }
}

/** What one technique still lacks of such a rule, in words; nothing where it lacks nothing. */
export function lacks(rule: Of<'practised'>, attempts: readonly AttemptRecord[], today: string): string[] {
  const { tries, dogs, coats, sides } = practisedSoFar(rule, attempts, today)
  return [
    ...(tries.length < rule.count ? [`${tries.length} of ${rule.count}`] : []),
    ...(dogs < rule.dogs ? [`${dogs} of ${rule.dogs} dogs`] : []),
    ...(coats < rule.coats ? [`${coats} of ${rule.coats} coats`] : []),
    ...(sides.length > 0 ? [`no ${sides.join(' and no ')} side`] : [])
  ]
}

function practised(rule: Of<'practised'>, facts: CertifyFacts): Answer {
  const own = rule.techniques.map((id) => ({ id, short: lacks(rule, facts.attempts.get(id) ?? [], facts.today) }))
  const open = own.filter(({ short }) => short.length > 0)
  if (open.length > 0) {
    const list = open.map(({ id, short }) => `${nameOf(id, facts)} ${short.join(', ')}`).join('; ')
    return answer('missing', `${own.length - open.length} of ${own.length}: ${list}`)
  }
  const last = rule.techniques.map((id) => facts.attempts.get(id)!.at(-1)!.onDate).sort()
  return answer('met', `all ${own.length}, each ${rule.count} times or more`, last.at(-1) ?? null)
}

function passedTrim(rule: Of<'passedTrim'>, facts: CertifyFacts, deciding: GradedTrim | null): Answer {
  if (deciding) {
    const age = daysBetween(deciding.onDate, facts.today)
    const say = `${deciding.dogName}: ${sayMark(deciding.result)}`
    return age <= rule.withinDays
      ? answer('met', say, deciding.onDate)
      : answer('missing', `${say}, ${sayAgo(age)}; it must be within ${rule.withinDays} days`, deciding.onDate)
  }
  const unsure = facts.trims.findLast((trim) => trim.settled === null && trim.result.outcome === 'secondAssessor')
  // no mark here: whoever is asked to mark it a second time must not have read the first
  if (unsure) return answer('cannotTell', `${unsure.dogName}: second assessor needed`, unsure.onDate)
  const best = [...facts.trims].sort((a, b) => (b.result.total?.value ?? 0) - (a.result.total?.value ?? 0))[0]
  return answer('missing', best ? `best so far ${sayMark(best.result)}` : 'no graded trim yet', best?.onDate ?? null)
}

/** Trims that such a rule counts, and those among them that it counts as good, by visit. */
export function goodTrims(
  rule: Of<'trims'>,
  facts: Pick<CertifyFacts, 'trims' | 'today'>
): { good: GradedTrim[][]; waits: boolean; recent: number } {
  const recent = facts.trims.filter((trim) => daysBetween(trim.onDate, facts.today) <= rule.withinDays && (rule.wishes || !trim.hasWishes))
  const visits = new Map<string, GradedTrim[]>()
  for (const trim of recent) visits.set(trim.visitId, [...(visits.get(trim.visitId) ?? []), trim])
  const isOver = ({ result: { outcome, total } }: GradedTrim) =>
    outcome !== 'feedbackOnly' && outcome !== 'notPassed' && (total?.value ?? 0) >= rule.mark
  const good = [...visits.values()].filter(
    (own) => own[0]!.settled !== 'notPassed' && new Set(own.filter(isOver).map(({ assessorId }) => assessorId)).size >= rule.assessors
  )
  const waits = [...visits.values()].some((own) => own.some(isOver) && own.length < rule.assessors)
  return { good, waits, recent: visits.size }
}

function enoughTrims(rule: Of<'trims'>, facts: CertifyFacts): Answer {
  const { good, waits } = goodTrims(rule, facts)
  const asked = `${rule.count} at ${rule.mark} or more by ${rule.assessors === 1 ? 'one assessor' : `${rule.assessors} assessors`}`
  if (good.length >= rule.count) return answer('met', `${good.length} of ${asked} needed`, good.at(-1)![0]!.onDate)
  return answer('missing', `${good.length} of ${asked} needed${waits ? '; one of them still needs a second assessor' : ''}`)
}

function enoughDogs(rule: Of<'dogs'>, facts: CertifyFacts): Answer {
  const coats = [...new Set(facts.dogs.map((dog) => dog.coat))]
  const met = facts.dogs.length >= rule.dogs && coats.length >= rule.coats
  const names = facts.dogs
    .slice(0, 4)
    .map((dog) => dog.name)
    .join(', ')
  const more = facts.dogs.length > 4 ? ` and ${facts.dogs.length - 4} more` : ''
  return answer(
    met ? 'met' : 'missing',
    `dogs: ${facts.dogs.length} of ${rule.dogs} needed${names ? ` (${names}${more})` : ''}; coats: ${coats.length} of ${rule.coats} needed${coats.length ? ` (${coats.join(', ')})` : ''}`
  )
}

function alike(rule: Of<'alike'>, trim: GradedTrim): Answer {
  const parts = trim.result.parts.filter((part) => rule.criteria.includes(part.criterionId))
  const unsure = parts.find((part) => part.verdict === 'cannotTell' || part.verdict === 'notAnswered' || part.verdict === 'excused')
  const failed = parts.find((part) => part.verdict === 'fails')
  if (failed) return answer('missing', `${failed.label.toLowerCase()}: ${failed.say}`, trim.onDate)
  if (unsure || parts.length < rule.criteria.length)
    return answer('cannotTell', `${unsure?.label.toLowerCase() ?? 'a pair'}: ${unsure?.say ?? 'not measured'}`, trim.onDate)
  const widest = parts.reduce((a, b) => (Math.abs(b.valueMm!) > Math.abs(a.valueMm!) ? b : a))
  return answer(
    'met',
    `${parts.length} pairs; the widest ${sayNumber(Math.abs(widest.valueMm!))} mm apart, give or take ${giveOrTake(widest.uMm!)} mm`,
    trim.onDate
  )
}

function sayMark(result: GradeResult): string {
  if (!result.total) return 'no mark'
  const [low, high] = result.total.interval
  return `${Math.round(result.total.value)}, between ${Math.round(low)} and ${Math.round(high)}`
}
