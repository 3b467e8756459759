// A dated note on a dog, a person or a visit; and what a search finds.
import { date, named } from '../shape/fields'
import { object, uuid } from '../shape/yup'

export const NOTED = ['dog', 'person', 'visit'] as const
/** What a note is about. */
export type Noted = (typeof NOTED)[number]

export const newNoteSchema = object({
  id: uuid().required(),
  onDate: date('Date').required('Date is missing.'),
  text: named('Note', 600)
}).noUnknown()
export type NewNote = { readonly id: string; readonly onDate: string; readonly text: string }

export const strikeNoteSchema = object({ reason: named('Reason', 200) }).noUnknown()
export type StrikeNote = { readonly reason: string }

export type NoteView = {
  readonly id: string
  readonly onDate: string
  readonly text: string
  readonly by: string
  /** why it counts no more; null while it stands */
  readonly struck: { readonly by: string; readonly reason: string } | null
}

/** One thing that a search found, with where it is. */
export type SearchHit = {
  readonly kind: 'person' | 'dog' | 'visit'
  readonly name: string
  readonly more: string
  readonly to: string
}
