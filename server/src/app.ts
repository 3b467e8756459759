import { parse as parseCookies } from 'cookie'
import express, { Router, type Express, type NextFunction, type Request, type Response } from 'express'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { pinoHttp } from 'pino-http'
import { v7 } from 'uuid'
import { accountRoutes } from './features/accounts'
import { erasureRoutes } from './features/erasure'
import { apprenticeRoutes } from './features/apprentices'
import { assessmentRoutes } from './features/assessments'
import { auditRoutes } from './features/audit'
import { authRoutes, COOKIE, deviceOf, whoIs } from './features/auth'
import { backupRoutes } from './features/backups'
import { calendarRoutes } from './features/calendar'
import { certificateRoutes } from './features/certificates'
import { certifyRoutes } from './features/certify'
import { correctionRoutes } from './features/corrections'
import { bundleRoutes } from './features/bundle'
import { credentialRoutes } from './features/credentials'
import { admissionRoutes } from './features/admission'
import { coatRoutes } from './features/coat'
import { dayRoutes } from './features/day'
import { dogRoutes } from './features/dogs'
import { floorRoutes } from './features/floor'
import { gradingRoutes } from './features/grading'
import { liveRoutes } from './features/live'
import { measureRoutes } from './features/measures'
import { answerRoutes } from './features/answers'
import { noteRoutes } from './features/notes'
import { openingRoutes } from './features/opening'
import { portfolioRoutes } from './features/portfolios'
import { practiceRoutes } from './features/practice'
import { rackRoutes } from './features/rack'
import { recordRoutes } from './features/records'
import { schoolRoutes } from './features/school'
import { searchRoutes } from './features/search'
import { standardRoutes } from './features/standards'
import { techniqueRoutes } from './features/techniques'
import { visitRoutes } from './features/visits'
import { supplyRoutes } from './features/supply'
import { tabletRoutes } from './features/tablets'
import { wallRoutes } from './features/wall'
import { tellError } from './log'
import { counting, withRequestId, type Metrics } from './watch'
import { csrfDefence, knownHost, mount, problemOf, refuse, RETRY_AFTER_S, securityHeaders, type Route, type Services } from './http'

export const ROUTES: readonly Route[] = [
  ...authRoutes,
  ...tabletRoutes,
  ...schoolRoutes,
  ...floorRoutes,
  ...practiceRoutes,
  ...liveRoutes,
  ...apprenticeRoutes,
  ...dogRoutes,
  ...coatRoutes,
  ...dayRoutes,
  ...admissionRoutes,
  ...accountRoutes,
  ...erasureRoutes,
  ...visitRoutes,
  ...rackRoutes,
  ...recordRoutes,
  ...standardRoutes,
  ...techniqueRoutes,
  ...gradingRoutes,
  ...measureRoutes,
  ...wallRoutes,
  ...assessmentRoutes,
  ...certificateRoutes,
  ...certifyRoutes,
  ...credentialRoutes,
  ...bundleRoutes,
  ...portfolioRoutes,
  ...openingRoutes,
  ...calendarRoutes,
  ...supplyRoutes,
  ...correctionRoutes,
  ...noteRoutes,
  ...answerRoutes,
  ...searchRoutes,
  ...auditRoutes,
  ...backupRoutes
]

/** Under which names it is asked for beside its own, whether a proxy stands in front, and who counts its answers. */
type Asked = { readonly hosts?: () => readonly string[]; readonly proxied?: boolean; readonly metrics?: Metrics }

/** The Express application: headers, who is calling, CSRF, routes, the built web application, one error exit. */
export function makeApp(services: Services, webFolder: string | null, { hosts = () => [], proxied = false, metrics }: Asked = {}): Express {
  const app = express()
  // only a proxy on this machine may say who asks, and whether by https
  app.set('trust proxy', proxied ? 'loopback' : false)
  app.disable('x-powered-by')
  app.use(securityHeaders())
  app.use(knownHost(undefined, hosts))
  app.use(
    pinoHttp({
      logger: services.log,
      genReqId: () => v7(),
      autoLogging: { ignore: (req) => !req.url?.startsWith('/api') },
      // ids and numbers: what follows a question mark was typed, and headers hold sign-ins
      serializers: {
        req: ({ id, method, url }: { id: string; method: string; url: string }) => ({ id, method, path: url.split('?')[0] }),
        res: ({ statusCode }: { statusCode: number }) => ({ statusCode })
      }
    })
  )
  app.use((req, res, next) => {
    res.set('X-Request-Id', String(req.id))
    withRequestId(String(req.id), next)
  })
  if (metrics) app.use('/api', counting(metrics))
  const api = Router()
  api.use(async (req: Request & { actor?: unknown; parsedCookies?: object }, _res, next) => {
    req.parsedCookies = parseCookies(req.get('cookie') ?? '')
    const cookies = req.parsedCookies as Record<string, string | undefined>
    const me = await whoIs(services, cookies[COOKIE])
    req.actor = me && { ...me, deviceId: deviceOf(cookies, cookies[COOKIE]!) }
    next()
  })
  api.use(csrfDefence)
  api.use((_req, res, next) => {
    res.set('Cache-Control', 'no-store')
    next()
  })
  mount(api, ROUTES, services)
  api.use((req: Request) => {
    throw refuse.notFound(`The address ${req.method} /api${req.path.slice(0, 80)}`)
  })
  app.use('/api', api)
  if (webFolder && existsSync(webFolder)) serveWeb(app, webFolder)
  app.use((error: unknown, req: Request, res: Response, _next: NextFunction) => {
    const errorId = String(req.id)
    const problem = problemOf(error, errorId)
    if (problem.status === 503 || problem.status === 507) req.log?.warn(`${problem.code}: ${problem.detail}`)
    // told here: what pino-http writes of an error holds the values of a query
    else if (problem.status >= 500) req.log?.error({ failure: tellError(error), errorId }, 'unexpected')
    if (problem.status === 503 || problem.status === 507) res.set('Retry-After', String(RETRY_AFTER_S))
    res.status(problem.status).type('application/problem+json').send(JSON.stringify(problem))
  })
  return app
}

function serveWeb(app: Express, folder: string): void {
  app.use('/assets', express.static(join(folder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }))
  // it is handed on and opened from a disk; what it holds inside may not run on this site
  app.get('/verify.html', (_req, res) => res.attachment('verify.html').sendFile(join(folder, 'verify.html')))
  app.use(express.static(folder, { index: false }))
  app.get('/{*path}', (_req, res) => res.set('Cache-Control', 'no-cache').sendFile(join(folder, 'index.html')))
}
