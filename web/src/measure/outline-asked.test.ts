// The outline of a photograph is asked for often and answered slowly: what is shown in between and in the end.
import type { OutlineStep } from '@peen/core/measure'
import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { NO_MARKS, useMarks } from './useMarks'
import { useOutline } from './useOutline'

type Answer = {
  readonly outline: [number, number][]
  readonly uPx: number[]
  readonly doubts: string[]
  readonly unfit: boolean
  readonly idleTouches: number
}
const answer = (idleTouches: number): Answer => ({ outline: [[0, 0], [9, 0], [9, idleTouches]], uPx: [1, 1, 1], doubts: [], unfit: false, idleTouches }) // prettier-ignore

function asked() {
  const questions: { readonly answered: (found: Answer) => void; readonly onStep: (step: OutlineStep) => void }[] = []
  const desk = useMarks(NO_MARKS, () => undefined)
  const outline = vi.fn(
    (_seen: unknown, _scale: unknown, _corrections: unknown, onStep: (step: OutlineStep) => void) =>
      new Promise<Answer>((answered) => questions.push({ answered, onStep }))
  )
  const photo = useOutline({
    ...{ seen: 'left', desk, problem: ref(null), then: () => Promise.resolve() },
    reader: { outline: outline as never, stop: () => undefined }
  })
  const settled = () => new Promise((done) => setTimeout(done))
  return { photo, desk, questions, outline, settled }
}

describe('an outline that is asked for', () => {
  it('is found once its answer is here, also when the news of its steps comes later', async () => {
    const { photo, questions, settled, desk } = asked()
    void photo.find()
    await settled()
    questions[0].onStep('apart')
    expect(photo.step.value).toBe('apart')
    questions[0].answered(answer(1))
    await settled()
    expect(photo.step.value).toBeNull()
    questions[0].onStep('edge')
    expect(photo.step.value).toBeNull()
    expect(photo.idleTouches.value).toBe(1)
    expect(desk.marks.value.outline).toHaveLength(3)
  })

  it('is asked for once more when three asked meanwhile, and shows only the last', async () => {
    const { photo, questions, settled, outline } = asked()
    void photo.find()
    await settled()
    for (let i = 0; i < 3; i++) void photo.find()
    await settled()
    expect(outline).toHaveBeenCalledTimes(1)
    questions[0].answered(answer(1))
    await settled()
    expect(outline).toHaveBeenCalledTimes(2)
    expect(photo.idleTouches.value).toBe(0)
    questions[1].answered(answer(2))
    await settled()
    expect([photo.idleTouches.value, photo.step.value]).toEqual([2, null])
  })

  it('can be asked for after a stop, though what was stopped never answers', async () => {
    const { photo, questions, settled } = asked()
    void photo.find()
    await settled()
    photo.cancel()
    expect(photo.step.value).toBeNull()
    void photo.find()
    await settled()
    questions[1].answered(answer(3))
    await settled()
    expect(photo.idleTouches.value).toBe(3)
  })
})
