// What stood beside the dog last time stands there again: kept on this tablet, by view.
import {
  BOARDS,
  cornersOfMarker,
  toPlane,
  homography,
  viewOf,
  type BoardMark,
  type BoardSeen,
  type PhotoPoint,
  type ScaleMark,
  type Seen
} from '@peen/core/measure'
import { useLocalStorage } from '@vueuse/core'

type Last = Omit<ScaleMark, 'ends' | 'endUPx' | 'check' | 'board'>

/** A finger puts the end of a scale to this, px. */
export const END_U_PX = 1.5

export const useLastScale = (seen: Seen) =>
  useLocalStorage<Last>(`peen.scale.${viewOf(seen)}`, {
    what: 'ruler',
    lengthMm: seen === 'head' ? 100 : 200,
    behindMm: 0,
    behindUMm: 10,
    cameraMm: seen === 'head' ? 1000 : 2200,
    // from above nothing stands plumb in the picture
    upright: seen !== 'above'
  })

/** What the printed line of the boards measures on paper, by board, mm: printers make pages smaller. */
export const usePrintedLine = () =>
  useLocalStorage('peen.board.line', { large: BOARDS.large.line.lengthMm, small: BOARDS.small.line.lengthMm })

/** The scale of a picture in which the board was found. Its ends are the middle of the board's upper and lower edge, for who looks at it. */
export function scaleOfBoard(seen: BoardSeen, last: Last, lineMm: number): ScaleMark {
  const { widthMm, heightMm } = BOARDS[seen.kind]
  const toPicture = homography(
    seen.markers.flatMap(({ id }) => cornersOfMarker(id)),
    seen.markers.flatMap(({ corners }) => corners)
  )
  const end = (y: number): PhotoPoint => toPlane(toPicture, [widthMm / 2, y])
  const { behindMm, behindUMm, cameraMm } = last
  const scale = {
    ...{ what: 'board' as const, upright: true, lengthMm: heightMm, behindMm, behindUMm, cameraMm, endUPx: END_U_PX, check: null },
    ends: [end(0), end(heightMm)] as const
  }
  return byLine({ ...scale, board: { ...seen, lineMm } }, lineMm)
}

/** The same board, printed so that its line measures `lineMm`: all of it is larger or smaller by that. */
export function byLine<S extends ScaleMark & { readonly board: BoardMark }>(scale: S, lineMm: number): S {
  const { heightMm, line } = BOARDS[scale.board.kind]
  return { ...scale, lengthMm: (heightMm * lineMm) / line.lengthMm, board: { ...scale.board, lineMm } }
}
