// What is asked of the messages beside their types: spelling, and how hard they are to read.
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import dictionary from 'dictionary-en-gb'
import { fleschKincaid } from 'flesch-kincaid'
import nspell from 'nspell'
import { syllable } from 'syllable'

const wordList = (file: string) =>
  readFileSync(fileURLToPath(new URL(`../wording/checks/${file}`, import.meta.url)), 'utf8')
    .split('\n')
    .filter((line) => line !== '' && !line.startsWith('#'))
/** Words of the trade and of computers that no general dictionary holds. */
const OWN_WORDS = wordList('own-words.txt')
/** Words of the trade that count as easy: an apprentice knows them. */
const TRADE_WORDS = new Set(wordList('trade-words.txt'))

/** A message as it is read: without what chooses between its ways, and a short word for each value. */
export function plainText(text: string): string {
  return text
    .replace(/\{\w+, (?:plural|select),/g, ' ')
    .replace(/\b(?:one|two|few|many|other|named|taps|changes|mats) \{/g, ' ')
    .replace(/'\{'\w+'\}'/g, 'ten')
    .replace(/\{\w+\}/g, ' ten ')
    .replace(/[{}#*]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
}

const wordsOf = (text: string) =>
  plainText(text)
    .replace(/’/g, "'")
    .match(/[A-Za-zé]+(?:'[a-z]+)?/g) ?? []

/** Words that neither the British dictionary nor the lists beside the messages know. */
export function misspelt(texts: readonly string[]): readonly string[] {
  const spell = nspell({ aff: Buffer.from(dictionary.aff), dic: Buffer.from(dictionary.dic) })
  for (const word of OWN_WORDS) spell.add(word)
  return [...new Set(texts.flatMap(wordsOf))].filter((word) => !spell.correct(word) && !spell.correct(word.toLowerCase()))
}

/**
 * Years of school that a text asks for, by the formula of Flesch and Kincaid (1975), trade words counted as of one syllable. A label
 * without a full stop is a sentence of its own.
 */
export function readingGrade(texts: readonly string[]): number {
  const sentences = texts.flatMap((text) => plainText(text).split(/(?<=[.!?:;])\s+/)).filter((one) => /[a-z]/i.test(one))
  const words = sentences.flatMap(wordsOf)
  const syllables = words.map((word) => (TRADE_WORDS.has(word.toLowerCase()) ? 1 : Math.max(1, syllable(word))))
  return fleschKincaid({ sentence: sentences.length, word: words.length, syllable: syllables.reduce((sum, n) => sum + n, 0) })
}
