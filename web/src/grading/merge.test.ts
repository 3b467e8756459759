import { standards } from '@peen/content'
import type { SideAnswer } from '@peen/core/grade'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { differences, merged, usualChoice, type StoredDraft } from './merge'
import { sayAnswer } from './say-answer'

const answer = fc.oneof<fc.Arbitrary<SideAnswer>[]>(
  fc.record({ kind: fc.constant('readings' as const), mm: fc.array(fc.nat({ max: 60 }), { minLength: 1, maxLength: 3 }) }),
  fc.constant({ kind: 'asItShouldBe' as const }),
  fc.record({ kind: fc.constant('level' as const), level: fc.nat({ max: 4 }) })
)
const draft: fc.Arbitrary<StoredDraft> = fc.record({
  version: fc.nat(),
  answers: fc.dictionary(
    fc.constantFrom('back', 'skirt', 'foot'),
    fc.record({ left: answer, right: answer, whole: answer }, { requiredKeys: [] }).filter((sides) => Object.keys(sides).length > 0)
  ),
  critical: fc.uniqueArray(fc.constantFrom('nick', 'burn', 'quick')),
  globalRating: fc.constantFrom(null, 'pass' as const, 'good' as const)
})
const said = ({ answers, critical, globalRating }: StoredDraft) => ({ answers, critical: [...critical].sort(), globalRating })

describe('two devices on one sheet', () => {
  it('differ nowhere from themselves, and in the same places whichever is asked first', () => {
    fc.assert(
      fc.property(draft, draft, (a, b) => {
        expect(differences(a, structuredClone(a))).toEqual([])
        expect(
          differences(a, b)
            .map(({ id }) => id)
            .sort()
        ).toEqual(
          differences(b, a)
            .map(({ id }) => id)
            .sort()
        )
      })
    )
  })

  it('make the one sheet or the other where all is taken from it, and always upon the stored version', () => {
    fc.assert(
      fc.property(draft, draft, (here, there) => {
        const all = (side: 'here' | 'there') => Object.fromEntries(differences(here, there).map(({ id }) => [id, side]))
        expect(said(merged(here, there, all('here')))).toEqual(said(here))
        expect(said(merged(here, there, all('there')))).toEqual(said(there))
        expect(merged(here, there, {}).version).toBe(there.version)
      })
    )
  })

  it('lose nothing that only one of them says, unless a hand says so', () => {
    fc.assert(
      fc.property(draft, draft, (here, there) => {
        const found = differences(here, there)
        const sheet = merged(here, there, Object.fromEntries(found.map((one) => [one.id, usualChoice(one)])))
        for (const one of found) {
          if (one.kind === 'answer') expect(sheet.answers[one.criterionId]?.[one.side]).toEqual(one.here ?? one.there)
          if (one.kind === 'critical') expect(sheet.critical).toContain(one.faultId)
          if (one.kind === 'rating') expect(sheet.globalRating).toBe(one.here ?? one.there)
        }
      })
    )
  })
})

describe('an answer in words', () => {
  const judged = standards[0].criteria.find(({ how }) => how.kind === 'judged')!
  it('is what was found, with its unit', () => {
    expect(sayAnswer(judged, null)).toBe('not answered')
    expect(sayAnswer(judged, { kind: 'readings', mm: [3.2, 3.4] })).toBe('3.2, 3.4 mm')
    expect(sayAnswer(judged, { kind: 'level', level: 2 })).toMatch(/^2, \w/)
    expect(sayAnswer(judged, { kind: 'excused', reason: 'matted' })).toBe('like this on arrival: matted')
  })
})
