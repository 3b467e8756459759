// What colours the backdrop has: wall and table, each lighter and darker as the light falls on it.
import { CoreError } from '../../error'
import type { Picture } from './picture'

/** A stretch of the picture that shows nothing but the backdrop, px. */
export type Patch = { readonly x: number; readonly y: number; readonly width: number; readonly height: number }

/** From where the dog is seen: a head runs out of the picture below, a whole dog stands on a table. */
export type Framing = 'head' | 'body'

/** One colour of the backdrop with the light it was seen in. */
type Shade = {
  readonly rgb: readonly [number, number, number]
  /** spread of its pixels beyond light and shadow, 8-bit steps */
  readonly spread: number
  readonly darkest: number
  readonly lightest: number
}

/** What is left of a camera's grain in a picture made small is not told apart, 8-bit steps. Chosen on drawn pictures. */
const GRAIN = 1.5
/** A shadow on the wall is no darker than this share of it, and light no brighter. Chosen. */
const SHADE_LIMITS = Object.freeze({ darkest: 0.42, lightest: 1.3 })
/** Colours whose directions differ by less than this are one wall in other light. Chosen: radians. */
const SAME_COLOUR = 0.06
const MOST_SHADES = 5
/** A colour of under this share of the border is a corner of something, not the backdrop. Chosen. */
const LEAST_SHARE = 0.06

/**
 * How far each pixel's colour lies from what the backdrop can look like, in its own spreads: a shadow of the wall is
 * still the wall.
 * @param patches places that show backdrop alone, touched by somebody; the picture's upper border and sides count as well,
 * and for a whole dog the table below it
 * @throws CoreError `noBackdrop` for patches outside the picture
 */
export function awayFromBackdrop(picture: Picture, framing: Framing, patches: readonly Patch[] = []): Float32Array {
  const touched = patches.length > 0 ? shadesOf(picture, patches, 0) : []
  if (patches.length > 0 && touched.length === 0)
    throw new CoreError({ code: 'noBackdrop', path: 'backdrop', got: 'a place outside the picture', limit: 'a place of the backdrop' })
  const isTouched = (shade: Shade) => touched.some((own) => angle(shade.rgb, own.rgb) < 2 * SAME_COLOUR)
  // what somebody has touched is meant as it was seen there; the rest of the border still counts where it is another colour
  const walls = shadesOf(picture, wallOf(picture, framing), LEAST_SHARE, 2)
  const away = new Float32Array(picture.width * picture.height).fill(1e6)
  nearer(away, picture, [...touched.map(asTouched), ...walls.filter((shade) => !isTouched(shade)).map(inUsualLight)])
  if (framing === 'body') underTheDog(away, picture, walls)
  return away
}

/** Touched by a finger, a colour is not allowed more light and shadow than it showed there, and a little. */
const asTouched = (shade: Shade): Shade => ({ ...shade, darkest: shade.darkest - 0.05, lightest: shade.lightest + 0.025 })
/** At the border a colour shows only some of the light and shadow that it has elsewhere. */
const inUsualLight = (shade: Shade): Shade => ({
  ...shade,
  darkest: Math.min(shade.darkest, SHADE_LIMITS.darkest),
  lightest: Math.max(shade.lightest, SHADE_LIMITS.lightest)
})

const onTheTable = (shade: Shade): Shade => ({ ...shade, darkest: shade.darkest * 0.6, lightest: shade.lightest * 1.1 })

/**
 * The table is what has the lower border's colours and hangs together with it; its far edge is read beside the dog, and
 * above it no colour of the table counts: a grey dog on a grey table is grey all over.
 */
function underTheDog(away: Float32Array, picture: Picture, walls: readonly Shade[]): void {
  const { width, height } = picture
  const isWall = (shade: Shade) =>
    walls.some((wall) => angle(shade.rgb, wall.rgb) < 2 * SAME_COLOUR && lightAgainst(shade.rgb, wall.rgb) > SAME_WALL_LIGHT)
  const below = shadesOf(picture, tableOf(picture), LEAST_SHARE).filter((shade) => !isWall(shade))
  const own = new Float32Array(width * height).fill(1e6)
  nearer(own, picture, below.map(onTheTable))
  const top = farEdge(own, width, height)
  for (let i = top * width; i < own.length; i++) if (own[i]! < away[i]!) away[i] = own[i]!
}

/** How many spreads still count as the table while its edge is looked for. Chosen. */
const TABLE_SPREADS = 5
/** The edge is read in this share of the columns at either side, where the dog is not. */
const BESIDE = 0.22

function farEdge(own: Float32Array, width: number, height: number): number {
  const reach = Math.round(width * BESIDE)
  const topAt = (x: number): number => {
    let [y, gap] = [height - 1, 0]
    for (let row = height - 1; row >= 0 && gap < 3; row--) {
      if (own[row * width + x]! <= TABLE_SPREADS) [y, gap] = [row, 0]
      else gap++
    }
    return y
  }
  const topOf = (from: number) => {
    const tops = Array.from({ length: reach }, (_, k) => topAt(from + k)).sort((a, b) => a - b)
    return tops[Math.floor(reach * 0.12)]!
  }
  // a dark shadow on the wall, or a tail, may stand at one side: the lower of both is the table's
  const top = Math.max(topOf(0), topOf(width - reach))
  // the edge itself is a row or two of neither colour
  return Math.max(0, top - 2 - Math.round(height / 300))
}

/** What is darker than this share of the wall at the border is another thing of its colour. Chosen. */
const SAME_WALL_LIGHT = 0.65
const lightAgainst = ([r, g, b]: readonly number[], [wr, wg, wb]: readonly number[]) =>
  (r! * wr! + g! * wg! + b! * wb!) / (wr! * wr! + wg! * wg! + wb! * wb! || 1)

/** The lower border, and both lower corners, where a table shows its front edge. */
function tableOf({ width, height }: Picture): Patch[] {
  const rim = Math.max(2, Math.round(Math.min(width, height) * 0.02))
  const corner = { y: Math.round(height * 0.86), width: Math.round(width * 0.15), height: Math.round(height * 0.14) }
  return [
    { x: 0, y: height - rim, width, height: rim },
    { x: 0, ...corner },
    { x: width - corner.width, ...corner }
  ]
}

/** Along the lower border as well where it has a corner's colour: radians. Chosen: steel in other light has it, a leg that runs out seldom. */
const SAME_TABLE = 0.07

/** Places of the table at both lower corners, and between them where the same table shows; each so small that light hardly changes in it. */
export function besideTheFeet({ width, height, rgba }: Picture): Patch[] {
  const [wide, high] = [Math.round(width * 0.05), Math.round(height * 0.04)]
  const at = (share: number): Patch => ({ x: Math.round(width * share), y: height - high, width: wide, height: high })
  const meanOf = ({ x, y }: Patch) => {
    const sum = [0, 0, 0]
    for (let j = y; j < y + high; j++)
      for (let i = x; i < x + wide; i++) for (let c = 0; c < 3; c++) sum[c]! += rgba[(j * width + i) * 4 + c]!
    return sum
  }
  const corners = [0.01, 0.07, 0.13, 0.82, 0.88, 0.94].map(at)
  const means = corners.map(meanOf)
  const between = Array.from({ length: 15 }, (_, i) => at(0.17 + i * 0.045))
  return [...corners, ...between.filter((patch) => means.some((own) => angle(own, meanOf(patch)) < SAME_TABLE))]
}

export function wallOf({ width, height }: Picture, framing: Framing): Patch[] {
  const rim = Math.max(2, Math.round(Math.min(width, height) * 0.02))
  const sides = Math.round(height * (framing === 'head' ? 0.6 : 0.5))
  return [
    { x: 0, y: 0, width, height: rim },
    { x: 0, y: 0, width: rim, height: sides },
    { x: width - rim, y: 0, width: rim, height: sides }
  ]
}

/** Colours of places, gathered by direction (the same paint in more or less light is one colour), the most frequent first. */
function shadesOf({ width, height, rgba }: Picture, patches: readonly Patch[], leastShare: number, leastPatches = 1): Shade[] {
  const groups: { sum: [number, number, number]; n: number; pixels: number[]; readonly in: Map<number, number> }[] = []
  const counts = patches.map(() => 0)
  patches.forEach((patch, p) => {
    const step = Math.max(1, Math.floor(Math.sqrt((patch.width * patch.height) / 6000)))
    for (let y = Math.max(0, patch.y); y < Math.min(height, patch.y + patch.height); y += step)
      for (let x = Math.max(0, patch.x); x < Math.min(width, patch.x + patch.width); x += step) {
        const i = (Math.floor(y) * width + Math.floor(x)) * 4
        const rgb = [rgba[i]!, rgba[i + 1]!, rgba[i + 2]!] as const
        counts[p]!++
        let group = groups.find(({ sum, n }) => isAlike([sum[0] / n, sum[1] / n, sum[2] / n], rgb))
        if (!group) {
          if (groups.length >= MOST_GROUPS) continue
          groups.push((group = { sum: [0, 0, 0], n: 0, pixels: [], in: new Map() }))
        }
        for (let c = 0; c < 3; c++) group.sum[c]! += rgb[c]!
        group.n++
        group.in.set(p, (group.in.get(p) ?? 0) + 1)
        group.pixels.push(i)
      }
  })
  const all = counts.reduce((sum, n) => sum + n, 0)
  // what comes in at one side alone is a dog that is cut off there, or a post: the wall is seen at more than one
  const isSeen = (own: ReadonlyMap<number, number>) => [...own].filter(([p, n]) => n > leastShare * counts[p]!).length >= leastPatches
  return groups
    .filter((group) => group.n > leastShare * all && isSeen(group.in))
    .sort((a, b) => b.n - a.n)
    .slice(0, MOST_SHADES)
    .map(({ sum, n, pixels }) => shadeFrom(rgba, [sum[0] / n, sum[1] / n, sum[2] / n], pixels))
}

const MOST_GROUPS = 64
/** Within one group light may differ by this much either way: a table is not its wall in the dark. Chosen. */
const SAME_LIGHT = 0.28
const isAlike = (mean: readonly [number, number, number], rgb: readonly [number, number, number]) =>
  angle(mean, rgb) < tolerance(rgb) && Math.abs(lightAgainst(rgb, mean) - 1) < SAME_LIGHT
/** Dark colours have no sure direction: grain turns them. */
const tolerance = (rgb: readonly number[]) => SAME_COLOUR + (2.5 * GRAIN) / Math.max(12, Math.hypot(...rgb))

function shadeFrom(rgba: Picture['rgba'], rgb: readonly [number, number, number], pixels: readonly number[]): Shade {
  const lights = pixels.map((i) => lightOf(rgba, i, rgb)).sort((a, b) => a - b)
  const off = pixels.reduce((sum, i) => sum + offSquared(rgba, i, rgb, lightOf(rgba, i, rgb)), 0) / pixels.length
  const [low, high] = [lights[Math.floor(lights.length * 0.02)], lights[Math.ceil(lights.length * 0.98) - 1]]
  return { rgb, spread: Math.max(GRAIN, Math.sqrt(off)), darkest: low!, lightest: high! }
}

const lightOf = (rgba: Picture['rgba'], i: number, [r, g, b]: readonly number[]) =>
  (rgba[i]! * r! + rgba[i + 1]! * g! + rgba[i + 2]! * b!) / (r! * r! + g! * g! + b! * b! || 1)
const offSquared = (rgba: Picture['rgba'], i: number, [r, g, b]: readonly number[], light: number) =>
  (rgba[i]! - r! * light) ** 2 + (rgba[i + 1]! - g! * light) ** 2 + (rgba[i + 2]! - b! * light) ** 2

function angle(a: readonly number[], b: readonly number[]): number {
  const dot = a[0]! * b[0]! + a[1]! * b[1]! + a[2]! * b[2]!
  const size = Math.hypot(a[0]!, a[1]!, a[2]!) * Math.hypot(b[0]!, b[1]!, b[2]!)
  return size === 0 ? 0 : Math.acos(Math.min(1, dot / size))
}

/** Brings each pixel's distance down to that from the nearest of some shades. */
function nearer(away: Float32Array, { rgba }: Picture, shades: readonly Shade[]): void {
  for (const { rgb, spread, darkest, lightest } of shades)
    for (let p = 0, i = 0; p < away.length; p++, i += 4) {
      const light = Math.min(lightest, Math.max(darkest, lightOf(rgba, i, rgb)))
      const off = Math.sqrt(offSquared(rgba, i, rgb, light)) / spread
      if (off < away[p]!) away[p] = off
    }
}
