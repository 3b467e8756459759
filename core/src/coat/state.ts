// A place on a day: what stands, how long, how much shows nothing, how much is soft.
import { lengthOn, lengthsInto, undercoatOn } from './layers'
import { stepOn, type History } from './history'
import { HAIR } from './rules'
import type { HairLayer } from './types'

export const STANDS = ['empty', 'sprouting', 'standing', 'ripe', 'cut'] as const
/** What hair of one layer is doing: nothing shows yet; shows and is short; stands; hardly grows any more; was cut since it was pulled. */
export type Stand = (typeof STANDS)[number]

/** Hair of one age on a day. */
export type LayerOn = {
  readonly share01: number
  readonly mm: number
  /** since it was pulled; for hair of which nobody knows, worked back from its length */
  readonly ageDays: number
  readonly stand: Stand
  readonly bornDay: number
  readonly assumed: boolean
}

export type HoleOn = { readonly widthMm: number; readonly sinceDay: number; readonly mm: number; readonly isLevel: boolean }

/** One place on one day. Shares are of all hair there. */
export type PlaceState = {
  readonly day: number
  /** the shortest first */
  readonly layers: readonly LayerOn[]
  readonly holes: readonly HoleOn[]
  /** what the coat stands at, mm: nine tenths of its hair are no longer */
  readonly standingMm: number
  readonly meanMm: number
  /** hair of which nothing shows */
  readonly empty01: number
  /** hair that was cut since it was pulled: it comes back soft */
  readonly soft01: number
  readonly ripe01: number
  /** of the hair that stands: one where all is equally long, less the spread of its lengths over their mean */
  readonly evenness01: number
  readonly undercoat01: number
}

/** The share of hair that what stands is read at. Chosen: the longest tenth is what a light roll takes. */
const STANDING_AT = 0.9

export function standOf(layer: HairLayer, mm: number, terminalMm: number): Stand {
  if (mm <= 0) return 'empty'
  if (layer.cutDay !== null) return 'cut'
  if (mm < HAIR.sproutingMm) return 'sprouting'
  return mm >= HAIR.ripe01 * terminalMm ? 'ripe' : 'standing'
}

/**
 * The length under which a share of the hair lies, mm: the least layer length whose own share and all shorter ones reach `share01`
 * (the inverse of the stepped distribution, R type 1 for weights). @param layers shortest first
 */
export function lengthQuantile(layers: readonly Pick<LayerOn, 'mm' | 'share01'>[], share01: number): number {
  let sum = 0
  for (const { mm, share01: own } of layers) {
    sum += own
    if (sum >= share01 - 1e-9) return mm
  }
  return layers[layers.length - 1]?.mm ?? 0
}

/** What stands at a place on a day. Closed form from the last act: any day costs the same. */
export function stateOn(history: History, day: number): PlaceState {
  const step = stepOn(history, day)
  const { growing } = history
  const layers = step.layers.map((layer): LayerOn => {
    const mm = lengthOn(layer, day, growing)
    const { share01, bornDay, assumed } = layer
    return { share01, mm, bornDay, assumed, ageDays: Math.max(0, day - bornDay), stand: standOf(layer, mm, growing.terminalMm) }
  })
  const sum = (wanted: (layer: LayerOn) => boolean) => layers.reduce((total, layer) => total + (wanted(layer) ? layer.share01 : 0), 0)
  const empty01 = sum(({ stand }) => stand === 'empty')
  const standingMm = lengthQuantile(layers, STANDING_AT)
  return {
    day,
    layers,
    holes: step.holes.map((hole) => {
      const mm = lengthOn(hole, day, growing)
      return { widthMm: hole.widthMm, sinceDay: hole.sinceDay, mm, isLevel: mm >= HAIR.level01 * standingMm && mm > 0 }
    }),
    standingMm,
    meanMm: layers.reduce((total, { mm, share01 }) => total + mm * share01, 0),
    empty01,
    soft01: sum(({ stand }) => stand === 'cut'),
    ripe01: sum(({ stand }) => stand === 'ripe'),
    evenness01: evennessOf(layers),
    undercoat01: undercoatOn(step, day)
  }
}

/** 1 - s/m of the lengths of hair that stands, weighted by share and not below nought; one where nothing stands. */
function evennessOf(layers: readonly LayerOn[]): number {
  const stands = layers.filter(({ mm }) => mm >= HAIR.sproutingMm)
  const total = stands.reduce((sum, { share01 }) => sum + share01, 0)
  if (total === 0) return 1
  const mean = stands.reduce((sum, { mm, share01 }) => sum + mm * share01, 0) / total
  const variance = stands.reduce((sum, { mm, share01 }) => sum + share01 * (mm - mean) ** 2, 0) / total
  return Math.max(0, 1 - Math.sqrt(variance) / mean)
}

/** Standing length, empty and soft share of a place on a day and nothing more: what is asked for every day of a year. */
export type Brief = Pick<PlaceState, 'standingMm' | 'empty01' | 'soft01'>

export function briefOn(history: History, day: number): Brief {
  const { layers } = stepOn(history, day)
  const mm = new Float64Array(layers.length)
  lengthsInto(layers, day, history.growing, mm)
  return briefOf(layers, mm)
}

/** The same where the lengths of the day are known. */
export function briefOf(layers: readonly HairLayer[], mm: Float64Array): Brief {
  let [below, standingMm, empty01, soft01] = [0, -1, 0, 0]
  for (let k = 0; k < layers.length; k++) {
    const { share01, cutDay } = layers[k]!
    below += share01
    if (standingMm < 0 && below >= STANDING_AT - 1e-9) standingMm = mm[k]!
    if (mm[k]! <= 0) empty01 += share01
    else if (cutDay !== null) soft01 += share01
  }
  return { standingMm: Math.max(0, standingMm), empty01, soft01 }
}
