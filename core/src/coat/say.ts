// The sentences above charts and plates.
import type { Growth } from './growth'
import { lagAt, worstLag, type CoatModel } from './model'
import { placeName, type CoatPlace } from './places'
import type { LayerOn, PlaceState } from './state'

const mm = (value: number) => `${Math.round(value)} mm`
export const percentOf = (share01: number): string => `${Math.round(share01 * 100)} %`
const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten']
const count = (n: number) => NUMBERS[n] ?? String(n)

/** Layers that an eye tells apart, the longest first: ages closer than two millimetres are one. */
export function visibleLayers(layers: readonly LayerOn[], apartMm = 2): readonly (readonly LayerOn[])[] {
  const groups: LayerOn[][] = []
  for (const layer of [...layers].reverse()) {
    const last = groups[groups.length - 1]
    if (last && layer.mm > 0 && last[0]!.mm - layer.mm < apartMm) last.push(layer)
    else if (last && layer.mm <= 0 && last[0]!.mm <= 0) last.push(layer)
    else groups.push([layer])
  }
  return groups
}

/** What stands at one side of a place, in a sentence. */
export function sayState(state: PlaceState): string {
  const shown = visibleLayers(state.layers.filter(({ mm: length }) => length > 0))
  if (shown.length === 0) return 'Bare: no hair showing yet.'
  const ages = shown.length === 1 ? 'One age' : `${count(shown.length)[0]!.toUpperCase()}${count(shown.length).slice(1)} ages`
  const parts = [
    `${ages}, to ${mm(shown[0]![0]!.mm)}`,
    state.empty01 >= 0.005 ? `${percentOf(state.empty01)} has no hair showing yet` : 'no gap',
    ...(state.soft01 >= 0.005 ? [`${percentOf(state.soft01)} is soft`] : []),
    ...(state.ripe01 >= 0.005 ? [`${percentOf(state.ripe01)} is ripe`] : []),
    ...(state.undercoat01 < 0.995 ? [`undercoat at ${percentOf(state.undercoat01)} after carding`] : [])
  ]
  return `${parts.join('; ')}.`
}

/** How a pair stands on a day: in step, or how many days apart and by how much. */
export function sayPair(model: CoatModel, place: CoatPlace, day: number): string {
  const lag = lagAt(model, place, day)
  if (lag.days === 0) return `${placeName(place)}: both sides are in step.`
  const behind = lag.days > 0 ? 'left' : 'right'
  const stands = Math.abs(lag.mm) >= 0.5 ? `, and ${percentOf(lag.share01)} of its hair is ${mm(Math.abs(lag.mm))} shorter` : ''
  return `${placeName(place)}: the ${behind} is ${Math.abs(lag.days)} days behind${stands}.`
}

const TAKEN = { fullGrown: 'a full-grown coat is', trim: 'the lengths of its trim are' }

/** The dog in one sentence; bold parts in double asterisks. */
export function sayDog(name: string, model: CoatModel, day: number): string {
  if (model.isEmpty) return `Nothing is written in ${name}’s coat book yet: ${TAKEN[model.takes]} assumed, growing at the usual rate.`
  const worst = worstLag(model, day)
  if (!worst || Math.abs(worst.lag.days) <= model.rules.lagDays) return `${name}: **both sides are in step**.`
  const behind = worst.lag.days > 0 ? 'left' : 'right'
  const stands = Math.abs(worst.lag.mm) >= 0.5 ? `, and is ${mm(Math.abs(worst.lag.mm))} shorter` : ''
  return `${name}: **the sides are ${Math.abs(worst.lag.days)} days apart**. The ${behind} ${placeName(worst.place).toLowerCase()} is behind on ${percentOf(worst.lag.share01)} of its hair${stands}.`
}

/** This dog's rate and what it stands on. */
export function sayGrowth({ method, mmPerDay, interval, n }: Growth): string {
  const rate = `${mmPerDay.toFixed(2)} mm a day, between ${interval[0].toFixed(2)} and ${interval[1].toFixed(2)}`
  if (method === 'prior') return `Grows ${rate}. This is the usual rate for dogs, and only rough, until this dog is measured.`
  return `Grows ${rate}, from ${n} ${n === 1 ? 'measurement' : 'measurements'} on this dog.`
}
