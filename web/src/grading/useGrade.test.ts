// A grade sheet under the hand: written when the hand rests, never called saved before, never over another device's text.
import { standards } from '@peen/content'
import type { GradingView } from '@peen/contract'
import { GRADE_RULES, type SideAnswer } from '@peen/core/grade'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { useSavedStore } from '../stores/saved'
import { ok, refusal, signedIn, stubServer, unstub, type Given } from '../testing/server'
import { merged } from './merge'
import { useGrade } from './useGrade'
import { SAVE_AFTER_MS } from '../composables/useSaveSoon'

const standard = standards.find(({ id }) => id === 'bearded-pet')!
const grading = {
  ...{ id: 'g', version: 3, answers: {}, critical: [], globalRating: null },
  gradedWith: { method: 2, rules: GRADE_RULES, burns: [], unworked: [] }
} as unknown as GradingView
const reading = (mm: number): SideAnswer => ({ readings: [mm, mm] }) as unknown as SideAnswer
type Sent = { readonly version: number; readonly answers: Record<string, Record<string, unknown>>; readonly globalRating: string | null }

let server: ReturnType<typeof stubServer>
let scope: EffectScope
let grade: ReturnType<typeof useGrade>
/** What the server answers to the writes to come; after the last it takes each as the next version. */
let answers: Given[]

beforeEach(() => {
  vi.useFakeTimers()
  // grading itself is another's business: this worker never answers
  vi.stubGlobal(
    'Worker',
    class {
      addEventListener(): void {}
      removeEventListener(): void {}
      postMessage(): void {}
      terminate(): void {}
    }
  )
  vi.spyOn(console, 'warn').mockImplementation(() => undefined)
  answers = []
  server = stubServer(({ method, body }) => answers.shift() ?? ok(method === 'PUT' ? { version: (body as Sent).version + 1 } : {}))
  signedIn()
  scope = effectScope()
  grade = scope.run(() => useGrade(grading, standard))!
})
afterEach(async () => {
  scope.stop()
  vi.restoreAllMocks()
  await unstub()
})

const rest = () => vi.advanceTimersByTimeAsync(SAVE_AFTER_MS)
// another file's hand may still rest: its write is not this sheet's
const writes = () =>
  server.asked.filter(({ method, path }) => method === 'PUT' && path.startsWith('/gradings/')).map(({ body }) => body as Sent)
const words = () => useSavedStore().words

describe('a grade sheet', () => {
  it('is not called saved while a reading waits, and is written once for a run of readings', async () => {
    grade.answer('back-length', 'left', reading(3.2))
    expect(words()).toBe('Saving …')
    grade.answer('back-length', 'right', reading(3.4))
    await rest()
    expect(writes()).toHaveLength(1)
    expect(Object.keys(writes()[0].answers['back-length'])).toEqual(['left', 'right'])
    expect(words()).toBe('Everything is saved')
  })

  it('counts its versions, so that a second write is not refused', async () => {
    grade.answer('back-length', 'left', reading(3.2))
    await rest()
    grade.rate('good')
    await rest()
    expect(writes().map(({ version }) => version)).toEqual([3, 4])
    expect(writes()[1].globalRating).toBe('good')
  })

  it('forgets a reading that is taken away, and the criterion with its last one', async () => {
    grade.answer('back-length', 'left', reading(3.2))
    grade.answer('back-length', 'right', reading(3.4))
    grade.answer('back-length', 'left', null)
    expect(Object.keys(grade.answers.value['back-length'])).toEqual(['right'])
    grade.answer('back-length', 'right', null)
    expect(grade.answers.value).toEqual({})
    await rest()
    expect(writes()[0].answers).toEqual({})
  })

  it('keeps what the server did not take, as the top line says, and sends it with the next change', async () => {
    answers = ['offline']
    grade.answer('back-length', 'left', reading(3.2))
    await rest()
    expect(words()).toBe('1 waiting here')
    expect(grade.problem.value).toBeNull()
    grade.rate('pass')
    await rest()
    expect(writes()[1].answers['back-length']).toBeDefined()
    expect(grade.problem.value).toBeNull()
    expect(words()).toBe('Everything is saved')
  })

  it('lets the hand choose where another device has written, and writes upon the newest version', async () => {
    const stored = { version: 9, answers: { 'skirt-length': { left: reading(45) } }, critical: [], globalRating: 'borderline' as const }
    answers = [refusal(409, 'Another device has written.', { code: 'draftConflict', stored })]
    grade.answer('back-length', 'left', reading(3.2))
    await rest()
    expect(grade.conflict.value).toEqual(stored)
    // nothing goes out while the choice is open
    grade.toggleCritical('nick')
    await rest()
    expect(writes()).toHaveLength(1)
    grade.settle(merged(grade.current(), stored, { 'back-length/left': 'here', 'skirt-length/left': 'there', rating: 'there' }))
    await vi.advanceTimersByTimeAsync(0)
    expect(writes()[1]).toMatchObject({ version: 9, critical: ['nick'], globalRating: 'borderline' })
    expect(Object.keys(writes()[1].answers).sort()).toEqual(['back-length', 'skirt-length'])
    expect(grade.conflict.value).toBeNull()
  })

  it('sends what was written without an answer by itself, when there is one again', async () => {
    answers = ['offline']
    grade.answer('back-length', 'left', reading(3.2))
    await rest()
    expect(words()).toBe('1 waiting here')
    await vi.advanceTimersByTimeAsync(5100)
    expect(writes()).toHaveLength(2)
    expect(words()).toBe('Everything is saved')
  })

  it('is written before it is signed, and nothing comes after', async () => {
    grade.answer('back-length', 'left', reading(3.2))
    expect(await grade.sign()).toBe(true)
    await rest()
    expect(server.asked.map(({ method, path }) => `${method} ${path}`)).toEqual(['PUT /gradings/g', 'POST /gradings/g/sign'])
    expect(server.asked[1].body).toEqual({ version: 4 })
  })

  it('is not signed where it could not be written', async () => {
    answers = ['offline']
    grade.answer('back-length', 'left', reading(3.2))
    expect(await grade.sign()).toBe(false)
    expect(grade.problem.value).toMatch(/nothing is signed/)
    expect(server.asked.map(({ method }) => method)).toEqual(['PUT'])
  })

  it('writes what waits when the sheet is left', async () => {
    grade.answer('back-length', 'left', reading(3.2))
    scope.stop()
    await vi.advanceTimersByTimeAsync(0)
    expect(writes()).toHaveLength(1)
  })
})
