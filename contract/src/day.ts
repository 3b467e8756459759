// Who and what a school is made of, and the day's work.
import { WITHERS_LIMITS_MM } from '@peen/core/figure'
import { ROLES, type Role } from './auth'
import { number, object, string, uuid } from './yup'
import type { DogView, PersonName } from './views'

const named = (label: string, most = 60) =>
  string().trim().label(label).required(`${label} is missing.`).max(most, `${label} is too long; at most ${most} characters.`)
const within = (label: string, low: number, high: number, unit: string) => {
  const say = ({ value }: { value: unknown }) => `${label} is ${String(value).slice(0, 20)}; allowed is ${low} to ${high} ${unit}.`
  return number().typeError(say).label(label).required(`${label} is missing.`).integer(say).min(low, say).max(high, say)
}

/** A person who is let in; whoever makes it makes the id. */
export const newPersonSchema = object({
  id: uuid().required(),
  givenName: named('Given name'),
  familyName: named('Family name'),
  username: string()
    .required('User name is missing.')
    .matches(/^[a-z0-9][a-z0-9._-]{1,39}$/, 'User name: 2 to 40 small letters, figures, dot, dash or underscore.'),
  password: string().required('Password is missing.').min(10, 'Password is too short; at least 10 characters.').max(200),
  role: string()
    .oneOf([...ROLES], ({ value }) => `Role is ${String(value).slice(0, 40)}; allowed is ${ROLES.join(', ')}.`)
    .required('Role is missing.'),
  cohort: named('Cohort')
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
  bodyType: named('Body type'),
  coat: named('Coat'),
  colour: named('Colour'),
  withersMm: within('Height at the withers', WITHERS_LIMITS_MM.low, WITHERS_LIMITS_MM.high, 'mm'),
  canStandMin: within('Minutes it can stand', 5, 300, 'minutes'),
  temperament: named('Temperament', 200),
  dislikes: string().trim().defined().max(200, 'Dislikes is too long; at most 200 characters.'),
  owner: string().trim().defined().max(60, 'Owner is too long; at most 60 characters.'),
  contact: string().trim().defined().max(120, 'Contact is too long; at most 120 characters.')
}).noUnknown()
export type NewDog = {
  readonly id: string
  readonly name: string
  readonly bodyType: string
  readonly coat: string
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
  wishes: string().trim().defined().max(200, 'Wishes are too long; at most 200 characters.')
}).noUnknown()
export type NewVisit = {
  readonly id: string
  readonly apprenticeId: string
  readonly dogId: string
  readonly tableId: string
  readonly standardId: string
  readonly weeksSince: number | null
  readonly wishes: string
}

export type VisitView = {
  readonly id: string
  readonly tableNumber: number
  readonly apprentice: string
  readonly dog: string
  readonly trim: string
  readonly closed: boolean
}

/** Everything one needs to plan today. */
export type DayView = {
  readonly onDate: string
  readonly people: readonly (PersonName & { readonly cohort: string })[]
  readonly dogs: readonly DogView[]
  readonly tables: readonly { readonly id: string; readonly number: number }[]
  readonly trims: readonly { readonly id: string; readonly name: string; readonly minutes: number }[]
  readonly visits: readonly VisitView[]
}

/** What stands against a planned visit without blocking it. */
export type Planned = { readonly id: string; readonly warnings: readonly string[] }
