// The dogs, their coats over time, and notes.
import type { CoatRules } from '@peen/core/coat'
import {
  coatAimSchema,
  coatEntriesSchema,
  coatRulesSchema,
  coatStrikeSchema,
  coatUnstrikeSchema,
  type CoatAim,
  type CoatList,
  type CoatPage,
  type CoatStrike,
  type NewCoatEntries
} from '../coat'
import { newDogSchema, type NewDog } from '../day'
import {
  dogFactsSchema,
  dogProfileSchema,
  mergeDogSchema,
  standingSchema,
  type DogFacts,
  type DogProfile,
  type DogsPreview,
  type MergeDog,
  type NewStanding
} from '../dogs'
import { newNoteSchema, strikeNoteSchema, type NewNote, type NoteView, type StrikeNote } from '../notes'
import type { DogPage, DogView } from '../views'
import { ALL, get, LEAD, post, put, STAFF, takes } from './endpoint'

export const dogEndpoints = {
  dogs: get('/dogs', ALL, 'Every dog that the school knows.'),
  dog: get('/dogs/:id', ALL, 'A dog with its visits and what was measured on it.'),
  addDog: post('/dogs', STAFF, 'Takes a dog in.', { body: takes<NewDog>()(newDogSchema) }),
  previewDogs: post('/dogs/preview', STAFF, 'Reads a table of dogs and says what is wrong with it.', { reads: 'csv' }),
  takeDogsIn: post('/dogs/csv', STAFF, 'Takes in every dog of a table.', { reads: 'csv' }),
  mergeDogs: post('/dogs/:id/merge', STAFF, 'Lays a dog that was entered twice into the other.', {
    body: takes<MergeDog>()(mergeDogSchema)
  }),
  keepFacts: put('/dogs/:id/facts', STAFF, 'Keeps what changes the choice of tools for a dog.', {
    body: takes<DogFacts>()(dogFactsSchema)
  }),
  keepProfile: put('/dogs/:id/profile', STAFF, 'Keeps a dog’s profile.', { body: takes<DogProfile>()(dogProfileSchema) }),
  decideStanding: put('/dogs/:id/standing', STAFF, 'Limits or refuses a dog, or frees it again.', {
    body: takes<NewStanding>()(standingSchema)
  }),
  owner: get('/dogs/:id/owner', STAFF, 'A dog’s owner.'),
  eraseOwner: post('/dogs/:id/owner/erase', STAFF, 'Erases the owner of a dog.'),
  coats: get('/coats', ALL, 'Every coat that is kept, the one that needs work first.'),
  coat: get('/coats/:id', ALL, 'A dog’s coat book.'),
  readLengths: post('/coats/:id/lengths/read', STAFF, 'Shows lengths that a colleague measured; it is remembered.'),
  writeEntries: post('/coats/:id/lines', STAFF, 'Writes lines into a coat book.', { body: takes<NewCoatEntries>()(coatEntriesSchema) }),
  strikeEntries: post('/coats/:id/struck', STAFF, 'Strikes lines of a coat book, with a reason.', {
    body: takes<CoatStrike>()(coatStrikeSchema),
    problems: ['struckAlready']
  }),
  unstrikeEntries: post('/coats/:id/unstruck', STAFF, 'Lets struck lines count again.', {
    body: takes<Pick<CoatStrike, 'entryIds'>>()(coatUnstrikeSchema)
  }),
  keepAim: put('/coats/:id/aim', STAFF, 'Says what a coat is kept for.', { body: takes<CoatAim>()(coatAimSchema) }),
  coatRules: get('/coat-rules', ALL, 'The school’s numbers for coats.'),
  keepCoatRules: put('/coat-rules', LEAD, 'Sets the school’s numbers for coats.', { body: takes<CoatRules>()(coatRulesSchema) }),
  notes: get('/notes/:about/:id', ALL, 'Notes on a dog, a person or a visit.'),
  writeNote: post('/notes/:about/:id', STAFF, 'Writes a note.', { body: takes<NewNote>()(newNoteSchema) }),
  strikeNote: post('/note/:id/strike', STAFF, 'Strikes a note, with a reason.', {
    body: takes<StrikeNote>()(strikeNoteSchema),
    problems: ['struck']
  })
}

export type DogReplies = {
  readonly dogs: readonly DogView[]
  readonly dog: DogPage
  readonly addDog: { readonly id: string }
  readonly previewDogs: DogsPreview
  readonly takeDogsIn: { readonly takenIn: number }
  readonly mergeDogs: { readonly id: string }
  readonly keepFacts: DogFacts
  readonly keepProfile: DogView
  readonly decideStanding: DogView
  readonly owner: { readonly givenName: string; readonly contact: string }
  readonly eraseOwner: { readonly erased: boolean }
  readonly coats: CoatList
  readonly coat: CoatPage
  readonly readLengths: { readonly read: number }
  readonly writeEntries: { readonly written: number }
  readonly strikeEntries: { readonly struck: number }
  readonly unstrikeEntries: { readonly counted: number }
  readonly keepAim: CoatAim
  readonly coatRules: CoatRules
  readonly keepCoatRules: CoatRules
  readonly notes: readonly NoteView[]
  readonly writeNote: { readonly id: string }
  readonly strikeNote: { readonly id: string }
}
