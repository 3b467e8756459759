import { adviceRules, houseRules, rack, standards } from '@peen/content'
import { NO_PROFILE, type DogView, type VisitPage } from '@peen/contract'
import { NOTHING_FOUND } from '@peen/core/checkin'
import { agreedTargets, sheetOf, type Sheet, cameInLengths } from '@peen/core/setup'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { unprintable } from '../library/paper'
import { sheetDocument } from './sheet-pdf'
import { sheetCase, wornBy } from './useVisit'
import { handOverFor } from './words'

const dog: DogView = {
  ...NO_PROFILE,
  id: '1',
  name: 'Ember',
  bodyType: 'bearded',
  coat: 'wire',
  coatType: 'wire',
  colour: 'black',
  withersMm: 340,
  canStandMin: 90,
  temperament: 'steady',
  dislikes: 'nail work',
  burns: [{ region: 'cheek', side: 'left' }],
  facts: [],
  ownerGivenName: null,
  standing: null
}
const page: VisitPage = {
  id: '2',
  onDate: '2026-04-14',
  comesAt: null,
  tableNumber: 3,
  apprentice: { id: '3', givenName: 'Noor', familyName: 'Basri', role: 'apprentice' },
  dog,
  known: true,
  standard: standards[0],
  checkIn: { weeksSince: 6, wishes: '', excused: [{ region: 'ribs', side: 'left', reason: 'an old hole' }] },
  found: NOTHING_FOUND,
  begun: false,
  checkedIn: false,
  readyBy: null,
  house: Object.fromEntries(houseRules.map(({ id, chosen }) => [id, chosen])),
  rack,
  chosen: {},
  agreed: null,
  closing: null,
  version: 0,
  pictures: [],
  hasCamera: false,
  earlier: [],
  owedBefore: [],
  lastTime: ''
}
const sheetFor = (one: VisitPage) => sheetOf(adviceRules, sheetCase(one, one.found, one.chosen))
const hole = { kind: 'matCut', region: 'thigh', side: 'right', widthMm: 40 } as const

describe('what the sheet is asked', () => {
  it('excuses what an older check-in said until somebody looks again', () => {
    expect(sheetCase(page, page.found, {}).excused).toEqual(page.checkIn.excused)
    expect(sheetCase({ ...page, checkedIn: true }, page.found, {}).excused).toEqual([])
    expect(sheetCase(page, { ...page.found, coat: [hole] }, {}).excused).toMatchObject([{ region: 'thigh', side: 'right' }])
  })
})

describe('what the dog wears', () => {
  const plan = page.standard.plan.lengthsMm
  const cameIn = cameInLengths(page.standard.plan, 6, { house: page.house, coat: page.dog.coatType })
  it('is what each line leaves, on its own side', () => {
    const { lines } = sheetFor(page)
    expect(wornBy(agreedTargets({ lines } as Sheet), plan, 'left', cameIn).cheek).toBe(6.3)
    // burned elsewhere lengthens the other cheek by the same step
    expect(wornBy(agreedTargets({ lines } as Sheet), plan, 'right', cameIn).back).toBe(3.2)
  })
  it('is longer than planned where nothing is cut', () => {
    const sore = { ...page, found: { ...NOTHING_FOUND, skin: [{ kind: 'sore', region: 'foreleg', side: 'left' } as const] } }
    const { lines } = sheetFor(sore)
    expect(wornBy(agreedTargets({ lines } as Sheet), plan, 'left', cameIn).foreleg).toBeGreaterThan(plan.foreleg!)
    expect(wornBy(agreedTargets({ lines } as Sheet), plan, 'right', cameIn).foreleg).toBe(plan.foreleg)
  })
  it('is never changed by a place that the plan does not know', () => {
    fc.assert(
      fc.property(fc.constantFrom('left', 'right'), (side) => {
        expect(Object.keys(wornBy(agreedTargets(sheetFor(page)), plan, side as 'left', plan)).sort()).toEqual(Object.keys(plan).sort())
      })
    )
  })
})

describe('what the owner is told', () => {
  it('says the trim, what came in, what a vet must see, nails and when back', () => {
    const seen = {
      coat: [hole],
      skin: [{ kind: 'lump', region: 'ribs', side: 'left' } as const, { kind: 'red', region: 'belly', side: 'both' } as const],
      nailsOwed: ['leftRear'] as const,
      wishes: [{ what: 'Brows longer', askedBy: 'the owner', length: null, rule: null }]
    }
    const said = handOverFor(page, seen, false, 6)
    expect(said).toBe(
      'Ember has had the bearded terrier pet pattern, as asked: brows longer. Hair was missing already at the right thigh; it grows back. ' +
        'Please let a vet look: lump at the left ribs. We did not cut there. We saw red skin at the belly and groin: watch it. ' +
        'Nails still to do: left rear. Back in 6 weeks.'
    )
    expect(handOverFor(page, { ...NOTHING_FOUND }, true, 1)).toBe('Ember has had the bearded terrier pet pattern. Back in 1 week.')
  })
})

describe('the sheet on paper', () => {
  it('holds every line with its tool, alarms first', () => {
    const skin = [{ kind: 'sore', region: 'foreleg', side: 'left' } as const]
    const one = { ...page, known: false, found: { ...NOTHING_FOUND, skin, nailsOwed: ['leftFore'] as const } }
    const text = JSON.stringify(sheetDocument(one, sheetFor(one), [], null, '2026-04-14'))
    for (const words of [
      'First visit',
      'No one has confirmed',
      'Sore skin at the left foreleg',
      'Nails left to do: left fore',
      'nothing to cut here today',
      'blade 7F with'
    ])
      expect(text, words).toContain(words)
    expect(text).not.toContain('"image"')
  })
  it('names a word that the font cannot print', () => {
    expect(unprintable('Ember, wire – 3 mm “Łukasz” Ωμέγα Лена')).toBeNull()
    expect(unprintable('Ember 火 dog')).toBe('火')
    expect(unprintable('שלום')).toBe('שלום')
    expect(unprintable('good 🐕')).toBe('🐕')
  })
})
