// Three tablets whose taps are sent in batches, out of order, cut off, from two tabs at once and after reloads, until each was answered for.
import { v7 } from 'uuid'
import type { Client } from '../world'
import { pause } from './ground'

type Tap = { readonly id: string; readonly seq: number; readonly text: string; readonly atDevice: string }
export type Tablet = {
  readonly client: Client
  readonly turned: Turned
  /** what is kept on the tablet: it outlives a reload */
  readonly kept: Tap[]
  readonly sent: Set<string>
  readonly acknowledged: Set<string>
  readonly refused: Map<string, string>
  seq: number
}
export type How = { readonly isCut: boolean; readonly tabs: number; readonly isReloaded: boolean }

/** How often the servers said that their database is away (503) or its disk full (507). */
export type Turned = { away: number; full: number }
function noteTurned(turned: Turned, status: number): void {
  if (status === 503) turned.away++
  if (status === 507) turned.full++
}

/** A round ends when everything is answered for; so long it is waited for on a machine that is slow for a while, ms. */
export const ROUND_MS = 400000
/** Longer than a server may be silent that lost the node it was asking, ms. */
const SILENT_MS = 30000

export const tabletOf = (client: Client, turned: Turned): Tablet => ({
  ...{ client, turned, kept: [], sent: new Set<string>(), acknowledged: new Set<string>(), refused: new Map<string, string>(), seq: 0 }
})

export function tap(tablet: Tablet, many: number, offMs: number): void {
  for (let i = 0; i < many; i++) {
    const seq = ++tablet.seq
    const atDevice = new Date(Date.parse('2026-04-14T09:42:00Z') + offMs).toISOString()
    tablet.kept.push({ id: v7(), seq, text: `${tablet.client.me!.givenName} ${seq}`, atDevice })
  }
}

/** Sends what is kept from so many tabs. A reload lets go of what is under way and begins again with what is kept. */
export async function sendAll(urls: readonly string[], visitId: string, tablet: Tablet, draw: () => number, how: How): Promise<void> {
  for (let reloads = how.isReloaded ? 2 : 0; reloads > 0; reloads--) {
    const page = new AbortController()
    const sending = sendFrom(urls, visitId, tablet, draw, how, page.signal)
    await Promise.race([sending, pause(10 + draw() * 120)])
    page.abort()
    await sending
  }
  const open = new AbortController()
  await Promise.all(Array.from({ length: how.tabs }, () => sendFrom(urls, visitId, tablet, draw, how, open.signal)))
}

async function sendFrom(
  urls: readonly string[],
  visitId: string,
  tablet: Tablet,
  draw: () => number,
  { isCut }: How,
  page: AbortSignal
): Promise<void> {
  const until = Date.now() + ROUND_MS
  let server = Math.floor(draw() * urls.length)
  while (tablet.kept.length > 0 && Date.now() < until && !page.aborted) {
    const batch = tablet.kept.slice(0, 1 + Math.floor(draw() * 5))
    if (draw() < 0.3) batch.reverse()
    const silence = AbortSignal.timeout(isCut && draw() < 0.5 ? 1 + Math.floor(draw() * 25) : SILENT_MS)
    try {
      await sendBatch(urls[server]!, visitId, tablet, batch, AbortSignal.any([silence, page]))
    } catch {
      server = (server + 1) % urls.length
      await pause(50 + draw() * 200)
    }
  }
}

async function sendBatch(url: string, visitId: string, tablet: Tablet, batch: readonly Tap[], signal: AbortSignal): Promise<void> {
  const me = tablet.client.me!
  const events = batch.map(({ id, seq, text, atDevice }) => ({
    ...{ id, v: 1, kind: 'noted', visitId, by: me.id, deviceId: me.deviceId, seq, lamport: seq },
    ...{ atDevice, receivedAt: null, payload: { text } }
  }))
  for (const { id } of batch) tablet.sent.add(id)
  const headers = { ...tablet.client.headers, 'content-type': 'application/json' }
  const response = await fetch(`${url}/visits/${visitId}/events`, { method: 'POST', headers, body: JSON.stringify({ events }), signal })
  noteTurned(tablet.turned, response.status)
  const { answers } = (await response.json()) as { answers?: { id: string; status: string; detail?: string }[] }
  if (!answers) throw new Error(String(response.status))
  for (const { id, status, detail } of answers) {
    if (status === 'stored' || status === 'alreadyThere') tablet.acknowledged.add(id)
    else tablet.refused.set(id, detail ?? status)
    const at = tablet.kept.findIndex((one) => one.id === id)
    if (at >= 0) tablet.kept.splice(at, 1)
  }
}

export type Way = { readonly urls: readonly string[]; readonly turned: Turned }

/** Asks again and again, one server after another, until an answer counts. `counts`: does it end the asking? */
export async function askThrough(
  { urls, turned }: Way,
  by: Client,
  path: string,
  init: { readonly body: string | Blob; readonly type: string },
  counts: (status: number, code: string | undefined) => boolean
): Promise<boolean> {
  const until = Date.now() + ROUND_MS
  for (let tries = 0; Date.now() < until; tries++) {
    try {
      const headers = { ...by.headers, 'content-type': init.type }
      const asked = { method: 'POST', headers, body: init.body, signal: AbortSignal.timeout(SILENT_MS) }
      const response = await fetch(`${urls[tries % urls.length]}${path}`, asked)
      noteTurned(turned, response.status)
      const { code } = (await response.json()) as { code?: string }
      if (counts(response.status, code)) return true
    } catch {
      await pause(100)
    }
    await pause(30)
  }
  return false
}
