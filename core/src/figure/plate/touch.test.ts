import { bodies, bodyById, coatFor, colouringOf } from '@peen/content'
import { describe, expect, it } from 'vitest'
import type { ViewId } from '../coat'
import { bakeFigure } from '../figure'
import { isInside } from '../vec'

const SLOW = { timeout: 60000 }
const shapesOf = (bodyId: string, view: ViewId) => {
  const body = bodyById(bodyId)
  const coat = coatFor(bodyId)
  return bakeFigure({
    body,
    withersMm: body.withersMm,
    view,
    colouring: colouringOf(coat.colour),
    coat,
    pxPerMm: 0.4,
    budget: 500
  }).shapes()
}

describe('places to touch', SLOW, () => {
  it.each(bodies.map((body) => [body.id] as const))('%s: every view has some, each with its centre inside', (id) => {
    for (const view of ['side', 'head', 'front', 'rear', 'above'] as const) {
      const shapes = shapesOf(id, view)
      expect(shapes.length, view).toBeGreaterThan(4)
      for (const { region, rings, centre, areaMm2 } of shapes) {
        expect(areaMm2, region).toBeGreaterThanOrEqual(80)
        expect(
          rings.some((ring) => isInside(ring, ...centre)),
          `${view} ${region}`
        ).toBe(true)
      }
      const names = shapes.map(({ region, side }) => `${region} ${side}`)
      expect(new Set(names).size, view).toBe(names.length)
    }
  })

  // facing the dog its left is at the picture's right; from behind at the picture's left; from above, facing left, below
  it('are the dog’s own left and right', () => {
    const centre = (view: ViewId, region: string, side: 'left' | 'right') =>
      shapesOf('bearded', view).find((shape) => shape.region === region && shape.side === side)!.centre
    for (const view of ['head', 'front'] as const) {
      const region = view === 'head' ? 'cheek' : 'foreleg'
      expect(centre(view, region, 'left')[0], view).toBeGreaterThan(0)
      expect(centre(view, region, 'right')[0], view).toBeLessThan(0)
    }
    expect(centre('rear', 'thigh', 'left')[0]).toBeLessThan(0)
    expect(centre('rear', 'thigh', 'right')[0]).toBeGreaterThan(0)
    expect(centre('above', 'ribs', 'left')[1]).toBeLessThan(0)
    expect(centre('above', 'ribs', 'right')[1]).toBeGreaterThan(0)
  })

  it('have no side where they lie in the middle, nor on a profile', () => {
    expect(shapesOf('bearded', 'side').every(({ side }) => side === null)).toBe(true)
    expect(shapesOf('bearded', 'rear').find(({ region }) => region === 'tail')!.side).toBeNull()
  })
})
