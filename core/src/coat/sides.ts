// Left against right: how many days one side is behind the other, layer by layer.
import { lengthsInto } from './layers'
import type { Growing, HairLayer } from './types'
import { HAIR } from './rules'

/** How far apart two sides are. Days above nought: the left is behind, its hair is younger. */
export type Lag = {
  /** of the layer that is furthest out of step, signed, whole days */
  readonly days: number
  /** its share of the coat */
  readonly share01: number
  /** how much shorter the left stands there, mm; below nought the right is shorter */
  readonly mm: number
  /** over the whole coat, signed */
  readonly meanDays: number
}

export const IN_STEP: Lag = Object.freeze({ days: 0, share01: 0, mm: 0, meanDays: 0 })

/**
 * Both sides' hair is laid side by side from the youngest to the oldest, share against share (the transport of least cost between two
 * distributions on a line), and the largest difference in growing time that holds for at least a twentieth of the coat is the lag.
 * @param left @param right layers as a step holds them, shortest first. Growing time is days since the pull; for hair that stands, what its length took: hair at its terminal length is in step with older hair.
 */
export function lagOf(left: readonly HairLayer[], right: readonly HairLayer[], day: number, growing: Growing): Lag {
  leftMm = roomFor(left, leftMm)
  rightMm = roomFor(right, rightMm)
  lengthsInto(left, day, growing, leftMm)
  lengthsInto(right, day, growing, rightMm)
  return lagOfLengths({ layers: left, mm: leftMm }, { layers: right, mm: rightMm }, day, growing)
}

/** One side's layers with their lengths on the day. */
export type Measured = { readonly layers: readonly HairLayer[]; readonly mm: Float64Array }

/** The same where the lengths of the day are known. */
export function lagOfLengths(left: Measured, right: Measured, day: number, growing: Growing): Lag {
  let [meanDays, touched] = [0, 0]
  let [i, j, usedA, usedB] = [0, 0, 0, 0]
  const [a, b] = [left.layers, right.layers]
  while (i < a.length && j < b.length) {
    const share01 = Math.min(a[i]!.share01 - usedA, b[j]!.share01 - usedB)
    const days = growingTime(b[j]!, right.mm[j]!, day, growing) - growingTime(a[i]!, left.mm[i]!, day, growing)
    meanDays += share01 * days
    const bucket = Math.min(BUCKETS - 1, Math.max(0, Math.round(days) + BUCKETS / 2))
    if (shares[bucket] === 0) order[touched++] = bucket
    shares[bucket]! += share01
    lengths[bucket] = right.mm[j]! - left.mm[i]!
    usedA += share01
    usedB += share01
    if (a[i]!.share01 - usedA < 1e-9) {
      i++
      usedA = 0
    }
    if (b[j]!.share01 - usedB < 1e-9) {
      j++
      usedB = 0
    }
  }
  let [days, share01, mm] = [0, 0, 0]
  for (let k = 0; k < touched; k++) {
    const bucket = order[k]!
    const apart = bucket - BUCKETS / 2
    if (shares[bucket]! >= HAIR.sidesLeast01 - 1e-9 && Math.abs(apart) > Math.abs(days)) {
      days = apart
      share01 = shares[bucket]!
      mm = lengths[bucket]!
    }
    shares[bucket] = 0
  }
  return { days, share01, mm, meanDays }
}

// differences by whole days, swept after each use: this is asked for every place on every day
const BUCKETS = 8192
const shares = new Float64Array(BUCKETS)
const lengths = new Float64Array(BUCKETS)
const order = new Int32Array(BUCKETS)

let leftMm = new Float64Array(64)
let rightMm = new Float64Array(64)
const roomFor = (layers: readonly HairLayer[], mm: Float64Array<ArrayBuffer>) =>
  mm.length < layers.length ? new Float64Array(2 * layers.length) : mm

function growingTime(layer: HairLayer, mm: number, day: number, { sproutDays, mmPerDay }: Growing): number {
  return mm > 0 ? sproutDays + mm / mmPerDay : Math.min(sproutDays, day - layer.bornDay)
}
