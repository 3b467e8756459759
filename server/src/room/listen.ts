// Where Peen can be reached: this machine alone, the local network by https, or behind a proxy of the school's own.
import { readFileSync } from 'node:fs'
import type { RequestListener, Server } from 'node:http'
import type { Server as SecureServer } from 'node:https'
import { serverFor, secureServerFor } from '../http'
import { roomNames } from './addresses'
import { fingerprintOf, keptCertificates, type Pair } from './authority'
import { offerApp } from './offer'

/** What the environment says of where Peen is to be reached. */
export type Reach = {
  /** the folder of the room's certificates; null: this machine alone, unless `own` or `host` say otherwise */
  readonly room: string | null
  readonly host: string
  /** the school's own certificate, in place of the room's */
  readonly own: Pair | null
  /** the address that people type, where a proxy stands in front */
  readonly publicUrl: URL | null
}

/** Reads the settings; throws with a sentence that names the setting and what is allowed. */
export function reachOf(env: NodeJS.ProcessEnv): Reach {
  const { PEEN_ROOM: room, PEEN_HOST: host, PEEN_TLS_CERT: cert, PEEN_TLS_KEY: key, PEEN_PUBLIC_URL: url } = env
  if ((cert ? 1 : 0) !== (key ? 1 : 0)) throw new Error('PEEN_TLS_CERT and PEEN_TLS_KEY belong together: set both, or neither.')
  if (url !== undefined && url !== '' && !/^https?:$/.test(URL.canParse(url) ? new URL(url).protocol : ''))
    throw new Error(`PEEN_PUBLIC_URL is "${url}"; it must be a whole address such as https://peen.school.example.`)
  const open = host && !['127.0.0.1', 'localhost', '::1'].includes(host)
  if (open && !room && !cert && !url)
    throw new Error(
      `PEEN_HOST is ${host}, and what people type would cross the network unprotected. Start with --room, or set PEEN_TLS_CERT and PEEN_TLS_KEY, or PEEN_PUBLIC_URL where a proxy stands in front.`
    )
  return {
    room: room || null,
    host: host || (room || cert ? '0.0.0.0' : '127.0.0.1'),
    own: cert && key ? { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8') } : null,
    publicUrl: url ? new URL(url) : null
  }
}

/** How often the machine's addresses are compared with the certificate, ms. */
const LOOK_AGAIN_MS = 60000

export type Listening = {
  readonly close: () => void
  /** what a person is told when it is open */
  readonly says: readonly string[]
}

/** Opens Peen as its settings say: by https in a room or with the school's own certificate, else by plain http. */
export async function listen(app: RequestListener, reach: Reach, port: number): Promise<Listening> {
  if (reach.room !== null && reach.own === null) return listenInRoom(app, reach.room, reach.host, port)
  const server = reach.own ? secureServerFor(app, reach.own) : serverFor(app)
  await opened(server, port, reach.host)
  const shown = reach.publicUrl?.origin ?? (reach.own ? `https://${roomNames()[0]}:${port}` : null)
  return { close: () => end(server), says: shown === null ? [] : [`On tablets, open ${shown}`] }
}

/**
 * The room: https with the room's certificate, made again whenever the machine's addresses change, and beside it plain http
 * on the next port, which offers the authority and nothing else.
 */
async function listenInRoom(app: RequestListener, folder: string, host: string, port: number): Promise<Listening> {
  const certificates = () => keptCertificates(folder, roomNames(), new Date())
  let now = certificates()
  const server = secureServerFor(app, now.leaf)
  const timer = setInterval(() => {
    const next = certificates()
    if (next.leaf.cert !== now.leaf.cert) server.setSecureContext(next.leaf)
    now = next
  }, LOOK_AGAIN_MS).unref()
  const address = () => `https://${roomNames()[0]}:${port}`
  const helpAddress = () => `http://${roomNames()[0]}:${port + 1}`
  const offer = serverFor(offerApp(() => ({ authority: now.authority.cert, address: address(), helpAddress: helpAddress() })))
  await Promise.all([opened(server, port, host), opened(offer, port + 1, host)])
  return {
    close: () => {
      clearInterval(timer)
      end(server)
      end(offer)
    },
    says: [
      `On tablets on this network, open ${address()}`,
      `Each tablet must trust this room once; ${helpAddress()} shows how.`,
      `Fingerprint of the room’s certificate (SHA-256): ${fingerprintOf(now.authority.cert)}`
    ]
  }
}

function end(server: Server | SecureServer): void {
  server.closeAllConnections()
  server.close()
}

function opened(server: Server | SecureServer, port: number, host: string): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('error', reject)
    server.listen(port, host, () => resolve())
  })
}
