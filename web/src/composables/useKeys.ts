import { onBeforeUnmount, onMounted, shallowReactive } from 'vue'

export type Key = { readonly key: string; readonly label: string; readonly run: () => void }

/** Every key that does something now, newest screen last; the help sheet lists them. */
export const activeKeys = shallowReactive<Key[]>([])

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))

/** Keys of a screen: they work while it is mounted, never while somebody types or a sheet lies on top. */
export function useKeys(keys: readonly Key[]): void {
  const onKey = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target) || document.querySelector('[role=dialog]')) return
    const found = keys.find((key) => key.key === event.key || key.key === event.key.toLowerCase())
    if (!found) return
    event.preventDefault()
    found.run()
  }
  onMounted(() => {
    window.addEventListener('keydown', onKey)
    activeKeys.push(...keys)
  })
  onBeforeUnmount(() => {
    window.removeEventListener('keydown', onKey)
    for (const key of keys) activeKeys.splice(activeKeys.indexOf(key), 1)
  })
}
