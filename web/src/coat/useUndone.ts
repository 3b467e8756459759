import { doneIn, undoneOf } from '@peen/core/coat'
import { computed } from 'vue'
import { useAsked } from '../composables/useAsked'
import type { Table } from '../table/useTable'

/** What a table has still to do by the steps of its visit, and what the visit before left it. */
export function useUndone(id: () => string, { data, state }: Pick<Table, 'data' | 'state'>) {
  const start = useAsked('visitCoat', () => ({ id: id() }))
  const undone = computed(() => (data.value ? undoneOf(data.value.closing, doneIn(state.value)) : []))
  /** what was left last time and is still not done today */
  const fromLast = computed(() =>
    (start.data.value?.openEnds?.undone ?? []).filter((one) =>
      undone.value.some(({ technique, region }) => technique === one.technique && region === one.region)
    )
  )
  const outOfStep = computed(() => start.data.value?.outOfStep ?? [])
  return { undone, fromLast, outOfStep, lastOn: computed(() => start.data.value?.openEnds?.onDate ?? null) }
}
