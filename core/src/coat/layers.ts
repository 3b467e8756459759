// What one act makes of the layers of a place. Pure: layers in, layers out, shares always sum to one.
import type { CoatAct, Growing, Hole, HairLayer, Pull, Step } from './types'
import { HAIR, type CoatRules } from './rules'

const round = (share: number) => Math.round(share * 1e9) / 1e9
const NOTHING = 1e-6

/** The length of a layer on a day, mm: nothing until it sprouts, then on at the dog's rate as far as the hair goes. */
export function lengthOn(layer: Pick<HairLayer, 'day0' | 'mm0'>, day: number, { mmPerDay, terminalMm }: Growing): number {
  return Math.min(Math.max(terminalMm, layer.mm0), layer.mm0 + Math.max(0, day - layer.day0) * mmPerDay)
}

/** The lengths of all layers on a day, into an array that is used again and again. */
export function lengthsInto(layers: readonly HairLayer[], day: number, { mmPerDay, terminalMm }: Growing, out: Float64Array): void {
  for (let k = 0; k < layers.length; k++) {
    const { day0, mm0 } = layers[k]!
    const mm = day > day0 ? mm0 + (day - day0) * mmPerDay : mm0
    out[k] = mm > terminalMm ? Math.max(terminalMm, mm0) : mm
  }
}

/**
 * Days from pulling until hair stands at a length. Inverse of `lengthOn`.
 * @param mm length, 0 or more @returns days, rounded up; null where the hair never gets so long
 * @example 20 mm at 0.3 mm a day after four weeks' sprouting: 95 days
 */
export function daysToLength(mm: number, { mmPerDay, sproutDays, terminalMm }: Growing): number | null {
  if (mm > terminalMm) return null
  // 20 / 0.3 is a hair over its own quotient in floating point: what is whole stays whole
  return Math.ceil(sproutDays + mm / mmPerDay - 1e-9)
}

/** How much of what can be gripped a pull took, 0 to 1: as it was said, else the school's share for the word, in part where only a part was done. */
export function pulledShare({ how, share01, part01 = 1 }: Extract<CoatAct, { kind: 'pulled' }>, rules: CoatRules): number {
  return share01 ?? shareOf(how, rules) * part01
}

function shareOf(how: Pull, rules: CoatRules): number {
  return how === 'all' ? 1 : how === 'half' ? rules.half01 : rules.lightRoll01
}

/** Takes a share of what can be gripped, the longest first, the oldest of those that are equally long; it sprouts again later. */
export function pull(layers: readonly HairLayer[], share01: number, day: number, growing: Growing): readonly HairLayer[] {
  const order = layers
    .map((layer) => ({ layer, mm: lengthOn(layer, day, growing) }))
    .filter(({ mm }) => mm >= HAIR.gripMm)
    .sort((a, b) => b.mm - a.mm || a.layer.bornDay - b.layer.bornDay)
    .map(({ layer }) => layer)
  let left = order.reduce((sum, layer) => sum + layer.share01, 0) * share01
  if (left < NOTHING) return layers
  const taken = new Map<HairLayer, number>()
  for (const layer of order) {
    const from = Math.min(left, layer.share01)
    if (from < NOTHING) break
    taken.set(layer, from)
    left -= from
  }
  const kept = layers.flatMap((layer) => {
    const rest = round(layer.share01 - (taken.get(layer) ?? 0))
    return rest > NOTHING ? [{ ...layer, share01: rest }] : []
  })
  const fresh: HairLayer = {
    share01: round(1 - kept.reduce((sum, layer) => sum + layer.share01, 0)),
    bornDay: day,
    day0: day + growing.sproutDays,
    mm0: 0,
    cutDay: null,
    assumed: false
  }
  return merged([...kept, fresh], growing)
}

/** Cuts everything longer than `toMm` to it; where only a share is cut, that share of every layer that is longer. */
export function cut(layers: readonly HairLayer[], toMm: number, share01: number, day: number, growing: Growing): readonly HairLayer[] {
  return merged(
    layers.flatMap((layer) => {
      const mm = lengthOn(layer, day, growing)
      if (mm <= toMm || mm === 0) return [layer]
      const shorter = round(layer.share01 * share01)
      const short: HairLayer = { ...layer, share01: shorter, day0: day, mm0: toMm, cutDay: day }
      const rest = round(layer.share01 - shorter)
      return rest > NOTHING ? [{ ...layer, share01: rest }, short] : [short]
    }),
    growing
  )
}

/**
 * Hair that was pulled on the same day and cut on the same day to the same length is one layer. Shortest first: all hair of a place
 * grows alike, so that the order holds on every day until the next act.
 */
function merged(layers: readonly HairLayer[], { mmPerDay }: Growing): readonly HairLayer[] {
  const found = new Map<string, HairLayer>()
  for (const layer of layers) {
    if (layer.share01 < NOTHING) continue
    const key = `${layer.bornDay} ${layer.cutDay} ${layer.day0} ${layer.mm0}`
    const known = found.get(key)
    found.set(key, known ? { ...known, share01: round(known.share01 + layer.share01) } : layer)
  }
  const began = (layer: HairLayer) => layer.day0 - layer.mm0 / mmPerDay
  const kept = [...found.values()].sort((a, b) => began(b) - began(a))
  // a share too small to keep goes to the largest layer: shares sum to one however often hair was cut
  const lost = 1 - kept.reduce((sum, { share01 }) => sum + share01, 0)
  const largest = kept.reduce((best, layer) => (layer.share01 > best!.share01 ? layer : best), kept[0])
  return kept.map((layer) => (layer === largest ? { ...layer, share01: round(layer.share01 + lost) } : layer))
}

/** The undercoat on a day, a share of the full one: what carding took is back in twelve weeks. */
export function undercoatOn({ undercoat01, day }: Pick<Step, 'undercoat01' | 'day'>, on: number): number {
  return Math.min(1, undercoat01 + Math.max(0, on - day) / HAIR.undercoatDays)
}

/** What a place is after an act. What only measures changes nothing. */
export function after(step: Step, act: CoatAct, day: number, growing: Growing, rules: CoatRules): Step {
  const undercoat01 = undercoatOn(step, day)
  const now = { ...step, day, undercoat01 }
  switch (act.kind) {
    case 'pulled': {
      const share01 = pulledShare(act, rules)
      // where everything comes out, a hole that can be gripped comes out with it and is none any more
      const holes = share01 < 1 ? step.holes : step.holes.filter((hole) => lengthOn(hole, day, growing) < HAIR.gripMm)
      return { ...now, layers: pull(step.layers, share01, day, growing), holes }
    }
    case 'carded':
      return { ...now, undercoat01: undercoat01 * (1 - HAIR.carded01) }
    case 'cut':
      return {
        ...now,
        layers: cut(step.layers, act.toMm, act.share01 ?? 1, day, growing),
        holes: step.holes.filter((hole) => lengthOn(hole, day, growing) < act.toMm)
      }
    case 'hole':
      return { ...now, holes: [...step.holes, holeOf(act, day, growing)] }
    case 'length':
    case 'gap':
      return step
  }
}

function holeOf({ widthMm, cause }: Extract<CoatAct, { kind: 'hole' }>, day: number, { sproutDays }: Growing): Hole {
  return cause === 'matCut'
    ? { widthMm, sinceDay: day, day0: day, mm0: HAIR.matMm }
    : { widthMm, sinceDay: day, day0: day + sproutDays, mm0: 0 }
}
