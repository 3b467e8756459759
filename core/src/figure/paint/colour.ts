// Colours of a coat: a ramp of five tones for every region, and a second ramp laid over it in a pattern.
import { randomFrom } from '../../stats'
import { DRAWN_REGIONS, type DrawnRegion } from '../coat'
import { smoothstep, type Point } from '../vec'

export type Rgb = readonly [number, number, number]
export const TONES = 5

/** Patches of a second colour; `share` 0..1 of the coat they cover, `sizeMm` across. */
export type Pattern = {
  readonly kind: 'patches' | 'flecks'
  readonly ramp: string
  readonly share: number
  readonly sizeMm: number
  readonly seed: number
  /** regions the pattern leaves in their own colour */
  readonly spares?: readonly DrawnRegion[]
}

/** Ramps are five colours dark to light as #rrggbb; `marks` colours regions apart from the base. */
export type Colouring = {
  readonly ramps: Readonly<Record<string, readonly string[]>>
  readonly base: string
  readonly marks: Readonly<Partial<Record<string, string>>>
  readonly pattern?: Pattern
}

export type Ramp = readonly Rgb[]

export type Palette = {
  readonly ramps: Readonly<Record<DrawnRegion, Ramp>>
  /** regions x tones x RGB */
  readonly flat: Float32Array
  readonly pattern: { readonly flat: Float32Array; readonly shareAt: (p: Point) => number; readonly spared: ReadonlySet<number> } | null
}

const rgb = (hex: string) => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)) as unknown as Rgb

export function paletteOf({ ramps, base, marks, pattern }: Colouring): Palette {
  const rampOf = (name: string): Ramp => (ramps[name] ?? ramps[base]!).map(rgb)
  const byRegion = Object.fromEntries(DRAWN_REGIONS.map((region) => [region, rampOf(marks[region] ?? base)])) as Record<DrawnRegion, Ramp>
  return {
    ramps: byRegion,
    flat: Float32Array.from(DRAWN_REGIONS.flatMap((region) => byRegion[region].flatMap((tone) => [...tone]))),
    pattern: pattern
      ? {
          flat: Float32Array.from(rampOf(pattern.ramp).flatMap((tone) => [...tone])),
          shareAt: patternAt(pattern),
          spared: new Set((pattern.spares ?? []).map((region) => DRAWN_REGIONS.indexOf(region)))
        }
      : null
  }
}

/** The palest tones of a colour stand in for skin where nothing grows; the darkest for a shadow. */
export function toneOf(ramp: Ramp, t: number): Rgb {
  const at = Math.max(0, Math.min(1, t)) * 3.999
  const i = Math.floor(at)
  const [a, b] = [ramp[i], ramp[i + 1]]
  const part = at - i
  return [a![0] + (b![0] - a![0]) * part, a![1] + (b![1] - a![1]) * part, a![2] + (b![2] - a![2]) * part]
}

const LATTICE = 64

// Value noise on a lattice, two octaves: patches with ragged edges, the same for the same seed.
function patternAt({ kind, share, sizeMm, seed }: Pattern): (p: Point) => number {
  const random = randomFrom(seed)
  const values = Float32Array.from({ length: LATTICE * LATTICE }, () => random())
  const noise = (x: number, y: number) => {
    const [i, j] = [Math.floor(x), Math.floor(y)]
    const [fx, fy] = [smoothstep(0, 1, x - i), smoothstep(0, 1, y - j)]
    const at = (a: number, b: number) => values[(b & (LATTICE - 1)) * LATTICE + (a & (LATTICE - 1))]!
    return (at(i, j) * (1 - fx) + at(i + 1, j) * fx) * (1 - fy) + (at(i, j + 1) * (1 - fx) + at(i + 1, j + 1) * fx) * fy
  }
  const [edge, most] = kind === 'patches' ? [0.05, 1] : [0.32, 0.72]
  return ([x, y]) => {
    const value = 0.72 * noise(x / sizeMm + 17, y / sizeMm + 31) + 0.28 * noise((3.1 * x) / sizeMm, (3.1 * y) / sizeMm)
    return most * smoothstep(1 - share - edge, 1 - share + edge, 0.5 + (value - 0.5) * 1.55)
  }
}
