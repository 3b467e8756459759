import { ENDPOINTS } from '@peen/contract'
import type { Express } from 'express'
import pino from 'pino'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { makeApp, ROUTES } from './app'
import { permitHandler, serve, type PermitHandler } from './http'
import { smallSchool, type World } from './testing/world'

let world: World
beforeAll(async () => (world = await smallSchool('routes')))
afterAll(() => world.close())

type Layer = {
  route?: { path: string; methods: Record<string, boolean>; stack: { handle: Partial<PermitHandler> }[] }
  handle?: { stack?: Layer[] }
}

/** Every route that Express really holds, with the permit its first handler carries. */
function walk(layers: readonly Layer[]): { path: string; method: string; permit: PermitHandler['permit'] | undefined }[] {
  return layers.flatMap((layer) => {
    if (layer.route) {
      const permit = layer.route.stack[0].handle.permit
      return Object.keys(layer.route.methods).map((method) => ({ path: layer.route!.path, method, permit }))
    }
    return layer.handle?.stack ? walk(layer.handle.stack) : []
  })
}

const permitted = (permit: PermitHandler['permit'] | undefined) => permit === 'anyone' || (Array.isArray(permit) && permit.length > 0)

describe('permission is declared on every route', () => {
  const routesOf = (app: Express) => walk((app as unknown as { router: { stack: Layer[] } }).router.stack)

  it('on each route that Express holds', () => {
    const app = makeApp({ db: world.db, clock: world.clock, log: pino({ level: 'silent' }) }, null)
    const found = routesOf(app)
    expect(found.length).toBe(ROUTES.length)
    expect(ROUTES.map(({ name }) => name).sort()).toEqual(Object.keys(ENDPOINTS).sort())
    expect(found.length).toBeGreaterThan(15)
    for (const { path, method, permit } of found) expect(permitted(permit), `${method} ${path}`).toBe(true)
  })

  it('and the walk would notice a route without, or with an empty list', () => {
    const app = makeApp({ db: world.db, clock: world.clock, log: pino({ level: 'silent' }) }, null)
    app.get('/bare', (_req, res) => void res.json({}))
    app.get('/empty', permitHandler([] as never), (_req, res) => void res.json({}))
    const bad = routesOf(app)
      .filter(({ permit }) => !permitted(permit))
      .map(({ path }) => path)
    expect(bad.sort()).toEqual(['/bare', '/empty'])
    expect(serve('rack', async () => ({ tools: [], undo: null }) as never).who).toEqual(['lead', 'instructor'])
  })

  it('and is enforced: nobody without a sign-in, nobody of another role', async () => {
    const stranger = await world.client()
    const apprentice = await world.client('abe')
    let closed = 0
    for (const { method, path, who: permit } of ROUTES) {
      if (permit === 'anyone') continue
      const address = path.replace(':id', world.ids.flint)
      const body = method === 'get' ? undefined : {}
      expect((await stranger.send(method.toUpperCase(), address, body)).status, `${method} ${path}`).toBe(401)
      if (!permit.includes('apprentice')) {
        expect((await apprentice.send(method.toUpperCase(), address, body)).status, `${method} ${path}`).toBe(403)
        closed++
      }
    }
    expect(closed).toBeGreaterThan(7)
  })

  it('unknown addresses and ids are a clear 404', async () => {
    const lead = await world.client('lena')
    expect(await lead.get('/nowhere')).toMatchObject({ status: 404, body: { detail: 'The address GET /api/nowhere does not exist.' } })
    expect((await lead.get('/visits/7/work')).status).toBe(404)
    expect((await lead.get(`/gradings/${world.ids.flint}`)).body.detail).toBe('This grading does not exist.')
  })
})
