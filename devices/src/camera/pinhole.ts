// A pinhole: how a place in millimetres falls on the picture, and back. Ref: Hartley & Zisserman 2004, section 6.1.
import type { Place3 } from './scene'

/** Camera at `eye`, looking along -z, or down from there by `pitchDeg`; `focalPx` is the focal length in pixels. */
export type Lens = {
  readonly eye: Place3
  readonly focalPx: number
  readonly centrePx: readonly [number, number]
  readonly rollDeg: number
  readonly pitchDeg?: number
}

const turn = ([x, y]: readonly [number, number], deg: number): readonly [number, number] => {
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)]
  return [x * c - y * s, x * s + y * c]
}

/** The pixel of a place (x right, y down), or null behind the lens. A camera rolled clockwise turns the picture the other way. */
export function project({ eye, focalPx, centrePx, rollDeg, pitchDeg = 0 }: Lens, [x, y, z]: Place3): readonly [number, number] | null {
  // along the camera's axis, and up across it
  const [away, up] = turn([eye[2] - z, y - eye[1]], pitchDeg)
  if (away <= 0) return null
  const [u, v] = turn([((x - eye[0]) * focalPx) / away, (up * focalPx) / away], rollDeg)
  return [centrePx[0] + u, centrePx[1] - v]
}

/** Direction through a pixel, one long along the camera's axis. */
export function rayThrough({ focalPx, centrePx, rollDeg, pitchDeg = 0 }: Lens, u: number, v: number): Place3 {
  const [x, up] = turn([(u - centrePx[0]) / focalPx, (centrePx[1] - v) / focalPx], -rollDeg)
  const [away, y] = turn([1, up], -pitchDeg)
  return [x, y, -away]
}

/** Turns a place about an upright axis through (`pivotX`, z = 0): near parts go to the picture's right. */
export function turned([x, y, z]: Place3, yawDeg: number, pivotX: number): Place3 {
  const [c, s] = [Math.cos((yawDeg * Math.PI) / 180), Math.sin((yawDeg * Math.PI) / 180)]
  return [pivotX + (x - pivotX) * c + z * s, y, -(x - pivotX) * s + z * c]
}

/** Rays of all pixels as `from + u * right + v * down`, in the frame of a dog turned by `yawDeg`: rays are linear in the pixel. */
export function raysFrom(lens: Lens, yawDeg: number): { readonly from: Place3; readonly right: Place3; readonly down: Place3 } {
  const ray = (u: number, v: number) => turned(rayThrough(lens, u, v), -yawDeg, 0)
  const from = ray(0, 0)
  const step = (to: Place3): Place3 => [to[0] - from[0], to[1] - from[1], to[2] - from[2]]
  return { from, right: step(ray(1, 0)), down: step(ray(0, 1)) }
}
