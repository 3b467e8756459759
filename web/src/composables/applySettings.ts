// What a person's settings do to the whole page: theme, size of the text, clock, lengths, and the tablet's voice.
import { lengthsIn } from '@peen/core/units'
import { onScopeDispose, watch, watchEffect } from 'vue'
import { useLiveStore } from '../stores/live'
import { useSessionStore } from '../stores/session'
import { useSettingsStore } from '../stores/settings'
import { applyTheme } from './useTheme'
import { chooseLanguage } from '../words'
import { clockHours } from './words'

const SCALE = { usual: 1, large: 1.15, larger: 1.3 } as const

export function applySettings(): void {
  const store = useSettingsStore()
  applyTheme()
  watchEffect(() => document.documentElement.style.setProperty('--text-scale', String(SCALE[store.settings.text])))
  watchEffect(() => (clockHours.value = store.settings.clock))
  watch(
    () => store.settings.language,
    // a page is written in one language: it comes again once the choice is kept
    (language) => chooseLanguage(language) && void store.settled().then(() => location.reload()),
    { immediate: true }
  )
  watch(
    () => store.settings.lengths,
    (unit, before) => showLengths(unit, before, store.settled),
    { immediate: true }
  )
  callOut()
}

let watching: MutationObserver | null = null
/**
 * Every sentence tells its lengths in mm; who reads inches gets them where they are shown (decision 0037). What is typed
 * into, read off a gauge in mm or printed is left alone.
 */
function showLengths(unit: 'mm' | 'in', before: 'mm' | 'in' | undefined, settled: () => Promise<void>): void {
  watching?.disconnect()
  watching = null
  if (unit === 'mm') {
    // sentences that were turned come back with the page, once the choice is kept
    if (before === 'in') void settled().then(() => location.reload())
    return
  }
  const turn = (node: Node) => {
    const text = node.nodeValue ?? ''
    const turned = lengthsIn(text, unit)
    if (turned !== text) node.nodeValue = turned
  }
  const walk = (root: Node) => {
    if (root.nodeType === Node.TEXT_NODE) return turn(root)
    const texts = document.createTreeWalker(root, NodeFilter.SHOW_TEXT)
    for (let node = texts.nextNode(); node; node = texts.nextNode()) turn(node)
  }
  walk(document.body)
  watching = new MutationObserver((changes) => {
    for (const { type, target, addedNodes } of changes) {
      if (type === 'characterData') turn(target)
      else addedNodes.forEach(walk)
    }
  })
  watching.observe(document.body, { subtree: true, childList: true, characterData: true })
}

/** A tablet of the staff sounds or shakes when an apprentice asks for help, where its person wants that. */
function callOut(): void {
  const store = useSettingsStore()
  const session = useSessionStore()
  const live = useLiveStore()
  let stop: (() => void) | null = null
  watchEffect(() => {
    stop?.()
    stop = null
    const { call } = store.settings
    if (call === 'quiet' || !session.isStaff) return
    stop = live.listen((news) => {
      if (news.kind !== 'practice' || news.event.kind !== 'helpAsked') return
      if (call !== 'vibration') sound()
      if (call !== 'sound') navigator.vibrate?.([200, 100, 200])
    })
  })
  onScopeDispose(() => stop?.())
}

/** Two short tones, the second higher: heard over a dryer, and no alarm to a dog. Chosen. */
export function sound(): void {
  if (typeof AudioContext === 'undefined') return
  const audio = new AudioContext()
  for (const [at, hz] of [
    [0, 660],
    [0.22, 880]
  ]) {
    const tone = audio.createOscillator()
    const loudness = audio.createGain()
    tone.frequency.value = hz
    loudness.gain.value = 0.2
    tone.connect(loudness).connect(audio.destination)
    tone.start(audio.currentTime + at)
    tone.stop(audio.currentTime + at + 0.16)
  }
}
