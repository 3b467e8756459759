import { standards } from '@peen/content'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { changesBetween } from '.'

describe('what changed', () => {
  it('is told leaf by leaf, list members by their id', () => {
    const before = {
      name: 'A',
      list: [
        { id: 'x', mm: 3 },
        { id: 'y', mm: 4 }
      ],
      band: [1, 2],
      steps: ['one', 'two', 'three']
    }
    const after = {
      name: 'A',
      list: [
        { id: 'y', mm: 5 },
        { id: 'z', label: 'new', mm: 1 }
      ],
      band: [1, null],
      steps: ['one', 'two, slowly', 'three']
    }
    expect(changesBetween(before, after)).toEqual([
      { path: ['list', 'y', 'mm'], before: '4', after: '5' },
      { path: ['list', 'z'], before: null, after: 'new' },
      { path: ['list', 'x'], before: '{"id":"x","mm":3}', after: null },
      { path: ['band'], before: '1 to 2', after: '1 to open' },
      { path: ['steps', '2'], before: 'two', after: 'two, slowly' }
    ])
  })

  it('says a moved member once', () => {
    const ids = (order: string) => [...order].map((id) => ({ id }))
    expect(changesBetween(ids('abcd'), ids('bcda'))).toEqual([{ path: ['a'], before: 'place 1', after: 'place 4' }])
    expect(changesBetween(ids('abcd'), ids('abcd'))).toEqual([])
  })

  it('knows a step by its technique and a variant by its question', () => {
    const [before] = standards
    const steps = [...before.plan.steps]
    const step = { technique: 'mouth', label: 'Mouth', toolId: 'thinner', direction: null, minutes: 5 }
    steps.splice(3, 0, step)
    const after = { ...before, plan: { ...before.plan, steps }, variants: before.variants.filter(({ rule }) => rule !== 'brows') }
    expect(changesBetween(before, after)).toEqual([
      { path: ['plan', 'steps', 'mouth'], before: null, after: 'Mouth' },
      { path: ['variants', 'brows 1'], before: before.variants[0].says, after: null }
    ])
  })

  it('is nothing for the same data, and something for any other', () => {
    const data = fc.jsonValue({ maxDepth: 3 })
    fc.assert(
      fc.property(data, data, (a, b) => {
        expect(changesBetween(a, JSON.parse(JSON.stringify(a)))).toEqual([])
        const same = JSON.stringify(sorted(a)) === JSON.stringify(sorted(b))
        // nothing at all and an empty list or object are told apart only by what stands in them
        if (!same && changesBetween(a, b).length === 0) expect([isEmpty(a), isEmpty(b)]).toEqual([true, true])
      }),
      { numRuns: 200 }
    )
  })

  it('finds one changed number in a whole standard', () => {
    const [standard] = standards
    const other = { ...standard, criteria: standard.criteria.map((one, i) => (i === 3 ? { ...one, weight: one.weight + 1 } : one)) }
    expect(changesBetween(standard, other)).toEqual([
      {
        path: ['criteria', standard.criteria[3].id, 'weight'],
        before: String(standard.criteria[3].weight),
        after: String(standard.criteria[3].weight + 1)
      }
    ])
  })
})

const isEmpty = (data: unknown): boolean =>
  data === null || (typeof data === 'object' && Object.values(data as object).every((inner) => isEmpty(inner)))

function sorted(data: unknown): unknown {
  if (Array.isArray(data)) return data.map(sorted)
  if (typeof data !== 'object' || data === null) return data
  return Object.fromEntries(
    Object.entries(data)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, value]) => [key, sorted(value)])
  )
}

it('knows a row of work by its place, part and house side, and tells a whole plan of work by its size', () => {
  const row = { place: 'thigh', part: 'rear edge', does: 'passes', passes: [{ kind: 'clip', leavesMm: 3.2 }] }
  const other = { place: 'brow', house: { id: 'brows', side: 1 }, does: 'leave', passes: [] }
  const longer = { ...row, passes: [{ kind: 'clip', leavesMm: 6.3 }] }
  expect(changesBetween({ work: [other, row] }, { work: [other, longer] })).toEqual([
    { path: ['work', 'thigh, rear edge', 'passes', '1', 'leavesMm'], before: '3.2', after: '6.3' }
  ])
  expect(changesBetween({}, { work: [other, row, { place: 'back' }] })).toEqual([{ path: ['work'], before: null, after: '3 entries' }])
})
