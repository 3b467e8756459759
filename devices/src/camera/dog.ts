// The dog's parts on the picture: each a flat board at its own depth, seen through the pinhole.
import type { Figure, Part } from '@peen/core/figure'
import type { Shade } from './light'
import { raysFrom, turned } from './pinhole'
import type { Stage } from './stage'

/** Premultiplied RGBA 0..255, as core paints. */
export type Canvas = { readonly w: number; readonly h: number; readonly px: Float32Array }

/** The dog's parts and how their pixels lie in millimetres. */
export type Painted = { readonly parts: readonly Part[]; readonly scale: number; readonly originX: number; readonly originY: number }

/** Every part of the dog painted by itself, at `scale` px/mm. */
export function paintParts(figure: Figure, stage: Stage): Painted {
  const scale = figure.spec.pxPerMm
  const [left, bottom, right, top] = stage.scene.seen === 'right' ? mirroredSpan(stage) : stage.span
  const room = 0.06 * figure.spec.withersMm
  const [originX, originY] = [(room - left) * scale, (top + room) * scale]
  const [w, h] = [Math.ceil((right - left + 2 * room) * scale), Math.ceil((top - bottom + 2 * room) * scale)]
  return { parts: figure.parts({ scale, originX, originY }, w, h), scale, originX, originY }
}

function mirroredSpan({ span }: Stage): Stage['span'] {
  return [-span[2], span[1], -span[0], span[3]]
}

/** Lays one part on the picture: for each pixel the ray is met with the part's board, and the board's paint is read there. */
export function layPart(canvas: Canvas, part: Part, painted: Painted, stage: Stage, shade: Shade): void {
  const { lens, pivotX, scene } = stage
  const { yawDeg } = scene.camera
  const flip = scene.seen === 'right' ? -1 : 1
  const box = boxOf(part, painted, stage, canvas)
  if (!box) return
  const eye = turned(lens.eye, -yawDeg, pivotX)
  const { from, right, down } = raysFrom(lens, yawDeg)
  const [cos, sin] = [Math.cos((yawDeg * Math.PI) / 180), Math.sin((yawDeg * Math.PI) / 180)]
  const z = part.depthMm
  const sampled = new Float32Array(4)
  for (let v = box.top; v < box.bottom; v++) {
    for (let u = box.left; u < box.right; u++) {
      const towards = from[2] + (u + 0.5) * right[2] + (v + 0.5) * down[2]
      if (towards > -1e-6) continue
      const t = (z - eye[2]) / towards
      const x = eye[0] + t * (from[0] + (u + 0.5) * right[0] + (v + 0.5) * down[0])
      const y = eye[1] + t * (from[1] + (u + 0.5) * right[1] + (v + 0.5) * down[1])
      read(part, painted.originX + flip * x * painted.scale, painted.originY - y * painted.scale, sampled)
      if (sampled[3] <= 0.2) continue
      // back from the dog's frame to the room's, where the lamp stands
      const light = shade(pivotX + (x - pivotX) * cos + z * sin, y, -(x - pivotX) * sin + z * cos)
      const left = 1 - sampled[3] / 255
      const o = 4 * (v * canvas.w + u)
      for (let c = 0; c < 3; c++) canvas.px[o + c] = sampled[c] * light + canvas.px[o + c] * left
      canvas.px[o + 3] = sampled[3] + canvas.px[o + 3] * left
    }
  }
}

function boxOf(
  { depthMm, x, y, raster }: Part,
  { scale, originX, originY }: Painted,
  { toRoom, toPx }: Stage,
  { w, h }: Canvas
): { readonly left: number; readonly top: number; readonly right: number; readonly bottom: number } | null {
  const corners = [
    [x, y],
    [x + raster.w, y],
    [x, y + raster.h],
    [x + raster.w, y + raster.h]
  ].map(([px, py]) => toPx(toRoom((px - originX) / scale, (originY - py) / scale, depthMm)))
  if (corners.some((corner) => corner === null)) return null
  const us = corners.map((corner) => corner![0])
  const vs = corners.map((corner) => corner![1])
  return {
    left: Math.max(0, Math.floor(Math.min(...us)) - 1),
    top: Math.max(0, Math.floor(Math.min(...vs)) - 1),
    right: Math.min(w, Math.ceil(Math.max(...us)) + 1),
    bottom: Math.min(h, Math.ceil(Math.max(...vs)) + 1)
  }
}

// bilinear, on premultiplied colours
function read({ x, y, raster }: Part, px: number, py: number, out: Float32Array): void {
  const [gx, gy] = [px - x - 0.5, py - y - 0.5]
  const [i, j] = [Math.floor(gx), Math.floor(gy)]
  out[0] = out[1] = out[2] = out[3] = 0
  if (i < -1 || j < -1 || i >= raster.w || j >= raster.h) return
  const [fx, fy] = [gx - i, gy - j]
  for (let dj = 0; dj < 2; dj++) {
    for (let di = 0; di < 2; di++) {
      const [a, b] = [i + di, j + dj]
      if (a < 0 || b < 0 || a >= raster.w || b >= raster.h) continue
      const weight = (di ? fx : 1 - fx) * (dj ? fy : 1 - fy)
      const o = 4 * (b * raster.w + a)
      for (let c = 0; c < 4; c++) out[c] += raster.px[o + c] * weight
    }
  }
}

/** The depth of the part nearest to the camera in any pose, mm. */
export function nearestDepth(parts: readonly { readonly depthMm: number }[], [left, , right]: Stage['span'], yawDeg: number): number {
  const swing = ((right - left) / 2) * Math.abs(Math.sin((yawDeg * Math.PI) / 180))
  return Math.max(...parts.map(({ depthMm }) => depthMm)) + swing
}
