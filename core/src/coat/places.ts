// Where a coat is kept book of: the regions, and the strips along the border between what is clipped and what is stripped.
import { regionName, regionOf, REGION_IDS, type RegionId } from '../regions'

/**
 * Transition zones: 25 mm along the border with the stripped coat. Common practice, no published source. `clipped` is where the
 * blade works, `beside` the stripped coat it borders on, where it is shown on the dog.
 */
export const STRIPS = Object.freeze([
  { id: 'stripRidge', name: 'Strip before the ear', clipped: 'cheek', beside: 'neckSide', paired: true },
  { id: 'stripThroat', name: 'Strip along the throat', clipped: 'throat', beside: 'neckSide', paired: true },
  { id: 'stripEar', name: 'Strip around the ear', clipped: 'earBase', beside: 'neckTop', paired: true },
  { id: 'stripThigh', name: 'Strip behind the thigh', clipped: 'underTail', beside: 'thigh', paired: true },
  { id: 'stripTail', name: 'Strip along the tail', clipped: 'underTail', beside: 'tail', paired: false }
] as const satisfies readonly {
  readonly id: string
  readonly name: string
  readonly clipped: RegionId
  readonly beside: RegionId
  readonly paired: boolean
}[])

/** Width of a strip, mm: about one inch. Common practice, no published source. */
export const STRIP_MM = 25

export type StripId = (typeof STRIPS)[number]['id']
export type CoatPlace = RegionId | StripId
export const PLACE_IDS: readonly CoatPlace[] = [...REGION_IDS, ...STRIPS.map(({ id }) => id)]

/** The dog's own side; `middle` for what has one side only. */
export type PatchSide = 'left' | 'right' | 'middle'

export function stripOf(place: CoatPlace): (typeof STRIPS)[number] | undefined {
  return STRIPS.find(({ id }) => id === place)
}

export function placeName(place: CoatPlace): string {
  return stripOf(place)?.name ?? regionName(place as RegionId)
}

export function isPaired(place: CoatPlace): boolean {
  return stripOf(place)?.paired ?? regionOf(place as RegionId).paired
}

/** The region at which a place is shown and touched on the dog. */
export function shownAt(place: CoatPlace): RegionId {
  return stripOf(place)?.beside ?? (place as RegionId)
}

export function sidesOf(place: CoatPlace): readonly PatchSide[] {
  return isPaired(place) ? ['left', 'right'] : ['middle']
}
