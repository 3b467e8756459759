// The shapes of a head from the front as stops, for the head alone and for the whole dog.
import type { BodyType } from '../body'
import { faultOf, onCircle, outFrom, shapeOf, shapesOf, type Coat, type Fault, type Stop } from '../coat'
import { lerp, smoothstep, type Point } from '../vec'
import { TOPKNOT_FROM_DEG, topknotPlace, type HeadFace } from './head-layers'

/** The shapes of a head as stops, for the head alone and for the dog from the front. */
export function headStops(body: BodyType, face: HeadFace, eyeY: number, { shapes }: Coat, faults: readonly Fault[] | undefined): Stop[] {
  const { skullMm: s } = face
  const flat = faultOf(faults, 'flatHead')?.mm
  const always = () => 1
  const stops: Stop[] = []
  const circle = shapeOf(shapes, 'circle')
  if (circle) {
    const centre: Point = [0, eyeY + face.fromEye(circle.forwardMm, circle.upMm)]
    const round = onCircle(centre, circle.radiusMm, 8)
    const end = flat === undefined ? round : levelled(centre[1] + circle.radiusMm - flat, round)
    stops.push({ layers: ['skull'], moves: 'byTheSame', hold: always, end })
  }
  const topknot = shapeOf(shapes, 'topknot')
  if (topknot) {
    const { centre } = topknotPlace({ body, face, eyeY })
    const brow = centre[1] + Math.sin((TOPKNOT_FROM_DEG * Math.PI) / 180) * topknot.radiusMm * 0.9
    const ball = outFrom(centre, topknot.radiusMm)
    const bevelled: Stop['end'] = (p, n, own) => {
      const [x, y] = ball(p, n, own)
      return [x, Math.max(y, Math.min(p[1], brow))]
    }
    const boxed: Stop['end'] = (p) => {
      const a = Math.atan2(p[1] - centre[1], p[0])
      const reach = topknot.radiusMm * 0.92
      const k = reach / Math.max(Math.abs(Math.cos(a)), Math.abs(Math.sin(a)))
      return [Math.cos(a) * k, Math.max(centre[1] + Math.sin(a) * k, brow)]
    }
    const shaped = faultOf(faults, 'tube') ? boxed : flat === undefined ? bevelled : levelled(centre[1] + topknot.radiusMm - flat, bevelled)
    stops.push({ layers: ['topknot'], moves: 'byTheSame', mayLean: true, hold: always, end: shaped })
  }
  const dome = shapeOf(shapes, 'dome')
  if (dome)
    stops.push({
      layers: ['skull'],
      moves: 'inProportion',
      hold: (layer, k) => smoothstep(0.1 * s, 0.3 * s, layer.P[2 * k + 1]! - eyeY),
      end: (p, n) => [p[0] + n[0] * dome.hairMm * 0.7, p[1] + n[1] * dome.hairMm]
    })
  const beard = shapeOf(shapes, 'beard')
  if (beard) stops.push(beardStop(face, eyeY, beard.lengthMm, beard.sideMm))
  for (const { on, radiusMm } of shapesOf(shapes, 'halfRound')) stops.push(...halfRoundStops(face, eyeY, on, radiusMm))
  if (flat !== undefined && !circle && !topknot)
    stops.push({
      layers: ['skull'],
      moves: 'byTheSame',
      hold: always,
      end: levelled(eyeY + face.topY - 0.25 * flat, (p, _n, own) => [p[0] + own[0], p[1] + own[1]])
    })
  return stops
}

const levelled =
  (topMm: number, end: Stop['end']): Stop['end'] =>
  (p, n, own) => {
    const [x, y] = end(p, n, own)
    return y > topMm ? [x, Math.max(topMm, p[1])] : [x, y]
  }

/** Straight below and flat at the sides, with its lower corners a little rounded. */
function beardStop({ muzzleMm, skullMm: s, noseY, chinY }: HeadFace, eyeY: number, lengthMm: number, sideMm: number): Stop {
  const half = muzzleMm / 2 + sideMm
  return {
    layers: ['muzzle'],
    moves: 'inProportion',
    mayLean: true,
    hold: (layer, k) => smoothstep(noseY + 0.14 * s, noseY - 0.02 * s, layer.P[2 * k + 1]! - eyeY),
    end: ([x, y0]) => {
      const y = y0 - eyeY
      const beside = smoothstep(noseY + 0.12 * s, noseY - 0.14 * s, y)
      const below = smoothstep(lerp(noseY, chinY, 0.5), chinY, y)
      const out = Math.min(1, Math.abs(x) / (muzzleMm * 0.42))
      const wide = lerp(Math.abs(x), half, beside * (1 - 0.08 * below) * (0.3 + 0.7 * out))
      const lowest = chinY - lengthMm + 5 * out ** 6
      return [Math.sign(x) * wide, eyeY + lerp(y - 8 * beside, lowest, below)]
    }
  }
}

function halfRoundStops(face: HeadFace, eyeY: number, on: 'cheek' | 'chin' | 'ear', radiusMm: number): Stop[] {
  const { skullMm: s, jawY, chinY, earY } = face
  if (on === 'ear') {
    const y = eyeY + lerp(earY[0], earY[1], 0.62)
    return ([1, -1] as const).map((sign) => ({
      layers: [sign > 0 ? 'earLeft' : 'earRight'],
      moves: 'byTheSame',
      hold: (layer, k) => smoothstep(y + 0.2 * radiusMm, y - 0.2 * radiusMm, layer.P[2 * k + 1]!),
      end: outFrom([sign * 0.55 * s, y], radiusMm)
    }))
  }
  if (on === 'chin')
    return [
      {
        layers: ['muzzle'],
        moves: 'byTheSame',
        hold: (layer, k) => smoothstep(lerp(face.noseY, chinY, 0.4), lerp(face.noseY, chinY, 0.7), layer.P[2 * k + 1]! - eyeY),
        end: onCircle([0, eyeY + lerp(face.noseY, chinY, 0.5)], radiusMm, 6)
      }
    ]
  return ([1, -1] as const).map((sign) => ({
    layers: ['skull'],
    moves: 'byTheSame',
    hold: (layer, k) => smoothstep(0, 0.2 * s, sign * layer.P[2 * k]!) * smoothstep(0.12 * s, -0.05 * s, layer.P[2 * k + 1]! - eyeY),
    end: onCircle([sign * 0.24 * s, eyeY + lerp(0, jawY, 0.42)], radiusMm, 6)
  }))
}
