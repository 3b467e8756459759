// The photograph: room, dog and things laid over each other from far to near, then grain and JPEG.
import { CoreError } from '@peen/core/error'
import { newRaster } from '@peen/core/figure'
import type { Picture } from '@peen/core/measure'
import { normalDraw, randomFrom } from '@peen/core/stats'
import sharp from 'sharp'
import { paintBoard } from './board'
import { layPart, nearestDepth, paintParts } from './dog'
import { shadeOf, shadowOf } from './light'
import { loopFollows, paintLoop, paintPost, paintRoom, paintRuler } from './room'
import { NEAREST_MM, type Scene } from './scene'
import { figureOf, stageOf } from './stage'

/** RGB bytes, row by row from the top. */
export type Pixels = { readonly w: number; readonly h: number; readonly rgb: Uint8ClampedArray }

/** The picture before it is encoded. The same scene always gives the same pixels. @throws CoreError as {@link stageOf} */
export function expose(scene: Scene): Pixels {
  const stage = stageOf(scene)
  const { widthPx: w, heightPx: h } = scene.picture
  const { yawDeg, distanceMm } = scene.camera
  const bare = figureOf(stage, 0)
  const nearest = nearestDepth(bare.skin.layers, stage.span, yawDeg)
  if (nearest > distanceMm - NEAREST_MM)
    throw new CoreError({
      code: 'outOfRange',
      path: 'camera.distanceMm',
      got: distanceMm,
      limit: `at least ${Math.ceil(nearest + NEAREST_MM)} mm for this dog`
    })
  const figure = figureOf(stage, nearest)
  const painted = paintParts(figure, stage)
  const shade = shadeOf(stage)
  const canvas = newRaster(w, h)
  paintRoom(canvas, stage, shade, shadowOf(figure, stage))
  paintPost(canvas, stage, figure, shade)
  const before = scene.ruler !== null && scene.ruler.depthMm > 0
  if (!before) paintRuler(canvas, stage, shade)
  paintBoard(canvas, stage, shade)
  for (const part of painted.parts) {
    layPart(canvas, part, painted, stage, shade)
    if (loopFollows(part.name, stage)) paintLoop(canvas, stage, figure, shade)
  }
  if (before) paintRuler(canvas, stage, shade)
  return { w, h, rgb: grained(canvas.px, scene) }
}

function grained(px: Float32Array, { noise, seed }: Scene): Uint8ClampedArray {
  const random = randomFrom(seed)
  const rgb = new Uint8ClampedArray((px.length / 4) * 3)
  for (let i = 0, o = 0; i < px.length; i += 4)
    for (let c = 0; c < 3; c++) rgb[o++] = px[i + c] + (noise > 0 ? noise * normalDraw(random) : 0)
  return rgb
}

/** The same pixels with an alpha that hides nothing, as the measuring code takes a picture. */
export function pictureOf({ w, h, rgb }: Pixels): Picture {
  const rgba = new Uint8ClampedArray(w * h * 4).fill(255)
  for (let i = 0, o = 0; i < rgb.length; i += 3, o += 4) rgba.set(rgb.subarray(i, i + 3), o)
  return { width: w, height: h, rgba }
}

/** The photograph as a JPEG file, without any word about the scene in it. @throws CoreError as {@link stageOf} */
export async function photograph(scene: Scene): Promise<Buffer> {
  const { w, h, rgb } = expose(scene)
  return sharp(rgb, { raw: { width: w, height: h, channels: 3 } })
    .jpeg({ quality: scene.picture.jpegQuality })
    .toBuffer()
}
