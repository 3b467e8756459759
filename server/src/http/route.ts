import express, { type NextFunction, type Request, type RequestHandler, type Response, type Router } from 'express'
import type { Logger } from 'pino'
import type { Schema } from 'yup'
import { BODIES, check, ENDPOINTS, OWN_PROBLEMS } from '@peen/contract'
import type { BackupsView, BodyOf, Endpoint, EndpointName, Me, ParamOf, Permit, QueryOf, Reads, Reply, Role } from '@peen/contract'
import type { Clock } from '../clock'
import type { Database } from '../db'
import { Refused, refuse } from './problem'
import { makeTogether } from './together'

/** What every request may use; `backups` where this server makes them. */
export type Services = {
  readonly db: Database
  readonly clock: Clock
  readonly log: Logger
  readonly backups?: { readonly view: () => BackupsView; readonly begin: () => void }
  /** the folder of the secret halves of the signing keys; without one nothing is signed here */
  readonly keys?: string
  /** under which address the world reaches this school; null where it does not */
  readonly publicUrl?: string | null
  /** how long the best visits are looked for; a test on a busy machine waits longer than a person */
  readonly solverSeconds?: number
}

/** What a request carries: JSON of the endpoint's shape, the text of a table, the bytes of a picture. */
type Carried<N extends EndpointName> = (typeof ENDPOINTS)[N] extends { readonly reads: infer R }
  ? R extends 'picture'
    ? Buffer
    : string
  : BodyOf<N>

export type Call<N extends EndpointName> = {
  readonly services: Services
  readonly params: Readonly<Record<ParamOf<N>, string>>
  readonly body: Carried<N>
  readonly actor: Me
  readonly ip: string
  readonly response: Response
  readonly cookies: Readonly<Record<string, string | undefined>>
  readonly query: Readonly<Partial<Record<QueryOf<N>, string>>>
  /** where a stream of events broke off: the browser says so when it opens it again */
  readonly lastEventId: string | undefined
}

/** What a route's function answers: the endpoint's reply, or nothing where it writes the response itself. */
type Answered<N extends EndpointName> = [Reply<N>] extends [never] ? void : Reply<N>

export type Route = Endpoint & {
  readonly name: EndpointName
  readonly body?: Schema
  /** whose reading is alike: see `Alike` */
  readonly alike: Alike | null
  readonly run: (call: Call<EndpointName>) => Promise<unknown>
}

/** Bodies by kind, each with its own size limit. */
const MB = 1024 * 1024
const PARSERS: Readonly<Record<Reads, RequestHandler>> = {
  json: express.json({ limit: MB }),
  csv: express.text({ type: ['text/csv', 'text/plain'], limit: 5 * MB }),
  calendar: express.text({ type: ['text/calendar', 'text/plain'], limit: 2 * MB }),
  picture: express.raw({ type: () => true, limit: 15 * MB })
}
// a body of another type is left unread: as good as none
const READ: Readonly<Record<Reads, (body: unknown) => unknown>> = {
  json: (body) => body,
  csv: (body) => (typeof body === 'string' ? body : ''),
  calendar: (body) => (typeof body === 'string' ? body : ''),
  picture: (body) => (Buffer.isBuffer(body) ? body : Buffer.alloc(0))
}

/**
 * Of a reading that many ask for at once: answered together with those of the same person, or of all staff where the
 * answer is the same for each of them. An apprentice is never answered together with another person.
 */
export type Alike = 'person' | 'staff'

/** An endpoint of the table with what the server does for it. */
export function serve<N extends EndpointName>(
  name: N,
  run: (call: Call<N>) => Promise<Answered<N>>,
  { alike = null }: { readonly alike?: Alike | null } = {}
): Route {
  const body = (BODIES as Readonly<Partial<Record<EndpointName, Schema>>>)[name]
  return { ...ENDPOINTS[name], name, body, alike, run: run as unknown as Route['run'] }
}

/** What readings that are answered together have in common: the address with its query, and who asks. */
function keyOf(alike: Alike, { originalUrl }: Request, { id, role }: Me): string {
  return `${alike === 'staff' && role !== 'apprentice' ? 'staff' : id} ${originalUrl}`
}

/** The middleware that enforces a permit; `permit` stays readable on it for the test that walks all routes. */
export type PermitHandler = RequestHandler & { readonly permit: Permit }

export function permitHandler(permit: Permit, needs?: 'password', name?: EndpointName): PermitHandler {
  const handler = (req: Request, res: Response, next: NextFunction) => {
    // whose answer it is, refused or not: the metrics count by it
    res.locals.endpoint = name
    if (permit === 'anyone') return next()
    const actor = actorOf(req)
    if (!actor) return next(refuse.notSignedIn())
    if (!permit.includes(actor.role)) return next(refuse.forbidden(`This is not open to ${article(actor.role)}.`))
    if (needs === 'password' && actor.byPin) return next(refuse.passwordNeeded())
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

/** The body as the endpoint takes it; refuses one of another shape. */
function bodyOf({ body, reads = 'json' }: Route, sent: unknown): unknown {
  if (!body) return READ[reads](sent)
  const checked = check(body, sent ?? {})
  if (!checked.ok) throw refuse.invalid(checked.issues)
  return checked.value
}

/** Refuses a refusal that the table does not name for this endpoint: a defect, which tests meet and people do not. */
function knownProblem({ name, problems = [] }: Route, error: unknown): unknown {
  if (!(error instanceof Refused) || !(OWN_PROBLEMS as readonly string[]).includes(error.code)) return error
  if ((problems as readonly string[]).includes(error.code) || process.env.NODE_ENV !== 'test') return error
  return new Error(`${name} answers "${error.code}", which its line in contract/src/endpoints does not name`)
}

/** Mounts routes: permission first, then the body's shape, then the one call. */
export function mount(router: Router, routes: readonly Route[], services: Services): void {
  const together = makeTogether<string>()
  for (const route of routes) {
    router[route.method](
      route.path,
      permitHandler(route.who, route.needs, route.name),
      PARSERS[route.reads ?? 'json'],
      async (req: Request, res: Response) => {
        const params = req.params as Record<string, string>
        if (params.id !== undefined && !UUID.test(params.id)) throw refuse.notFound(`"${params.id.slice(0, 60)}"`)
        const call = {
          services,
          params,
          body: bodyOf(route, req.body),
          actor: actorOf(req) as Me,
          ip: req.ip ?? '',
          response: res,
          cookies: (req as Request & { parsedCookies?: Record<string, string> }).parsedCookies ?? {},
          query: plainQuery(req.query),
          lastEventId: req.get('last-event-id')
        }
        const run = () =>
          route.run(call as Call<EndpointName>).catch((error: unknown) => {
            throw knownProblem(route, error)
          })
        if (route.alike && call.actor) {
          const text = await together(keyOf(route.alike, req, call.actor), async () => JSON.stringify(await run()))
          res.type('json').send(text)
          return
        }
        const answer = await run()
        if (res.headersSent) return
        res.status(res.statusCode || 200).json(answer ?? {})
      }
    )
  }
}
