// The room today: the school, its floor, the day's plan, what is recorded at a table.
import type { VisitCoatStart } from '../dogs/coat'
import type { DaySummaryView, DayView, Planned, TableTools } from '../floor/day'
import type { EventAnswer } from '../floor/events'
import type { SearchHit } from '../dogs/notes'
import type { FloorView, TableView } from '../floor/floor-views'
import type { SchoolView } from '../people/school-view'
import type { VisitLine } from '../dogs/dog-views'
import type { PictureView, VisitPage } from '../floor/visits'
import { ALL, get, LEAD, post, put, STAFF } from './endpoint'

export const floorEndpoints = {
  school: get('/school', ALL, 'The school: its clock, rack, trims, techniques and house rules.'),
  chooseHouseRules: put('/school/house-rules', LEAD, 'Chooses sides of house rules.'),
  keepRoom: put('/school/room', LEAD, 'Names the room and says how large it is.', {
    problems: ['tableOutside']
  }),
  floor: get('/floor', ALL, 'The room now: each table with its dog, and where to look next. An apprentice sees their own table.'),
  keepRounds: put('/floor/rounds', LEAD, 'Sets the numbers by which looks are ranked.'),
  placeTable: put('/tables/:id/place', STAFF, 'Says where a table stands.'),
  addTable: post('/tables', STAFF, 'Adds a table to the room.', { problems: ['roomFull'] }),
  setTableTools: put('/tables/:id/tools', STAFF, 'Says which tools lie at a table.'),
  removeTable: post('/tables/:id/remove', STAFF, 'Takes a table out of the room; what was done at it stays.', {
    problems: ['tableTaken']
  }),
  day: get('/day/:on', STAFF, 'Everything needed to plan a day; `on` may be `today`.'),
  daySummaries: get('/day/:on/summaries', ALL, 'Each apprentice’s day in sentences; an apprentice reads their own.'),
  openDay: post('/day/:on/open', STAFF, 'Opens the day.', { problems: ['otherDay', 'dayClosed'] }),
  sayAbsent: post('/day/:on/absent/:id', STAFF, 'Says that a person is not here that day.', { problems: ['dayClosed', 'atWork'] }),
  sayHere: post('/day/:on/here/:id', STAFF, 'Says that a person is here after all.', { problems: ['dayClosed'] }),
  closeDay: post('/day/:on/close', STAFF, 'Closes the day and sends its summaries.', { problems: ['stillOpen', 'otherDay', 'dayClosed'] }),
  reopenDay: post('/day/:on/reopen', LEAD, 'Opens a closed day again.'),
  planVisit: post('/visits', STAFF, 'Plans a visit: a dog, an apprentice, a table, a trim.', {
    problems: ['absent', 'dayClosed', 'clash', 'trimUnfit']
  }),
  moveVisit: put('/visits/:id', STAFF, 'Moves a visit that has not begun.', {
    problems: ['visitBegun', 'absent', 'dayClosed', 'clash', 'trimUnfit']
  }),
  correctVisit: put('/visits/:id/correct', STAFF, 'Puts the wrong apprentice or dog of a visit right.', {
    problems: ['graded']
  }),
  swapVisits: post('/visits/:id/swap', STAFF, 'Two visits change tables, or their apprentices change dogs.', {
    problems: ['otherDay', 'visitBegun', 'dayClosed', 'clash', 'trimUnfit']
  }),
  cancelVisit: post('/visits/:id/cancel', STAFF, 'Cancels a visit that has not begun.', { problems: ['visitBegun', 'dayClosed'] }),
  visit: get('/visits/:id', ALL, 'A visit from door to door: check-in, set-up, closing.'),
  visitWork: get('/visits/:id/work', ALL, 'What was recorded at the table during a visit.'),
  recordEvents: post('/visits/:id/events', ALL, 'Takes in what tablets recorded at a table, one answer for each.', {
    problems: ['eventConflict', 'notANote', 'attemptExists', 'reasonMissing', 'undoTooLate', 'referredTo', 'gradeFirst']
  }),
  visitCoat: get('/visits/:id/coat', ALL, 'Where work on this coat was left last time, and when its trim comes back.'),
  visitsOfDog: get('/dogs/:id/visits', ALL, 'A dog’s visits, the newest first.'),
  visitsOfApprentice: get('/apprentices/:id/visits', ALL, 'An apprentice’s visits, the newest first.'),
  keepFound: put('/visits/:id/found', ALL, 'Keeps what a dog came in with.', {
    problems: ['changedMeanwhile', 'graded']
  }),
  sayReady: put('/visits/:id/gate', STAFF, 'Says that a dog is dry, combed through and ready to cut.', {
    problems: ['changedMeanwhile', 'graded']
  }),
  keepChosen: put('/visits/:id/chosen', STAFF, 'Keeps the tools that were chosen for this visit.', {
    problems: ['changedMeanwhile', 'graded']
  }),
  closeVisit: put('/visits/:id/closing', STAFF, 'Keeps how a visit ended: tools used, next time, what the owner is told.', {
    problems: ['changedMeanwhile', 'graded']
  }),
  addPicture: post(
    '/visits/:id/pictures/:moment/:stance',
    ALL,
    'Keeps a photograph of a visit; one that came already under its id `as` is kept once.',
    {
      reads: 'picture',
      query: ['as'],
      problems: ['tooMany']
    }
  ),
  takePicture: post('/visits/:id/camera/:moment/:stance', STAFF, 'Has the table’s camera take a photograph.', {
    problems: ['noCamera', 'cameraSilent', 'tooMany']
  }),
  removePicture: post('/pictures/:id/remove', STAFF, 'Removes a photograph.', { problems: ['signed'] }),
  picture: get('/pictures/:id', ALL, 'A photograph.', { gives: 'jpeg' }),
  live: get('/live', ALL, 'What other tablets record, as server-sent events from a place in the log.', {
    gives: 'stream',
    query: ['after']
  }),
  search: get('/search', ALL, 'Finds people, dogs, visits, trims and techniques by words.', { query: ['words'] })
}

type Day = { readonly onDate: string }
export type FloorReplies = {
  readonly school: SchoolView
  readonly chooseHouseRules: SchoolView
  readonly keepRoom: SchoolView
  readonly floor: FloorView
  readonly keepRounds: FloorView
  readonly placeTable: FloorView
  readonly addTable: { readonly id: string; readonly number: number }
  readonly setTableTools: TableTools
  readonly removeTable: { readonly number: number }
  readonly day: DayView
  readonly daySummaries: readonly DaySummaryView[]
  readonly openDay: Day
  readonly sayAbsent: Day
  readonly sayHere: Day
  readonly closeDay: Day & { readonly sent: number }
  readonly reopenDay: Day
  readonly planVisit: Planned
  readonly moveVisit: Planned
  readonly correctVisit: { readonly id: string }
  readonly swapVisits: Planned
  readonly cancelVisit: { readonly id: string }
  readonly visit: VisitPage
  readonly visitWork: TableView
  readonly recordEvents: { readonly answers: readonly EventAnswer[]; readonly detail?: string | null }
  readonly visitCoat: VisitCoatStart
  readonly visitsOfDog: readonly VisitLine[]
  readonly visitsOfApprentice: readonly VisitLine[]
  readonly keepFound: { readonly version: number }
  readonly sayReady: { readonly version: number }
  readonly keepChosen: { readonly version: number }
  readonly closeVisit: { readonly version: number }
  readonly addPicture: PictureView
  readonly takePicture: PictureView
  readonly removePicture: { readonly id: string }
  readonly picture: never
  readonly live: never
  readonly search: readonly SearchHit[]
}
