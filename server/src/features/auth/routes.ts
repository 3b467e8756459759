import { type Me } from '@peen/contract'
import type { Response } from 'express'
import { serve, type Route } from '../../http'
import { changePassword, COOKIE, keepReading, keepSettings, setUp, signIn, signOut, type OpenedSession } from './auth'
import { DEVICE_COOKIE, deviceIn, deviceOf, knowDevice } from './device'
import { countPeople, readingOf } from './store'

export const authRoutes: readonly Route[] = [
  serve('setupNeeded', async ({ services }) => ({ needed: (await countPeople(services.db)) === 0 })),
  serve('setUp', async ({ services, body, response, cookies }) => keep(response, cookies, await setUp(services, body))),
  serve('signIn', async ({ services, body, ip, response, cookies }) =>
    keep(response, cookies, await signIn(services, body, ip, deviceIn(cookies)))
  ),
  serve('signOut', async ({ services, cookies, response }) => {
    await signOut(services, cookies[COOKIE])
    response.clearCookie(COOKIE, { path: '/' })
  }),
  serve('keepSettings', ({ services, actor, body }) => keepSettings(services, actor, body)),
  serve('keepReading', ({ services, body }) => keepReading(services, body)),
  serve('changePassword', ({ services, actor, body, cookies }) => changePassword(services, actor, body, cookies[COOKIE])),
  serve('me', async ({ actor }) => actor),
  /** what a page asks when it loads: who is signed in, and whether anybody is here at all */
  serve('signedIn', async ({ services, actor }) => ({
    me: actor,
    needsSetup: actor === null && (await countPeople(services.db)) === 0,
    reading: await readingOf(services.db)
  }))
]

/** Hands the cookies over and answers who signed in, and on which tablet. */
export function keep(response: Response, cookies: Readonly<Record<string, string | undefined>>, opened: OpenedSession): Me {
  response.cookie(COOKIE, opened.token, {
    ...{ httpOnly: true, sameSite: 'strict', path: '/', maxAge: opened.maxAgeMs },
    secure: response.req.secure
  })
  const device = knowDevice(response, cookies)
  return { ...opened.me, deviceId: deviceOf({ [DEVICE_COOKIE]: device }, opened.token) }
}
