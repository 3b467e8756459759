// Rules of evidence: certificates as a school makes them, and the risks by which its charts are made.
import type { Certificate, CertificateRule, RuleKind } from '@peen/core/certify'
import { CoreError, type CoreIssue } from '@peen/core/error'
import { designLearningChart, type StandingRules } from '@peen/core/competency'
import { HELP_LEVELS } from '@peen/core/practice'
import { chosen, named, within } from '../shape/fields'
import { array, boolean, lazy, number, object, string, type InferType } from '../shape/yup'

const ids = (label: string) => array().of(string().required().max(60)).required(`${label} are missing.`).max(60)
const name = named('Name of the rule', 120)
const kindOf = (kind: RuleKind) => chosen('Kind of rule', [kind])
const count = (label: string) => number().typeError(`${label} is not a number.`).required(`${label} is missing.`)

const RULES = {
  techniques: object({ kind: kindOf('techniques'), name, techniques: ids('Techniques') }),
  practised: object({
    kind: kindOf('practised'),
    name,
    techniques: ids('Techniques'),
    count: count('Times'),
    clean: boolean().required(),
    mostHelp: chosen('Help', HELP_LEVELS),
    dogs: count('Dogs'),
    coats: count('Coats'),
    bothSides: boolean().required(),
    withinWeeks: number().nullable().defined()
  }),
  answered: object({ kind: kindOf('answered'), name, questions: ids('Questions') }),
  passedTrim: object({ kind: kindOf('passedTrim'), name, withinDays: count('Days') }),
  trims: object({
    kind: kindOf('trims'),
    name,
    count: count('Trims'),
    mark: count('Mark'),
    assessors: count('Assessors'),
    withinDays: count('Days'),
    wishes: boolean().required()
  }),
  dogs: object({ kind: kindOf('dogs'), name, dogs: count('Dogs'), coats: count('Coats') }),
  alike: object({ kind: kindOf('alike'), name, criteria: ids('Criteria') }),
  noSafety: object({ kind: kindOf('noSafety'), name, days: count('Days') }),
  noCritical: object({ kind: kindOf('noCritical'), name, attempts: count('Attempts') }),
  holds: object({ kind: kindOf('holds'), name, certificates: ids('Certificates') }),
  fresh: object({ kind: kindOf('fresh'), name, days: count('Days') })
} as const

export const RULE_KINDS = Object.keys(RULES) as RuleKind[]
const MOST_RULES = 20

const rule = lazy((value: unknown) => {
  const kind = (value as { kind?: unknown } | null)?.kind
  return Object.hasOwn(RULES, String(kind)) ? RULES[kind as RuleKind].noUnknown() : object({ kind: chosen('Kind of rule', RULE_KINDS) })
})

/** The shape of a certificate; whether its rules can be met is for `certificateIssues` of core. */
export const certificateSchema = object({
  id: string()
    .required('id is missing.')
    .matches(
      /^[a-z0-9][a-z0-9-]{1,39}$/,
      ({ value }) => `id is “${String(value).slice(0, 60)}”; it must be 2 to 40 lower-case letters, digits and hyphens.`
    ),
  version: within('Version', 1, 100000, ''),
  name: named('Name', 120),
  claim: named('What it claims', 240),
  standardId: string().required().max(60),
  standards: ids('Trims that count').min(1, 'Trims that count: none chosen; choose one or more.'),
  validMonths: number().nullable().defined(),
  renewal: array().of(rule).required().max(MOST_RULES),
  rules: array().of(rule).required().max(MOST_RULES)
}).noUnknown()

export type CertificateVersion = { readonly version: number; readonly by: string | null; readonly at: string | null }
export type CertificateRow = {
  readonly certificate: Certificate
  readonly retired: boolean
  readonly versions: readonly CertificateVersion[]
  readonly issued: number
}
/** All certificates, and what the editor must know to judge a change at once. */
export type CertificateBook = {
  readonly certificates: readonly CertificateRow[]
  readonly coats: number
  readonly assessors: number
  /** criteria of each trim that count as pairs or anything else, by trim */
  readonly criteria: Readonly<Record<string, readonly { readonly id: string; readonly label: string }[]>>
  readonly rules: StandingRules
}

/** What a changed certificate would say of the cohort today. */
export type DryRunRow = {
  readonly apprenticeId: string
  readonly apprentice: string
  readonly cohort: string
  readonly before: { readonly met: number; readonly of: number } | null
  readonly after: { readonly met: number; readonly of: number }
  readonly ready: boolean
  /** rules that are not met, each with its evidence */
  readonly open: readonly { readonly name: string; readonly evidence: string }[]
}

/** An issue of core as a sentence that names the rule. */
export function sayCertificateIssue(
  { path, got, limit, code }: CoreIssue,
  { rules, renewal }: Pick<Certificate, 'rules' | 'renewal'>
): string {
  const [list, index, field] = path.split('.')
  const of: readonly CertificateRule[] | null = list === 'rules' ? rules : list === 'renewal' ? renewal : null
  const where =
    of && index !== undefined
      ? `Rule ${Number(index) + 1}, “${of[Number(index)]?.name ?? ''}”: ${FIELD_WORDS[field] ?? field}`
      : (FIELD_WORDS[path] ?? path)
  const why = code === 'neverMet' ? ' No one could ever meet it.' : ''
  return `${where} is ${String(got)}; it must be ${limit}.${why}`
}
const FIELD_WORDS: Readonly<Record<string, string>> = {
  count: 'the number',
  dogs: 'the number of dogs',
  coats: 'the number of coats',
  withinWeeks: 'the number of weeks',
  withinDays: 'the number of days',
  days: 'the number of days',
  attempts: 'the number of attempts',
  assessors: 'the number of assessors',
  mark: 'the mark',
  techniques: 'the techniques',
  criteria: 'the criteria',
  certificates: 'the certificates',
  name: 'the name',
  claim: 'What it claims',
  standards: 'The trims that count',
  standardId: 'The trim it is drawn by',
  validMonths: 'The months it is valid',
  rules: 'The number of rules'
}

const share = (label: string) => {
  const say = ({ value }: { value: unknown }) => `${label} is ${String(value).slice(0, 20)}; it must be 0.001 to 0.9.`
  return number().typeError(say).required(`${label} is missing.`).min(0.001, say).max(0.9, say)
}

export const standingRulesSchema = object({
  acceptable: share('Share of faulty attempts if competent'),
  unacceptable: share('Share of faulty attempts if not competent'),
  expectedAttempts: within('Attempts expected', 5, 200, 'attempts'),
  risk: share('Risk'),
  lapseDays: within('Days without practice until it lapses', 7, 730, 'days')
})
  .noUnknown()
  .test('chart', (rules, context) => {
    const problem = chartProblem(rules as StandingRules)
    return problem === null || context.createError({ path: problem.path, message: problem.say })
  })
export type StandingRulesBody = InferType<typeof standingRulesSchema>

/** Why no chart can be made of these numbers; null where one can. A chart that cannot signal in time helps nobody. */
export function chartProblem(rules: StandingRules): { readonly path: string; readonly say: string } | null {
  try {
    const chart = designLearningChart(rules)
    return chart.limit > rules.expectedAttempts
      ? {
          path: 'expectedAttempts',
          say: `With ${rules.expectedAttempts} attempts expected the signal stands at ${chart.limit}: nobody reaches it in time. Expect more attempts or allow a larger risk.`
        }
      : null
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    const { path, got } = error.issue
    return path === 'acceptable'
      ? { path, say: `The two rates are ${String(got)}; the first must be smaller.` }
      : { path, say: error.message }
  }
}
