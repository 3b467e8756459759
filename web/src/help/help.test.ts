// @vitest-environment happy-dom
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { router } from '../router'
import { GLOSSARY } from './glossary'
import { EXPLAINED, helpOf } from './help-of'

describe('help', () => {
  it('explains each screen behind the door in two to five lines', () => {
    const screens = router.getRoutes().filter(({ meta, path, redirect }) => !meta.open && !redirect && !path.startsWith('/:rest'))
    expect(screens.length).toBeGreaterThan(35)
    for (const { path } of screens) {
      expect(EXPLAINED, path).toContain(path)
      const lines = helpOf(path, null, true)
      expect(lines.length, path).toBeGreaterThanOrEqual(path === '/glossary' ? 1 : 2)
      expect(lines.length, path).toBeLessThanOrEqual(5)
      for (const line of lines) expect(line, path).toMatch(/^[A-Z].{8,140}[.?]$/)
    }
  })

  it('tells an apprentice what an apprentice can do', () => {
    expect(helpOf('/floor', null, false)).not.toEqual(helpOf('/floor', null, true))
    expect(helpOf('/coat/:id/:part?', 'book', false)).toEqual(helpOf('/coat/:id/:part?', 'book', true))
    expect(helpOf('/nowhere', null, true)).toEqual([])
  })

  it('lists every word of the glossary once, each with its meaning, by the alphabet', () => {
    const written = JSON.parse(readFileSync('wording/languages/en-GB/glossary.json', 'utf8')) as Record<string, string>
    const keys = Object.keys(written).map((key) => `glossary.${key}`)
    expect([...GLOSSARY].sort()).toEqual(keys.sort())
    for (const [key, text] of Object.entries(written)) expect(text.split('\n'), key).toHaveLength(2)
  })
})
