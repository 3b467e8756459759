// A coat as numbers: lengths, how the hair lies, what scissors shaped, how long ago, and what went wrong.
import { inRange } from '../../error'
import { HAIR_LENGTH_LIMITS_MM } from '../../units'
import { DRAWN_REGIONS, LIE_DEG, REGION_INDEX, SLOTS, type DrawnRegion, type Lengths } from './coat-map'
import type { Fault } from './faults'
import type { Shape } from './shapes'

export type Texture = 'straight' | 'silky' | 'wire' | 'curl'

/** A planned coat. */
export type Coat = {
  readonly lengths: Lengths
  readonly texture: Texture
  /** lie that differs from the usual, degrees from the skin's normal; `all` is a fluffed coat */
  readonly lies?: Readonly<Partial<Record<DrawnRegion | 'all', number>>>
  /** flow that differs from the usual, as directions (x to the rear, y up) */
  readonly flows?: Readonly<Partial<Record<DrawnRegion, readonly [number, number]>>>
  readonly shapes: readonly Shape[]
  /** hair hangs down on tail and ears by this share, 0..1 */
  readonly tailHang?: number
}

/** A coat as it is worn: lengths of either side (side B follows side A where it is not given), faults, and days since the trim. */
export type Worn = {
  readonly lengths: Lengths
  readonly lengthsB?: Lengths
  readonly shapes?: readonly Shape[]
  readonly faults?: readonly Fault[]
  readonly days?: number
  readonly mmPerDay?: number
  /** places whose hair is of several ages: each hair is drawn at its own length, under the length of the place as outline */
  readonly ages?: Aged
  readonly agesB?: Aged
}

/** Hair of one age at a place: its share, its length (mm, at most the place's own), and a colour (RGB 0..255) to tell it by. */
export type AgedHair = { readonly share01: number; readonly mm: number; readonly rgb?: readonly [number, number, number] }
export type Aged = Readonly<Partial<Record<DrawnRegion, readonly AgedHair[]>>>

/** Growth of hair to begin with, mm a day. Of the order reported for dogs; docs/method.md, Hair (from memory). */
export const USUAL_MM_PER_DAY = 0.3

/** Days after which a trim is no longer drawn from its own numbers. */
export const DAYS_LIMITS = Object.freeze({ low: 0, high: 120 })

/** Length (mm) and lie (radians from the normal) of every slot: side A, then side B. */
export type CoatTable = {
  readonly length: Float32Array
  readonly lie: Float32Array
  readonly sin: Float32Array
  readonly cos: Float32Array
  /** mm that grew since scissors and clipper went over it */
  readonly grownMm: number
  /** of the slots whose hair is of several ages; undefined where it is of one */
  readonly ages: readonly (AgedSlot | undefined)[]
}

/** Ages of a slot to draw lots from: shares summed up, lengths as a share of the slot's own. */
export type AgedSlot = { readonly upTo01: readonly number[]; readonly reach01: readonly number[]; readonly rgb: readonly AgedHair['rgb'][] }

const FALLBACK: Partial<Record<DrawnRegion, DrawnRegion>> = { tailBand: 'tail', earBase: 'earOutside' }

/** A region's length, mm; one without its own takes its neighbour's, then 5 mm. */
export function lengthOf(lengths: Lengths, region: DrawnRegion): number {
  const neighbour = FALLBACK[region]
  return lengths[region] ?? (neighbour ? lengths[neighbour] : undefined) ?? 5
}

/** The lie of a region in a coat, degrees from the normal. */
export function lieOf({ lies }: Coat, region: DrawnRegion): number {
  return lies?.[region] ?? lies?.all ?? LIE_DEG[region]
}

/** Both sides' lengths with what has grown, as a table. @throws CoreError for a length outside 0 to 300 mm or days outside 0 to 120 */
export function coatTable(coat: Coat, worn: Worn): CoatTable {
  const days = inRange('days', worn.days ?? 0, DAYS_LIMITS.low, DAYS_LIMITS.high, 'days')
  const grownMm = days * inRange('mmPerDay', worn.mmPerDay ?? USUAL_MM_PER_DAY, 0, 1, 'mm a day')
  const sides = [worn.lengths, worn.lengthsB ?? worn.lengths]
  sides.forEach((lengths, i) => checkLengths(lengths, i === 0 ? 'lengths' : 'lengthsB'))
  const length = new Float32Array(SLOTS)
  const lie = new Float32Array(SLOTS)
  sides.forEach((lengths, side) =>
    DRAWN_REGIONS.forEach((region, i) => {
      length[side * DRAWN_REGIONS.length + i] = lengthOf(lengths, region) + grownMm
      lie[side * DRAWN_REGIONS.length + i] = (lieOf(coat, region) * Math.PI) / 180
    })
  )
  for (const fault of worn.faults ?? []) {
    if (fault.kind !== 'difference') continue
    for (const region of fault.regions) {
      const slot = DRAWN_REGIONS.length + REGION_INDEX[region]
      length[slot] = Math.max(0, length[slot]! + fault.mm)
    }
  }
  const ages = [worn.ages, worn.agesB ?? worn.ages].flatMap((aged, side) =>
    DRAWN_REGIONS.map((region, i) => slotOf(aged?.[region], length[side * DRAWN_REGIONS.length + i]!))
  )
  return { length, lie, sin: lie.map(Math.sin), cos: lie.map(Math.cos), grownMm, ages }
}

function slotOf(aged: readonly AgedHair[] | undefined, lengthMm: number): AgedSlot | undefined {
  if (!aged || aged.length === 0) return undefined
  let sum = 0
  return {
    upTo01: aged.map(({ share01 }) => (sum += share01)),
    reach01: aged.map(({ mm }) => (lengthMm > 0 ? Math.min(1, mm / lengthMm) : 0)),
    rgb: aged.map(({ rgb }) => rgb)
  }
}

function checkLengths(lengths: Lengths, path: string): void {
  for (const [region, value] of Object.entries(lengths))
    inRange(`${path}.${region}`, value, HAIR_LENGTH_LIMITS_MM.low, HAIR_LENGTH_LIMITS_MM.high, 'mm')
}

/**
 * The same coat with its sides exchanged, for the profile from the dog's right: what was side B is near now. Left and
 * right that differ by a fault stay as they are on the dog.
 */
export function otherSide(worn: Worn): Worn {
  const right: Record<string, number> = { ...(worn.lengthsB ?? worn.lengths) }
  for (const fault of worn.faults ?? []) {
    if (fault.kind !== 'difference') continue
    for (const region of fault.regions) right[region] = Math.max(0, lengthOf(worn.lengthsB ?? worn.lengths, region) + fault.mm)
  }
  const faults = worn.faults?.filter(({ kind }) => kind !== 'difference')
  return { ...worn, lengths: right, lengthsB: worn.lengths, faults, ages: worn.agesB ?? worn.ages, agesB: worn.ages }
}

/** How far hair of a region stands off level skin, mm. */
export function standing(table: CoatTable, region: DrawnRegion, side: 'a' | 'b' = 'a'): number {
  const slot = REGION_INDEX[region] + (side === 'b' ? DRAWN_REGIONS.length : 0)
  return table.length[slot]! * table.cos[slot]!
}
