import { makeKey } from '@peen/credential'
import fc from 'fast-check'
import { zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { isSigned, pack, textOf, toBytes, unlisted, unpack, type Files } from './files'
import { Misshapen, readShaped } from './read'
import type { Manifest } from './shapes'

const TOLD = {
  school: 'Test school',
  number: '26-001',
  finding: '019864a5-2000-7636-8a8d-f4c60657f476',
  madeAt: '2026-04-14T09:00:00.000Z'
}
const filesOf = (zip: Uint8Array): Files => (unpack(zip) as { files: Files }).files
const manifestOf = (files: Files) => JSON.parse(textOf(files.get('manifest.json')!)) as Manifest

describe('a bundle', () => {
  it('comes back as it was packed, under a manifest that is signed and fits its schema', async () => {
    const files = new Map([
      ['marks.json', toBytes([])],
      ['pictures/a.jpg', new Uint8Array([255, 216, 1, 2])]
    ])
    const back = filesOf(await pack(files, TOLD, await makeKey()))
    expect([...back.keys()].sort()).toEqual(['manifest.json', 'marks.json', 'pictures/a.jpg'])
    for (const [path, bytes] of files) expect(back.get(path)).toEqual(bytes)
    expect(isSigned(manifestOf(back))).toBe(true)
    expect(readShaped(back, 'manifest.json')).toMatchObject(TOLD)
    expect(unlisted(back, manifestOf(back))).toEqual([])
  })

  it('names the file of which one bit differs, which is missing, or which the manifest does not list', async () => {
    const files = new Map(['a.json', 'b.json', 'c.json'].map((path, i) => [path, toBytes({ path, i })]))
    const back = filesOf(await pack(files, TOLD, await makeKey()))
    fc.assert(
      fc.property(fc.constantFrom(...files.keys()), fc.nat(), fc.integer({ min: 0, max: 7 }), (path, at, bit) => {
        const bytes = new Uint8Array(back.get(path)!)
        bytes[at % bytes.length]! ^= 1 << bit
        expect(unlisted(new Map([...back, [path, bytes]]), manifestOf(back))).toEqual([path])
      })
    )
    expect(unlisted(new Map([...back].filter(([path]) => path !== 'b.json')), manifestOf(back))).toEqual(['b.json'])
    expect(unlisted(new Map([...back, ['d.json', toBytes({})]]), manifestOf(back))).toEqual(['d.json'])
    expect(isSigned({ ...manifestOf(back), number: '26-002' })).toBe(false)
  })

  it('is not unpacked where it comes to more than it may, and is no ZIP where it is none', () => {
    const large = zipSync({ 'a.json': new Uint8Array(4000) })
    expect(unpack(large, 3999)).toEqual({ unreadable: 'tooLarge' })
    expect('files' in unpack(large, 4000)).toBe(true)
    for (const bytes of [new Uint8Array(), toBytes('no zip'), large.slice(0, 40)]) expect(unpack(bytes)).toEqual({ unreadable: 'noZip' })
  })

  it.each([
    ['is missing', null, 'marks.json'],
    ['is no JSON', '{', 'marks.json'],
    ['is of another shape', '{"a": 1}', 'marks.json'],
    ['has a mark in words', '[{"gradingId":"019864a5-2000-7636-8a8d-f4c60657f476"}]', 'marks.json/0']
  ])('says which file %s', (_, text, what) => {
    const files = new Map(text === null ? [] : [['marks.json', new TextEncoder().encode(text)]])
    expect(() => readShaped(files, 'marks.json')).toThrow(Misshapen)
    expect(() => readShaped(files, 'marks.json')).toThrow(what)
  })
})
