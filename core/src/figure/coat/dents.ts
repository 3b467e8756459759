// Faults as places where hair is missing or stands proud: one depth in mm for every place of a layer.
import { smoothstep, type Point } from '../vec'
import type { DrawnRegion } from './coat-map'
import { faultOf, type Fault } from './faults'

/** Hair missing at a place of a layer, mm (negative stands proud). `darker` darkens what lies in it. */
export type Dent = {
  readonly layers: readonly string[]
  readonly mmAt: (x: number, y: number) => number
  /** how many mm of relief a mm of missing hair makes: a ridge is seen by its shadow */
  readonly relief: number
}

/** What a view knows of the places where dents can lie. */
export type DentPlaces = {
  readonly heightMm: number
  readonly spots: Readonly<Partial<Record<DrawnRegion, { readonly layer: string; readonly at: Point }>>>
  /** the topline from withers to tail set, where the view shows it */
  readonly topline: readonly [Point, Point] | null
  /** layers of the legs with the height below which scissors work on them */
  readonly legs: readonly { readonly layer: string; readonly topMm: number }[]
  /** the stop between the eyes */
  readonly stop: { readonly layer: string; readonly at: Point; readonly reachMm: number } | null
}

// eslint-disable-next-line max-lines-per-function -- one case beside the other: apart, none would show that they are all
export function dentsOf(faults: readonly Fault[] | undefined, places: DentPlaces): Dent[] {
  const dents: Dent[] = []
  const dip = faultOf(faults, 'dip')
  if (dip && places.topline) {
    const [a, b] = places.topline
    const x0 = a[0] + (b[0] - a[0]) * dip.at
    const reach = dip.widthMm / 2
    const lowest = Math.min(a[1], b[1]) - 0.14 * places.heightMm
    dents.push({
      layers: ['body'],
      mmAt: (x, y) => dip.mm * Math.exp(-(((x - x0) / reach) ** 2)) * smoothstep(lowest, lowest + 0.12 * places.heightMm, y),
      relief: 0.5
    })
  }
  const hole = faultOf(faults, 'hole')
  const spot = hole && places.spots[hole.region]
  if (hole && spot) {
    const reach = hole.widthMm / 2
    dents.push({
      layers: [spot.layer],
      mmAt: (x, y) => hole.mm * (1 - smoothstep(0.62 * reach, 1.1 * reach, Math.hypot(x - spot.at[0], (y - spot.at[1]) * 1.25))),
      relief: 1.4
    })
  }
  const steps = faultOf(faults, 'steps')
  if (steps) {
    for (const { layer, topMm } of places.legs) {
      dents.push({
        layers: [layer],
        mmAt: (_, y) => (y / steps.everyMm - Math.floor(y / steps.everyMm)) * steps.mm * smoothstep(topMm, topMm * 0.86, y),
        relief: 1.1
      })
    }
  }
  const track = faultOf(faults, 'track')
  if (track && places.topline) {
    const [a, b] = places.topline
    const slope = (b[1] - a[1]) / (b[0] - a[0])
    dents.push({
      layers: ['body'],
      mmAt: (x, y) => {
        const under = a[1] + slope * (x - a[0]) - y
        if (under < 0.06 * places.heightMm || under > 0.4 * places.heightMm) return 0
        const ends =
          smoothstep(a[0] + 0.08 * places.heightMm, a[0] + 0.16 * places.heightMm, x) * smoothstep(b[0], b[0] - 0.1 * places.heightMm, x)
        const off = Math.abs(under / track.everyMm - Math.round(under / track.everyMm)) * track.everyMm
        return -track.mm * (1 - smoothstep(1.2, 3.4, off)) * ends
      },
      relief: 2.2
    })
  }
  const hollow = faultOf(faults, 'hollowStop')
  if (hollow && places.stop) {
    const { layer, at, reachMm } = places.stop
    dents.push({
      layers: [layer],
      mmAt: (x, y) => hollow.mm * Math.exp(-(((x - at[0]) ** 2 + (y - at[1]) ** 2) / reachMm ** 2)),
      relief: 1.2
    })
  }
  return dents
}

/** What all dents take at a place of a layer, mm. */
export function dentAt(dents: readonly Dent[], layer: string, x: number, y: number): number {
  let mm = 0
  for (const dent of dents) if (dent.layers.includes(layer)) mm += dent.mmAt(x, y)
  return mm
}
