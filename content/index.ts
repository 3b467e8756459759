// What Peen ships as data. Types come from core; contract validates the shapes when they enter the database.
import type { Certificate } from '@peen/core/certify'
import type { BodyType, Colouring } from '@peen/core/figure'
import type { RegionId } from '@peen/core/regions'
import type { Standard } from '@peen/core/standard'
import type { Tool } from '@peen/core/tools'
import bodyBearded from './bodies/bearded.json'
import certificateBeardedPet from './certificates/bearded-pet.json'
import colourData from './colours.json'
import houseRuleData from './house-rules.json'
import rackData from './rack.json'
import standardBeardedPet from './standards/bearded-pet.json'
import techniqueData from './techniques.json'

export type Fault = { readonly id: string; readonly name: string; readonly major: boolean; readonly cause: string; readonly cure: string }
/** `hold`: a new, lapsed or held apprentice waits here until the instructor taps "I am here". */
export type Hazard = { readonly id: string; readonly name: string; readonly caution: string; readonly hold: boolean }
export type Family = 'handling' | 'clipping' | 'scissoring' | 'stripping' | 'finishing'

export type Technique = {
  readonly id: string
  readonly name: string
  readonly family: Family
  readonly steps: readonly string[]
  readonly lookAt: string
  readonly faults: readonly Fault[]
  readonly hazards: readonly Hazard[]
  readonly regions: readonly RegionId[]
  readonly tools: readonly string[]
  readonly usualMinutes: number
}

export type HouseRule = { readonly id: string; readonly question: string; readonly sides: readonly string[]; readonly chosen: number }

export const rack = rackData as readonly Tool[]
export const techniques = techniqueData as unknown as readonly Technique[]
export const houseRules = houseRuleData as readonly HouseRule[]
export const standards = [standardBeardedPet] as unknown as readonly Standard[]
export const certificates = [certificateBeardedPet] as unknown as readonly Certificate[]

export function techniqueById(id: string): Technique | undefined {
  return techniques.find((technique) => technique.id === id)
}

export const bodies = [bodyBearded] as unknown as readonly BodyType[]

export function bodyById(id: string): BodyType {
  return bodies.find((body) => body.id === id) ?? bodies[0]
}

/** A dog's colouring by its name in the profile; an unknown one is drawn in pepper. */
export function colouringOf(colour: string): Colouring {
  const { ramps, colours } = colourData
  const found = (colours as Record<string, { base: string; marks: Record<string, string> }>)[colour] ?? colours.pepper
  return { ramps, ...found }
}
