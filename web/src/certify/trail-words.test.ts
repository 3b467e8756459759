import { describe, expect, it } from 'vitest'
import { sayAccount } from './account-words'
import { sayChanged, sayCheck } from './trail-words'

const check = { at: '2026-04-14T02:00:00.000Z', whole: true, entries: 12, head: 'a1', brokenAt: null, changed: [] }

describe('what a check came to', () => {
  it('is one sentence', () => {
    expect(sayCheck(check)).toBe('Nothing that was signed has been changed.')
    const changed = [{ name: 'grading:1', seq: 3, missing: false }]
    expect(sayCheck({ ...check, whole: false, changed })).toMatch(/^Something was changed outside Peen: one thing was changed\. Restore/)
    expect(sayCheck({ ...check, whole: false, brokenAt: 7, changed: [...changed, ...changed] })).toMatch(
      /entry 7 of the trail does not match, and 2 things were changed/
    )
  })

  it('names each thing', () => {
    expect(sayChanged({ name: 'grading:1', seq: 3, missing: false })).toBe('A signed grading has been altered (grading:1, entry 3).')
    expect(sayChanged({ name: 'finding:1', seq: 3, missing: true })).toMatch(/^A decision about a certificate is missing/)
    expect(sayChanged({ name: 'account:1', seq: 0, missing: false })).toMatch(/^A staff account was added outside Peen/)
  })
})

describe('what happened to an account', () => {
  it('says who did it, and no one where the person or the console did', () => {
    const nameOf = (id: string) => ({ nel: 'Nel', lars: 'Lars' })[id] ?? null
    const event = { personId: 'nel', at: '2026-04-14T08:00:00.000Z' }
    expect(sayAccount({ ...event, kind: 'confirmed', by: 'lars' }, nameOf)).toBe('Nel was met and confirmed by Lars.')
    expect(sayAccount({ ...event, kind: 'welcomed', by: null }, nameOf)).toBe('Nel chose a password.')
    expect(sayAccount({ ...event, kind: 'made', by: 'gone' }, nameOf)).toBe('Nel was added by a former colleague.')
  })
})
