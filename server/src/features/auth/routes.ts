import {
  newPasswordSchema,
  settingsSchema,
  setupSchema,
  signInSchema,
  type Me,
  type NewPassword,
  type Settings,
  type Setup,
  type SignIn
} from '@peen/contract'
import type { Response } from 'express'
import { route, type Route } from '../../http'
import { changePassword, COOKIE, keepSettings, setUp, signIn, signOut, type OpenedSession } from './auth'
import { DEVICE_COOKIE, deviceOf, knowDevice } from './device'
import { countPeople } from './store'

const EVERYBODY = ['lead', 'instructor', 'apprentice'] as const

export const authRoutes: readonly Route[] = [
  route('get', '/setup', 'anyone', async ({ services }) => ({ needed: (await countPeople(services.db)) === 0 })),
  route<Setup>(
    'post',
    '/setup',
    'anyone',
    async ({ services, body, response, cookies }) => keep(response, cookies, await setUp(services, body)),
    setupSchema
  ),
  route<SignIn>(
    'post',
    '/sign-in',
    'anyone',
    async ({ services, body, ip, response, cookies }) => keep(response, cookies, await signIn(services, body, ip)),
    signInSchema
  ),
  route('post', '/sign-out', [...EVERYBODY], async ({ services, cookies, response }) => {
    await signOut(services, cookies[COOKIE])
    response.clearCookie(COOKIE, { path: '/' })
  }),
  route<Settings>(
    'put',
    '/me/settings',
    [...EVERYBODY],
    ({ services, actor, body }) => keepSettings(services, actor, body),
    settingsSchema
  ),
  route<NewPassword>(
    'post',
    '/me/password',
    [...EVERYBODY],
    ({ services, actor, body, cookies }) => changePassword(services, actor, body, cookies[COOKIE]),
    newPasswordSchema
  ),
  route('get', '/me', [...EVERYBODY], async ({ actor }) => actor),
  /** what a page asks when it loads: who is signed in, and whether anybody is here at all */
  route('get', '/session', 'anyone', async ({ services, actor }) => ({
    me: actor,
    needsSetup: actor === null && (await countPeople(services.db)) === 0
  }))
]

/** Hands the cookies over and answers who signed in, and on which tablet. */
export function keep(response: Response, cookies: Readonly<Record<string, string | undefined>>, opened: OpenedSession): Me {
  response.cookie(COOKIE, opened.token, { httpOnly: true, sameSite: 'strict', path: '/', maxAge: opened.maxAgeMs })
  const device = knowDevice(response, cookies)
  return { ...opened.me, deviceId: deviceOf({ [DEVICE_COOKIE]: device }, opened.token) }
}
