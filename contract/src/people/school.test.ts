import { ROUNDS_DEFAULTS, ROUNDS_FIELDS, type RoundsRules } from '@peen/core/practice'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { check, roundsSchema } from '..'

const issues = (value: unknown): string[] => {
  const checked = check(roundsSchema as never, value)
  return checked.ok ? [] : checked.issues.map(({ path, detail }) => `${path}: ${detail}`)
}

describe('the numbers of the rounds', () => {
  it('are right as Peen ships them', () => expect(issues(ROUNDS_DEFAULTS)).toEqual([]))

  it.each(ROUNDS_FIELDS.map((field) => [field.path, field] as const))(
    '%s: is taken within its limits and named beyond them',
    (path, field) => {
      expect(field.read(field.write(ROUNDS_DEFAULTS, field.high))).toBe(field.high)
      for (const value of [field.low, field.high]) expect(issues(field.write(ROUNDS_DEFAULTS, value))).toEqual([])
      for (const value of [field.low - 0.01, field.high + 0.01]) {
        const [said] = issues(field.write(ROUNDS_DEFAULTS, value))
        expect(said).toContain(`${path}: ${path} is ${value}`)
      }
    }
  )

  it('name whatever is missing or strange', () => {
    const { capMin: _cap, ...rest } = ROUNDS_DEFAULTS
    expect(issues(rest)[0]).toMatch(/^capMin:/)
    expect(issues({ ...ROUNDS_DEFAULTS, luck: 1 })[0]).toMatch(/luck/)
    expect(issues({ ...ROUNDS_DEFAULTS, mishap: { ...ROUNDS_DEFAULTS.mishap, tired: 0.1 } })[0]).toMatch(/tired/)
    expect(issues({ ...ROUNDS_DEFAULTS, spread: 'wide' })[0]).toMatch(/^spread:/)
  })

  it('change one at a time', () => {
    const value = fc.double({ min: 0, max: 1, noNaN: true })
    fc.assert(
      fc.property(fc.constantFrom(...ROUNDS_FIELDS), value, (field, set) => {
        const next: RoundsRules = field.write(ROUNDS_DEFAULTS, set)
        for (const other of ROUNDS_FIELDS) expect(other.read(next)).toBe(other.path === field.path ? set : other.read(ROUNDS_DEFAULTS))
      })
    )
  })
})
