import { isDate } from '@peen/core/terms'
import { refuse } from './problem'

/** A day that stands in an address; refuses what is none, with the field's name. */
export function dateIn(label: string, path: string, text: string): string {
  if (!isDate(text)) throw refuse.invalid([{ path, detail: `${label} is ${text.slice(0, 20)}; it must be a date such as 2026-04-14.` }])
  return text
}
