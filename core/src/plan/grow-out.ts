// From a shaved or spoiled coat to a trim: what grows by each visit, how little is taken, and when holes are level.
import { HAIR, sidesOf, stateAt, type CoatModel } from '../coat'
import { CoreError } from '../error'
import { REGION_IDS, type RegionId } from '../regions'

export type GrowOutCase = {
  readonly model: CoatModel
  /** the trim that is grown for: the length of each place, mm */
  readonly lengthsMm: Readonly<Partial<Record<RegionId, number>>>
  readonly everyDays: number
  readonly isOpen?: (day: number) => boolean
}

/** A place at a visit, mm: as it comes, what is taken off its ends, and what is left; with the hole in it that is deepest. */
export type GrownPlace = {
  readonly region: RegionId
  readonly comesMm: number
  readonly takeMm: number
  readonly leftMm: number
  readonly holeMm: number | null
  readonly isLevel: boolean
  readonly isThere: boolean
}
export type GrowVisit = { readonly day: number; readonly places: readonly GrownPlace[]; readonly holesLeft: number }
export type GrowOut = {
  readonly visits: readonly GrowVisit[]
  /** the visit at which every place that can be is there and every hole level; null where two years do not do */
  readonly doneDay: number | null
  /** the visit at which the last hole is level; null where there is none, or it is not level in two years */
  readonly levelDay: number | null
  /** places whose hair stops growing before it is so long, with where it stops, mm */
  readonly never: readonly { readonly region: RegionId; readonly wantedMm: number; readonly terminalMm: number }[]
  /** visits at which hair is first long enough to be held by a band, and to be wrapped */
  readonly bandDay: number | null
  readonly wrapDay: number | null
}

/** Two years of visits at the most: what takes longer is another plan. Chosen. */
const MOST_DAYS = 731
/** Within so much of its length a place is there, mm. Chosen: what a comb misses by. */
const THERE_MM = 1
/** Ends that are tidied where hair has grown past half of the wanted length, mm. Chosen: split ends, no more. */
const TIDY_MM = 1.5
/** Around a hole no more is left than this over the hole's own hair, once the place is half as long as wanted. Chosen: the eye sees more. mm */
const STEP_MM = 12
/** Hair so long holds a band, and a wrap, mm. Chosen: bands sit an inch apart, a wrap is folded twice. */
export const HELD_MM = Object.freeze({ band: 50, wrap: 100 })
const FIRST_DAYS = 1

/**
 * Visits from the next open day on, `everyDays` apart, until the trim is there. Each place grows at this dog's rate up to where its hair
 * stops; ends are tidied, what is over the wanted length is cut to it, and around a hole a little more is taken so that it closes sooner.
 * @param everyDays 7 to 120
 * @throws CoreError `outOfRange`, `tooFew` where the trim names no length
 */
export function growOut({ model, lengthsMm, everyDays, isOpen = () => true }: GrowOutCase): GrowOut {
  if (!Number.isInteger(everyDays) || everyDays < 7 || everyDays > 120)
    throw new CoreError({ code: 'outOfRange', path: 'everyDays', got: everyDays, limit: '7 to 120 days' })
  const growing = REGION_IDS.flatMap((region) => {
    const wantedMm = lengthsMm[region]
    const place = model.places.get(region)
    return wantedMm === undefined || wantedMm <= 0 || !place ? [] : [startOf(model, region, wantedMm)]
  })
  if (growing.length === 0) throw new CoreError({ code: 'tooFew', path: 'lengthsMm', got: 0, limit: '1 place with a length or more' })
  const never = growing.filter(({ wantedMm, terminalMm }) => terminalMm < wantedMm - THERE_MM)
  const visits: GrowVisit[] = []
  let places = growing
  let [day, at] = [model.today, model.today + FIRST_DAYS]
  while (at - model.today <= MOST_DAYS) {
    const on = openFrom(at, isOpen)
    if (on === null) break
    const grown = places.map((place) => visited(place, on - day))
    places = grown.map(({ next }) => next)
    const told = grown.map(({ place }) => place)
    visits.push({ day: on, places: told, holesLeft: told.filter(({ holeMm, isLevel }) => holeMm !== null && !isLevel).length })
    if (told.every(({ isThere, isLevel, holeMm }) => isThere && (holeMm === null || isLevel))) break
    ;[day, at] = [on, on + everyDays]
  }
  const first = (is: (visit: GrowVisit) => boolean) => visits.find(is)?.day ?? null
  const longest = ({ places: own }: GrowVisit) => Math.max(...own.map(({ leftMm }) => leftMm))
  const hadHoles = growing.some(({ holeMm }) => holeMm !== null)
  return {
    visits,
    doneDay: first((visit) => visit.holesLeft === 0 && visit.places.every(({ isThere }) => isThere)),
    levelDay: hadHoles ? first(({ holesLeft }) => holesLeft === 0) : null,
    never: never.map(({ region, wantedMm, terminalMm }) => ({ region, wantedMm, terminalMm })),
    bandDay: first((visit) => longest(visit) >= HELD_MM.band),
    wrapDay: first((visit) => longest(visit) >= HELD_MM.wrap)
  }
}

type Growing = {
  readonly region: RegionId
  readonly wantedMm: number
  readonly terminalMm: number
  readonly mmPerDay: number
  readonly mm: number
  readonly holeMm: number | null
}

/** The shorter side, and the deepest of the holes that are not level. */
function startOf(model: CoatModel, region: RegionId, wantedMm: number): Growing {
  const { growth, growing } = model.places.get(region)!
  const sides = sidesOf(region).map((side) => stateAt(model, region, side, model.today))
  const holes = sides.flatMap(({ holes: own }) => own.filter(({ isLevel }) => !isLevel).map(({ mm }) => mm))
  return {
    ...{ region, wantedMm, terminalMm: growing.terminalMm, mmPerDay: growth.mmPerDay },
    mm: Math.min(...sides.map(({ standingMm }) => standingMm)),
    holeMm: holes.length > 0 ? Math.min(...holes) : null
  }
}

function openFrom(day: number, isOpen: (day: number) => boolean): number | null {
  for (let at = day; at < day + 60; at++) if (isOpen(at)) return at
  return null
}

function visited(place: Growing, days: number): { readonly place: GrownPlace; readonly next: Growing } {
  const { region, wantedMm, terminalMm, mmPerDay, mm, holeMm } = place
  const grow = (from: number) => Math.min(terminalMm, from + days * mmPerDay)
  const [comes, hole] = [grow(mm), holeMm === null ? null : grow(holeMm)]
  const reach = Math.min(wantedMm, terminalMm)
  const isLong = comes > reach / 2
  const tidied = isLong && comes < reach ? comes - Math.min(TIDY_MM, comes - reach / 2) : comes
  const around = hole !== null && isLong ? Math.max(reach / 2, hole + STEP_MM) : Infinity
  const left = Math.min(comes, reach, tidied, around)
  const holeLeft = hole === null ? null : Math.min(hole, left)
  const isLevel = holeLeft === null || holeLeft >= HAIR.level01 * left
  return {
    place: {
      ...{ region, comesMm: comes, takeMm: comes - left, leftMm: left, holeMm: holeLeft },
      ...{ isLevel, isThere: left >= reach - THERE_MM - TIDY_MM }
    },
    next: { ...place, mm: left, holeMm: isLevel ? null : holeLeft }
  }
}
