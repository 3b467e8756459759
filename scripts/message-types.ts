// The types of all messages, made from what is written in wording/languages/en-GB.
import { FIRST_LANGUAGE, languages, readWords } from '@peen/wording/files'
import { fileURLToPath } from 'node:url'
import { valuesOf, type ValueKind } from '../wording/src/parse'

const made = (file: string) => fileURLToPath(new URL(`../wording/made/${file}`, import.meta.url))
export const MESSAGE_TYPES = made('messages.d.ts')
export const LANGUAGE_LIST = made('languages.ts')

function typeOf(kind: ValueKind): string {
  if (kind === 'said') return 'Said'
  if (kind === 'number') return 'number'
  if (kind === 'date') return 'Date | number'
  const words = kind.filter((word) => word !== 'other').map((word) => `'${word}'`)
  return kind.includes('other') ? 'string' : words.join(' | ')
}

/** The text of messages.d.ts. */
export function messageTypes(): string {
  const lines = Object.entries(readWords(FIRST_LANGUAGE)).map(([key, message]) => {
    const values = [...valuesOf(message)].map(([name, kind]) => `${name}: ${typeOf(kind)}`)
    return `  '${key}': ${values.length === 0 ? 'null' : `{ ${values.join('; ')} }`}`
  })
  return `// Made by npm run wording from wording/languages/en-GB; not written by hand.
import type { Said } from '../src/said'

/** Every message with the values it is said with. */
export interface Messages {
${lines.join('\n')}
}
`
}

/** The text of languages.ts. */
export const languageList = (): string => `// Made by npm run wording from the folders of wording/languages; not written by hand.

/** The languages that Peen can be read in, as BCP 47 tags. */
export const LANGUAGES = [${languages()
  .map((one) => `'${one}'`)
  .join(', ')}] as const
export type Language = (typeof LANGUAGES)[number]
`
