// The map leads somewhere: every file and folder that ARCHITECTURE names is there.
import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { ROOT } from './machine.mjs'

const files = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard'], { cwd: ROOT, encoding: 'utf8' })
  .split('\n')
  .filter(Boolean)
const map = readFileSync(`${ROOT}/docs/ARCHITECTURE.md`, 'utf8')

/** What stands in backticks and looks like a place in the tree: not an address, a package, a table or a name. */
const named = [...new Set([...map.matchAll(/`([^`\s]+)`/g)].map(([, text]) => text))].filter(
  (text) => /^\.?[\w.-]+(\/[\w.*-]*)*$/.test(text) && (/\.(ts|vue|mjs|cjs|js|md|json)$/.test(text) || text.endsWith('/'))
)
const isThere = (place: string) =>
  place.endsWith('/')
    ? files.some((file) => file.startsWith(place) || file.includes(`/${place}`))
    : files.some((file) => file === place || file.endsWith(`/${place}`))

describe('the map', () => {
  it('names many places', () => expect(named.length).toBeGreaterThan(40))
  it.each(named)('%s is there', (place) => expect(isThere(place), place).toBe(true))
})
