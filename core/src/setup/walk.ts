// The order of the work: as the trim plans it, moved by the house. Common practice, no published source.
import type { PlanStep } from '../standard'

type House = Readonly<Record<string, number>>

/** What comes before and after the work on the shape, wherever the house begins it. */
const AROUND = new Set(
  [
    'equipment-check',
    'rough-clip',
    'brush-out',
    'bath',
    'dry',
    'eye-care',
    'card-first',
    'what-to-pull',
    'nails',
    'pads',
    'sanitary'
  ].concat(['comfort-first', 'close-list', 'blow-shake', 'last-look'])
)
/** A dog is stripped where the whole jacket is pulled, not where a shoulder is. */
const STRIPS = new Set(['pull', 'roll-coat'])

/**
 * The steps of a trim as this house works: steps of another side of a house rule fall away; nails go after the feet where the
 * house does so; on a stripped dog the head and the transitions may come before the body.
 */
export function orderedSteps(steps: readonly PlanStep[], house: House): readonly PlanStep[] {
  const held = steps.filter(({ house: by }) => by === undefined || (house[by.id] ?? 0) === by.side)
  const walked = house['nails-when'] === 1 ? nailsAfterFeet(held) : held
  const opened = roundHeadOpened(walked, house['round-head'] ?? 0)
  return house.order === 1 && held.some(({ technique }) => STRIPS.has(technique)) ? headFirst(opened) : opened
}

/** With what a round head is begun, by the side of the house rule; the first side is the order that the trim has itself. */
const OPENS: readonly (readonly string[])[] = [[], ['visor'], ['visor', 'round-head'], ['eye-corners', 'eye-diamond', 'open-eyes']]
const ROUND_HEAD = new Set(['eye-corners', 'eye-diamond', 'open-eyes', 'visor', 'mouth', 'smile-lip', 'round-head'])

function roundHeadOpened(steps: readonly PlanStep[], side: number): readonly PlanStep[] {
  const first = OPENS[side] ?? []
  if (first.length === 0 || !steps.some(({ technique }) => technique === 'round-head' || technique === 'smile-lip')) return steps
  const at = steps.flatMap(({ technique }, i) => (ROUND_HEAD.has(technique) ? [i] : []))
  const head = at.map((i) => steps[i]!)
  const opened = [
    ...head.filter(({ technique }) => first.includes(technique)),
    ...head.filter(({ technique }) => !first.includes(technique))
  ]
  return steps.map((step, i) => (at.includes(i) ? opened[at.indexOf(i)]! : step))
}

function nailsAfterFeet(steps: readonly PlanStep[]): readonly PlanStep[] {
  const isNails = ({ technique }: PlanStep) => technique === 'nails'
  const lastFoot = steps.findLastIndex(({ technique }) => /foot|pads/.test(technique))
  const nails = steps.findIndex(isNails)
  if (nails < 0 || lastFoot < nails) return steps
  return [...steps.slice(0, lastFoot + 1).filter((step) => !isNails(step)), steps[nails]!, ...steps.slice(lastFoot + 1)]
}

function headFirst(steps: readonly PlanStep[]): readonly PlanStep[] {
  const isHead = ({ technique }: PlanStep) =>
    /head|face|brows|ear-|visor|eye|smile|mouth|dome|transition|throat|winter-clip/.test(technique)
  const from = steps.findIndex(({ technique }) => !AROUND.has(technique))
  if (from < 0) return steps
  const rest = steps.slice(from)
  const first = rest.filter((step) => isHead(step) && !AROUND.has(step.technique))
  return [...steps.slice(0, from), ...first, ...rest.filter((step) => !first.includes(step))]
}

/**
 * Where the gate stands in a walk, counted from 1: the first step that waits until the dog is dry and combed to the skin. Rough
 * passes before the bath, mats, carding and whatever is pulled do not wait. Null where no step waits.
 */
export function gateStep(steps: readonly PlanStep[], waits: (technique: string) => boolean): number | null {
  const at = steps.findIndex(({ technique }) => waits(technique))
  return at < 0 ? null : at + 1
}

/** What stands at the gate of a walk. */
export const GATE_WORDS = 'Comb through once more. Do not cut until the check-in confirms the dog is dry and combed to the skin.'

/** Minutes of the steps that count into the trim's time, and of those with a clock of their own: brushing out, bath, drying. */
export function minutesOfWalk(steps: readonly PlanStep[]): { readonly trim: number; readonly apart: number } {
  const sum = (some: readonly PlanStep[]) => some.reduce((all, { minutes }) => all + minutes, 0)
  return { trim: sum(steps.filter(({ apart }) => !apart)), apart: sum(steps.filter(({ apart }) => apart)) }
}
