import { FAMILIES, type Technique } from '@peen/core/technique'
import { REGION_IDS } from '@peen/core/regions'
import { chosen, named, within, words } from '../shape/fields'
import { array, boolean, object } from '../shape/yup'

/** A technique in the newest version of the school; 1 is what Peen ships. */
export type TechniqueVersion = Technique & { readonly version: number }

export type TechniquePage = {
  readonly technique: TechniqueVersion
  /** every version, newest first, with who wrote it */
  readonly versions: readonly {
    readonly version: number
    readonly by: string | null
    readonly at: string | null
    readonly body: Technique
  }[]
}

const slug = (label: string) => named(label, 60).matches(/^[a-z0-9][a-z0-9-]*$/, `${label} must be lower-case letters, digits and hyphens.`)

/** A school's own version of a technique, whole. `version` is the one it was written from. */
export const techniqueSchema = object({
  version: within('Version', 1, 100000, 'version'),
  body: object({
    id: slug('id'),
    name: named('Name', 60),
    family: chosen('Family', FAMILIES),
    level: within('Level', 1, 3, 'level'),
    after: array().of(slug('A technique before')).required().max(12),
    steps: array().of(named('A step', 400)).required().min(1, 'There must be at least one step.').max(12, 'There can be at most 12 steps.'),
    lookAt: named('What to look at', 160),
    clean: named('What counts as clean', 200),
    figure: words('On a figure', 200),
    faults: array()
      .of(
        object({
          id: slug('A fault’s id'),
          name: named('A fault’s name', 80),
          major: boolean().required(),
          cause: named('A fault’s cause', 120),
          cure: named('A fault’s cure', 160)
        }).noUnknown()
      )
      .required()
      .min(1, 'There must be at least one fault.')
      .max(20),
    hazards: array()
      .of(
        object({
          id: slug('A hazard’s id'),
          name: named('A hazard’s name', 60),
          caution: named('A caution', 240),
          hold: boolean().required()
        }).noUnknown()
      )
      .required()
      .max(12),
    regions: array().of(chosen('Region', REGION_IDS)).required().max(40),
    tools: array().of(slug('A tool')).required().max(20),
    usualMinutes: within('Usual minutes', 1, 240, 'minutes'),
    beforeGate: boolean().optional()
  })
    .required()
    .noUnknown()
}).noUnknown()

export type NewTechnique = { readonly version: number; readonly body: Technique }
