// Rules by hand-made cohorts with known answers, and a law: clean evidence never takes a met rule away.
import { certificates, standards, techniques } from '@peen/content'
import fc from 'fast-check'
import jstat from 'jstat'
import { describe, expect, it } from 'vitest'
import {
  borderlineOf,
  certificateIssues,
  findingOf,
  newRule,
  sayRule,
  sayTerm,
  type Certificate,
  type CertificateRule,
  type CertifyFacts,
  type GradedTrim,
  type KnownForCertificates,
  type RuleKind
} from '.'
import { standingOf, type AttemptRecord } from '../competency'
import { GLOBAL_RATINGS, type GradeResult } from '../grade'
import { normalDraw, randomFrom } from '../stats'

const TODAY = '2026-04-14'
const day = (ago: number) => new Date(Date.parse(TODAY) - ago * 86400000).toISOString().slice(0, 10)
const attempt = (ago: number, change: Partial<AttemptRecord> = {}): AttemptRecord => ({
  ...{ visitId: `s${ago}`, onDate: day(ago), dogId: `d${ago % 3}`, dogName: 'Flint', coat: ['wire', 'soft wire'][ago % 2] },
  ...{ clean: true, counts: true, minutes: 10, planMinutes: 10, prompts: 0, help: 'alone', sides: 'both', because: '' },
  ...{ safetyEvents: 0, seriousSafety: false },
  ...change
})
const trim = (ago: number, value: number, change: Partial<GradedTrim> = {}): GradedTrim => ({
  ...{ gradingId: `g${ago}`, visitId: `s${ago}`, dogId: 'd1', dogName: 'Flint', coat: 'wire', onDate: day(ago), assessorId: 'ruben' },
  ...{ hasWishes: false, settled: null },
  result: {
    outcome: value >= 70 ? 'passed' : 'notPassed',
    total: { value, interval: [value - 4, value + 4], n: 1 },
    parts: []
  } as unknown as GradeResult,
  ...change
})
const factsOf = (change: Partial<CertifyFacts> = {}): CertifyFacts => ({
  today: TODAY,
  standings: new Map(),
  techniqueNames: new Map([['pull', 'Pull the coat']]),
  attempts: new Map(),
  trims: [],
  dogs: [],
  lastSafetyOn: null,
  lastWorkOn: null,
  held: new Map(),
  certificateNames: new Map([['stripping', 'Stripping']]),
  answered: new Map(),
  questionWords: new Map(),
  ...change
})
const asked = (rule: CertificateRule, change: Partial<CertifyFacts>) => findingOf({ rules: [rule] }, factsOf(change)).rules[0]
type Of<K extends RuleKind> = Extract<CertificateRule, { kind: K }>
const rule = <K extends RuleKind>(kind: K, change: Partial<Of<K>> = {}) => ({ ...newRule(kind), ...change }) as Of<K>

describe('practised often enough', () => {
  const wanted = rule('practised', { techniques: ['pull'], count: 4, dogs: 3, coats: 2, withinWeeks: 8, mostHelp: 'onePrompt' })
  const by = (attempts: AttemptRecord[]) => asked(wanted, { attempts: new Map([['pull', attempts]]) })
  it.each<[string, AttemptRecord[], 'met' | 'missing', RegExp]>([
    ['enough of everything', [4, 3, 2, 1].map((ago) => attempt(ago)), 'met', /each 4 times or more/],
    ['too few', [2, 1].map((ago) => attempt(ago)), 'missing', /0 of 1: pull the coat 2 of 4, 2 of 3 dogs/],
    ['one not clean', [4, 3, 2, 1].map((ago) => attempt(ago, { clean: ago !== 2 })), 'missing', /3 of 4/],
    ['talked through', [4, 3, 2, 1].map((ago) => attempt(ago, { help: 'talkedThrough' })), 'missing', /0 of 4/],
    ['one dog', [4, 3, 2, 1].map((ago) => attempt(ago, { dogId: 'd1' })), 'missing', /1 of 3 dogs/],
    ['one coat', [4, 3, 2, 1].map((ago) => attempt(ago, { coat: 'wire' })), 'missing', /1 of 2 coats/],
    ['one side', [4, 3, 2, 1].map((ago) => attempt(ago, { sides: 'left' })), 'missing', /no right side/],
    ['each side once', [4, 3, 2, 1].map((ago) => attempt(ago, { sides: ago % 2 ? 'left' : 'right' })), 'met', /./],
    ['too long ago', [64, 63, 62, 61].map((ago) => attempt(ago)), 'missing', /0 of 4/],
    ['unwatched', [4, 3, 2, 1].map((ago) => attempt(ago, { counts: false })), 'missing', /0 of 4/]
  ])('%s', (_, attempts, met, words) => {
    const outcome = by(attempts)
    expect([outcome.met, outcome.evidence]).toEqual([met, expect.stringMatching(words)])
  })
})

describe('the deciding trim', () => {
  const asks = (withinDays: number) => ({ rules: [rule('passedTrim', { withinDays }), rule('alike', { criteria: ['skirt-pair'] })] })
  const pair = (verdict: 'meets' | 'fails') => ({ criterionId: 'skirt-pair', label: 'Skirt', verdict, say: verdict, valueMm: 1, uMm: 0.5 })
  const passed = (ago: number, verdict: 'meets' | 'fails') => {
    const one = trim(ago, 80)
    return { ...one, result: { ...one.result, parts: [pair(verdict)] } as unknown as GradeResult }
  }

  // Symptom: a trim that was too old, with both sides alike, hid a fresh one: "80, 120 days ago; 90 are allowed"
  it('is no trim that is too old while a fresh one has passed', () => {
    const facts = factsOf({ trims: [passed(120, 'meets'), passed(10, 'fails')] })
    expect(findingOf(asks(90), facts).rules[0]).toMatchObject({ met: 'met', onDate: day(10) })
    expect(findingOf(asks(90), facts).deciding?.onDate).toBe(day(10))
    expect(findingOf(asks(150), facts).deciding?.onDate).toBe(day(120))
    expect(findingOf(asks(5), facts).rules[0]).toMatchObject({ met: 'missing' })
  })

  it('counts its last day in, in the rule and in the sentence', () => {
    const at = (ago: number) => findingOf({ rules: [rule('passedTrim', { withinDays: 90 })] }, factsOf({ trims: [trim(ago, 80)] })).rules[0]
    expect(at(90).met).toBe('met')
    expect(at(91)).toMatchObject({ met: 'missing', evidence: expect.stringMatching(/91 days ago; it must be within 90 days/) })
    const safety = (ago: number) => asked(rule('noSafety', { days: 60 }), { lastSafetyOn: day(ago) })
    expect(safety(60)).toMatchObject({ met: 'missing', evidence: 'last one 60 days ago; it must be more than 60 days ago' })
    expect(safety(61).met).toBe('met')
    const worked = (ago: number) => asked(rule('fresh', { days: 60 }), { lastWorkOn: day(ago) })
    expect([worked(60).met, worked(61).met]).toEqual(['met', 'missing'])
  })
})

describe('trims over the mark', () => {
  const wanted = rule('trims', { count: 2, mark: 75, assessors: 2, withinDays: 90, wishes: false })
  const both = (ago: number, a: number, b: number, change: Partial<GradedTrim> = {}) => [
    trim(ago, a, { gradingId: `${ago}a`, assessorId: 'ruben', ...change }),
    trim(ago, b, { gradingId: `${ago}b`, assessorId: 'mira', ...change })
  ]
  it.each<[string, GradedTrim[], 'met' | 'missing', RegExp]>([
    ['two trims by two each', [...both(9, 80, 77), ...both(3, 76, 90)], 'met', /^2 of 2 at 75 or more by 2 assessors needed/],
    ['one of them under the mark by one', [...both(9, 80, 74), ...both(3, 76, 90)], 'missing', /^1 of 2/],
    ['one marked by one alone', [trim(9, 80), ...both(3, 76, 90)], 'missing', /still needs a second assessor/],
    ['one too old', [...both(91, 80, 80), ...both(3, 76, 90)], 'missing', /^1/],
    ['one with the owner’s wishes', [...both(9, 80, 80, { hasWishes: true }), ...both(3, 76, 90)], 'missing', /^1/],
    ['one settled as not passed', [...both(9, 80, 80, { settled: 'notPassed' }), ...both(3, 76, 90)], 'missing', /^1/]
  ])('%s', (_, trims, met, words) => {
    const outcome = asked(wanted, { trims })
    expect([outcome.met, outcome.evidence]).toEqual([met, expect.stringMatching(words)])
  })

  it('what two settled decides, whatever each said', () => {
    const unsure = { outcome: 'secondAssessor', total: { value: 71, interval: [66, 76], n: 1 }, parts: [] } as unknown as GradeResult
    const passed = rule('passedTrim')
    expect(asked(passed, { trims: [trim(3, 71, { result: unsure })] }).met).toBe('cannotTell')
    expect(asked(passed, { trims: [trim(3, 71, { result: unsure, settled: 'passed' })] }).met).toBe('met')
    expect(asked(passed, { trims: [trim(3, 90, { settled: 'notPassed' })] }).met).toBe('missing')
  })
})

describe('what went before', () => {
  it('asks for certificates that have not run out, and for attempts without an event', () => {
    const holds = rule('holds', { certificates: ['stripping'] })
    expect(asked(holds, {})).toMatchObject({ met: 'missing', evidence: 'not held: Stripping' })
    expect(asked(holds, { held: new Map([['stripping', { name: 'Stripping', until: null }]]) }).met).toBe('met')
    const safe = rule('noCritical', { attempts: 3 })
    const at = (event: number) => new Map([['pull', [5, 4, 3, 2, 1].map((ago) => attempt(ago, { safetyEvents: ago === event ? 1 : 0 }))]])
    expect(asked(safe, { attempts: at(2) })).toMatchObject({ met: 'missing', evidence: 'one 1 attempts ago; the last 3 must have none' })
    expect(asked(safe, { attempts: at(4) }).met).toBe('met')
  })
})

describe('more clean evidence', () => {
  const RULES: readonly CertificateRule[] = [
    rule('techniques', { techniques: ['pull'] }),
    rule('practised', { techniques: ['pull'], count: 3, dogs: 2, coats: 2, withinWeeks: 8 }),
    rule('passedTrim'),
    rule('trims', { count: 1, assessors: 1 }),
    rule('dogs', { dogs: 2, coats: 2 }),
    rule('noSafety'),
    rule('noCritical', { attempts: 4 }),
    rule('fresh')
  ]
  const COAT_OF: Readonly<Record<string, string>> = { d1: 'wire', d2: 'soft wire', d3: 'wire' }
  const attemptDraw = fc.record({
    ago: fc.integer({ min: 0, max: 120 }),
    clean: fc.boolean(),
    counts: fc.boolean(),
    dogId: fc.constantFrom('d1', 'd2', 'd3'),
    sides: fc.constantFrom<AttemptRecord['sides'][]>('left', 'right', 'both'),
    safetyEvents: fc.constantFrom(0, 0, 0, 1)
  })
  const known = (
    drawn: readonly { ago: number; clean: boolean; dogId: string; safetyEvents: number }[],
    trims: GradedTrim[]
  ): CertifyFacts => {
    const own = [...drawn]
      .sort((a, b) => b.ago - a.ago)
      .map(({ ago, ...change }) =>
        attempt(ago, { ...change, coat: COAT_OF[change.dogId], clean: change.clean && change.safetyEvents === 0 })
      )
    const counted = own.filter(({ counts }) => counts)
    const passedTrimOn = trims.find(({ result }) => result.outcome === 'passed')?.onDate ?? null
    const standing = standingOf({ techniqueName: 'Pull', attempts: own, passedTrimOn, liftedOn: null, today: TODAY })
    return factsOf({
      standings: new Map([['pull', standing]]),
      attempts: new Map([['pull', counted]]),
      trims: [...trims].sort((a, b) => a.onDate.localeCompare(b.onDate)),
      dogs: [...new Map(counted.map(({ dogId, coat }) => [dogId, { id: dogId, name: dogId, coat }])).values()],
      lastSafetyOn: own.filter(({ safetyEvents }) => safetyEvents > 0).at(-1)?.onDate ?? null,
      lastWorkOn: counted.at(-1)?.onDate ?? null
    })
  }
  it('never takes a met rule away', () => {
    fc.assert(
      fc.property(
        fc.array(attemptDraw, { maxLength: 30 }),
        fc.array(fc.record({ ago: fc.integer({ min: 0, max: 120 }), mark: fc.integer({ min: 40, max: 100 }) }), { maxLength: 4 }),
        fc.integer({ min: 70, max: 100 }),
        (drawn, marks, more) => {
          const trims = marks.map(({ ago, mark }, i) => trim(ago, mark, { gradingId: `g${i}`, visitId: `t${i}` }))
          const before = findingOf({ rules: RULES }, known(drawn, trims)).rules
          const cleanToday = { ago: 0, clean: true, counts: true, dogId: 'd1', sides: 'both' as const, safetyEvents: 0 }
          const withAttempt = findingOf({ rules: RULES }, known([...drawn, cleanToday], trims)).rules
          const withTrim = findingOf({ rules: RULES }, known(drawn, [...trims, trim(0, more, { gradingId: 'new', visitId: 'new' })])).rules
          for (const after of [withAttempt, withTrim])
            for (const [i, { met, kind }] of before.entries()) if (met === 'met') expect(`${kind} ${after[i].met}`).toBe(`${kind} met`)
        }
      ),
      { numRuns: 300 }
    )
  })
})

const known: KnownForCertificates = {
  techniques: new Set(techniques.map(({ id }) => id)),
  questions: new Set(['why-pull']),
  standards: new Map(standards.map(({ id, criteria }) => [id, new Set(criteria.map((criterion) => criterion.id))])),
  certificates: new Map(certificates.map(({ id, rules }) => [id, rules])),
  coats: 6,
  assessors: 4
}
const withRule = (one: CertificateRule): Certificate => ({ ...certificates[0], rules: [one] })

describe('a certificate', () => {
  it('ships with rules that can be met, and reads as sentences', () => {
    const names = {
      technique: (id: string) => id,
      certificate: (id: string) => id,
      criterion: (id: string) => id,
      question: (id: string) => id
    }
    for (const certificate of certificates) {
      expect(certificateIssues(certificate, known), certificate.id).toEqual([])
      for (const one of [...certificate.rules, ...certificate.renewal]) expect(sayRule(one, names)).toMatch(/^[A-Z0-9].+\.$/)
    }
    for (const family of ['clipping', 'scissoring', 'stripping', 'finishing']) expect(certificates.map(({ id }) => id)).toContain(family)
    expect(sayRule(rule('practised', { techniques: ['pull', 'pads'] }), names)).toBe(
      'Each of these was done 5 times or more, clean and with one prompt at most, on 3 dogs, of 2 coats, on both sides, within the last 26 weeks: pull, pads.'
    )
    expect(sayTerm(certificates[1])).toBe('It is valid for 24 months; to renew it, 3 rules must be met.')
  })

  it.each<[string, CertificateRule, string, RegExp]>([
    ['more dogs than attempts', rule('practised', { techniques: ['pull'], count: 2, dogs: 3 }), 'rules.0.dogs', /at most 2/],
    ['more coats than dogs', rule('dogs', { dogs: 2, coats: 3 }), 'rules.0.coats', /at most 2, one a dog/],
    ['more coats than there are', rule('dogs', { dogs: 9, coats: 7 }), 'rules.0.coats', /at most 6/],
    ['fifty times in a week', rule('practised', { techniques: ['pull'], count: 50, withinWeeks: 1 }), 'rules.0.count', /at most 25/],
    ['more assessors than work here', rule('trims', { assessors: 5 }), 'rules.0.assessors', /at most 4/],
    ['a mark nobody has', rule('trims', { mark: 101 }), 'rules.0.mark', /0 to 100/],
    ['itself', rule('holds', { certificates: ['bearded-pet'] }), 'rules.0.certificates', /do not ask for this one/],
    ['a technique nobody knows', rule('techniques', { techniques: ['flying'] }), 'rules.0.techniques', /technique of this school/],
    ['no technique', rule('techniques', { techniques: [] }), 'rules.0.techniques', /one technique or more/],
    ['a criterion of another trim', rule('alike', { criteria: ['coat-pair'] }), 'rules.0.criteria', /criterion of this school/],
    ['half a day', rule('fresh', { days: 0.5 }), 'rules.0.days', /1 to 1825/]
  ])('refuses %s', (_, one, path, limit) => {
    const issue = certificateIssues(withRule(one), known).find((found) => found.path === path)
    expect(issue?.limit).toMatch(limit)
  })

  it('refuses a circle of certificates over any way round', () => {
    const circle = new Map([...known.certificates, ['clipping', [rule('holds', { certificates: ['poodles'] })]] as const])
    const poodles = certificates.find(({ id }) => id === 'poodles')!
    expect(certificateIssues(poodles, { ...known, certificates: circle })[0]).toMatchObject({ code: 'neverMet', got: 'clipping' })
  })
})

describe('borderline regression', () => {
  const random = randomFrom(3)
  const rated = Array.from({ length: 60 }, (_, i) => {
    const level = i % 5
    return { mark: 52 + 9 * level + 4 * normalDraw(random), rating: GLOBAL_RATINGS[level] }
  })
  // Ref: jstat 1.9.6, an independent library: ordinary least squares
  it('agrees with an independent library', () => {
    const found = borderlineOf(rated)!
    const model = jstat.models.ols(
      rated.map(({ mark }) => mark),
      rated.map(({ rating }) => [1, GLOBAL_RATINGS.indexOf(rating)])
    )
    expect(found.intercept).toBeCloseTo(model.coef[0], 8)
    expect(found.slope).toBeCloseTo(model.coef[1], 8)
    expect(found.r2).toBeCloseTo(model.R2, 8)
    expect(found.cut).toBeCloseTo(model.coef[0] + model.coef[1], 8)
    expect(found.interval[0]).toBeLessThan(61)
    expect(found.interval[1]).toBeGreaterThan(61)
  })
  it('says nothing under thirty trims, or where all are rated alike', () => {
    expect(borderlineOf(rated.slice(0, 29))).toBeNull()
    expect(borderlineOf(rated.map((one) => ({ ...one, rating: 'pass' as const })))).toBeNull()
  })
})
