// The types of all messages, made from what is written in wording/en-GB.
import { FIRST_LANGUAGE, readWords } from '@peen/wording/files'
import { fileURLToPath } from 'node:url'
import { valuesOf, type ValueKind } from '../wording/src/parse'

export const MESSAGE_TYPES = fileURLToPath(new URL('../wording/made/messages.d.ts', import.meta.url))

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
  return `// Made by npm run wording from wording/en-GB; not written by hand.
import type { Said } from '../src/say'

/** Every message with the values it is said with. */
export interface Messages {
${lines.join('\n')}
}
`
}
