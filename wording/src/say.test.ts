import { describe, expect, it } from 'vitest'
import { readWords } from './files'
import { parseMessage, valuesOf } from './parse'
import { pseudo, pseudoWords } from './pseudo'
import { sayIn, type MessageKey, type Words } from './say'

/** Says a message that is not in the files. */
const said = (text: string, values: object, locale = 'en-GB') =>
  (sayIn({ x: parseMessage(text, 'x') }, locale) as unknown as (key: string, values: object) => string)('x', values)

describe('a message', () => {
  it('takes its values, and follows the plural rules of its language', () => {
    const dogs = '{n, plural, one {# dog} other {# dogs}} at {place}'
    expect(said(dogs, { n: 1, place: 'table 2' })).toBe('1 dog at table 2')
    expect(said(dogs, { n: 0, place: 'table 2' })).toBe('0 dogs at table 2')
    // Ref: CLDR, language plural rules: Polish has one, few and many
    const psy = '{n, plural, one {# pies} few {# psy} many {# psów} other {# psa}}'
    expect([1, 3, 5, 22].map((n) => said(psy, { n }, 'pl'))).toEqual(['1 pies', '3 psy', '5 psów', '22 psy'])
  })
  it('says nothing where a value is missing on purpose, and says numbers as they are', () => {
    expect(said('{a}, {b}', { a: null, b: 0 })).toBe(', 0')
    expect(said('u {u}', { u: 0.7 })).toBe('u 0.7')
  })
  it('holds braces as text where they are quoted', () => expect(parseMessage("'{'mm'}' mm", 'x')).toBe('{mm} mm'))
  it('that is none is refused by name', () =>
    expect(() => parseMessage('{n, plural, one {# dog}', 'floor.dogs in en-GB')).toThrow(/floor\.dogs in en-GB is .*ICU message/))
  it('names the values that it needs, with their kind', () =>
    expect([...valuesOf(parseMessage('{who, select, lead {{n, plural, other {#}}} other {{name}}}', 'x'))]).toEqual([
      ['who', ['lead', 'other']],
      ['n', 'number'],
      ['name', 'said']
    ]))
})

describe('the pseudo-language', () => {
  it('is English with accents, 40 % longer, in brackets, with its values untouched', () => {
    const words = { x: pseudo(parseMessage('{n, plural, one {# dog} other {# dogs}} today', 'x')) }
    const text = (sayIn(words as Words, 'en-XA') as unknown as (key: string, values: object) => string)('x', { n: 2 })
    expect(text).toMatch(/^⟦2 dógš tódáý ẋ+⟧$/)
    expect(pseudo('Free')).toBe('⟦Fréé ẋẋ⟧')
  })
  it('covers every message', () => {
    const words = readWords('en-GB')
    const odd = pseudoWords(words)
    expect(Object.keys(odd)).toEqual(Object.keys(words))
    const say = sayIn(odd, 'en-XA')
    for (const [key, message] of Object.entries(odd))
      if (typeof message === 'string') expect(say(key as MessageKey as 'floor.free'), key).toMatch(/^⟦.*⟧$/su)
  })
})
