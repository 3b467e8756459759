export { clashesOf, freePlace, type Clash, type DayVisit, type WantedVisit } from './clashes'
