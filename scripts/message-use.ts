// Where each message is said: files of the application that name it.
import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { join } from 'node:path'

const ROOMS = ['../web/src', '../web/verify', '../server/src', '.'].map((room) => fileURLToPath(new URL(room, import.meta.url)))

/** The files that say each message, by key, each under its room's src. */
export function saidWhere(): ReadonlyMap<string, readonly string[]> {
  const where = new Map<string, string[]>()
  const files = ROOMS.flatMap((room) => readdirSync(room, { recursive: true, encoding: 'utf8' }).map((name) => ({ room, name })))
  for (const { room, name } of files) {
    if (!/\.(?:vue|ts)$/.test(name) || name.includes('.test.')) continue
    for (const [, key] of readFileSync(join(room, name), 'utf8').matchAll(/['"`]([a-z]+\.[A-Za-z][A-Za-z0-9_]*)['"`]/g)) {
      const sayers = where.get(key!)
      if (!sayers) where.set(key!, [name])
      else if (!sayers.includes(name)) sayers.push(name)
    }
  }
  return where
}
