import { hostname, networkInterfaces } from 'node:os'
import { isLocal } from './authority'

/** Under which names and addresses tablets of the same network reach this machine: its local addresses first, then its name. */
export function roomNames(interfaces = networkInterfaces(), host = hostname()): readonly string[] {
  const addresses = Object.values(interfaces)
    .flatMap((own) => own ?? [])
    .filter(({ family, internal, address }) => family === 'IPv4' && !internal && isLocal(address))
    .map(({ address }) => address)
  const name =
    host
      .toLowerCase()
      .split('.')[0]
      ?.replace(/[^a-z0-9-]/g, '') ?? ''
  return [...new Set([...addresses, ...(name === '' ? [] : [`${name}.local`]), 'localhost', '127.0.0.1'])]
}
