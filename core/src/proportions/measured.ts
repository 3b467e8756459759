// What the trade measures on the dog itself, as numbers and as lines on its drawn profile (figure mm, ground at 0).
import { inRange } from '../error'
import { skeletonOf, type BodyType, type Lengths, type Point } from '../figure'
import { lengthLeft, type Tool } from '../tools'
import { MM_PER_INCH, sayLength } from '../units'

export const RULE_KINDS = ['tailBand', 'neckDepth', 'footLine', 'ruff', 'against', 'plume', 'tailHead', 'bands'] as const
export type RuleKind = (typeof RULE_KINDS)[number]

export const RULE_NAMES: Readonly<Record<RuleKind, string>> = {
  tailBand: 'tail band',
  neckDepth: 'depth of the neck',
  footLine: 'foot line',
  ruff: 'ruff',
  against: 'with and against',
  plume: 'plume',
  tailHead: 'tail against head',
  bands: 'bands'
}

export type RuleCase = {
  /** fitted to the dog's own measurements */
  readonly body: BodyType
  readonly withersMm: number
  readonly lengths: Lengths
  /** radius of the ball at the tail's end, mm; null where the tail has none */
  readonly ballMm: number | null
  /** how far the foot's arch has sunk, mm; 0 for a sound foot */
  readonly flatFootMm: number
  readonly house: Readonly<Record<string, number>>
  /** the blade that is judged with and against the growth */
  readonly blade: Tool | null
}

export type MeasuredRule = {
  readonly kind: RuleKind
  readonly name: string
  /** the numbers as sentences */
  readonly says: readonly string[]
  /** the number that is cut by, mm */
  readonly mm: number
  /** polylines in the profile's mm; the first is what is cut by */
  readonly lines: readonly (readonly Point[])[]
  readonly source: string
}

const COMMON = 'common practice, no published source'
/** The comb that is laid at the tail's root is 2 in long. */
const BAND_COMB_MM = 2 * MM_PER_INCH
/** A ruff stands half an inch to an inch behind the base of the skull. */
const RUFF_MM = [MM_PER_INCH / 2, MM_PER_INCH] as const
/** A long topknot is held by a band about every inch. */
const BAND_EVERY_MM = MM_PER_INCH
/** A flat foot sinks by no more than this, mm. Chosen. */
const FLAT_FOOT_MOST_MM = 20

/** Where along the tail a ball has its centre, as a share of the tail: as the figure draws it. */
const BALL_AT = 0.86

const tenth = (mm: number) => Math.round(mm * 10) / 10
const say = (mm: number) => `${tenth(mm)} mm`
const along = ([ax, ay]: Point, [bx, by]: Point, mm: number): Point => {
  const far = Math.hypot(bx - ax, by - ay) || 1
  return [ax + ((bx - ax) / far) * mm, ay + ((by - ay) / far) * mm]
}

/** Both ways to find the width of the tail band, mm, and by how much the pin bones' is wider. Common practice, no published source. */
export function tailBandWidths(
  body: BodyType,
  withersMm: number
): { readonly combMm: number; readonly pinBonesMm: number; readonly differenceMm: number } {
  const { marks } = skeletonOf(body, withersMm)
  // the tail dropped: from its root down to the level of the two pin bones, the points of the rump
  const pinBonesMm = marks.tailSet[1] - marks.buttock[1]
  return { combMm: BAND_COMB_MM, pinBonesMm, differenceMm: pinBonesMm - BAND_COMB_MM }
}

/** The point so far along the tail from its root, and the direction across it. */
function onTail(spine: readonly Point[], mm: number): { readonly at: Point; readonly across: Point } {
  let left = mm
  for (let i = 1; i < spine.length; i++) {
    const [[ax, ay], [bx, by]] = [spine[i - 1]!, spine[i]!]
    const far = Math.hypot(bx - ax, by - ay)
    if (left <= far || i === spine.length - 1) {
      const at = along(spine[i - 1]!, spine[i]!, Math.min(left, far))
      return { at, across: [-(by - ay) / (far || 1), (bx - ax) / (far || 1)] }
    }
    left -= far
  }
  return { at: spine[0]!, across: [1, 0] }
}

const tailLength = (spine: readonly Point[]): number =>
  spine.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - spine[i]![0], y - spine[i]![1]), 0)

const acrossTail = (spine: readonly Point[], mm: number, half: number): readonly Point[] => {
  const { at, across } = onTail(spine, mm)
  return [
    [at[0] - across[0] * half, at[1] - across[1] * half],
    [at[0] + across[0] * half, at[1] + across[1] * half]
  ]
}

const RULES: Readonly<Record<RuleKind, (one: RuleCase) => Omit<MeasuredRule, 'kind' | 'source'> | null>> = {
  tailBand({ body, withersMm, house }) {
    const { tailSpine } = skeletonOf(body, withersMm)
    const { combMm, pinBonesMm, differenceMm } = tailBandWidths(body, withersMm)
    const byComb = house['tail-band'] === 1
    const half = withersMm * 0.06
    const [comb, bones] = [acrossTail(tailSpine, combMm, half), acrossTail(tailSpine, pinBonesMm, half)]
    const more = differenceMm >= 0 ? 'wider' : 'narrower'
    return {
      name: 'Tail band',
      says: [
        `Using the 2 in comb at the root: ${say(combMm)} bare. Level with the pin bones: ${say(pinBonesMm)}, ${say(Math.abs(differenceMm))} ${more}.`,
        byComb ? 'This school measures with the comb.' : 'This school measures from the pin bones.'
      ],
      mm: byComb ? combMm : pinBonesMm,
      lines: byComb ? [comb, bones] : [bones, comb]
    }
  },
  neckDepth({ body, withersMm }) {
    const { marks } = skeletonOf(body, withersMm)
    const mm = body.headLen * body.muzzleShare * withersMm
    return {
      name: 'Depth of the neck',
      says: [`The muzzle is ${say(mm)} from stop to nose: clip the neck ${say(mm)} down from the throat, with the nose tipped down.`],
      mm,
      lines: [
        [marks.throat, along(marks.throat, marks.neckFront, mm)],
        [marks.stop, along(marks.stop, marks.noseTop, mm)]
      ]
    }
  },
  footLine({ body, withersMm, flatFootMm }) {
    inRange('flatFootMm', flatFootMm, 0, FLAT_FOOT_MOST_MM, 'mm')
    const { marks } = skeletonOf(body, withersMm)
    // the bend of the foot lies half way between heel and pastern
    const ankleMm = (marks.frontHeel[1] + marks.frontPasternFront[1]) / 2
    const mm = ankleMm - flatFootMm
    const level = (y: number): Point[] => [
      [marks.frontToe[0] - 6, y],
      [marks.frontHeel[0] + 14, y]
    ]
    const behind = (y: number): Point[] => [
      [marks.rearToe[0] - 6, y],
      [marks.rearHeel[0] + 14, y]
    ]
    return {
      name: 'Foot line',
      says: [
        `The ankle bends ${say(ankleMm)} above the table: set the line level there all round.`,
        ...(flatFootMm > 0 ? [`The foot is flat by ${say(flatFootMm)}: set the line at ${say(mm)} to hide it.`] : [])
      ],
      mm,
      lines: [level(mm), behind(mm), ...(flatFootMm > 0 ? [level(ankleMm)] : [])]
    }
  },
  ruff({ body, withersMm }) {
    const { marks, head } = skeletonOf(body, withersMm)
    const back = (mm: number): Point => [marks.occiput[0] - head.u[0] * mm, marks.occiput[1] - head.u[1] * mm]
    const tick = (mm: number): readonly Point[] => {
      const [x, y] = back(mm)
      const long = withersMm * 0.07
      return [
        [x - head.v[0] * long * 0.4, y - head.v[1] * long * 0.4],
        [x + head.v[0] * long, y + head.v[1] * long]
      ]
    }
    const [near, far] = RUFF_MM
    return {
      name: 'Ruff behind the skull',
      says: [
        `The ruff reaches ${say(near)} to ${say(far)} behind the base of the skull (${sayLength(near, 'in')} to ${sayLength(far, 'in')}) and graduates into the neck.`
      ],
      mm: far,
      lines: [tick(far), tick(near), [marks.occiput, back(far)]]
    }
  },
  against({ body, withersMm, blade }) {
    if (!blade || blade.kind !== 'blade' || blade.lengthMm === null) return null
    const [withIt, against] = [lengthLeft(blade, 'with'), lengthLeft(blade, 'against')]
    const { marks, head } = skeletonOf(body, withersMm)
    const hair = (mm: number, shift: number): readonly Point[] => {
      const root: Point = [marks.skullTop[0] + head.u[0] * shift, marks.skullTop[1] + head.u[1] * shift]
      return [root, [root[0] + head.v[0] * mm, root[1] + head.v[1] * mm]]
    }
    return {
      name: `Blade ${blade.label}, with and against`,
      says: [
        against.allowed
          ? `A ${blade.label} leaves ${say(blade.lengthMm)} with the growth and ${say(against.lengthMm)} against it, ${against.because}.`
          : `A ${blade.label} leaves ${say(blade.lengthMm)} with the growth; against it ${against.because}.`
      ],
      mm: blade.lengthMm,
      lines: [hair(withIt.allowed ? withIt.lengthMm : 0, -4), ...(against.allowed ? [hair(against.lengthMm, 4)] : [])]
    }
  },
  plume({ body, withersMm }) {
    const { marks } = skeletonOf(body, withersMm)
    const [x, y] = marks.tailSet
    return {
      name: 'Plume to the table',
      says: [`The root of the tail is ${say(y)} above the table: held down and cut straight across, a plume of ${say(y)} just touches it.`],
      mm: y,
      lines: [
        [
          [x, y],
          [x, 0]
        ],
        [
          [x - 30, 0],
          [x + 30, 0]
        ]
      ]
    }
  },
  tailHead({ body, withersMm, lengths, ballMm }) {
    const { marks, tailSpine } = skeletonOf(body, withersMm)
    const head = marks.skullTop[1] + (lengths.skull ?? 0)
    // a ball stands about a point short of the tail's end
    const tail =
      ballMm === null ? marks.tailTip[1] + (lengths.tail ?? 0) : onTail(tailSpine, BALL_AT * tailLength(tailSpine)).at[1] + ballMm
    const off = tail - head
    const level = (y: number, [x]: Point): Point[] => [
      [x - withersMm * 0.12, y],
      [x + withersMm * 0.12, y]
    ]
    return {
      name: 'Tail against head',
      says: [
        Math.abs(off) < 5
          ? `Head and tail reach the same height, ${say(head)} above the table.`
          : `The tail is ${say(Math.abs(off))} ${off > 0 ? 'higher' : 'lower'} than the head: ${off > 0 ? `take ${say(off)} off the tail` : 'leave the tail, and lower the topknot only if it gains'}.`
      ],
      mm: off,
      lines: [
        level(tail, marks.tailTip),
        level(head, marks.skullTop),
        [
          [marks.tailTip[0], head],
          [marks.tailTip[0], tail]
        ]
      ]
    }
  },
  bands({ body, withersMm, lengths }) {
    const long = lengths.skull ?? 0
    const count = Math.floor(long / BAND_EVERY_MM)
    const { marks, head } = skeletonOf(body, withersMm)
    const up = (mm: number): Point => [marks.skullTop[0] + head.v[0] * mm, marks.skullTop[1] + head.v[1] * mm]
    const tick = (mm: number): readonly Point[] => {
      const [x, y] = up(mm)
      return [
        [x - head.u[0] * 6, y - head.u[1] * 6],
        [x + head.u[0] * 6, y + head.u[1] * 6]
      ]
    }
    return {
      name: 'Bands in the topknot',
      says: [
        count === 0
          ? `A topknot of ${say(long)} needs no second band.`
          : `A topknot of ${say(long)} holds ${count} ${count === 1 ? 'band' : 'bands'}, one about every inch, each turned three times at the most.`
      ],
      mm: BAND_EVERY_MM,
      lines: [[up(0), up(long)], ...Array.from({ length: count }, (_, i) => tick((i + 1) * BAND_EVERY_MM))]
    }
  }
}

/**
 * The measured rules of these kinds on one dog, with their lines in the profile's mm.
 * @throws CoreError `outOfRange` for a flat foot of more than 20 mm
 */
export function measuredRules(kinds: readonly RuleKind[], one: RuleCase): readonly MeasuredRule[] {
  return kinds.flatMap((kind) => {
    const found = RULES[kind](one)
    return found ? [{ kind, source: COMMON, ...found }] : []
  })
}
