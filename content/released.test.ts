// A shipped trim that changed carries a new version, or a school that has the old one never gets it.
import { createHash } from 'node:crypto'
import { readFileSync, writeFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { standards } from '.'

const file = new URL('./released.json', import.meta.url)
const released = JSON.parse(readFileSync(file, 'utf8')) as Record<string, string>
const keyOf = ({ id, version }: { readonly id: string; readonly version: number }) => `${id}@${version}`
const hashOf = (trim: object) => createHash('sha256').update(JSON.stringify(trim)).digest('hex')

if (process.env.PEEN_TAKE_RELEASED) {
  for (const trim of standards) released[keyOf(trim)] = hashOf(trim)
  writeFileSync(file, `${JSON.stringify(released, null, 2)}\n`)
}

it.each(standards.map((trim) => [keyOf(trim), trim] as const))('%s is as it was shipped', (key, trim) => {
  expect(hashOf(trim), `${key} has changed: raise its version, then take it over with PEEN_TAKE_RELEASED=1`).toBe(released[key])
})
