// The dogs, their coats over time, and notes.
import type { CoatRules } from '@peen/core/coat'
import type { CoatAim, CoatList, CoatPage } from '../dogs/coat'
import type { DogFacts, DogsPreview } from '../dogs/dogs'
import type { NoteView } from '../dogs/notes'
import type { DogPage, DogView } from '../dogs/dog-views'
import { ALL, get, LEAD, post, put, STAFF } from './endpoint'

export const dogEndpoints = {
  dogs: get('/dogs', ALL, 'Every dog that the school knows.'),
  dog: get('/dogs/:id', ALL, 'A dog with its visits and what was measured on it.'),
  addDog: post('/dogs', STAFF, 'Takes a dog in.'),
  previewDogs: post('/dogs/preview', STAFF, 'Reads a table of dogs and says what is wrong with it.', { reads: 'csv' }),
  takeDogsIn: post('/dogs/csv', STAFF, 'Takes in every dog of a table.', { reads: 'csv' }),
  mergeDogs: post('/dogs/:id/merge', STAFF, 'Merges two entries of one dog.'),
  keepFacts: put('/dogs/:id/facts', STAFF, 'Keeps what changes the choice of tools for a dog.'),
  keepProfile: put('/dogs/:id/profile', STAFF, 'Keeps a dog’s profile.'),
  decideStanding: put('/dogs/:id/standing', STAFF, 'Limits or refuses a dog, or frees it again.'),
  owner: get('/dogs/:id/owner', STAFF, 'A dog’s owner.'),
  eraseOwner: post('/dogs/:id/owner/erase', STAFF, 'Erases the owner of a dog.', { needs: 'password' }),
  coats: get('/coats', ALL, 'Every coat that is kept, the one that needs work first.'),
  coat: get('/coats/:id', ALL, 'A dog’s coat book.'),
  readLengths: post('/coats/:id/lengths/read', STAFF, 'Shows lengths that a colleague measured, and remembers that you read them.'),
  writeEntries: post('/coats/:id/lines', STAFF, 'Writes lines into a coat book.'),
  strikeEntries: post('/coats/:id/struck', STAFF, 'Strikes lines of a coat book, with a reason.', {
    problems: ['struckAlready']
  }),
  unstrikeEntries: post('/coats/:id/unstruck', STAFF, 'Lets struck lines count again.'),
  keepAim: put('/coats/:id/aim', STAFF, 'Says what a coat is kept for.'),
  coatRules: get('/coat-rules', ALL, 'The school’s numbers for coats.'),
  keepCoatRules: put('/coat-rules', LEAD, 'Sets the school’s numbers for coats.'),
  notes: get('/notes/:about/:id', ALL, 'Notes on a dog, a person or a visit.'),
  writeNote: post('/notes/:about/:id', STAFF, 'Writes a note.'),
  strikeNote: post('/note/:id/strike', STAFF, 'Strikes a note, with a reason.', {
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
