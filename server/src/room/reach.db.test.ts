// How Peen is reached changes what it answers: its names, and whether a cookie may travel without https.
import { request } from 'node:http'
import type { AddressInfo } from 'node:net'
import pino from 'pino'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { makeApp } from '../app'
import { serverFor } from '../http'
import { PASSWORD, smallSchool, type World } from '../testing/world'

let world: World
beforeAll(async () => (world = await smallSchool('reach')))
afterAll(() => world.close())

const PUBLIC = 'peen.school.example'
type Answer = { readonly status: number; readonly cookies: readonly string[] }

/** Signs in at an application that is opened in this way, as a proxy in front of it would pass it on. */
async function signIn(how: Parameters<typeof makeApp>[2], headers: Record<string, string>): Promise<Answer> {
  const app = makeApp({ db: world.db, clock: world.clock, log: pino({ level: 'silent' }) }, null, how)
  const server = serverFor(app).listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  const { port } = server.address() as AddressInfo
  const answer = await new Promise<Answer>((resolve, reject) => {
    const sending = request(
      { host: '127.0.0.1', port, path: '/api/sign-in', method: 'POST', headers: { 'content-type': 'application/json', ...headers } },
      (reply) => {
        reply.resume()
        reply.on('end', () => resolve({ status: reply.statusCode!, cookies: reply.headers['set-cookie'] ?? [] }))
      }
    )
    sending.on('error', reject)
    sending.end(JSON.stringify({ username: 'ivo', password: PASSWORD }))
  })
  server.closeAllConnections()
  server.close()
  return answer
}

const proxied = { hosts: () => [PUBLIC], proxied: true }

describe('where Peen is reached', () => {
  it('by a proxy that says https its cookies are secure, and its name is known', async () => {
    const { status, cookies } = await signIn(proxied, { host: PUBLIC, 'x-forwarded-proto': 'https' })
    expect(status).toBe(200)
    expect(cookies.length).toBeGreaterThan(1)
    for (const cookie of cookies) expect(cookie).toMatch(/; Secure/)
  })

  it('on loopback nothing that a sender says makes a cookie secure, or another name known', async () => {
    const { cookies } = await signIn({}, { 'x-forwarded-proto': 'https' })
    for (const cookie of cookies) expect(cookie).not.toMatch(/Secure/)
    expect((await signIn({}, { host: PUBLIC })).status).toBe(421)
    expect((await signIn(proxied, { host: 'elsewhere.example' })).status).toBe(421)
  })

  it('a page of another name is refused though it points here', async () => {
    expect((await signIn(proxied, { host: PUBLIC, origin: 'https://elsewhere.example' })).status).toBe(403)
    expect((await signIn(proxied, { host: PUBLIC, origin: `https://${PUBLIC}` })).status).toBe(200)
  })
})
