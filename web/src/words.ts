// What Peen says on a screen: `t('floor.free')`. Every sentence stands in wording/, by room; nothing is written out in a component.
import { PSEUDO, sayIn, type Say } from '@peen/wording'
import languages from 'virtual:wording'

/** The language that is read where no other is chosen. */
const FIRST = 'en-GB'
/** Which language this device reads, since words come before anything else is known. */
const KEPT = 'peen.language'
/** Read from right to left; not every browser tells it by itself. */
const FROM_THE_RIGHT = ['ar', 'dv', 'fa', 'he', 'ps', 'ur', 'yi']

let say: Say | null = null
let current = FIRST
let rest: Promise<void> | null = null

/** Loads what the first screens say in the language that this device reads, and begins to load the rest. */
export async function loadWords(language = localStorage.getItem(KEPT) ?? FIRST): Promise<void> {
  current = language in languages ? language : FIRST
  const first = (await languages[current].first()).default
  say = sayIn(first, current)
  rest = languages[current].rest().then((more) => void (say = sayIn({ ...first, ...more.default }, current)))
  if (typeof document === 'undefined') return
  document.documentElement.lang = current
  document.documentElement.dir = FROM_THE_RIGHT.includes(current.split('-')[0]) ? 'rtl' : 'ltr'
}

/** Until every room has its words. */
export const allWords = (): Promise<void> => rest ?? Promise.resolve()

/** Reads another language from the next load on. @returns whether the page must be loaded for it */
export function chooseLanguage(language: string): boolean {
  // a sign-in kept from before languages has none; who looks for what was never put into wording goes on in the pseudo-language
  if (!(language in languages) || language === current || current === PSEUDO) return false
  localStorage.setItem(KEPT, language)
  return true
}

/** Says a message in the language of who reads it. */
export const t: Say = (key, ...values) => {
  if (!say) throw new Error(`${key}: not loaded`)
  return say(key, ...values)
}
