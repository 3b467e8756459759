import { CoreError } from '@peen/core/error'
import { describe, expect, it, vi } from 'vitest'
import { csrfDefence, permitHandler, problemOf, refuse, type Refused } from '.'

describe('any error as problem details (RFC 9457)', () => {
  it.each<[string, unknown, number, string, RegExp]>([
    ['a refusal', refuse.forbidden('Not yours.'), 403, 'forbidden', /^Not yours\.$/],
    [
      'a refusal of core',
      new CoreError({ code: 'outOfRange', path: 'lengthMm', got: -3, limit: '0 to 300 mm' }),
      422,
      'outOfRange',
      /lengthMm is -3; it must be 0 to 300 mm/
    ],
    ['an oversized body', { type: 'entity.too.large', status: 413 }, 413, 'tooLarge', /larger than 1 MB\. Nothing was changed/],
    ['broken JSON', { type: 'entity.parse.failed', status: 400 }, 400, 'brokenJson', /not valid JSON/],
    ['an odd encoding', { type: 'encoding.unsupported', status: 415 }, 415, 'encoding', /not UTF-8/],
    ['an address that cannot be read', Object.assign(new URIError('x'), { status: 400 }), 400, 'notUnderstood', /could not be understood/],
    ['a defect', new Error('secret detail at /home/x'), 500, 'broken', /Quote error-7/]
  ])('%s', (_, error, status, code, detail) => {
    const problem = problemOf(error, 'error-7')
    expect(problem).toMatchObject({ status, code, type: `urn:peen:problem:${code}` })
    expect(problem.detail).toMatch(detail)
    expect(problem.title.length).toBeGreaterThan(3)
    expect(JSON.stringify(problem)).not.toContain('secret detail')
  })

  it('keeps every field of what was not accepted', () => {
    const problem = problemOf(
      refuse.invalid([
        { path: 'a', detail: 'a is missing.' },
        { path: 'b', detail: 'b is 7; it must be 4 or less.' }
      ]),
      ''
    )
    expect(problem.errors).toHaveLength(2)
    expect(problem.detail).toBe('a is missing. b is 7; it must be 4 or less.')
  })
})

const run = (handler: (req: never, res: never, next: (error?: unknown) => void) => unknown, req: object) => {
  const next = vi.fn()
  void handler(req as never, { locals: {} } as never, next)
  return next.mock.calls[0][0] as Refused | undefined
}

describe('permission', () => {
  it.each([
    ['nobody', undefined, 401],
    ['an apprentice', { role: 'apprentice' }, 403],
    ['a lead', { role: 'lead' }, undefined]
  ])('for staff only: %s', (_, actor, status) =>
    expect(run(permitHandler(['lead', 'instructor']) as never, { actor })?.status).toBe(status)
  )

  it('for anyone: nobody is let in too', () => expect(run(permitHandler('anyone') as never, {})).toBeUndefined())
})

describe('the guard against forged requests', () => {
  const request = (headers: Record<string, string>, method = 'POST', actor: object | null = { csrf: 'token' }) => ({
    method,
    actor,
    get: (name: string) => ({ host: '127.0.0.1:4760', ...headers })[name]
  })

  it.each<[string, object, number | undefined]>([
    ['the right token from our own page', request({ origin: 'http://127.0.0.1:4760', 'x-peen-csrf': 'token' }), undefined],
    ['no origin at all, with the token', request({ 'x-peen-csrf': 'token' }), undefined],
    ['no token', request({}), 403],
    ['another origin', request({ origin: 'http://evil.invalid', 'x-peen-csrf': 'token' }), 403],
    ['an opaque origin', request({ origin: 'null', 'x-peen-csrf': 'token' }), 403],
    ['another site by its own words', request({ 'sec-fetch-site': 'cross-site', 'x-peen-csrf': 'token' }), 403],
    ['reading', request({ origin: 'http://evil.invalid' }, 'GET'), undefined],
    ['signing in, without a session yet', request({ origin: 'http://127.0.0.1:4760' }, 'POST', null), undefined]
  ])('%s', (_, req, status) => expect(run(csrfDefence as never, req)?.status).toBe(status))
})
