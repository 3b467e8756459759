// What will go wrong while it can still be mended.
import { sayDay } from './days'
import { daysToLength, pulledShare } from './layers'
import { isClipped, lagAt, rolledPlaces, stateAt, type CoatModel, type PlaceModel } from './model'
import { isPaired, placeName, STRIP_MM, stripOf, STRIPS, type PatchSide, type CoatPlace } from './places'
import { HAIR } from './rules'
import { briefOn, stateOn } from './state'

export const WARNINGS = ['outOfStep', 'goingBare', 'hole', 'soft', 'borderUnstripped', 'pastRolling'] as const
export type WarningKind = (typeof WARNINGS)[number]

export type Warning = {
  readonly kind: WarningKind
  readonly place: CoatPlace
  readonly side: PatchSide | 'both'
  /** the first day on which it holds, within what was looked at */
  readonly day: number
  /** days apart, share, mm or days, by the kind */
  readonly amount: number
  /** what is wrong, with its number */
  readonly say: string
  /** what mends it, and by when */
  readonly mend: string
}

const percent = (share: number) => `${Math.round(share * 100)} %`
const sideWord = (side: PatchSide | 'both') => (side === 'left' ? 'left ' : side === 'right' ? 'right ' : '')
const named = (place: CoatPlace, side: PatchSide | 'both') => {
  const name = placeName(place)
  return side === 'left' || side === 'right' ? `${side === 'left' ? 'Left' : 'Right'} ${name.toLowerCase()}` : name
}

/**
 * Everything that is out of its limits on a day between `fromDay` and `toDay`, each with the first day it holds. An ordinary two-week
 * roll of both sides raises nothing (tested). Stripped places only, but for holes; what was pulled bare on purpose is not going bare.
 */
export function warningsOf(model: CoatModel, fromDay: number, toDay: number): readonly Warning[] {
  const found = [...model.places.values()].flatMap((own) => [
    ...holesIn(own, fromDay),
    ...(own.isStripped ? [...outOfStep(model, own, fromDay, toDay), ...perSide(model, own, fromDay, toDay)] : [])
  ])
  return [...found, ...borders(model, fromDay)].sort(
    (a, b) => WARNINGS.indexOf(a.kind) - WARNINGS.indexOf(b.kind) || a.day - b.day || Math.abs(b.amount) - Math.abs(a.amount)
  )
}

function* everyDay(from: number, to: number): Iterable<number> {
  for (let day = from; day <= to; day++) yield day
}

function outOfStep(model: CoatModel, { place, growing }: PlaceModel, fromDay: number, toDay: number): readonly Warning[] {
  if (!isPaired(place)) return []
  for (const day of everyDay(fromDay, toDay)) {
    const lag = lagAt(model, place, day)
    if (Math.abs(lag.days) <= model.rules.lagDays) continue
    const [behind, days] = [lag.days > 0 ? 'left' : 'right', Math.abs(lag.days)] as const
    const mm = Math.round(days * growing.mmPerDay)
    return [
      {
        kind: 'outOfStep',
        place,
        side: 'both',
        day,
        amount: lag.days,
        say: `${placeName(place)}: the ${behind} is ${days} days behind on ${percent(lag.share01)} of its hair, ${mm} mm shorter when both are grown.`,
        mend: 'From now on, do both sides of a place in one visit, and try a half roll instead of a light one.'
      }
    ]
  }
  return []
}

function perSide(model: CoatModel, own: PlaceModel, fromDay: number, toDay: number): readonly Warning[] {
  const sides = [...own.sides.keys()]
  const perSide = sides.map((side) => [
    bare(model, own, side, fromDay, toDay),
    soft(model, own, side, fromDay, toDay),
    past(model, own, side, fromDay, toDay)
  ])
  // what holds on both sides from the same day is said once
  return [0, 1, 2].flatMap((kind) => {
    const all = perSide.flatMap((warnings) => warnings[kind] ?? [])
    return all.length === 2 && all[0]!.day === all[1]!.day && all[0]!.both ? [all[0]!.both] : all.map(({ one }) => one)
  })
}

type OneOrBoth = { readonly day: number; readonly one: Warning; readonly both: Warning | null }
function sided(day: number, side: PatchSide, make: (side: PatchSide | 'both') => Warning): OneOrBoth {
  return { day, one: make(side), both: side === 'middle' ? null : make('both') }
}

function bare(model: CoatModel, own: PlaceModel, side: PatchSide, fromDay: number, toDay: number): OneOrBoth | null {
  const { acts, history } = own.sides.get(side)!
  for (const day of everyDay(fromDay, toDay)) {
    const { empty01 } = briefOn(history, day)
    if (empty01 <= model.rules.bare01) continue
    const last = acts.findLast((act) => act.day <= day && act.act.kind === 'pulled')
    // pulled bare in one go is what was meant; bare by rolling again too soon is not
    if (last?.act.kind === 'pulled' && pulledShare(last.act, model.rules) >= 1) return null
    const shows = showsAgain(own, side, model, day)
    return sided(day, side, (which) => ({
      kind: 'goingBare',
      place: own.place,
      side: which,
      day,
      amount: empty01,
      say: `${named(own.place, which)}: ${percent(empty01)} shows no hair on ${sayDay(day)}.`,
      mend: `Leave it until hair shows again${shows ? ` on ${sayDay(shows)}` : ''}; stop at a place when skin shows.`
    }))
  }
  return null
}

function showsAgain(own: PlaceModel, side: PatchSide, model: CoatModel, fromDay: number): number | null {
  const { history } = own.sides.get(side)!
  for (let day = fromDay; day < fromDay + 200; day++) if (briefOn(history, day).empty01 <= model.rules.bare01) return day
  return null
}

function soft(model: CoatModel, own: PlaceModel, side: PatchSide, fromDay: number, toDay: number): OneOrBoth | null {
  // the strips along the border have their own warning
  if (stripOf(own.place)) return null
  const { history } = own.sides.get(side)!
  for (const day of everyDay(fromDay, toDay)) {
    const { soft01 } = briefOn(history, day)
    if (soft01 <= model.rules.soft01) continue
    const back = daysToLength(HAIR.gripMm, own.growing)
    return sided(day, side, (which) => ({
      kind: 'soft',
      place: own.place,
      side: which,
      day,
      amount: soft01,
      say: `${named(own.place, which)}: ${percent(soft01)} of the hair has been cut since it was pulled, and grows back soft.`,
      mend: `Only pulling corrects it: pull all the cut hair, then wait ${back} days until the new hair can be gripped.`
    }))
  }
  return null
}

function past(model: CoatModel, own: PlaceModel, side: PatchSide, fromDay: number, toDay: number): OneOrBoth | null {
  const { acts } = own.sides.get(side)!
  if (stripOf(own.place)) return null
  const pulls = acts.filter(({ act }) => act.kind === 'pulled').map(({ day }) => day)
  for (const day of everyDay(fromDay, toDay)) {
    const last = pulls.findLast((one) => one <= day)
    if (last === undefined) return null
    const days = day - last
    if (days <= model.rules.rollingDays) continue
    const isNow = day === fromDay
    return sided(day, side, (which) => ({
      kind: 'pastRolling',
      place: own.place,
      side: which,
      day,
      amount: days,
      say: isNow
        ? `${named(own.place, which)}: nothing pulled for ${days} days; the coat is all one age and must all come out.`
        : `${named(own.place, which)}: past rolling from ${sayDay(day)} unless something is pulled first.`,
      mend: isNow ? 'Pull it all, both sides in one visit, and start again.' : `Roll it before ${sayDay(day)}.`
    }))
  }
  return null
}

function holesIn(own: PlaceModel, fromDay: number): readonly Warning[] {
  return [...own.sides].flatMap(([side, { history }]) =>
    stateOn(history, fromDay).holes.flatMap((hole, i): Warning[] => {
      if (hole.isLevel) return []
      let day = fromDay
      while (day < fromDay + 365 && !(stateOn(history, day).holes[i]?.isLevel ?? true)) day++
      const level = day < fromDay + 365 ? `level with the coat around it by ${sayDay(day)}` : 'not level within a year'
      return [
        {
          kind: 'hole',
          place: own.place,
          side,
          day: fromDay,
          amount: hole.widthMm,
          say: `${named(own.place, side)}: the hair in a ${hole.widthMm} mm hole is ${Math.round(hole.mm)} mm long; ${level}.`,
          mend: 'Blend in the hair beside and below it, pull no more at this spot, and record it as like this on arrival.'
        }
      ]
    })
  )
}

function borders(model: CoatModel, fromDay: number): readonly Warning[] {
  if (rolledPlaces(model).length === 0) return []
  return STRIPS.flatMap((strip): Warning[] => {
    const beside = model.places.get(strip.beside)
    const clipped = model.places.get(strip.clipped)
    if (!clipped || !beside?.isStripped) return []
    return [...(model.places.get(strip.id)?.sides ?? [])].flatMap(([side, { acts }]): Warning[] => {
      const along = clipped.sides.get(side) ?? clipped.sides.get('middle') ?? clipped.sides.get('left')
      const last = along?.acts.findLast((act) => act.day <= fromDay && isClipped(act))
      const isStripped = (day: number) =>
        acts.some((one) => one.act.kind === 'pulled' && one.day >= day - HAIR.stripFreshDays && one.day <= fromDay)
      if (!last || isStripped(last.day)) return []
      const { soft01 } = stateAt(model, strip.id, side, fromDay)
      return [
        {
          kind: 'borderUnstripped',
          place: strip.id,
          side,
          day: last.day,
          amount: soft01,
          say: `${named(strip.id, side)}: the ${placeName(strip.clipped).toLowerCase()} was clipped on ${sayDay(last.day)} with the ${sideWord(side)}border unstripped; ${Math.round(soft01 * STRIP_MM)} mm of it will turn soft.`,
          mend: `Strip ${STRIP_MM} mm along the border before using the clipper here again.`
        }
      ]
    })
  })
}
