// Lengths are true to scale at ten places of every body type, read from the picture alone.
import { bodies, coats, colouringOf } from '@peen/content'
import { describe, expect, it } from 'vitest'
import { bakeFigure, isInside, lieOf, newRaster, standShare, type Coat, type Figure, type Lengths, type Raster, type View } from '.'
import { DRAWN_REGIONS } from './coat'

const SLOW = { timeout: 120000 }
const MM = 10
const PLACES = 10
/** Edges are looked for from here inward, mm from the skin. */
const FROM_MM = 27

/** A place and the samples up to 9 mm either way of it: single hairs end unevenly, a place is read as their mean. */
type Spot = {
  readonly around: readonly Ray[]
  readonly layer: string
  readonly region: string
  readonly p: readonly [number, number]
  readonly n: readonly [number, number]
  readonly share: number
}
type Ray = { readonly p: readonly [number, number]; readonly n: readonly [number, number] }

/**
 * Places in the middle of a region on the near outline, where neither scissors nor a neighbour decides: the region holds
 * alone for 9 mm either way, the skin is nearly level there, and nothing else stands before it.
 */
function spotsOf(figure: Figure, coat: Coat): Spot[] {
  const found: Spot[] = []
  const { skin } = figure
  const shaped = skin.stops(coat, coat, undefined)
  for (const layer of skin.layers.filter(({ name }) => ['body', 'head', 'hind', 'fore'].includes(name))) {
    for (let k = 0; k < layer.samples; k++) {
      const around = Array.from({ length: 23 }, (_, i) => (k + i - 11 + layer.samples) % layer.samples)
      const alone = around.every(
        (j) => !layer.inner[j] && layer.taper[j] > 0.999 && layer.weights[4 * j] > 0.985 && layer.ids[4 * j] === layer.ids[4 * k]
      )
      if (!alone) continue
      const [nx, ny] = [layer.N[2 * k], layer.N[2 * k + 1]]
      const level = around.every((j) => layer.N[2 * j] * nx + layer.N[2 * j + 1] * ny > 0.985)
      const free = around.every((j) => shaped.every((stop) => !stop.layers.includes(layer.name) || stop.hold(layer, j) === 0))
      if (!level || !free) continue
      const region = DRAWN_REGIONS[layer.ids[4 * k]]
      const lie = (lieOf(coat, region) * Math.PI) / 180
      const share = standShare(lie, nx, ny, layer.T[2 * k], layer.T[2 * k + 1])
      const rayAt = (j: number): Ray => ({ p: [layer.P[2 * j], layer.P[2 * j + 1]], n: [layer.N[2 * j], layer.N[2 * j + 1]] })
      found.push({
        around: around.slice(6, 17).map(rayAt),
        layer: layer.name,
        region,
        p: [layer.P[2 * k], layer.P[2 * k + 1]],
        n: [nx, ny],
        share
      })
    }
  }
  return found
}

/** How far out the coat reaches along a normal, mm: half the background covered, averaged over 2 mm across. */
function reachMm(raster: Raster, { around }: Spot, view: View): number {
  return around.reduce((sum, ray) => sum + edgeMm(raster, ray, view), 0) / around.length
}

function edgeMm({ w, h, px }: Raster, { p, n }: Ray, view: View): number {
  const cover = (out: number) => {
    let sum = 0
    for (let across = -4; across <= 4; across++) {
      const x = view.originX + (p[0] + n[0] * out - n[1] * across * 0.25) * view.scale
      const y = view.originY - (p[1] + n[1] * out + n[0] * across * 0.25) * view.scale
      const [i, j] = [Math.floor(x), Math.floor(y)]
      sum += i >= 0 && j >= 0 && i < w && j < h ? px[4 * (j * w + i) + 3] / 255 / 9 : 0
    }
    return sum
  }
  for (let out = FROM_MM; out > -4; out -= 0.1) if (cover(out) >= 0.5) return out
  throw new Error('no coat here')
}

describe('hair is as long in the picture as its length and lie say', SLOW, () => {
  it.each(bodies.map((body) => [body.id, body] as const))('%s: ten places', (_, body) => {
    const own = coats.find((coat) => coat.body === body.id)!
    // shapes aside: what stands is length and lie alone; and straight hair, whose ends are not scattered
    const coat: Coat = { lengths: own.lengths, texture: 'straight', shapes: [], lies: { all: 45 } }
    const withersMm = 360
    const scale = 2
    const view: View = { scale, originX: 560, originY: 1090 }
    const figure = bakeFigure({
      body,
      withersMm,
      view: 'side',
      colouring: colouringOf('pepper'),
      coat: { ...coat, lengths: all(14) },
      pxPerMm: scale,
      budget: 90000
    })
    const picture = (lengths: Lengths) => {
      const raster = newRaster(1560, 1120)
      figure.dress({ lengths })
      figure.paint(raster, view)
      return raster
    }
    const [short, long] = [picture(all(14)), picture(all(14 + MM))]
    const outlinesIn = (lengths: Lengths) => {
      figure.dress({ lengths })
      return figure.outlines()
    }
    const [thin, thick] = [outlinesIn(all(14)), outlinesIn(all(14 + MM))]
    // nothing else stands behind the rim or beyond it: no tail, no far leg, no ground
    const isFree = ({ around, share }: Spot) =>
      [
        [thin, 14],
        [thick, 14 + MM]
      ].every(([outlines, mm]) =>
        around.every(({ p, n }) => {
          for (let out = (mm as number) * share + 1.5; out < FROM_MM + 1; out += 2.5) {
            const [x, y] = [p[0] + n[0] * out, p[1] + n[1] * out]
            if (y < 12 || (outlines as typeof thin).some((other) => isInside(other.ring, x, y))) return false
          }
          return true
        })
      )
    // ten places as far from each other as they come
    const candidates = spotsOf(figure, coat).filter(isFree)
    const chosen: Spot[] = [candidates[0]]
    while (chosen.length < PLACES) {
      const apart = (spot: Spot) => Math.min(...chosen.map((other) => Math.hypot(spot.p[0] - other.p[0], spot.p[1] - other.p[1])))
      chosen.push(candidates.reduce((best, spot) => (apart(spot) > apart(best) ? spot : best)))
    }
    expect(candidates.length, body.id).toBeGreaterThan(30)
    expect(new Set(chosen.map(({ region }) => region)).size).toBeGreaterThan(4)
    for (const spot of chosen) {
      const moved = reachMm(long, spot, view) - reachMm(short, spot, view)
      expect(
        Math.abs(moved - MM * spot.share),
        `${body.id} ${spot.region} at ${spot.p.map(Math.round)}: ${moved.toFixed(2)} for ${(MM * spot.share).toFixed(2)}`
      ).toBeLessThan(0.7)
    }
  })
})

const all = (mm: number): Lengths => Object.fromEntries(DRAWN_REGIONS.map((region) => [region, mm]))
