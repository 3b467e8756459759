// Layers of both sides under the same letters, so that a pair can be read side by side.
import { stateAt, type CoatModel } from './model'
import { sidesOf, type PatchSide, type CoatPlace } from './places'
import type { LayerOn } from './state'

/** One layer on the sides that have it: A is the oldest. Dates may differ between the sides; that is what is looked for. */
export type LetteredLayer = {
  readonly letter: string
  readonly sides: Readonly<Partial<Record<PatchSide, LayerOn>>>
}

/** Pulls of the two sides that lie no further apart are one layer pulled at two times, days. Chosen: less than two ordinary rolls. */
const SAME_LAYER_DAYS = 20
const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ'

/** What stands at a place on a day, the oldest layer first; hair that was cut is a layer of its own. */
export function letteredLayers(model: CoatModel, place: CoatPlace, day: number): readonly LetteredLayer[] {
  const all = sidesOf(place)
    .flatMap((side) => stateAt(model, place, side, day).layers.map((layer) => ({ side, layer })))
    .sort((a, b) => a.layer.bornDay - b.layer.bornDay || Number(a.layer.stand === 'cut') - Number(b.layer.stand === 'cut'))
  const groups: { first: LayerOn; sides: Partial<Record<PatchSide, LayerOn>> }[] = []
  for (const { side, layer } of all) {
    const group = groups.find(
      ({ first, sides }) =>
        sides[side] === undefined && layer.bornDay - first.bornDay <= SAME_LAYER_DAYS && (layer.stand === 'cut') === (first.stand === 'cut')
    )
    if (group) group.sides[side] = layer
    else groups.push({ first: layer, sides: { [side]: layer } })
  }
  return groups.map(({ sides }, i) => ({ letter: letterOf(i), sides }))
}

function letterOf(i: number): string {
  return i < LETTERS.length ? LETTERS[i]! : `${LETTERS[i % LETTERS.length]}${Math.floor(i / LETTERS.length)}`
}
