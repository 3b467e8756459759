// The catalogue of techniques, those that left it, and the questions that are asked aloud.
import type { ClosingStep } from '@peen/core/coat'
import type { RegionId } from '@peen/core/regions'
import { placesTaken, type Plan } from '@peen/core/standard'
import { waitsForGate, type Family, type OralQuestion, type RetiredTechnique, type Technique } from '@peen/core/technique'
import questionData from './questions.json'
import retiredTechniqueData from './retired-techniques.json'
import techniqueData from './techniques.json'

export const techniques = techniqueData as unknown as readonly Technique[]
/** What is asked and not done. */
export const questions = questionData as readonly OralQuestion[]
/** What left the catalogue, with what became of it: what was recorded under these ids is still read. */
export const retiredTechniques = retiredTechniqueData as unknown as readonly RetiredTechnique[]

/** A technique by its id; one that left the catalogue too, since old records name it. */
export function techniqueById(id: string): Technique | undefined {
  return techniques.find((technique) => technique.id === id) ?? retiredTechniques.find((technique) => technique.id === id)
}

const CUTTING: ReadonlySet<Family> = new Set(['clipping', 'scissoring', 'stripping'])

/** The plain name of a technique, which promises no tool. */
export const techniqueName = (id: string): string => techniqueById(id)?.name ?? id

/** Does a technique wait until the dog has been checked in as dry and combed to the skin? */
export const techniqueWaits = (id: string): boolean => {
  const technique = techniqueById(id)
  return technique !== undefined && waitsForGate(technique)
}

/** The places that a technique cuts; none for handling and finishing, which go over places that others have set. */
export function cutRegionsOf(id: string): readonly RegionId[] {
  const technique = techniqueById(id)
  return technique && CUTTING.has(technique.family) ? technique.regions : []
}

/** Steps of a trim that take hair, with the places they go over: what a visit is closed by. */
export function closingSteps({ steps, work }: Pick<Plan, 'steps' | 'work'>): readonly ClosingStep[] {
  return steps.flatMap(({ technique, label, minutes }) => {
    const regions = work ? placesTaken(work, technique) : cutRegionsOf(technique)
    return regions.length === 0 ? [] : [{ technique, label, minutes, regions }]
  })
}

/** Faults that hurt skin: nicks, cuts and burns, by id. Counted for each tool. */
export const SKIN_FAULTS: ReadonlySet<string> = new Set(
  techniques.flatMap(({ faults }) => faults.filter(({ name }) => /\b(nick|nicked|burn|burned|scraped)\b/i.test(name)).map(({ id }) => id))
)
