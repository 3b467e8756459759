import { door, items, over } from '../error'
import * as clashesPart from './clashes'

export type { Clash, DayVisit, WantedVisit } from './clashes'

export const { clashesOf, freePlace, insideRoom, placeIssue } = door(clashesPart, {
  freePlace: [items(2, 2)],
  insideRoom: [items(2, 2), null, over(0, 'mm')],
  placeIssue: [items(2, 2)]
})
