// Every text that a route takes has an end, and one that is too long is refused at once, however it is made.
import { performance } from 'node:perf_hooks'
import { describe, expect, it } from 'vitest'
import type { Schema } from 'yup'
import { ROUTES } from './app'

type Inner = Schema & {
  readonly type: string
  readonly fields?: Readonly<Record<string, Inner>>
  readonly innerType?: Inner
  readonly resolve?: (options: { readonly value: unknown }) => Inner
}
type Text = { readonly path: string; readonly schema: Inner }

/** Every text inside a schema. What is chosen by its content (one of several shapes) is walked by the shapes' own tests. */
function textsIn(schema: Inner, path: string): Text[] {
  if (schema.type === 'string') return [{ path, schema }]
  if (schema.type === 'array') return schema.innerType ? textsIn(schema.innerType, `${path}[]`) : []
  return Object.entries(schema.fields ?? {}).flatMap(([name, inner]) => textsIn(inner, `${path}.${name}`))
}

const texts = ROUTES.flatMap(({ method, path, body }) => (body ? textsIn(body as unknown as Inner, `${method} ${path}`) : []))
/** Texts on which patterns stumble: runs of what their parts share, and an end that fits none. */
const LONG = ['a', '.', '@', '1', ' ', '-', 'a@', '1.', 'a.'].map((part) => `x${part.repeat(200000).slice(0, 200000)}\u0000`)

describe('a text that a route takes', () => {
  it('is found by the walk', () => {
    expect(texts.length).toBeGreaterThan(40)
    expect(texts.map(({ path }) => path)).toContain('post /invitations.email')
  })

  it.each(texts)('has an end: $path', async ({ schema }) => {
    for (const long of LONG) expect(await schema.isValid(long)).toBe(false)
  })

  // a pattern that runs in the square of its text takes minutes for 200,000 characters: the test would not end
  it('is refused in a time that a long text does not stretch', async () => {
    const began = performance.now()
    for (const { schema } of texts) for (const long of LONG) await schema.isValid(long)
    expect(performance.now() - began).toBeLessThan(60000)
  })
})
