// Which earlier pictures of a view may be averaged with the newest.
import type { PhotoMarks, PictureMarks } from '@peen/contract'
import { MOST_AVERAGED } from '@peen/contract'
import { describe, expect, it } from 'vitest'
import { earlierOf } from './earlier'
import { NO_MARKS } from './useMarks'

const FOUND: PhotoMarks = { ...NO_MARKS, outline: [[0, 0], [9, 0], [9, 9]] } // prettier-ignore
const one = (pictureId: string, marks: PhotoMarks | null = FOUND, seen: PictureMarks['seen'] = 'front'): PictureMarks => ({
  ...{ pictureId, seen, version: 1, marks, regions: [] }
})

describe('earlier pictures of a view', () => {
  it('count where their outline was found, of this view alone, the newest first', () => {
    const all = [one('c'), one('b', null), one('a', NO_MARKS), one('x', FOUND, 'rear'), one('first')]
    expect(earlierOf(all, 'front').map(({ pictureId }) => pictureId)).toEqual(['c', 'first'])
    expect(earlierOf([], 'front')).toEqual([])
  })
  it(`are ${MOST_AVERAGED} at the most`, () => {
    const many = Array.from({ length: 9 }, (_, i) => one(`p${i}`))
    expect(earlierOf(many, 'front').map(({ pictureId }) => pictureId)).toEqual(
      many.slice(0, MOST_AVERAGED).map(({ pictureId }) => pictureId)
    )
  })
})
