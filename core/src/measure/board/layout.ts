// The measuring board as it is printed: which markers stand where, in millimetres from its upper left corner, y down.
import aruco from 'js-aruco2'
import { CoreError } from '../../error'
import type { PhotoPoint } from '../types'

/** A full sheet for a whole dog, and a small one that goes beside a head. */
export const BOARD_KINDS = ['large', 'small'] as const
export type BoardKind = (typeof BOARD_KINDS)[number]

export type BoardMarker = { readonly id: number; /** its upper left corner */ readonly at: PhotoPoint; readonly sideMm: number }
export type BoardLayout = {
  readonly kind: BoardKind
  readonly widthMm: number
  readonly heightMm: number
  readonly markers: readonly BoardMarker[]
  /** a printed line whose length a person checks with a ruler, mm */
  readonly line: { readonly from: PhotoPoint; readonly lengthMm: number }
}

/** Its codes differ in 12 of 36 cells, so that two misread cells never make another. Source: Garrido-Jurado et al. 2016, Pattern Recognition 51:481-491. */
export const DICTIONARY = 'ARUCO_MIP_36h12'
const COLUMNS = 2
const ROWS = 3
/** A marker is this many cells wide: its 6 and a black one round them. */
export const MARKER_CELLS = 8

type Grid = { readonly first: number; readonly from: PhotoPoint; readonly sideMm: number; readonly stepMm: number }

/** Two columns of three; a white gap of a cell or more goes round each, without which its edge is not seen. */
const gridOf = ({ first, from, sideMm, stepMm }: Grid): readonly BoardMarker[] =>
  Array.from({ length: COLUMNS * ROWS }, (_, i) => ({
    id: first + i,
    at: [from[0] + (i % COLUMNS) * stepMm, from[1] + Math.floor(i / COLUMNS) * stepMm] as const,
    sideMm
  }))

export const BOARDS: Readonly<Record<BoardKind, BoardLayout>> = {
  large: {
    kind: 'large',
    widthMm: 210,
    heightMm: 297,
    markers: gridOf({ first: 0, from: [16, 10], sideMm: 80, stepMm: 91 }),
    line: { from: [30, 284], lengthMm: 150 }
  },
  small: {
    kind: 'small',
    widthMm: 105,
    heightMm: 148,
    markers: gridOf({ first: 6, from: [11, 7], sideMm: 38, stepMm: 45 }),
    line: { from: [12.5, 142], lengthMm: 80 }
  }
}

const dictionary = new aruco.AR.Dictionary(DICTIONARY)

/** The cells of a marker row by row, its black rim with them: is each of them white? @throws CoreError as {@link markerOf} */
export function markerCells(id: number): readonly (readonly boolean[])[] {
  const code = dictionary.codeList[markerOf(id).marker.id]!
  const inner = MARKER_CELLS - 2
  const isWhite = (x: number, y: number) => x > 0 && y > 0 && x <= inner && y <= inner && code[(y - 1) * inner + (x - 1)] === '1'
  return Array.from({ length: MARKER_CELLS }, (_, y) => Array.from({ length: MARKER_CELLS }, (__, x) => isWhite(x, y)))
}

/** A marker's corners clockwise from its upper left, mm. */
export const cornersOf = ({ at: [x, y], sideMm }: BoardMarker): readonly PhotoPoint[] => [
  [x, y],
  [x + sideMm, y],
  [x + sideMm, y + sideMm],
  [x, y + sideMm]
]

/** The board that a marker is on, and where there. @throws CoreError `notOnBoard` for a number that no board has */
export function markerOf(id: number): { readonly board: BoardLayout; readonly marker: BoardMarker } {
  for (const kind of BOARD_KINDS) {
    const marker = BOARDS[kind].markers.find((own) => own.id === id)
    if (marker) return { board: BOARDS[kind], marker }
  }
  throw new CoreError({ code: 'notOnBoard', path: 'id', got: id, limit: 'the number of a marker of a board' })
}

/** The corners of a marker of a board clockwise from its upper left, mm from the board's own. @throws CoreError as {@link markerOf} */
export const cornersOfMarker = (id: number): readonly PhotoPoint[] => cornersOf(markerOf(id).marker)
