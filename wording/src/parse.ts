// Reads what is written in the language folders. It runs when the application is built, or once on the server; no browser parses a message.
import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser'
import type { Parsed } from './say'

/**
 * A message as the renderer takes it.
 * @param where names the message in what is thrown: its key and language
 * @throws Error when the text is not an ICU message
 */
export function parseMessage(text: string, where: string): Parsed {
  try {
    // quoted braces become plain ones here, so that text without values needs no renderer
    const elements = parse(text, { ignoreTag: true })
    return elements.length === 1 && elements[0].type === TYPE.literal ? elements[0].value : elements
  } catch (caught) {
    throw new Error(`${where} is "${text}"; it must be an ICU message: ${(caught as Error).message}`, { cause: caught })
  }
}

/** What each value of a message is: a number where it is counted, one of some words where they are told apart, else either. */
export type ValueKind = 'number' | 'said' | 'date' | readonly string[]

/** The values that a message needs, by name, in the order in which they come. */
export function valuesOf(message: Parsed): ReadonlyMap<string, ValueKind> {
  const found = new Map<string, ValueKind>()
  if (typeof message !== 'string') for (const element of message) collect(element, found)
  return found
}

function collect(element: MessageFormatElement, found: Map<string, ValueKind>): void {
  switch (element.type) {
    case TYPE.argument:
      if (!found.has(element.value)) found.set(element.value, 'said')
      return
    case TYPE.number:
    case TYPE.plural:
      found.set(element.value, 'number')
      break
    case TYPE.date:
    case TYPE.time:
      found.set(element.value, 'date')
      break
    case TYPE.select:
      found.set(element.value, Object.keys(element.options))
  }
  if (element.type === TYPE.plural || element.type === TYPE.select)
    for (const { value } of Object.values(element.options)) for (const one of value) collect(one, found)
}
