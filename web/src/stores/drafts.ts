// What was written without an answer from the server (grading sheets, check-ins, drafts of trims): kept on this device, sent when it answers again.
import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { shallowRef, watch } from 'vue'
import type { NewFound } from '@peen/contract'
import type { Standard } from '@peen/core/standard'
import { ask, ApiError } from '../api/client'
import { dropText, textOf, textsOf, type TextKind } from '../offline/kept-texts'
import type { StoredDraft } from '../grading/merge'
import { useSavedStore } from './saved'
import { useSessionStore } from './session'

/** A sheet as this device holds it, and whose it is; a sheet of before has no name on it. */
export type KeptDraft = StoredDraft & { readonly by?: string }

const PREFIX = 'peen.draft.'
export const draftKey = (gradingId: string) => PREFIX + gradingId
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

/** A text that the server does not take as it is, and why; `to`: the screen on which its person decides. */
export type HeldText = {
  readonly kind: 'sheet' | TextKind
  readonly id: string
  readonly to: string
  readonly why: string
  readonly isSigned: boolean
}

/** One that waits here, with what sends it and what lets it go. */
type Waiting = {
  readonly kind: HeldText['kind']
  readonly id: string
  /** whose it is; a sheet of before has no name on it */
  readonly by: string | undefined
  readonly to: string
  readonly send: () => Promise<unknown>
  readonly forget: () => void
}

function sheets(): readonly Waiting[] {
  return storedDrafts().map(([id, { by, ...draft }]) => ({
    ...{ kind: 'sheet' as const, id, by, to: `/trims/${id}` },
    send: () => ask('saveDraft', { id, body: draft }),
    forget: () => localStorage.removeItem(draftKey(id))
  }))
}
function texts(me: string): readonly Waiting[] {
  return textsOf(me).map(({ kind, id }) => ({
    ...{ kind, id, by: me, to: kind === 'visit' ? `/visits/${id}/check-in` : `/standard-drafts/${id}` },
    send: async () => {
      if (kind === 'visit') {
        const { base, value } = textOf<Omit<NewFound, 'version'>>(kind, id)!
        return ask('keepFound', { id, body: { ...value, version: base.version } })
      }
      const { base, value } = textOf<Standard>(kind, id)!
      return ask('keepDraft', { id, body: { version: base.version, body: value } })
    },
    forget: () => dropText(kind, id)
  }))
}

/**
 * Sends kept texts at load, at sign-in, when the network is back and from time to time. A text that is open sends itself.
 * One that another device has written on meanwhile is not sent: its person opens it and chooses.
 */
export const useDraftStore = defineStore('drafts', () => {
  const session = useSessionStore()
  const saved = useSavedStore()
  const open = new Set<string>()
  const held = shallowRef<readonly HeldText[]>([])
  const placeOf = (kind: HeldText['kind'], id: string) => `${kind} ${id}`
  let timer: ReturnType<typeof setTimeout> | undefined

  async function send(): Promise<void> {
    clearTimeout(timer)
    const me = session.me?.id
    if (me === undefined || session.isRecalled) return
    const found: HeldText[] = []
    let isCut = false
    for (const one of [...sheets(), ...texts(me)]) {
      const { kind, id, by, to } = one
      const place = placeOf(kind, id)
      if (open.has(place) || (by ?? me) !== me) continue
      saved.keep(place, 1)
      const error = await saved.track(one.send()).then(
        () => null,
        (caught: unknown) => caught
      )
      const problem = error instanceof ApiError ? error.problem : null
      if (error === null) drop(one)
      else if (!problem || problem.status === 0 || problem.status === 401 || problem.status >= 500) isCut = true
      // a sheet without a name on it may be another person's: it waits for theirs
      else if (by !== undefined || problem.status === 409)
        found.push({ kind, id, to, why: problem.detail, isSigned: problem.code === 'signed' })
    }
    held.value = found
    if (isCut) timer = setTimeout(() => void send(), RETRY_MS)
  }
  function drop({ kind, id, forget }: Pick<Waiting, 'kind' | 'id' | 'forget'>): void {
    forget()
    saved.keep(placeOf(kind, id), 0)
    notHeld(kind, id)
  }
  const notHeld = (kind: HeldText['kind'], id: string) => (held.value = held.value.filter((one) => one.kind !== kind || one.id !== id))
  /** Lets a text go that its person gives up. */
  function letGo({ kind, id }: HeldText): void {
    const one = [...sheets(), ...texts(session.me?.id ?? '')].find((waits) => waits.kind === kind && waits.id === id)
    if (one) drop(one)
  }
  /** While a text is open it writes itself; call what is returned when it closes. */
  function begin(id: string, kind: HeldText['kind'] = 'sheet'): () => void {
    open.add(placeOf(kind, id))
    notHeld(kind, id)
    return () => {
      open.delete(placeOf(kind, id))
      void send()
    }
  }
  watch(
    () => session.me?.csrf,
    () => void send(),
    { immediate: true }
  )
  useEventListener(globalThis.window, 'online', () => void send())
  return { held, send, begin, letGo }
})
