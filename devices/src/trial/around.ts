// Drawn dogs measured from the front, the rear and above, against what the scene's own numbers come to.
import { standingWide, type BodyType, type Coat, type Colouring, type Fault } from '@peen/core/figure'
import {
  disagreementsOf,
  evenly,
  frameOf,
  measurePhoto,
  measureSpec,
  measuringPlaneMm,
  measuresSeen,
  NO_CORRECTIONS,
  plannedTrace,
  plannedView,
  PLACES,
  proposePlaces,
  toMm,
  type MeasureId,
  type PhotoPlace,
  type PhotoPoint,
  type Reading,
  type Trace
} from '@peen/core/measure'
import { normalDraw, randomFrom, seedOf, type Random } from '@peen/core/stats'
import { figureOf, isAlong, stageOf, usualScene, type Scene } from '../camera'
import { between, DEPTH_U, near, otherBody, otherLengths, WALLS, type TrialDog } from './dogs'
import { jitter, scaleSaid } from './scale'
import { silhouetteRing } from './silhouette'
import type { ProposedRow } from './proposed'
import { HAND_U_MM, outlineIn, outlineSeen, projected, pxOf, taken, type TrialResult, type TrialRow } from './trial'

export const AROUND = ['front', 'rear', 'above'] as const
type Around = (typeof AROUND)[number]
export type AroundTrim = { readonly id: string; readonly body: BodyType; readonly coat: Coat }

/** A finger finds the spine through a coat to this, mm. */
const FELT_U_MM = 1.5
/** A camera is held level, and to the dog square, to these, degrees; the same as for profiles. */
const HELD_DEG = { pitch: 3.5, yaw: 3.3 }

/** Hair that one side has more of than the other: what a hand that works from one side leaves. */
function faultsOf(seen: Around, random: Random): Fault[] {
  const regions = { front: ['foreleg'], rear: ['rearPastern', 'thigh'], above: ['ribs', 'back', 'neckSide'] } as const
  return [
    { kind: 'difference', regions: [...regions[seen]], mm: between(random, -9, 9) },
    ...(seen === 'rear' ? [{ kind: 'tiltedBand' as const, degrees: between(random, -8, 8) }] : [])
  ]
}

/** The dog of a seed from one of the three sides. The same seed gives the same dog, picture and words. */
export function aroundDog(
  seed: number,
  seen: Around,
  trims: readonly AroundTrim[],
  colours: readonly Colouring[],
  pictureMp = 2
): TrialDog {
  const random = randomFrom(seedOf(`around ${seen} ${seed}`))
  const pick = <T>(from: readonly T[]): T => from[Math.min(from.length - 1, Math.floor(random() * from.length))]!
  const trim = pick(trims)
  const withersMm = Math.round(near(random, trim.body.withersMm, 0.1))
  const lengths = otherLengths(trim.coat.lengths, random)
  const coat: Coat = { ...trim.coat, lengths }
  const other = otherBody(trim.body, random)
  const body = isAlong(seen) ? standingWide(other, withersMm, lengths) : other
  const usual = usualScene({ body, withersMm, colouring: pick(colours), coat, worn: { lengths, faults: faultsOf(seen, random) } }, seen)
  const distanceMm = seen === 'above' ? between(random, 1400, 2200) : between(random, 1900, 3200)
  const plane = measuringPlaneMm(body, withersMm, seen)
  const depthMm = plane - between(random, -30, 60)
  const [wide, high] = isAlong(seen) ? [3, 4] : [4, 3]
  const widthPx = Math.round(Math.sqrt((pictureMp * 1e6 * wide) / high))
  const scene: Scene = {
    ...usual,
    picture: { widthPx, heightPx: Math.round((widthPx * high) / wide), jpegQuality: 90 },
    camera: {
      distanceMm,
      yawDeg: between(random, -HELD_DEG.yaw, HELD_DEG.yaw) * (seen === 'above' ? 0 : 1),
      rollDeg: between(random, -2, 2),
      pitchDeg: between(random, -HELD_DEG.pitch, HELD_DEG.pitch)
    },
    light: { ...usual.light, falloff: between(random, 0.1, 0.5), shadow: between(random, 0.05, 0.3) },
    wall: { colour: pick(WALLS), behindMm: between(random, 400, 900) },
    ruler: { lengthMm: 200, depthMm },
    noise: between(random, 1, 3.5),
    seed: seed % 100000
  }
  return {
    trim: { ...trim, measures: {} },
    seen,
    by: 'ruler',
    scene,
    footLineMm: 0,
    said: {
      // the camera's distance is told from what is measured, not from the middle of the withers
      cameraMm: (distanceMm - plane) * (1 + 0.02 * normalDraw(random)),
      behindMm: plane - depthMm + DEPTH_U * normalDraw(random),
      behindUMm: DEPTH_U,
      withersMm: Math.round(withersMm * (1 + 0.01 * normalDraw(random)))
    }
  }
}

/** What is asked of every dog there, and what only some trims have. */
function idsOf(seen: Around, { shapes }: Coat): MeasureId[] {
  const bracelets = shapes.some((shape) => shape.kind === 'cylinder' && shape.topMm !== undefined)
  const band = shapes.some(({ kind }) => kind === 'band')
  return measuresSeen(seen)
    .map(({ id }) => id)
    .filter((id) => measureSpec(id).lines.length === 0)
    .filter((id) => (id === 'foreTops' || id === 'hindTops' ? bracelets : id === 'bandLevel' ? band : true))
}

/** Photographs the dog and measures it, or (`withoutPicture`) projects its outline and measures that. @throws CoreError where nothing is found */
export function runAround(dog: TrialDog, seed: number, withoutPicture = false): TrialResult {
  const random = randomFrom(seedOf(`hand around ${seed}`))
  const { scene, said, trim } = dog
  const seen = dog.seen as Around
  const stage = stageOf(scene)
  const { widthPx, heightPx } = scene.picture
  const picture = withoutPicture ? null : taken(dog)
  const scale = { ...scaleSaid(dog, stage, picture, random)!, upright: seen !== 'above' }
  const frame = frameOf(seen, { widthPx, heightPx }, scale)
  const found = picture ? outlineIn(picture, seen, scale, frame.pxPerMm) : projected(stage, random)
  const truth = truthIn(dog, seen)
  const planned = plannedView({ body: trim.body, withersMm: said.withersMm, coat: trim.coat, lengths: trim.coat.lengths }, seen)
  const depthAt = depthsOf(dog, measuringPlaneMm(scene.dog.body, scene.dog.withersMm, seen))
  const places = Object.fromEntries(
    (Object.entries(truth.places) as [PhotoPlace, PhotoPoint][]).map(([id, place]) => {
      const uPx = (PLACES[id].middle ? FELT_U_MM : HAND_U_MM) * frame.pxPerMm
      return [id, { at: jitter(pxOf(stage, place, depthAt(id)), uPx, random), uPx }]
    })
  )
  const reading: Reading = { frame, depths: planned.depths, outline: found.outline, edgeUPx: found.uPx, places, lines: {} }
  const { laid } = proposePlaces(frame, found.outline, planned)
  // what an outline says that is still asked about goes on no sheet
  const isAsked = picture !== null && disagreementsOf(frame, found.outline, planned, laid, NO_CORRECTIONS).length > 0
  const { measures, refused } = measurePhoto(reading, idsOf(seen, scene.dog.coat), seed, 400)
  const rows = measures.map(({ id, side, value, u }): TrialRow => {
    return { measure: id, truth: measureSpec(id).of(truth, side === 'right' ? 'right' : 'left'), value, u }
  })
  return { rows, refused, doubts: found.doubts, unfit: isAsked || ('unfit' in found && found.unfit === true) }
}

/** How far each proposed place lies from where the dog has it, mm; the outline is the true one. @throws CoreError where it is taken for something else */
export function aroundProposed(dog: TrialDog, seed: number): readonly ProposedRow[] {
  const random = randomFrom(seedOf(`proposed around ${seed}`))
  const { scene, said, trim } = dog
  const seen = dog.seen as Around
  const stage = stageOf(scene)
  const { widthPx, heightPx } = scene.picture
  const frame = frameOf(seen, { widthPx, heightPx }, { ...scaleSaid(dog, stage, null, random)!, upright: seen !== 'above' })
  const planned = plannedView({ body: trim.body, withersMm: said.withersMm, coat: trim.coat, lengths: trim.coat.lengths }, seen)
  const { places } = truthIn(dog, seen)
  const depthAt = depthsOf(dog, measuringPlaneMm(scene.dog.body, scene.dog.withersMm, seen))
  const used = new Set(idsOf(seen, scene.dog.coat).flatMap((id) => measureSpec(id).places))
  const proposed = Object.entries(proposePlaces(frame, outlineSeen(stage), planned).places) as [PhotoPlace, PhotoPoint][]
  return proposed.flatMap(([place, at]) => {
    const own = places[place]
    if (!own || !used.has(place)) return []
    const [[x, y], [u, v]] = [toMm(frame, at), toMm(frame, pxOf(stage, own, depthAt(place)))]
    return [{ place, off: [x - u, y - v], isUsed: true }]
  })
}

/** Legs that stand behind the ones that are compared. */
const FAR: Readonly<Record<Around, RegExp>> = { front: /^rear/, rear: /^fore/, above: /^$/ }
/** The dog as it truly stands and is worn, without what stands behind it. */
function truthIn({ scene }: TrialDog, seen: Around): Trace {
  const { body, withersMm, coat, worn } = scene.dog
  const planned = plannedView({ body, withersMm, coat, lengths: coat.lengths, worn }, seen)
  const near = planned.parts.filter(({ layer }) => !FAR[seen].test(layer)).map(({ ring }) => ring)
  return { ...plannedTrace(planned, seen), outline: evenly(silhouetteRing(near), 1) }
}

/** Where each place truly lies along the camera's way, mm of the figure. */
function depthsOf(dog: TrialDog, plane: number): (id: PhotoPlace) => number {
  const { skin } = figureOf(stageOf(dog.scene), 0)
  const layer = (name: string) => skin.layers.find((own) => own.name === name)?.depthMm ?? plane
  return (id) => {
    if (id.startsWith('neck') || id.startsWith('nape')) return layer('neck')
    if (id.startsWith('breech') || id.startsWith('shoulder')) return layer('body')
    if (id.startsWith('band') || id === 'tailRootBehind') return layer('tail')
    return id.startsWith('spine') ? 0 : plane
  }
}
