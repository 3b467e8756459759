import { object, string, type InferType } from './yup'

export const ROLES = ['lead', 'instructor', 'apprentice'] as const
export type Role = (typeof ROLES)[number]

export const ROLE_NAMES: Readonly<Record<Role, string>> = { lead: 'lead assessor', instructor: 'instructor', apprentice: 'apprentice' }

export const signInSchema = object({
  username: string().label('User name').required('User name is missing.').max(60),
  password: string().label('Password').required('Password is missing.').max(200)
}).noUnknown()
export type SignIn = InferType<typeof signInSchema>

export const setupSchema = object({
  schoolName: string().label('School').required('The name of the school is missing.').max(80),
  givenName: string().label('Given name').required('Your given name is missing.').max(60),
  familyName: string().label('Family name').required('Your family name is missing.').max(60),
  username: string()
    .required('User name is missing.')
    .matches(/^[a-z0-9][a-z0-9._-]{1,39}$/, 'User name: 2 to 40 small letters, figures, dot, dash or underscore.'),
  password: string().required('Password is missing.').min(10, 'Password is too short; at least 10 characters.').max(200)
}).noUnknown()
export type Setup = InferType<typeof setupSchema>

export type Me = {
  readonly id: string
  readonly givenName: string
  readonly familyName: string
  readonly role: Role
  readonly csrf: string
}
