// Server-sent events: what happened at the tables, in order, to every tablet that listens.
import type { Me } from '@peen/contract'
import type { Response } from 'express'
import type { Services } from '../../http'
import { dayStamp, eventsAfter, givePositions, lastPosition, placeAll, type Placed } from './positions'

/** How often the log is looked at while somebody listens, ms. A tablet follows within two of these and the way to it. */
const LOOK_EVERY_MS = 400
/** A stream ends after this long, ms: the tablet opens it again from where it was, and is asked anew who it is. */
const STREAM_MS = 5 * 60000
const HEARTBEAT_MS = 15000
const RETRY_MS = 1000

type Listener = {
  readonly response: Response
  readonly actor: Me
  /** is the sign-in that opened the stream still there? */
  readonly holds: () => Promise<boolean>
  position: number
  stamp: string
  quietSince: number
  readonly until: number
}

type Hub = { readonly listeners: Set<Listener>; timer: NodeJS.Timeout | null; looking: boolean; askedAt: number }
const hubs = new WeakMap<Services, Hub>()

/** How many tablets listen at a server. */
export const streamsOf = (services: Services): number => hubs.get(services)?.listeners.size ?? 0

/**
 * Keeps a response open and tells it every event after `after` (or from now on) and that the day has changed. Each event
 * carries its position as the id, by which a tablet resumes: nothing is told twice in a stream and nothing is left out.
 */
export async function listen(
  services: Services,
  actor: Me,
  response: Response,
  after: number | null,
  holds: () => Promise<boolean>
): Promise<void> {
  const now = Date.now()
  const position = Math.min(after ?? Infinity, await placeAll(services.db))
  const stamp = await dayStamp(services.db, await services.clock.today())
  response.writeHead(200, { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' })
  response.write(`retry: ${RETRY_MS}\nid: ${position}\nevent: begun\ndata: ${position}\n\n`)
  const hub = hubs.get(services) ?? { listeners: new Set(), timer: null, looking: false, askedAt: now }
  hubs.set(services, hub)
  const listener: Listener = { response, actor, holds, position, stamp, quietSince: now, until: now + STREAM_MS }
  hub.listeners.add(listener)
  response.on('close', () => {
    hub.listeners.delete(listener)
    if (hub.listeners.size === 0 && hub.timer) {
      clearInterval(hub.timer)
      hub.timer = null
    }
  })
  hub.timer ??= setInterval(() => void look(services, hub), LOOK_EVERY_MS).unref()
}

/** One look for all who listen: a slow one is not overtaken by the next. */
async function look(services: Services, hub: Hub): Promise<void> {
  if (hub.looking || hub.listeners.size === 0) return
  hub.looking = true
  try {
    await endThoseSignedOut(hub)
    await givePositions(services.db)
    const head = await lastPosition(services.db)
    const stamp = await dayStamp(services.db, await services.clock.today())
    const read = new Map<number, readonly Placed[]>()
    for (const listener of hub.listeners) {
      if (listener.position < head && !read.has(listener.position))
        read.set(listener.position, await eventsAfter(services.db, listener.position))
      tell(listener, read.get(listener.position) ?? [], stamp)
    }
  } catch (error) {
    // the next look reads from the same positions: nothing is lost by a database that was away
    services.log.warn({ err: error }, 'the log of events could not be read')
  } finally {
    hub.looking = false
  }
}

/** A stream ends with the sign-in that opened it, within this long, ms. */
const SIGN_IN_EVERY_MS = 2000

async function endThoseSignedOut(hub: Hub): Promise<void> {
  const now = Date.now()
  if (now - hub.askedAt < SIGN_IN_EVERY_MS) return
  hub.askedAt = now
  for (const listener of [...hub.listeners])
    if (!(await listener.holds())) {
      hub.listeners.delete(listener)
      listener.response.end()
    }
}

function tell(listener: Listener, placed: readonly Placed[], stamp: string): void {
  const { response, actor } = listener
  const now = Date.now()
  if (now > listener.until) return void response.end()
  const parts: string[] = []
  for (const { position, apprenticeId, event } of placed) {
    listener.position = position
    // somebody else's table is passed over, not told: the position moves on all the same
    if (actor.role === 'apprentice' && apprenticeId !== actor.id) continue
    parts.push(`id: ${position}\nevent: practice\ndata: ${JSON.stringify(event)}\n\n`)
  }
  if (stamp !== listener.stamp) {
    listener.stamp = stamp
    parts.push(`id: ${listener.position}\nevent: day\ndata: {}\n\n`)
  }
  if (parts.length === 0 && now - listener.quietSince < HEARTBEAT_MS) return
  listener.quietSince = now
  response.write(parts.length > 0 ? parts.join('') : ': here\n\n')
}
