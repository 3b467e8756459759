import { ref, type Ref } from 'vue'
import { sentenceOf } from '../api/client'

export type Doing = {
  /** why the last thing was refused, as a sentence */
  readonly problem: Ref<string | null>
  readonly doing: (work: () => Promise<unknown>) => Promise<void>
}

/** Does something on the server, then reads the screen anew; a refusal is said and nothing else changes. */
export function useDoing(reload: () => Promise<void>): Doing {
  const problem = ref<string | null>(null)
  async function doing(work: () => Promise<unknown>): Promise<void> {
    try {
      await work()
      problem.value = null
      await reload()
    } catch (caught) {
      problem.value = sentenceOf(caught)
    }
  }
  return { problem, doing }
}
