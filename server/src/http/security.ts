import helmet from 'helmet'
import type { NextFunction, Request, RequestHandler, Response } from 'express'
import { actorOf } from './route'
import { Refused } from './problem'

/** Security headers for an application served over plain http on loopback: everything comes from itself alone. */
export function securityHeaders(): RequestHandler {
  return helmet({
    strictTransportSecurity: false,
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        workerSrc: ["'self'", 'blob:'],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'blob:', 'data:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        objectSrc: ["'none'"],
        frameAncestors: ["'none'"],
        baseUri: ["'self'"],
        formAction: ["'self'"],
        upgradeInsecureRequests: null
      }
    }
  })
}

/**
 * Names under which Peen is asked for: loopback, what `PEEN_HOSTS` adds, and the names of the room as they are now. A page of
 * another name that points here is refused.
 */
export function knownHost(
  more: readonly string[] = (process.env.PEEN_HOSTS ?? '').split(','),
  now: () => readonly string[] = () => []
): RequestHandler {
  const known = new Set(['127.0.0.1', 'localhost', '[::1]', ...more.map((name) => name.trim().toLowerCase()).filter((name) => name !== '')])
  return (req: Request, _res: Response, next: NextFunction) => {
    const host = (req.get('host') ?? '').toLowerCase().replace(/:\d{1,5}$/, '')
    const isKnown = known.has(host) || now().includes(host)
    next(isKnown ? undefined : new Refused(421, 'foreignHost', 'Peen does not answer to this address.'))
  }
}

/**
 * CSRF defence for every request that changes something: it must come from our own origin, and carry the token that
 * belongs to the signed-in session. (The cookie is same-site strict as well.)
 */
export function csrfDefence(req: Request, _res: Response, next: NextFunction): void {
  if (['GET', 'HEAD', 'OPTIONS'].includes(req.method)) return next()
  const origin = req.get('origin')
  if (origin && hostOf(origin) !== req.get('host')) return next(foreign())
  if (req.get('sec-fetch-site') && !['same-origin', 'none'].includes(req.get('sec-fetch-site')!)) return next(foreign())
  const actor = actorOf(req)
  if (actor && req.get('x-peen-csrf') !== actor.csrf)
    return next(new Refused(403, 'csrf', 'This page has lost its sign-in token. Reload the page.'))
  next()
}

// "null" is what a sandboxed page sends
function hostOf(origin: string): string {
  return URL.canParse(origin) ? new URL(origin).host : ''
}

function foreign(): Refused {
  return new Refused(403, 'foreignOrigin', 'This request comes from another site and was refused.')
}
