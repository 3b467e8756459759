import { hash, verify } from '@node-rs/argon2'
import {
  USUAL_READING,
  USUAL_SETTINGS,
  type Me,
  type NewPassword,
  type Reading,
  type Settings,
  type Setup,
  type SignIn
} from '@peen/contract'
import { and, eq, ne } from 'drizzle-orm'
import { createHash, randomBytes } from 'node:crypto'
import { v7 } from 'uuid'
import { inTransaction, tables, type Database } from '../../db'
import { Refused, refuse, type Services } from '../../http'
import { recordAccount, waitsForWelcome } from '../accounts'
import { ensureSchool } from '../school'
import { refuseCommon } from './common'
import { closeSignIn, countPeople, openSignIn, personByUsername, readingOf, signInByHash } from './store'
import { forgetTries, pinKey, tryPassword } from './tries'

export const COOKIE = 'peen_session'

/** Chosen: a working day and its evening. */
const SESSION_HOURS = 14
/** Argon2id with the package's defaults raised to OWASP's 19 MiB, 2 passes (from memory). */
export function hashPassword(password: string): Promise<string> {
  return hash(password, { memoryCost: 19456, timeCost: 2, parallelism: 1 })
}

export type OpenedSession = { readonly token: string; readonly me: Me; readonly maxAgeMs: number }

/** Signs a person in; the same sentence for an unknown name and a wrong password, and as slow. */
export async function signIn({ db, clock }: Services, body: SignIn, ip: string, deviceId: string | null): Promise<OpenedSession> {
  const now = clock.real()
  const keys = [
    { kind: 'name' as const, value: body.username.toLowerCase() },
    { kind: 'address' as const, value: ip }
  ]
  const person = await tryPassword(db, keys, now, async () => {
    const one = await personByUsername(db, body.username)
    // who was invited and has chosen no password yet has none that could be right
    const hash = one?.passwordHash.startsWith('$') ? one.passwordHash : await decoyHash()
    const right = (await verify(hash, body.password)) && one !== null && one.active
    return { right, value: right ? one : null }
  })
  if (!person) throw new Refused(401, 'wrongSignIn', 'That username and password do not match.')
  // the password makes up for wrong PINs on this tablet
  if (deviceId) await forgetTries(db, pinKey(deviceId, person.id))
  return open(db, person, now)
}

async function open(
  db: Database,
  person: { id: string; givenName: string; familyName: string; role: Me['role']; settings?: Partial<Settings> | null },
  now: Date,
  pinTablet: string | null = null
): Promise<OpenedSession> {
  const token = randomBytes(32).toString('base64url')
  const csrf = randomBytes(24).toString('base64url')
  const maxAgeMs = SESSION_HOURS * 3600000
  await openSignIn(
    db,
    {
      tokenHash: tokenHash(token),
      personId: person.id,
      csrf,
      createdAt: now,
      expiresAt: new Date(now.getTime() + maxAgeMs),
      pinTablet,
      byPin: pinTablet !== null
    },
    now
  )
  const { id, givenName, familyName, role } = person
  const me: Me = { id, givenName, familyName, role, csrf, settings: settingsOf(person.settings, await readingOf(db)) }
  return { token, maxAgeMs, me: pinTablet ? { ...me, byPin: true } : me }
}

/** Signs in a person who came by a letter, or by a PIN on a tablet. */
export async function openFor(
  { db, clock }: Services,
  person: Parameters<typeof open>[1],
  pinTablet: string | null = null
): Promise<OpenedSession> {
  return open(db, person, clock.real(), pinTablet)
}

/** Who a cookie belongs to; null when it has ended or never was. */
export async function whoIs({ db, clock }: Services, token: string | undefined): Promise<Me | null> {
  if (!token) return null
  const row = await signInByHash(db, tokenHash(token), clock.real())
  if (!row) return null
  const { personId: id, givenName, familyName, role, csrf, settings, reading, byPin } = row
  const me: Me = { id, givenName, familyName, role, csrf, settings: settingsOf(settings, { ...USUAL_READING, ...reading }) }
  return byPin ? { ...me, byPin } : me
}

/** What a person has not chosen is as the school reads; settings that came later are the usual ones. */
const settingsOf = (own: Partial<Settings> | null | undefined, reading: Reading): Settings => ({ ...USUAL_SETTINGS, ...reading, ...own })

/** Keeps how a person wants to read Peen. What is as the school has it follows the school when that changes. */
export async function keepSettings({ db }: Services, actor: Me, settings: Settings): Promise<Settings> {
  const reading = await readingOf(db)
  const own = Object.fromEntries(Object.entries(settings).filter(([key, value]) => reading[key as keyof Reading] !== value))
  await db.update(tables.people).set({ settings: own }).where(eq(tables.people.id, actor.id))
  return settings
}

/** Sets how everyone reads Peen who has not chosen for themselves. */
export async function keepReading({ db }: Services, reading: Reading): Promise<Reading> {
  await db.update(tables.school).set({ reading }).where(eq(tables.school.id, 1))
  return reading
}

/** Changes one's own password; whoever knows it not is refused. Every other sign-in of the person ends. */
export async function changePassword(
  { db, clock }: Services,
  actor: Me,
  { now, next }: NewPassword,
  token: string | undefined
): Promise<void> {
  await refuseWrongPassword({ db, clock }, actor, now, 'now')
  refuseCommon(next, 'next')
  const passwordHash = await hashPassword(next)
  await inTransaction(db, async (tx) => {
    await tx.update(tables.people).set({ passwordHash }).where(eq(tables.people.id, actor.id))
    // a person who was let in with a password that a colleague knows has one of their own now
    if (actor.role !== 'apprentice' && (await waitsForWelcome(tx, actor.id, clock.real())))
      await recordAccount(tx, { kind: 'welcomed', personId: actor.id, by: null, at: clock.real() })
    await tx.delete(tables.signIns).where(and(eq(tables.signIns.personId, actor.id), ne(tables.signIns.tokenHash, tokenHash(token ?? ''))))
  })
}

/** Refuses a password that is not one's own, naming the field; tries are counted as at the door. */
export async function refuseWrongPassword(
  { db, clock }: Pick<Services, 'db' | 'clock'>,
  actor: Me,
  password: string,
  field: string
): Promise<void> {
  const [person] = await db.select().from(tables.people).where(eq(tables.people.id, actor.id))
  const right = await tryPassword(db, [{ kind: 'name', value: `own ${actor.id}` }], clock.real(), async () => {
    const isRight = await verify(person.passwordHash, password)
    return { right: isRight, value: isRight }
  })
  if (!right) throw refuse.invalid([{ path: field, detail: 'That is not your password. Nothing was changed.' }])
}

/** Who came in by PIN has said the password: from now on this sign-in is as good as any. */
export async function signInWithPassword({ db }: Services, token: string | undefined): Promise<void> {
  await db
    .update(tables.signIns)
    .set({ byPin: false })
    .where(eq(tables.signIns.tokenHash, tokenHash(token ?? '')))
}

export async function signOut({ db }: Services, token: string | undefined): Promise<void> {
  if (token) await closeSignIn(db, tokenHash(token))
}

/** The first lead assessor of an empty school. Refused as soon as anybody exists. */
export async function setUp(services: Services, body: Setup): Promise<OpenedSession> {
  const { db, clock } = services
  refuseCommon(body.password, 'password')
  const passwordHash = await hashPassword(body.password)
  const startedOn = await clock.today()
  const person = await inTransaction(db, async (tx) => {
    await ensureSchool(tx, body.schoolName)
    await tx.select().from(tables.school).for('update')
    if ((await countPeople(tx)) > 0) throw refuse.conflict('alreadySetUp', 'This school already has its first lead assessor. Sign in.')
    const row = {
      id: v7(),
      givenName: body.givenName,
      familyName: body.familyName,
      username: body.username,
      passwordHash,
      role: 'lead' as const,
      cohort: '',
      startedOn,
      handed: 'right',
      active: true
    }
    await tx.insert(tables.people).values(row)
    await recordAccount(tx, { kind: 'made', personId: row.id, by: null, at: clock.real() })
    await recordAccount(tx, { kind: 'welcomed', personId: row.id, by: null, at: clock.real() })
    return row
  })
  return open(db, person, clock.real())
}

function tokenHash(token: string): string {
  return createHash('sha256').update(token).digest('hex')
}

let decoy: Promise<string> | null = null
/** A hash that nothing fits: who has none is answered as slowly as who has. */
export function decoyHash(): Promise<string> {
  return (decoy ??= hashPassword(randomBytes(16).toString('hex')))
}
