// Looks for the measuring board in a picture that has no scale yet; where it stands, it is the scale.
import { LEAST_MARKERS, type ScaleMark, type Seen } from '@peen/core/measure'
import { ref } from 'vue'
import { scaleOfBoard, useLastScale, usePrintedLine } from './last-scale'
import type { useReader } from './useReader'

/** What is known of a board in the picture: not looked for, being looked for, none, too little of one, there. */
export type BoardState = 'unasked' | 'looking' | 'none' | 'partly' | 'found'

export function useBoard(seen: Seen, reader: Pick<ReturnType<typeof useReader>, 'board'>) {
  const state = ref<BoardState>('unasked')
  const last = useLastScale(seen)
  const printed = usePrintedLine()
  /** @returns the scale by the board; null without one */
  async function look(): Promise<ScaleMark | null> {
    state.value = 'looking'
    const found = await reader.board().catch(() => null)
    if (!found) state.value = 'none'
    else if (found.markers.length < LEAST_MARKERS) state.value = 'partly'
    else {
      state.value = 'found'
      return scaleOfBoard(found, last.value, printed.value[found.kind])
    }
    return null
  }
  return { state, look }
}
