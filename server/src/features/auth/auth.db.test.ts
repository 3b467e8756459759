import { eq } from 'drizzle-orm'
import { get } from 'node:http'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { isCommon } from './common'
import { freshDatabase, PASSWORD, serve, smallSchool, type Served, type World } from '../../testing/world'

let world: World
beforeAll(async () => (world = await smallSchool('auth')))
afterAll(() => world.close())

describe('signing in', () => {
  it('gives an http-only, same-site cookie and a token; signing out ends it', async () => {
    const stranger = await world.client()
    const answer = await stranger.post('/sign-in', { username: 'lena', password: PASSWORD })
    expect(answer.status).toBe(200)
    expect(answer.headers.get('set-cookie')).toMatch(/peen_session=.*HttpOnly; SameSite=Strict/)
    const lena = await world.client('lena')
    expect((await lena.get('/me')).body).toMatchObject({ givenName: 'lena', role: 'lead' })
    expect((await lena.post('/sign-out')).status).toBe(200)
    expect((await lena.get('/me')).status).toBe(401)
  })

  it('says the same of an unknown name and a wrong password', async () => {
    const stranger = await world.client()
    const wrong = await stranger.post('/sign-in', { username: 'lars', password: 'not this one' })
    const unknown = await stranger.post('/sign-in', { username: 'nobody', password: 'not this one' })
    expect([wrong.status, unknown.status]).toEqual([401, 401])
    expect(wrong.body.detail).toBe(unknown.body.detail)
  })

  it('is slowed down by wrong tries, and a right password still opens: another’s guesses lock no one out', async () => {
    const stranger = await world.client()
    for (let i = 0; i < 7; i++) await stranger.post('/sign-in', { username: 'ina', password: 'wrong' })
    const began = performance.now()
    expect((await stranger.post('/sign-in', { username: 'ina', password: PASSWORD })).status).toBe(200)
    expect(performance.now() - began).toBeGreaterThan(700)
    // a right one forgets the wrong ones before it
    expect(await world.db.select().from(tables.signInFailures).where(eq(tables.signInFailures.key, 'name:ina'))).toEqual([])
  })

  it('takes guesses sent together one after the other, and sends a crowd away', async () => {
    const stranger = await world.client()
    const answers = await Promise.all(
      Array.from({ length: 30 }, (_, i) => stranger.post('/sign-in', { username: 'lars', password: `guess ${i}` }))
    )
    const crowd = answers.filter(({ status }) => status === 429).length
    expect(crowd).toBeGreaterThan(10)
    const kept = await world.db.select().from(tables.signInFailures).where(eq(tables.signInFailures.key, 'name:lars'))
    expect(kept.length).toBeGreaterThanOrEqual(answers.length - crowd)
  })

  it('names every missing field', async () => {
    const answer = await (await world.client()).post('/sign-in', {})
    expect(answer).toMatchObject({ status: 422, body: { detail: 'Username is missing. Password is missing.' } })
  })
})

describe('forged requests', () => {
  it('are refused without the token, from another origin and from another site', async () => {
    const lena = await world.client('lena')
    expect(await lena.send('POST', '/sign-out', {}, { 'x-peen-csrf': 'guess' })).toMatchObject({ status: 403, body: { code: 'csrf' } })
    expect(await lena.send('POST', '/sign-out', {}, { origin: 'http://elsewhere.invalid' })).toMatchObject({
      status: 403,
      body: { code: 'foreignOrigin' }
    })
    expect(await lena.send('POST', '/sign-out', {}, { origin: 'null' })).toMatchObject({ status: 403 })
    expect(await lena.send('POST', '/sign-out', {}, { 'sec-fetch-site': 'cross-site' })).toMatchObject({ status: 403 })
    expect((await lena.get('/me')).status).toBe(200)
  })

  it('meet security headers', async () => {
    const { headers } = await (await world.client()).get('/setup')
    expect(headers.get('content-security-policy')).toContain("default-src 'self'")
    expect(headers.get('x-content-type-options')).toBe('nosniff')
    expect(headers.get('x-powered-by')).toBeNull()
  })
})

describe('bad requests', () => {
  it('an oversized body and broken JSON get a sentence, and nothing changes', async () => {
    const lena = await world.client('lena')
    const big = await lena.post('/findings', { id: 'x'.repeat(1_100_000) })
    expect(big).toMatchObject({ status: 413, body: { detail: 'What was sent is larger than 1 MB (it is 2 MB). Nothing was changed.' } })
    const broken = await lena.send('POST', '/findings', '{"id": ')
    expect(broken).toMatchObject({ status: 400, body: { code: 'brokenJson' } })
    expect(await lena.send('POST', '/findings')).toMatchObject({ status: 422, body: { code: 'invalid' } })
    expect(await lena.send('POST', '/findings', '[1]')).toMatchObject({ status: 422 })
    expect((await lena.get('/visits/%')).status).toBe(400)
  })
})

describe('a password', () => {
  it('is none of those that are guessed first, however it is dressed up', () => {
    for (const common of ['password123', 'PASSWORD2026!', '1234567890', 'qwertyuiop', 'aaaaaaaaaaaa', 'iloveyou!!!!', 'zyxwvutsrq'])
      expect(isCommon(common), common).toBe(true)
    for (const own of [PASSWORD, 'porcelain-7F', 'three wet towels', 'Schermaschine im Bad']) expect(isCommon(own), own).toBe(false)
  })

  it('that is common is refused wherever one is chosen', async () => {
    const lena = await world.client('lena')
    const answer = await lena.post('/me/password', { now: PASSWORD, next: 'password123' })
    expect(answer).toMatchObject({ status: 422, body: { detail: expect.stringMatching(/too easy to guess/) } })
  })
})

describe('a name', () => {
  it('is kept in one form, and hides nothing', async () => {
    const lena = await world.client('lena')
    const person = (givenName: string, username: string) => ({
      ...{ id: v7(), givenName, familyName: 'Test', username, role: 'apprentice', cohort: 'Spring', password: PASSWORD }
    })
    expect((await lena.post('/people', person('\uff21\uff44\uff41', 'wide'))).body.detail).toMatch(
      /look-alike characters; write it as “Ada”/
    )
    for (const hidden of ['A\u202eda', 'Ad\u200ba', 'A\u0007da', 'Ada\u00ad'])
      expect((await lena.post('/people', person(hidden, 'hidden'))).body.detail, JSON.stringify(hidden)).toMatch(/invisible character/)
  })
})

describe('another name for this machine', () => {
  it('is refused: a page of a stranger that points here reads nothing', async () => {
    const { port } = new URL(world.url)
    const ask = (host: string) =>
      new Promise<number>((resolve, reject) =>
        get({ host: '127.0.0.1', port, path: '/api/setup', headers: { host } }, (answer) => {
          answer.resume()
          resolve(answer.statusCode!)
        }).once('error', reject)
      )
    expect(await Promise.all([`127.0.0.1:${port}`, 'localhost', '[::1]:80'].map(ask))).toEqual([200, 200, 200])
    expect(await Promise.all(['evil.example', 'localhost.evil.example', `evil.example:${port}`].map(ask))).toEqual([421, 421, 421])
  })
})

describe('an empty school', () => {
  let served: Served
  beforeAll(async () => (served = await serve(await freshDatabase('setup'))))
  afterAll(() => served.close())

  it('asks for its first lead assessor, once', async () => {
    const stranger = await served.client()
    expect((await stranger.get('/setup')).body).toEqual({ needed: true })
    const short = await stranger.post('/setup', {
      schoolName: 'Ours',
      givenName: 'Ada',
      familyName: 'Q',
      username: 'ada',
      password: 'short'
    })
    expect(short).toMatchObject({ status: 422, body: { detail: 'Password is too short; it must have at least 10 characters.' } })
    const first = await stranger.post('/setup', {
      schoolName: 'Ours',
      givenName: 'Ada',
      familyName: 'Q',
      username: 'ada',
      password: PASSWORD
    })
    expect(first).toMatchObject({ status: 200, body: { role: 'lead' } })
    expect((await stranger.get('/setup')).body).toEqual({ needed: false })
    const second = await stranger.post('/setup', {
      schoolName: 'Ours',
      givenName: 'Eve',
      familyName: 'Q',
      username: 'eve',
      password: PASSWORD
    })
    expect(second).toMatchObject({ status: 409, body: { code: 'alreadySetUp' } })
    const ada = await served.client('ada')
    expect((await ada.get('/school')).body).toMatchObject({ name: 'Ours', isDemo: false })
    expect((await ada.get('/floor')).body).toMatchObject({ tables: [], looks: [] })
  })
})
