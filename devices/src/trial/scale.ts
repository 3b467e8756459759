// What a person, or the board by itself, says of a trial picture's scale.
import { BOARDS, cornersOf, findBoard, type Picture, type PhotoPoint, type ScaleMark } from '@peen/core/measure'
import { normalDraw, type Random } from '@peen/core/stats'
import { onBoard, rulerCorner, type Stage } from '../camera'
import type { TrialDog } from './dogs'

/** A finger puts the end of a ruler to this, px. */
const END_U_PX = 1
/** Corners of markers that were not found in a picture, px. */
const CORNER_U_PX = 0.15

export const toPixel = (stage: Stage, place: readonly [number, number, number]): PhotoPoint => {
  const at = stage.toPx(place)
  return at ? [at[0], at[1]] : [NaN, NaN]
}
export const jitter = ([x, y]: PhotoPoint, u: number, random: Random): PhotoPoint => [
  x + u * normalDraw(random),
  y + u * normalDraw(random)
]

/** @returns null where the board cannot be found in the picture */
export function scaleSaid(dog: TrialDog, stage: Stage, picture: Picture | null, random: Random): ScaleMark | null {
  const { scene, said } = dog
  const common = { upright: true, ...said, endUPx: END_U_PX, check: null }
  if (dog.by === 'ruler') {
    const corner = rulerCorner(stage)
    const { lengthMm, depthMm } = scene.ruler!
    const end = (up: number): PhotoPoint => jitter(toPixel(stage, [corner[0], corner[1] + up, depthMm]), END_U_PX, random)
    return { ...common, what: 'ruler', ends: [end(lengthMm), end(0)], lengthMm }
  }
  const layout = BOARDS[scene.board!.kind]
  const end = (y: number): PhotoPoint => toPixel(stage, onBoard(stage, [layout.widthMm / 2, y]))
  const seen = picture
    ? findBoard(picture)
    : {
        kind: layout.kind,
        uPx: CORNER_U_PX,
        markers: layout.markers.map((marker) => ({
          id: marker.id,
          corners: cornersOf(marker).map(([x, y]) => jitter(toPixel(stage, onBoard(stage, [x, y])), CORNER_U_PX, random))
        }))
      }
  if (!seen) return null
  const board = { ...seen, lineMm: layout.line.lengthMm }
  return { ...common, what: 'board', ends: [end(0), end(layout.heightMm)], lengthMm: layout.heightMm, board }
}
