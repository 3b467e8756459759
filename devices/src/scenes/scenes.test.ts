// Mends that are true never make an outline worse, on scenes that no part of the measuring code has met.
// The long run with its numbers: npm run scenes, docs/robustness-scenes.md.
import { describe, expect, it } from 'vitest'
import { findBoard, type PhotoPoint } from '@peen/core/measure'
import { harder, mendsOf, overlapWith, sceneOf, SHOWS, withBoard, type Harder, type MendRow } from '.'

const SEED = 4001
const SCENES = 12
/** Some pixels at the edge are no harm. */
const SAME = 0.002

describe('a scene', () => {
  it('is the same again from its seed, and shows a dog that is neither a speck nor the whole picture', () => {
    for (let seed = 1; seed <= 6; seed++) {
      const [one, again] = [sceneOf(seed, 160), sceneOf(seed, 160)]
      expect(one.rgba).toEqual(again.rgba)
      const dog = one.shows.filter((what) => what === SHOWS.dog).length / one.shows.length
      expect(dog).toBeGreaterThan(0.03)
      expect(dog).toBeLessThan(0.6)
    }
  })

  it('counts overlap as pixels that both cover over pixels that either covers', () => {
    const shows = new Uint8Array(100)
    for (let y = 2; y < 8; y++) for (let x = 2; x < 6; x++) shows[y * 10 + x] = SHOWS.dog
    const scene = { ...sceneOf(1, 160), width: 10, height: 10, shows }
    const box = (left: number, right: number): [number, number][] => [
      [left, 2],
      [right, 2],
      [right, 8],
      [left, 8]
    ]
    // 24 px of dog; a box two px aside shares half of it, and both together are 36
    expect(overlapWith(scene, box(2, 6))).toBe(1)
    expect(overlapWith(scene, box(4, 8))).toBeCloseTo(12 / 36, 9)
    expect(overlapWith(scene, [])).toBe(0)
  })
})

describe('a scene made harder', () => {
  it('is the same again from its seed, and each way of it comes up', async () => {
    const scenes: Harder[] = []
    for (let seed = 1; seed <= 10; seed++) scenes.push(await harder(sceneOf(seed, 160), seed))
    expect((await harder(sceneOf(3, 160), 3)).rgba).toEqual(scenes[2].rgba)
    for (const is of [({ leash }: Harder) => leash, ({ lens01 }: Harder) => lens01 < 0, ({ blurPx }: Harder) => blurPx > 0])
      expect(new Set(scenes.map(is)).size).toBe(2)
    expect(new Set(scenes.map(({ quality }) => quality))).toEqual(new Set([40, 88]))
  })

  it('keeps its middle where it was and draws its corners in, as a wide lens does', async () => {
    const plain = sceneOf(1, 160)
    // a cross of dog: what lies at the corner is seen nearer to the middle
    const shows = Uint8Array.from(plain.shows, (_, p) => (p % 160 === 80 || p % 160 === 8 ? SHOWS.dog : SHOWS.wall))
    const bent = (await Promise.all(Array.from({ length: 20 }, (_, i) => harder({ ...plain, shows }, i + 1)))).find(
      ({ lens01, leash }) => lens01 < 0 && !leash
    )!
    const row = (y: number) => [...bent.shows.slice(y * 160, (y + 1) * 160)].flatMap((what, x) => (what === SHOWS.dog ? [x] : []))
    const middle = bent.height / 2
    expect(row(middle)).toContain(80)
    // straight lines bow: at the upper border the left one lies farther in than at the middle's height
    expect(Math.min(...row(2))).toBeGreaterThan(Math.min(...row(middle)))
  })
})

describe('a true mend', () => {
  const rows: MendRow[] = []
  it.each(Array.from({ length: SCENES }, (_, k) => SEED + k))('never lowers the overlap: scene %i', (seed) => {
    const own = mendsOf(sceneOf(seed, 320), seed)
    rows.push(...own)
    for (const { kind, before, after } of own) expect(after, kind).toBeGreaterThanOrEqual(before - SAME)
  })

  it('and a finger where backdrop was taken for dog makes it better', () => {
    const wrong = rows.filter(({ kind }) => kind === 'touchWrong')
    expect(wrong.length).toBeGreaterThan(0)
    expect(wrong.reduce((sum, { before, after }) => sum + after - before, 0) / wrong.length).toBeGreaterThan(0.02)
  })
})

describe('the measuring board in a room', () => {
  const apart = (a: readonly PhotoPoint[], b: readonly PhotoPoint[]) =>
    Math.max(...a.map(([x, y], i) => Math.hypot(b[i]![0] - x, b[i]![1] - y)))
  it.each([60001, 60004])('scene %i: is found whole where it stands, and not where it does not', async (seed) => {
    const room = sceneOf(seed, 800)
    expect(findBoard(room)).toBeNull()
    const stood = await withBoard(room, seed)
    const found = findBoard(stood.scene)!
    expect(found).toMatchObject({ kind: stood.kind })
    expect(found.markers).toHaveLength(6)
    for (const { id, corners } of found.markers) expect(apart(corners, stood.cornersAt(id))).toBeLessThan(0.4)
    const taken = findBoard(await harder(stood.scene, seed))
    expect(taken?.markers.length ?? 0).toBeGreaterThanOrEqual(2)
  })
})
