// Numbers of the model. A school changes the limits; what hair does by itself is the same for everybody.
import type { CoatPlace } from './places'

/** Sprouting by the two sides of the house rule, days. Common practice, no published source. */
export const SPROUT_DAYS = Object.freeze([28, 42] as const)

/** What a school may set. All chosen: two-week rolls must stay quiet, and what cannot be mended in weeks must be said. */
export const COAT_RULES = Object.freeze({
  /** share of what stands that a light roll takes */
  lightRoll01: 0.1,
  half01: 0.5,
  /** sides of one layer further apart than this are out of step, days */
  lagDays: 3,
  /** no hair showing on more than this is bare */
  bare01: 0.55,
  /** cut hair on more than this of a stripped place is too soft */
  soft01: 0.25,
  /** a stripped coat left alone for so long is one age and must all come out: between three and four months (common practice) */
  rollingDays: 105
})
export type CoatRules = { readonly [key in keyof typeof COAT_RULES]: number }

/** What a school may choose for each number. */
export const COAT_RULE_LIMITS: Readonly<Record<keyof CoatRules, { readonly low: number; readonly high: number; readonly unit: string }>> =
  Object.freeze({
    lightRoll01: { low: 0.02, high: 0.4, unit: '' },
    half01: { low: 0.3, high: 0.8, unit: '' },
    lagDays: { low: 0, high: 30, unit: 'days' },
    bare01: { low: 0.2, high: 0.95, unit: '' },
    soft01: { low: 0.05, high: 0.9, unit: '' },
    rollingDays: { low: 60, high: 200, unit: 'days' }
  })

/** The same for every coat. All chosen. */
export const HAIR = Object.freeze({
  /** shorter than this fingers cannot grip it, mm */
  gripMm: 6,
  /** shorter than this it is sprouting, not standing, mm */
  sproutingMm: 5,
  /** of its terminal length it is ripe: it grows little and comes out easily */
  ripe01: 0.8,
  /** share of the undercoat that carding takes, and the days in which it is back */
  carded01: 0.6,
  undercoatDays: 84,
  /** what a mat is cut out to, mm */
  matMm: 1,
  /** a hole is level again when it stands at this share of the coat around it */
  level01: 0.85,
  /** hair whose lengths are apart by less is one layer for the eye, mm */
  layerMm: 2,
  /** a share of the coat smaller than this does not make sides out of step */
  sidesLeast01: 0.05,
  /** share of an unstripped strip that the clipper takes each time it works along it */
  stripCut01: 0.5,
  /** a strip stripped within so many days before the clipper counts as stripped */
  stripFreshDays: 28
})

/**
 * Terminal length of a wire coat, mm: where it stands full grown. Chosen so that a jacket is ripe about six months after it was
 * pulled, as the trade strips a wire coat about twice a year. Common practice, no published source.
 */
const WIRE_MM: Readonly<Partial<Record<CoatPlace, number>>> = Object.freeze({
  beard: 90,
  brow: 60,
  foreleg: 60,
  rearPastern: 60,
  thigh: 50,
  skirt: 60,
  chest: 50,
  cheek: 25,
  skull: 25,
  throat: 25,
  muzzle: 30,
  earOutside: 15,
  earBase: 20,
  earEdge: 15,
  earInside: 20,
  underTail: 30
})
const WIRE_USUAL_MM = 55
/** Hair of other coats is cut long before it would stop, mm. */
const LONG_MM = 300

/** @returns the length at which hair stops growing, mm */
export function terminalMm(place: CoatPlace, isWire: boolean): number {
  return isWire ? (WIRE_MM[place] ?? WIRE_USUAL_MM) : LONG_MM
}
