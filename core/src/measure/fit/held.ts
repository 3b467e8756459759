// How a tablet is held, from what its sensors say: so that a camera is level before the picture is taken.

/** `downDeg`: how far the camera on the back looks below the horizon. `rolledDeg`: clockwise, from the nearest of the four ways to hold it. */
export type Held = { readonly downDeg: number; readonly rolledDeg: number }

const RAD = Math.PI / 180
/** A camera that looks straight up or down has no upright: less of "up" than this lies in the screen. Chosen. */
const LEAST_UP = 0.2

/**
 * @param betaDeg turn about the screen's width, -180 to 180: 0 lying on its back, 90 upright
 * @param gammaDeg turn about the screen's height, -90 to 90
 * Source: W3C Device Orientation and Motion, 4.1 (rotation matrix Z-X'-Y''): "up" in the screen's own axes is its last row.
 * @example heldOf(80, 0).downDeg // 10
 */
export function heldOf(betaDeg: number, gammaDeg: number): Held {
  const [cb, sb] = [Math.cos(betaDeg * RAD), Math.sin(betaDeg * RAD)]
  const [cg, sg] = [Math.cos(gammaDeg * RAD), Math.sin(gammaDeg * RAD)]
  // to the screen's right, to its upper edge; the camera looks against the third
  const [right, top] = [-cb * sg, sb]
  const downDeg = Math.asin(Math.max(-1, Math.min(1, cb * cg))) / RAD
  if (Math.hypot(right, top) < LEAST_UP) return { downDeg, rolledDeg: 0 }
  const rolled = -Math.atan2(right, top) / RAD
  return { downDeg, rolledDeg: rolled - 90 * Math.round(rolled / 90) }
}
