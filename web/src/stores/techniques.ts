// Techniques as this school has them; before the school is loaded, as Peen ships them.
import { retiredTechniques, techniques as shipped } from '@peen/content'
import type { TechniqueVersion } from '@peen/contract'
import { useSessionStore } from './session'

const SHIPPED: readonly TechniqueVersion[] = shipped.map((technique) => ({ ...technique, version: 1 }))

export const allTechniques = (): readonly TechniqueVersion[] => useSessionStore().school?.techniques ?? SHIPPED

const RETIRED: readonly TechniqueVersion[] = retiredTechniques.map((technique) => ({ ...technique, version: 1 }))

/** A technique by its id; one that left the catalogue too, since old records name it. */
export const techniqueById = (id: string): TechniqueVersion | undefined =>
  allTechniques().find((technique) => technique.id === id) ?? RETIRED.find((technique) => technique.id === id)
