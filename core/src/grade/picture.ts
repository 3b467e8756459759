// What a measured photograph answers on the grade sheet.
import {
  coatDepth,
  keysIn,
  measureSpec,
  measuresSeen,
  sideSeen,
  type MeasureId,
  type PhotoFound,
  type RegionDeparture,
  type Seen,
  type SkinReading
} from '../measure'
import type { Band, Criterion, Standard } from '../standard'
import { shareOfMarks } from './measure'
import { sidesOf, unitOf } from './parts'
import type { Answers, PictureMeasured, SideKey } from './types'

/** Which criteria of a standard a picture from there can answer, and by what; a judged one is informed by it, and still judged. */
export function criteriaSeen(standard: Standard, seen: Seen): readonly { readonly criterion: Criterion; readonly measure: MeasureId }[] {
  return standard.criteria.flatMap((criterion) => {
    const { picture } = criterion
    const fits = picture && (criterion.how.kind === 'judged' || measureSpec(picture).unit === unitOf(criterion.how))
    return picture && fits && keysIn(seen, picture).length > 0 ? [{ criterion, measure: picture }] : []
  })
}

/** Told only where a criterion asks: they say again what another measure says, or what not every trim should have. */
const ONLY_ASKED: ReadonlySet<MeasureId> = new Set([
  'headSides',
  'skirtLevel',
  'muzzlePair',
  'bandByComb',
  'rearCurve',
  'apparentBody',
  'plumeToTable',
  'frontColumn',
  'hocksParallel'
])

/** Looked at on every dog from the front, the rear and above, whether the trim asks or not. Source: common practice, no published source */
const ALWAYS: ReadonlySet<MeasureId> = new Set([
  'forePair',
  'elbowWidth',
  'shoulderRise',
  'hindPair',
  'breechPair',
  'neckRise',
  'flankPair',
  'waist',
  'ribSpring',
  'spineBend'
])
/** What is asked of a place in one view is looked at in another too. */
const WITH: Readonly<Partial<Record<MeasureId, readonly MeasureId[]>>> = {
  frontColumn: ['foreColumn'],
  hocksParallel: ['foreColumn', 'hockColumn', 'rearColumn']
}

/**
 * Everything worth measuring in a picture of this trim: what its criteria ask, and what the same places and lines tell
 * besides, so that nobody places a landmark for it.
 */
export function measuresAsked(standard: Standard, seen: Seen): readonly MeasureId[] {
  const asked = new Set(criteriaSeen(standard, seen).map(({ measure }) => measure))
  const anywhere = new Set(standard.criteria.flatMap(({ picture }) => (picture ? [picture] : [])))
  for (const { id } of measuresSeen(seen)) if (ALWAYS.has(id) || WITH[id]?.some((one) => anywhere.has(one))) asked.add(id)
  const specs = [...asked].map(measureSpec)
  const placed = new Set<string>(
    specs.flatMap(({ places, lines, linesOf }) => [...places, ...lines, ...(linesOf ? [...linesOf('left'), ...linesOf('right')] : [])])
  )
  const free = measuresSeen(seen).filter(
    ({ id, places, lines, linesOf }) =>
      !asked.has(id) &&
      !ONLY_ASKED.has(id) &&
      !linesOf &&
      places.length + lines.length > 0 &&
      [...places, ...lines].every((own) => placed.has(own))
  )
  return [...asked, ...free.map(({ id }) => id)]
}

/** Does a difference follow from two sides that were both read with an instrument? A gauge is surer than a picture. */
export function isPairRead(standard: Standard, answers: Answers, criterionId: string): boolean {
  const how = standard.criteria.find(({ id }) => id === criterionId)?.how
  if (how?.kind !== 'difference') return false
  const { left, right } = answers[how.of] ?? {}
  return left?.kind === 'readings' && right?.kind === 'readings'
}

export type PictureAnswer = { readonly criterionId: string; readonly side: SideKey; readonly measured: PictureMeasured }

/**
 * The answers that a measured picture gives. A side that is not seen in it is not answered. Lengths are answered where
 * this dog's skin is known from a gauge; else they stay open.
 */
export function answersFrom(
  standard: Standard,
  seen: Seen,
  pictureId: string,
  found: Pick<PhotoFound, 'measures'>,
  regions: readonly RegionDeparture[],
  skin: readonly SkinReading[]
): readonly PictureAnswer[] {
  const measured = criteriaSeen(standard, seen).flatMap(({ criterion, measure }) =>
    (criterion.how.kind === 'judged' ? [] : found.measures)
      .filter(({ id }) => id === measure)
      .flatMap(({ side, value, u, common }): PictureAnswer[] => {
        const own = sidesOf(criterion.how)
        const to = own.includes('whole') ? 'whole' : side
        // a departure has no sign; what compares or is worked out has one
        const told = criterion.how.kind === 'measured' ? Math.abs(value) : value
        return own.includes(to) ? [{ criterionId: criterion.id, side: to, measured: { measure, pictureId, value: told, u, common } }] : []
      })
  )
  return [...measured, ...lengthsFrom(standard, seen, pictureId, regions, skin)]
}

function lengthsFrom(
  standard: Standard,
  seen: Seen,
  pictureId: string,
  regions: readonly RegionDeparture[],
  skin: readonly SkinReading[]
): readonly PictureAnswer[] {
  const own = sideSeen(seen)
  if (!own) return []
  return standard.criteria.flatMap((criterion): PictureAnswer[] => {
    if (criterion.how.kind !== 'length') return []
    const region = regions.find((one) => one.region === criterion.region)
    const depth = region ? coatDepth(region, skin, seen) : null
    if (!depth) return []
    const side: SideKey = criterion.how.sides === 'pair' ? own : 'whole'
    return [{ criterionId: criterion.id, side, measured: { measure: 'coatDepth', pictureId, value: depth.mm, u: depth.uMm, common: 0 } }]
  })
}

/** What a measure without a criterion may stand off its plan before it is told, in its own unit. Chosen: what an eye sees. */
const OFF_PLAN: Readonly<Record<string, number>> = { mm: 4, degrees: 3, '%': 10, turns: 1 }
/** What a dog's own build and stance come to: told beside the plan, and no fault of a coat. */
const OF_THE_DOG: ReadonlySet<MeasureId> = new Set(['elbowWidth', 'waist', 'ribSpring', 'spineBend'])
/** Within so many of its u, what no criterion asks for may be nothing. Source: two-sided 95 %, JCGM 100:2008, G.1.3 */
const SURELY_U = 1.96
/** The most that such a measure weighs, marks of 100: it helps, and costs nobody a mark. Chosen. */
const MOST_OFF_PLAN = 1

export type WeighedMeasure = {
  readonly measure: PhotoFound['measures'][number]
  readonly criterionId: string | null
  readonly loss: number
  /** what its criterion allows; null where none asks for it */
  readonly band: Band | null
}

/**
 * Measures of a picture with what each is worth, most first: marks lost on the sheet, and for what no criterion asks how
 * far it stands off its plan.
 * @param planned what each measure comes to on the dog as it was planned
 */
export function weighMeasures(
  standard: Standard,
  seen: Seen,
  found: Pick<PhotoFound, 'measures'>,
  planned: Readonly<Partial<Record<MeasureId, number>>>
): readonly WeighedMeasure[] {
  const asked = criteriaSeen(standard, seen)
  return found.measures
    .map((measure): WeighedMeasure => {
      const own = asked.find((one) => one.measure === measure.id)?.criterion
      if (own && own.how.kind !== 'judged') {
        const value = own.how.kind === 'measured' ? Math.abs(measure.value) : measure.value
        const loss = (own.weight / sidesOf(own.how).length) * (1 - shareOfMarks(value, own.how.band, own.how.limit))
        return { measure, criterionId: own.id, loss, band: own.how.band }
      }
      const plan = planned[measure.id]
      const off = plan === undefined || OF_THE_DOG.has(measure.id) ? 0 : Math.abs(measure.value - plan)
      // what may be nothing is no fault
      const over = off < SURELY_U * measure.u ? 0 : off / OFF_PLAN[measure.unit]! - 1
      return { measure, criterionId: null, loss: Math.min(MOST_OFF_PLAN, Math.max(0, over)), band: null }
    })
    .sort((a, b) => b.loss - a.loss)
}
