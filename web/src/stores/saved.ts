import { defineStore } from 'pinia'
import { computed, ref } from 'vue'

/** Whether everything on the screen is also in the database: what the top line says. */
export const useSavedStore = defineStore('saved', () => {
  const kept = ref(0)
  const saving = ref(false)
  const undo = ref<{ readonly label: string; readonly run: () => void } | null>(null)
  let timer: ReturnType<typeof setTimeout> | undefined
  const words = computed(() => {
    if (kept.value > 0) return `${kept.value} kept here`
    return saving.value ? 'Saving ...' : 'Everything is saved'
  })
  /** Offers to take the last tap back for eight seconds. */
  function offerUndo(label: string, run: () => void): void {
    clearTimeout(timer)
    undo.value = { label, run: () => (dropUndo(), run()) }
    timer = setTimeout(dropUndo, 8000)
  }
  function dropUndo(): void {
    clearTimeout(timer)
    undo.value = null
  }
  /** Says that something is being saved while it is. */
  async function track<T>(work: Promise<T>): Promise<T> {
    saving.value = true
    try {
      return await work
    } finally {
      saving.value = false
    }
  }
  return { track, kept, saving, undo, words, offerUndo, dropUndo }
})
