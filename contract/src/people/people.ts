// Letting people in by a letter, resetting, retiring; cohorts; the letters themselves.
import type { AccountEvent } from '@peen/core/certify'
import { ROLES, type Role } from './auth'
import { chosen, cohortOf, date, named, password, username } from '../shape/fields'
import { boolean, object, string, uuid } from '../shape/yup'

export const inviteSchema = object({
  id: uuid().required(),
  givenName: named('First name'),
  familyName: named('Last name'),
  username: username(),
  email: string()
    .trim()
    .required('Email address is missing.')
    .max(120, 'Email address is too long; it can have up to 120 characters.')
    .matches(
      /^[^\s@]+@[^\s@.]+(\.[^\s@.]+)+$/,
      ({ value }) => `Email address is ${String(value).slice(0, 60)}; it must be one such as ada@post.example.`
    ),
  role: chosen('Role', ROLES),
  cohort: cohortOf()
}).noUnknown()
export type Invite = {
  readonly id: string
  readonly givenName: string
  readonly familyName: string
  readonly username: string
  readonly email: string
  readonly role: Role
  readonly cohort: string
}

export const welcomeSchema = object({ token: string().required('The letter’s key is missing.').max(200), password: password() }).noUnknown()
export type Welcome = { readonly token: string; readonly password: string }

export const retireSchema = object({ active: boolean().required() }).noUnknown()
export type Retire = { readonly active: boolean }

/** Two accounts belong to one person, or do not after all. */
export const samePersonSchema = object({
  otherId: uuid().required('The other account is missing.'),
  same: boolean().required('Say whether it is the same person.')
}).noUnknown()
export type SamePerson = { readonly otherId: string; readonly same: boolean }

export const cohortSchema = object({
  name: named('Cohort'),
  startedOn: date('Started on').required('Started on is missing.'),
  endedOn: date('Ended on').nullable().defined()
}).noUnknown()
export type Cohort = { readonly name: string; readonly startedOn: string; readonly endedOn: string | null }

export type PersonRow = {
  readonly id: string
  readonly givenName: string
  readonly familyName: string
  readonly username: string
  readonly email: string | null
  readonly role: Role
  readonly cohort: string
  readonly active: boolean
  /** invited and has not chosen a password yet */
  readonly waiting: boolean
  /** staff whose account signs */
  readonly signs: boolean
  /** why it does not yet; null where it does, and for apprentices */
  readonly unsettled: string | null
  /** may the reader confirm this account? */
  readonly mayConfirm: boolean
  /** the person's other accounts, as colleagues have said */
  readonly otherAccounts: readonly string[]
  /** the day on which what names this person was erased; null for everyone else */
  readonly erasedOn: string | null
}
/** What erasing an apprentice takes away and what stays, in sentences. */
export type ErasureView = {
  /** why it cannot be done now; null where it can */
  readonly refusal: string | null
  readonly goes: readonly string[]
  readonly stays: readonly string[]
}
export type Letter = { readonly id: string; readonly address: string; readonly subject: string; readonly body: string; readonly at: string }
export type PeopleView = {
  readonly people: readonly PersonRow[]
  readonly cohorts: readonly (Cohort & { readonly people: number })[]
  /** what happened to accounts of staff, the newest first: every signer sees it */
  readonly accounts: readonly AccountEvent[]
  /** mail that would have been sent; who asked for it reads it */
  readonly letters: readonly Letter[]
}
