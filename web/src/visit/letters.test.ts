// Texts to send: what an owner and an apprentice are told, and what they are not.
import type { VisitPage } from '@peen/contract'
import { describe, expect, it } from 'vitest'
import { lettersOf, nextLetters } from './letters'

const page = {
  dog: { name: 'Ember', coat: 'wire', canStandMin: 90, dislikes: 'its feet held', temperament: 'sharp', ownerGivenName: null },
  ...{ onDate: '2026-04-20', comesAt: '09:00', standard: { name: 'Bearded terrier pet pattern', standardMin: 120 } },
  ...{ apprentice: { givenName: 'Marek' }, tableNumber: 1, lastTime: 'Take the brows back.' }
} as unknown as VisitPage
const textOf = (id: string, more: object = {}) => lettersOf({ ...page, ...more } as VisitPage).find((one) => one.id === id)!.text

describe('a visit that is to come', () => {
  it('tells the owner the day, the time and how to bring the dog, and nothing of its temper', () => {
    const text = textOf('owner')
    expect(text).toMatch(/^Hello\. Ember is booked in for Monday 20 April at 09:00: Bearded terrier pet pattern\./)
    expect(text).not.toMatch(/sharp|feet|Marek|brows/)
    expect(textOf('owner', { comesAt: null })).toContain('for Monday 20 April: Bearded')
    expect(textOf('owner', { dog: { ...page.dog, ownerGivenName: 'Ilva' } })).toMatch(/^Hello Ilva\./)
  })

  it('tells the apprentice table, minutes, what the dog dislikes and what was said last time', () => {
    expect(textOf('apprentice')).toBe(
      'Marek, you have Ember on Monday 20 April at 09:00, table 1: Bearded terrier pet pattern, about 120 minutes. Coat: wire. Ember can stand for 90 minutes. Ember dislikes its feet held. From last time: Take the brows back.'
    )
    expect(textOf('apprentice', { lastTime: '', dog: { ...page.dog, dislikes: '' } })).not.toMatch(/dislikes|last time/)
  })
})

describe('the next visit', () => {
  it('adds the day to what the owner was told', () => {
    expect(nextLetters(page, 'Ember has had a trim.', '2026-06-01')[0]!.text).toBe(
      'Ember has had a trim. Ember is due back on Monday 1 June. To change the day, please let us know.'
    )
    expect(nextLetters(page, '', null)).toEqual([])
  })
})
