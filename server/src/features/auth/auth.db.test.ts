import { afterAll, beforeAll, describe, expect, it } from 'vitest'
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

  it('is limited in tries, for that name alone', async () => {
    const stranger = await world.client()
    for (let i = 0; i < 10; i++) await stranger.post('/sign-in', { username: 'ina', password: 'wrong' })
    const answer = await stranger.post('/sign-in', { username: 'ina', password: PASSWORD })
    expect(answer).toMatchObject({ status: 429, body: { detail: 'Too many tries. Wait 15 minutes, then try again.' } })
    expect((await stranger.post('/sign-in', { username: 'ivo', password: PASSWORD })).status).toBe(200)
  })

  it('names every missing field', async () => {
    const answer = await (await world.client()).post('/sign-in', {})
    expect(answer).toMatchObject({ status: 422, body: { detail: 'User name is missing. Password is missing.' } })
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
    expect((await lena.get('/sessions/%')).status).toBe(400)
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
    expect(short).toMatchObject({ status: 422, body: { detail: 'Password is too short; at least 10 characters.' } })
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
