// The finder in its own process: a shape before a window and a shelf, nothing there, and a process that is killed.
import { overlap01, type PhotoPoint } from '@peen/core/measure'
import sharp from 'sharp'
import { afterAll, describe, expect, it } from 'vitest'
import { findByShape, stopFinder } from '.'

const [WIDTH, HEIGHT] = [1200, 900]
const DOG: readonly PhotoPoint[] = [[220, 240], [300, 200], [390, 230], [440, 330], [800, 340], [880, 260], [920, 280], [880, 420], [860, 790], [780, 790], [770, 560], [520, 560], [510, 790], [430, 790], [400, 480], [360, 340], [240, 330]] // prettier-ignore
const points = (ring: readonly PhotoPoint[]) => ring.map((point) => point.join(',')).join(' ')
/** A light dog on a dark table; behind it a wall with a bright window at one side and a shelf at the other, both touching it. */
const room = (dog: string) =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}"><rect width="1200" height="900" fill="#8a9ba3"/>
      <rect x="700" y="0" width="500" height="330" fill="#f4f7fb"/><rect x="0" y="190" width="330" height="40" fill="#7a5a3a"/>
      <rect y="760" width="1200" height="140" fill="#2c3034"/>${dog}</svg>`
    )
  )
    .jpeg({ quality: 85 })
    .toBuffer()
/** Where two touches would lay a plan: a little off, a little large, a little turned. */
const expected = DOG.map(([x, y]): PhotoPoint => {
  const [u, v] = [1.05 * (x - 600) + 0.05 * (y - 500), 1.05 * (y - 500) - 0.05 * (x - 600)]
  return [600 + u + 15, 500 + v - 12]
})
const PLENTY = { timeout: 120000 }
afterAll(stopFinder)

describe('the finder', PLENTY, () => {
  it('finds a dog before a window and a shelf where a plan is laid roughly over it', async () => {
    const ring = await findByShape(await room(`<polygon points="${points(DOG)}" fill="#d8cbb4"/>`), expected)
    expect(overlap01(expected, DOG)).toBeLessThan(0.85)
    expect(overlap01(ring!, DOG)).toBeGreaterThan(0.95)
  })

  it('answers several at once, each with its own, and null for a shape outside the picture', async () => {
    const picture = await room(`<polygon points="${points(DOG)}" fill="#d8cbb4"/>`)
    const far = expected.map(([x, y]): PhotoPoint => [x + 5000, y])
    const [one, none, two] = await Promise.all([expected, far, expected].map((ring) => findByShape(picture, ring)))
    expect(none).toBeNull()
    expect(one).toEqual(two)
  })

  it('says nothing of bytes that are no picture, and goes on', async () => {
    expect(await findByShape(Buffer.from('not a picture'), expected)).toBeNull()
  })

  it('that is killed on the way is said to be away, and the next question starts another', async () => {
    const picture = await room(`<polygon points="${points(DOG)}" fill="#d8cbb4"/>`)
    const asked = findByShape(picture, expected)
    const told = expect(asked).rejects.toThrow('the finder did not answer')
    // it has been started by the next turn
    await new Promise((done) => setTimeout(done, 20))
    stopFinder()
    await told
    expect(await findByShape(picture, expected)).not.toBeNull()
  })
})
