import type { PeopleView } from '@peen/contract'
import { eq } from 'drizzle-orm'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { PASSWORD, smallSchool, type Client, type World } from '../../testing/world'

let world: World
let ivo: Client
let lena: Client
beforeAll(async () => {
  world = await smallSchool('admission')
  ;[ivo, lena] = [await world.client('ivo'), await world.client('lena')]
})
afterAll(() => world.close())

const invitation = (change: object = {}) => ({
  id: v7(),
  givenName: 'Nel',
  familyName: 'Aster',
  username: `nel${v7().slice(-6)}`,
  email: 'nel@post.example',
  role: 'apprentice',
  cohort: 'Spring',
  ...change
})
const people = async () => (await lena.get('/people')).body as unknown as PeopleView
const keyFor = async (id: string) => {
  const [letter] = await world.db.select().from(tables.letters).where(eq(tables.letters.personId, id))
  return /\/welcome\/(\S+)/.exec(letter.body)![1]
}

describe('an invitation', () => {
  it('is a letter with which one chooses a password, once', async () => {
    const nel = invitation()
    expect((await ivo.post('/invitations', nel)).status).toBe(200)
    expect((await people()).people.find(({ id }) => id === nel.id)).toMatchObject({
      waiting: true,
      cohort: 'Spring',
      email: 'nel@post.example'
    })
    const stranger = await world.client()
    // nobody signs in before a password is chosen
    for (const password of ['', '!', PASSWORD])
      expect((await stranger.post('/sign-in', { username: nel.username, password })).status).not.toBe(200)
    const token = await keyFor(nel.id)
    expect((await stranger.post('/welcome', { token, password: 'short' })).body.detail).toMatch(/at least 10 characters/)
    const opened = await stranger.post('/welcome', { token, password: 'a fresh password' })
    expect(opened.status).toBe(200)
    expect(opened.body).toMatchObject({ givenName: 'Nel', role: 'apprentice' })
    expect((await stranger.post('/sign-in', { username: nel.username, password: 'a fresh password' })).status).toBe(200)
    const again = await stranger.post('/welcome', { token, password: 'another password' })
    expect([again.status, again.body.detail]).toEqual([409, 'This invitation has already been used. Sign in, or ask for a new letter.'])
    expect((await people()).people.find(({ id }) => id === nel.id)!.waiting).toBe(false)
  })

  it('does not hold for ever, and an unknown one not at all', async () => {
    const nel = invitation()
    await ivo.post('/invitations', nel)
    await world.db
      .update(tables.invitations)
      .set({ expiresAt: new Date('2026-01-02T00:00:00.000Z') })
      .where(eq(tables.invitations.personId, nel.id))
    const stranger = await world.client()
    const late = await stranger.post('/welcome', { token: await keyFor(nel.id), password: 'a fresh password' })
    expect(late).toMatchObject({
      status: 409,
      body: { code: 'invitationExpired', detail: 'This invitation expired on 2026-01-02. Ask for a new letter.' }
    })
    expect((await stranger.post('/welcome', { token: 'made-up', password: 'a fresh password' })).status).toBe(404)
  })

  it('to the staff is a lead assessor’s; addresses and names are checked', async () => {
    expect((await ivo.post('/invitations', invitation({ role: 'lead' }))).status).toBe(403)
    expect((await lena.post('/invitations', invitation({ role: 'instructor' }))).status).toBe(200)
    expect((await ivo.post('/invitations', invitation({ email: 'nowhere' }))).body.detail).toMatch(
      /Email address is nowhere; it must be one such as/
    )
    expect((await ivo.post('/invitations', invitation({ username: 'abe' }))).body.detail).toMatch(/Username “abe” is taken/)
  })

  it('is read by who asked for it', async () => {
    const lettersOf = async (who: Client) =>
      ((await who.get('/people')).body as unknown as PeopleView).letters.map(({ subject }) => subject)
    expect((await lettersOf(ivo)).length).toBeGreaterThan(0)
    expect((await lettersOf(lena)).length).toBeGreaterThan(0)
    expect(await lettersOf(await world.client('lars'))).toEqual([])
    expect((await (await world.client('abe')).get('/people')).status).toBe(403)
  })
})

describe('reset and retire', () => {
  it('a reset ends the sign-ins and sends a letter', async () => {
    const bea = await world.client('bea')
    expect((await ivo.post(`/people/${world.ids.bea}/reset`)).status).toBe(200)
    expect((await bea.get('/me')).status).toBe(401)
    const opened = await (await world.client()).post('/welcome', { token: await keyFor(world.ids.bea), password: 'a newer password' })
    expect(opened.status).toBe(200)
    expect((await ivo.post(`/people/${world.ids.lars}/reset`)).status).toBe(403)
  })

  it('who is retired cannot sign in, keeps the record, and what lay ahead is said', async () => {
    await world.newVisit('abe', '2026-05-01')
    const abe = await world.client('abe')
    const answer = await lena.send('PUT', `/people/${world.ids.abe}/active`, { active: false })
    expect(answer.body).toMatchObject({ warnings: ['abe has visits planned on 2026-05-01: give them to someone else first.'] })
    expect((await abe.get('/me')).status).toBe(401)
    expect((await (await world.client()).post('/sign-in', { username: 'abe', password: PASSWORD })).status).toBe(401)
    expect((await lena.post(`/people/${world.ids.abe}/reset`)).body.detail).toMatch(/abe is retired/)
    await lena.send('PUT', `/people/${world.ids.abe}/active`, { active: true })
    expect((await world.client('abe')).me).toMatchObject({ givenName: 'abe' })
  })

  it('nobody retires themselves, and an instructor nobody', async () => {
    expect((await lena.send('PUT', `/people/${world.ids.lena}/active`, { active: false })).status).toBe(403)
    expect((await ivo.send('PUT', `/people/${world.ids.bea}/active`, { active: false })).status).toBe(403)
  })
})

describe('cohorts', () => {
  it('begin with their first person or by themselves, and end after they began', async () => {
    expect((await ivo.send('PUT', '/cohorts', { name: 'Summer', startedOn: '2026-06-01', endedOn: null })).status).toBe(200)
    expect((await people()).cohorts.find(({ name }) => name === 'Summer')).toMatchObject({ startedOn: '2026-06-01', people: 0 })
    const wrong = await ivo.send('PUT', '/cohorts', { name: 'Summer', startedOn: '2026-06-01', endedOn: '2026-05-01' })
    expect(wrong.body.detail).toBe('Ended on is 2026-05-01; it must be 2026-06-01 or later.')
    expect((await ivo.send('PUT', '/cohorts', { name: 'Odd', startedOn: '2026-02-31', endedOn: null })).body.detail).toMatch(
      /Started on is 2026-02-31/
    )
  })
})
