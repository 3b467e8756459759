import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { leadersCross, placeNotes } from './notes'

describe('notes in the margins', () => {
  const frame = { widthPx: 920, topPx: 30, bottomPx: 500, columnPx: 178, marginPx: 22 }
  const target = fc.record({
    x: fc.integer({ min: 240, max: 680 }),
    y: fc.integer({ min: 40, max: 500 }),
    heightPx: fc.integer({ min: 44, max: 90 })
  })

  it('never overlap, and their leaders never cross', () => {
    let checked = 0
    fc.assert(
      fc.property(fc.uniqueArray(target, { minLength: 2, maxLength: 12, selector: (t) => `${t.x},${t.y}` }), (targets) => {
        const placed = placeNotes(
          targets.map((t, i) => ({ ...t, id: String(i) })),
          frame
        )
        for (const a of placed) {
          for (const b of placed) {
            if (a.id >= b.id) continue
            checked++
            expect(leadersCross(a, b)).toBe(false)
            if (a.side !== b.side) continue
            const [upper, lower] = a.yPx < b.yPx ? [a, b] : [b, a]
            expect(lower.yPx - upper.yPx).toBeGreaterThanOrEqual(targets[Number(upper.id)].heightPx)
          }
        }
      }),
      { numRuns: 200 }
    )
    expect(checked).toBeGreaterThan(500)
  })

  it('do not run over the place of another where a change of sides helps', () => {
    // the skirt's leader would end, for the eye, at the foreleg
    const placed = placeNotes(
      [
        { id: 'foreleg', x: 399, y: 432, heightPx: 60 },
        { id: 'skirt', x: 463, y: 405, heightPx: 60 }
      ],
      frame
    )
    expect(placed).toHaveLength(2)
    for (const [a, b] of [placed, [...placed].reverse()]) {
      const [dx, dy] = [a.target[0] - a.elbow[0], a.target[1] - a.elbow[1]]
      const t = Math.max(0, Math.min(1, ((b.target[0] - a.elbow[0]) * dx + (b.target[1] - a.elbow[1]) * dy) / (dx * dx + dy * dy)))
      expect(Math.hypot(a.elbow[0] + t * dx - b.target[0], a.elbow[1] + t * dy - b.target[1])).toBeGreaterThan(8)
    }
  })

  it('leave out what cannot be placed, and keep the first', () => {
    const many = Array.from({ length: 30 }, (_, i) => ({ id: String(i), x: 300 + 10 * i, y: 100 + 12 * i, heightPx: 80 }))
    const placed = placeNotes(many, frame)
    expect(placed.length).toBeLessThan(13)
    expect(placed.length).toBeGreaterThan(5)
    expect(placed.some(({ id }) => id === '0')).toBe(true)
    expect(placeNotes([], frame)).toEqual([])
  })
})
