// Tablets that several people share: enrolled by a lead assessor, opened with a PIN, handed on in two touches.
import type { Role } from './auth'
import { named } from '../shape/fields'
import { number, object, string } from '../shape/yup'

/** A PIN: short enough for wet hands. */
export const PIN_DIGITS = Object.freeze({ least: 4, most: 8 })
/** After so many minutes without a touch an enrolled tablet locks itself. */
export const LOCKS_AFTER_MIN = Object.freeze({ least: 1, most: 60, usual: 5 })
/** So many wrong PINs of one person on one tablet, and only their password opens it there. */
export const MOST_WRONG_PINS = 5

const PIN = new RegExp(`^[0-9]{${PIN_DIGITS.least},${PIN_DIGITS.most}}$`)
const RUN = '01234567890'
/** One figure over and over, or a run: tried first by anyone. */
function isPlainPin(pin: string): boolean {
  return new Set(pin).size === 1 || RUN.includes(pin) || [...RUN].reverse().join('').includes(pin)
}
const pin = () =>
  string().label('PIN').required('The PIN is missing.').matches(PIN, `A PIN is ${PIN_DIGITS.least} to ${PIN_DIGITS.most} digits.`)

export const newPinSchema = object({
  password: string().label('Password').required('Your password is missing.').max(200),
  pin: pin()
    .test('plain', 'This PIN is too easy to guess. Choose another.', (value) => !value || !isPlainPin(value))
    .nullable()
    .defined()
}).noUnknown()
/** `pin` null: none any more. */
export type NewPin = { readonly password: string; readonly pin: string | null }

export const unlockSchema = object({ personId: string().required('Choose who you are.').max(60), pin: pin() }).noUnknown()
export type Unlock = { readonly personId: string; readonly pin: string }

export const ownPasswordSchema = object({
  password: string().label('Password').required('Your password is missing.').max(200)
}).noUnknown()
export type OwnPassword = { readonly password: string }

export const enrolSchema = object({
  name: named('Tablet name', 40),
  tableId: string().max(60).nullable().defined(),
  locksAfterMin: number()
    .label('Minutes until it locks')
    .required('Minutes until it locks is missing.')
    .integer()
    .min(LOCKS_AFTER_MIN.least)
    .max(LOCKS_AFTER_MIN.most)
}).noUnknown()
export type Enrol = { readonly name: string; readonly tableId: string | null; readonly locksAfterMin: number }

/** A tablet as the people who look after it see it. */
export type TabletRow = {
  readonly id: string
  readonly name: string
  readonly tableNumber: number | null
  readonly locksAfterMin: number
  readonly enrolledBy: string
  readonly enrolledAt: string
  readonly isThis: boolean
}
export type TabletsView = {
  readonly tablets: readonly TabletRow[]
  readonly tables: readonly { readonly id: string; readonly number: number }[]
  readonly thisOne: TabletRow | null
}

/** Someone whose PIN opens a tablet; `near`: expected at it today. */
export type TabletPerson = {
  readonly id: string
  readonly givenName: string
  readonly familyName: string
  readonly role: Role
  readonly near: boolean
}
/** What a locked tablet shows; null where it is not enrolled. */
export type TabletDoor = {
  readonly tablet: {
    readonly name: string
    readonly tableId: string | null
    readonly tableNumber: number | null
    readonly locksAfterMin: number
  } | null
  readonly people: readonly TabletPerson[]
}
