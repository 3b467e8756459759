import { expect, it } from 'vitest'
import { ALONE, endure } from './testing/endure'

/** Starts of the server beside the browser tests: minutes on a slow machine. */
const LONG_MS = 1800000

it(
  'a school that is struck while it works loses, doubles and half signs nothing',
  async () => {
    const { met, left, turned, ...told } = await endure({ rounds: 10, seed: 20261128, say: () => undefined })
    // a computer may let no one mount a small disk, and says so
    for (const one of ALONE) expect(left[one] ?? met[one], one).not.toBe(0)
    expect(turned.away).toBeGreaterThan(0)
    if (left.diskFull === undefined) expect(turned.full).toBeGreaterThan(0)
    expect(told).toMatchObject({ rounds: 10, acknowledged: 240, lost: 0, doubled: 0, doubleBooked: 0, foreign: 0, refused: [] })
    expect(told.booked).toBeGreaterThan(0)
    expect(told).toMatchObject({ signed: 5, issued: 5, halfSigned: 0, trail: true, derived: 'same' })
  },
  LONG_MS
)
