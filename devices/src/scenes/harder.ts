// The same scenes as a hurried hand photographs them: a leash in the picture, a wide lens close by, a little out of focus, squeezed for sending.
import sharp from 'sharp'
import { drawsFrom, SHOWS, type Scene } from './scene'

export type Harder = Scene & { readonly leash: boolean; readonly lens01: number; readonly blurPx: number; readonly quality: number }

const LEASHES = [
  [150, 30, 40],
  [28, 30, 34],
  [40, 70, 140]
] as const

/** A scene made harder; which of the four, and how much, follows from the seed. What a leash covers is neither dog nor backdrop. */
export async function harder(scene: Scene, seed: number): Promise<Harder> {
  const random = drawsFrom(seed * 104729 + 7)
  const leash = random() < 0.5
  const held = leash ? withLeash(scene, random) : scene
  // at the corner a straight line lies so far off, as a share of the half diagonal; under 0 is a barrel, as wide lenses have it
  const lens01 = random() < 0.6 ? -0.02 - 0.06 * random() : 0
  const bent = lens01 === 0 ? held : throughLens(held, lens01)
  const blurPx = random() < 0.5 ? 0.5 + 0.9 * random() : 0
  const quality = random() < 0.6 ? 40 : 88
  return { ...bent, rgba: await sent(bent, blurPx, quality), ...{ leash, lens01, blurPx, quality } }
}

/** A strap of some pixels from the dog's highest place to the picture's upper border. */
function withLeash(scene: Scene, random: () => number): Scene {
  const { width, height } = scene
  const [rgba, shows] = [Uint8ClampedArray.from(scene.rgba), Uint8Array.from(scene.shows)]
  const first = shows.indexOf(SHOWS.dog)
  const [x0, y0] = [first % width, Math.floor(first / width) + Math.round(height * 0.06)]
  const x1 = Math.min(width - 1, Math.max(0, x0 + width * (random() - 0.5) * 0.6))
  const half = width * (0.004 + 0.004 * random())
  const paint = LEASHES[Math.floor(random() * LEASHES.length)]!
  for (let y = 0; y < y0; y++) {
    const middle = x1 + ((x0 - x1) * y) / y0
    for (let x = Math.max(0, Math.floor(middle - half)); x <= Math.min(width - 1, middle + half); x++) {
      const p = y * width + x
      for (let c = 0; c < 3; c++) rgba[4 * p + c] = paint[c]!
      shows[p] = SHOWS.hand
    }
  }
  return { ...scene, rgba, shows }
}

/** Radial distortion of the first order about the middle, colours taken between pixels, what is shown from the nearest. Source: Brown 1966. */
function throughLens(scene: Scene, lens01: number): Scene {
  const { width, height } = scene
  const [cx, cy] = [width / 2, height / 2]
  const reach = Math.hypot(cx, cy)
  const [rgba, shows] = [new Uint8ClampedArray(scene.rgba.length), new Uint8Array(scene.shows.length)]
  const within = (value: number, most: number) => Math.min(most - 1, Math.max(0, value))
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [dx, dy] = [x - cx, y - cy]
      const by = 1 - lens01 * ((dx * dx + dy * dy) / reach ** 2 - 1)
      const [u, v] = [within(cx + dx * by, width), within(cy + dy * by, height)]
      const [i, j] = [Math.floor(u), Math.floor(v)]
      const [i1, j1] = [within(i + 1, width), within(j + 1, height)]
      const p = y * width + x
      shows[p] = scene.shows[within(Math.round(v), height) * width + within(Math.round(u), width)]!
      for (let c = 0; c < 4; c++) {
        const at = (a: number, b: number) => scene.rgba[4 * (b * width + a) + c]!
        const [top, low] = [at(i, j) * (1 - u + i) + at(i1, j) * (u - i), at(i, j1) * (1 - u + i) + at(i1, j1) * (u - i)]
        rgba[4 * p + c] = top * (1 - v + j) + low * (v - j)
      }
    }
  return { ...scene, rgba, shows }
}

async function sent({ width, height, rgba }: Scene, blurPx: number, quality: number): Promise<Uint8ClampedArray> {
  const raw = sharp(Buffer.from(rgba.buffer, rgba.byteOffset, rgba.byteLength), { raw: { width, height, channels: 4 } })
  const jpeg = await (blurPx > 0 ? raw.blur(blurPx) : raw).removeAlpha().jpeg({ quality }).toBuffer()
  return new Uint8ClampedArray(await sharp(jpeg).ensureAlpha().raw().toBuffer())
}
