import { ref, watch, type Ref } from 'vue'
import { api, ApiError, sentenceOf } from '../api/client'

export type Loaded<T> = {
  readonly data: Ref<T | null>
  readonly error: Ref<string | null>
  /** the code of a refusal, where the server gave one */
  readonly code: Ref<string | null>
  readonly loading: Ref<boolean>
  readonly reload: () => Promise<void>
}

/** A view's data from the server, loaded again whenever its address changes. What was shown stays while it reloads. */
export function useLoaded<T>(path: () => string): Loaded<T> {
  const data = ref<T | null>(null) as Ref<T | null>
  const error = ref<string | null>(null)
  const code = ref<string | null>(null)
  const loading = ref(false)
  let count = 0
  let taken = 0
  async function reload(): Promise<void> {
    const asked = path()
    const turn = ++count
    loading.value = true
    try {
      const answer = await api.get<T>(asked)
      // an answer that was asked for earlier and comes later knows less
      if (asked === path() && turn > taken) {
        taken = turn
        data.value = answer
        error.value = null
        code.value = null
      }
    } catch (caught) {
      if (asked !== path()) return
      error.value = sentenceOf(caught)
      code.value = caught instanceof ApiError ? caught.problem.code : null
    } finally {
      loading.value = false
    }
  }
  watch(path, () => void reload(), { immediate: true })
  return { data, error, code, loading, reload }
}
