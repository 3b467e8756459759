// What is drawn over a photograph at each step of its desk.
import { LINES } from '@peen/core/measure'
import { computed, type Ref } from 'vue'
import type { StepId } from './desk-steps'
import { drawnShapes, outlineShapes, type Shape } from './drawing'
import type { Photo } from './usePhoto'

/** `said`: the sentence whose measure is shown, by its key */
export function useShapes(photo: Photo, step: Ref<StepId>, said: Ref<string | null>) {
  return computed<Shape[]>(() => {
    const { scale, outline, lines } = photo.marks.value
    const found = photo.result.value
    const own: Shape[] = []
    if (step.value === 'found') {
      const key = said.value
      const say = found?.says.find((one) => `${one.key.id}.${one.key.side}` === key)
      // a coat that is not trimmed yet was never meant to lie on its plan
      const planned = photo.moment === 'after' ? found : null
      if (planned) own.push({ kind: 'path', points: planned.planned, closed: true, tone: 'plan' })
      own.push(...outlineShapes(outline, planned?.departures ?? []))
      if (say) own.push(...drawnShapes(say.drawn))
      for (const over of [photo.otherSide.outline.value, photo.beforeAfter.outline.value])
        if (over.length) own.push({ kind: 'path', points: over, closed: true, tone: 'mirror' })
    } else if (outline.length) own.push({ kind: 'path', points: outline, closed: true, tone: 'outline' })
    if (step.value === 'outline')
      for (const { at, radiusPx } of photo.disagreements.value) own.push({ kind: 'circle', centre: at, radius: radiusPx, tone: 'off' })
    if (step.value === 'places')
      for (const id of photo.lines) {
        const points = lines[id]
        if (points?.length) own.push({ kind: 'path', points, closed: LINES[id].closed ?? false, tone: 'taken' })
      }
    if (step.value === 'scale') {
      for (const { corners } of scale?.board?.markers ?? []) own.push({ kind: 'path', points: corners, closed: true, tone: 'scale' })
      if (scale && !scale.board) own.push({ kind: 'path', points: scale.ends, tone: 'scale' })
      if (scale?.check) own.push({ kind: 'path', points: scale.check.ends, tone: 'check' })
    }
    return own
  })
}
