import { FIRST_LANGUAGE, languages, writtenIn } from '@peen/wording/files'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { parseMessage, valuesOf } from '../wording/src/parse'
import { languageList, LANGUAGE_LIST, messageTypes, MESSAGE_TYPES } from './message-types'
import { misspelt, readingGrade } from './message-checks'
import { saidWhere } from './message-use'

const first = writtenIn(FIRST_LANGUAGE)
/** Without the names of values: only code sees them. */
const texts = Object.entries(first).map(([key, text]) => [key, text.replace(/\{\w+(?=[,}])/g, '{')] as const)

describe('the messages', () => {
  it('have the types that are made from them; if not: npm run wording', () => {
    expect(readFileSync(MESSAGE_TYPES, 'utf8') === messageTypes()).toBe(true)
    expect(readFileSync(LANGUAGE_LIST, 'utf8')).toBe(languageList())
  })
  it('are said somewhere, each of them', () => {
    const where = saidWhere()
    expect(Object.keys(first).filter((key) => !where.has(key))).toEqual([])
  })
  it.each(languages().filter((language) => language !== FIRST_LANGUAGE))(
    'of %s are messages of the first, with the same values',
    (language) => {
      for (const [key, text] of Object.entries(writtenIn(language))) {
        expect(first[key], `${key}: ${FIRST_LANGUAGE} has no such message`).toBeDefined()
        const names = (one: string) => [...valuesOf(parseMessage(one, key)).keys()].sort()
        expect(names(text), key).toEqual(names(first[key]!))
      }
    }
  )
})

describe('the English', () => {
  it('is spelt as the British dictionary has it, but for words of the trade (wording/checks/own-words.txt)', () =>
    expect(misspelt(Object.values(first))).toEqual([]))
  it('asks for eight years of school at the most on each screen', () => {
    const byFile = new Map<string, string[]>()
    for (const [key, files] of saidWhere())
      for (const file of files) if (/[.?!]/.test(first[key] ?? '')) byFile.set(file, [...(byFile.get(file) ?? []), first[key]!])
    // a few words alone have no grade that means anything
    const long = [...byFile].filter(([, texts]) => texts.join(' ').split(' ').length >= 40)
    expect(long.length).toBeGreaterThan(30)
    expect(long.map(([file, texts]) => [file, readingGrade(texts)] as const).filter(([, grade]) => grade > 8)).toEqual([])
  })
  // Ref: common practice, no published source: words that read as translated, or are ours and not the trade's
  it.each([
    ['nobody, somebody, whoever as a subject', /\b(?:nobody|somebody|anybody)\b/i],
    ['anew, nought, owed', /\b(?:anew|nought|owed)\b/i],
    ['words of the code', /\b(?:lamport|payload|derived|hold-out|folded)\b/i],
    ['u for an uncertainty', /\bu \{/],
    ['“allowed is”', /allowed (?:is|are)\b/],
    ['straight quotes round a value', /"\{/]
  ])('holds none of: %s', (_, pattern) => expect(texts.filter(([, text]) => pattern.test(text))).toEqual([]))
  it('counts in plurals: no bare “{n} people” or “{n} dogs”', () =>
    expect(
      Object.entries(first).filter(([, text]) => /(?<!of )\{n\d?\} (?:people|dogs|tables|apprentices|photographs|trims)\b/.test(text))
    ).toEqual([]))
})
