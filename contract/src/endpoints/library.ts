// What work is done by: the rack, the trims and their drafts, the techniques.
import type { RackView } from '../library/rack'
import type { DraftView, StandardPage, StandardRow } from '../library/standards'
import type { TechniquePage } from '../library/techniques'
import { ALL, get, LEAD, post, put, STAFF } from './endpoint'

export const libraryEndpoints = {
  rack: get('/rack', STAFF, 'The tools of the school.'),
  keepRack: put('/rack', LEAD, 'Keeps the tools of the school.', { problems: ['toolNeeded'] }),
  undoRack: post('/rack/undo', LEAD, 'Takes back the last change of the rack.', { problems: ['nothingToUndo'] }),
  importRack: post('/rack/csv', LEAD, 'Reads the rack from a CSV table.', { reads: 'csv', problems: ['toolNeeded'] }),
  rackTable: get('/rack/csv', STAFF, 'The rack as a table.', { gives: 'csv' }),
  standards: get('/standards', ALL, 'Every trim in its newest version.'),
  standard: get('/standards/:standard/versions/:version', ALL, 'One version of a trim.'),
  standardFile: get('/standards/:standard/versions/:version/file', STAFF, 'One version of a trim as a file.', { gives: 'file' }),
  retireStandard: put('/standards/:standard/retired', LEAD, 'Retires a trim, or takes it back.', {
    problems: ['lastTrim']
  }),
  makeDraft: post('/standard-drafts', STAFF, 'Begins a draft from a trim.', {
    problems: ['draftThere']
  }),
  importDraft: post('/standard-drafts/file', STAFF, 'Begins a draft from a file.', {
    problems: ['draftThere']
  }),
  draft: get('/standard-drafts/:id', STAFF, 'A draft and what is wrong with it.'),
  keepDraft: put('/standard-drafts/:id', STAFF, 'Keeps a draft.', {
    problems: ['draftConflict']
  }),
  dropDraft: post('/standard-drafts/:id/drop', STAFF, 'Throws a draft away.'),
  useDraft: post('/standard-drafts/:id/use', LEAD, 'Puts a draft into use as a version that never changes.', {
    problems: ['draftConflict']
  }),
  standardSchema: get('/schemas/standard', ALL, 'The JSON Schema of a trim’s file.'),
  technique: get('/techniques/:technique', ALL, 'A technique with its versions.'),
  keepTechnique: put('/techniques/:technique', STAFF, 'Keeps the school’s own version of a technique.', {
    problems: ['overtaken']
  })
}

export type LibraryReplies = {
  readonly rack: RackView
  readonly keepRack: RackView
  readonly undoRack: RackView
  readonly importRack: RackView
  readonly rackTable: never
  readonly standards: readonly StandardRow[]
  readonly standard: StandardPage
  readonly standardFile: never
  readonly retireStandard: object
  readonly makeDraft: { readonly id: string }
  readonly importDraft: { readonly id: string }
  readonly draft: DraftView
  readonly keepDraft: DraftView
  readonly dropDraft: object
  readonly useDraft: { readonly id: string; readonly version: number }
  readonly standardSchema: object
  readonly technique: TechniquePage
  readonly keepTechnique: TechniquePage
}
