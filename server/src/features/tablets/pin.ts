// A PIN opens an enrolled tablet and nothing else; it is tried on the server, never on the tablet.
import { verify } from '@node-rs/argon2'
import { MOST_WRONG_PINS, type Me, type NewPin, type Unlock } from '@peen/contract'
import { eq } from 'drizzle-orm'
import { tables } from '../../db'
import { Refused, type Services } from '../../http'
import { decoyHash, hashPassword, openFor, pinKey, refuseWrongPassword, tryPassword, wrongTries, type OpenedSession } from '../auth'
import { enrolledTablet } from './tablets'

const { people: p } = tables
/** Wrong PINs count so long, hours: a working day. */
const COUNT_HOURS = 12

/** Keeps one's PIN, or takes it away; the password says that it is oneself. */
export async function keepPin(services: Services, actor: Me, { password, pin }: NewPin): Promise<{ readonly hasPin: boolean }> {
  await refuseWrongPassword(services, actor, password, 'password')
  const pinHash = pin === null ? null : await hashPassword(pin)
  await services.db.update(p).set({ pinHash }).where(eq(p.id, actor.id))
  return { hasPin: pin !== null }
}

/** Opens an enrolled tablet. After some wrong PINs of one person on it, only their password opens it there. */
export async function unlock(services: Services, { personId, pin }: Unlock, deviceId: string | null): Promise<OpenedSession> {
  const { db, clock } = services
  const now = clock.real()
  const found = await enrolledTablet(db, deviceId)
  if (!found || deviceId === null)
    throw new Refused(
      403,
      'notEnrolled',
      'This tablet is not enrolled, so PINs do not work on it. Sign in with your username and password.'
    )
  const key = pinKey(deviceId, personId)
  const since = new Date(now.getTime() - COUNT_HOURS * 3600000)
  const person = await tryPassword(db, [key], now, async () => {
    // this try is counted already
    const wrong = (await wrongTries(db, key, since)) - 1
    if (wrong >= MOST_WRONG_PINS)
      throw new Refused(
        429,
        'pinBlocked',
        `${MOST_WRONG_PINS} wrong PINs here today. Sign in on this tablet with your username and password; then your PIN works again.`
      )
    const [one] = await db.select().from(p).where(eq(p.id, personId))
    // as slow for a person who has no PIN
    const right = (await verify(one?.pinHash ?? (await decoyHash()), pin)) && one !== undefined && one.pinHash !== null && one.active
    return { right, value: right ? one : null }
  })
  if (!person) throw new Refused(401, 'wrongPin', 'Wrong PIN. Try again.')
  return openFor(services, person, deviceId)
}
