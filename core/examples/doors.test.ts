// What every subject of core hands out refuses odd numbers by a CoreError: walked from one valid example of each function.
import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { CoreError } from '../src/error'
import { MAY_BE_EMPTY } from './may-be-empty'
import { WRITTEN } from './written'

const HERE = new URL('.', import.meta.url)
const SOURCE = new URL('../src/', HERE)
const subjects = readdirSync(SOURCE, { withFileTypes: true }).flatMap((one) => (one.isDirectory() ? [one.name] : []))
type Call = { readonly name: string; readonly run: (...args: unknown[]) => unknown; readonly args: () => unknown[] }
type Bytes = readonly [kind: string, ...numbers: number[]]
const BYTES = { Uint8Array, Uint8ClampedArray, Float32Array, Float64Array, Int32Array }

/** What JSON has no words for: `$map`, `$set` and `$bytes` stand for a map, a set and typed numbers. */
function read(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(read)
  if (typeof value !== 'object' || value === null) return value
  const { $map, $set, $bytes } = value as { $map?: unknown[]; $set?: unknown[]; $bytes?: Bytes }
  if ($map) return new Map($map.map(read) as [unknown, unknown][])
  if ($set) return new Set($set.map(read))
  if ($bytes) return new BYTES[$bytes[0] as keyof typeof BYTES]($bytes.slice(1) as number[])
  return Object.fromEntries(Object.entries(value).map(([key, own]) => [key, read(own)]))
}

function recorded(subject: string): Readonly<Record<string, unknown[]>> {
  const file = `${subject}.json`
  return readdirSync(HERE).includes(file) ? (JSON.parse(readFileSync(new URL(file, HERE), 'utf8')) as Record<string, unknown[]>) : {}
}

async function callsOf(subject: string): Promise<readonly Call[]> {
  const door = (await import(`../src/${subject}/index.ts`)) as Record<string, unknown>
  const known = recorded(subject)
  return Object.entries(door).flatMap(([name, value]) => {
    if (typeof value !== 'function' || String(value).startsWith('class')) return []
    const written = WRITTEN[subject]?.[name]
    let made: unknown
    const args = () => (written ? copy((made ??= written())) : read(known[name])) as unknown[]
    if (!written && !known[name]) throw new Error(`core/${subject} hands out ${name}, which has no example in core/examples.`)
    return [{ name, run: value as Call['run'], args }]
  })
}

/** A copy in which one place can be written; functions and typed numbers stay themselves. */
function copy(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(copy)
  if (value instanceof Map) return new Map([...value].map(([key, own]) => [key, copy(own)] as const))
  if (value instanceof Set || ArrayBuffer.isView(value) || typeof value !== 'object' || value === null) return value
  return Object.fromEntries(Object.entries(value).map(([key, own]) => [key, copy(own)]))
}

type Place = readonly (string | number)[]
/** Every number of an example by its place, those in maps, sets and typed numbers left out. */
function numbersIn(value: unknown, at: Place = []): readonly Place[] {
  if (typeof value === 'number') return [at]
  if (typeof value !== 'object' || value === null || ArrayBuffer.isView(value) || value instanceof Map || value instanceof Set) return []
  return Object.entries(value).flatMap(([key, own]) => numbersIn(own, [...at, key]))
}
function put(args: unknown[], at: Place, value: unknown): unknown[] {
  const holder = at.slice(0, -1).reduce<unknown>((own, key) => (own as Record<string, unknown>)[key], args)
  ;(holder as Record<string, unknown>)[at.at(-1)!] = value
  return args
}
/** The places of a list that has more of the same are tried at its ends. */
const fewOf = (places: readonly Place[]) => (places.length <= 16 ? places : [...places.slice(0, 10), ...places.slice(-6)])

function refusal({ run }: Call, args: unknown[]): unknown {
  try {
    run(...args)
  } catch (error) {
    return error
  }
  return null
}
const LENGTH = /^(length|hair|terminal|target|grownOut|withers|height|width|grown|leaves|planned|standing|radius|camera)Mm$/

// `error` makes the doors, and `terms` holds words and no function
describe.each(subjects.filter((name) => name !== 'error' && name !== 'terms'))('core/%s', async (subject) => {
  const calls = await callsOf(subject)

  it.each(calls)('$name takes its example, and refuses no number in it', (call) => {
    expect(refusal(call, call.args())).toBe(null)
    for (const place of fewOf(numbersIn(call.args())))
      for (const odd of [NaN, Infinity, -Infinity])
        expect(refusal(call, put(call.args(), place, odd)), `${place.join('.')} is ${odd}`).toBeInstanceOf(CoreError)
  })

  it.each(calls)('$name refuses a length under 0', (call) => {
    for (const place of fewOf(numbersIn(call.args()).filter((one) => LENGTH.test(String(one.at(-1))))))
      expect(refusal(call, put(call.args(), place, -1)), place.join('.')).toBeInstanceOf(CoreError)
  })

  it.each(calls)('$name refuses a list without members, unless an empty one is an answer', (call) => {
    const excused = MAY_BE_EMPTY[`${subject}.${call.name}`] ?? []
    call.args().forEach((arg, i) => {
      if (!Array.isArray(arg)) return
      const error = refusal(call, put(call.args(), [i], []))
      if (excused.includes(i)) expect(error, `argument ${i} may be empty`).not.toBeInstanceOf(TypeError)
      else expect(error, `argument ${i} is an empty list`).toBeInstanceOf(CoreError)
    })
  })
})
