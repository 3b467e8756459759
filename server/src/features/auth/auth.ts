import { hash, verify } from '@node-rs/argon2'
import type { Me, Setup, SignIn } from '@peen/contract'
import { createHash, randomBytes } from 'node:crypto'
import { v7 } from 'uuid'
import { inTransaction, tables, type Database } from '../../db'
import { Refused, refuse, type Services } from '../../http'
import { ensureSchool } from '../school'
import {
  closeSignIn,
  countPeople,
  forgetFailures,
  openSignIn,
  personByUsername,
  recentFailures,
  recordFailure,
  signInByHash
} from './store'

export const COOKIE = 'peen_session'

/** Chosen: a working day and its evening. */
const SESSION_HOURS = 14
/** Chosen: ten tries a quarter of an hour for a name, forty for an address. */
const WINDOW_MINUTES = 15
const TRIES_PER_NAME = 10
const TRIES_PER_ADDRESS = 40

/** Argon2id with the package's defaults raised to OWASP's 19 MiB, 2 passes (from memory). */
export function hashPassword(password: string): Promise<string> {
  return hash(password, { memoryCost: 19456, timeCost: 2, parallelism: 1 })
}

export type OpenedSession = { readonly token: string; readonly me: Me; readonly maxAgeMs: number }

/** Signs a person in; the same sentence for an unknown name and a wrong password, and as slow. */
export async function signIn({ db, clock }: Services, body: SignIn, ip: string): Promise<OpenedSession> {
  const now = clock.real()
  const keys = [`name:${body.username.toLowerCase()}`, `address:${ip}`]
  const since = new Date(now.getTime() - WINDOW_MINUTES * 60000)
  const [byName, byAddress] = await Promise.all(keys.map((key) => recentFailures(db, key, since)))
  if (byName >= TRIES_PER_NAME || byAddress >= TRIES_PER_ADDRESS) {
    throw new Refused(429, 'tooManyTries', `Too many tries. Wait ${WINDOW_MINUTES} minutes, then try again.`)
  }
  const person = await personByUsername(db, body.username)
  // who was invited and has chosen no password yet has none that could be right
  const hash = person?.passwordHash.startsWith('$') ? person.passwordHash : await decoy()
  const right = await verify(hash, body.password)
  if (!person || !person.active || !right) {
    await recordFailure(db, keys, now)
    throw new Refused(401, 'wrongSignIn', 'User name and password do not belong together.')
  }
  await forgetFailures(db, keys[0])
  return open(db, person, now)
}

async function open(
  db: Database,
  person: { id: string; givenName: string; familyName: string; role: Me['role'] },
  now: Date
): Promise<OpenedSession> {
  const token = randomBytes(32).toString('base64url')
  const csrf = randomBytes(24).toString('base64url')
  const maxAgeMs = SESSION_HOURS * 3600000
  await openSignIn(
    db,
    { tokenHash: tokenHash(token), personId: person.id, csrf, createdAt: now, expiresAt: new Date(now.getTime() + maxAgeMs) },
    now
  )
  return { token, maxAgeMs, me: { id: person.id, givenName: person.givenName, familyName: person.familyName, role: person.role, csrf } }
}

/** Signs in a person who came by a letter. */
export async function openFor({ db, clock }: Services, person: Parameters<typeof open>[1]): Promise<OpenedSession> {
  return open(db, person, clock.real())
}

/** Who a cookie belongs to; null when it has ended or never was. */
export async function whoIs({ db, clock }: Services, token: string | undefined): Promise<Me | null> {
  if (!token) return null
  const row = await signInByHash(db, tokenHash(token), clock.real())
  return row ? { id: row.personId, givenName: row.givenName, familyName: row.familyName, role: row.role, csrf: row.csrf } : null
}

export async function signOut({ db }: Services, token: string | undefined): Promise<void> {
  if (token) await closeSignIn(db, tokenHash(token))
}

/** The first lead assessor of an empty school. Refused as soon as anybody exists. */
export async function setUp(services: Services, body: Setup): Promise<OpenedSession> {
  const { db, clock } = services
  const passwordHash = await hashPassword(body.password)
  const startedOn = await clock.today()
  const person = await inTransaction(db, async (tx) => {
    await ensureSchool(tx, body.schoolName)
    await tx.select().from(tables.school).for('update')
    if ((await countPeople(tx)) > 0) throw refuse.conflict('alreadySetUp', 'This school has its first lead assessor already. Sign in.')
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
    return row
  })
  return open(db, person, clock.real())
}

function tokenHash(token: string): string {
  return createHash('sha256').update(token).digest('hex')
}

let decoyHash: Promise<string> | null = null
function decoy(): Promise<string> {
  return (decoyHash ??= hashPassword(randomBytes(16).toString('hex')))
}
