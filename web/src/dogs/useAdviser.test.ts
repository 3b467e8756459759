// What an instructor sees of the adviser on a dog's page. Advice itself is tested in core/advice; common practice.
import { houseRules, rack, standards } from '@peen/content'
import { NO_PROFILE, type DogPage } from '@peen/contract'
import type { DogFact } from '@peen/core/advice'
import { describe, expect, it } from 'vitest'
import { ref, type Ref } from 'vue'
import { shortly, useAdviser } from './useAdviser'

const HOUSE = Object.fromEntries(houseRules.map(({ id, chosen }) => [id, chosen]))
const page = (more: Partial<DogPage['dog']> = {}, known = true): DogPage => ({
  known,
  dog: {
    ...NO_PROFILE,
    ...{ id: '1', name: 'Ember', bodyType: 'bearded', coat: 'wire', coatType: 'wire', colour: 'black', withersMm: 340 },
    ...{ canStandMin: 90, temperament: 'steady', dislikes: '', burns: [], facts: [], ownerGivenName: null, standing: null },
    ...more
  },
  plan: standards[0].plan,
  worked: standards[0].plan,
  visits: [],
  measured: []
})
function adviser(one: DogPage, { facts = [] as DogFact[], house = HOUSE, side = 'left' as 'left' | 'right', combed = true } = {}) {
  const [known, seen, dry] = [ref(facts) as Ref<readonly DogFact[]>, ref(side), ref(combed)]
  return {
    known,
    seen,
    dry,
    ...useAdviser(
      ref(one),
      () => rack,
      () => house,
      known,
      seen,
      dry
    )
  }
}

describe('the adviser of a dog', () => {
  it('takes the first advised tool everywhere, and the dog wears what it leaves', () => {
    const { chosenAt, lengths, notes } = adviser(page())
    expect(shortly(chosenAt('back'))).toBe('blade 7F with')
    expect(lengths.value.back).toBe(3.2)
    // what scissors set keeps the plan's length
    expect(lengths.value.beard).toBe(standards[0].plan.lengthsMm.beard)
    expect(notes.value.map(({ numeral }) => numeral)).toEqual(notes.value.map((_, i) => String(i + 1)))
    expect(notes.value.find(({ region }) => region === 'back')?.lines.map(({ text }) => text)).toEqual(['blade 7F with', 'leaves 3.2 mm'])
  })

  it('draws what one tries, longer or shorter than planned', () => {
    const { advices, tried, lengths, notes } = adviser(page())
    const other = advices.value.get('back')!.ranked.find(({ lengthMm }) => lengthMm !== null && lengthMm > 6)!
    tried.value = { back: other }
    expect(lengths.value.back).toBe(other.lengthMm)
    expect(notes.value.find(({ region }) => region === 'back')?.tone).toBe('long')
    tried.value = {}
    expect(lengths.value.back).toBe(3.2)
  })

  it('names a burn on its own side, and takes the other hot spots longer too', () => {
    const burned = page({ burns: [{ region: 'cheek', side: 'left' }] })
    const { seen, chosenAt, notes } = adviser(burned)
    const cheek = () => chosenAt('cheek')!.lengthMm!
    const onBurn = cheek()
    expect(notes.value.find(({ region }) => region === 'cheek')?.danger).toBe('burned before')
    seen.value = 'right'
    expect(notes.value.find(({ region }) => region === 'cheek')?.danger).toBeUndefined()
    expect(cheek()).toBe(onBurn)
    expect(adviser(page()).chosenAt('cheek')!.lengthMm!).toBeLessThan(onBurn)
    expect(chosenAt('back')!.lengthMm).toBe(3.2)
  })

  it('follows facts, pigment, a coat that is not combed, and an unknown dog', () => {
    const { known, dry, advices, chosenAt } = adviser(page())
    const fired = (region: 'throat' | 'back') => advices.value.get(region)!.fired.map(({ id }) => id)
    const before = chosenAt('throat')!.lengthMm!
    known.value = ['light', 'sensitive'] as DogFact[]
    expect(chosenAt('throat')!.lengthMm!).toBeGreaterThanOrEqual(before)
    dry.value = false
    // a comb attachment jams in what is not combed
    expect(advices.value.get('back')!.ranked.every(({ tool }) => tool.kind !== 'comb')).toBe(true)
    // a 7F is the same on a dog one does not know
    expect(adviser(page({}, false)).chosenAt('back')!.lengthMm).toBe(3.2)
    expect(fired('back').length).toBeGreaterThan(0)
  })

  it('lists the house rules that can speak, with the side that is taken', () => {
    const rules = adviser(page(), { house: { ...HOUSE, 'comb-base': 1 } }).houseChoices.value
    expect(rules.find(({ id }) => id === 'comb-base')?.chosen).toBe('10')
    expect(rules.some(({ id }) => id === 'sprout-weeks')).toBe(false)
  })

  it('is quiet where no dog is there yet', () => {
    const nothing = useAdviser(
      ref(null),
      () => rack,
      () => HOUSE,
      ref([]),
      ref('left'),
      ref(true)
    )
    expect(nothing.lengths.value).toEqual({})
    expect(shortly(null)).toBe('ask the instructor')
  })
})
