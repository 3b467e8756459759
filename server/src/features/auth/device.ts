// Which tablet a tap came from: as the server knows it by a cookie of its own, whatever the tap says.
import { createHash, randomBytes } from 'node:crypto'
import type { Response } from 'express'

export const DEVICE_COOKIE = 'peen_device'
const YEARS_2_MS = 2 * 366 * 24 * 3600000
const LONGEST = 64

type Cookies = Readonly<Record<string, string | undefined>>

/** A tablet’s own cookie; one that is longer than any that was given out is none. */
function ownOf(cookies: Cookies): string | null {
  const own = cookies[DEVICE_COOKIE]
  return own && own.length <= LONGEST ? own : null
}

/** The name of the tablet behind a sign-in. A tablet that has lost its own cookie is known by its sign-in instead. */
export function deviceOf(cookies: Cookies, signIn: string): string {
  const known = ownOf(cookies) ?? signIn
  return `device-${createHash('sha256').update(known).digest('hex').slice(0, 16)}`
}

/** The tablet that a request comes from, by its own cookie; null where it has none yet. */
export const deviceIn = (cookies: Cookies): string | null => (ownOf(cookies) === null ? null : deviceOf(cookies, ''))

/** Gives a tablet its own cookie at the first sign-in on it; it stays when they sign out. @returns its value */
export function knowDevice(response: Response, cookies: Cookies): string {
  const known = ownOf(cookies) ?? randomBytes(24).toString('base64url')
  response.cookie(DEVICE_COOKIE, known, {
    ...{ httpOnly: true, sameSite: 'strict', path: '/', maxAge: YEARS_2_MS },
    secure: response.req.secure
  })
  return known
}
