// Drawn dogs that the measuring code has never met: body, coat, faults, camera and light are drawn from ranges it is not given.
import { extentOf, type BodyType, type Coat, type Colouring, type Fault, type Lengths } from '@peen/core/figure'
import { BOARDS, type MeasureId, type Seen } from '@peen/core/measure'
import { normalDraw, randomFrom, seedOf, type Random } from '@peen/core/stats'
import { usualScene, type Scene } from '../camera'

/** A trim to draw dogs in: what the school would have planned. */
export type TrialTrim = {
  readonly id: string
  readonly body: BodyType
  readonly coat: Coat
  readonly measures: Readonly<Partial<Record<'head' | 'profile', readonly MeasureId[]>>>
}
export type TrialDog = {
  readonly trim: TrialTrim
  readonly seen: Seen
  readonly scene: Scene
  /** what a person writes beside the picture: a distance by a tape, a depth by eye, the height at the withers */
  readonly said: { readonly cameraMm: number; readonly behindMm: number; readonly behindUMm: number; readonly withersMm: number }
  /** what stands beside it to measure by */
  readonly by: 'ruler' | 'board'
  /** mm by which the foot line was cut too high */
  readonly footLineMm: number
}

export const between = (random: Random, low: number, high: number) => low + (high - low) * random()
export const near = (random: Random, value: number, share: number) => value * (1 + between(random, -share, share))
export const WALLS = ['#6f8793', '#8a7f6d', '#5f7f6c', '#46586b', '#93858f']
/** How surely a person says how deep a ruler stands, mm. */
export const DEPTH_U = 6

/** Proportions that the nominal body type does not have. */
export function otherBody(body: BodyType, random: Random): BodyType {
  const { breadth } = body
  return {
    ...body,
    len: near(random, body.len, 0.04),
    neck: near(random, body.neck, 0.06),
    headLen: near(random, body.headLen, 0.06),
    muzzleShare: near(random, body.muzzleShare, 0.05),
    dip: near(random, body.dip, 0.3),
    breadth: {
      ...breadth,
      skull: near(random, breadth.skull, 0.06),
      muzzle: near(random, breadth.muzzle, 0.06),
      foreTrack: near(random, breadth.foreTrack, 0.15)
    }
  }
}

export function otherLengths(lengths: Lengths, random: Random): Lengths {
  return Object.fromEntries(Object.entries(lengths).map(([region, mm]) => [region, Math.min(200, Math.max(0.3, near(random, mm, 0.08)))]))
}

function faultsOf(seen: Seen, trim: TrialTrim, random: Random): { readonly faults: readonly Fault[]; readonly footLineMm: number } {
  if (seen === 'head')
    return {
      footLineMm: 0,
      faults: [
        { kind: 'difference', regions: ['cheek', 'skull'], mm: between(random, -9, 9) },
        ...(random() < 0.5 ? [{ kind: 'flatHead' as const, mm: between(random, 4, 16) }] : [])
      ]
    }
  const isPoodle = trim.measures.profile?.includes('footLine') ?? false
  const footLineMm = isPoodle ? between(random, 5, 15) : 0
  const hasSkirt = trim.measures.profile?.includes('skirtLine') ?? false
  return {
    footLineMm,
    faults: [
      { kind: 'dip', at: between(random, 0.35, 0.6), widthMm: between(random, 45, 80), mm: between(random, 2, 13) },
      ...(hasSkirt
        ? [
            random() < 0.5
              ? ({ kind: 'slopedLine', mm: between(random, -20, 25) } as const)
              : ({ kind: 'wavyLine', mm: between(random, 2, 8) } as const)
          ]
        : []),
      ...(isPoodle ? [{ kind: 'footLine', mm: footLineMm } as const] : [])
    ]
  }
}

/** A person holds a camera level to this, degrees. */
const MOST_PITCH_DEG = 3.5
/** A card before a block stands plumb and square to these, degrees (standard deviation). */
const BOARD_STANDS_DEG = { plumb: 0.7, square: 1.5 }

/** Wall that is left beyond a board, mm. */
const BESIDE_BOARD_MM = 25

/** The printed board in place of the ruler, at the same depth: the small one beside a head. */
function withBoard(scene: Scene, random: Random): Scene {
  const { body, withersMm, coat } = scene.dog
  const [left, bottom, right, top] = extentOf(body, withersMm, scene.seen === 'head' ? 'head' : 'side', coat)
  const { widthMm, heightMm } = BOARDS[scene.seen === 'head' ? 'small' : 'large']
  // a person steps back until the board is in the picture too
  const wide = right - left + 2 * (widthMm + BESIDE_BOARD_MM + 0.03 * withersMm)
  const high = 1.2 * Math.max(top - bottom, 2 * (heightMm - (top - bottom) / 2))
  const pxPerMm = Math.min(scene.picture.widthPx / wide, scene.picture.heightPx / high)
  return {
    ...scene,
    ruler: null,
    camera: { ...scene.camera, pxPerMm },
    board: {
      kind: scene.seen === 'head' ? 'small' : 'large',
      depthMm: scene.ruler!.depthMm,
      leanDeg: BOARD_STANDS_DEG.plumb * normalDraw(random),
      turnDeg: BOARD_STANDS_DEG.square * normalDraw(random)
    }
  }
}

/** The dog of a seed. The same seed gives the same dog, picture and words. */
export function trialDog(
  seed: number,
  trims: readonly TrialTrim[],
  colours: readonly Colouring[],
  pictureMp = 2,
  by: TrialDog['by'] = 'ruler'
): TrialDog {
  // neighbouring seeds must not begin alike
  const random = randomFrom(seedOf(`dog ${seed}`))
  const pick = <T>(from: readonly T[]): T => from[Math.min(from.length - 1, Math.floor(random() * from.length))]
  const heads = trims.filter(({ measures }) => measures.head)
  const isHead = random() < 0.5
  const trim = isHead ? pick(heads) : pick(trims.filter(({ measures }) => measures.profile))
  const seen: Seen = isHead ? 'head' : random() < 0.5 ? 'left' : 'right'
  const body = otherBody(trim.body, random)
  const withersMm = Math.round(near(random, trim.body.withersMm, 0.1))
  const { faults, footLineMm } = faultsOf(seen, trim, random)
  const coat: Coat = { ...trim.coat, lengths: otherLengths(trim.coat.lengths, random) }
  const usual = usualScene({ body, withersMm, colouring: pick(colours), coat, worn: { lengths: coat.lengths, faults } }, seen)
  const distanceMm = isHead ? between(random, 850, 1500) : between(random, 1800, 3200)
  const depthMm = -between(random, -30, 60)
  const widthPx = Math.round(Math.sqrt((pictureMp * 1e6 * 4) / 3))
  const scene: Scene = {
    ...usual,
    picture: { widthPx, heightPx: Math.round((widthPx * 3) / 4), jpegQuality: 90 },
    camera: { distanceMm, yawDeg: between(random, -2.2, 2.2) * (isHead ? 1 : 1.5), rollDeg: between(random, -2, 2) },
    light: { ...usual.light, falloff: between(random, 0.1, 0.5), shadow: between(random, 0.05, 0.3) },
    wall: { colour: pick(WALLS), behindMm: between(random, 400, 900) },
    ruler: { lengthMm: isHead ? 100 : 200, depthMm },
    noise: between(random, 1, 3.5),
    seed: seed % 100000
  }
  const held: Scene = { ...scene, camera: { ...scene.camera, pitchDeg: between(random, -MOST_PITCH_DEG, MOST_PITCH_DEG) } }
  return {
    trim,
    seen,
    by,
    scene: by === 'board' ? withBoard(held, random) : held,
    footLineMm,
    said: {
      cameraMm: distanceMm * (1 + 0.02 * normalDraw(random)),
      behindMm: -depthMm + DEPTH_U * normalDraw(random),
      behindUMm: DEPTH_U,
      withersMm: Math.round(withersMm * (1 + 0.01 * normalDraw(random)))
    }
  }
}
