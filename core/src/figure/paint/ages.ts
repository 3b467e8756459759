// Hair of several ages at one place: which age a root has.
import type { AgedHair, CoatTable } from '../coat'
import type { Roots } from './roots'

/** How far a hair of its age reaches, a share of its place's length, and the colour of that age. */
export type Drawn = { reach: number; rgb: AgedHair['rgb'] }

/**
 * Draws lots for one root: the place it belongs to by weight, then its age there, into `hair`. The same root always draws the same.
 * @returns false where nothing shows
 */
export function drawAge(roots: Roots, i: number, { ages }: CoatTable, hair: Drawn): boolean {
  const lot = (Math.imul(i + 1, 0x9e3779b1) >>> 0) / 4294967296
  const o = 4 * i
  let [j, below] = [0, roots.weights[o]! / 255]
  const place = (Math.imul(i + 1, 0x85ebca6b) >>> 0) / 4294967296
  while (j < 3 && place > below && roots.weights[o + j + 1]! > 0) below += roots.weights[o + ++j]! / 255
  const slot = ages[roots.ids[o + j]!]
  if (!slot) return true
  let at = 0
  while (at < slot.upTo01.length - 1 && lot > slot.upTo01[at]!) at++
  hair.reach = slot.reach01[at]!
  hair.rgb = slot.rgb[at]
  return hair.reach > 0
}

/** Hair in the colour of its age is drawn wider, denser and flatter than hair in its own: the colour is to be read. Chosen by eye. */
export const AGE_WIDTH = 1.5
export const AGE_CONTRAST = 0.5
const AGE_ALPHA = 238
const AGE_SHARE = 0.94
const AGE_LIGHT = Object.freeze({ least: 0.62, more: 0.5 })

/** Lays the colour of an age over a hair's own, lit as the coat is there (`lit` 0..1). */
export function tintByAge(out: Uint8Array, at: number, rgb: NonNullable<AgedHair['rgb']>, lit: number): void {
  const light = AGE_LIGHT.least + AGE_LIGHT.more * lit
  for (let c = 0; c < 3; c++) out[at + c] = Math.min(255, out[at + c]! * (1 - AGE_SHARE) + AGE_SHARE * rgb[c]! * light)
  out[at + 3] = AGE_ALPHA
}
