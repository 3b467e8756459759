import { format, parseISO } from 'date-fns'
import { CoreError } from '../error'

/** Exactly 25.4 mm to the international inch. Source: International Yard and Pound Agreement, 1959 (from memory). */
export const MM_PER_INCH = 25.4

/** Hair lengths Peen accepts, mm. Chosen: a full drop coat on a large dog stays under 300. */
export const HAIR_LENGTH_LIMITS_MM = Object.freeze({ low: 0, high: 300 })

export type LengthUnit = 'mm' | 'in'

/** Inches to millimetres, exact at 25.4. */
export function mmFromInch(inch: number): number {
  return inch * MM_PER_INCH
}

/** Millimetres to inches, exact at 25.4. */
export function inchFromMm(mm: number): number {
  return mm / MM_PER_INCH
}

/**
 * Millimetres of an inch label such as "5/64", "1/2", "1" or "1 1/8".
 * Refuses any other text with code `notAFraction`.
 * @example mmOfFraction('5/64') // 1.984375
 */
export function mmOfFraction(label: string): number {
  const parts = /^(?:(\d+)(?:\s+|$))?(?:(\d+)\/(\d+))?$/.exec(label.trim())
  const whole = Number(parts?.[1] ?? 0)
  const top = Number(parts?.[2] ?? 0)
  const bottom = Number(parts?.[3] ?? 1)
  if (!parts || label.trim() === '' || bottom === 0) {
    throw new CoreError({ code: 'notAFraction', path: 'fraction', got: label, limit: 'inches such as "5/64", "1" or "1 1/8"' })
  }
  return mmFromInch(whole + top / bottom)
}

/**
 * A length in words: "16 mm", "1.6 mm" or, in inches, the nearest 1/64 as a fraction ("5/8 in").
 * Below 10 mm one decimal is kept, from 10 mm on whole millimetres unless a half is meant.
 */
export function sayLength(mm: number, unit: LengthUnit): string {
  return unit === 'mm' ? `${sayNumber(mm)} mm` : `${sayFraction(inchFromMm(mm))} in`
}

/** More characters than any length has. */
const LONGEST = 60

/**
 * Millimetres of what was typed: "356", "35.6 cm", "14 in", "14 1/2 in" or 14". A bare number is in `unit`.
 * Refuses what is no length with code `notALength`.
 * @example mmOfText('14 in', 'mm') // 355.6
 */
export function mmOfText(text: string, unit: LengthUnit): number {
  const given = text.trim()
  const [, amount = '', named = ''] =
    given.length > LONGEST ? [] : (/^([\d.,/\s]*[\d.,/])\s*(mm|cm|inches|inch|in|["″”])?$/i.exec(given) ?? [])
  const isInch = named === '' ? unit === 'in' : !/^[mc]m$/i.test(named)
  const decimal = amount.trim().replace(',', '.')
  const refuse = () =>
    new CoreError({ code: 'notALength', path: 'length', got: text.slice(0, 20), limit: 'a length such as 356 mm, 35.6 cm or 14 in' })
  if (isInch && amount.includes('/')) {
    try {
      return mmOfFraction(amount)
    } catch {
      throw refuse()
    }
  }
  if (!/^(\d+(\.\d*)?|\.\d+)$/.test(decimal)) throw refuse()
  const value = Number(decimal)
  return isInch ? mmFromInch(value) : /^cm$/i.test(named) ? 10 * value : value
}

/** Inches as they are read off a rule, by the size of the length: 64ths under 20 mm, 16ths under 100, eighths beyond. Chosen. */
function sayInches(mm: number): string {
  const parts = mm < 20 ? 64 : mm < 100 ? 16 : 8
  return sayFraction(Math.round(inchFromMm(mm) * parts) / parts)
}

/** A sentence with its millimetres told in inches: "13 to 20 mm" becomes "33/64 to 13/16 in". Nothing else in it changes. */
export function lengthsIn(text: string, unit: LengthUnit): string {
  if (unit === 'mm') return text
  return text.replace(
    /(?<!\d)(\d+(?:\.\d+)?)((?: to | and | or | ± )(\d+(?:\.\d+)?))? mm\b/g,
    (_, first: string, more?: string, second?: string) => {
      const rest = more && second ? more.replace(second, sayInches(Number(second))) : ''
      return `${sayInches(Number(first))}${rest} in`
    }
  )
}

/** A number without a needless decimal: 16, 1.6, 0.25. */
export function sayNumber(value: number): string {
  const digits = Math.abs(value) < 1 ? 2 : 1
  return String(Number(value.toFixed(digits)))
}

/** "Give or take" is twice the standard uncertainty: it holds about nineteen times in twenty. Source: JCGM 100:2008, 6.3.3 */
export const GIVE_OR_TAKE = 2
/** How far a value may be off, of its standard uncertainty, as one says it after "give or take". */
export const giveOrTake = (u: number): string => sayNumber(GIVE_OR_TAKE * u)

/** A plain date in words, "29 January 2026". */
export function sayDay(date: string): string {
  return format(parseISO(date), 'd MMMM yyyy')
}

/** The same text beginning with a capital or a small letter. */
/** Whole days that have gone by, as one says them: "today", "yesterday", "9 days ago". */
export const sayAgo = (days: number): string => (days === 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`)

export const upperFirst = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
export const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1)

function sayFraction(inch: number): string {
  const sixtyFourths = Math.round(inch * 64)
  const whole = Math.floor(sixtyFourths / 64)
  let top = sixtyFourths % 64
  let bottom = 64
  while (top > 0 && top % 2 === 0) {
    top /= 2
    bottom /= 2
  }
  if (top === 0) return whole === 0 && inch > 0 ? 'under 1/64' : String(whole)
  return whole > 0 ? `${whole} ${top}/${bottom}` : `${top}/${bottom}`
}
