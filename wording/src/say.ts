// The one renderer of messages: for screens, PDF, letters and refusals, in the browser and on the server.
import type { MessageFormatElement } from '@formatjs/icu-messageformat-parser'
import { IntlMessageFormat } from 'intl-messageformat'
import type { Messages } from '../made/messages'

/** A message as it is kept once it is parsed: plain text where it has no values. */
export type Parsed = string | MessageFormatElement[]
/** Every message of one language, by its key. */
export type Words = Readonly<Record<string, Parsed>>
/** Every message of Peen, as `room.name`. */
export type MessageKey = keyof Messages
type Values<K extends MessageKey> = Messages[K] extends null ? [] : [values: Messages[K]]
/** Says a message. One without its values, or with those of another, does not compile. */
export type Say = <K extends MessageKey>(key: K, ...values: Values<K>) => string

/**
 * A renderer of one language. `locale` is a BCP 47 tag: plurals, lists, ordinals, numbers and dates follow it.
 * @throws Error when `words` holds no such key, which the types rule out
 */
export function sayIn(words: Words, locale: string): Say {
  const formats = new Map<string, IntlMessageFormat>()
  return (key, ...[values]) => {
    const message = words[key]
    if (typeof message === 'string') return message
    if (!message) throw new Error(`No message ${key} in ${locale}`)
    let format = formats.get(key)
    if (!format) formats.set(key, (format = new IntlMessageFormat(message, locale)))
    return String(format.format(values as Record<string, string | number>))
  }
}
