export { clashesOf, freePlace, insideRoom, placeIssue, type Clash, type DayVisit, type WantedVisit } from './clashes'
