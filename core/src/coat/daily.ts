// A dog over a row of days: what a what-if asks for.
import { stepOn } from './history'
import { lengthsInto } from './layers'
import type { CoatModel, SideModel } from './model'
import type { PatchSide, CoatPlace } from './places'
import { lagOfLengths, type Measured } from './sides'
import { briefOf } from './state'
import type { Growing } from './types'

/** One side of one place over a row of days. */
export type Daily = {
  readonly place: CoatPlace
  readonly side: PatchSide
  readonly standingMm: Float32Array
  readonly empty01: Float32Array
  readonly soft01: Float32Array
  /** of both sides together; the same array on left and right */
  readonly lagDays: Float32Array
}

/**
 * Every side of every place on every day of a row. A year of a whole dog is a matter of milliseconds (`npm run bench`).
 * @param places only these; all that the model holds where it is not given
 */
export function dailyStates(
  model: CoatModel,
  fromDay: number,
  days: number,
  places: Iterable<CoatPlace> = model.places.keys()
): readonly Daily[] {
  return [...places].flatMap((place) => {
    const { sides, growing } = model.places.get(place)!
    const lagDays = new Float32Array(days)
    const all = [...sides].map(([side, own]) => ({
      own,
      daily: newDaily(place, side, days, lagDays),
      scratch: new Float64Array(mostLayers(own))
    }))
    for (let k = 0; k < days; k++) {
      const day = fromDay + k
      const measured = all.map(({ own, scratch }) => measure(own, day, growing, scratch))
      measured.forEach(({ layers, mm }, i) => {
        const { standingMm, empty01, soft01 } = briefOf(layers, mm)
        const { daily } = all[i]!
        daily.standingMm[k] = standingMm
        daily.empty01[k] = empty01
        daily.soft01[k] = soft01
      })
      if (measured.length === 2) lagDays[k] = lagOfLengths(measured[0]!, measured[1]!, day, growing).days
    }
    return all.map(({ daily }) => daily)
  })
}

const mostLayers = ({ history }: SideModel) => history.steps.reduce((most, { layers }) => Math.max(most, layers.length), 1)

function newDaily(place: CoatPlace, side: PatchSide, days: number, lagDays: Float32Array): Daily {
  return { place, side, lagDays, standingMm: new Float32Array(days), empty01: new Float32Array(days), soft01: new Float32Array(days) }
}

function measure({ history }: SideModel, day: number, growing: Growing, mm: Float64Array): Measured {
  const { layers } = stepOn(history, day)
  lengthsInto(layers, day, growing, mm)
  return { layers, mm }
}
