import canonicalize from 'canonicalize'
import fc from 'fast-check'
import { createHash } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import { contentHash, sha256, walkTrail, type TrailEntry } from './trail'

/** A trail by Node's own SHA-256, as docs/security.md describes it. */
function trailOf(seals: readonly Readonly<Record<string, string>>[], from = 1): TrailEntry[] {
  let previous = from === 1 ? '' : 'f'.repeat(64)
  return seals.map((own, i) => {
    const bytes = canonicalize({ seq: from + i, previous, kind: 'grading.signed', at: '2026-04-14T09:00:00.000Z', seals: own })!
    previous = createHash('sha256').update(bytes).digest('hex')
    return { seq: from + i, bytes, hash: previous }
  })
}
const seals = fc.array(fc.dictionary(fc.constantFrom('grading:a', 'grading:b', 'finding:c'), fc.string({ maxLength: 8 })), {
  minLength: 1,
  maxLength: 12
})

describe('the trail', () => {
  it('hashes as FIPS 180-4 does: the digest of "abc"', () => {
    expect(sha256('abc')).toBe('ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad')
    expect(sha256(new TextEncoder().encode('abc'))).toBe(sha256('abc'))
  })

  it('hashes a content by its canonical form: names in any order, a date as its ISO text', () => {
    const at = new Date('2026-04-14T09:00:00.000Z')
    expect(contentHash({ b: 1, a: at })).toBe(contentHash({ a: at.toISOString(), b: 1 }))
    expect(contentHash({ b: 1 })).not.toBe(contentHash({ b: 2 }))
  })

  it('holds from any entry on, and knows the newest entry about each thing', () => {
    fc.assert(
      fc.property(seals, fc.integer({ min: 1, max: 50 }), (all, from) => {
        const { brokenAt, newest, last } = walkTrail(trailOf(all, from), from)
        expect(brokenAt).toBeNull()
        expect(last).toBe(trailOf(all, from).at(-1)!.hash)
        for (const [name, { seq, hash }] of newest) {
          expect(all[seq - from]![name]).toBe(hash)
          expect(all.slice(seq - from + 1).some((later) => name in later)).toBe(false)
        }
      })
    )
  })

  it('breaks at the entry that was changed, left out, doubled or put elsewhere', () => {
    fc.assert(
      fc.property(seals, fc.nat(), fc.constantFrom('change', 'leave', 'double', 'hash'), (all, pick, how) => {
        const entries = trailOf(all)
        const i = pick % entries.length
        const wrong = [...entries]
        if (how === 'change') wrong[i] = { ...entries[i]!, bytes: entries[i]!.bytes.replace('grading', 'Grading') }
        else if (how === 'hash') wrong[i] = { ...entries[i]!, hash: '0'.repeat(64) }
        else if (how === 'leave') wrong.splice(i, 1)
        else wrong.splice(i, 0, entries[i]!)
        // the last one left out is a shorter trail: the head tells, not the walk
        if (how === 'leave' && i === entries.length - 1) expect(walkTrail(wrong).last).not.toBe(entries.at(-1)!.hash)
        else expect(walkTrail(wrong).brokenAt).not.toBeNull()
      })
    )
  })

  it('answers what is no entry at all', () => {
    for (const bytes of ['', 'null', '[]', '{', '"text"'])
      expect(walkTrail([{ seq: 1, bytes, hash: sha256(bytes) }]).brokenAt, bytes).toBe(1)
  })
})
