// Words that people wrote, told apart from answers: erasing an owner may change them, the trail does not hold them.

/** Names of fields that hold free text wherever they stand. What an answer is (a side, a level, a kind, a number) is never under one of them. */
const FREE_TEXT: ReadonlySet<string> = new Set([
  ...['text', 'reason', 'best', 'mend', 'what', 'askedBy', 'wishes', 'why', 'allTheSame'],
  ...['used', 'nextTime', 'handOver', 'temperament', 'dislikes', 'breed', 'earHistory']
])

/** The same value with each free text put through `change`; everything else stays as it is. */
export const withTexts = <T>(value: T, change: (text: string) => string): T => changed(value, FREE_TEXT, change, false)

function changed<T>(value: T, fields: ReadonlySet<string>, change: (text: string) => string, isText: boolean): T {
  if (typeof value === 'string') return (isText ? change(value) : value) as T
  if (Array.isArray(value)) return value.map((one) => changed(one, fields, change, isText)) as T
  if (value instanceof Date || value === null || typeof value !== 'object') return value
  return Object.fromEntries(Object.entries(value).map(([key, own]) => [key, changed(own, fields, change, fields.has(key))])) as T
}

/** Sentences that are made from what was written: they change with it. */
const SAID: ReadonlySet<string> = new Set([...FREE_TEXT, 'say', 'because', 'praise', 'praises'])

/** The same value with each free text and each sentence made from one put through `change`. */
export const withSentences = <T>(value: T, change: (text: string) => string): T => changed(value, SAID, change, false)

/** A value as the trail holds it: with no free text in it. */
export const withoutTexts = <T>(value: T): T => changed(value, SAID, () => '', false)
