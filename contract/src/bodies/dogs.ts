import type { CoatRules } from '@peen/core/coat'
import {
  coatAimSchema,
  coatEntriesSchema,
  coatRulesSchema,
  coatStrikeSchema,
  coatUnstrikeSchema,
  type CoatAim,
  type CoatStrike,
  type NewCoatEntries
} from '../dogs/coat'
import { newDogSchema, type NewDog } from '../floor/day'
import {
  dogFactsSchema,
  dogProfileSchema,
  mergeDogSchema,
  standingSchema,
  type DogFacts,
  type DogProfile,
  type MergeDog,
  type NewStanding
} from '../dogs/dogs'
import { newNoteSchema, strikeNoteSchema, type NewNote, type StrikeNote } from '../dogs/notes'
import { takes } from './takes'

export const dogBodies = {
  addDog: takes<NewDog>()(newDogSchema),
  mergeDogs: takes<MergeDog>()(mergeDogSchema),
  keepFacts: takes<DogFacts>()(dogFactsSchema),
  keepProfile: takes<DogProfile>()(dogProfileSchema),
  decideStanding: takes<NewStanding>()(standingSchema),
  writeEntries: takes<NewCoatEntries>()(coatEntriesSchema),
  strikeEntries: takes<CoatStrike>()(coatStrikeSchema),
  unstrikeEntries: takes<Pick<CoatStrike, 'entryIds'>>()(coatUnstrikeSchema),
  keepAim: takes<CoatAim>()(coatAimSchema),
  keepCoatRules: takes<CoatRules>()(coatRulesSchema),
  writeNote: takes<NewNote>()(newNoteSchema),
  strikeNote: takes<StrikeNote>()(strikeNoteSchema)
}
