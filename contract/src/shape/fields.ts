// Fields that several schemas share, each with its sentence.
import { isDate } from '@peen/core/terms'
import { lazy, mixed, number, object, string, type Schema } from './yup'

const USERNAME = /^[a-z0-9][a-z0-9._-]{1,39}$/

/** A line of text that must be there. */
export const named = (label: string, most = 60) =>
  string()
    .trim()
    .label(label)
    .required(`${label} is missing.`)
    .max(most, `${label} is too long; it can have up to ${most} characters.`)
    .test(
      'form',
      ({ value }) => `${label} uses look-alike characters; write it as “${String(value).normalize('NFKC').slice(0, most)}”.`,
      (value) => !value || value === value.normalize('NFKC')
    )
    .test('visible', `${label} contains an invisible character; type it again.`, (value) => !value || !HIDDEN.test(value))
/** Control and formatting characters that a name hides behind; the joiners that some scripts need between letters are left. */
const HIDDEN = /[\p{Cc}\p{Co}\p{Cs}\p{Zl}\p{Zp}]|(?![\u200c\u200d])\p{Cf}/u
/** Words that may be left out. */
export const words = (label: string, most: number) =>
  string().trim().label(label).defined().max(most, `${label} is too long; it can have up to ${most} characters.`)
/** A number that need not be whole. */
export const between = (label: string, low: number, high: number, unit: string) => {
  const say = ({ value }: { value: unknown }) => `${label} is ${String(value).slice(0, 20)}; it must be ${low} to ${high} ${unit}.`
  return number().typeError(say).label(label).min(low, say).max(high, say)
}
/** A whole number that must be there; what is wrong with it is said once. */
export const within = (label: string, low: number, high: number, unit: string) => {
  const say = ({ value }: { value: unknown }) => `${label} is ${String(value).slice(0, 20)}; it must be ${low} to ${high} ${unit}.`
  const fits = (value: number | null | undefined) =>
    value === null || value === undefined || (Number.isInteger(value) && value >= low && value <= high)
  return number().typeError(say).label(label).required(`${label} is missing.`).test('within', say, fits)
}
/** A measurement that need not have been taken. */
export const maybe = (label: string, low: number, high: number, unit: string) => between(label, low, high, unit).nullable().defined()
/** "a, b or c": what a value may be. */
export const either = (allowed: readonly string[]) => new Intl.ListFormat('en-GB', { type: 'disjunction' }).format(allowed)
export const oneOf = <T extends string>(label: string, allowed: readonly T[]) =>
  mixed<T>()
    .label(label)
    .oneOf([...allowed], ({ value }) => `${label} is ${String(value).slice(0, 40)}; it must be ${either(allowed)}.`)
export const chosen = <T extends string>(label: string, allowed: readonly T[]) => oneOf(label, allowed).required(`${label} is missing.`)
/** A calendar date, YYYY-MM-DD. */
export const date = (label: string) =>
  string().test(
    'date',
    ({ value }) => `${label} is ${String(value).slice(0, 20)}; it must be a date such as 2026-04-14.`,
    (value) => {
      if (value === undefined || value === null) return true
      return isDate(value)
    }
  )
const CLOCK = /^([01]\d|2[0-3]):[0-5]\d$/
/** A time of the school's own clock. */
export const clockTime = (label: string) =>
  string().test(
    'time',
    ({ value }) => `${label} is ${String(value).slice(0, 20)}; it must be a time such as 09:30.`,
    (value) => value === undefined || value === null || value === '' || CLOCK.test(value)
  )
/** An apprentice belongs to a cohort; who is staff to none. */
export const cohortOf = () =>
  words('Cohort', 60).when('role', { is: 'apprentice', then: (schema) => schema.required('Cohort is missing.') })
export const username = () =>
  string()
    .required('Username is missing.')
    .matches(USERNAME, 'Username must be 2 to 40 lower-case letters, digits, dots, hyphens or underscores.')
export const password = () =>
  string().required('Password is missing.').min(10, 'Password is too short; it must have at least 10 characters.').max(200)
/** A value of one shape under each of some names, at most so many. */
export const mapOf = <T>(of: Schema<T>, label: string, most: number) =>
  lazy((value: unknown) => {
    const names = Object.keys((value as object) ?? {})
    return object(Object.fromEntries(names.slice(0, most).map((name) => [name, of])))
      .required()
      .test('most', `${label}: there are ${names.length}; there can be at most ${most}.`, () => names.length <= most)
  }) as unknown as Schema<Readonly<Record<string, T>>>

/** A reason in words, which its message asks for; blanks are none. */
export const reasonIn = (message: string, most = 1000) =>
  string()
    .defined(message)
    .max(most)
    .test('words', message, (value) => value.trim().length >= 5)
