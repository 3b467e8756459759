// A language for tests: English with accents, 40 % longer, in brackets. What stands on a screen without them was never put here;
// what is cut off had no room for a longer language.
import type { MessageFormatElement } from '@formatjs/icu-messageformat-parser'
import type { Parsed, Words } from './say'

/** Its BCP 47 tag: English, in a region that is kept free for one's own use. */
export const PSEUDO = 'en-XA'
/** From UTS 35's numbers of the parser: text, and what has ways in it. */
const LITERAL = 0
const SELECT = 5
const PLURAL = 6
const ACCENTS: Readonly<Record<string, string>> = Object.fromEntries(
  [...'aAeEiIoOuUcCnNsSyYzZ'].map((letter, i) => [letter, [...'áÁéÉíÍóÓúÚçÇñÑšŠýÝžŽ'][i]])
)
const LONGER = 0.4

const accented = (text: string) => text.replace(/[a-z]/gi, (letter) => ACCENTS[letter] ?? letter)

function element(one: MessageFormatElement): MessageFormatElement {
  if (one.type === LITERAL) return { ...one, value: accented(one.value) }
  if (one.type !== SELECT && one.type !== PLURAL) return one
  const options = Object.fromEntries(Object.entries(one.options).map(([name, way]) => [name, { ...way, value: way.value.map(element) }]))
  return { ...one, options } as MessageFormatElement
}

/** A message in the pseudo-language. */
export function pseudo(message: Parsed): Parsed {
  const length =
    typeof message === 'string' ? message.length : message.reduce((n, one) => n + (one.type === LITERAL ? one.value.length : 6), 0)
  // in words that a line can break between, as any language has them
  const filling = 'ẋ'.repeat(Math.ceil(length * LONGER)).replace(/ẋ{7}(?=ẋ)/g, '$& ')
  const [lead, tail] = ['⟦', ` ${filling}⟧`]
  if (typeof message === 'string') return lead + accented(message) + tail
  const text = (value: string) => ({ type: LITERAL, value }) as MessageFormatElement
  return [text(lead), ...message.map(element), text(tail)]
}

/** Every message in the pseudo-language. */
export const pseudoWords = (words: Words): Words =>
  Object.fromEntries(Object.entries(words).map(([key, message]) => [key, pseudo(message)]))
