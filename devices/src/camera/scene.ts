// What stands before the simulated table camera: a dog, light, wall, table, ruler and restraint, all in millimetres.
import { CoreError, inRange } from '@peen/core/error'
import type { BodyType, Coat, Colouring, ViewId, Worn } from '@peen/core/figure'
import { measuringPlaneMm, type BoardKind } from '@peen/core/measure'

/** From where the camera looks: two profiles (named by the side one sees), and the views of the figure. */
export type Seen = 'left' | 'right' | 'head' | 'front' | 'rear' | 'above'

export type Place3 = readonly [number, number, number]

/**
 * A scene. Places are [x, y, z] in the view's own frame: x to the picture's right, y up, z toward the camera; z = 0 is the
 * plane of the spine (profiles), of the eyes (head), of the withers (front, rear, above). Standing views have y = 0 on the
 * table; the head has it at the eyes.
 */
export type Scene = {
  readonly dog: {
    readonly body: BodyType
    readonly withersMm: number
    readonly colouring: Colouring
    readonly coat: Coat
    /** as it stands there; the planned coat where it is not given */
    readonly worn?: Worn
  }
  readonly seen: Seen
  readonly picture: { readonly widthPx: number; readonly heightPx: number; readonly jpegQuality: number }
  /** `yawDeg` turns the dog's near parts to the picture's right (a head: to the dog's own left), `rollDeg` turns the camera
   *  clockwise about its axis, `pitchDeg` looks down on the dog's middle from above; `pxPerMm` at z = 0, as large as fits where it is not given */
  readonly camera: {
    readonly distanceMm: number
    readonly yawDeg: number
    readonly rollDeg: number
    readonly pitchDeg?: number
    readonly pxPerMm?: number
  }
  /** `falloff` 0 is even light, 1 falls with the square of the distance from the lamp */
  readonly light: { readonly falloff: number; readonly lamp: Place3; readonly shadow: number }
  readonly wall: { readonly colour: string; readonly behindMm: number }
  readonly table: { readonly colour: string } | null
  /** an upright board of 30 mm with a dark and a light centimetre in turn; `atMm` is its lower left corner in its own plane */
  readonly ruler: { readonly lengthMm: number; readonly depthMm: number; readonly atMm?: readonly [number, number] } | null
  /** the printed measuring board; `atMm` is where its lower left corner stands when it stands upright; `leanDeg` leans its head back,
   *  `turnDeg` turns its right side away, `roundDeg` lays it on its side, `hidden` markers have something before them */
  readonly board?: {
    readonly kind: BoardKind
    readonly depthMm: number
    readonly atMm?: readonly [number, number]
    readonly leanDeg?: number
    readonly turnDeg?: number
    readonly roundDeg?: number
    readonly printed01?: number
    readonly hidden?: readonly number[]
  }
  /** grooming post beside the dog, arm over it, and the loop around its neck */
  readonly restraint: boolean
  /** spread of each colour of each pixel, in 8-bit steps */
  readonly noise: number
  readonly seed: number
}

/** A tidy photograph of a dog: even light, a ruler in the plane that is measured, no restraint. */
export function usualScene(dog: Scene['dog'], seen: Seen): Scene {
  return {
    dog,
    seen,
    picture: { ...(isAlong(seen) ? { widthPx: 1200, heightPx: 1600 } : { widthPx: 1600, heightPx: 1200 }), jpegQuality: 88 },
    camera: { distanceMm: seen === 'head' ? 1000 : 2200, yawDeg: 0, rollDeg: 0 },
    light: { falloff: 0.3, lamp: [-700, 1300, 1500], shadow: 0.25 },
    wall: { colour: '#6f8793', behindMm: 500 },
    table: { colour: '#3d4146' },
    ruler: { lengthMm: seen === 'head' ? 100 : 200, depthMm: measuringPlaneMm(dog.body, dog.withersMm, seen) },
    restraint: false,
    noise: 2,
    seed: 1
  }
}

/** Along the dog it is narrow and deep: what stands beside it stands farther off. */
export const isAlong = (seen: Seen): boolean => seen === 'front' || seen === 'rear'

export function figureView(seen: Seen): ViewId {
  return seen === 'left' || seen === 'right' ? 'side' : seen
}

/** Nothing may stand nearer to the lens than this, mm. */
export const NEAREST_MM = 150

/** @throws CoreError naming the first number that no camera of the school could have */
export function checkScene({ picture, camera, light, wall, ruler, noise, seed }: Scene): void {
  inRange('picture.widthPx', picture.widthPx, 64, 4000, 'px')
  inRange('picture.heightPx', picture.heightPx, 64, 4000, 'px')
  inRange('picture.jpegQuality', picture.jpegQuality, 1, 100)
  inRange('camera.distanceMm', camera.distanceMm, 400, 10000, 'mm')
  inRange('camera.yawDeg', camera.yawDeg, -45, 45, 'degrees')
  inRange('camera.rollDeg', camera.rollDeg, -45, 45, 'degrees')
  inRange('camera.pitchDeg', camera.pitchDeg ?? 0, -45, 45, 'degrees')
  if (camera.pxPerMm !== undefined) inRange('camera.pxPerMm', camera.pxPerMm, 0.05, 20, 'px/mm')
  inRange('light.falloff', light.falloff, 0, 1)
  inRange('light.shadow', light.shadow, 0, 1)
  light.lamp.forEach((value, i) => inRange(`light.lamp.${'xyz'[i]}`, value, i === 2 ? 200 : -5000, 5000, 'mm'))
  inRange('wall.behindMm', wall.behindMm, 100, 5000, 'mm')
  colourOf('wall.colour', wall.colour)
  if (ruler) {
    inRange('ruler.lengthMm', ruler.lengthMm, 20, 1000, 'mm')
    inRange('ruler.depthMm', ruler.depthMm, -1000, camera.distanceMm - NEAREST_MM, 'mm')
  }
  inRange('noise', noise, 0, 60)
  if (!Number.isInteger(seed)) throw new CoreError({ code: 'notWhole', path: 'seed', got: seed, limit: 'a whole number' })
}

/** #rrggbb as three numbers. @throws CoreError for anything else */
export function colourOf(path: string, hex: string): Place3 {
  if (!/^#[0-9a-f]{6}$/i.test(hex)) throw new CoreError({ code: 'notAColour', path, got: hex, limit: '#rrggbb' })
  return [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)) as unknown as Place3
}
