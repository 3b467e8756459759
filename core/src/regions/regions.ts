/** The named places of the coat. `paired` regions are measured left and right, always the dog's own sides. */
export const REGIONS = Object.freeze([
  { id: 'skull', name: 'Skull', paired: false },
  { id: 'brow', name: 'Brow', paired: true },
  { id: 'muzzle', name: 'Bridge of the nose', paired: false },
  { id: 'beard', name: 'Beard', paired: true },
  { id: 'cheek', name: 'Cheek', paired: true },
  { id: 'earOutside', name: 'Ear outside', paired: true },
  { id: 'earBase', name: 'Base of the ear', paired: true },
  { id: 'throat', name: 'Throat', paired: false },
  { id: 'neckTop', name: 'Neck top', paired: false },
  { id: 'neckSide', name: 'Neck side', paired: true },
  { id: 'shoulder', name: 'Shoulder', paired: true },
  { id: 'back', name: 'Back', paired: true },
  { id: 'ribs', name: 'Ribs', paired: true },
  { id: 'loin', name: 'Loin', paired: true },
  { id: 'skirt', name: 'Skirt', paired: true },
  { id: 'chest', name: 'Chest', paired: false },
  { id: 'foreleg', name: 'Foreleg', paired: true },
  { id: 'foreFoot', name: 'Fore foot', paired: true },
  { id: 'croup', name: 'Croup', paired: true },
  { id: 'thigh', name: 'Thigh', paired: true },
  { id: 'rearPastern', name: 'Lower rear leg', paired: true },
  { id: 'rearFoot', name: 'Rear foot', paired: true },
  { id: 'underTail', name: 'Under the tail', paired: false },
  { id: 'tailBand', name: 'Base of the tail', paired: false },
  { id: 'tail', name: 'Tail', paired: false },
  // not drawn from the side, but touched, trimmed and judged
  { id: 'pads', name: 'Pads', paired: true },
  { id: 'belly', name: 'Belly and groin', paired: false },
  { id: 'eyeCorner', name: 'Eye corner', paired: true },
  { id: 'earEdge', name: 'Ear edge', paired: true },
  { id: 'earInside', name: 'Inside of the ear', paired: true },
  { id: 'armpit', name: 'Armpit', paired: true },
  { id: 'toes', name: 'Between the toes', paired: true },
  { id: 'anus', name: 'Around the anus', paired: false }
] as const)

export type RegionId = (typeof REGIONS)[number]['id']

export const REGION_IDS: readonly RegionId[] = REGIONS.map((region) => region.id)

const BY_ID = new Map<string, (typeof REGIONS)[number]>(REGIONS.map((region) => [region.id, region]))

export function isRegionId(id: string): id is RegionId {
  return BY_ID.has(id)
}

/** A region with its name and whether it has two sides. */
export function regionOf(id: RegionId): (typeof REGIONS)[number] {
  return BY_ID.get(id)!
}

/** The plain name of a region, "Neck side". */
export function regionName(id: RegionId): string {
  return BY_ID.get(id)!.name
}
