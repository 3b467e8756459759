// @vitest-environment happy-dom
// Components that decide something, mounted: what a form sends and refuses, what a tile says first, when a thing may be kept.
import { ENDPOINTS, type FloorTable } from '@peen/contract'
import { coatFor } from '@peen/content'
import { mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import NewForm from '../components/NewForm.vue'
import ViewState from '../components/ViewState.vue'
import { DOG_FIELDS, EMPTY_DOG } from '../day/dog-fields'
import FloorTile from '../floor/FloorTile.vue'
import SelfRating from '../table/SelfRating.vue'
import { ok, refusal, RUBEN, settled, signedIn, stubServer, unstub } from './server'

let server: ReturnType<typeof stubServer>
beforeEach(() => {
  server = stubServer(() => ok({ id: 'd' }))
  signedIn()
})
afterEach(unstub)

describe('a form for a new thing', () => {
  const form = () => mount(NewForm, { props: { to: 'addDog', fields: DOG_FIELDS, start: EMPTY_DOG, action: 'Add dog' } })
  const fill = async (one: ReturnType<typeof form>, values: Readonly<Record<string, string>>) => {
    for (const [name, value] of Object.entries(values)) await one.find(`[name=${name}]`).setValue(value)
    await one.find('form').trigger('submit')
    // vee-validate answers after its own timers
    await vi.waitFor(() => expect(one.find('button').attributes('disabled')).toBeUndefined())
    await settled()
  }
  const DOG = { name: 'Teal', coat: 'wire', bodyType: 'bearded', colour: 'pepper', canStandMin: '45', temperament: 'easy' }

  it('says what is missing beside each field, and sends nothing', async () => {
    const one = form()
    await fill(one, { name: 'Teal' })
    await vi.waitFor(() => expect(one.text()).toContain('Temperament is missing.'))
    expect(one.text()).not.toContain('Name is missing.')
    expect(server.asked.filter(({ method }) => method === 'POST')).toEqual([])
  })

  it('reads a length as it is typed, sends millimetres, and is empty for the next', async () => {
    signedIn({ ...RUBEN, settings: { ...RUBEN.settings, lengths: 'in' } })
    const one = form()
    await fill(one, { ...DOG, withersMm: '14' })
    await vi.waitFor(() => expect(one.emitted('made')).toHaveLength(1))
    const [sent] = server.asked.filter(({ method }) => method === 'POST')
    expect(sent.path).toBe(ENDPOINTS.addDog.path)
    // Ref: 14 in by the international inch
    expect((sent.body as { withersMm: number }).withersMm).toBe(356)
    expect((one.find('[name=name]').element as HTMLInputElement).value).toBe('')
  })

  it('keeps what was typed when the server refuses it', async () => {
    server.answer = () => refusal(409, 'The id of this dog is in use already.')
    const one = form()
    await fill(one, { ...DOG, withersMm: '356 mm' })
    await vi.waitFor(() => expect(one.find('[role=alert]').text()).toBe('The id of this dog is in use already.'))
    expect((one.find('[name=name]').element as HTMLInputElement).value).toBe('Teal')
  })
})

describe('a table on the floor', () => {
  const coat = coatFor('bearded')
  const TABLE = {
    ...{ visitId: 's', tableId: 't', number: 3, xMm: 0, yMm: 0, turnDeg: 0, trim: 'bearded-pet', workedMin: 57, standardMin: 120 },
    apprentice: { id: 'a', givenName: 'Marek', familyName: 'Sosna', role: 'apprentice' },
    dog: { name: 'Otter', coat: 'wire', bodyType: 'bearded', colour: 'pepper', withersMm: 340, standing: null },
    plan: { drawnAs: coat.id, lengthsMm: coat.lengths },
    ...{ canStandMin: 40, now: null, next: null, hold: null, closed: false, stopped: null, ranOut: false, onBreak: false },
    ...{ panics: false, asked: false, lastLamport: 0 }
  } as unknown as FloorTable
  const tile = (change: Partial<FloorTable>) =>
    mount(FloorTile, { props: { table: { ...TABLE, ...change }, width: 270, waits: false }, global: { stubs: { FigurePicture: true } } })

  it('says the dog’s minutes in red once few are left, and never under none', () => {
    const red = (change: Partial<FloorTable>) =>
      tile(change)
        .findAll('.text-danger')
        .map((one) => one.text())
        .join()
    expect(red({})).not.toContain('can stand')
    expect(red({ canStandMin: 6 })).toContain('6 min left for this dog')
    expect(red({ canStandMin: -4 })).toContain('0 min left for this dog')
    expect(red({ canStandMin: 2, closed: true })).not.toContain('can stand')
  })

  it('says that it is stopped before what it would be doing, and a limited dog before its coat', () => {
    const one = tile({ stopped: 'ear', dog: { ...TABLE.dog!, standing: { kind: 'limited' } } as never })
    expect(one.text()).toContain('Stopped')
    expect(one.text()).toContain('Otter, limited')
  })
})

describe('how an apprentice sees the own trim', () => {
  it('is kept once a rating is chosen, and then said', async () => {
    const state = ref<{ selfRating: { rating: string; best: string; mend: string } | null }>({ selfRating: null })
    const tap = vi.fn((_kind: string, said: never) => void (state.value = { selfRating: said }))
    const one = mount(SelfRating, { props: { table: { state, tap } as never }, global: { stubs: { RouterLink: true } } })
    expect(one.find('form > button').attributes('disabled')).toBeDefined()
    await one.findAll('button')[1].trigger('click')
    await one.find('#own-best').setValue('  the legs ')
    await one.find('form').trigger('submit')
    await nextTick()
    expect(tap).toHaveBeenCalledWith('selfRated', expect.objectContaining({ best: 'the legs', mend: '' }))
    expect(one.text()).toContain('Best: the legs')
  })
})

describe('a screen without its data', () => {
  it('says that it loads, or why it cannot, and is asked again by a touch', async () => {
    const one = mount(ViewState, { props: { loading: false, error: 'Peen is not answering.' } })
    expect(one.find('[role=alert]').text()).toContain('Peen is not answering.')
    await one.find('button').trigger('click')
    expect(one.emitted('retry')).toHaveLength(1)
  })
})
