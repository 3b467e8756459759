import type { BackupsView, BackupView } from '@peen/contract'
import { describe, expect, it } from 'vitest'
import { isProven, sayProof, saySize, sayState } from './backup-words'

const proof = { provenAt: '2026-11-29T02:11:00Z', visits: 347, events: 17615, gradings: 60, trail: true, derived: 'same' as const }
const one: BackupView = { at: '2026-11-29T02:10:00Z', why: 'daily', file: 'peen.tar', bytes: 5300000, proof }
const view: BackupsView = {
  ...{ isKept: true, isNightly: true, folder: '/srv', second: null, hasPassphrase: true, underWay: null, failure: null },
  backups: [one]
}
const now = new Date('2026-11-29T10:00:00Z')

describe('what a backup came to', () => {
  it('is proven only when the trail is whole and the charts are not otherwise', () => {
    expect(isProven(one)).toBe(true)
    expect(isProven({ ...one, proof: { ...proof, derived: 'older' } })).toBe(true)
    for (const bad of [null, { ...proof, trail: false }, { ...proof, derived: 'other' as const }])
      expect(isProven({ ...one, proof: bad })).toBe(false)
  })

  it('is said in one sentence', () => {
    expect(sayProof(one)).toBe('Proven: test-restored with 347 visits, audit trail intact, every chart the same.')
    expect(sayProof({ ...one, proof: { ...proof, visits: 1, trail: false } })).toBe(
      'Not proven: test-restored with 1 visit, but its audit trail does not match, every chart the same.'
    )
    expect(sayProof({ ...one, proof: null })).toMatch(/^Not proven/)
    expect(saySize(5300000)).toBe('5.1 MB')
    expect(saySize(310 * 1024 ** 2)).toBe('310 MB')
  })

  it('heads the screen: the last proven one, none, or one that is old', () => {
    expect(sayState(view, 'Sun 29 November, 02:10', now)).toEqual({ says: 'Backed up and proven on Sun 29 November, 02:10.', isBad: false })
    expect(sayState({ ...view, backups: [] }, null, now)).toEqual({ says: 'There is no backup yet.', isBad: true })
    expect(sayState({ ...view, backups: [{ ...one, proof: null }] }, null, now).isBad).toBe(true)
    expect(sayState(view, '24 November', new Date('2026-12-04T10:00:00Z')).says).toContain('is old: 24 November')
    expect(sayState({ ...view, isKept: false }, null, now).isBad).toBe(false)
  })
})
