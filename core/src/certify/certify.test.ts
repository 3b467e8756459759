import { certificates } from '@peen/content'
import { describe, expect, it } from 'vitest'
import type { Standing } from '../competency'
import type { GradeResult, PartResult } from '../grade'
import { findingOf, maySign, missingSigners, type CertifyFacts, type GradedTrim, type SigningFacts, type SigningPerson } from '.'

const certificate = certificates[0]
const techniques = certificate.rules.flatMap((rule) => (rule.kind === 'techniques' ? rule.techniques : []))
const pairs = certificate.rules.flatMap((rule) => (rule.kind === 'alike' ? rule.criteria : []))
const standing = (state: Standing['state']) => ({ state, risk: 0.0445, signalOn: '2026-03-01' }) as Standing
const pair = (criterionId: string, verdict: PartResult['verdict'] = 'meets') =>
  ({ criterionId, label: 'Skirt, both sides', verdict, valueMm: 1.4, uMm: 0.6, say: 'cannot tell at 1.4 mm' }) as PartResult
const trim = (change: Partial<GradeResult> = {}): GradedTrim => ({
  gradingId: 'g',
  visitId: 's',
  dogId: 'd1',
  dogName: 'Flint',
  coat: 'wire',
  onDate: '2026-04-09',
  assessorId: 'ruben',
  hasWishes: false,
  settled: null,
  result: {
    outcome: 'passed',
    total: { value: 81, interval: [77, 85], n: 2000 },
    parts: pairs.map((id) => pair(id)),
    ...change
  } as GradeResult
})
const facts = (change: Partial<CertifyFacts> = {}): CertifyFacts => ({
  today: '2026-04-14',
  standings: new Map(techniques.map((id) => [id, standing('competent')])),
  techniqueNames: new Map(),
  attempts: new Map(),
  trims: [trim()],
  dogs: [
    { id: 'd1', name: 'Flint', coat: 'wire' },
    { id: 'd2', name: 'Slate', coat: 'soft wire' },
    { id: 'd3', name: 'Ash', coat: 'wire' }
  ],
  lastSafetyOn: null,
  lastWorkOn: '2026-04-12',
  held: new Map(),
  certificateNames: new Map(),
  answered: new Map(),
  questionWords: new Map(),
  ...change
})
const outcome = (kind: string, change: Partial<CertifyFacts>) =>
  findingOf(certificate, facts(change)).rules.find((rule) => rule.kind === kind)!

describe('the finding', () => {
  it('meets all rules on full evidence', () => {
    const finding = findingOf(certificate, facts())
    expect(finding.ready).toBe(true)
    expect(finding.deciding?.gradingId).toBe('g')
    expect(finding.rules[0].evidence).toContain('chance of luck over all 7 together 27 %')
    expect(outcome('fresh', {}).evidence).toBe('last worked 2 days ago; the limit is 60 days')
    expect(outcome('fresh', { lastWorkOn: '2026-04-14' }).evidence).toBe('last worked today; the limit is 60 days')
  })

  it.each<[string, Partial<CertifyFacts>, string, RegExp]>([
    ['techniques', { standings: new Map([['skirt-line', standing('practising')]]) }, 'missing', /0 of 7/],
    ['passedTrim', { trims: [] }, 'missing', /no graded trim yet/],
    ['passedTrim', { trims: [trim({ outcome: 'secondAssessor' })] }, 'cannotTell', /second assessor needed/],
    ['passedTrim', { trims: [trim()], today: '2026-12-01' }, 'missing', /it must be within 90 days/],
    ['dogs', { dogs: [{ id: 'd1', name: 'Flint', coat: 'wire' }] }, 'missing', /dogs: 1 of 3 needed \(Flint\); coats: 1 of 2 needed/],
    ['alike', { trims: [trim({ parts: pairs.map((id, i) => pair(id, i ? 'meets' : 'cannotTell')) })] }, 'cannotTell', /cannot tell/],
    ['noSafety', { lastSafetyOn: '2026-04-01' }, 'missing', /13 days ago; it must be more than 60 days ago/],
    ['fresh', { lastWorkOn: '2026-01-01' }, 'missing', /the limit is 60/]
  ])('%s can be unmet', (kind, change, met, words) => {
    const rule = outcome(kind, change)
    expect(rule.met).toBe(met)
    expect(rule.evidence).toMatch(words)
    expect(findingOf(certificate, facts(change)).ready).toBe(false)
  })
})

const lead: SigningPerson = { id: 'ottilie', name: 'Ottilie Marsh', role: 'lead' }
const lead2: SigningPerson = { id: 'anneke', name: 'Anneke Voss', role: 'lead' }
const instructor: SigningPerson = { id: 'ruben', name: 'Ruben Castell', role: 'instructor' }
const instructor2: SigningPerson = { id: 'mira', name: 'Mira Dahl', role: 'instructor' }
const apprentice: SigningPerson = { id: 'ines', name: 'Ines Okoro', role: 'apprentice' }
const signing = (change: Partial<SigningFacts> = {}): SigningFacts => ({
  candidateId: 'ines',
  markedBy: 'ruben',
  workedOnDog: new Set(),
  ready: true,
  signed: [],
  ...change
})

describe('who signs', () => {
  it('takes two assessors, one a lead', () => {
    expect(maySign(instructor, signing())).toEqual({ may: true, note: 'marked the deciding trim' })
    expect(maySign(lead, signing({ signed: [instructor] })).may).toBe(true)
  })

  it.each<[string, SigningPerson, Partial<SigningFacts>, RegExp]>([
    ['the candidate', { ...lead, id: 'ines' }, {}, /no one can sign their own work/],
    ['an apprentice', { ...apprentice, id: 'jun' }, {}, /only assessors can sign/],
    ['who worked on the dog', lead, { workedOnDog: new Set(['ottilie']) }, /worked on this dog/],
    ['too early', lead, { ready: false }, /not every rule is met/],
    ['twice', lead, { signed: [lead] }, /has already signed/],
    ['no lead', instructor2, { signed: [instructor] }, /must be a lead/],
    ['a third', lead, { signed: [lead2, instructor] }, /two people have already signed/]
  ])('not %s', (_, person, change, words) => {
    const answer = maySign(person, signing(change))
    expect(answer.may).toBe(false)
    expect(answer.may === false && answer.because).toMatch(words)
  })

  it('not under a second account of one person', () => {
    const one =
      (...ids: string[]) =>
      (id: string) =>
        new Set(ids.includes(id) ? ids : [id])
    const because = (person: SigningPerson, change: Partial<SigningFacts>) => {
      const answer = maySign(person, signing(change))
      return answer.may ? 'may' : answer.because
    }
    expect(because(lead, { accountsOf: one('ottilie', 'ines') })).toMatch(/no one can sign their own work/)
    expect(because(lead, { accountsOf: one('ottilie', 'mira'), workedOnDog: new Set(['mira']) })).toMatch(/worked on this dog/)
    expect(because(lead, { accountsOf: one('ottilie', 'anneke'), signed: [lead2] })).toMatch(/has already signed/)
    expect(because(lead, { accountsOf: one('ottilie', 'ruben'), signed: [lead2] })).toBe('may')
    expect(missingSigners([lead, lead2], signing({ accountsOf: one('ottilie', 'anneke') }))).toMatch(/Only Ottilie Marsh can sign/)
  })

  it('says what is missing when the school has too few people', () => {
    expect(missingSigners([lead, instructor], signing())).toBeNull()
    expect(missingSigners([instructor, instructor2], signing())).toMatch(/No lead assessor can sign/)
    expect(missingSigners([lead, apprentice], signing())).toMatch(/Only Ottilie Marsh can sign/)
    expect(missingSigners([lead, instructor], signing({ workedOnDog: new Set(['ottilie']) }))).toMatch(/No lead/)
  })
})
