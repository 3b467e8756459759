// The parts of a photograph's desk that decide something: undo of marks, and what a refusal says.
import { CoreError } from '@peen/core/error'
import { planeScale } from '@peen/core/measure'
import { describe, expect, it, vi } from 'vitest'
import { answering, valueOf } from '../workers/answered'
import { sayRefusal } from './say-refusal'
import { NO_MARKS, useMarks } from './useMarks'

describe('marks on a picture', () => {
  it('are taken back one by one, with what was found after them', () => {
    const onChange = vi.fn()
    const desk = useMarks(null, onChange)
    desk.find({ outline: [[0, 0], [9, 0], [9, 9]] }) // prettier-ignore
    desk.movePlace('nose', [4, 5])
    desk.find({ outline: [[0, 0], [8, 0], [8, 8]] }) // prettier-ignore
    desk.movePlace('withers', [7, 1])
    expect(desk.undoable.value).toBe(2)
    expect(desk.undo()).toBe(false)
    expect(Object.keys(desk.marks.value.places)).toEqual(['nose'])
    expect(desk.marks.value.outline[1]).toEqual([8, 0])
    desk.undo()
    expect(desk.marks.value.places).toEqual({})
    expect(desk.marks.value.outline[1]).toEqual([9, 0])
    expect(desk.undoable.value).toBe(0)
    desk.undo()
    expect(desk.marks.value.outline[1]).toEqual([9, 0])
    expect(onChange).toHaveBeenCalledTimes(7)
  })

  it('say when a correction of the outline is taken back with them', () => {
    const desk = useMarks(NO_MARKS, () => undefined)
    desk.change({ corrections: { ...NO_MARKS.corrections, anchors: [[1, 2]] } })
    expect(desk.undo()).toBe(true)
  })

  it('are agreed to all at once, and keep how surely each is known', () => {
    const desk = useMarks(null, () => undefined)
    desk.find({ places: { nose: { at: [1, 1], uPx: 2, touched: false } } })
    desk.agree()
    desk.setPlaceU('nose', 5)
    expect(desk.marks.value.places.nose).toEqual({ at: [1, 1], uPx: 5, touched: true, agreed: true })
    // once a hand has moved it, it lies where the hand says, as surely as a hand puts it; what the hand says of that then stays
    desk.movePlace('nose', [3, 3])
    expect(desk.marks.value.places.nose).toEqual({ at: [3, 3], uPx: 2, touched: true })
    desk.setPlaceU('nose', 4)
    desk.movePlace('nose', [4, 4])
    expect(desk.marks.value.places.nose).toEqual({ at: [4, 4], uPx: 4, touched: true })
    desk.setLine('foreFront', [[1, 1], [2, 2]]) // prettier-ignore
    desk.setLine('foreFront', [])
    expect(desk.marks.value.lines).toEqual({})
  })
})

describe('a refusal of the worker', () => {
  const crossing = <T>(value: T) => structuredClone(value)
  const near = answering(
    () =>
    planeScale({ ends: [[0, 0], [1, 0]], lengthMm: 100, behindMm: 0, behindUMm: 2, cameraMm: 2000, endUPx: 0.5 } as never) // prettier-ignore
  )

  it('crosses as data, and is said by its code', () => {
    const answer = crossing(near())
    expect(answer).toMatchObject({ ok: false, issue: { code: 'pointsTooNear', got: '1.0 px apart' } })
    expect(() => valueOf(answer)).toThrow(CoreError)
    try {
      valueOf(answer)
    } catch (error) {
      expect(sayRefusal(error)).toBe(
        'The two ends of the scale are 1.0 px apart; they must be 20 px apart or more. Touch both ends of the ruler.'
      )
    }
  })

  it.each([
    ['noDog', 'nothing that stands out', /^The dog does not stand out/],
    ['somethingElse', 'a shape that covers 31 % with the planned dog', /\(31 % alike\)/],
    ['outOfRange', 12, /^place is 12; it must be 0 to 9\./]
  ])('%s', (code, got, says) => {
    expect(sayRefusal(new CoreError({ code, path: 'place', got, limit: '0 to 9' }))).toMatch(says)
  })

  it('leaves a defect what it is', () => {
    expect(() =>
      answering(() => {
        throw new TypeError('x')
      })()
    ).toThrow(TypeError)
    expect(answering((a: number) => a + 1)(2)).toEqual({ ok: true, value: 3 })
  })
})
