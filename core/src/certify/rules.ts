import { daysBetween, jointRisk, type Standing } from '../competency'
import type { GradeResult } from '../grade'
import { lowerFirst, sayNumber } from '../units'

export type CertificateRule =
  | { readonly kind: 'techniques'; readonly name: string; readonly techniques: readonly string[] }
  | { readonly kind: 'passedTrim'; readonly name: string; readonly withinDays: number }
  | { readonly kind: 'dogs'; readonly name: string; readonly dogs: number; readonly coats: number }
  | { readonly kind: 'alike'; readonly name: string; readonly criteria: readonly string[] }
  | { readonly kind: 'noSafety'; readonly name: string; readonly days: number }
  | { readonly kind: 'fresh'; readonly name: string; readonly days: number }

export type Certificate = {
  readonly id: string
  readonly version: number
  readonly name: string
  readonly claim: string
  readonly standardId: string
  readonly rules: readonly CertificateRule[]
}

export type GradedTrim = {
  readonly gradingId: string
  readonly sessionId: string
  readonly dogId: string
  readonly dogName: string
  readonly coat: string
  readonly onDate: string
  readonly assessorId: string
  readonly result: GradeResult
}

export type CertifyFacts = {
  readonly today: string
  readonly standings: ReadonlyMap<string, Standing>
  readonly techniqueNames: ReadonlyMap<string, string>
  /** signed gradings of this apprentice against the certificate's standard, oldest first */
  readonly trims: readonly GradedTrim[]
  readonly dogs: readonly { readonly id: string; readonly name: string; readonly coat: string }[]
  readonly lastSafetyOn: string | null
  readonly lastWorkOn: string | null
}

export type RuleOutcome = {
  readonly kind: CertificateRule['kind']
  readonly name: string
  readonly met: 'met' | 'missing' | 'cannotTell'
  readonly evidence: string
  readonly onDate: string | null
}

export type Finding = {
  readonly rules: readonly RuleOutcome[]
  readonly deciding: GradedTrim | null
  readonly ready: boolean
  /** one sentence: can it be issued, and if not what settles it */
  readonly say: string
}

/**
 * Each rule of a certificate, met, missing or not to be told, with its evidence. The deciding trim is the latest passed
 * one; without one the best so far is named. Source: design.md section 3 (states, who signs).
 */
export function findingOf(certificate: Certificate, facts: CertifyFacts): Finding {
  const passed = facts.trims.filter((trim) => trim.result.outcome === 'passed')
  const deciding = passed.at(-1) ?? null
  const rules = certificate.rules.map((rule) => check(rule, facts, deciding))
  const open = rules.filter((rule) => rule.met !== 'met')
  return { rules, deciding, ready: open.length === 0, say: sayFinding(rules, open) }
}

function sayFinding(rules: readonly RuleOutcome[], open: readonly RuleOutcome[]): string {
  if (open.length === 0) return `All ${rules.length} rules are met. Two people sign.`
  const unsure = open.filter((rule) => rule.met === 'cannotTell')
  if (unsure.length === open.length)
    return `It cannot be issued today: ${lowerFirst(unsure[0].name)} cannot be told. ${unsure[0].evidence}.`
  const missing = open.filter((rule) => rule.met === 'missing')
  return `It cannot be issued today: ${missing.length} of ${rules.length} rules ${missing.length === 1 ? 'is' : 'are'} not met. First: ${lowerFirst(missing[0].name)}, ${missing[0].evidence.split(':')[0]}.`
}

function check(rule: CertificateRule, facts: CertifyFacts, deciding: GradedTrim | null): RuleOutcome {
  const answer = (met: RuleOutcome['met'], evidence: string, onDate: string | null = null): RuleOutcome => ({
    kind: rule.kind,
    name: rule.name,
    met,
    evidence,
    onDate
  })
  switch (rule.kind) {
    case 'techniques': {
      const own = rule.techniques.map((id) => ({
        id,
        name: lowerFirst(facts.techniqueNames.get(id) ?? id),
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
      return answer('met', `${own.map(({ name }) => name).join(', ')}; risk over all ${own.length} together ${risk} %`, last)
    }
    case 'passedTrim': {
      if (deciding) {
        const age = daysBetween(deciding.onDate, facts.today)
        const say = `${deciding.dogName}: ${sayMark(deciding.result)}`
        return age <= rule.withinDays
          ? answer('met', say, deciding.onDate)
          : answer('missing', `${say}, ${age} days ago; ${rule.withinDays} are allowed`, deciding.onDate)
      }
      const unsure = facts.trims.filter((trim) => trim.result.outcome === 'secondAssessor').at(-1)
      // no mark here: whoever is asked to mark it a second time must not have read the first
      if (unsure) return answer('cannotTell', `${unsure.dogName}: ask a second assessor`, unsure.onDate)
      const best = [...facts.trims].sort((a, b) => (b.result.total?.value ?? 0) - (a.result.total?.value ?? 0))[0]
      return answer('missing', best ? `best so far ${sayMark(best.result)}` : 'no graded trim yet', best?.onDate ?? null)
    }
    case 'dogs': {
      const coats = [...new Set(facts.dogs.map((dog) => dog.coat))]
      const met = facts.dogs.length >= rule.dogs && coats.length >= rule.coats
      const names = facts.dogs
        .slice(0, 4)
        .map((dog) => dog.name)
        .join(', ')
      const more = facts.dogs.length > 4 ? ` and ${facts.dogs.length - 4} more` : ''
      return answer(
        met ? 'met' : 'missing',
        `dogs: ${facts.dogs.length}, asked ${rule.dogs}${names ? ` (${names}${more})` : ''}; coats: ${coats.length}, asked ${rule.coats}${coats.length ? ` (${coats.join(', ')})` : ''}`
      )
    }
    case 'alike': {
      if (!deciding) return answer('missing', 'no passed trim to look at')
      const parts = deciding.result.parts.filter((part) => rule.criteria.includes(part.criterionId))
      const unsure = parts.find((part) => part.verdict === 'cannotTell' || part.verdict === 'notAnswered' || part.verdict === 'excused')
      const failed = parts.find((part) => part.verdict === 'fails')
      if (failed) return answer('missing', `${failed.label.toLowerCase()}: ${failed.say}`, deciding.onDate)
      if (unsure || parts.length < rule.criteria.length)
        return answer('cannotTell', `${unsure?.label.toLowerCase() ?? 'a pair'}: ${unsure?.say ?? 'not measured'}`, deciding.onDate)
      const widest = parts.reduce((a, b) => (Math.abs(b.valueMm!) > Math.abs(a.valueMm!) ? b : a))
      return answer(
        'met',
        `${parts.length} pairs; the widest ${sayNumber(Math.abs(widest.valueMm!))} mm apart, u ${sayNumber(widest.uMm!)}`,
        deciding.onDate
      )
    }
    case 'noSafety': {
      if (!facts.lastSafetyOn) return answer('met', 'none on record')
      const days = daysBetween(facts.lastSafetyOn, facts.today)
      return answer(days > rule.days ? 'met' : 'missing', `last one ${days} days ago; ${rule.days} must pass`, facts.lastSafetyOn)
    }
    case 'fresh': {
      if (!facts.lastWorkOn) return answer('missing', 'no work on record')
      const days = daysBetween(facts.lastWorkOn, facts.today)
      return answer(days <= rule.days ? 'met' : 'missing', `last worked ${days} days ago, limit ${rule.days}`, facts.lastWorkOn)
    }
  }
}

function sayMark(result: GradeResult): string {
  if (!result.total) return 'no mark'
  const [low, high] = result.total.interval
  return `${Math.round(result.total.value)}, between ${Math.round(low)} and ${Math.round(high)}`
}
