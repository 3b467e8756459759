// What the server writes for people on paper, in the language of who reads it.
import { sayIn, type Say } from '@peen/wording'
import { readWords } from '@peen/wording/files'

const known = new Map<string, Say>()

/** The words of one language. */
export function wordsIn(language: string): Say {
  let say = known.get(language)
  if (!say) known.set(language, (say = sayIn(readWords(language), language)))
  return say
}
