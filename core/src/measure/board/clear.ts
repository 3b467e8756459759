// A picture without its measuring board: a white sheet beside a white dog is else taken for part of it.
import type { Picture } from '../edge/picture'
import { homography, toPlane } from '../fit/plane'
import type { PhotoPoint } from '../types'
import type { BoardSeen } from './find'
import { BOARDS, cornersOfMarker, markerOf } from './layout'

/** Paper reaches this far beyond what was printed on it, and its edge throws a shadow, mm. Chosen. */
const BEYOND_MM = 5
/** About a marker whose neighbours are hidden only so much is surely paper, mm. Chosen: under the gap between two. */
const ROUND_MARKER_MM = 8
/** A square, one long, clockwise from its upper left. */
const UNIT: readonly PhotoPoint[] = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1]
]
/** What is laid over the board is taken from beside it, px off and px wide. Chosen. */
const BESIDE_PX = Object.freeze({ off: 3, wide: 4 })

/**
 * The same picture with wall or table where the board was, row by row as it is on the board's far side from the middle of the
 * picture. Of a board that is partly hidden only what is surely paper goes: a tail may hang before the rest.
 */
export const withoutBoard = (picture: Picture, seen: BoardSeen): Picture => laidOver(picture, areasOf(seen))

/** The same picture with what is beside each area, four corners in px, laid over it. */
export function laidOver(picture: Picture, areas: readonly (readonly PhotoPoint[])[]): Picture {
  const rgba = Uint8ClampedArray.from(picture.rgba)
  for (const area of areas) layOver({ ...picture, rgba }, area)
  return { ...picture, rgba }
}

/** What is surely board, as four corners each, px. */
function areasOf({ kind, markers }: BoardSeen): readonly (readonly PhotoPoint[])[] {
  const { widthMm, heightMm, markers: all } = BOARDS[kind]
  const toPicture = homography(
    markers.flatMap(({ id }) => cornersOfMarker(id)),
    markers.flatMap(({ corners }) => corners)
  )
  const box = (x: number, y: number, wide: number, high: number, by: number) =>
    UNIT.map(([u, v]) => toPlane(toPicture, [x - by + u * (wide + 2 * by), y - by + v * (high + 2 * by)]))
  return markers.length === all.length
    ? [box(0, 0, widthMm, heightMm, BEYOND_MM)]
    : markers.map(({ id }) => markerOf(id).marker).map(({ at, sideMm }) => box(at[0], at[1], sideMm, sideMm, ROUND_MARKER_MM))
}

function layOver(picture: Picture & { readonly rgba: Uint8ClampedArray }, area: readonly PhotoPoint[]): void {
  const { width, height, rgba } = picture
  const [ys, xs] = [area.map(([, y]) => y), area.map(([x]) => x)]
  const isRight = (Math.min(...xs) + Math.max(...xs)) / 2 > width / 2
  for (let y = Math.max(0, Math.floor(Math.min(...ys))); y <= Math.min(height - 1, Math.ceil(Math.max(...ys))); y++) {
    const [from, to] = acrossRow(area, y + 0.5)
    const [left, right] = [Math.max(0, Math.floor(from)), Math.min(width - 1, Math.ceil(to))]
    const [outer, inner] = isRight
      ? [besides(picture, right, 1, y), besides(picture, left, -1, y)]
      : [besides(picture, left, -1, y), besides(picture, right, 1, y)]
    const colour = outer ?? inner
    if (!colour) continue
    for (let x = left; x <= right; x++) for (let c = 0; c < 3; c++) rgba[4 * (y * width + x) + c] = colour[c]!
  }
}

/** Where a row runs through four corners; from past its end to before its begin where it does not. */
function acrossRow(area: readonly PhotoPoint[], y: number): readonly [number, number] {
  const xs = area.flatMap(([ax, ay], i) => {
    const [bx, by] = area[(i + 1) % area.length]!
    return (ay <= y && by > y) || (by <= y && ay > y) ? [ax + ((bx - ax) * (y - ay)) / (by - ay)] : []
  })
  return [Math.min(...xs), Math.max(...xs)]
}

/** The mean colour just beside a place of a row; null outside the picture. */
function besides({ width, rgba }: Picture, x: number, way: 1 | -1, y: number): readonly number[] | null {
  const sums = [0, 0, 0]
  for (let k = 0; k < BESIDE_PX.wide; k++) {
    const at = x + way * (BESIDE_PX.off + k)
    if (at < 0 || at >= width) return null
    for (let c = 0; c < 3; c++) sums[c]! += rgba[4 * (y * width + at) + c]! / BESIDE_PX.wide
  }
  return sums
}
