// No one makes a second signer alone: each way a single lead could try it, over http.
import type { PeopleView, Role } from '@peen/contract'
import { WAIT_HOURS } from '@peen/core/certify'
import { v7 } from 'uuid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { fullSheet } from '../../testing/sheet'
import { PASSWORD, smallSchool, type Client, type World } from '../../testing/world'
import { checkAudit } from '../audit'

let world: World
let lena: Client
let ivo: Client
beforeAll(async () => {
  world = await smallSchool('accounts')
})
// a sign-in ends while the clock is set two days ahead
beforeEach(async () => {
  world.clock.setReal(null)
  ;[lena, ivo] = [await world.client('lena'), await world.client('ivo')]
})
afterAll(() => world.close())

const OWN = 'a password of my own'
const people = async (who: Client) => (await who.get('/people')).body as unknown as PeopleView
const rowOf = async (who: Client, id: string) => (await people(who)).people.find((one) => one.id === id)!
const keyIn = (view: PeopleView, name: string) =>
  /\/welcome\/(\S+)/.exec(view.letters.find(({ body }) => body.includes(`Dear ${name},`))?.body ?? '')?.[1]

/** Lena invites a new colleague, and opens the letter herself: she has the password. */
async function puppet(givenName: string, role: Role = 'lead'): Promise<{ readonly id: string; readonly client: Client }> {
  const id = v7()
  const username = `u${id.slice(-10)}`
  const made = { id, givenName, familyName: 'Test', username, email: `${username}@post.example`, role, cohort: '' }
  expect((await lena.post('/invitations', made)).status).toBe(200)
  await (await world.client()).post('/welcome', { token: keyIn(await people(lena), givenName), password: OWN })
  return { id, client: await signIn(username) }
}
const signIn = async (username: string, password = OWN): Promise<Client> => {
  const answer = await (await world.client()).post('/sign-in', { username, password })
  expect(answer.status).toBe(200)
  return world.clientOf(answer)
}

/** Tries to sign a trim of abe's as this person. */
async function signATrim(who: Client): Promise<{ readonly status: number; readonly detail: string }> {
  const visit = await world.newTrim('abe')
  const id = v7()
  await who.post(`/visits/${visit}/gradings`, { id })
  await who.send('PUT', `/gradings/${id}`, { version: 1, answers: fullSheet(), critical: [], globalRating: 'good' })
  const { status, body } = await who.post(`/gradings/${id}/sign`, { version: 2 })
  return { status, detail: body.detail }
}

describe('an account that a colleague made', () => {
  it('signs nothing, and is confirmed neither by who made it nor by itself', async () => {
    const pip = await puppet('Pip')
    expect(await signATrim(pip.client)).toMatchObject({
      status: 403,
      detail: expect.stringMatching(/^You cannot sign yet: the account is new/)
    })
    expect((await lena.post(`/people/${pip.id}/confirm`)).body.detail).toMatch(/you made or reset this account/)
    expect((await pip.client.post(`/people/${pip.id}/confirm`)).status).toBe(403)
    expect(await rowOf(lena, pip.id)).toMatchObject({ signs: false, mayConfirm: false })
    expect(await rowOf(ivo, pip.id)).toMatchObject({ signs: false, mayConfirm: true })
  })

  it('cannot confirm another of the same maker, nor after it was confirmed itself', async () => {
    const one = await puppet('Una')
    const two = await puppet('Duo')
    expect((await one.client.post(`/people/${two.id}/confirm`)).body.detail).toMatch(/only an account that can sign/)
    await ivo.post(`/people/${one.id}/confirm`)
    world.clock.setReal(new Date(Date.now() + (WAIT_HOURS + 1) * 3600000))
    const username = (await rowOf(await world.client('ina'), one.id)).username
    const later = await signIn(username)
    expect((await signATrim(later)).status).toBe(200)
    expect((await later.post(`/people/${two.id}/confirm`)).body.detail).toMatch(/made this account also made, reset or confirmed yours/)
  })

  it(`signs ${WAIT_HOURS} hours after another signer has met the person, by the wall clock`, async () => {
    const nel = await puppet('Nel', 'instructor')
    expect((await ivo.post(`/people/${nel.id}/confirm`)).status).toBe(200)
    expect((await ivo.post(`/people/${nel.id}/confirm`)).body.detail).toMatch(/already confirmed and in its waiting time/)
    expect((await signATrim(nel.client)).detail).toMatch(/confirmed less than 48 hours ago; it can sign from \d{4}-/)
    // the school's own day is no help: it is the wall clock that counts
    world.clock.setReal(new Date(Date.now() + (WAIT_HOURS + 1) * 3600000))
    expect((await signATrim(await signIn((await rowOf(await world.client('ina'), nel.id)).username))).status).toBe(200)
  })

  it('let in with a password is confirmed only after its person has chosen another', async () => {
    const id = v7()
    const person = { id, givenName: 'Per', familyName: 'Holt', username: 'perholt', role: 'instructor', cohort: '', password: PASSWORD }
    expect((await lena.post('/people', person)).status).toBe(200)
    expect((await ivo.post(`/people/${id}/confirm`)).body.detail).toMatch(/has not chosen a password yet/)
    const per = await signIn('perholt', PASSWORD)
    expect((await per.post('/me/password', { now: PASSWORD, next: OWN })).status).toBe(200)
    expect((await ivo.post(`/people/${id}/confirm`)).status).toBe(200)
  })
})

describe('an account that was taken over', () => {
  it('signs nothing after a reset, even where it signed before; the same after a return', async () => {
    const lars = world.ids.lars
    await lena.post(`/people/${lars}/reset`)
    await (await world.client()).post('/welcome', { token: keyIn(await people(lena), 'lars'), password: OWN })
    const taken = await signIn('lars')
    expect((await signATrim(taken)).detail).toMatch(/^You cannot sign yet/)
    expect((await taken.post(`/people/${lars}/confirm`)).status).toBe(403)
    await lena.send('PUT', `/people/${world.ids.ina}/active`, { active: false })
    await lena.send('PUT', `/people/${world.ids.ina}/active`, { active: true })
    expect((await signATrim(await world.client('ina'))).detail).toMatch(/^You cannot sign yet/)
  })

  it('is seen by every signer, and stands in the trail', async () => {
    const seen = (await people(ivo)).accounts
    expect(seen.filter(({ personId }) => personId === world.ids.lars).map(({ kind, by }) => [kind, by])).toEqual([
      ['welcomed', null],
      ['reset', world.ids.lena],
      ['founded', null]
    ])
    expect(await checkAudit(world.db)).toMatchObject({ whole: true })
  })
})

describe('a letter', () => {
  it('is read by who asked for it, and by no other lead', async () => {
    const id = v7()
    const made = { id, givenName: 'Ewa', familyName: 'Test', username: 'ewa', email: 'ewa@post.example', role: 'lead', cohort: '' }
    await lena.post('/invitations', made)
    expect(keyIn(await people(lena), 'Ewa')).toBeDefined()
    const lars = await signIn('lars')
    expect(keyIn(await people(lars), 'Ewa')).toBeUndefined()
  })
})

describe('a second account of one person', () => {
  const same = (who: Client, a: string, b: string, is = true) =>
    who.post(`/people/${world.ids[a]}/same`, { otherId: world.ids[b], same: is })
  const openSheet = (who: Client, visit: string) => who.post(`/visits/${visit}/gradings`, { id: v7() })

  it('is what a signer says it is, of known accounts, and is taken back by another person', async () => {
    expect((await (await world.client('abe')).post(`/people/${world.ids.abe}/same`, { otherId: world.ids.bea, same: true })).status).toBe(
      403
    )
    expect((await ivo.post(`/people/${world.ids.abe}/same`, { otherId: v7(), same: true })).status).toBe(404)
    expect((await same(ivo, 'abe', 'abe')).body.detail).toMatch(/they are the same account/)
    expect((await same(ivo, 'abe', 'ivo')).status).toBe(200)
    expect((await rowOf(lena, world.ids.abe)).otherAccounts).toEqual([world.ids.ivo])
    expect((await same(ivo, 'abe', 'ivo', false)).body.detail).toMatch(/one of them is yours, so another signer must do it/)
    expect((await same(lena, 'abe', 'ivo', false)).status).toBe(200)
    expect((await people(ivo)).accounts.slice(0, 2).map(({ kind, otherId }) => [kind, otherId])).toEqual([
      ['apart', world.ids.ivo],
      ['same', world.ids.ivo]
    ])
    expect(await checkAudit(world.db)).toMatchObject({ whole: true })
  })

  it('is no way to grade one’s own work, nor to mark a trim twice', async () => {
    const visit = await world.newTrim('abe')
    expect((await openSheet(lena, visit)).status).toBe(200)
    await same(ivo, 'abe', 'ivo')
    expect((await openSheet(ivo, visit)).body.detail).toBe('No one can grade their own work.')
    const appoint = (first: string, second: string) =>
      lena.send('PUT', `/assessments/${visit}`, { first: world.ids[first], second: world.ids[second] })
    expect((await appoint('lena', 'ivo')).body.detail).toBe('No one can mark their own work.')
    await same(lena, 'abe', 'ivo', false)
    await same(ivo, 'lena', 'ivo')
    expect((await openSheet(ivo, visit)).body.detail).toMatch(/marked this trim under your other account/)
    expect((await appoint('lena', 'ivo')).body.detail).toMatch(/choose someone else/)
  })
})
