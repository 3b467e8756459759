import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { usePages } from './usePages'

describe('a list that is read page by page', () => {
  it('goes on while a page is full, and begins again when its first page is read again', async () => {
    const first = ref<number[] | null>(null)
    const pages: Readonly<Record<number, readonly number[]>> = { 1: [7, 6], 2: [5] }
    const read = vi.fn(async (page: number) => pages[page])
    const { rows, hasMore, more } = usePages(first, read, 2)
    expect([rows.value, hasMore.value]).toEqual([null, false])
    first.value = [9, 8]
    expect(hasMore.value).toBe(true)
    await more()
    await more()
    expect(read.mock.calls).toEqual([[1], [2]])
    expect([rows.value, hasMore.value]).toEqual([[9, 8, 7, 6, 5], false])
    first.value = [10, 9]
    await Promise.resolve()
    expect(rows.value).toEqual([10, 9])
  })

  it('says why a page did not come, and keeps what is there', async () => {
    const first = ref<number[] | null>([3, 2])
    const { rows, more, problem } = usePages(first, () => Promise.reject(new Error('This is not open to an apprentice.')), 2)
    await more()
    expect([rows.value, problem.value]).toEqual([[3, 2], 'This is not open to an apprentice.'])
  })
})
