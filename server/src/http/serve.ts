// The listening server with its limits on senders that are slow on purpose.
import { createServer, type RequestListener, type Server } from 'node:http'
import { createServer as createSecureServer, type Server as SecureServer } from 'node:https'

/** How long a sender may take, ms. */
export type SenderLimits = {
  /** until all headers are here */
  readonly headersMs: number
  /** until the whole body is here: a photograph over a poor network in a grooming room */
  readonly requestMs: number
  /** until the next request of a connection that is kept open */
  readonly keepAliveMs: number
  /** how often that is looked at */
  readonly checkMs: number
}
/** Chosen. */
export const SENDER_LIMITS: SenderLimits = Object.freeze({ headersMs: 15_000, requestMs: 120_000, keepAliveMs: 10_000, checkMs: 5_000 })
const MOST_HEADERS = 60

const optionsOf = (limits: SenderLimits) => ({
  headersTimeout: limits.headersMs,
  requestTimeout: limits.requestMs,
  keepAliveTimeout: limits.keepAliveMs,
  connectionsCheckingInterval: limits.checkMs
})

/** A server that ends connections whose headers or body come too slowly. */
export function serverFor(app: RequestListener, limits: SenderLimits = SENDER_LIMITS): Server {
  const server = createServer(optionsOf(limits), app)
  server.maxHeadersCount = MOST_HEADERS
  return server
}

/** The same by https, TLS 1.2 or newer, with a certificate and its key in PEM. */
export function secureServerFor(
  app: RequestListener,
  pair: { readonly cert: string; readonly key: string },
  limits: SenderLimits = SENDER_LIMITS
): SecureServer {
  const server = createSecureServer({ ...optionsOf(limits), ...pair, minVersion: 'TLSv1.2', handshakeTimeout: limits.headersMs }, app)
  server.maxHeadersCount = MOST_HEADERS
  return server
}
