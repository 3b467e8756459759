// The room's own certificate authority: made at the first start, kept on this machine, able to vouch for local addresses alone.
import { generateKeyPairSync, randomBytes, X509Certificate } from 'node:crypto'
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { isIPv4 } from 'node:net'
import { join } from 'node:path'
import forge from 'node-forge'

/** A certificate with its private key, both PEM. */
export type Pair = { readonly cert: string; readonly key: string }

const DAY_MS = 86400000
/** Browsers take no leaf that is valid for longer than 398 days. */
export const LEAF_DAYS = 397
/** A leaf is made again so long before it ends, days. */
const RENEW_DAYS = 30
const AUTHORITY_DAYS = 3650
/** Addresses of local networks (RFC 1918, RFC 3927) and of the machine itself: nothing else can be vouched for by this authority. */
const LOCAL_NETWORKS = [
  ['10.0.0.0', '255.0.0.0'],
  ['172.16.0.0', '255.240.0.0'],
  ['192.168.0.0', '255.255.0.0'],
  ['169.254.0.0', '255.255.0.0'],
  ['127.0.0.0', '255.0.0.0']
] as const
/** Names that no public register gives out (RFC 6762, RFC 8375). */
const LOCAL_NAMES = ['local', 'home.arpa', 'localhost']

const bytesOf = (address: string): string => String.fromCharCode(...address.split('.').map(Number))

/** May the room's authority vouch for it: an IPv4 address of a local network, or a name under a local one? */
export function isLocal(name: string): boolean {
  if (!isIPv4(name)) return LOCAL_NAMES.some((end) => name === end || name.endsWith(`.${end}`))
  const number = (address: string) => address.split('.').reduce((sum, part) => sum * 256 + Number(part), 0)
  const within = ([net, mask]: readonly [string, string]) => (number(name) & number(mask)) === (number(net) & number(mask))
  return LOCAL_NETWORKS.some(within)
}

/** RFC 5280, 4.2.1.10: the only names and addresses that a certificate under this one may carry. */
function nameConstraints() {
  const { asn1 } = forge
  const general = (tag: number, bytes: string) => asn1.create(asn1.Class.CONTEXT_SPECIFIC, tag, false, bytes)
  const subtree = (name: forge.asn1.Asn1) => asn1.create(asn1.Class.UNIVERSAL, asn1.Type.SEQUENCE, true, [name])
  const permitted = [
    ...LOCAL_NAMES.map((name) => subtree(general(2, name))),
    ...LOCAL_NETWORKS.map(([net, mask]) => subtree(general(7, bytesOf(net) + bytesOf(mask))))
  ]
  const value = asn1.create(asn1.Class.UNIVERSAL, asn1.Type.SEQUENCE, true, [asn1.create(asn1.Class.CONTEXT_SPECIFIC, 0, true, permitted)])
  return { id: '2.5.29.30', critical: true, value }
}

function newKey() {
  const { privateKey, publicKey } = generateKeyPairSync('rsa', {
    modulusLength: 2048,
    privateKeyEncoding: { type: 'pkcs8', format: 'pem' },
    publicKeyEncoding: { type: 'spki', format: 'pem' }
  })
  return { key: privateKey, publicKey: forge.pki.publicKeyFromPem(publicKey) }
}

function blank(from: Date, days: number, name: string): forge.pki.Certificate {
  const cert = forge.pki.createCertificate()
  // positive, as RFC 5280 asks
  cert.serialNumber = `00${randomBytes(16).toString('hex')}`
  // a tablet's clock may be a little behind
  cert.validity.notBefore = new Date(from.getTime() - DAY_MS)
  cert.validity.notAfter = new Date(from.getTime() + (days - 1) * DAY_MS)
  cert.setSubject([
    { name: 'commonName', value: name },
    { name: 'organizationName', value: 'Peen' }
  ])
  return cert
}

/** A new authority, valid for ten years from a moment. */
export function makeAuthority(from: Date): Pair {
  const { key, publicKey } = newKey()
  const cert = blank(from, AUTHORITY_DAYS, `Peen room ${randomBytes(3).toString('hex')}`)
  cert.publicKey = publicKey
  cert.setIssuer(cert.subject.attributes)
  cert.setExtensions([
    { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
    { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
    { name: 'subjectKeyIdentifier' },
    nameConstraints()
  ])
  cert.sign(forge.pki.privateKeyFromPem(key), forge.md.sha256.create())
  return { cert: forge.pki.certificateToPem(cert), key }
}

/** A certificate for some local names and addresses, valid for 397 days. Throws for a name that is not local. */
export function issueLeaf(authority: Pair, names: readonly string[], from: Date): Pair {
  const foreign = names.find((name) => !isLocal(name))
  if (foreign !== undefined) throw new Error(`The room's authority vouches for local names only; ${foreign} is none.`)
  const { key, publicKey } = newKey()
  const issuer = forge.pki.certificateFromPem(authority.cert)
  const cert = blank(from, LEAF_DAYS, names[0] ?? 'Peen')
  cert.publicKey = publicKey
  cert.setIssuer(issuer.subject.attributes)
  cert.setExtensions([
    { name: 'basicConstraints', cA: false },
    { name: 'keyUsage', digitalSignature: true, keyEncipherment: true, critical: true },
    { name: 'extKeyUsage', serverAuth: true },
    { name: 'subjectAltName', altNames: names.map((name) => (isIPv4(name) ? { type: 7, ip: name } : { type: 2, value: name })) }
  ])
  cert.sign(forge.pki.privateKeyFromPem(authority.key), forge.md.sha256.create())
  return { cert: forge.pki.certificateToPem(cert), key }
}

/** The fingerprint by which a person compares what a tablet trusts with what this machine has: SHA-256, in pairs. */
export const fingerprintOf = (cert: string): string => new X509Certificate(cert).fingerprint256

/** Is a leaf still good: for the same names, under this authority, and not near its end? */
function stillHolds(leaf: Pair, authority: Pair, names: readonly string[], now: Date): boolean {
  const cert = new X509Certificate(leaf.cert)
  const carries = names.every((name) => (isIPv4(name) ? cert.checkIP(name) : cert.checkHost(name)) !== undefined)
  const [from, to] = [Date.parse(cert.validFrom), Date.parse(cert.validTo)]
  const inTime = from <= now.getTime() && to - now.getTime() > RENEW_DAYS * DAY_MS
  return carries && inTime && cert.verify(new X509Certificate(authority.cert).publicKey)
}

/**
 * The authority and a leaf for these names, from a folder that this user alone can read; what is missing, runs out or no
 * longer fits the names is made and kept there.
 */
export function keptCertificates(folder: string, names: readonly string[], now: Date): { readonly authority: Pair; readonly leaf: Pair } {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  chmodSync(folder, 0o700)
  const read = (name: string): Pair | null => {
    const [cert, key] = [join(folder, `${name}.crt`), join(folder, `${name}.key`)]
    return existsSync(cert) && existsSync(key) ? { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8') } : null
  }
  const keep = (name: string, pair: Pair): Pair => {
    writeFileSync(join(folder, `${name}.key`), pair.key, { mode: 0o600 })
    writeFileSync(join(folder, `${name}.crt`), pair.cert, { mode: 0o600 })
    return pair
  }
  const authority = read('authority') ?? keep('authority', makeAuthority(now))
  const known = read('leaf')
  const leaf = known && stillHolds(known, authority, names, now) ? known : keep('leaf', issueLeaf(authority, names, now))
  return { authority, leaf }
}
