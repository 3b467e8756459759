// The outline of one ear from the front and from behind, beside the middle of the head; x grows outward, y up.
import type { EarKind } from '../body'
import { lerp, type Point } from '../vec'

/** A pricked ear, in widths of the skull beside the middle and above its top. */
const PRICK: readonly Point[] = [
  [0.2, -0.05],
  [0.36, 0.32],
  [0.55, 0.66],
  [0.76, 0.92],
  [0.79, 0.6],
  [0.71, 0.25],
  [0.56, -0.1],
  [0.36, -0.14]
]
/** A head is carried up: from behind its pricked ears are seen foreshortened and closer. */
const BEHIND = Object.freeze({ across: 0.85, up: 0.62 })

const BUTTON: readonly Point[] = [
  [0.14, 0.02],
  [0.2, 0.12],
  [0.4, 0.15],
  [0.56, 0.1],
  [0.53, -0.14],
  [0.45, -0.42],
  [0.33, -0.24],
  [0.22, -0.1]
]
/** Hanging ears: width in skulls, and how far down from root to tip. */
const DROP: readonly Point[] = [
  [0.34, 0.16],
  [0.44, 0.05],
  [0.55, 0.12],
  [0.63, 0.4],
  [0.62, 0.78],
  [0.54, 1],
  [0.45, 0.82],
  [0.39, 0.42]
]
const LONG: readonly Point[] = [
  [0.34, 0.08],
  [0.45, 0.01],
  [0.56, 0.16],
  [0.62, 0.45],
  [0.62, 0.8],
  [0.52, 1],
  [0.4, 0.84],
  [0.36, 0.4]
]
const HANGING_BEHIND: readonly Point[] = [
  [0.36, 0.06],
  [0.49, 0],
  [0.6, 0.3],
  [0.63, 0.75],
  [0.55, 1],
  [0.46, 0.7]
]
const BUTTON_BEHIND: readonly Point[] = [
  [0.16, 0],
  [0.28, 0.1],
  [0.46, 0.1],
  [0.55, 0],
  [0.48, -0.16],
  [0.3, -0.12]
]

const above = (points: readonly Point[], s: number, topY: number): Point[] => points.map(([x, y]) => [x * s, topY + y * s])
const hanging = (points: readonly Point[], s: number, [root, tip]: readonly [number, number]): Point[] =>
  points.map(([x, t]) => [x * s, lerp(root, tip, t)])

/**
 * @param s width of the skull, mm
 * @param topY top of the skull, mm
 * @param earY heights of the ear's root and tip, mm
 * @returns the ring's points and which of them are corners
 */
export function earFromFront(
  kind: EarKind,
  s: number,
  topY: number,
  earY: readonly [number, number]
): { readonly points: Point[]; readonly corners: number[] } {
  if (kind === 'prick') return { points: above(PRICK, s, topY), corners: [3] }
  if (kind === 'button') return { points: above(BUTTON, s, topY), corners: [1, 3, 5] }
  return { points: hanging(kind === 'drop' ? DROP : LONG, s, earY), corners: [] }
}

/** The same from behind; `topY` and `earY` as heights in the picture, mm. */
export function earFromBehind(kind: EarKind, s: number, topY: number, earY: readonly [number, number]): Point[] {
  if (kind === 'prick') return PRICK.map(([x, y]): Point => [x * s * BEHIND.across, topY + y * s * BEHIND.up])
  return kind === 'button' ? above(BUTTON_BEHIND, s, topY) : hanging(HANGING_BEHIND, s, earY)
}
