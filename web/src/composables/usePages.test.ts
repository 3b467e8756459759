import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { usePages } from './usePages'

const asked: string[] = []
let answer: () => { status: number; body: unknown }
beforeEach(() => {
  asked.length = 0
  vi.stubGlobal('fetch', async (path: string) => {
    asked.push(path)
    const { status, body } = answer()
    return new Response(JSON.stringify(body), { status })
  })
})
afterEach(() => vi.unstubAllGlobals())

describe('a list that is read page by page', () => {
  it('goes on while a page is full, and begins again when its first page is read anew', async () => {
    const first = ref<number[] | null>(null)
    const { rows, hasMore, more } = usePages(first, (page) => `/numbers?page=${page}`, 2)
    expect([rows.value, hasMore.value]).toEqual([null, false])
    first.value = [9, 8]
    expect(hasMore.value).toBe(true)
    answer = () => ({ status: 200, body: [7, 6] })
    await more()
    answer = () => ({ status: 200, body: [5] })
    await more()
    expect(asked).toEqual(['/api/numbers?page=1', '/api/numbers?page=2'])
    expect([rows.value, hasMore.value]).toEqual([[9, 8, 7, 6, 5], false])
    first.value = [10, 9]
    await Promise.resolve()
    expect(rows.value).toEqual([10, 9])
  })

  it('says why a page did not come, and keeps what is there', async () => {
    const first = ref<number[] | null>([3, 2])
    const { rows, more, problem } = usePages(first, () => '/numbers', 2)
    answer = () => ({ status: 403, body: { detail: 'This is not open to an apprentice.', code: 'forbidden' } })
    await more()
    expect([rows.value, problem.value]).toEqual([[3, 2], 'This is not open to an apprentice.'])
  })
})
