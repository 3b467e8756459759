// Where scissors stop, made from a shape for one view: which samples they reach, and where the hair ends there.
import type { Point } from '../vec'
import type { Stop } from './layer'

/**
 * The end of hair on a circle along the skin's normal. Rays from the centre fail where the centre lies outside the skin.
 * A place outside the circle keeps what it has, but no more than `least` of it.
 */
export function onCircle([cx, cy]: Point, radius: number, least: number): Stop['end'] {
  return (p, n, own) => {
    const [ex, ey] = [p[0] - cx, p[1] - cy]
    const b = n[0] * ex + n[1] * ey
    const c = ex * ex + ey * ey - radius * radius
    const reach = c < 0 ? -b + Math.sqrt(b * b - c) : 0
    const stands = Math.max(reach, Math.min(Math.hypot(own[0], own[1]), least))
    return [p[0] + n[0] * stands, p[1] + n[1] * stands]
  }
}

/** The end of hair on a circle along the ray from its centre: for balls that stand free. */
export function outFrom([cx, cy]: Point, radius: number): Stop['end'] {
  return (p) => {
    const [ex, ey] = [p[0] - cx, p[1] - cy]
    const size = Math.hypot(ex, ey) || 1
    return [cx + (ex / size) * radius, cy + (ey / size) * radius]
  }
}

/**
 * A ball at the end of a bare tail: hair inside it ends on its circle, hair outside it is clipped away.
 * `at` is the ball's middle as planned, `centre` where it stands now. Where the band below it was cut at a slant
 * (`tiltDeg` against the tail, which points to `outward`), its underside is slanted as well.
 */
export function ballStop(layer: string, at: Point, centre: Point, radius: number, outward: Point, tiltDeg = 0): Stop {
  const round = outFrom(at, radius)
  const slope = Math.tan((tiltDeg * Math.PI) / 180)
  const ball: Stop['end'] = (p, n, own) => {
    const [x, y] = round(p, n, own)
    if (slope === 0) return [x, y]
    const [ex, ey] = [x - at[0], y - at[1]]
    const across = ex * outward[1] - ey * outward[0]
    const short = (across + radius) * slope - radius - (ex * outward[0] + ey * outward[1])
    return short > 0 ? [x + outward[0] * short, y + outward[1] * short] : [x, y]
  }
  const [dx, dy] = [centre[0] - at[0], centre[1] - at[1]]
  const distance = (p: Point) => Math.hypot(p[0] - at[0], p[1] - at[1])
  return {
    layers: [layer],
    moves: 'byTheSame',
    mayLean: true,
    crisp: true,
    moreMm: Math.hypot(dx, dy),
    hold: () => 1,
    end: (p, n, own) => {
      if (distance(p) < radius * 1.02) {
        const [x, y] = ball(p, n, own)
        return [x + dx, y + dy]
      }
      const left = Math.min(1, BARE_MM / (Math.hypot(own[0], own[1]) || 1))
      return [p[0] + own[0] * left, p[1] + own[1] * left]
    }
  }
}

/** What stands on a tail clipped bare, mm. */
const BARE_MM = 1
