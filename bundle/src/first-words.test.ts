import { describe, expect, it } from 'vitest'
import { inFirstWords } from './first-words'

describe('what goes into a hash', () => {
  it('says session where today’s row says visit, and leaves all else', () => {
    expect(inFirstWords({ id: 'a', visitId: 'v', kind: 'visitOpened', seq: 1 })).toEqual({
      id: 'a',
      sessionId: 'v',
      kind: 'sessionOpened',
      seq: 1
    })
    expect(inFirstWords({ kind: 'visitClosed' })).toEqual({ kind: 'sessionClosed' })
    expect(inFirstWords({ kind: 'praised', payload: { visitId: 'kept' } })).toEqual({ kind: 'praised', payload: { visitId: 'kept' } })
    expect(inFirstWords({ total: 81 })).toEqual({ total: 81 })
  })
})
