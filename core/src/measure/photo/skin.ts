// A dog's own skin under its coat: what gauge readings say of an outline, so that the next outline says a length.
import type { RegionId } from '../../regions'
import type { Seen } from './frame'
import type { RegionDeparture } from './departure'

/** One region of one side at one visit: the outline over the drawn skin, and what the gauge read there, mm. */
export type SkinReading = {
  readonly region: RegionId
  readonly seen: Seen
  readonly overSkinMm: number
  readonly overSkinU: number
  readonly gaugeMm: number
  readonly gaugeU: number
}

/** How far the dog's own skin lies off the drawn one in a region, mm. */
export type SkinOffset = { readonly offMm: number; readonly uMm: number; readonly visits: number }

/** Which regions show their edge in which picture. What lies within the outline in both is told by the gauge alone. */
export const REGION_VIEWS: Readonly<Partial<Record<RegionId, readonly Seen[]>>> = {
  skull: ['head', 'left', 'right'],
  cheek: ['head'],
  beard: ['head', 'left', 'right'],
  muzzle: ['left', 'right'],
  throat: ['left', 'right'],
  neckTop: ['left', 'right'],
  back: ['left', 'right'],
  loin: ['left', 'right'],
  croup: ['left', 'right'],
  skirt: ['left', 'right'],
  chest: ['left', 'right'],
  foreleg: ['left', 'right'],
  thigh: ['left', 'right'],
  rearPastern: ['left', 'right'],
  tail: ['left', 'right'],
  underTail: ['left', 'right']
}

export const regionSeenIn = (region: RegionId, seen: Seen): boolean => REGION_VIEWS[region]?.includes(seen) ?? false

/** Under a coat that stands more or less upright, a millimetre of hair is not quite a millimetre of outline: relative u. Chosen. */
const LIE_U = 0.15

/**
 * The offset of a region from all visits at which it was both photographed and gauged: weighted by how sure each was.
 * One visit leaves that visit's u; more of them make it smaller.
 */
export function skinOffset(readings: readonly SkinReading[], region: RegionId, seen: Seen): SkinOffset | null {
  const own = readings.filter((reading) => reading.region === region && reading.seen === seen)
  if (own.length === 0) return null
  const terms = own.map((reading) => ({ off: reading.overSkinMm - reading.gaugeMm, w: 1 / (reading.overSkinU ** 2 + reading.gaugeU ** 2) }))
  const weight = terms.reduce((sum, { w }) => sum + w, 0)
  return { offMm: terms.reduce((sum, { off, w }) => sum + w * off, 0) / weight, uMm: Math.sqrt(1 / weight), visits: own.length }
}

export type CoatDepth = { readonly region: RegionId; readonly mm: number; readonly uMm: number; readonly visits: number }

/**
 * The length of a region's coat from its outline, where this dog was gauged there before; null where the region is not
 * seen from there or was never gauged: "cannot tell: use the gauge".
 * Source: common practice, no published source (a look tells the shape, the gauge the length); u by JCGM 100:2008, 5.1
 */
export function coatDepth(found: RegionDeparture, readings: readonly SkinReading[], seen: Seen): CoatDepth | null {
  if (!regionSeenIn(found.region, seen)) return null
  const skin = skinOffset(readings, found.region, seen)
  if (!skin) return null
  const mm = Math.max(0, found.overSkinMm - skin.offMm)
  const known = readings.filter(({ region, seen: from }) => region === found.region && from === seen).map(({ gaugeMm }) => gaugeMm)
  const away = Math.min(...known.map((gauge) => Math.abs(gauge - mm)))
  return { region: found.region, mm, uMm: Math.hypot(found.uMm, skin.uMm, LIE_U * away), visits: skin.visits }
}
