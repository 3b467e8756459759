// What one measured picture says: its measures and sentences, the worst first, and what is drawn beside each.
import {
  asSeen,
  averaged,
  departuresFrom,
  drawMeasure,
  keysIn,
  laidRigid,
  measurePhoto,
  measureSpec,
  plannedInPicture,
  plannedTrace,
  proposePlaces,
  regionDepartures,
  roundOf,
  sayMeasured,
  traceOf,
  viewOf,
  type Averaged,
  type Drawn,
  type MeasureId,
  type MeasureKey,
  type PhotoFound,
  type PictureMeasure,
  type PlaceDeparture,
  type PlannedView,
  type PhotoPoint,
  type Reading,
  type RegionDeparture,
  type Trace
} from '../measure'
import type { Standard } from '../standard'
import { sayBand } from './parts'
import { weighMeasures } from './picture'

export type PictureReport = {
  /** measures that were averaged over several pictures say so: `over` */
  readonly found: Omit<PhotoFound, 'measures'> & { readonly measures: readonly (PictureMeasure & { readonly over?: Averaged })[] }
  readonly says: readonly {
    readonly key: MeasureKey
    readonly text: string
    readonly loss: number
    readonly criterionId: string | null
    readonly drawn: readonly Drawn[]
  }[]
  readonly departures: readonly PlaceDeparture[]
  readonly regions: readonly RegionDeparture[]
  /** a head's reach from between the eyes by the clock, found and planned, mm; empty for a profile or without a scale */
  readonly radii: readonly { readonly hour: number; readonly mm: number; readonly plannedMm: number }[]
  /** where the planned outline would lie, px */
  readonly planned: readonly PhotoPoint[]
}

/**
 * The report of a picture as it was read.
 * @param plan the dog as it was planned, seen from where the picture was taken
 * @param ids what is asked; what does not belong to this view is left out
 * @param earlier measures of earlier pictures of the same trim from there: each is told as the mean of all
 * @throws CoreError where the outline is no dog seen from there
 */
export function pictureReport(
  reading: Reading,
  plan: PlannedView,
  standard: Standard,
  ids: readonly MeasureId[],
  seed: number,
  earlier: readonly (readonly PictureMeasure[])[] = []
): PictureReport {
  const { seen, hasScale } = reading.frame
  const own = measurePhoto(reading, ids, seed)
  const found = earlier.length === 0 ? own : { ...own, measures: averaged(own.measures, earlier) }
  const laid = laidRigid(reading, plan, proposePlaces(reading.frame, reading.outline, plan).laid)
  const trace = traceOf(reading)
  // along the dog a far leg is seen beside a near one only as far as the camera sees it
  const asPlanned = plannedTrace(viewOf(seen) === 'front' || viewOf(seen) === 'rear' ? asSeen(plan, reading.frame) : plan, seen)
  const planned = plannedMeasures(asPlanned, ids)
  return {
    found,
    says: weighMeasures(standard, seen, found, planned).map(({ measure, criterionId, loss, band }) => ({
      key: { id: measure.id, side: measure.side },
      text: sayMeasured(measure, trace, planned[measure.id] ?? null, loss === 0, band && sayBand(band)),
      loss,
      criterionId,
      drawn: drawMeasure(measure, trace, reading)
    })),
    departures: departuresFrom(reading, plan, laid),
    regions: regionDepartures(reading, plan, laid),
    radii: seen === 'head' && hasScale ? radiiOf(trace, asPlanned) : [],
    planned: plannedInPicture(reading, plan, laid)
  }
}

/**
 * What each outline measure comes to on the planned dog, and all of a dog seen whole, whose plan has every place; a plan that
 * has no such line has nothing to be held against.
 */
function plannedMeasures(plan: Trace, ids: readonly MeasureId[]): Readonly<Partial<Record<MeasureId, number>>> {
  const planned: Partial<Record<MeasureId, number>> = {}
  for (const id of ids) {
    const [key] = keysIn(plan.seen, id)
    const { from, view } = measureSpec(id)
    if (!key || (from !== 'outline' && (view === 'head' || view === 'profile'))) continue
    try {
      planned[id] = measureSpec(id).of(plan, 'left')
    } catch {
      // no such line on this plan
    }
  }
  return planned
}

function radiiOf(trace: Trace, plan: Trace): PictureReport['radii'] {
  if (!trace.places.eyeLeft || !trace.places.eyeRight) return []
  const [found, planned] = [trace, plan].map((own) => roundOf(own).radii)
  return found!.flatMap((mm, hour) => {
    const plannedMm = planned![hour] ?? null
    return mm === null || plannedMm === null ? [] : [{ hour, mm, plannedMm }]
  })
}
