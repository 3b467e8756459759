// The room's authority, tried by TLS clients that know it: what it may vouch for, and what it may not.
import { mkdtempSync, rmSync, statSync } from 'node:fs'
import { createServer } from 'node:https'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { X509Certificate } from 'node:crypto'
import { connect } from 'node:tls'
import forge from 'node-forge'
import { describe, expect, it } from 'vitest'
import { serverFor } from '../http'
import { AUTHORITY_PATH, isLocal, issueLeaf, keptCertificates, LEAF_DAYS, makeAuthority, offerApp, reachOf, roomNames, type Pair } from '.'

const DAY_MS = 86400000
const authority = makeAuthority(new Date())
const days = ({ cert }: Pair) => {
  const { validFrom, validTo } = new X509Certificate(cert)
  return (Date.parse(validTo) - Date.parse(validFrom)) / DAY_MS
}

/** What a client that trusts the authority says when it meets a certificate under a name: null, or why it turns away. */
async function met(leaf: Pair, servername: string): Promise<string | null> {
  const server = createServer(leaf, (_req, res) => res.end('in'))
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const { port } = server.address() as AddressInfo
  const said = await new Promise<string | null>((resolve) => {
    const socket = connect({ port, host: '127.0.0.1', servername, ca: authority.cert }, () => (resolve(null), socket.end()))
    socket.once('error', (error: Error) => resolve(error.message))
  })
  server.closeAllConnections()
  server.close()
  return said
}

/** A leaf for a name that the authority's owner would never give, signed with the authority's own key all the same. */
function stolen(name: string): Pair {
  const leaf = issueLeaf(authority, ['localhost'], new Date())
  const cert = forge.pki.certificateFromPem(leaf.cert)
  cert.setExtensions([
    { name: 'basicConstraints', cA: false },
    { name: 'extKeyUsage', serverAuth: true },
    { name: 'subjectAltName', altNames: [{ type: 2, value: name }] }
  ])
  cert.sign(forge.pki.privateKeyFromPem(authority.key), forge.md.sha256.create())
  return { cert: forge.pki.certificateToPem(cert), key: leaf.key }
}

describe('the authority of a room', () => {
  it('vouches for local names to a client that trusts it', async () => {
    expect(await met(issueLeaf(authority, ['peen-room.local', '192.168.4.20', 'localhost'], new Date()), 'localhost')).toBeNull()
    expect(await met(issueLeaf(authority, ['peen-room.local'], new Date()), 'peen-room.local')).toBeNull()
  })

  // RFC 5280, 4.2.1.10: a client turns away a name outside the permitted subtrees, even if it is signed with the right key
  it('cannot vouch for a public name, even with its key in the wrong hands', async () => {
    expect(await met(stolen('bank.example.com'), 'bank.example.com')).toMatch(/permitted subtree violation/)
  })

  it('refuses to issue for what is not local', () => {
    expect(() => issueLeaf(authority, ['peen.example.com'], new Date())).toThrow(/local names only; peen.example.com/)
    expect(['10.1.2.3', '172.31.0.1', '192.168.0.9', 'den.local', 'localhost'].every(isLocal)).toBe(true)
    expect(['172.32.0.1', '8.8.8.8', '192.169.0.1', 'example.com', 'notlocal'].some(isLocal)).toBe(false)
  })

  it('gives leaves of at most 397 days, as browsers ask', () => {
    expect(days(issueLeaf(authority, ['localhost'], new Date()))).toBeLessThanOrEqual(LEAF_DAYS)
    expect(LEAF_DAYS).toBeLessThanOrEqual(397)
  })

  it('is kept where its own user alone reads, and its leaf made again when an address changes or the end is near', () => {
    const folder = join(mkdtempSync(join(tmpdir(), 'peen-room-')), 'room')
    const [home, now] = [['192.168.1.5', 'localhost'], new Date()]
    const first = keptCertificates(folder, home, now)
    expect(statSync(folder).mode & 0o077).toBe(0)
    for (const file of ['authority.key', 'leaf.key']) expect(statSync(join(folder, file)).mode & 0o077).toBe(0)
    expect(keptCertificates(folder, home, now)).toEqual(first)
    const moved = keptCertificates(folder, ['10.0.0.7', 'localhost'], now)
    expect(moved.authority).toEqual(first.authority)
    expect(new X509Certificate(moved.leaf.cert).checkIP('10.0.0.7')).toBe('10.0.0.7')
    const later = keptCertificates(folder, ['10.0.0.7', 'localhost'], new Date(now.getTime() + 370 * DAY_MS))
    expect(later.leaf.cert).not.toBe(moved.leaf.cert)
    rmSync(folder, { recursive: true })
  })
})

describe('what is offered without https', () => {
  it('is the authority and how to trust it, and nothing else', async () => {
    const offered = { authority: authority.cert, address: 'https://192.168.1.5:4760', helpAddress: 'http://192.168.1.5:4761' }
    const server = serverFor(offerApp(() => offered)).listen(0, '127.0.0.1')
    await new Promise((resolve) => server.once('listening', resolve))
    const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
    const page = await (await fetch(url)).text()
    expect(page).toContain('https://192.168.1.5:4760')
    expect(page).toContain(new X509Certificate(authority.cert).fingerprint256)
    expect(page).not.toContain('PRIVATE KEY')
    expect(new X509Certificate(await (await fetch(url + AUTHORITY_PATH)).text()).ca).toBe(true)
    for (const path of ['/api/floor', '/api/sign-in', '/authority.key', '/floor']) expect((await fetch(url + path)).status, path).toBe(404)
    server.close()
  })
})

describe('where Peen is reached', () => {
  it('is this machine alone, until it is said otherwise', () => {
    expect(reachOf({})).toEqual({ room: null, host: '127.0.0.1', own: null, publicUrl: null })
    expect(reachOf({ PEEN_ROOM: '/x' }).host).toBe('0.0.0.0')
    expect(reachOf({ PEEN_PUBLIC_URL: 'https://peen.school.example' })).toMatchObject({ host: '127.0.0.1' })
  })

  it('names the setting that is wrong', () => {
    expect(() => reachOf({ PEEN_HOST: '0.0.0.0' })).toThrow(/PEEN_HOST is 0.0.0.0.*--room/)
    expect(() => reachOf({ PEEN_TLS_CERT: '/a' })).toThrow(/PEEN_TLS_CERT and PEEN_TLS_KEY belong together/)
    expect(() => reachOf({ PEEN_PUBLIC_URL: 'peen.school' })).toThrow(/PEEN_PUBLIC_URL is "peen.school"/)
  })

  it('has the local addresses of the machine first, and its name', () => {
    const card = (address: string, internal = false) => [{ address, internal, family: 'IPv4', netmask: '', mac: '', cidr: null }] as never
    const names = roomNames({ lo: card('127.0.0.1', true), wifi: card('192.168.1.5'), wan: card('8.8.8.8') }, 'Den.school')
    expect(names).toEqual(['192.168.1.5', 'den.local', 'localhost', '127.0.0.1'])
  })
})
