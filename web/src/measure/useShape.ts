// The dog is looked for where two touches say that it is: the plan is laid there, and the server's finder looks for its edge.
import type { OutlineStep, PhotoPoint, ShapeFound } from '@peen/core/measure'
import type { Ref } from 'vue'
import { ask, isUnreachable, sentenceOf } from '../api/client'
import type { PhotoTask } from '../workers/measure.worker'
import { plain } from './photo-task'
import { sayRefusal } from './say-refusal'
import type { useReader } from './useReader'
import { CoreError } from '@peen/core/error'
import { t } from '../words'

type ShapeOf = {
  readonly pictureId: string
  readonly reader: Pick<ReturnType<typeof useReader>, 'shape'>
  readonly problem: Ref<string | null>
  readonly task: () => PhotoTask
  /** said while it is looked for */
  readonly step: Ref<OutlineStep | null>
  readonly then: (shape: ShapeFound) => void
}

export const useShape =
  ({ pictureId, reader, problem, task, step, then }: ShapeOf) =>
  async (touches: readonly [PhotoPoint, PhotoPoint]): Promise<void> => {
    problem.value = null
    step.value = 'colours'
    try {
      const own = plain(touches)
      const expected = await reader.shape(task(), own)
      const { ring } = await ask('findByShape', { id: pictureId, body: { ring: expected } })
      // stopped meanwhile: the outline stays as it is
      if (step.value !== null) then({ touches: own, ring })
    } catch (error) {
      step.value = null
      if (isUnreachable(error)) problem.value = t('measure.shapeNeedsPeen')
      else problem.value = error instanceof CoreError ? sayRefusal(error) : sentenceOf(error)
    }
  }
