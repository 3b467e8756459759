// The outline of the dog in one photograph, and how far its finding has come.
import type { PictureMarks } from '@peen/contract'
import type { OutlineStep } from '@peen/core/measure'
import { ref } from 'vue'
import { t } from '../words'
import { plain } from './photo-task'
import { sayRefusal } from './say-refusal'
import { rounded, type useMarks } from './useMarks'
import type { useReader } from './useReader'

export const OUTLINE_WORDS: Readonly<Record<OutlineStep, string>> = {
  colours: t('measure.lookingBackdrop'),
  apart: t('measure.separatingDogFromBackdrop'),
  straps: t('measure.removingPostStrap'),
  edge: t('measure.followingCoatsEdge')
}
type OutlineOf = {
  readonly seen: PictureMarks['seen']
  readonly desk: Pick<ReturnType<typeof useMarks>, 'marks' | 'find'>
  readonly reader: Pick<ReturnType<typeof useReader>, 'outline' | 'stop'>
  readonly problem: { value: string | null }
  /** what follows once it is found */
  readonly then: () => Promise<void>
}

/**
 * The outline of a dog, found with every correction; what it comes to is shown when the last question is answered. One question at a time
 * is worked on: of those asked meanwhile only the newest.
 */
export function useOutline({ seen, desk, reader, problem, then }: OutlineOf) {
  const doubts = ref<readonly string[]>([])
  const idleTouches = ref(0)
  /** two dogs, or half of one: nothing is told until it is put right */
  const unfit = ref(false)
  const step = ref<OutlineStep | null>(null)
  let turn = 0
  let running: Promise<unknown> = Promise.resolve()

  async function look(isNewest: () => boolean) {
    await running.catch(() => undefined)
    if (!isNewest()) return null
    const { scale, corrections } = plain(desk.marks.value)
    // the steps come by a way of their own and may arrive after the answer
    let isTold = false
    const onStep = (at: OutlineStep) => void (isNewest() && !isTold && (step.value = at))
    const asked = reader.outline(seen, scale, corrections, onStep).finally(() => (isTold = true))
    running = asked
    return asked
  }
  async function find(): Promise<void> {
    const mine = ++turn
    const isNewest = () => mine === turn
    problem.value = null
    step.value = 'colours'
    try {
      const found = await look(isNewest)
      if (!found || !isNewest()) return
      doubts.value = found.doubts
      idleTouches.value = found.idleTouches
      unfit.value = found.unfit
      // the same picture with the same corrections has the same outline: nothing to write
      if (JSON.stringify(rounded(found.outline)) !== JSON.stringify(rounded(desk.marks.value.outline)))
        desk.find({ outline: found.outline, edgeUPx: found.uPx })
      await then()
    } catch (error) {
      if (isNewest()) problem.value = sayRefusal(error)
    } finally {
      if (isNewest()) step.value = null
    }
  }
  /** What was found is no dog as it was planned: nothing is told until it is put right. */
  function refuse(doubt: string): void {
    doubts.value = [...doubts.value, doubt]
    unfit.value = true
  }
  function cancel(): void {
    turn++
    step.value = null
    // a worker that was stopped never answers
    running = Promise.resolve()
    reader.stop()
  }
  return { doubts, idleTouches, unfit, step, find, refuse, cancel }
}
