import { describe, expect, it } from 'vitest'
import { CoreError, date, door, from, items, over } from '.'

const module = {
  NAME: 'plain',
  area: (size: { readonly widthMm: number; readonly heightMm: number }) => size.widthMm * size.heightMm,
  longest: (ring: readonly number[], stepMm: number) => Math.max(...ring) / stepMm,
  say: (on: string) => on
}
const shown = door(module, { longest: [items(2, 3), over(0, 'mm')], say: [date] })
const refused = (work: () => unknown) => {
  try {
    work()
  } catch (error) {
    return error instanceof CoreError ? error.issue : error
  }
  return null
}

describe('the door of a subject', () => {
  it('lets through what is right, under the same names', () => {
    expect(shown.area({ widthMm: 2, heightMm: 3 })).toBe(6)
    expect(shown.longest([1, 4], 2)).toBe(2)
    expect(shown.NAME).toBe('plain')
    expect(shown.area.name).toBe('area')
  })

  it('names the place of what is no number, however deep', () => {
    expect(refused(() => shown.area({ widthMm: 2, heightMm: NaN }))).toEqual({
      ...{ code: 'notFinite', path: 'area.0.heightMm', limit: 'a finite number' },
      got: NaN
    })
    expect(refused(() => shown.longest([1, Infinity], 2))).toMatchObject({ code: 'notFinite', path: 'longest.0.1' })
  })

  it('refuses again what it has refused before', () => {
    const wrong = { widthMm: -1, heightMm: 1 }
    for (let i = 0; i < 2; i++)
      expect(refused(() => shown.area(wrong))).toMatchObject({ code: 'negativeLength', got: -1, limit: '0 mm or more' })
  })

  it('refuses counts and numbers that its checks rule out', () => {
    expect(refused(() => shown.longest([1], 2))).toMatchObject({ code: 'tooFew', limit: '2 to 3' })
    expect(refused(() => shown.longest([1, 2, 3, 4], 2))).toMatchObject({ code: 'tooMany' })
    expect(refused(() => shown.longest([1, 2], 0))).toMatchObject({ code: 'outOfRange', limit: 'over 0 mm' })
    expect(refused(() => from(1, 3, 'days')(4, 'days'))).toMatchObject({ limit: '1 to 3 days' })
    expect(refused(() => items(3, 3)([], 'point'))).toMatchObject({ limit: '3 exactly' })
  })

  it.each(['2026-02-30', '2026-13-01', '2025-02-29T10:00:00.000Z', 'soon'])('knows that %s is no day', (words) => {
    expect(refused(() => shown.say(words))).toMatchObject({ code: 'notADate', got: words })
  })

  it.each(['2024-02-29', '2026-04-14T08:00:00.000Z'])('knows that %s is one', (words) => {
    expect(shown.say(words)).toBe(words)
  })
})
