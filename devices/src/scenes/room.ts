// Walls and tables of real rooms, each as a colour at a place. Shares nothing with the camera's own room.
type Rgb = readonly [number, number, number]
type Draw = () => number
/** The colour at a place, 8-bit steps. */
export type Surface = (x: number, y: number) => Rgb

export const WALLS = ['plain', 'gradient', 'plaster', 'tiles', 'planks', 'window', 'shelf'] as const
export type WallKind = (typeof WALLS)[number]
export const TABLES = ['rubber', 'light', 'steel', 'asWall'] as const
export type TableKind = (typeof TABLES)[number]

const between = (random: Draw, low: number, high: number) => low + (high - low) * random()
export const pick = <T>(random: Draw, all: readonly T[]): T => all[Math.min(all.length - 1, Math.floor(random() * all.length))]!
const lit = ([r, g, b]: Rgb, by: number): Rgb => [r * by, g * by, b * by]

/** Smooth noise between -1 and 1 over squares of `cell` px: values at their corners, blended. */
export function cloud(seed: number, cell: number): (x: number, y: number) => number {
  const at = (i: number, j: number) => {
    let h = Math.imul(i, 374761393) ^ Math.imul(j, 668265263) ^ Math.imul(seed, 2246822519)
    h = Math.imul(h ^ (h >>> 13), 1274126177)
    return ((h ^ (h >>> 16)) >>> 0) / 2147483648 - 1
  }
  const ease = (t: number) => t * t * (3 - 2 * t)
  return (x, y) => {
    const [u, v] = [x / cell, y / cell]
    const [i, j] = [Math.floor(u), Math.floor(v)]
    const [p, q] = [ease(u - i), ease(v - j)]
    const [top, low] = [at(i, j) * (1 - p) + at(i + 1, j) * p, at(i, j + 1) * (1 - p) + at(i + 1, j + 1) * p]
    return top * (1 - q) + low * q
  }
}

const PAINTS: readonly Rgb[] = [
  [214, 219, 216],
  [150, 168, 176],
  [120, 148, 128],
  [226, 214, 190],
  [96, 110, 132],
  [180, 150, 140],
  [236, 236, 232]
]

export function wallSurface(random: Draw, kind: WallKind, width: number, height: number): Surface {
  const paint = pick(random, PAINTS)
  const seed = Math.floor(random() * 1e9)
  const [fall, turn] = [between(random, 0.05, 0.3), random() * 2 * Math.PI]
  const light = (x: number, y: number) =>
    1 - fall * (0.5 + 0.5 * (Math.cos(turn) * (x / width - 0.5) + Math.sin(turn) * (y / height - 0.5)) * 2)
  const plain: Surface = (x, y) => lit(paint, light(x, y))
  if (kind === 'plain') return () => paint
  if (kind === 'gradient') return plain
  if (kind === 'plaster') {
    const [coarse, fine] = [cloud(seed, between(random, 20, 60)), cloud(seed + 1, 4)]
    return (x, y) => lit(paint, light(x, y) * (1 + 0.05 * coarse(x, y) + 0.03 * fine(x, y)))
  }
  if (kind === 'tiles') {
    const [tile, grout] = [between(random, 40, 90), between(random, 0.75, 1.15)]
    const each = cloud(seed, 1)
    return (x, y) => {
      const isGrout = x % tile < 2.5 || y % tile < 2.5
      return lit(paint, light(x, y) * (isGrout ? grout : 1 + 0.03 * each(Math.floor(x / tile) * 7, Math.floor(y / tile) * 13)))
    }
  }
  if (kind === 'planks') {
    const [board, grain] = [between(random, 50, 110), cloud(seed, 9)]
    return (x, y) => lit(paint, light(x, y) * (x % board < 2 ? 0.7 : 1 + 0.06 * grain(x * 0.25, y * 0.03)))
  }
  const [left, top] = [width * between(random, 0, 0.75), height * between(random, 0, 0.15)]
  if (kind === 'window') {
    const [right, low] = [left + width * between(random, 0.12, 0.3), top + height * between(random, 0.15, 0.35)]
    const bar = (left + right) / 2
    return (x, y) => {
      if (x < left || x > right || y < top || y > low) return plain(x, y)
      const isFrame = x - left < 5 || right - x < 5 || y - top < 5 || low - y < 5 || Math.abs(x - bar) < 3
      return isFrame ? [244, 244, 240] : [222, 236, 250]
    }
  }
  const [shelfY, thick] = [height * between(random, 0.1, 0.3), between(random, 6, 12)]
  const boxes = Array.from({ length: 5 }, () => ({
    at: random() * width,
    wide: between(random, 14, 44),
    high: between(random, 16, 50),
    of: pick(random, PAINTS)
  }))
  return (x, y) => {
    if (y >= shelfY && y < shelfY + thick) return [128, 98, 70]
    const box = boxes.find(({ at, wide, high }) => x >= at && x < at + wide && y < shelfY && y > shelfY - high)
    return box ? lit(box.of, 0.7) : plain(x, y)
  }
}

export function tableSurface(random: Draw, kind: TableKind, wall: Surface, width: number): Surface {
  const seed = Math.floor(random() * 1e9)
  if (kind === 'rubber') {
    const grain = cloud(seed, 2)
    return (x, y) => lit([46, 48, 52], 1 + 0.12 * grain(x, y))
  }
  if (kind === 'light') {
    const grain = cloud(seed, 12)
    return (x, y) => lit([206, 190, 160], 1 + 0.05 * grain(x * 0.2, y))
  }
  if (kind === 'steel') {
    const [glare, fine] = [between(random, 0.2, 0.8) * width, cloud(seed, 3)]
    return (x, y) => lit([168, 172, 178], 0.85 + 0.35 * Math.exp(-(((x - glare) / (0.2 * width)) ** 2)) + 0.03 * fine(x * 0.1, y))
  }
  const by = between(random, 0.85, 1.1)
  return (x, y) => lit(wall(x, y), by)
}
