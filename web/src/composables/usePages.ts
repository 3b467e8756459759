import { computed, ref, watch, type Ref } from 'vue'
import { api, sentenceOf } from '../api/client'

/** A list that is read page by page: the first comes as it is loaded, older ones as they are asked for. */
export function usePages<T>(first: Ref<T[] | null>, path: (page: number) => string, aPage: number) {
  const older = ref<T[][]>([]) as Ref<T[][]>
  const problem = ref<string | null>(null)
  // the first page read again may have moved the others
  watch(first, () => (older.value = []))
  const rows = computed(() => (first.value ? [...first.value, ...older.value.flat()] : null))
  const hasMore = computed(() => (older.value.at(-1) ?? first.value ?? []).length === aPage)
  async function more(): Promise<void> {
    try {
      const page = await api.get<T[]>(path(older.value.length + 1))
      older.value = [...older.value, page]
      problem.value = null
    } catch (caught) {
      problem.value = sentenceOf(caught)
    }
  }
  return { rows, hasMore, more, problem }
}
