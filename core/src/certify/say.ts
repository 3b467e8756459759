// Rules as sentences that an instructor would say.
import { lowerFirst } from '../units'
import type { Certificate, CertificateRule } from './types'

export type RuleNames = {
  readonly technique: (id: string) => string
  readonly certificate: (id: string) => string
  readonly criterion: (id: string) => string
  readonly question: (id: string) => string
}

const HELP_WORDS = {
  alone: 'alone',
  onePrompt: 'with one prompt at most',
  talkedThrough: 'talked through at most',
  handsGuided: 'with hands guided at most',
  shown: 'with any help'
} as const

const many = (n: number, one: string, more = `${one}s`) => `${n} ${n === 1 ? one : more}`
/** With commas alone: many names hold an "and" of their own. */
const list = (names: readonly string[]) => names.join(', ')

/** A rule in one sentence. */
export function sayRule(rule: CertificateRule, names: RuleNames): string {
  const techniques = (ids: readonly string[]) => list(ids.map((id) => lowerFirst(names.technique(id))))
  switch (rule.kind) {
    case 'techniques':
      return `All of these are competent: ${techniques(rule.techniques)}.`
    case 'practised': {
      const how = `${rule.clean ? 'clean and ' : ''}${HELP_WORDS[rule.mostHelp]}`
      const where = [
        ...(rule.dogs > 1 ? [`on ${many(rule.dogs, 'dog')}`] : []),
        ...(rule.coats > 1 ? [`of ${many(rule.coats, 'coat')}`] : []),
        ...(rule.bothSides ? ['on both sides'] : []),
        ...(rule.withinWeeks === null ? [] : [`within the last ${many(rule.withinWeeks, 'week')}`])
      ]
      return `Each of these was done ${many(rule.count, 'time')} or more, ${[how, ...where].join(', ')}: ${techniques(rule.techniques)}.`
    }
    case 'answered':
      return `Each of these questions was asked and answered: ${rule.questions.map(names.question).join(' ')}`
    case 'passedTrim':
      return `A finished trim has passed, graded blind, within the last ${many(rule.withinDays, 'day')}.`
    case 'trims':
      return `${many(rule.count, 'finished trim')} at ${rule.mark} or more by ${many(rule.assessors, 'assessor')} each, within the last ${many(rule.withinDays, 'day')}${rule.wishes ? '' : ', none changed for the owner'}.`
    case 'dogs':
      return `The work was done on ${many(rule.dogs, 'dog')} or more, of ${many(rule.coats, 'coat')} or more.`
    case 'alike':
      return `Left and right match on the deciding trim: ${list(rule.criteria.map((id) => lowerFirst(names.criterion(id))))}.`
    case 'noSafety':
      return `No safety event in the last ${many(rule.days, 'day')}.`
    case 'noCritical':
      return `No safety event in the last ${many(rule.attempts, 'attempt')}.`
    case 'holds':
      return `Already holds: ${list(rule.certificates.map((id) => lowerFirst(names.certificate(id))))}.`
    case 'fresh':
      return `Has worked on a dog within the last ${many(rule.days, 'day')}.`
  }
}

/** How long a certificate stands, and how it is renewed. */
export function sayTerm({ validMonths, renewal }: Pick<Certificate, 'validMonths' | 'renewal'>): string {
  if (validMonths === null) return 'It has no end date.'
  const how = renewal.length === 0 ? 'every rule must be met again' : `${many(renewal.length, 'rule')} must be met`
  return `It is valid for ${many(validMonths, 'month')}; to renew it, ${how}.`
}

/** A rule of each kind as it is begun in the editor. */
export function newRule(kind: CertificateRule['kind']): CertificateRule {
  switch (kind) {
    case 'techniques':
      return { kind, name: 'Every technique competent', techniques: [] }
    case 'practised':
      return {
        kind,
        name: 'Practised enough',
        techniques: [],
        count: 5,
        clean: true,
        mostHelp: 'onePrompt',
        dogs: 3,
        coats: 2,
        bothSides: true,
        withinWeeks: 26
      }
    case 'answered':
      return { kind, name: 'Questions answered', questions: [] }
    case 'passedTrim':
      return { kind, name: 'A passed trim, graded blind', withinDays: 90 }
    case 'trims':
      return { kind, name: 'Trims at or above the mark', count: 2, mark: 75, assessors: 2, withinDays: 180, wishes: false }
    case 'dogs':
      return { kind, name: 'Three dogs, two coats', dogs: 3, coats: 2 }
    case 'alike':
      return { kind, name: 'Left and right match', criteria: [] }
    case 'noSafety':
      return { kind, name: 'No safety event', days: 60 }
    case 'noCritical':
      return { kind, name: 'No recent safety event', attempts: 20 }
    case 'holds':
      return { kind, name: 'Certificates held first', certificates: [] }
    case 'fresh':
      return { kind, name: 'Fresh', days: 60 }
  }
}
