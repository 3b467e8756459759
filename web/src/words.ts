// What Peen says on a screen: `t('floor.free')`. Every sentence stands in wording/, by room; nothing is written out in a component.
import { sayIn, type Say, type Words } from '@peen/wording'
import languages from 'virtual:wording'

let say: Say | null = null

/** The languages that Peen can be shown in, as BCP 47 tags. */
export const LANGUAGES = Object.keys(languages)
/** The language that is tried where no other is chosen. */
export const FIRST = 'en-GB'

/** Loads one language, before anything is shown. */
export async function loadWords(language: string): Promise<void> {
  const load = languages[language] ?? languages[FIRST]
  putWords((await load()).default, language in languages ? language : FIRST)
}

export function putWords(words: Words, language: string): void {
  say = sayIn(words, language)
}

/** Says a message in the language of who reads it. */
export const t: Say = (key, ...values) => {
  if (!say) throw new Error(`${key} is said before the words are loaded`)
  return say(key, ...values)
}
