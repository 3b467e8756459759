import { serve, type Route } from '../../http'
import { notedOf, notesOn, writeNote, strikeNote } from './notes'

export const noteRoutes: readonly Route[] = [
  serve('notes', ({ services, actor, params }) => notesOn(services, actor, notedOf(params.about), params.id)),
  serve('writeNote', ({ services, actor, params, body }) => writeNote(services, actor, notedOf(params.about), params.id, body)),
  serve('strikeNote', ({ services, actor, params, body }) => strikeNote(services, actor, params.id, body))
]
