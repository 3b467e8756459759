// Who and what a school is made of, and the day's work.
import { COAT_TYPES, type CoatType } from '@peen/core/advice'
import { WITHERS_LIMITS_MM } from '@peen/core/figure'
import { SIDES, type Side } from '@peen/core/practice'
import { ROLES, type Role } from '../people/auth'
import { chosen, clockTime, cohortOf, date, named, oneOf, password, username, within, words } from '../shape/fields'
import { array, object, string, uuid } from '../shape/yup'
import type { DogView } from '../dogs/dog-views'
import type { PersonName } from '../people/school-view'

/** A person who is let in; whoever makes it makes the id. */
export const newPersonSchema = object({
  id: uuid().required(),
  givenName: named('First name'),
  familyName: named('Last name'),
  username: username(),
  password: password(),
  role: chosen('Role', ROLES),
  cohort: cohortOf()
}).noUnknown()
export type NewPerson = {
  readonly id: string
  readonly givenName: string
  readonly familyName: string
  readonly username: string
  readonly password: string
  readonly role: Role
  readonly cohort: string
}

export const newDogSchema = object({
  id: uuid().required(),
  name: named('Name'),
  breed: words('Breed or mix', 60),
  bodyType: named('Body type'),
  coat: named('Coat'),
  coatType: oneOf('Coat type', COAT_TYPES).nullable().defined(),
  colour: named('Colour'),
  withersMm: within('Height at the withers', WITHERS_LIMITS_MM.low, WITHERS_LIMITS_MM.high, 'mm'),
  canStandMin: within('Minutes it can be worked on', 5, 300, 'minutes'),
  temperament: named('Temperament', 200),
  dislikes: words('Dislikes', 200),
  owner: words('Owner', 60),
  contact: words('Contact', 120)
}).noUnknown()
export type NewDog = {
  readonly id: string
  readonly name: string
  readonly breed: string
  readonly bodyType: string
  readonly coat: string
  /** null: as the coat's own words tell */
  readonly coatType: CoatType | null
  readonly colour: string
  readonly withersMm: number
  readonly canStandMin: number
  readonly temperament: string
  readonly dislikes: string
  readonly owner: string
  readonly contact: string
}

export const newTableSchema = object({ id: uuid().required() }).noUnknown()
export type NewTable = { readonly id: string }

export const newVisitSchema = object({
  id: uuid().required(),
  apprenticeId: uuid().required('Apprentice is missing.'),
  dogId: uuid().required('Dog is missing.'),
  tableId: uuid().required('Table is missing.'),
  standardId: named('Trim'),
  weeksSince: within('Weeks since the last groom', 0, 520, 'weeks').nullable().defined(),
  wishes: words('Wishes', 200),
  /** today where it is not given */
  onDate: date('Date'),
  /** when the dog is brought, by the school's clock; empty or null where no time was agreed */
  comesAt: clockTime('Comes at').nullable(),
  /** why a trim is planned that its coat is refused for */
  allTheSame: words('Reason for going ahead', 300).optional()
}).noUnknown()
export type NewVisit = {
  readonly id: string
  readonly apprenticeId: string
  readonly dogId: string
  readonly tableId: string
  readonly standardId: string
  readonly weeksSince: number | null
  readonly wishes: string
  readonly allTheSame?: string
  readonly onDate?: string
  readonly comesAt?: string | null
}

/** Where a planned visit is moved: what is not named stays. */
export const moveVisitSchema = object({
  tableId: uuid(),
  apprenticeId: uuid(),
  onDate: date('Date'),
  standardId: string().max(60),
  comesAt: clockTime('Comes at').nullable()
}).noUnknown()
export type MoveVisit = {
  readonly tableId?: string
  readonly apprenticeId?: string
  readonly onDate?: string
  readonly standardId?: string
  readonly comesAt?: string | null
}

/** Puts the wrong apprentice or dog of a visit right; what is not named stays. */
export const correctVisitSchema = object({ apprenticeId: uuid(), dogId: uuid() }).noUnknown()
export type CorrectVisit = { readonly apprenticeId?: string; readonly dogId?: string }

/** The tools that lie at a table; null for the whole rack. */
export const tableToolsSchema = object({ toolIds: array().of(string().required().max(60)).nullable().defined().max(200) }).noUnknown()
export type TableTools = { readonly toolIds: readonly string[] | null }

/** Where a table stands: its upper left corner from the room's, mm, and how it is turned, degrees. */
export const tablePlaceSchema = object({
  xMm: within('From the left wall', 0, 40000, 'mm'),
  yMm: within('From the far wall', 0, 40000, 'mm'),
  turnDeg: within('Turn', -45, 45, 'degrees')
}).noUnknown()
export type TablePlace = { readonly xMm: number; readonly yMm: number; readonly turnDeg: number }

/** Two visits change tables, or their apprentices change dogs and stay where they stand. */
export const SWAPS = ['tables', 'dogs'] as const
export const swapSchema = object({
  with: uuid().required('The other visit is missing.'),
  what: chosen('What is swapped', SWAPS)
}).noUnknown()
export type Swap = { readonly with: string; readonly what: (typeof SWAPS)[number] }

/** Practice on a stand-in figure. */
export const newFigureSchema = object({
  id: uuid().required(),
  techniqueId: named('Technique'),
  side: chosen('Side', SIDES),
  minutes: within('Minutes', 1, 240, 'minutes'),
  note: words('Note', 300)
}).noUnknown()
export type NewFigure = {
  readonly id: string
  readonly techniqueId: string
  readonly side: Side
  readonly minutes: number
  readonly note: string
}
export type FigureView = NewFigure & { readonly onDate: string; readonly technique: string; readonly own: boolean }

/** One apprentice's day in sentences, as it is sent when the day is closed. */
export type DaySummaryView = { readonly person: PersonName; readonly absent: boolean; readonly sentences: readonly string[] }

export const roomSchema = object({
  room: named('Room', 80),
  roomWidthMm: within('Width of the room', 3000, 40000, 'mm'),
  roomDepthMm: within('Depth of the room', 3000, 40000, 'mm')
}).noUnknown()
export type Room = { readonly room: string; readonly roomWidthMm: number; readonly roomDepthMm: number }

export type VisitView = {
  readonly id: string
  readonly tableId: string
  readonly tableNumber: number
  readonly apprenticeId: string
  readonly dogId: string
  readonly trimId: string
  /** when the dog is brought, by the school's clock */
  readonly comesAt: string | null
  /** somebody has begun: it is not moved any more */
  readonly begun: boolean
  /** what stands against it and was planned all the same */
  readonly warnings: readonly string[]
  readonly apprentice: string
  readonly dog: string
  readonly trim: string
  readonly closed: boolean
}

/** Everything one needs to plan a day. */
export type DayView = {
  readonly onDate: string
  readonly today: string
  readonly closedDay: boolean
  /** the school is not open on this day: the name of the days off, or empty on a weekday on which it never is; null where it is open */
  readonly schoolOff: string | null
  /** who opened it; null before that */
  readonly openedBy: string | null
  /** ids of the people who are not here that day */
  readonly absent: readonly string[]
  readonly people: readonly (PersonName & { readonly cohort: string })[]
  readonly dogs: readonly DogView[]
  readonly tables: readonly { readonly id: string; readonly number: number; readonly toolIds: readonly string[] | null }[]
  readonly cohorts: readonly string[]
  readonly trims: readonly { readonly id: string; readonly name: string; readonly minutes: number }[]
  readonly visits: readonly VisitView[]
}

/** What stands against a planned visit without blocking it. */
export type Planned = { readonly id: string; readonly warnings: readonly string[] }
