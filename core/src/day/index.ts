import { date, door, items, over } from '../error'
import * as clashesPart from './clashes'
import * as openPart from './open'

export type { Clash, DayVisit, WantedVisit } from './clashes'
export { USUAL_OPENING, type Off, type Opening } from './open'

export const { clashesOf, freePlace, insideRoom, placeIssue } = door(clashesPart, {
  freePlace: [items(2, 2)],
  insideRoom: [items(2, 2), null, over(0, 'mm')],
  placeIssue: [items(2, 2)]
})

export const { isOpenOn, nearestOpen, openDays, shiftDay, weekdayOf } = door(openPart, {
  isOpenOn: [date],
  nearestOpen: [date, date],
  openDays: [date, date],
  shiftDay: [date],
  weekdayOf: [date]
})
