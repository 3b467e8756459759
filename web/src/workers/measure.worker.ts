// Reads a photograph off the page's own thread: outline, proposals, measures. Everything is core's; nothing is decided here.
import { bodyById } from '@peen/content'
import type { DogView, PhotoMarks } from '@peen/contract'
import { fitBody } from '@peen/core/figure'
import { weighMeasures } from '@peen/core/grade'
import {
  departuresFrom,
  drawMeasure,
  findOutline,
  frameOf,
  keysIn,
  laidRigid,
  measurePhoto,
  measureSpec,
  onDarkSpots,
  plannedInPicture,
  plannedTrace,
  plannedView,
  proposePlaces,
  regionDepartures,
  roundOf,
  sayMeasured,
  traceOf,
  type Corrections,
  type Drawn,
  type FoundOutline,
  type Frame,
  type MeasureId,
  type MeasureKey,
  type OutlineStep,
  type PhotoFound,
  type Picture,
  type PlaceDeparture,
  type PlaceId,
  type PlannedView,
  type Point,
  type Reading,
  type RegionDeparture,
  type ScaleMark,
  type Seen,
  type Trace
} from '@peen/core/measure'
import type { Standard } from '@peen/core/standard'
import * as Comlink from 'comlink'
import { coatOf } from '../figure/place'

export type PhotoTask = { readonly dog: DogView; readonly standard: Standard; readonly seen: Seen; readonly marks: PhotoMarks }

/** What a measured picture says: sentences first things first, and what is drawn for each. */
export type PhotoResult = {
  readonly found: PhotoFound
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
  readonly planned: readonly Point[]
}

/** More pixels than this are of no use on a screen that measures millimetres. */
const MOST_SIDE_PX = 4096
const SEED = 20260414

let picture: Picture | null = null
const plans = new Map<string, PlannedView>()

function planOf({ dog, standard, seen }: Omit<PhotoTask, 'marks'>): PlannedView {
  const { bodyType, withersMm, own } = dog
  const lengths = standard.plan.lengthsMm
  const key = JSON.stringify([bodyType, withersMm, own, standard.plan, seen === 'head'])
  const known = plans.get(key)
  if (known) return known
  const coat = { ...coatOf({ bodyType, withersMm, trim: standard.plan.drawnAs }), lengths }
  const found = plannedView({ body: fitBody(bodyById(bodyType), { withersMm, ...own }), withersMm, coat, lengths }, seen)
  plans.set(key, found)
  return found
}

function looked(): Picture {
  if (!picture) throw new Error('No picture was loaded.')
  return picture
}
const frameFor = (seen: Seen, scale: ScaleMark | null): Frame => {
  const { width, height } = looked()
  return frameOf(seen, { widthPx: width, heightPx: height }, scale)
}

/** Only what somebody has put or agreed to counts as read. */
function readingOf({ marks, seen }: PhotoTask, plan: PlannedView): Reading {
  const places = Object.fromEntries(Object.entries(marks.places).filter(([, place]) => place.touched))
  return {
    frame: frameFor(seen, marks.scale),
    depths: plan.depths,
    outline: marks.outline,
    edgeUPx: marks.edgeUPx,
    places,
    lines: marks.lines
  }
}

function radiiOf(trace: Trace, planned: Trace): PhotoResult['radii'] {
  if (!trace.places.eyeLeft || !trace.places.eyeRight) return []
  const [found, plan] = [trace, planned].map((own) => roundOf(own).radii)
  return found.flatMap((mm, hour) => {
    const plannedMm = plan[hour]
    return mm === null || plannedMm === null ? [] : [{ hour, mm, plannedMm }]
  })
}

const reader = {
  async load(url: string): Promise<{ readonly width: number; readonly height: number }> {
    const bitmap = await createImageBitmap(await (await fetch(url, { credentials: 'same-origin' })).blob())
    const by = Math.min(1, MOST_SIDE_PX / Math.max(bitmap.width, bitmap.height))
    const [width, height] = [Math.round(bitmap.width * by), Math.round(bitmap.height * by)]
    const canvas = new OffscreenCanvas(width, height)
    const context = canvas.getContext('2d', { willReadFrequently: true })!
    context.drawImage(bitmap, 0, 0, width, height)
    picture = { width, height, rgba: context.getImageData(0, 0, width, height).data }
    return { width, height }
  },
  outline(seen: Seen, scale: ScaleMark | null, corrections: Corrections, onStep: (step: OutlineStep) => void): FoundOutline {
    const { pxPerMm, hasScale } = frameFor(seen, scale)
    return findOutline(looked(), seen === 'head' ? 'head' : 'body', corrections, hasScale ? pxPerMm : null, onStep)
  },
  propose(task: PhotoTask): Readonly<Partial<Record<PlaceId, Point>>> {
    const { places } = proposePlaces(frameFor(task.seen, task.marks.scale), task.marks.outline, planOf(task))
    return task.seen === 'head' ? onDarkSpots(looked(), places) : places
  },
  measure(task: PhotoTask, ids: readonly MeasureId[]): PhotoResult {
    const plan = planOf(task)
    const reading = readingOf(task, plan)
    const found = measurePhoto(reading, ids, SEED)
    const laid = laidRigid(reading, plan, proposePlaces(reading.frame, task.marks.outline, plan).laid)
    const trace = traceOf(reading)
    const asPlanned = plannedTrace(plan, task.seen)
    const planned: Partial<Record<MeasureId, number>> = {}
    for (const id of ids) {
      const [key] = keysIn(task.seen, id)
      if (!key || measureSpec(id).from !== 'outline') continue
      try {
        planned[id] = measureSpec(id).of(asPlanned, 'left')
      } catch {
        // a plan that has no such line has nothing to be held against
      }
    }
    return {
      found,
      says: weighMeasures(task.standard, task.seen, found, planned).map(({ measure, criterionId, loss }) => ({
        key: { id: measure.id, side: measure.side },
        text: sayMeasured(measure, trace, planned[measure.id] ?? null, loss === 0),
        loss,
        criterionId,
        drawn: drawMeasure(measure, trace, reading)
      })),
      departures: departuresFrom(reading, plan, laid),
      regions: regionDepartures(reading, plan, laid),
      radii: task.seen === 'head' && reading.frame.hasScale ? radiiOf(trace, asPlanned) : [],
      planned: plannedInPicture(reading, plan, laid)
    }
  }
}

export type Reader = typeof reader
Comlink.expose(reader)
