// One shape laid over another: turned, moved, and where no scale is known made larger or smaller.
import { CoreError } from '../../error'
import type { PhotoPoint } from '../types'

/** x' = k (cos x - sin y) + dx, y' = k (sin x + cos y) + dy */
export type Laid = { readonly k: number; readonly turn: number; readonly dx: number; readonly dy: number }

export const layPoint = ({ k, turn, dx, dy }: Laid, [x, y]: PhotoPoint): PhotoPoint => {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
  return [k * (cos * x - sin * y) + dx, k * (sin * x + cos * y) + dy]
}

/**
 * The turn, move and (unless `rigid`) scale that bring points nearest to their partners: least squares, no mirroring.
 * @throws CoreError `wrongNumber` for lists of different lengths or under two, `oneSpot`
 * Source: Procrustes in the plane (Schönemann 1966; Umeyama 1991); checked against the SVD of ml-matrix.
 */
export function layOver(from: readonly PhotoPoint[], to: readonly PhotoPoint[], rigid: boolean): Laid {
  const n = from.length
  if (n < 2 || to.length !== n)
    throw new CoreError({ code: 'wrongNumber', path: 'from', got: `${n} and ${to.length}`, limit: 'two pairs of points or more' })
  const mean = (points: readonly PhotoPoint[]): PhotoPoint => [
    points.reduce((sum, [x]) => sum + x, 0) / n,
    points.reduce((sum, [, y]) => sum + y, 0) / n
  ]
  const [a, b] = [mean(from), mean(to)]
  let [dot, cross, size] = [0, 0, 0]
  for (let i = 0; i < n; i++) {
    const [x, y, u, v] = [from[i]![0] - a[0], from[i]![1] - a[1], to[i]![0] - b[0], to[i]![1] - b[1]]
    dot += x * u + y * v
    cross += x * v - y * u
    size += x * x + y * y
  }
  if (size === 0) throw new CoreError({ code: 'oneSpot', path: 'from', got: 'points on one spot', limit: 'points that are apart' })
  const turn = Math.atan2(cross, dot)
  const k = rigid ? 1 : Math.hypot(dot, cross) / size
  const [mx, my] = layPoint({ k, turn, dx: 0, dy: 0 }, a)
  return { k, turn, dx: b[0] - mx, dy: b[1] - my }
}

const ROUNDS = 30
/** The worst partners of a round are left out: a leg that stands elsewhere must not turn the dog. Chosen. */
const KEPT_SHARE = 0.8

/**
 * A planned outline laid over a found one, place by place to the nearest: iterated closest points, trimmed.
 * @param planned places of the plan; @param found places of the outline, close enough together to be their own neighbours
 * @param start where to begin; without it the boxes are laid over one another
 * Source: Besl & McKay 1992, IEEE TPAMI 14:239-256; trimmed as Chetverikov et al. 2002.
 */
export function layOutline(planned: readonly PhotoPoint[], found: readonly PhotoPoint[], rigid: boolean, start?: Laid): Laid {
  let laid = start ?? boxOver(planned, found, rigid)
  for (let round = 0; round < ROUNDS; round++) {
    const pairs = planned.map((point) => {
      const [x, y] = layPoint(laid, point)
      let [best, least] = [found[0], Infinity]
      for (const at of found) {
        const d = (at[0] - x) ** 2 + (at[1] - y) ** 2
        if (d < least) [best, least] = [at, d]
      }
      return { point, best, least }
    })
    const kept = pairs.sort((a, b) => a.least - b.least).slice(0, Math.max(2, Math.ceil(pairs.length * KEPT_SHARE)))
    const next = layOver(
      kept.map(({ point }) => point),
      kept.map(({ best }) => best!),
      rigid
    )
    const moved = Math.hypot(next.dx - laid.dx, next.dy - laid.dy) + 300 * Math.abs(next.turn - laid.turn) + 300 * Math.abs(next.k - laid.k)
    laid = next
    if (moved < 0.02) break
  }
  return laid
}

function boxOver(planned: readonly PhotoPoint[], found: readonly PhotoPoint[], rigid: boolean): Laid {
  const box = (points: readonly PhotoPoint[]) => {
    const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
    return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) }
  }
  const [a, b] = [box(planned), box(found)]
  const k = rigid ? 1 : Math.sqrt(((b.right - b.left) * (b.bottom - b.top)) / ((a.right - a.left) * (a.bottom - a.top) || 1))
  return { k, turn: 0, dx: (b.left + b.right) / 2 - (k * (a.left + a.right)) / 2, dy: b.bottom - k * a.bottom }
}
