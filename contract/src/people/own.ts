// What a person sets for themselves, and how they change their password.
import { LANGUAGES, type Language } from '@peen/wording/languages'
import { chosen, password } from '../shape/fields'
import { boolean, object, string } from '../shape/yup'

export const LENGTH_UNITS = ['mm', 'in'] as const
export const CLOCKS = ['24', '12'] as const
export const WEEKS = ['monday', 'sunday'] as const
export const THEMES = ['device', 'light', 'dark'] as const
export const TEXT_SIZES = ['usual', 'large', 'larger'] as const
export const CALLS = ['quiet', 'sound', 'vibration', 'both'] as const

/** How people read Peen in one school, until a person chooses otherwise. */
export type Reading = {
  readonly language: Language
  readonly lengths: (typeof LENGTH_UNITS)[number]
  readonly clock: (typeof CLOCKS)[number]
  /** the day on which a week begins in a calendar */
  readonly week: (typeof WEEKS)[number]
}
/** How one person wants to read and hear Peen, on whatever tablet they sign in. */
export type Settings = Reading & {
  readonly theme: (typeof THEMES)[number]
  readonly text: (typeof TEXT_SIZES)[number]
  /** what a tablet does when an apprentice asks for help */
  readonly call: (typeof CALLS)[number]
  /** the short guide for the role has been read */
  readonly guided: boolean
}
export const USUAL_READING: Reading = Object.freeze({ language: 'en-GB', lengths: 'mm', clock: '24', week: 'monday' } as const)
export const USUAL_SETTINGS: Settings = Object.freeze({
  ...USUAL_READING,
  ...{ theme: 'device', text: 'usual', call: 'quiet', guided: false }
} as const)

const reading = {
  language: chosen('Language', LANGUAGES),
  lengths: chosen('Lengths', LENGTH_UNITS),
  clock: chosen('Clock', CLOCKS),
  week: chosen('First day of the week', WEEKS)
}
export const readingSchema = object(reading).noUnknown()
export const settingsSchema = object({
  ...reading,
  theme: chosen('Theme', THEMES),
  text: chosen('Text size', TEXT_SIZES),
  call: chosen('A call for help', CALLS),
  guided: boolean().required()
}).noUnknown()

export const newPasswordSchema = object({
  now: string().label('Current password').required('Your current password is missing.').max(200),
  next: password()
}).noUnknown()
export type NewPassword = { readonly now: string; readonly next: string }
