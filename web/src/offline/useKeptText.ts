import { putTogether, type Choice, type Clash, type How } from '@peen/core/changes'
import { tryOnScopeDispose, useEventListener, useTimeoutFn } from '@vueuse/core'
import { ref, shallowRef, watch } from 'vue'
import { ApiError, isUnreachable, sentenceOf } from '../api/client'
import { oneAfterTheOther } from '../composables/oneAfterTheOther'
import { useDraftStore } from '../stores/drafts'
import { useSavedStore } from '../stores/saved'
import { useSessionStore } from '../stores/session'
import { dropText, keepText, textOf, type TextKind } from './kept-texts'
import { t } from '../words'

/** What the server holds: a text and the version by which a second device is told. */
export type Stored<T> = { readonly version: number; readonly value: T }

export type KeptTextOf<T> = {
  readonly kind: TextKind
  readonly id: () => string
  /** the text as it stands on this screen, and putting another in its place */
  readonly value: () => T
  readonly put: (value: T) => void
  readonly write: (stored: Stored<T>) => Promise<{ readonly version: number }>
  /** what the server holds now */
  readonly read: () => Promise<Stored<T>>
  /** the refusal that says that another device has written meanwhile */
  readonly conflict: string
  /** a refusal in better words than its own; null where there are none */
  readonly sentence?: (error: unknown) => string | null
  /** how what it is made of is told apart */
  readonly how?: How
}

/** A text that got no answer is sent again so soon, ms. */
const RETRY_MS = 5000
const NO_ANSWER = t('shell.peenNotAnsweringYourChanges')
const BOTH = t('shell.anotherDeviceChangedTooBoth')

/**
 * A text that is written on this device: kept here until the server has it, through reloads. What another device has changed
 * meanwhile is put together with it; where both changed the same thing, `clashes` waits for a person.
 */
export function useKeptText<T>(text: KeptTextOf<T>) {
  const saved = useSavedStore()
  const session = useSessionStore()
  /** what this device’s text began from */
  let base: Stored<T> | null = null
  let theirs: Stored<T> | null = null
  const version = ref(0)
  const clashes = shallowRef<readonly Clash[]>([])
  const refused = ref<string | null>(null)
  const said = ref<string | null>(null)
  const place = () => `${text.kind} ${text.id()}`

  /** Begins from what the server holds, with what is kept here on top of it. @returns whether something is to be sent */
  function begin(stored: Stored<T>): boolean {
    base = stored
    version.value = stored.version
    const kept = textOf<T>(text.kind, text.id())
    if (!kept || kept.by !== session.me?.id) {
      text.put(stored.value)
      return false
    }
    base = kept.base
    version.value = kept.base.version
    text.put(kept.value)
    return true
  }
  function keep(): void {
    if (base && session.me) keepText(text.kind, text.id(), { by: session.me.id, base, value: text.value() })
  }
  // a hand, a timer and the network may all ask for it: one after the other, or it would meet itself as another device
  const { inTurn } = oneAfterTheOther()
  /** Sends the text as it stands; resolves with whether the server has it. */
  const send = () => inTurn(write)
  async function write(): Promise<boolean> {
    if (clashes.value.length > 0) return false
    const sent = text.value()
    try {
      const answer = await text.write({ version: version.value, value: sent })
      version.value = answer.version
      base = { version: answer.version, value: sent }
      // what was changed while this was on its way begins from here
      if (text.value() === sent) dropText(text.kind, text.id())
      else keep()
      saved.keep(place(), 0)
      refused.value = null
      if (said.value === NO_ANSWER) said.value = null
      return true
    } catch (error) {
      return failed(error)
    }
  }
  async function failed(error: unknown): Promise<boolean> {
    saved.keep(place(), 1)
    if (isUnreachable(error) || (error instanceof ApiError && error.problem.code === 'csrf')) {
      // no fault of anyone’s: told, and not as a refusal
      ;[said.value, refused.value] = [NO_ANSWER, null]
      retry.start()
      return false
    }
    if (error instanceof ApiError && error.problem.code === text.conflict && base && (await isNewer())) return meet()
    refused.value = text.sentence?.(error) ?? sentenceOf(error)
    return false
  }
  /** Does the server hold what another device wrote? Else putting together would go round for ever. */
  async function isNewer(): Promise<boolean> {
    theirs = await text.read().catch(() => null)
    return theirs !== null && theirs.version > version.value
  }
  /** Another device has written: both are put together. */
  async function meet(): Promise<boolean> {
    const both = putTogether(base!.value, text.value(), theirs!.value, text.how)
    clashes.value = both.clashes
    if (both.clashes.length > 0) return false
    said.value = BOTH
    return goOn(both.value)
  }
  function goOn(value: T): Promise<boolean> {
    base = theirs
    version.value = theirs!.version
    text.put(value)
    keep()
    return write()
  }
  /** Goes on with the sides that a person chose. */
  const settle = (choices: Readonly<Record<string, Choice>>): Promise<boolean> => inTurn(() => choose(choices))
  function choose(choices: Readonly<Record<string, Choice>>): Promise<boolean> {
    const { value } = putTogether(base!.value, text.value(), theirs!.value, text.how, choices)
    clashes.value = []
    return goOn(value)
  }
  /** Lets what stands here go: the server’s word holds. */
  function forget(): void {
    dropText(text.kind, text.id())
    saved.keep(place(), 0)
    ;[version.value, clashes.value, refused.value] = [0, [], null]
  }
  const retry = useTimeoutFn(() => void send(), RETRY_MS, { immediate: false })
  useEventListener(globalThis.window, 'online', () => textOf(text.kind, text.id()) && void send())
  // while it is open here it sends itself
  let end: (() => void) | null = null
  const drafts = useDraftStore()
  const close = () => (end?.(), (end = null))
  watch(text.id, (id) => (close(), (end = drafts.begin(id, text.kind))), { immediate: true })
  tryOnScopeDispose(close)
  return { version, clashes, refused, said, begin, keep, send, settle, forget }
}
