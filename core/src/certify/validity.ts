/* eslint-disable max-lines-per-function -- one case beside the other: apart, none would show that they are all */
// Whether a certificate can be used at all: a rule that nobody can ever meet is refused.
import type { CoreIssue } from '../error'
import type { Certificate, CertificateRule } from './types'

/** What a certificate may refer to in this school. */
export type KnownForCertificates = {
  readonly techniques: ReadonlySet<string>
  readonly questions: ReadonlySet<string>
  /** criteria by trim */
  readonly standards: ReadonlyMap<string, ReadonlySet<string>>
  /** the rules of all other certificates, for circles */
  readonly certificates: ReadonlyMap<string, readonly CertificateRule[]>
  /** different coats of the school's dogs */
  readonly coats: number
  readonly assessors: number
}

/** Chosen: nobody finishes one technique on more dogs than this in a week. */
const MOST_A_WEEK = 25
const MOST_TEXT = 120

const whole = (path: string, got: number, low: number, high: number, what: string): CoreIssue[] =>
  Number.isInteger(got) && got >= low && got <= high ? [] : [{ code: 'outOfRange', path, got, limit: `${low} to ${high} ${what}` }]

/** Everything wrong with a certificate; empty where it can be used. Each names the rule, the value and what is allowed. */
export function certificateIssues(certificate: Certificate, known: KnownForCertificates): CoreIssue[] {
  const { name, claim, standards, standardId, validMonths, rules, renewal } = certificate
  const texts = Object.entries({ name, claim }).filter(([, text]) => text.trim() === '' || text.length > MOST_TEXT * 2)
  const stray = standards.filter((id) => !known.standards.has(id))
  return [
    ...texts.map(([path, text]) => ({ code: 'text', path, got: text, limit: `1 to ${MOST_TEXT * 2} letters` })),
    ...stray.map((id) => ({ code: 'unknown', path: 'standards', got: id, limit: 'a trim of this school' })),
    ...(standards.includes(standardId)
      ? []
      : [{ code: 'unknown', path: 'standardId', got: standardId, limit: 'one of the trims that count' }]),
    ...(validMonths === null ? [] : whole('validMonths', validMonths, 1, 120, 'months')),
    ...(rules.length === 0 ? [{ code: 'empty', path: 'rules', got: 0, limit: 'one rule or more' }] : []),
    ...rules.flatMap((rule, i) => ruleIssues(rule, `rules.${i}`, certificate, known)),
    ...renewal.flatMap((rule, i) => ruleIssues(rule, `renewal.${i}`, certificate, known))
  ]
}

function ruleIssues(rule: CertificateRule, path: string, certificate: Certificate, known: KnownForCertificates): CoreIssue[] {
  const at = (field: string) => `${path}.${field}`
  const never = (field: string, got: unknown, limit: string): CoreIssue => ({ code: 'neverMet', path: at(field), got, limit })
  const names = (field: string, ids: readonly string[], has: (id: string) => boolean, what: string): CoreIssue[] =>
    ids.length === 0
      ? [{ code: 'empty', path: at(field), got: 0, limit: `one ${what} or more` }]
      : ids.filter((id) => !has(id)).map((id) => ({ code: 'unknown', path: at(field), got: id, limit: `a ${what} of this school` }))
  const named: CoreIssue[] =
    rule.name.trim() === '' || rule.name.length > MOST_TEXT
      ? [{ code: 'text', path: at('name'), got: rule.name, limit: `1 to ${MOST_TEXT} letters` }]
      : []
  const own = (): CoreIssue[] => {
    switch (rule.kind) {
      case 'techniques':
        return names('techniques', rule.techniques, (id) => known.techniques.has(id), 'technique')
      case 'practised': {
        const { count, dogs, coats, withinWeeks } = rule
        return [
          ...names('techniques', rule.techniques, (id) => known.techniques.has(id), 'technique'),
          ...whole(at('count'), count, 1, 200, 'times'),
          ...whole(at('dogs'), dogs, 1, 200, 'dogs'),
          ...whole(at('coats'), coats, 1, 50, 'coats'),
          ...(withinWeeks === null ? [] : whole(at('withinWeeks'), withinWeeks, 1, 260, 'weeks')),
          ...(dogs > count && count >= 1 ? [never('dogs', dogs, `at most ${count}, the number of times asked for`)] : []),
          ...coatIssues(coats, dogs),
          ...(withinWeeks !== null && count > MOST_A_WEEK * withinWeeks
            ? [never('count', count, `at most ${MOST_A_WEEK * withinWeeks} within ${withinWeeks} weeks`)]
            : [])
        ]
      }
      case 'answered':
        return names('questions', rule.questions, (id) => known.questions.has(id), 'question')
      case 'passedTrim':
        return whole(at('withinDays'), rule.withinDays, 1, 1825, 'days')
      case 'trims':
        return [
          ...whole(at('count'), rule.count, 1, 50, 'trims'),
          ...whole(at('assessors'), rule.assessors, 1, 20, 'assessors'),
          ...whole(at('withinDays'), rule.withinDays, 1, 1825, 'days'),
          ...(rule.mark >= 0 && rule.mark <= 100 ? [] : [never('mark', rule.mark, '0 to 100')]),
          ...(rule.assessors > known.assessors ? [never('assessors', rule.assessors, `at most ${known.assessors}, who work here`)] : []),
          ...(rule.count > 3 * rule.withinDays
            ? [never('count', rule.count, `at most ${3 * rule.withinDays} within ${rule.withinDays} days`)]
            : [])
        ]
      case 'dogs':
        return [
          ...whole(at('dogs'), rule.dogs, 1, 200, 'dogs'),
          ...whole(at('coats'), rule.coats, 1, 50, 'coats'),
          ...coatIssues(rule.coats, rule.dogs)
        ]
      case 'alike': {
        const has = (id: string) => certificate.standards.some((standard) => known.standards.get(standard)?.has(id))
        const together = certificate.standards.some((standard) => rule.criteria.every((id) => known.standards.get(standard)?.has(id)))
        const found = names('criteria', rule.criteria, has, 'criterion')
        return found.length === 0 && !together ? [never('criteria', rule.criteria.join(', '), 'criteria of one and the same trim')] : found
      }
      case 'noSafety':
        return whole(at('days'), rule.days, 1, 1825, 'days')
      case 'noCritical':
        return whole(at('attempts'), rule.attempts, 1, 500, 'attempts')
      case 'holds': {
        const circle = rule.certificates.find((id) => id === certificate.id || comesBack(id, certificate.id, known.certificates, new Set()))
        return [
          ...names('certificates', rule.certificates, (id) => known.certificates.has(id) || id === certificate.id, 'certificate'),
          ...(circle === undefined ? [] : [never('certificates', circle, 'certificates that do not ask for this one')])
        ]
      }
      case 'fresh':
        return whole(at('days'), rule.days, 1, 1825, 'days')
    }
  }
  const coatIssues = (coats: number, dogs: number): CoreIssue[] => [
    ...(coats > dogs && dogs >= 1 ? [never('coats', coats, `at most ${dogs}, one a dog`)] : []),
    // a school without dogs yet knows no coats
    ...(known.coats > 0 && coats > known.coats ? [never('coats', coats, `at most ${known.coats}, as many as the dogs here have`)] : [])
  ]
  return [...named, ...own()]
}

function comesBack(id: string, self: string, all: ReadonlyMap<string, readonly CertificateRule[]>, seen: Set<string>): boolean {
  if (seen.has(id)) return false
  seen.add(id)
  const asked = (all.get(id) ?? []).flatMap((rule) => (rule.kind === 'holds' ? rule.certificates : []))
  return asked.includes(self) || asked.some((next) => comesBack(next, self, all, seen))
}
