// A photograph of a dog in an ordinary room, drawn with known truth, by code that the camera knows nothing of.
import { facing, outside, standing } from './animal'
import { cloud, pick, tableSurface, TABLES, WALLS, wallSurface, type TableKind, type WallKind } from './room'

export type Scene = {
  readonly width: number
  readonly height: number
  readonly rgba: Uint8ClampedArray
  /** what each pixel shows */
  readonly shows: Uint8Array
  readonly framing: 'head' | 'body'
  readonly wall: WallKind
  readonly table: TableKind | null
  readonly coat: string
}
/** What a pixel may show. */
export const SHOWS = Object.freeze({ wall: 0, dog: 1, table: 2, hand: 3 })

type Rgb = readonly [number, number, number]
const COATS: Readonly<Record<string, Rgb>> = {
  white: [232, 230, 224],
  cream: [222, 204, 168],
  apricot: [190, 140, 90],
  grey: [120, 122, 126],
  brown: [92, 66, 48],
  black: [38, 36, 38]
}

/** Numbers between 0 and 1 from a seed (mulberry32). */
export function drawsFrom(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), state | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/** Scene number `seed`, `width` px wide and three quarters as high. */
export function sceneOf(seed: number, width = 480): Scene {
  const random = drawsFrom(seed * 7919 + 13)
  const height = Math.round(width * 0.75)
  const framing = random() < 0.7 ? ('body' as const) : ('head' as const)
  const wall = pick(random, WALLS)
  const wallAt = wallSurface(random, wall, width, height)
  const table = framing === 'body' ? pick(random, TABLES) : null
  const edgeY = height * (0.72 + 0.1 * random())
  const tableAt = table ? tableSurface(random, table, wallAt, width) : null
  const size = height * (framing === 'body' ? 0.34 + 0.14 * random() : 0.2 + 0.06 * random())
  const cx = width * (0.42 + 0.16 * random())
  const floorY = edgeY + height * (0.03 + 0.08 * random())
  const animal = framing === 'body' ? standing(random, [cx, floorY], size) : facing(random, [cx, height * 0.45], size, height)
  const coat = pick(random, Object.keys(COATS))
  const second = random() < 0.25 ? COATS[pick(random, Object.keys(COATS))]! : null
  const [fluff, hair, patch, grain] = [cloud(seed, 5), cloud(seed + 1, 2.5), cloud(seed + 2, size * 0.5), drawsFrom(seed + 77)]
  const fluffPx = size * 0.02 * random()
  const shadow = random() < 0.6 ? { dx: size * (0.1 + 0.2 * random()), dy: size * 0.1 * random(), deep: 0.12 + 0.25 * random() } : null
  const warm = random() < 0.3 ? 0.08 + 0.1 * random() : 0
  const noise = 1 + 3 * random()
  const hand = random() < 0.15 ? { x: cx + size * (random() - 0.5), y: floorY - size * (0.9 + 0.3 * random()), r: size * 0.12 } : null
  const rgba = new Uint8ClampedArray(width * height * 4)
  const shows = new Uint8Array(width * height)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const p = y * width + x
      const isTable = tableAt !== null && y >= edgeY
      let rgb: Rgb = isTable ? tableAt(x, y) : wallAt(x, y)
      shows[p] = isTable ? SHOWS.table : SHOWS.wall
      if (shadow) {
        const off = outside(animal, x - shadow.dx, y - shadow.dy)
        const dark = 1 - shadow.deep * Math.min(1, Math.max(0, 0.5 - off / (size * 0.12)))
        rgb = [rgb[0] * dark, rgb[1] * dark, rgb[2] * dark]
      }
      const off = outside(animal, x, y) + fluffPx * (fluff(x, y) + 0.6 * hair(x, y))
      const cover = Math.min(1, Math.max(0, 0.5 - off))
      if (cover > 0) {
        const own = second && patch(x, y) > 0.25 ? second : COATS[coat]!
        const shade = 0.78 + 0.22 * Math.min(1, -off / (size * 0.08)) + 0.08 * hair(x, y)
        rgb = [0, 1, 2].map((c) => rgb[c]! * (1 - cover) + own[c]! * shade * cover) as unknown as Rgb
        if (cover >= 0.5) shows[p] = SHOWS.dog
      }
      if (hand && Math.hypot(x - hand.x, y - hand.y) < hand.r) {
        rgb = [214, 160, 132]
        shows[p] = SHOWS.hand
      }
      const lit = [rgb[0] * (1 + warm), rgb[1], rgb[2] * (1 - warm)]
      for (let c = 0; c < 3; c++) rgba[p * 4 + c] = lit[c]! + noise * (grain() + grain() + grain() - 1.5) * 2
      rgba[p * 4 + 3] = 255
    }
  return { width, height, rgba, shows, framing, wall, table, coat }
}
