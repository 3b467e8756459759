// Grading sheets that were written without an answer from the server: kept on this device, sent when it answers again.
import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { shallowRef, watch } from 'vue'
import { ask, ApiError } from '../api/client'
import type { StoredDraft } from '../grading/merge'
import { useSavedStore } from './saved'
import { useSessionStore } from './session'

/** A sheet as this device holds it, and whose it is; a sheet of before has no name on it. */
export type KeptDraft = StoredDraft & { readonly by?: string }

const PREFIX = 'peen.draft.'
export const draftKey = (gradingId: string) => PREFIX + gradingId
const placeOf = (gradingId: string) => `sheet ${gradingId}`
const RETRY_MS = 15000

/** The sheets that local storage holds, by grading. What cannot be read is no sheet. */
function storedDrafts(): readonly (readonly [string, KeptDraft])[] {
  if (typeof localStorage === 'undefined') return []
  return Object.keys(localStorage).flatMap((key) => {
    if (!key.startsWith(PREFIX)) return []
    try {
      const draft = JSON.parse(localStorage.getItem(key) ?? 'null') as KeptDraft | null
      return draft?.answers ? [[key.slice(PREFIX.length), draft] as const] : []
    } catch {
      return []
    }
  })
}

/** A sheet that the server does not take as it is, and why. */
export type HeldDraft = { readonly gradingId: string; readonly why: string; readonly isSigned: boolean }

/**
 * Sends kept sheets at load, at sign-in, when the network is back and from time to time. A sheet that is open sends itself.
 * One that another device has written on meanwhile is not sent: its assessor opens it and chooses.
 */
export const useDraftStore = defineStore('drafts', () => {
  const session = useSessionStore()
  const saved = useSavedStore()
  const open = new Set<string>()
  const held = shallowRef<readonly HeldDraft[]>([])
  let timer: ReturnType<typeof setTimeout> | undefined

  async function send(): Promise<void> {
    clearTimeout(timer)
    const me = session.me?.id
    if (me === undefined || session.isRecalled) return
    const found: HeldDraft[] = []
    let isCut = false
    for (const [gradingId, { by, ...draft }] of storedDrafts()) {
      if (open.has(gradingId) || (by ?? me) !== me) continue
      saved.keep(placeOf(gradingId), 1)
      const error = await saved.track(ask('saveDraft', { id: gradingId, body: draft })).then(
        () => null,
        (caught: unknown) => caught
      )
      const problem = error instanceof ApiError ? error.problem : null
      if (error === null) drop(gradingId)
      else if (!problem || problem.status === 0 || problem.status === 401 || problem.status >= 500) isCut = true
      // a sheet without a name on it may be another person's: it waits for theirs
      else if (by !== undefined || problem.status === 409)
        found.push({ gradingId, why: problem.detail, isSigned: problem.code === 'signed' })
    }
    held.value = found
    if (isCut) timer = setTimeout(() => void send(), RETRY_MS)
  }
  function drop(gradingId: string): void {
    localStorage.removeItem(draftKey(gradingId))
    saved.keep(placeOf(gradingId), 0)
    held.value = held.value.filter((one) => one.gradingId !== gradingId)
  }
  /** While a sheet is open it writes itself; call what is returned when it closes. */
  function begin(gradingId: string): () => void {
    open.add(gradingId)
    held.value = held.value.filter((one) => one.gradingId !== gradingId)
    return () => {
      open.delete(gradingId)
      void send()
    }
  }
  watch(
    () => session.me?.csrf,
    () => void send(),
    { immediate: true }
  )
  useEventListener(globalThis.window, 'online', () => void send())
  return { held, send, begin, drop }
})
