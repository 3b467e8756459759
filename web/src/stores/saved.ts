import { UNDO_SECONDS } from '@peen/core/practice'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'

/** Whether everything on the screen is also in the database: what the top line says. */
export const useSavedStore = defineStore('saved', () => {
  const kept = ref(0)
  const under = ref(0)
  const undo = ref<{ readonly label: string; readonly run: () => void } | null>(null)
  let timer: ReturnType<typeof setTimeout> | undefined
  const words = computed(() => {
    if (kept.value > 0) return `${kept.value} kept here`
    return under.value > 0 ? 'Saving ...' : 'Everything is saved'
  })
  /** Offers to take the last tap back for as long as the server takes it back. */
  function offerUndo(label: string, run: () => void): void {
    clearTimeout(timer)
    undo.value = { label, run: () => (dropUndo(), run()) }
    timer = setTimeout(dropUndo, UNDO_SECONDS * 1000)
  }
  function dropUndo(): void {
    clearTimeout(timer)
    undo.value = null
  }
  /** Says that something is being saved, until the answer is called. */
  function begin(): () => void {
    let open = true
    under.value++
    return () => {
      if (open) under.value--
      open = false
    }
  }
  /** Says so while a piece of work lasts. */
  function track<T>(work: Promise<T>): Promise<T> {
    return work.finally(begin())
  }
  return { begin, track, kept, undo, words, offerUndo, dropUndo }
})
