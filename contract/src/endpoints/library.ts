// What work is done by: the rack, the trims and their drafts, the techniques.
import { rackSchema, type NewRack, type RackView } from '../rack'
import {
  importedSchema,
  keptDraftSchema,
  newDraftSchema,
  retiredSchema,
  versionOnlySchema,
  type DraftView,
  type Imported,
  type KeptDraft,
  type NewDraft,
  type StandardPage,
  type StandardRow
} from '../standards'
import { techniqueSchema, type NewTechnique, type TechniquePage } from '../techniques'
import { ALL, get, LEAD, post, put, STAFF, takes } from './endpoint'

export const libraryEndpoints = {
  rack: get('/rack', STAFF, 'The tools of the school.'),
  keepRack: put('/rack', LEAD, 'Keeps the tools of the school.', { body: takes<NewRack>()(rackSchema), problems: ['toolNeeded'] }),
  undoRack: post('/rack/undo', LEAD, 'Takes back the last change of the rack.', { problems: ['nothingToUndo'] }),
  importRack: post('/rack/csv', LEAD, 'Takes the rack from a table.', { reads: 'csv', problems: ['toolNeeded'] }),
  rackTable: get('/rack/csv', STAFF, 'The rack as a table.', { gives: 'csv' }),
  standards: get('/standards', ALL, 'Every trim in its newest version.'),
  standard: get('/standards/:standard/versions/:version', ALL, 'One version of a trim.'),
  standardFile: get('/standards/:standard/versions/:version/file', STAFF, 'One version of a trim as a file.', { gives: 'file' }),
  retireStandard: put('/standards/:standard/retired', LEAD, 'Retires a trim, or takes it back.', {
    body: takes<{ readonly retired: boolean }>()(retiredSchema),
    problems: ['lastTrim']
  }),
  makeDraft: post('/standard-drafts', STAFF, 'Begins a draft from a trim.', {
    body: takes<NewDraft>()(newDraftSchema),
    problems: ['draftThere']
  }),
  importDraft: post('/standard-drafts/file', STAFF, 'Begins a draft from a file.', {
    body: takes<Imported>()(importedSchema),
    problems: ['draftThere']
  }),
  draft: get('/standard-drafts/:id', STAFF, 'A draft and what is wrong with it.'),
  keepDraft: put('/standard-drafts/:id', STAFF, 'Keeps a draft.', {
    body: takes<KeptDraft>()(keptDraftSchema),
    problems: ['draftConflict']
  }),
  dropDraft: post('/standard-drafts/:id/drop', STAFF, 'Throws a draft away.'),
  useDraft: post('/standard-drafts/:id/use', LEAD, 'Puts a draft into use as a version that never changes.', {
    body: takes<{ readonly version: number }>()(versionOnlySchema),
    problems: ['draftConflict']
  }),
  standardSchema: get('/schemas/standard', ALL, 'The JSON Schema of a trim’s file.'),
  technique: get('/techniques/:technique', ALL, 'A technique with its versions.'),
  keepTechnique: put('/techniques/:technique', STAFF, 'Keeps the school’s own version of a technique.', {
    body: takes<NewTechnique>()(techniqueSchema),
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
