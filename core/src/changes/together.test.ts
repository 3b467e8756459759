import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { putTogether } from '.'

const base = {
  weeks: 6,
  purpose: 'pet',
  list: [
    { id: 'a', mm: 3 },
    { id: 'b', mm: 4 }
  ],
  feet: ['left fore']
}

describe('two changes of one beginning', () => {
  it('are both kept where they touch different things', () => {
    const here = { ...base, weeks: 7, list: [...base.list, { id: 'c', mm: 5 }] }
    const there = { ...base, purpose: 'show', list: [{ id: 'a', mm: 9 }, base.list[1]!], feet: ['left fore', 'right fore'] }
    expect(putTogether(base, here, there)).toEqual({
      value: {
        weeks: 7,
        purpose: 'show',
        list: [
          { id: 'a', mm: 9 },
          { id: 'b', mm: 4 },
          { id: 'c', mm: 5 }
        ],
        feet: ['left fore', 'right fore']
      },
      clashes: []
    })
  })

  it('clash where both touch one thing, and the choice decides', () => {
    const [here, there] = [
      { ...base, weeks: 7 },
      { ...base, weeks: 8 }
    ]
    const { value, clashes } = putTogether(base, here, there)
    expect(clashes).toEqual([{ at: 'weeks', path: ['weeks'], here: 7, there: 8 }])
    expect(value.weeks).toBe(7)
    expect(putTogether(base, here, there, {}, { weeks: 'there' }).value.weeks).toBe(8)
  })

  it('clash where one takes a member out and the other changes it', () => {
    const here = { ...base, list: [base.list[1]!] }
    const there = { ...base, list: [{ id: 'a', mm: 7 }, base.list[1]!] }
    const { value, clashes } = putTogether(base, here, there)
    expect(clashes).toEqual([{ at: 'list/a', path: ['list', 'a'], here: undefined, there: { id: 'a', mm: 7 } }])
    expect(value.list).toEqual([base.list[1]])
    expect(putTogether(base, here, there, {}, { 'list/a': 'there' }).value.list).toEqual(there.list)
  })

  it('clash as a whole where a thing is one', () => {
    const moved = (mm: number) => ({ list: [{ id: 'a', mm }] })
    const isWhole = (path: readonly string[]) => path.length === 2
    const { clashes } = putTogether(moved(1), moved(2), moved(3), { isWhole })
    expect(clashes).toEqual([{ at: 'list/a', path: ['list', 'a'], here: { id: 'a', mm: 2 }, there: { id: 'a', mm: 3 } }])
  })

  it('take a range of two numbers as one thing', () => {
    const { clashes } = putTogether({ band: [11, 15] }, { band: [15, 20] }, { band: [9, 15] })
    expect(clashes.map(({ at }) => at)).toEqual(['band'])
  })

  it('take a list without keys as one thing', () => {
    const clash = putTogether({ band: [{}] }, { band: [{ mm: 1 }] }, { band: [{ mm: 2 }] })
    expect(clash.clashes.map(({ at }) => at)).toEqual(['band'])
  })

  it('keep the order of the side that moved members', () => {
    const ids = (order: string) => [...order]
    expect(putTogether(ids('abc'), ids('cab'), ids('abcd')).value.join('')).toBe('cdab')
    expect(putTogether(ids('abc'), ids('abxc'), ids('cab')).value.join('')).toBe('cabx')
  })
})

const members = fc.uniqueArray(fc.record({ id: fc.constantFrom(...'abcdefgh'), mm: fc.nat(5) }), { selector: ({ id }) => id, maxLength: 8 })
const thing = fc.record({ weeks: fc.nat(4), list: members, feet: fc.subarray(['1', '2', '3', '4']) })

describe('laws', () => {
  it('one that changed nothing gives way, and the same change twice is one', () => {
    fc.assert(
      fc.property(thing, thing, (from, to) => {
        expect(putTogether(from, to, from)).toEqual({ value: to, clashes: [] })
        expect(putTogether(from, from, to)).toEqual({ value: to, clashes: [] })
        expect(putTogether(from, to, to)).toEqual({ value: to, clashes: [] })
      })
    )
  })

  it('nothing that only one of them put in or changed is lost, and nothing is made up', () => {
    fc.assert(
      fc.property(thing, thing, thing, (from, here, there) => {
        const { value, clashes } = putTogether(from, here, there)
        const byId = (list: typeof from.list) => new Map(list.map((one) => [one.id, one.mm]))
        const [b, h, t, v] = [from, here, there, value].map(({ list }) => byId(list)) as [
          Map<string, number>,
          Map<string, number>,
          Map<string, number>,
          Map<string, number>
        ]
        for (const id of 'abcdefgh') {
          const [was, own, other, now] = [b.get(id), h.get(id), t.get(id), v.get(id)]
          if (own === was) expect(now).toBe(other)
          else if (other === was) expect(now).toBe(own)
          else if (own !== other) expect(clashes.some(({ path }) => path[0] === 'list' && path[1] === id)).toBe(true)
          expect([was, own, other]).toContain(now)
        }
        expect(new Set(value.list.map(({ id }) => id)).size).toBe(value.list.length)
      })
    )
  })

  it('what is chosen everywhere is one side’s word on every clash, from both sides alike', () => {
    fc.assert(
      fc.property(thing, thing, thing, (from, here, there) => {
        const { clashes } = putTogether(from, here, there)
        const choices = Object.fromEntries(clashes.map(({ at }) => [at, 'there'] as const))
        const theirs = putTogether(from, here, there, {}, choices).value
        const sorted = (list: typeof from.list) => [...list].sort((a, b) => (a.id < b.id ? -1 : 1))
        const turned = putTogether(from, there, here).value
        expect(sorted(theirs.list)).toEqual(sorted(turned.list))
        expect(theirs.weeks).toBe(turned.weeks)
      })
    )
  })
})
