// Finds techniques while one types: names first, then faults, steps, cautions and places.
import type { Technique } from '@peen/core/technique'
import { regionName } from '@peen/core/regions'
import Fuse from 'fuse.js'

export function searcher<T extends Technique>(techniques: readonly T[]): (typed: string) => readonly T[] {
  const index = new Fuse(
    techniques.map((technique) => ({
      technique,
      name: technique.name,
      faults: technique.faults.map(({ name }) => name),
      cautions: technique.hazards.map(({ name }) => name),
      places: technique.regions.map(regionName),
      steps: technique.steps,
      lookAt: technique.lookAt
    })),
    {
      keys: [
        { name: 'name', weight: 6 },
        { name: 'faults', weight: 3 },
        { name: 'cautions', weight: 2 },
        { name: 'places', weight: 2 },
        { name: 'steps', weight: 1 },
        { name: 'lookAt', weight: 1 }
      ],
      threshold: 0.28,
      ignoreLocation: true,
      ignoreDiacritics: true,
      minMatchCharLength: 2
    }
  )
  return (typed) => (typed.trim() === '' ? techniques : index.search(typed.trim()).map(({ item }) => item.technique))
}
