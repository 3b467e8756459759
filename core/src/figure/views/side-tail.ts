// The tail of the profile as stops: ball, stout tail, plume, and hair left beyond its end.
import { nearestOn } from '../body'
import { ballStop, faultOf, shapeOf, type FigureLayer, type Shape, type Stop } from '../coat'
import { lerp, smoothstep, unit, type Point } from '../vec'
import type { Faults, Side } from './side-span'

export function tailStops({ tailAxis: axis }: Side, all: readonly Shape[], faults: Faults): Stop[] {
  const stops: Stop[] = []
  const more = faultOf(faults, 'tailHigh')?.mm ?? 0
  const end = axis[axis.length - 1]!
  const before = axis[Math.floor(axis.length * 0.8)]!
  const outward = unit([end[0] - before[0], end[1] - before[1]])
  const tOf = (layer: FigureLayer, k: number) => nearestShare(axis, [layer.P[2 * k]!, layer.P[2 * k + 1]!])
  const pompon = shapeOf(all, 'pompon')
  if (pompon) {
    const at = axis[Math.round((axis.length - 1) * 0.86)]!
    const centre: Point = [at[0] + outward[0] * more, at[1] + outward[1] * more]
    stops.push(ballStop('tail', at, centre, pompon.radiusMm, outward, faultOf(faults, 'tiltedBand')?.degrees))
  }
  const stout = shapeOf(all, 'stoutTail')
  if (stout)
    stops.push({
      layers: ['tail'],
      moves: 'inProportion',
      hold: (layer, k) => smoothstep(0.03, 0.2, tOf(layer, k)),
      end: (p, n) => {
        const tip = Math.max(0, n[0] * outward[0] + n[1] * outward[1]) ** 2
        const hair = lerp(stout.hairMm, stout.beyondTipMm, tip)
        return [p[0] + n[0] * hair, p[1] + n[1] * hair]
      }
    })
  const plume = shapeOf(all, 'plume')
  if (plume)
    stops.push({
      layers: ['tail'],
      moves: 'inProportion',
      mayLean: true,
      hold: (layer, k) => smoothstep(0.1, -0.35, layer.N[2 * k + 1]!),
      end: (p) => {
        const t = nearestShare(axis, p)
        return [p[0] + 0.12 * plume.rootMm * t, p[1] - lerp(plume.rootMm, plume.tipMm, t) * smoothstep(0, 0.18, t)]
      }
    })
  if (more > 0 && !pompon) {
    const hold: Stop['hold'] = (layer, k) => smoothstep(0.86, 0.97, tOf(layer, k))
    stops.push({
      layers: ['tail'],
      moves: 'byTheSame',
      mayLean: true,
      moreMm: more,
      hold,
      end: (p, _n, own) => [p[0] + own[0] + outward[0] * more, p[1] + own[1] + outward[1] * more]
    })
  }
  return stops
}

function nearestShare(axis: readonly Point[], p: Point): number {
  return nearestOn(axis, p, 3).index / (axis.length - 1)
}
