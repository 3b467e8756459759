import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ACCOUNT_EVENTS, mayConfirm, maySaySame, sameAccounts, signingRight, WAIT_HOURS, type AccountEvent, type AccountEventKind } from '.'

const at = (hours: number) => new Date(Date.UTC(2026, 3, 14) + hours * 3600000)
const event = (kind: AccountEventKind, personId: string, by: string | null, hours = 0): AccountEvent => ({
  ...{ kind, personId, by },
  at: at(hours).toISOString()
})
const founders = [event('founded', 'lena', null), event('founded', 'lars', null)]
const invited = [...founders, event('made', 'nel', 'lena', 1), event('welcomed', 'nel', null, 2)]
const confirmed = [...invited, event('confirmed', 'nel', 'lars', 3)]
const signs = (id: string, events: readonly AccountEvent[], hours: number) => signingRight(id, events, at(hours)).signs

// Ref: docs/method.md, Who signs
describe('the right to sign', () => {
  it('is a founder’s at once; an account of which nothing is known has none', () => {
    expect(signs('lena', founders, 0)).toBe(true)
    expect(signs('mallory', founders, 1000)).toBe(false)
  })

  it('comes 48 hours after another signer has met the person, not before', () => {
    expect(signs('nel', invited, 1000)).toBe(false)
    expect(signs('nel', confirmed, 3 + WAIT_HOURS - 0.01)).toBe(false)
    expect(signs('nel', confirmed, 3 + WAIT_HOURS)).toBe(true)
  })

  it('is lost by a reset, a new role and a return, and a confirmation of before does not count', () => {
    for (const kind of ['reset', 'role', 'back'] as const)
      expect(signs('nel', [...confirmed, event(kind, 'nel', 'lena', 100)], 1000), kind).toBe(false)
    const early = [...founders, event('made', 'nel', 'lena', 1), event('confirmed', 'nel', 'lars', 2), event('welcomed', 'nel', null, 3)]
    expect(signs('nel', early, 1000)).toBe(false)
  })

  it('comes back at once on the server’s console', () => {
    expect(signs('lena', [...founders, event('reset', 'lena', 'lars', 5), event('founded', 'lena', null, 6)], 6)).toBe(true)
  })
})

describe('who may confirm', () => {
  const may = (who: string, events: readonly AccountEvent[] = invited) => mayConfirm(who, 'nel', events, at(10)).may

  it('is another signer, neither the inviter nor the person', () => {
    expect([may('lena'), may('nel'), may('lars')]).toEqual([false, false, true])
    expect(mayConfirm('lars', 'nel', [...founders, event('made', 'nel', 'lena', 1)], at(10))).toMatchObject({
      may: false,
      because: 'the person has not chosen a password yet'
    })
  })

  it('is no account that the inviter made, reset or confirmed', () => {
    const puppet = [event('made', 'pip', 'lena', -100), event('welcomed', 'pip', null, -99), event('confirmed', 'pip', 'lars', -98)]
    expect(may('pip', [...founders, ...puppet, ...invited.slice(2)])).toBe(false)
    const friend = [event('made', 'fay', 'lars', -100), event('welcomed', 'fay', null, -99), event('confirmed', 'fay', 'lena', -98)]
    expect(may('fay', [...founders, ...friend, ...invited.slice(2)])).toBe(false)
    expect(may('fay', [...founders, friend[0], friend[1], event('founded', 'fay', null, -98), ...invited.slice(2)])).toBe(true)
  })

  // the attack: one person with one password, whatever they do to other accounts, alone
  it('lets one founder alone never make a second signer', () => {
    const moves = fc.array(
      fc.record({
        kind: fc.constantFrom(...ACCOUNT_EVENTS),
        of: fc.constantFrom('a', 'b', 'lars'),
        hours: fc.integer({ min: 0, max: 200 })
      }),
      { maxLength: 25 }
    )
    fc.assert(
      fc.property(moves, (list) => {
        let events: AccountEvent[] = [event('founded', 'lena', null), event('founded', 'lars', null)]
        let hours = 1
        const held = new Set(['lena'])
        for (const { kind, of, hours: later } of list) {
          hours += later
          if (kind === 'founded' || kind === 'retired') continue
          // letters of accounts that lena made or reset open to lena: she is welcomed in their place
          if (kind === 'welcomed' && !events.some((one) => one.personId === of && (one.kind === 'made' || one.kind === 'reset'))) continue
          const confirmer = kind === 'confirmed' ? [...held].find((who) => mayConfirm(who, of, events, at(hours)).may) : 'lena'
          if (!confirmer) continue
          events = [...events, event(kind, of, kind === 'welcomed' ? null : confirmer, hours)]
          if (kind === 'welcomed') held.add(of)
        }
        for (const who of held) if (who !== 'lena') expect(signs(who, events, hours + 1000), who).toBe(false)
      }),
      { numRuns: 400 }
    )
  })
})

describe('accounts of one person', () => {
  const said = (kind: 'same' | 'apart', a: string, b: string): AccountEvent => ({ ...event(kind, a, 'lars', 5), otherId: b })
  const accounts = (events: readonly AccountEvent[], id: string) => [...sameAccounts(events)(id)].sort()

  it('are those said to be, through each other, until it is said that two are not', () => {
    const events = [said('same', 'a', 'b'), said('same', 'c', 'b')]
    expect(accounts(events, 'a')).toEqual(['a', 'b', 'c'])
    expect(accounts(events, 'd')).toEqual(['d'])
    // in either order
    expect(accounts([...events, said('apart', 'b', 'a')], 'a')).toEqual(['a'])
    expect(accounts([...events, said('apart', 'b', 'a'), said('same', 'a', 'b')], 'c')).toEqual(['a', 'b', 'c'])
  })

  it('put every two accounts on the same side, whatever is said', () => {
    const ids = fc.constantFrom('a', 'b', 'c', 'd', 'e')
    const words = fc.array(fc.tuple(fc.constantFrom('same' as const, 'apart' as const), ids, ids), { maxLength: 12 })
    fc.assert(
      fc.property(words, (list) => {
        const of = sameAccounts(list.filter(([, a, b]) => a !== b).map(([kind, a, b]) => said(kind, a, b)))
        for (const a of ['a', 'b', 'c', 'd', 'e']) {
          expect(of(a).has(a)).toBe(true)
          for (const b of of(a)) expect([...of(b)].sort()).toEqual([...of(a)].sort())
        }
      })
    )
  })

  it('are said by a signer; that they are two people, by another than the person', () => {
    const may = (who: string, same: boolean, events: readonly AccountEvent[]) =>
      maySaySame(who, { personId: 'lena', otherId: 'nel', same }, events, at(1000))
    expect(may('nel', true, invited)).toMatchObject({ may: false, because: expect.stringMatching(/only an account that can sign/) })
    expect(may('lena', true, invited).may).toBe(true)
    const known = [...invited, said('same', 'nel', 'lena')]
    expect(may('lars', true, known)).toMatchObject({ may: false, because: 'this is already recorded' })
    expect(may('lena', false, known)).toMatchObject({ may: false, because: expect.stringMatching(/one of them is yours/) })
    expect(may('lars', false, known).may).toBe(true)
    expect(may('lars', false, invited)).toMatchObject({ may: false, because: 'they are not linked' })
  })

  it('confirm neither each other nor what the person made under another', () => {
    // fay is another account of lena, who let nel in
    const fay = [event('founded', 'fay', null), { ...event('same', 'fay', 'lars', 1), otherId: 'lena' }]
    expect(mayConfirm('fay', 'nel', [...fay, ...invited], at(10)).may).toBe(false)
    expect(mayConfirm('lars', 'nel', [...fay, ...invited], at(10)).may).toBe(true)
  })
})
