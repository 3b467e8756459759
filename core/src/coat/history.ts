// One place of a dog from its first entry on: what stands there after each act, and from which of its lengths growth can be read.
import { dayOf } from './days'
import { after, lengthOn } from './layers'
import { rateOfGap, slopeOf, type LengthPoint, type RateFound } from './growth'
import type { CoatRules } from './rules'
import type { CoatAct, Growing, HairLayer, Step } from './types'

/** An act on its day, as the book tells it of one side of one place. */
export type DatedAct = { readonly day: number; readonly act: CoatAct }

/** A place from the day before its first entry: `steps` in their order, each until the next. */
export type History = { readonly growing: Growing; readonly steps: readonly Step[] }

/**
 * Before anybody wrote anything the coat is taken for full grown, or for what it is known to be kept at; where the first entry is a
 * length, for that long on that day.
 * @param acts in their order @param fromDay where the book is empty @param keptMm what the place is usually left at, mm
 */
export function historyOf(
  acts: readonly DatedAct[],
  fromDay: number,
  growing: Growing,
  rules: CoatRules,
  keptMm = growing.terminalMm
): History {
  const first = acts[0]?.day ?? fromDay
  const steps: Step[] = [{ day: first - 1, layers: [firstLayer(acts[0], first, growing, keptMm)], holes: [], undercoat01: 1 }]
  for (const { day, act } of acts) {
    const next = after(steps[steps.length - 1]!, act, day, growing, rules)
    if (next !== steps[steps.length - 1]) steps.push(next)
  }
  return { growing, steps }
}

/** The same place with acts that are planned: nothing is worked out twice. @param acts in their order, after the last of the history */
export function extended({ growing, steps }: History, acts: readonly DatedAct[], rules: CoatRules): History {
  const more = [...steps]
  for (const { day, act } of acts) {
    const next = after(more[more.length - 1]!, act, day, growing, rules)
    if (next !== more[more.length - 1]) more.push(next)
  }
  return { growing, steps: more }
}

function firstLayer(first: DatedAct | undefined, day: number, growing: Growing, keptMm: number): HairLayer {
  const { mmPerDay, sproutDays } = growing
  const measured = first?.act.kind === 'length' ? first.act.mm : null
  const mm = measured ?? keptMm
  return {
    share01: 1,
    bornDay: Math.round(day - 1 - sproutDays - mm / mmPerDay),
    day0: day - (measured === null ? 1 : 0),
    mm0: mm,
    cutDay: null,
    assumed: true
  }
}

/** The step that holds on a day: the last one that began by then. Before the first it is the first. */
export function stepOn({ steps }: History, day: number): Step {
  let [low, high] = [0, steps.length - 1]
  while (low < high) {
    const middle = (low + high + 1) >> 1
    if (steps[middle]!.day <= day) low = middle
    else high = middle - 1
  }
  return steps[low]!
}

/** A clipper leaves its length within this, mm (1 standard uncertainty). Chosen: makers' tables differ by a few tenths. */
const CUT_U_MM = 0.5
/** A coat pulled bare sprouts within about this many days of the house's word (1 standard uncertainty). Chosen. */
const SPROUT_U_DAYS = 5

/**
 * What the lengths and layer gaps of one place say of its growth: a slope for every stretch between two works, begun by a known length
 * (a cut, a coat pulled bare) where there is one, and a rate for each gap. Rates that run backward are not growth and are left out.
 */
export function ratesFrom(acts: readonly DatedAct[], sproutDays: number): readonly RateFound[] {
  const found: (RateFound | null)[] = []
  let points: LengthPoint[] = []
  const close = () => {
    found.push(slopeOf(points))
    points = []
  }
  for (const { day, act } of acts) {
    if (act.kind === 'length') points.push({ day, mm: act.mm, uMm: act.uMm })
    else if (act.kind === 'gap') found.push(rateOfGap(act.mm, dayOf(act.newerOn) - dayOf(act.olderOn), GAP_U_MM))
    else if (act.kind === 'cut' && (act.share01 ?? 1) === 1) {
      close()
      points = [{ day, mm: act.toMm, uMm: CUT_U_MM }]
    } else if (act.kind === 'pulled') {
      close()
      const isBare = act.how === 'all' && (act.share01 ?? 1) === 1
      points = isBare ? [{ day: day + sproutDays, mm: 0, uMm: SPROUT_U_DAYS * 0.3 }] : []
    }
  }
  close()
  return found.filter((one): one is RateFound => one !== null && one.mmPerDay > 0)
}
/** Two layers are told apart with a ruler between the fingers, mm (1 standard uncertainty). Chosen. */
const GAP_U_MM = 2

/** Lengths of all layers of a place on a day, for tests and charts: mm with their shares. */
export function lengthsOn(history: History, day: number): readonly { readonly mm: number; readonly share01: number }[] {
  return stepOn(history, day).layers.map((layer) => ({ mm: lengthOn(layer, day, history.growing), share01: layer.share01 }))
}
