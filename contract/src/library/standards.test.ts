// The published JSON Schema, read by an independent validator, beside our own schema: files go out and come back the same.
import { standards } from '@peen/content'
import Ajv from 'ajv/dist/2020'
import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { check, standardJsonSchema, standardSchema } from '..'

const validate = new Ajv({ allErrors: true, strict: true, strictTypes: false }).compile(standardJsonSchema)
const ours = (value: unknown) => check(standardSchema as never, value)
const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

describe('the schema of a standard', () => {
  it('is itself valid, and published as it is served', () => {
    expect(validate.schema).toBe(standardJsonSchema)
    const published = readFileSync(new URL('../../../docs/standard.schema.json', import.meta.url), 'utf8')
    expect(JSON.parse(published)).toEqual(copy(standardJsonSchema))
  })

  it.each(standards.map((standard) => [standard.id, standard] as const))('%s goes out and comes back the same', (_, standard) => {
    const back = copy(standard)
    expect(validate(back), JSON.stringify(validate.errors?.[0])).toBe(true)
    const read = ours(back)
    expect(read.ok, JSON.stringify(!read.ok && read.issues[0])).toBe(true)
    expect(read.ok && read.value).toEqual(standard)
  })

  type Path = readonly (string | number)[]
  const put = (value: unknown, [first, ...rest]: Path, to: unknown): unknown => {
    if (Array.isArray(value)) return value.map((item, i) => (i === first ? (rest.length === 0 ? to : put(item, rest, to)) : item))
    const own = value as Record<string, unknown>
    return { ...own, [first]: rest.length === 0 ? to : put(own[first], rest, to) }
  }
  const [standard] = standards
  const length = standard.criteria.findIndex(({ how }) => how.kind === 'length')
  const judged = standard.criteria.findIndex(({ how }) => how.kind === 'judged')

  it.each<[string, Path, unknown, RegExp]>([
    ['a word where a number is', ['criteria', length, 'how', 'targetMm'], 'long', /Target, mm is long; it must be 0 to 300/],
    ['a band of three ends', ['criteria', length, 'how', 'band'], [1, 2, 3], /The band is \[1,2,3\]; it must be two numbers/],
    [
      'an unknown way of answering',
      ['criteria', length, 'how', 'kind'],
      'guessed',
      /How it is answered is guessed; it must be length, measured/
    ],
    ['a station that is none', ['criteria', judged, 'station'], 'below', /Station is below; it must be side, front/],
    ['a field nobody knows', ['colour'], 'red', /colour/],
    ['no name', ['name'], ' ', /Name/],
    ['an id with spaces', ['id'], 'my own', /id is my own; it must be lower-case letters/],
    ['levels that are no list', ['criteria', judged, 'how', 'levels'], 'five', /levels/i],
    ['a direction sideways', ['plan', 'steps', 0, 'direction'], 'across', /Direction is across; it must be with, against or null/],
    ['readings of half', ['instruments', 0, 'readings'], 2.5, /Readings is 2\.5; it must be 1 to 9/]
  ])('%s is refused by both, with its place', (_, path, to, words) => {
    const broken = put(copy(standard), path, to)
    expect(validate(broken)).toBe(false)
    const read = ours(broken)
    expect(read.ok).toBe(false)
    expect(!read.ok && read.issues.map((issue) => `${issue.path}: ${issue.detail}`).join(' | ')).toMatch(words)
  })

  it('every field that is taken away is missed by both', () => {
    const fields = [
      'id',
      'version',
      'name',
      'bodyType',
      'standardMin',
      'passMark',
      'makes',
      'ownFault',
      'instruments',
      'sections',
      'critical',
      'plan',
      'criteria',
      'variants'
    ]
    expect(Object.keys(standard).sort()).toEqual([...fields].sort())
    fc.assert(
      fc.property(fc.constantFrom(...fields), fc.constantFrom(...standards.map(({ id }) => id)), (field, id) => {
        const { [field]: _gone, ...rest } = copy(standards.find((one) => one.id === id)!) as unknown as Record<string, unknown>
        expect(validate(rest)).toBe(false)
        expect(ours(rest).ok).toBe(false)
      }),
      { numRuns: 60 }
    )
  })
})
