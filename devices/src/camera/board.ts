// The printed measuring board, as it stands before the camera: paper, markers, its line.
import { BOARDS, markerCells } from '@peen/core/measure'
import type { Canvas } from './dog'
import type { Shade } from './light'
import { fill } from './room'
import type { Place3 } from './scene'
import type { Stage } from './stage'

const PAPER: Place3 = [238, 237, 232]
const PRINT: Place3 = [30, 31, 33]

/** A place of the board (mm from its upper left corner, y down) in the room. @throws Error where the scene has none */
export function onBoard({ scene, span, tableY }: Stage, [x, y]: readonly [number, number]): Place3 {
  const { board, dog } = scene
  if (!board) throw new Error('This scene has no board.')
  const { widthMm, heightMm } = BOARDS[board.kind]
  const by = board.printed01 ?? 1
  const [left, foot] = board.atMm ?? [span[2] + 0.03 * dog.withersMm, scene.seen === 'head' || tableY === null ? span[1] : tableY]
  const [lean, turn, round] = [board.leanDeg ?? 0, board.turnDeg ?? 0, board.roundDeg ?? 0].map((deg) => (deg * Math.PI) / 180) as [
    number,
    number,
    number
  ]
  // about its middle first (it may lie on its side), then back about its foot, then about an upright axis
  const [mx, my] = [(x - widthMm / 2) * by, (heightMm / 2 - y) * by]
  const [rx, ry] = [mx * Math.cos(round) - my * Math.sin(round), mx * Math.sin(round) + my * Math.cos(round)]
  const up = ry + (heightMm * by) / 2
  const [ly, lz] = [up * Math.cos(lean), -up * Math.sin(lean)]
  const [tx, tz] = [rx * Math.cos(turn) + lz * Math.sin(turn), lz * Math.cos(turn) - rx * Math.sin(turn)]
  return [left + (widthMm * by) / 2 + tx, foot + ly, board.depthMm + tz]
}

export function paintBoard(canvas: Canvas, stage: Stage, shade: Shade): void {
  const { board } = stage.scene
  if (!board) return
  const { widthMm, heightMm, markers, line } = BOARDS[board.kind]
  const box = (x: number, y: number, wide: number, high: number, colour: Place3) =>
    fill(
      canvas,
      stage,
      shade,
      colour,
      (
        [
          [x, y],
          [x + wide, y],
          [x + wide, y + high],
          [x, y + high]
        ] as const
      ).map((place) => onBoard(stage, place))
    )
  box(0, 0, widthMm, heightMm, PAPER)
  for (const { id, at, sideMm } of markers) {
    if (board.hidden?.includes(id)) continue
    box(at[0], at[1], sideMm, sideMm, PRINT)
    const cells = markerCells(id)
    const cell = sideMm / cells.length
    cells.forEach((row, j) => row.forEach((isWhite, i) => isWhite && box(at[0] + i * cell, at[1] + j * cell, cell, cell, PAPER)))
  }
  box(line.from[0], line.from[1], line.lengthMm, 0.7, PRINT)
}
