// Where each message is said: files of the application that name it.
import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { join } from 'node:path'

const WEB = fileURLToPath(new URL('../web/src', import.meta.url))

/** The files that say each message, by key, from web/src. */
export function saidWhere(): ReadonlyMap<string, readonly string[]> {
  const where = new Map<string, string[]>()
  for (const name of readdirSync(WEB, { recursive: true, encoding: 'utf8' })) {
    if (!/\.(?:vue|ts)$/.test(name) || name.includes('.test.')) continue
    for (const [, key] of readFileSync(join(WEB, name), 'utf8').matchAll(/['"`]([a-z]+\.[A-Za-z][A-Za-z0-9_]*)['"`]/g)) {
      const files = where.get(key!)
      if (!files) where.set(key!, [name])
      else if (!files.includes(name)) files.push(name)
    }
  }
  return where
}
