import { onScopeDispose } from 'vue'
import { useLiveStore, type LiveNews } from '../stores/live'

/** News close together is read in one go, ms. */
const GATHER_MS = 250

/** Reads a screen anew when something has happened, at most once in a quarter of a second; `onNews` hears each at once. */
export function useLive(reload: () => Promise<void>, onNews: (news: LiveNews) => boolean = () => true): void {
  let timer: ReturnType<typeof setTimeout> | undefined
  const stop = useLiveStore().listen((news) => {
    if (!onNews(news)) return
    timer ??= setTimeout(() => {
      timer = undefined
      void reload()
    }, GATHER_MS)
  })
  onScopeDispose(() => {
    clearTimeout(timer)
    stop()
  })
}
