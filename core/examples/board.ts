// A valid example of each function of the measuring board.
import { BOARDS, cornersOfMarker, type PhotoPoint } from '../src/measure'
import type { Examples } from './planned'

/** The large board, square before a camera: one pixel a millimetre. */
export const boardSeen = () => ({
  kind: 'large',
  uPx: 0.2,
  markers: BOARDS.large.markers.map(({ id }) => ({ id, corners: cornersOfMarker(id).map(([x, y]): PhotoPoint => [x + 60, y + 40]) }))
})
/** A grey picture that the board fits into; nothing is on it. */
const grey = () => ({ width: 400, height: 400, rgba: new Uint8ClampedArray(400 * 400 * 4).fill(120) })

export const board: Examples = {
  cornersOf: () => [BOARDS.small.markers[0]],
  cornersOfMarker: () => [3],
  heldOf: () => [80, 3],
  findBoard: () => [grey()],
  markerCells: () => [0],
  markerOf: () => [0],
  poseOf: () => [boardSeen(), [200, 200], { mm: 2000, uMm: 60 }, 1],
  withoutBoard: () => [grey(), boardSeen()]
}
