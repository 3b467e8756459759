// For the person who runs the school's computer: is Peen well, and what is it doing? On loopback alone, whatever Peen itself is open to.
import express, { type RequestHandler } from 'express'
import type { Server } from 'node:http'
import { serverFor } from '../http'
import { lastChecks } from '../features/audit'
import type { Services } from '../http'
import { isUp, type Metrics } from './metrics'

export { makeMetrics, type Metrics } from './metrics'
export { requestId, withRequestId } from './request-id'

/** A query that takes longer is named in the log, ms. Chosen. */
export const SLOW_MS = 500

/** Counts an answer by its endpoint's name: addresses hold ids. */
export function counting(metrics: Metrics): RequestHandler {
  return (_req, res, next) => {
    const begun = process.hrtime.bigint()
    res.once('close', () => {
      const endpoint = (res.locals as { endpoint?: string }).endpoint ?? 'none'
      // a stream stays open for minutes and is no slow answer
      if (endpoint !== 'live') metrics.answered(endpoint, res.statusCode, Number(process.hrtime.bigint() - begun) / 1e9)
    })
    next()
  }
}

/** One line for each thing that is looked at, and 503 where people cannot work. */
async function healthOf({ db }: Pick<Services, 'db'>) {
  const database = await isUp(db)
  const [trail] = database ? await lastChecks(db, 1) : []
  const isWell = database && trail?.whole !== false
  return {
    status: database ? (isWell ? 'well' : 'care') : 'down',
    database: database ? 'answers' : 'does not answer',
    trail: trail === undefined ? 'not checked yet' : trail.whole ? 'whole' : 'something was changed; see Certify, Audit trail'
  }
}

/** Opens /healthz and /metrics on 127.0.0.1. @returns what closes it; rejects where the port is taken. */
export async function openWatch(services: Pick<Services, 'db'>, { registry }: Metrics, port: number): Promise<() => void> {
  const app = express()
  app.disable('x-powered-by')
  app.get('/healthz', async (_req, res) => {
    const health = await healthOf(services)
    res.status(health.status === 'down' ? 503 : 200).json(health)
  })
  app.get('/metrics', async (_req, res) => {
    res.type(registry.contentType).send(await registry.metrics())
  })
  const server: Server = serverFor(app)
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject)
    server.listen(port, '127.0.0.1', () => resolve())
  })
  return () => {
    server.closeAllConnections()
    server.close()
  }
}
