// Tail and ear of the profile: rings of their own, each with its own axis.
import { nearestOn, sampleCurve, tubeAround, type BodyType, type Skeleton } from '../body'
import { faultOf, LEANS, ringSamples, shapeOf, type Draft, type PlaceAt } from '../coat'
import { between, smoothstep, unit } from '../vec'
import type { Build } from './side-borders'

export function tubeOf(body: BodyType, { tailSpine, heightMm: h }: Skeleton) {
  const [base, middle, tip] = body.tailWidth
  return tubeAround(tailSpine, [base * h, middle * h, tip * h], h / 450)
}

/** Where the bare band ends on a tail whose plan names none, as shares of its length. */
const UNPLANNED_BAND = Object.freeze({ from: 0.12, to: 0.24 })

export function tailDraft(build: Build): Draft {
  const { coat, skeleton, faults } = build
  const { ring, axis } = tubeOf(build.body, skeleton)
  const lengthMm = axis.reduce((sum, p, i) => (i === 0 ? 0 : sum + Math.hypot(p[0] - axis[i - 1]![0], p[1] - axis[i - 1]![1])), 0)
  const band = shapeOf(coat.shapes, 'band')
  const tilt = Math.tan(((faultOf(faults, 'tiltedBand')?.degrees ?? 0) * Math.PI) / 180)
  const soft = faultOf(faults, 'softEdge')?.mm ?? 3
  const at: PlaceAt = (p) => {
    const { index: nearest, along } = nearestOn(axis, p)
    const t = nearest / (axis.length - 1)
    const across = (p[0] - axis[nearest]![0]) * along[1] - (p[1] - axis[nearest]![1]) * along[0]
    const at = t * lengthMm + across * tilt
    const bare = band
      ? 1 - smoothstep(band.bareMm - soft, band.bareMm + soft, at)
      : 1 - smoothstep(UNPLANNED_BAND.from, UNPLANNED_BAND.to, t)
    const hang = coat.tailHang ?? 0
    return {
      weights: { tail: 1 - bare, tailBand: bare },
      sideA: 1,
      mul: band ? 1 : smoothstep(-0.25, 0.1, t),
      flow: unit([along[0], along[1] - hang])
    }
  }
  return { name: 'tail', samples: ringSamples(ring), at, face: 'tail', lean: LEANS.little, floorMm: 0.03 * skeleton.heightMm }
}

export function earDraft(build: Build): Draft {
  const { body, skeleton } = build
  const { ear, marks, heightMm: h } = skeleton
  const ring = sampleCurve(ear, (i) => i === body.earTipIndex && body.earCorner, Math.max(1, h / 260)).points
  const base = between(marks.earFront, marks.earBack, 0.5)
  const hang = unit([marks.earTip[0] - base[0], marks.earTip[1] - base[1]])
  const length = Math.hypot(marks.earTip[0] - base[0], marks.earTip[1] - base[1])
  const at: PlaceAt = (p) => {
    const t = smoothstep(-0.05, 0.45, ((p[0] - base[0]) * hang[0] + (p[1] - base[1]) * hang[1]) / length)
    return { weights: { earBase: 1 - t, earOutside: t }, sideA: 1, mul: 1, flow: unit([hang[0] * 0.8, hang[1] * 0.8 - 0.4]) }
  }
  const depthMm = (body.breadth.skull * body.headLen * h) / 2
  return { name: 'ear', samples: ringSamples(ring), at, face: 'earOutside', order: (_, y) => y, depthMm, floorMm: 0.03 * h }
}
