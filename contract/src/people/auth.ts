import { password, username } from '../shape/fields'
import type { Settings } from './own'
import { object, string, type InferType } from '../shape/yup'

export const ROLES = ['lead', 'instructor', 'apprentice'] as const
export type Role = (typeof ROLES)[number]

export const ROLE_NAMES: Readonly<Record<Role, string>> = { lead: 'lead assessor', instructor: 'instructor', apprentice: 'apprentice' }

export const signInSchema = object({
  username: string().label('Username').required('Username is missing.').max(60),
  password: string().label('Password').required('Password is missing.').max(200)
}).noUnknown()
export type SignIn = InferType<typeof signInSchema>

export const setupSchema = object({
  schoolName: string().label('School').required('School name is missing.').max(80),
  givenName: string().label('First name').required('Your first name is missing.').max(60),
  familyName: string().label('Last name').required('Your last name is missing.').max(60),
  username: username(),
  password: password()
}).noUnknown()
export type Setup = InferType<typeof setupSchema>

export type Me = {
  readonly id: string
  readonly givenName: string
  readonly familyName: string
  readonly role: Role
  readonly csrf: string
  readonly settings: Settings
  /** this tablet, as the server knows it; its taps are kept under this name */
  readonly deviceId?: string
  /** signed in by PIN on an enrolled tablet: signing and accounts ask for the password once */
  readonly byPin?: boolean
}
