import { describe, expect, it } from 'vitest'
import { along, clamp, segments, signedArea2, smoothstep, squaredDistance, type Point } from './vec'

const square: Point[] = [
  [0, 0],
  [0, 10],
  [10, 10],
  [10, 0]
]

describe('small arithmetic', () => {
  // Ref: hand calculation
  it('holds at its ends', () => {
    expect([smoothstep(0, 1, -1), smoothstep(0, 1, 0.5), smoothstep(0, 1, 2)]).toEqual([0, 0.5, 1])
    expect([clamp(-1), clamp(0.3), clamp(4)]).toEqual([0, 0.3, 1])
    expect([
      along(
        [
          [0, 1],
          [10, 3]
        ],
        -5
      ),
      along(
        [
          [0, 1],
          [10, 3]
        ],
        5
      ),
      along(
        [
          [0, 1],
          [10, 3]
        ],
        50
      )
    ]).toEqual([1, 2, 3])
  })

  it('signs an area by the way the ring runs', () => {
    expect(signedArea2(square)).toBe(-200)
    expect(signedArea2([...square].reverse())).toBe(200)
  })

  it('measures the distance to a line', () => {
    const line = segments([
      [0, 0],
      [10, 0],
      [10, 10]
    ])
    expect(squaredDistance(5, 3, line)).toBe(9)
    expect(squaredDistance(13, 14, line)).toBe(25)
    expect(squaredDistance(4, 4, segments([[1, 0]]))).toBe(25)
  })
})
