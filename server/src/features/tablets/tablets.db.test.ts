import { ENDPOINTS, MOST_WRONG_PINS, type TabletDoor, type TabletsView } from '@peen/contract'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { eq } from 'drizzle-orm'
import { tables } from '../../db'
import { PASSWORD, smallSchool, type Answer, type Client, type World } from '../../testing/world'

let world: World
beforeAll(async () => (world = await smallSchool('tablets')))
afterAll(() => world.close())

const deviceCookie = (answer: Answer) =>
  answer.headers
    .getSetCookie()
    .find((one) => one.startsWith('peen_device='))!
    .split(';')[0]!

/** A tablet on which a lead has signed in: its own cookie, and the lead's client. */
async function tabletOf(lead = 'lena'): Promise<{ readonly cookie: string; readonly client: Client }> {
  const answer = await (await world.client()).post('/sign-in', { username: lead, password: PASSWORD })
  return { cookie: deviceCookie(answer), client: world.clientOf(answer) }
}
async function enrolled(tableId: string | null = null) {
  const tablet = await tabletOf()
  const answer = await tablet.client.post('/tablets', { name: 'By the window', tableId, locksAfterMin: 5 })
  expect(answer.status, answer.body.detail).toBe(200)
  const view = answer.body as unknown as TabletsView
  return { ...tablet, id: view.thisOne!.id, view }
}
const stranger = () => world.client()
const unlock = async (cookie: string, personId: string, pin: string) =>
  (await stranger()).send('POST', '/tablet/unlock', { personId, pin }, { cookie })
const door = async (cookie: string) =>
  (await (await stranger()).send('GET', '/tablet', undefined, { cookie })).body as unknown as TabletDoor
const choosePin = async (username: string, pin: string | null, password = PASSWORD) =>
  (await world.client(username)).send('PUT', '/me/pin', { password, pin })

describe('a PIN', () => {
  it('is chosen with the password, and none of those that are tried first', async () => {
    expect((await choosePin('ivo', '2580')).body).toEqual({ hasPin: true })
    expect((await choosePin('ivo', '2580', 'not my password')).body.detail).toMatch(/not your password/)
    for (const plain of ['1111', '1234', '9876', '0000', '45678'])
      expect((await choosePin('ivo', plain)).body.detail, plain).toMatch(/too easy to guess/)
    for (const odd of ['12', '123456789', '12a4', '２５８０']) expect((await choosePin('ivo', odd)).status, odd).toBe(422)
  })

  it('is kept as an Argon2id hash only', async () => {
    const [row] = await world.db.select().from(tables.people).where(eq(tables.people.id, world.ids.ivo))
    expect(row.pinHash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/)
  })
})

describe('an enrolled tablet', () => {
  it('tells whose PIN opens it, and one that is not enrolled tells nothing', async () => {
    await choosePin('ivo', '2580')
    const { cookie } = await enrolled()
    const { tablet, people } = await door(cookie)
    expect(tablet).toMatchObject({ name: 'By the window', tableNumber: null, locksAfterMin: 5 })
    expect(people.map(({ givenName }) => givenName)).toContain('ivo')
    // who has no PIN is not named
    expect(people.map(({ givenName }) => givenName)).not.toContain('lars')
    const other = await tabletOf('ivo')
    expect(await door(other.cookie)).toEqual({ tablet: null, people: [] })
    expect((await unlock(other.cookie, world.ids.ivo, '2580')).body).toMatchObject({ code: 'notEnrolled' })
    for (const guess of ['guessed', 'g'.repeat(65), ''])
      expect(await door(`peen_device=${guess}`), guess).toEqual({ tablet: null, people: [] })
  })

  it('gets a cookie of its own where its own was none', async () => {
    const { client } = await tabletOf()
    const long = client.headers.cookie!.replace(/peen_device=[^;]*/, `peen_device=${'x'.repeat(200)}`)
    const answer = await client.send('POST', '/tablets', { name: 'New', tableId: null, locksAfterMin: 5 }, { cookie: long })
    expect(answer.status).toBe(200)
    expect((await door(deviceCookie(answer))).tablet).toMatchObject({ name: 'New' })
  })

  it('names the apprentice of its table before staff, and everyone else last', async () => {
    const visit = await world.newVisit('abe')
    const [{ tableId }] = await world.db.select().from(tables.visits).where(eq(tables.visits.id, visit))
    for (const [username, pin] of [
      ['abe', '7391'],
      ['bea', '7392'],
      ['ivo', '2580']
    ] as const)
      await choosePin(username, pin)
    const { cookie } = await enrolled(tableId)
    const { tablet, people } = await door(cookie)
    expect(tablet!.tableNumber).toBeGreaterThan(0)
    const names = people.map(({ givenName }) => givenName)
    expect(names[0]).toBe('abe')
    expect(names.indexOf('ivo')).toBeLessThan(names.indexOf('bea'))
  })

  it('is enrolled by a lead assessor, at a table that is there', async () => {
    const ivo = await world.client('ivo')
    expect((await ivo.post('/tablets', { name: 'x', tableId: null, locksAfterMin: 5 })).status).toBe(403)
    const { client } = await tabletOf()
    expect((await client.post('/tablets', { name: 'x', tableId: v7(), locksAfterMin: 5 })).body.detail).toMatch(/not in the room/)
    for (const locksAfterMin of [0, 61, 1.5])
      expect((await client.post('/tablets', { name: 'x', tableId: null, locksAfterMin })).status).toBe(422)
  })

  it('is opened by the PIN, for that person; their taps are the tablet’s', async () => {
    await choosePin('ivo', '2580')
    const { cookie, id } = await enrolled()
    const answer = await unlock(cookie, world.ids.ivo, '2580')
    expect(answer).toMatchObject({ status: 200, body: { givenName: 'ivo', byPin: true, deviceId: id } })
    const me = await world.clientOf(answer).get('/me')
    expect(me.body).toMatchObject({ id: world.ids.ivo, byPin: true })
  })

  it('is opened by no PIN after some wrong ones, however many are sent at once, until the password is said there', async () => {
    await choosePin('ivo', '2580')
    const { cookie } = await enrolled()
    const tries = await Promise.all(Array.from({ length: MOST_WRONG_PINS }, (_, i) => unlock(cookie, world.ids.ivo, `900${i}`)))
    expect(tries.map(({ status }) => status)).toEqual(tries.map(() => 401))
    expect((await unlock(cookie, world.ids.ivo, '2580')).body).toMatchObject({ code: 'pinBlocked' })
    // on another tablet, and for another person here, the PIN works
    const other = await enrolled()
    expect((await unlock(other.cookie, world.ids.ivo, '2580')).status).toBe(200)
    await choosePin('ina', '8024')
    expect((await unlock(cookie, world.ids.ina, '8024')).status).toBe(200)
    const signedIn = await (await stranger()).send('POST', '/sign-in', { username: 'ivo', password: PASSWORD }, { cookie })
    expect(signedIn.status).toBe(200)
    expect((await unlock(cookie, world.ids.ivo, '2580')).status).toBe(200)
  })

  it('that is revoked lets no one in, and who was in by PIN is out', async () => {
    await choosePin('ivo', '2580')
    const { cookie, client, id } = await enrolled()
    const ivo = world.clientOf(await unlock(cookie, world.ids.ivo, '2580'))
    expect((await ivo.get('/me')).status).toBe(200)
    expect((await client.post(`/tablets/${id}/revoke`)).status).toBe(200)
    expect((await ivo.get('/me')).status).toBe(401)
    expect((await unlock(cookie, world.ids.ivo, '2580')).body).toMatchObject({ code: 'notEnrolled' })
    expect((await client.post(`/tablets/${id}/revoke`)).status).toBe(404)
  })

  it('forgets a PIN with a retired person, a new password by letter, and its own removal', async () => {
    await choosePin('ina', '8024')
    const { cookie, client } = await enrolled()
    await client.send('PUT', `/people/${world.ids.ina}/active`, { active: false })
    expect((await unlock(cookie, world.ids.ina, '8024')).status).toBe(401)
    await client.send('PUT', `/people/${world.ids.ina}/active`, { active: true })
    expect((await unlock(cookie, world.ids.ina, '8024')).status).toBe(200)
    await choosePin('ina', null)
    expect((await unlock(cookie, world.ids.ina, '8024')).status).toBe(401)
  })
})

describe('who came in by PIN', () => {
  it('signs nothing and changes no account until the password is said once', async () => {
    await choosePin('lena', '5093')
    const { cookie } = await enrolled()
    const lena = world.clientOf(await unlock(cookie, world.ids.lena, '5093'))
    const asked = Object.entries(ENDPOINTS).filter(([, one]) => 'needs' in one)
    expect(asked.map(([name]) => name)).toEqual(
      expect.arrayContaining(['signGrading', 'signFinding', 'settle', 'agree', 'confirmAccount', 'erasePerson', 'enrolTablet', 'addPerson'])
    )
    for (const [name, { method, path }] of asked) {
      const address = path.replace(/:\w+/, world.ids.flint)
      const answer = await lena.send(method.toUpperCase(), address, {})
      expect(answer, name).toMatchObject({ status: 403, body: { code: 'passwordNeeded' } })
    }
    expect((await lena.post('/me/password/say', { password: 'not this' })).body.detail).toMatch(/not your password/)
    expect((await lena.post('/me/password/say', { password: PASSWORD })).status).toBe(200)
    expect((await lena.get('/me')).body.byPin).toBeUndefined()
    expect((await lena.post('/tablets', { name: 'Again', tableId: null, locksAfterMin: 5 })).status).toBe(200)
  })
})

describe('what was tapped without the server', () => {
  it('is marked so, and a picked name vouches for nothing', async () => {
    const visit = await world.newVisit('abe')
    const ivo = await world.client('ivo')
    const tap = (kind: string, payload: object, seq: number, away?: string) => ({
      ...{ id: v7(), v: 1, kind, visitId: visit, by: world.ids.ivo, deviceId: 'x', seq, lamport: seq },
      ...{ atDevice: '2026-04-14T09:42:00.000Z', payload, ...(away ? { away } : {}) }
    })
    const sent = [tap('lookedAt', {}, 1, 'in'), tap('noted', { text: 'Calm.' }, 2, 'picked'), tap('noted', { text: 'Dry.' }, 3)]
    const answer = await ivo.post(`/visits/${visit}/events`, { events: sent })
    expect((answer.body.answers as { status: string }[]).map(({ status }) => status)).toEqual(['stored', 'stored', 'stored'])
    const again = await ivo.post(`/visits/${visit}/events`, { events: sent })
    expect((again.body.answers as { status: string }[]).every(({ status }) => status === 'alreadyThere')).toBe(true)
    const { events } = (await ivo.get(`/visits/${visit}/work`)).body as unknown as { events: { id: string; away?: string | null }[] }
    const awayOf = (id: string) => events.find((one) => one.id === id)?.away ?? null
    expect(sent.map(({ id }) => awayOf(id))).toEqual(['in', 'picked', null])
    const hold = { techniqueId: 'bath', hazardId: 'ears' }
    const refused = await ivo.post(`/visits/${visit}/events`, { events: [tap('holdReleased', hold, 4, 'picked')] })
    expect(refused.status).toBe(403)
    expect((await ivo.post(`/visits/${visit}/events`, { events: [tap('noted', { text: 'x' }, 5, 'somewhere')] })).status).toBe(422)
  })
})
