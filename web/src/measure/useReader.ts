import { addressOf } from '@peen/contract'
import type { OutlineStep } from '@peen/core/measure'
import * as Comlink from 'comlink'
import { onScopeDispose, ref } from 'vue'
import type { PhotoTask, Reader } from '../workers/measure.worker'
import { valueOf } from '../workers/answered'

type Asked<K extends keyof Reader> = Parameters<Reader[K]>

/** The worker that reads one picture, until it is closed; what core refuses is thrown here as core's own refusal. */
export function openReader(pictureId: string) {
  const size = ref<{ readonly width: number; readonly height: number } | null>(null)
  const unreadable = ref(false)
  let worker: Worker
  let reader: Comlink.Remote<Reader>
  let loaded: Promise<void>
  function start(): void {
    worker = new Worker(new URL('../workers/measure.worker.ts', import.meta.url), { type: 'module', name: 'measure' })
    reader = Comlink.wrap<Reader>(worker)
    loaded = reader.load(addressOf('picture', { id: pictureId })).then(
      (found) => void (size.value = found),
      () => void (unreadable.value = true)
    )
  }
  start()
  return {
    size,
    unreadable,
    loaded: () => loaded,
    /** Stops what the worker does: it is thrown away and a new one begun. */
    stop(): void {
      worker.terminate()
      start()
    },
    async board() {
      await loaded
      return valueOf(await reader.board())
    },
    async outline(
      seen: Asked<'outline'>[0],
      scale: Asked<'outline'>[1],
      corrections: Asked<'outline'>[2],
      onStep: (step: OutlineStep) => void
    ) {
      await loaded
      return valueOf(await reader.outline(seen, scale, corrections, Comlink.proxy(onStep)))
    },
    propose: async (task: PhotoTask) => valueOf(await reader.propose(task)),
    async shape(...asked: Asked<'shape'>) {
      await loaded
      return valueOf(await reader.shape(...asked))
    },
    async over(...asked: Asked<'over'>) {
      await loaded
      return valueOf(await reader.over(...asked))
    },
    async measure(...asked: Asked<'measure'>) {
      await loaded
      return valueOf(await reader.measure(...asked))
    },
    close: () => worker.terminate()
  }
}

/** The same, for as long as the screen stands that asks for it. */
export function useReader(pictureId: string) {
  const reader = openReader(pictureId)
  onScopeDispose(reader.close)
  return reader
}
