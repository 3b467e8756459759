import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { makeTogether } from './together'

/** Work that ends when it is let go. */
function held() {
  const open: (() => void)[] = []
  let begun = 0
  const work = async () => {
    const nth = ++begun
    await new Promise<void>((resolve) => open.push(resolve))
    return nth
  }
  return { work, begun: () => begun, letGo: () => open.shift()?.() }
}
const turn = () => new Promise((resolve) => setImmediate(resolve))

describe('asking together', () => {
  it('works once for all who come while it runs, and begins after the last of them has asked', async () => {
    const together = makeTogether<number>()
    const { work, begun, letGo } = held()
    const first = together('floor', work)
    const others = [together('floor', work), together('floor', work), together('floor', work)]
    await turn()
    expect(begun()).toBe(1)
    letGo()
    expect(await first).toBe(1)
    await turn()
    letGo()
    expect(await Promise.all(others)).toEqual([2, 2, 2])
    const later = together('floor', work)
    await turn()
    letGo()
    expect(await later).toBe(3)
  })

  it('keeps keys apart, and fails only for who waited for that run', async () => {
    const together = makeTogether<string>()
    const bad = together('a', () => Promise.reject(new Error('no database')))
    const good = together('b', async () => 'b')
    const after = together('a', async () => 'a')
    await expect(bad).rejects.toThrow('no database')
    expect([await good, await after]).toEqual(['b', 'a'])
  })

  it('never serves a run that began before one asked, whatever the order of asking and ending', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.constantFrom('ask', 'end'), { maxLength: 40 }), async (moves) => {
        const together = makeTogether<number>()
        const { work, begun, letGo } = held()
        const asked: { readonly before: number; readonly got: Promise<number> }[] = []
        for (const move of moves) {
          if (move === 'ask') asked.push({ before: begun(), got: together('k', work) })
          else letGo()
          await turn()
        }
        for (let i = 0; i <= asked.length; i++) {
          letGo()
          await turn()
        }
        for (const { before, got } of asked) expect(await got).toBe(before + 1)
      })
    )
  })
})
