// Who belongs to the school: letting in at once, or by a letter; resetting, retiring; cohorts.
import { mayConfirm, sameAccounts, signingRight } from '@peen/core/certify'
import type { Cohort, Invite, Me, NewPerson, PeopleView, Retire, Role, Welcome } from '@peen/contract'
import { and, asc, desc, eq, gt, isNull, like, not, or } from 'drizzle-orm'
import { createHash, randomBytes } from 'node:crypto'
import { v7 } from 'uuid'
import { inTransaction, orTaken, tables, type Database, type Transaction } from '../../db'
import { refuse, type Services } from '../../http'
import { accountEvents, recordAccount } from '../accounts'
import { hashPassword, refuseCommon, openFor, type OpenedSession } from '../auth'
import { personById } from '../people'
import { schoolRow } from '../school'

/** Chosen: an invitation waits a week, a new password a day. */
const HOURS = Object.freeze({ invite: 24 * 7, reset: 24 })
const MOST_LETTERS = 60
const MOST_EVENTS = 60

const tokenHash = (token: string) => createHash('sha256').update(token).digest('hex')

/** No password opens this: whoever was invited chooses one by the letter. */
const NO_PASSWORD = '!'

function mayLetIn(actor: Me, role: Role): void {
  if (actor.role !== 'lead' && role !== 'apprentice')
    throw refuse.forbidden('An instructor can add apprentices; only a lead assessor can add anyone else.')
}

async function refuseTakenName(tx: Transaction, username: string): Promise<void> {
  const known = (await tx.select().from(tables.people).where(eq(tables.people.username, username)))[0]
  if (known) throw refuse.conflict('usernameTaken', `Username “${username}” is taken; choose another. Nothing was changed.`)
}

/** A cohort that is named for the first time begins today. */
async function ensureCohort(tx: Transaction, name: string, today: string): Promise<void> {
  if (name === '') return
  await tx.insert(tables.cohorts).ignore().values({ name, startedOn: today, endedOn: null })
}

/** Lets a person in with a first password; staff choose their own before anybody can confirm them. An instructor lets in apprentices, a lead assessor anybody. */
export async function addPerson(services: Services, actor: Me, person: NewPerson): Promise<{ readonly id: string }> {
  const { db, clock } = services
  mayLetIn(actor, person.role)
  const { password, ...rest } = person
  refuseCommon(password, 'password')
  const today = await clock.today()
  const passwordHash = await hashPassword(password)
  await inTransaction(db, async (tx) => {
    await refuseTakenName(tx, person.username)
    await ensureCohort(tx, person.cohort, today)
    const row = { ...rest, passwordHash, startedOn: today, handed: 'right', active: true }
    await orTaken(tx.insert(tables.people).values(row), refuse.taken('person'))
    await recordStaff(tx, services, person, 'made', actor)
  })
  return { id: person.id }
}

/** Lets a person in by a letter in which they choose their own password. */
export async function invite(services: Services, actor: Me, person: Invite): Promise<{ readonly id: string }> {
  await inTransaction(services.db, (tx) => inviteWithin(tx, services, actor, person))
  return { id: person.id }
}

/** The same inside a transaction: a whole cohort is let in at once, or nobody. */
export async function inviteWithin(tx: Transaction, services: Services, actor: Me, { id, ...person }: Invite): Promise<void> {
  mayLetIn(actor, person.role)
  const today = await services.clock.today()
  await refuseTakenName(tx, person.username)
  await ensureCohort(tx, person.cohort, today)
  const row = { id, ...person, passwordHash: NO_PASSWORD, startedOn: today, handed: 'right', active: true }
  await orTaken(tx.insert(tables.people).values(row), refuse.taken('person'))
  await writeLetter(tx, services, actor, { id, email: person.email, givenName: person.givenName }, 'invite')
  await recordStaff(tx, services, { id, role: person.role }, 'made', actor)
}

/** Writes a letter with which a person chooses a new password. Their sign-ins end; earlier letters hold no more. */
export async function resetPassword(services: Services, actor: Me, id: string): Promise<{ readonly id: string }> {
  const person = await personById(services.db, id)
  if (actor.role !== 'lead' && person.role !== 'apprentice') throw refuse.forbidden('A lead assessor resets the password of staff.')
  if (!person.active) throw refuse.conflict('retired', `${person.givenName} is retired; reinstate them first. Nothing was changed.`)
  await inTransaction(services.db, async (tx) => {
    await tx.delete(tables.invitations).where(eq(tables.invitations.personId, id))
    await tx.delete(tables.signIns).where(eq(tables.signIns.personId, id))
    const waits = person.passwordHash === NO_PASSWORD
    await writeLetter(tx, services, actor, person, waits ? 'invite' : 'reset')
    await recordStaff(tx, services, person, 'reset', actor)
  })
  return { id }
}

type Addressed = { readonly id: string; readonly email: string | null; readonly givenName: string }

/** What happens to an account of staff is in the trail, by the wall clock. */
async function recordStaff(
  tx: Transaction,
  { clock }: Services,
  person: { readonly id: string; readonly role: Role },
  kind: 'made' | 'reset' | 'retired' | 'back' | 'welcomed',
  actor: Me | null
): Promise<void> {
  if (person.role !== 'apprentice') await recordAccount(tx, { kind, personId: person.id, by: actor?.id ?? null, at: clock.real() })
}

/** A letter that is handed over on the server's console: nothing of it is kept but the key's hash. @returns its address */
export async function letterFromConsole(db: Database, person: { readonly id: string }): Promise<string> {
  return inTransaction(db, async (tx) => {
    await tx.delete(tables.invitations).where(eq(tables.invitations.personId, person.id))
    await tx.delete(tables.signIns).where(eq(tables.signIns.personId, person.id))
    const at = new Date()
    const { token } = await openInvitation(tx, person.id, 'reset', at)
    await recordAccount(tx, { kind: 'reset', personId: person.id, by: null, at })
    return `/welcome/${token}`
  })
}

async function openInvitation(
  tx: Transaction,
  personId: string,
  kind: 'invite' | 'reset',
  madeAt: Date
): Promise<{ readonly token: string }> {
  const token = randomBytes(24).toString('base64url')
  const expiresAt = new Date(madeAt.getTime() + HOURS[kind] * 3600000)
  await tx.insert(tables.invitations).values({ tokenHash: tokenHash(token), personId, kind, madeAt, expiresAt, usedAt: null })
  return { token }
}

async function writeLetter(tx: Transaction, { clock }: Services, actor: Me, person: Addressed, kind: 'invite' | 'reset'): Promise<void> {
  // door keys run by the wall clock, even where the demo's day stands still
  const madeAt = clock.real()
  const { token } = await openInvitation(tx, person.id, kind, madeAt)
  const school = (await schoolRow(tx)).name
  const what = kind === 'invite' ? `${school}: choose your password` : `A new password for ${school}`
  const days = kind === 'invite' ? 'seven days' : 'one day'
  await tx.insert(tables.letters).values({
    id: v7(),
    personId: person.id,
    address: person.email ?? '',
    subject: what,
    body: `Dear ${person.givenName},\n\nopen /welcome/${token} on a tablet of the school and choose a password. The address holds once and for ${days}.`,
    madeBy: actor.id,
    at: madeAt
  })
}

type InvitationRow = typeof tables.invitations.$inferSelect

/** The invitation that a key opens; refuses an unknown, a used and an expired one, each in words. */
function opened(row: InvitationRow | undefined, now: Date): InvitationRow {
  if (!row) throw refuse.notFound('This invitation')
  if (row.usedAt) throw refuse.conflict('invitationUsed', 'This invitation has already been used. Sign in, or ask for a new letter.')
  if (row.expiresAt <= now)
    throw refuse.conflict(
      'invitationExpired',
      `This invitation expired on ${row.expiresAt.toISOString().slice(0, 10)}. Ask for a new letter.`
    )
  return row
}

/** Opens a letter's address: sets the password and signs in. The costly hash is made for a key that holds only. */
export async function welcome(services: Services, { token, password }: Welcome): Promise<OpenedSession> {
  const now = services.clock.real()
  const { invitations: i, people: p } = tables
  const byKey = eq(i.tokenHash, tokenHash(token))
  opened((await services.db.select().from(i).where(byKey))[0], now)
  refuseCommon(password, 'password')
  const passwordHash = await hashPassword(password)
  const person = await inTransaction(services.db, async (tx) => {
    const row = opened((await tx.select().from(i).where(byKey).for('update'))[0], now)
    const one = (await tx.select().from(p).where(eq(p.id, row.personId)))[0]
    if (!one.active) throw refuse.forbidden('This person is retired. Ask a lead assessor.')
    await tx.update(i).set({ usedAt: now }).where(byKey)
    // a PIN of before may be known to others as well
    await tx.update(p).set({ passwordHash, pinHash: null }).where(eq(p.id, one.id))
    await recordStaff(tx, services, one, 'welcomed', null)
    return one
  })
  return openFor(services, person)
}

/** Retires a person, or takes them in again. What they did stays; they cannot sign in. */
export async function retire(
  services: Services,
  actor: Me,
  id: string,
  { active }: Retire
): Promise<{ readonly id: string; readonly warnings: readonly string[] }> {
  const { db, clock } = services
  const today = await clock.today()
  return inTransaction(db, async (tx) => {
    const everybody = await tx.select().from(tables.people).for('update')
    const person = everybody.find((one) => one.id === id)
    if (!person) throw refuse.notFound('This person')
    if (!active && person.id === actor.id) throw refuse.forbidden('You cannot retire yourself; another lead assessor must do it.')
    if (active && person.erasedOn)
      throw refuse.conflict('erased', `This apprentice was erased on ${person.erasedOn} and cannot be reinstated.`)
    const leads = everybody.filter((one) => one.role === 'lead' && one.active && one.id !== id)
    if (!active && person.role === 'lead' && leads.length === 0) throw refuse.forbidden('A school keeps one lead assessor at least.')
    await tx.update(tables.people).set({ active }).where(eq(tables.people.id, id))
    if (person.active !== active) await recordStaff(tx, services, person, active ? 'back' : 'retired', actor)
    if (active) return { id, warnings: [] }
    await tx.delete(tables.signIns).where(eq(tables.signIns.personId, id))
    await tx.delete(tables.invitations).where(eq(tables.invitations.personId, id))
    const { visits: s } = tables
    const ahead = await tx
      .select({ onDate: s.onDate })
      .from(s)
      .where(and(eq(s.apprenticeId, id), gt(s.onDate, today)))
    const days = ahead.map(({ onDate }) => onDate).sort()
    return {
      id,
      warnings: days.length > 0 ? [`${person.givenName} has visits planned on ${days.join(', ')}: give them to someone else first.`] : []
    }
  })
}

/** Makes a cohort or changes its dates. */
export async function keepCohort({ db }: Services, { name, startedOn, endedOn }: Cohort): Promise<Cohort> {
  if (endedOn !== null && endedOn < startedOn)
    throw refuse.invalid([{ path: 'endedOn', detail: `Ended on is ${endedOn}; it must be ${startedOn} or later.` }])
  await db.insert(tables.cohorts).values({ name, startedOn, endedOn }).onDuplicateKeyUpdate({ set: { startedOn, endedOn } })
  return { name, startedOn, endedOn }
}

/** Everybody with how they stand, cohorts, and for a lead assessor the letters. */
export async function peopleView({ db, clock }: Services, actor: Me): Promise<PeopleView> {
  const people = await db.select().from(tables.people).orderBy(asc(tables.people.givenName))
  const open = await db.select().from(tables.invitations).where(isNull(tables.invitations.usedAt))
  const cohorts = await db.select().from(tables.cohorts).orderBy(asc(tables.cohorts.startedOn), asc(tables.cohorts.name))
  // a letter that opens an account is read by who asked for it alone; what each day was, by every lead assessor
  const isKey = like(tables.letters.body, '%/welcome/%')
  const letters = await db
    .select()
    .from(tables.letters)
    .where(actor.role === 'lead' ? or(eq(tables.letters.madeBy, actor.id), not(isKey)) : eq(tables.letters.madeBy, actor.id))
    .orderBy(desc(tables.letters.at))
    .limit(MOST_LETTERS)
  const events = await accountEvents(db)
  const accountsOf = sameAccounts(events)
  const now = clock.real()
  const standing = (id: string) => {
    const right = signingRight(id, events, now)
    return right.signs ? { signs: true, unsettled: null } : { signs: false, unsettled: right.because }
  }
  const waiting = new Set(open.map(({ personId }) => personId))
  return {
    people: people.map(({ id, givenName, familyName, username, email, role, cohort, active, passwordHash, erasedOn }) => ({
      id,
      givenName,
      familyName,
      username,
      email,
      role,
      cohort,
      active,
      waiting: waiting.has(id) && passwordHash === NO_PASSWORD,
      ...(role === 'apprentice' ? { signs: false, unsettled: null } : standing(id)),
      mayConfirm: role !== 'apprentice' && active && mayConfirm(actor.id, id, events, now).may,
      erasedOn,
      otherAccounts: [...accountsOf(id)].filter((other) => other !== id)
    })),
    cohorts: cohorts.map((cohort) => ({ ...cohort, people: people.filter((one) => one.cohort === cohort.name && one.active).length })),
    accounts: events.slice(-MOST_EVENTS).reverse(),
    letters: letters.map(({ id, address, subject, body, at }) => ({ id, address, subject, body, at: at.toISOString() }))
  }
}
