// The trail: entries that each hold the hash of the one before, and the content of the things that they speak of.
import { sha256 as digest } from '@noble/hashes/sha2.js'
import { bytesToHex } from '@noble/hashes/utils.js'
import canonicalize from 'canonicalize'

/** An entry as it is kept: the bytes that were hashed, and the hash, SHA-256 in hexadecimal. */
export type TrailEntry = { readonly seq: number; readonly bytes: string; readonly hash: string }
type Chained = {
  readonly seq: number
  readonly previous: string
  readonly kind?: string
  readonly at?: string
  readonly seals?: Readonly<Record<string, string>>
}

/** What an unbroken stretch of the trail holds; up to the break where there is one. */
export type Walked = {
  /** the first entry that does not fit */
  readonly brokenAt: number | null
  /** the hash of the last entry that fits; empty where there is none */
  readonly last: string
  /** the newest entry about each thing, with the hash of its content; an empty hash: it was taken away by Peen itself */
  readonly newest: ReadonlyMap<string, { readonly seq: number; readonly hash: string }>
}

const bytesOf = (of: string | Uint8Array): Uint8Array => (typeof of === 'string' ? new TextEncoder().encode(of) : of)

/** SHA-256 in hexadecimal, of bytes or of a text in UTF-8. */
export const sha256 = (of: string | Uint8Array): string => bytesToHex(digest(bytesOf(of)))

/** The hash under which the trail holds a content: of its canonical JSON (RFC 8785). */
export const contentHash = (content: unknown): string => sha256(canonicalize(JSON.parse(JSON.stringify(content)))!)

/** A row that is no entry at all is an answer, not an error. */
export function readEntry(bytes: string): Chained | null {
  try {
    const entry = JSON.parse(bytes) as Chained | null
    return typeof entry === 'object' ? entry : null
  } catch {
    return null
  }
}

/** Walks a stretch of the trail. `from`: the number of its first entry; from 1 the trail must begin with nothing before it. */
export function walkTrail(entries: readonly TrailEntry[], from = 1): Walked {
  const newest = new Map<string, { readonly seq: number; readonly hash: string }>()
  let previous = from === 1 ? '' : (readEntry(entries[0]?.bytes ?? '')?.previous ?? '')
  let last = ''
  for (const [i, row] of entries.entries()) {
    const entry = readEntry(row.bytes)
    const seq = from + i
    const fits = entry !== null && sha256(row.bytes) === row.hash && entry.previous === previous && entry.seq === seq && row.seq === seq
    if (!fits) return { brokenAt: row.seq, last, newest }
    for (const [name, hash] of Object.entries(entry.seals ?? {})) newest.set(name, { seq, hash })
    previous = last = row.hash
  }
  return { brokenAt: null, last, newest }
}
