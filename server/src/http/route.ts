import express, { type NextFunction, type Request, type RequestHandler, type Response, type Router } from 'express'
import type { Logger } from 'pino'
import type { Me, Role } from '@peen/contract'
import { check } from '@peen/contract'
import type { Schema } from 'yup'
import type { Clock } from '../clock'
import type { Database } from '../db'
import { refuse } from './problem'

/** What every use case may ask of the server. */
export type Services = { readonly db: Database; readonly clock: Clock; readonly log: Logger }

/** Who may call a route. Each route says so on its own line; a test walks them all. */
export type Permit = 'anyone' | readonly [Role, ...Role[]]

export type Call<B = unknown> = {
  readonly services: Services
  readonly params: Readonly<Record<string, string>>
  readonly body: B
  readonly actor: Me
  readonly ip: string
  readonly response: Response
  readonly cookies: Readonly<Record<string, string | undefined>>
  readonly query: Readonly<Record<string, string | undefined>>
  /** where a stream of events broke off: the browser says so when it opens it again */
  readonly lastEventId: string | undefined
}

export type Route = {
  readonly method: 'get' | 'post' | 'put'
  readonly path: string
  readonly permit: Permit
  readonly run: (call: Call) => Promise<unknown>
  readonly body?: Schema
  /** what it reads instead of JSON */
  readonly reads?: Reads
}

/** Bodies by kind, each with its own size limit. */
export type Reads = 'json' | 'csv' | 'picture'
const MB = 1024 * 1024
const PARSERS: Readonly<Record<Reads, RequestHandler>> = {
  json: express.json({ limit: MB }),
  csv: express.text({ type: ['text/csv', 'text/plain'], limit: 5 * MB }),
  picture: express.raw({ type: () => true, limit: 15 * MB })
}

/** The same route, reading a table or a picture instead of JSON. */
export const reading = (reads: Reads, of: Route): Route => ({ ...of, reads })

/** Declares a route: method and path, who may call it, the shape of its body, what it does. */
export function route<B = undefined>(
  method: Route['method'],
  path: string,
  permit: Permit,
  run: (call: Call<B>) => Promise<unknown>,
  body?: Schema<B>
): Route {
  return { method, path, permit, run: run as Route['run'], body: body as Schema | undefined }
}

/** The middleware that enforces a permit; `permit` stays readable on it for the test that walks all routes. */
export type PermitHandler = RequestHandler & { readonly permit: Permit }

export function permitHandler(permit: Permit): PermitHandler {
  const handler = (req: Request, _res: Response, next: NextFunction) => {
    if (permit === 'anyone') return next()
    const actor = actorOf(req)
    if (!actor) return next(refuse.notSignedIn())
    if (!permit.includes(actor.role)) return next(refuse.forbidden(`This is not open to ${article(actor.role)}.`))
    next()
  }
  return Object.assign(handler, { permit })
}

function article(role: Role): string {
  return { lead: 'a lead assessor', instructor: 'an instructor', apprentice: 'an apprentice' }[role]
}

export function actorOf(req: Request): Me | null {
  return (req as Request & { actor?: Me }).actor ?? null
}

/** Each name of the query once, as text. */
function plainQuery(query: Request['query']): Record<string, string | undefined> {
  return Object.fromEntries(Object.entries(query).map(([name, value]) => [name, typeof value === 'string' ? value : undefined]))
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i

/** Mounts routes: permission first, then the body's shape, then the one call. */
export function mount(router: Router, routes: readonly Route[], services: Services): void {
  for (const { method, path, permit, run, body, reads = 'json' } of routes) {
    router[method](path, permitHandler(permit), PARSERS[reads], async (req: Request, res: Response) => {
      const params = req.params as Record<string, string>
      if (params.id !== undefined && !UUID.test(params.id)) throw refuse.notFound(`"${params.id.slice(0, 60)}"`)
      const checked = body ? check(body, req.body ?? {}) : { ok: true as const, value: undefined }
      if (!checked.ok) throw refuse.invalid(checked.issues)
      const cookies = (req as Request & { parsedCookies?: Record<string, string> }).parsedCookies ?? {}
      const answer = await run({
        services,
        params,
        body: body ? checked.value : req.body,
        actor: actorOf(req) as Me,
        ip: req.ip ?? '',
        response: res,
        cookies,
        query: plainQuery(req.query),
        lastEventId: req.get('last-event-id')
      })
      if (res.headersSent) return
      res.status(res.statusCode || 200).json(answer ?? {})
    })
  }
}
