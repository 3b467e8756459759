import { UNDO_SECONDS } from '@peen/core/practice'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { t } from '../words'

/** Whether everything on the screen is also in the database: what the top line says. */
export const useSavedStore = defineStore('saved', () => {
  /** what waits in this browser, by where it waits: taps, and the sheet of each trim */
  const places = ref<Readonly<Record<string, number>>>({})
  const kept = computed(() => Object.values(places.value).reduce((sum, n) => sum + n, 0))
  /** taps that the server refused */
  const refused = ref(0)
  const under = ref(0)
  const undo = ref<{ readonly label: string; readonly run: () => void } | null>(null)
  let timer: ReturnType<typeof setTimeout> | undefined
  const refusals = computed(() => (refused.value > 0 ? [t('shell.refusedRefusedCheck', { refused: refused.value })] : []))
  /** what is not in the database and is not on its way either */
  const held = computed(() => [...refusals.value, ...(kept.value > 0 ? [t('shell.keptWaitingHere', { kept: kept.value })] : [])])
  const words = computed(() => {
    const waits =
      kept.value > 0
        ? [under.value > 0 ? t('shell.sendingKept', { kept: kept.value }) : t('shell.keptWaitingHere', { kept: kept.value })]
        : []
    if (refusals.value.length + waits.length > 0) return [...refusals.value, ...waits].join(', ')
    return under.value > 0 ? t('shell.saving') : t('shell.everythingSaved')
  })
  /** nothing waits, nothing was refused and nothing is on its way */
  const isSaved = computed(() => kept.value === 0 && refused.value === 0 && under.value === 0)
  function keep(place: string, n: number): void {
    places.value = { ...places.value, [place]: n }
  }
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
  return { begin, track, keep, kept, refused, held, undo, words, isSaved, offerUndo, dropUndo }
})
