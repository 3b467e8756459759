import { expect, it } from 'vitest'
import { CALAMITIES, endure } from './testing/endure'

/** Six starts of the server beside the browser tests: minutes on a slow machine. */
const LONG_MS = 1800000

it(
  'a school whose server and database are killed while it works loses, doubles and half signs nothing',
  async () => {
    const { met, ...told } = await endure({ rounds: 10, seed: 20261128, say: () => undefined })
    for (const one of CALAMITIES) expect(met[one], one).toBeGreaterThan(0)
    expect(told).toEqual({
      ...{ rounds: 10, acknowledged: 240, lost: 0, doubled: 0, foreign: 0, refused: 0, signed: 5, halfSigned: 0 },
      ...{ trail: true, derived: 'same' }
    })
  },
  LONG_MS
)
