import { describe, expect, it } from 'vitest'
import { judged, type MachineFacts } from './doctor.mjs'

const GB = 1024 ** 3
const now = new Date('2026-11-29T10:00:00Z')
const facts: MachineFacts = {
  ...{ node: '20.19.0', packages: true, mariadb: '10.11.6-MariaDB', runs: true, freeBytes: 40 * GB, disk: '/srv/peen', now, newest: now },
  ports: [{ port: 4760, what: 'the web application', taken: true }],
  ...{ room: true, leafEnds: new Date('2027-12-01T00:00:00Z') },
  backup: { at: new Date('2026-11-29T02:10:00Z'), isProven: true, hasPassphrase: true }
}
const said = (more: Partial<MachineFacts>, how: 'well' | 'care' | 'bad') =>
  judged({ ...facts, ...more })
    .filter((one) => one.how === how)
    .map(({ says }) => says)
    .join('\n')

describe('the doctor', () => {
  it('finds a healthy machine well', () => {
    expect(said({}, 'bad')).toBe('')
    expect(said({}, 'care')).toBe('')
    expect(said({}, 'well')).toMatch(/last backup is of 2026-11-29, proven/)
    expect(said({}, 'well')).toMatch(/ends on 2027-12-01, in 366 days/)
  })

  it.each<[string, Partial<MachineFacts>, RegExp]>([
    ['an old Node.js', { node: '20.18.3' }, /20\.18\.3 is too old/],
    ['a port of another program', { runs: false }, /Port 4760 .* is taken by another program/],
    [
      'a starter whose server is gone',
      { ports: [{ port: 4760, what: 'the web application', taken: false }] },
      /nothing listens on port 4760/
    ],
    ['a full disk', { freeBytes: GB / 2 }, /0\.5 GB free.*full disk/],
    ['a clock that was set back', { newest: new Date('2026-12-24T00:00:00Z') }, /files of 2026-12-24 are here/],
    ['a certificate that has ended', { leafEnds: new Date('2026-11-01T00:00:00Z') }, /tablets are turned away/],
    ['a certificate that cannot be read', { leafEnds: null }, /cannot be read/],
    ['a backup that was not proven', { backup: { at: now, isProven: false, hasPassphrase: true } }, /was not proven/],
    ['a backup of last week', { backup: { at: new Date('2026-11-20T02:00:00Z'), isProven: true, hasPassphrase: true } }, /9 days ago/]
  ])('names %s', (_, more, says) => expect(said(more, 'bad')).toMatch(says))

  it('is careful about what npm start puts right by itself', () => {
    expect(said({ mariadb: null, packages: false, freeBytes: 3 * GB }, 'care').split('\n')).toHaveLength(3)
    expect(said({ mariadb: null, packages: false, freeBytes: 3 * GB }, 'bad')).toBe('')
    expect(said({ leafEnds: new Date('2026-12-05T00:00:00Z') }, 'care')).toMatch(/in 5 days/)
    expect(said({ backup: null }, 'care')).toMatch(/no backup of a school yet/)
    expect(said({ backup: { at: now, isProven: true, hasPassphrase: false } }, 'care')).toMatch(/only on this computer/)
  })
})
