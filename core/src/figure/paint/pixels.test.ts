import { colourNames, colouringOf } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { DRAWN_REGIONS } from '../coat'
import { paletteOf } from './colour'
import { newRaster, paintCurve, toBytes } from './raster'
import { fillMask, inflate } from './relief'
import { keptShare } from './roots'
import { spansOf } from './scan'
import { paintBlot, paintPolygon, paintShadow } from './soft'

describe('pixels', () => {
  const ring = (...points: number[]) => Float32Array.from(points)
  const covered = (raster: ReturnType<typeof newRaster>) => raster.px.reduce((sum, value, i) => (i % 4 === 3 ? sum + value / 255 : sum), 0)

  // Ref: hand calculation of areas
  it('fill a polygon by its exact area, however it lies between pixels', () => {
    const box = newRaster(20, 20)
    paintPolygon(box, ring(2, 2, 12, 2, 12, 7, 2, 7), [10, 20, 30], 1)
    expect(covered(box)).toBeCloseTo(50, 6)
    const shifted = newRaster(20, 20)
    paintPolygon(shifted, ring(2.5, 2.25, 12.5, 2.25, 12.5, 7.25, 2.5, 7.25), [10, 20, 30], 1)
    expect(covered(shifted)).toBeCloseTo(50, 4)
    const triangle = newRaster(20, 20)
    paintPolygon(triangle, ring(2, 2, 18, 2, 2, 18), [0, 0, 0], 1)
    expect(Math.abs(covered(triangle) - 128)).toBeLessThan(1.5)
  })

  it('draw a hair with the ink of its length and width', () => {
    const hair = newRaster(60, 20)
    paintCurve(hair, 5, 10, 27, 10, 50, 10, 0.5, 0, 0, 0, 1)
    // a taper from width 1 to .38 of it along 45 px, quadratic: mean of 1 - .62 t^2 is .793; four straight pieces
    expect(Math.abs(covered(hair) - 45 * 0.793)).toBeLessThan(1)
  })

  it('keep straight colour through premultiplied paint', () => {
    const raster = newRaster(4, 4)
    paintPolygon(raster, ring(0, 0, 4, 0, 4, 4, 0, 4), [200, 100, 50], 0.5)
    const bytes = toBytes(raster)
    expect([bytes[0], bytes[1], bytes[2]]).toEqual([200, 100, 50])
    expect(Math.abs(bytes[3] - 128)).toBeLessThanOrEqual(1)
    expect(toBytes(newRaster(2, 2)).every((value) => value === 0)).toBe(true)
  })

  it('darken only what is painted', () => {
    const raster = newRaster(20, 20)
    paintBlot(raster, 10, 10, 8, [0, 0, 0], 1)
    paintShadow(raster, ring(4, 4, 16, 4, 16, 16, 4, 16), 2, [0, 0, 0], 1)
    expect(covered(raster)).toBe(0)
    paintPolygon(raster, ring(0, 0, 20, 0, 20, 20, 0, 20), [200, 200, 200], 1)
    paintBlot(raster, 10, 10, 8, [0, 0, 0], 1)
    expect(raster.px[4 * (10 * 20 + 10)]).toBeLessThan(60)
    expect(raster.px[0]).toBe(200)
  })

  it('scan a ring with a hole by its winding', () => {
    const spans = spansOf(ring(0, 0, 10, 0, 10, 4, 0, 4), 4)
    expect([...spans]).toEqual([0, 1, 2, 3].flatMap((row) => [row, 0, 10]))
  })

  // Ref: laplace(u) = -1 on a long strip of w cells is a parabola with its top at (w + 1)^2 / 8 (grid units)
  it('blow a strip up to the parabola of the Poisson equation', () => {
    const [w, h] = [13, 201]
    const mask = new Uint8Array(w * h)
    fillMask(mask, { w, h, cell: 1, left: 0, top: h }, ring(1, 1, w - 1, 1, w - 1, h - 1, 1, h - 1))
    const u = new Float32Array(w * h)
    inflate(u, mask, w, h, 400, 1.8)
    const inside = mask.slice(100 * w, 101 * w).reduce((sum, value) => sum + value, 0)
    // the stencil divides by four: u = x (inside + 1 - x) / 2 in the middle of a long strip
    expect(u[100 * w + 6]).toBeCloseTo(((inside + 1) / 2) ** 2 / 2, 1)
  })
})

describe('hair that is shown', () => {
  it('is every short one and few of the long', () => {
    expect(keptShare(1, 1)).toBe(1)
    expect(keptShare(60, 2)).toBeLessThan(0.3)
    expect(keptShare(10000, 2)).toBe(0.1)
  })
})

describe('colours', () => {
  it('are five tones for every region of every dog, and an unknown colour is drawn in pepper', () => {
    expect(colourNames.length).toBeGreaterThan(10)
    for (const colour of colourNames) {
      const { ramps, base, marks, pattern } = colouringOf(colour)
      for (const region of DRAWN_REGIONS) expect(ramps[marks[region] ?? base], `${colour} ${region}`).toHaveLength(5)
      if (pattern) expect(ramps[pattern.ramp], colour).toHaveLength(5)
      const { flat } = paletteOf(colouringOf(colour))
      expect(flat.every((value) => value >= 0 && value <= 255)).toBe(true)
    }
    expect(colouringOf('plaid')).toEqual(colouringOf('pepper'))
  })

  it('lie in patches over about the share that was asked for, the same for the same dog', () => {
    const palette = (share: number) =>
      paletteOf({ ...colouringOf('parti'), pattern: { kind: 'patches', ramp: 'liver', share, sizeMm: 90, seed: 5 } }).pattern!
    const covered = (share: number) => {
      const { shareAt } = palette(share)
      let sum = 0
      for (let x = 0; x < 2000; x += 20) for (let y = 0; y < 2000; y += 20) sum += shareAt([x, y])
      return sum / 10000
    }
    expect(Math.abs(covered(0.3) - 0.3)).toBeLessThan(0.12)
    expect(covered(0.6)).toBeGreaterThan(covered(0.3) + 0.15)
    expect(palette(0.4).shareAt([123, 45])).toBe(palette(0.4).shareAt([123, 45]))
  })
})
