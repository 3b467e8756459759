import { serve, type Route } from '../../http'
import { COOKIE, DEVICE_COOKIE, deviceIn, keep, knowDevice, refuseWrongPassword, signInWithPassword } from '../auth'
import { keepPin, unlock } from './pin'
import { enrolTablet, revokeTablet, tabletDoor, tabletsView } from './tablets'

export const tabletRoutes: readonly Route[] = [
  serve('keepPin', ({ services, actor, body }) => keepPin(services, actor, body)),
  serve('sayPassword', async ({ services, actor, body, cookies }) => {
    await refuseWrongPassword(services, actor, body.password, 'password')
    await signInWithPassword(services, cookies[COOKIE])
  }),
  serve('tabletDoor', ({ services, cookies }) => tabletDoor(services, deviceIn(cookies))),
  serve('unlockTablet', async ({ services, body, response, cookies }) =>
    keep(response, cookies, await unlock(services, body, deviceIn(cookies)))
  ),
  serve('tablets', ({ services, cookies }) => tabletsView(services, deviceIn(cookies))),
  serve('enrolTablet', ({ services, actor, body, response, cookies }) =>
    enrolTablet(services, actor, deviceIn({ [DEVICE_COOKIE]: knowDevice(response, cookies) })!, body)
  ),
  serve('revokeTablet', ({ services, actor, params, cookies }) => revokeTablet(services, actor, params.tablet, deviceIn(cookies)))
]
