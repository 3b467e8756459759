// What lies over a photograph, and what of it goes on the sheet.
import { standards } from '@peen/content'
import type { Answers, PictureAnswer } from '@peen/core/grade'
import type { PlaceDeparture, PhotoPoint } from '@peen/core/measure'
import { describe, expect, it } from 'vitest'
import { drawnShapes, outlineShapes } from './drawing'
import { worstOf } from './feedback-sheet'
import { fillAnswers } from './fill'

const standard = standards.find(({ id }) => id === 'bearded-pet')!

const measured = { measure: 'headPair', pictureId: 'p', value: -6, u: 1.4, common: 0.1 } as const
const from = (criterionId: string, side: PictureAnswer['side'] = 'whole'): PictureAnswer => ({ criterionId, side, measured })

describe('filling the sheet', () => {
  it('fills what is open, looked at or measured before, and keeps what a hand has read', () => {
    const { answers, filled, kept } = fillAnswers(
      {
        looked: { whole: { kind: 'asItShouldBe' } },
        before: { whole: { kind: 'picture', ...measured, value: -9 } },
        gauged: { left: { kind: 'readings', mm: [4] } },
        excused: { whole: { kind: 'excused', reason: 'a mat' } }
      },
      [from('open'), from('looked'), from('before'), from('gauged', 'left'), from('gauged', 'right'), from('excused')],
      standard
    )
    expect([filled, kept]).toEqual([4, 2])
    expect(answers).toMatchObject({
      open: { whole: { kind: 'picture', value: -6 } },
      looked: { whole: { kind: 'picture' } },
      before: { whole: { kind: 'picture', value: -6 } },
      gauged: { left: { kind: 'readings', mm: [4] }, right: { kind: 'picture' } },
      excused: { whole: { kind: 'excused' } }
    })
  })
  it('an overruled measure stays overruled, with what the new picture says beneath', () => {
    const overruled = {
      kind: 'overruled',
      reason: 'a lock',
      measured: { ...measured, value: 12 },
      instead: { kind: 'asItShouldBe' }
    } as const
    const { answers, kept } = fillAnswers({ pair: { whole: overruled } }, [from('pair')], standard)
    expect(kept).toBe(1)
    expect(answers.pair.whole).toMatchObject({ kind: 'overruled', reason: 'a lock', measured: { value: -6 } })
  })
})

describe('a pair that a gauge has read on both sides', () => {
  const read = { kind: 'readings', mm: [34] } as const
  const pair = standard.criteria.find(({ id }) => id === 'foreleg-pair')!
  const of = pair.how.kind === 'difference' ? pair.how.of : ''
  it.each<[string, Answers[string], number]>([
    ['both sides', { left: read, right: read }, 0],
    ['one side alone', { left: read }, 1],
    ['by a look', { left: { kind: 'asItShouldBe' }, right: { kind: 'asItShouldBe' } }, 1]
  ])('is told by the gauge: %s', (_, sides, filled) => {
    expect(fillAnswers({ [of]: sides }, [from('foreleg-pair')], standard)).toMatchObject({ filled, kept: 1 - filled })
  })
})

describe('the pictures of a feedback sheet', () => {
  it('are the three with most to mend, in the order of the walk', () => {
    const read = [1, 0, 4, 2, 3].map((loss, i) => ({ i, said: [{ loss }] }))
    expect(worstOf(read).map(({ i }) => i)).toEqual([2, 3, 4])
    expect(worstOf(read.slice(0, 2)).map(({ i }) => i)).toEqual([0, 1])
  })
})

describe('an outline over its plan', () => {
  const line: PhotoPoint[] = Array.from({ length: 30 }, (_, i): PhotoPoint => [i * 5, 0])
  const off = (byMm: (i: number) => number): PlaceDeparture[] => line.map((at, i) => ({ at, byMm: byMm(i), region: 'back' }))
  it('is one ring until it is held against a plan', () => {
    expect(outlineShapes(line, [])).toEqual([{ kind: 'path', points: line, closed: true, tone: 'outline' }])
    expect(outlineShapes([], [])).toEqual([])
  })
  it('is parted into too long, too short and as planned, with no gap between', () => {
    const shapes = outlineShapes(
      line,
      off((i) => (i < 10 ? 6 : i < 20 ? 0 : -6))
    )
    expect(shapes.map(({ tone }) => tone)).toEqual(['long', 'outline', 'short'])
    const ends = shapes.map((shape) => (shape.kind === 'path' ? [shape.points[0], shape.points.at(-1)] : []))
    expect(ends[0][1]).toEqual(ends[1][0])
    expect(ends[1][1]).toEqual(ends[2][0])
  })
  it('does not join what lies far apart', () => {
    const apart = off(() => 6).map((place, i) => (i < 15 ? place : { ...place, at: [place.at[0] + 300, 40] as PhotoPoint }))
    expect(outlineShapes(line, apart)).toHaveLength(2)
  })
  it('a measure is drawn by what it was taken from and held against', () => {
    const shapes = drawnShapes([
      { kind: 'circle', role: 'fit', centre: [1, 2], radius: 3 },
      { kind: 'line', role: 'off', points: line }
    ])
    expect(shapes).toEqual([
      { kind: 'circle', centre: [1, 2], radius: 3, tone: 'fit' },
      { kind: 'path', points: line, tone: 'off' }
    ])
  })
})
