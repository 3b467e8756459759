import { describe, expect, it } from 'vitest'
import { evenly, perimeter, type PhotoPoint } from '..'

const square: readonly PhotoPoint[] = [
  [0, 0],
  [10, 0],
  [10, 10],
  [0, 10]
]

describe('points at even steps round a ring', () => {
  // Ref: hand calculation
  it('are as far apart as asked', () => {
    expect(perimeter(square)).toBe(40)
    expect(evenly(square, 5)).toHaveLength(8)
  })

  // Symptom: a step of 0 asked for endlessly many points and never came back
  it.each([0, -1, NaN, Infinity])('cannot be %s mm apart', (stepMm) => {
    expect(() => evenly(square, stepMm)).toThrow(/evenly\.1 is/)
  })

  it('need three places', () => {
    expect(() => evenly(square.slice(0, 2), 5)).toThrow(/3 or more/)
  })
})
