import { rackSchema, type NewRack } from '../library/rack'
import {
  importedSchema,
  keptDraftSchema,
  newDraftSchema,
  retiredSchema,
  versionOnlySchema,
  type Imported,
  type KeptDraft,
  type NewDraft
} from '../library/standards'
import { techniqueSchema, type NewTechnique } from '../library/techniques'
import { takes } from './takes'

export const libraryBodies = {
  keepRack: takes<NewRack>()(rackSchema),
  retireStandard: takes<{ readonly retired: boolean }>()(retiredSchema),
  makeDraft: takes<NewDraft>()(newDraftSchema),
  importDraft: takes<Imported>()(importedSchema),
  keepDraft: takes<KeptDraft>()(keptDraftSchema),
  useDraft: takes<{ readonly version: number }>()(versionOnlySchema),
  keepTechnique: takes<NewTechnique>()(techniqueSchema)
}
