import { computed, ref, watch, type Ref } from 'vue'
import { sentenceOf } from '../api/client'

/** A list that is read page by page: the first comes as it is loaded, older ones as they are asked for. */
export function usePages<T>(first: Ref<readonly T[] | null>, read: (page: number) => Promise<readonly T[]>, aPage: number) {
  const older = ref<(readonly T[])[]>([]) as Ref<(readonly T[])[]>
  const problem = ref<string | null>(null)
  // the first page read again may have moved the others
  watch(first, () => (older.value = []))
  const rows = computed(() => (first.value ? [...first.value, ...older.value.flat()] : null))
  const hasMore = computed(() => (older.value.at(-1) ?? first.value ?? []).length === aPage)
  async function more(): Promise<void> {
    try {
      const page = await read(older.value.length + 1)
      older.value = [...older.value, page]
      problem.value = null
    } catch (caught) {
      problem.value = sentenceOf(caught)
    }
  }
  return { rows, hasMore, more, problem }
}
