import { xoroshiro128plus } from 'pure-rand'

/** A stream of numbers in [0, 1). Every random choice in core takes one as an argument. */
export type Random = () => number

/** A stream made from a whole-number seed: the same seed gives the same numbers in browser and Node (xoroshiro128+). */
export function randomFrom(seed: number): Random {
  const generator = xoroshiro128plus(seed | 0)
  return () => (generator.unsafeNext() >>> 0) / 4294967296
}

/** One draw from the standard normal distribution (Box & Muller 1958). */
export function normalDraw(random: Random): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
}

/** A 32-bit seed from a text such as an id (FNV-1a), so that one grading is always simulated alike. */
export function seedOf(text: string): number {
  let hash = 0x811c9dc5
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193)
  return hash | 0
}
