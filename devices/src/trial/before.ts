// Drawn dogs on two pictures, as they came in and as they left: what came off by the pictures, against the scenes' own numbers.
import type { Colouring, Lengths } from '@peen/core/figure'
import {
  cutOff,
  frameOf,
  grownLike,
  grownView,
  laidRigid,
  plannedView,
  proposePlaces,
  regionDepartures,
  type Frame,
  type PlannedDog,
  type PlannedView,
  type PhotoPoint,
  type Reading,
  type RegionDeparture
} from '@peen/core/measure'
import type { RegionId } from '@peen/core/regions'
import { normalDraw, randomFrom, seedOf, type Random } from '@peen/core/stats'
import { stageOf, usualScene } from '../camera'
import { between, DEPTH_U, near, trialDog, type TrialDog, type TrialTrim } from './dogs'
import { scaleSaid } from './scale'
import { projected } from './trial'

/** How much longer a coat comes in than it leaves, mm; each place differs from that by a third. */
const GROWN = { from: 4, to: 60, share: 1 / 3 }
/** A dog holds its neck a little otherwise on each picture, as a share of its length. */
const NECK_SHARE = 0.04

/** What came off one place, mm: truly, and by the two pictures. */
export type CutRow = { readonly region: RegionId; readonly truth: number; readonly value: number; readonly u: number }
export type TrialPair = { readonly before: TrialDog; readonly after: TrialDog }

/** A dog as it came in and as it left, each before a camera of its own. The same seed gives the same two. */
export function trialPair(seed: number, trims: readonly TrialTrim[], colours: readonly Colouring[]): TrialPair {
  const after = trialDog(seed, trims, colours)
  const random = randomFrom(seedOf(`before ${seed}`))
  const { scene } = after
  const { body, coat, worn } = scene.dog
  const dog = { ...scene.dog, body: { ...body, neck: near(random, body.neck, NECK_SHARE) } }
  const usual = usualScene({ ...dog, worn: { lengths: grown(worn?.lengths ?? coat.lengths, random) } }, after.seen)
  const distanceMm = near(random, scene.camera.distanceMm, 0.1)
  const depthMm = -between(random, -30, 60)
  const before: TrialDog = {
    ...after,
    scene: {
      ...scene,
      dog: usual.dog,
      camera: {
        distanceMm,
        yawDeg: between(random, -2.2, 2.2),
        rollDeg: between(random, -2, 2),
        pitchDeg: between(random, -3.5, 3.5)
      },
      ruler: { ...scene.ruler!, depthMm }
    },
    said: { ...after.said, cameraMm: distanceMm * (1 + 0.02 * normalDraw(random)), behindMm: -depthMm + DEPTH_U * normalDraw(random) }
  }
  return { before, after }
}

function grown(lengths: Lengths, random: Random): Lengths {
  const by = between(random, GROWN.from, GROWN.to)
  return Object.fromEntries(Object.entries(lengths).map(([region, mm]) => [region, mm + near(random, by, GROWN.share)]))
}

/** What the two pictures say came off, place by place, by the dogs' projected outlines. @throws CoreError where one looks like no dog */
export function runPair({ before, after }: TrialPair, seed: number): readonly CutRow[] {
  const random = randomFrom(seedOf(`hand before ${seed}`))
  const { trim, said, seen } = after
  const planned: PlannedDog = { body: trim.body, withersMm: said.withersMm, coat: trim.coat, lengths: trim.coat.lengths }
  const plan = plannedView(planned, seen)
  const was = readingOf(before, plan, random)
  const is = readingOf(after, plan, random)
  const read = (reading: Reading, by: PlannedView) =>
    regionDepartures(reading, by, laidRigid(reading, by, proposePlaces(reading.frame, reading.outline, by).laid))
  const grownTo = grownLike(was, (byMm) => grownView(planned, seen, byMm))
  const truth = cutOff(truthOf(before), truthOf(after), seen)
  return cutOff(read(was, grownTo.plan), read(is, plan), seen).flatMap(({ region, mm, u }): CutRow[] => {
    const own = truth.find((one) => one.region === region)
    return own ? [{ region, truth: own.mm, value: mm, u }] : []
  })
}

function readingOf(dog: TrialDog, { depths }: PlannedView, random: Random): Reading {
  const stage = stageOf(dog.scene)
  const frame = frameOf(dog.seen, dog.scene.picture, scaleSaid(dog, stage, null, random))
  const { outline, uPx } = projected(stage, random)
  return { frame, depths, outline, edgeUPx: uPx, places: {}, lines: {} }
}

/** How far the coat of the dog truly stands over its skin, by its own figure. */
function truthOf({ scene, seen }: TrialDog): readonly RegionDeparture[] {
  const { body, withersMm, coat, worn } = scene.dog
  const own = plannedView({ body, withersMm, coat, lengths: coat.lengths, worn }, seen)
  const flat: Frame = {
    ...{ seen, hasScale: true, pxPerMm: 1, u01: 0, cameraMm: null, centre: [0, 0], turn: 0, turnU: 0 },
    tilt: { pitch: 0, yaw: 0, pitchU: 0, yawU: 0 }
  }
  const outline = own.outline.map(([x, y]): PhotoPoint => [seen === 'right' ? -x : x, y])
  const reading: Reading = { frame: flat, depths: own.depths, outline, edgeUPx: outline.map(() => 0), places: {}, lines: {} }
  return regionDepartures(reading, own, { k: 1, turn: 0, dx: 0, dy: 0 })
}
