import type { Moment, PictureView, Stance } from '@peen/contract'
import type { PracticeEvent } from '@peen/core/practice'
import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { v7 } from 'uuid'
import { ask, isUnreachable, sentenceOf } from '../api/client'
import { dropPicture, keepPicture, keptPictures, type KeptPicture } from '../outbox/kept-pictures'
import { readyToSend } from '../outbox/ready-to-send'
import { useOutboxStore } from './outbox'
import { useSavedStore } from './saved'
import { useSessionStore } from './session'

type Taken = { readonly visitId: string; readonly moment: Moment; readonly stance: Stance; readonly file: Blob }
const RETRY_MS = 15000

/** Photographs on their way to the server: one that gets no answer is kept here and sent later, once. */
export const usePictureStore = defineStore('pictures', () => {
  const session = useSessionStore()
  const saved = useSavedStore()
  const outbox = useOutboxStore()
  const kept = shallowRef<readonly KeptPicture[]>([])
  const mine = computed(() => kept.value.filter(({ by }) => by === session.me?.id))
  const refused = computed(() => mine.value.filter((one) => one.refused !== null))
  watch(
    () => mine.value.length,
    (n) => saved.keep('pictures', n),
    { flush: 'sync' }
  )

  /**
   * Sends a photograph; `tapOf` makes the tap that names it, put among the taps as soon as the server has it.
   * @returns the photograph as the server keeps it; null where it is kept here for now
   * @throws a file that cannot be sent, what the server refused, or that this browser keeps nothing
   */
  async function take(taken: Taken, tapOf?: (pictureId: string) => PracticeEvent): Promise<PictureView | null> {
    const id = v7()
    const file = await readyToSend(taken.file)
    const picture: KeptPicture = { ...taken, file, id, by: session.me!.id, event: tapOf?.(id) ?? null, refused: null }
    try {
      return await send(picture)
    } catch (error) {
      if (!isUnreachable(error)) throw error
      await keepPicture(picture)
      await look()
      later()
      return null
    }
  }
  async function send({ id, visitId, moment, stance, file, event }: KeptPicture): Promise<PictureView> {
    const view = await ask('addPicture', { id: visitId, moment, stance, query: { as: id }, file })
    if (event) outbox.put(event)
    return view
  }
  async function look(): Promise<void> {
    kept.value = await keptPictures()
  }

  let timer: ReturnType<typeof setTimeout> | undefined
  const later = () => (clearTimeout(timer), (timer = setTimeout(() => void flush(), RETRY_MS)))
  let isSending = false
  /** Sends what waits, one after the other; what is refused is kept with the reason. */
  async function flush(): Promise<void> {
    await look()
    if (isSending || session.isRecalled) return
    isSending = true
    for (const one of mine.value.filter((picture) => picture.refused === null)) {
      try {
        await send(one)
        await dropPicture(one.id)
      } catch (error) {
        if (isUnreachable(error)) {
          later()
          break
        }
        await keepPicture({ ...one, refused: sentenceOf(error) })
      }
      await look()
    }
    isSending = false
  }
  async function again(one: KeptPicture): Promise<void> {
    await keepPicture({ ...one, refused: null })
    await flush()
  }
  async function letGo({ id }: KeptPicture): Promise<void> {
    await dropPicture(id)
    await look()
  }
  watch(
    () => session.me?.csrf,
    () => void flush(),
    { immediate: true }
  )
  useEventListener(globalThis.window, 'online', () => void flush())
  return { kept, refused, take, again, letGo }
})
