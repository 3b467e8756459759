// The measuring board in a picture: which of its markers are seen, and where their corners lie.
import aruco from 'js-aruco2'
import { checkPicture, shrink, type Picture } from '../edge/picture'
import { homography, toPlane } from '../fit/plane'
import type { PhotoPoint } from '../types'
import { refinedCorners } from './corners'
import { BOARDS, BOARD_KINDS, cornersOf, cornersOfMarker, DICTIONARY, markerOf, type BoardKind } from './layout'

export type SeenMarker = { readonly id: number; /** clockwise from its upper left, px */ readonly corners: readonly PhotoPoint[] }
export type BoardSeen = {
  readonly kind: BoardKind
  readonly markers: readonly SeenMarker[]
  /** standard uncertainty of a corner either way, px */
  readonly uPx: number
}

/** Cells misread that are still mended: under half of what codes differ by. */
const MOST_MISREAD = 4
/** Markers are looked for in the picture made this small, one size after the other: blurred edges are found in the small one. Chosen. */
const SIZES_PX = [1_600_000, 500_000]
/** Looked for so finely only where some of a board was seen, px. Chosen. */
const FINE_PX = 5_000_000
/** One marker tells scale, but hardly how the camera looks. */
export const LEAST_MARKERS = 2
/** A corner is no surer than this, px. Chosen on drawn pictures: JPEG and grain. */
const LEAST_U_PX = 0.15
/** A marker farther from where the others put it is a chance likeness, as a share of its side. Chosen. */
const STRAY_SHARE = 0.2

/** Every marker of every board. */
const IDS = new Set(BOARD_KINDS.flatMap((kind) => BOARDS[kind].markers.map(({ id }) => id)))

/**
 * Finds the measuring board: square markers by their codes, corners by lines along their edges.
 * @returns null where no marker of a board is seen; fewer than LEAST_MARKERS may be among what is returned
 * @throws CoreError `noPicture`
 * Source: markers by Garrido-Jurado et al. 2014, Pattern Recognition 47:2280-2292, as js-aruco2 finds them.
 */
export function findBoard(picture: Picture): BoardSeen | null {
  checkPicture(picture)
  let best: BoardSeen | null = null
  const isWhole = () => best !== null && best.markers.length === BOARDS[best.kind].markers.length
  const look = (size: number) => {
    const seen = lookedFor(picture, size)
    if (seen && seen.markers.length > (best?.markers.length ?? 0)) best = seen
  }
  for (const size of SIZES_PX) if (!isWhole()) look(size)
  if (best && !isWhole()) look(FINE_PX)
  return best
}

function lookedFor(picture: Picture, mostPx: number): BoardSeen | null {
  const { width, height, rgba, by } = shrink(picture, mostPx)
  const detector = new aruco.AR.Detector({ dictionaryName: DICTIONARY, maxHammingDistance: MOST_MISREAD })
  const seen = new Map<number, SeenMarker & { readonly misread: number; readonly rmsPx: number }>()
  for (const { id, corners, hammingDistance } of detector.detect({ width, height, data: rgba })) {
    const before = seen.get(id)
    if (!IDS.has(id) || (before && before.misread <= hammingDistance)) continue
    const fine = refinedCorners(
      picture,
      corners.map(({ x, y }): PhotoPoint => [(x + 0.5) * by, (y + 0.5) * by])
    )
    if (fine) seen.set(id, { id, corners: fine.corners, rmsPx: fine.rmsPx, misread: hammingDistance })
  }
  const kinds = BOARD_KINDS.map((kind) => [...seen.values()].filter(({ id }) => markerOf(id).board.kind === kind))
  const most = kinds.reduce((best, own, i) => (own.length > kinds[best]!.length ? i : best), 0)
  const markers = withoutStray(kinds[most]!)
  if (markers.length === 0) return null
  const rms = Math.sqrt(markers.reduce((sum, { rmsPx }) => sum + rmsPx ** 2, 0) / markers.length)
  return {
    kind: BOARD_KINDS[most]!,
    markers: markers.map(({ id, corners }) => ({ id, corners })).sort((a, b) => a.id - b.id),
    uPx: Math.max(LEAST_U_PX, rms)
  }
}

/** Markers lie where the board has them; with three or more, one that does not is left out. */
function withoutStray<M extends SeenMarker>(markers: readonly M[]): readonly M[] {
  if (markers.length < 3) return markers
  const offs = markers.map((own) => {
    const others = markers.filter((marker) => marker !== own)
    const toBoard = homography(
      others.flatMap(({ corners }) => corners),
      others.flatMap(({ id }) => cornersOfMarker(id))
    )
    const { marker } = markerOf(own.id)
    const off = cornersOf(marker).map(([x, y], i) => {
      const [u, v] = toPlane(toBoard, own.corners[i]!)
      return Math.hypot(u - x, v - y)
    })
    return Math.max(...off) / marker.sideMm
  })
  const worst = offs.reduce((best, off, i) => (off > offs[best]! ? i : best), 0)
  return offs[worst]! > STRAY_SHARE ? withoutStray(markers.filter((_, i) => i !== worst)) : markers
}
