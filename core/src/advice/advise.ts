// The adviser: starts from every tool, applies prohibitions, caps, lengthening and preferences in this order, and says why.
import { bladeOf, lengthLeft, REFERENCE_SERIES, type Direction, type Tool } from '../tools'
import type { Advice, AdviceCase, AdviceRule, Ban, Choice, Effect, Fired, When, Which, Within } from './types'

/** What is said where nothing may be used. */
export const NOTHING_LEFT = 'Scissor it or leave it; ask the instructor.'
/** A clipper's length meets the plan within this share, or scissors are nearer. Chosen. */
const MEETS_SHARE = 0.12
const MEETS_LEAST_MM = 0.4
const meetsAim = (lengthMm: number, aimMm: number) => Math.abs(lengthMm - aimMm) <= Math.max(MEETS_LEAST_MM, MEETS_SHARE * aimMm)

/** Does a rule apply here? */
export function applies(when: When, { region, coat, facts, house, plannedMm }: AdviceCase): boolean {
  return (
    (!when.regions || when.regions.includes(region)) &&
    (!when.coats || when.coats.includes(coat)) &&
    (!when.all || when.all.every((fact) => facts.has(fact))) &&
    (!when.any || when.any.some((fact) => facts.has(fact))) &&
    (!when.none || !when.none.some((fact) => facts.has(fact))) &&
    (!when.house || (house[when.house.id] ?? 0) === when.house.side) &&
    (when.asksNoCloserMm === undefined || plannedMm === null || plannedMm >= when.asksNoCloserMm) &&
    (when.plannedUpToMm === undefined || plannedMm === null || plannedMm <= when.plannedUpToMm) &&
    (when.plannedFromMm === undefined || (plannedMm !== null && plannedMm >= when.plannedFromMm))
  )
}

const choicesByRack = new WeakMap<readonly Tool[], readonly Choice[]>()

/** Every tool of a rack in every direction that leaves an allowed length. The same for the same rack, so it is computed once. */
export function choicesOf(rack: readonly Tool[]): readonly Choice[] {
  const known = choicesByRack.get(rack)
  if (known) return known
  const found = everyChoice(rack)
  choicesByRack.set(rack, found)
  return found
}

function everyChoice(rack: readonly Tool[]): Choice[] {
  return rack.flatMap((tool): Choice[] => {
    if (tool.kind === 'scissors' || tool.kind === 'hand') return [{ tool, direction: null, lengthMm: null }]
    if (tool.lengthMm === null) return []
    const directions: readonly Direction[] = onSeries(tool) || tool.kind === 'comb' ? ['with', 'against'] : ['with']
    return directions.flatMap((direction) => {
      const left = lengthLeft(tool, direction)
      return left.allowed ? [{ tool, direction, lengthMm: left.lengthMm }] : []
    })
  })
}

const onSeries = (tool: Tool) => REFERENCE_SERIES.some(({ blade }) => blade === bladeOf(tool))

function isMeant({ labels, notLabels, kinds, toothing, adjustable, direction }: Which, choice: Choice): boolean {
  const { tool } = choice
  return (
    (!labels || labels.includes(bladeOf(tool))) &&
    (!notLabels || !notLabels.includes(bladeOf(tool))) &&
    (!adjustable || Boolean(tool.setTo)) &&
    (!kinds || kinds.includes(tool.kind)) &&
    (!toothing || tool.toothing === toothing) &&
    (!direction || choice.direction === direction)
  )
}

type Effective<K extends Effect['kind']> = { readonly rule: AdviceRule; readonly effect: Extract<Effect, { kind: K }> }

function effectsOf<K extends Effect['kind']>(rules: readonly AdviceRule[], kind: K): Effective<K>[] {
  return rules.flatMap((rule) =>
    rule.does.filter((effect): effect is Extract<Effect, { kind: K }> => effect.kind === kind).map((effect) => ({ rule, effect }))
  )
}

const firedBy = ({ rule }: { readonly rule: AdviceRule }): Fired => ({ id: rule.id, say: rule.say })
const once = (fired: readonly Fired[]): Fired[] => [...new Map(fired.map((one) => [one.id, one])).values()]

const stepsByRack = new WeakMap<readonly Tool[], readonly number[]>()

/** The steps of the trade from short to long, mm: the blades, then what combs of the rack leave. */
function stepsOf(rack: readonly Tool[]): readonly number[] {
  const known = stepsByRack.get(rack)
  if (known) return known
  const blades = REFERENCE_SERIES.map(({ lengthMm }) => lengthMm)
  const combs = rack.flatMap(({ kind, lengthMm }) => (kind === 'comb' && lengthMm !== null ? [lengthMm] : []))
  const steps = [...new Set([...blades, ...combs])].sort((a, b) => a - b)
  stepsByRack.set(rack, steps)
  return steps
}

/** So many steps longer than a length, mm; the longest step is as far as it goes. */
function longer(mm: number, steps: number, rack: readonly Tool[]): number {
  const above = stepsOf(rack).filter((step) => step > mm + 1e-6)
  return above.length === 0 ? mm : above[Math.min(steps, above.length) - 1]!
}

/** The first step that is no closer than a cap, mm. */
function stepAtLeast(mm: number, rack: readonly Tool[]): number {
  return stepsOf(rack).find((step) => step >= mm - 1e-6) ?? mm
}

type Cap = Extract<Effect, { kind: 'cap' }>

/** The closest that a cap allows, mm: of a blade, what it leaves in that direction, by the rack's own blade or the series. */
function closestOf(effect: Cap, rack: readonly Tool[], direction: Direction | null): number {
  if (effect.label === undefined) return effect.closestMm
  const { label } = effect
  const tool = rack.find((one) => one.kind === 'blade' && one.label === label) ?? seriesBlade(label)
  const left = lengthLeft(tool, direction ?? 'with')
  return left.allowed ? left.lengthMm : 0
}

const seriesBlade = (label: string): Tool => ({
  ...{ id: label, label, kind: 'blade', fraction: null, toothing: 'finish', note: '' },
  lengthMm: REFERENCE_SERIES.find(({ blade }) => blade === label)?.lengthMm ?? 0
})

const rulesByRegion = new WeakMap<readonly AdviceRule[], Map<string, readonly AdviceRule[]>>()

/** The rules that can speak at a place, looked up once for a list of rules. */
function rulesAt(rules: readonly AdviceRule[], region: AdviceCase['region']): readonly AdviceRule[] {
  const known = rulesByRegion.get(rules) ?? new Map<string, readonly AdviceRule[]>()
  rulesByRegion.set(rules, known)
  const here = known.get(region) ?? rules.filter(({ when }) => !when.regions || when.regions.includes(region))
  known.set(region, here)
  return here
}

/**
 * Advice for one place. Prohibitions hold whatever else is said; the longest cap holds; of all lengthening only the
 * longest applies, from what the rules prefer or the plan leaves; preferences rank what is left, then nearness to the
 * length aimed at, then the longer before the shorter. Source: common practice, no published source.
 */
export function advise(rules: readonly AdviceRule[], asked: AdviceCase): Advice {
  const active = rulesAt(rules, asked.region).filter(({ when }) => applies(when, asked))
  // where a trim says the work, the house has spoken in it: a trim's own row beats a house rule that it does not name
  const forbids = effectsOf(active, 'forbid').filter(
    // what this house does not work with at all is no matter of the row
    ({ rule, effect }) => !asked.within || !rule.when.house || effect.which.adjustable
  )
  const caps = effectsOf(active, 'cap')
  const lengthens = effectsOf(active, 'lengthen')
  const prefers = effectsOf(active, 'prefer')
  const closest = (effect: Cap, direction: Direction | null) => closestOf(effect, asked.rack, direction)
  const way = asked.within?.direction ?? prefers.find(({ effect }) => effect.direction)?.effect.direction ?? null
  const cap = caps.reduce((most, { effect }) => Math.max(most, closest(effect, way)), 0)
  const base = asked.plannedMm ?? preferredMm(prefers, asked.rack)
  const capped = base !== null && base >= cap ? base : cap > 0 ? stepAtLeast(cap, asked.rack) : null
  const burnedMm = asked.burnedMm ?? null
  const past = burnedMm === null ? null : longer(burnedMm, 1, asked.rack)
  const lengthened = lengthens.flatMap(({ effect }) => {
    if (effect.past === 'burn' && past !== null) return [Math.max(capped ?? 0, past)]
    return capped === null ? [] : [longer(capped, effect.steps, asked.rack)]
  })
  // two that lengthen take the longer, not both
  const aimMm = lengthened.length > 0 ? Math.max(...lengthened) : capped
  // what is taken longer here may not come out shorter by another tool
  const leastMm = lengthens.length > 0 && aimMm !== null ? aimMm : cap
  const burns = lengthens.filter(({ effect }) => effect.past === 'burn')
  const bans: Ban[] = []
  const allowed: Choice[] = []
  for (const choice of choicesOf(asked.rack)) {
    const { lengthMm, direction } = choice
    const against = [
      ...forbids.filter(({ effect }) => isMeant(effect.which, choice)),
      ...(lengthMm === null ? [] : caps.filter(({ effect }) => lengthMm < closest(effect, direction) - 1e-6)),
      ...(lengthMm !== null && lengthens.length > 0 && lengthMm < leastMm - 1e-6 ? lengthens : []),
      // never at or below the blade that burned, whatever else is aimed at
      ...(lengthMm !== null && burnedMm !== null && lengthMm <= burnedMm + 1e-6 ? burns : [])
    ]
    const outside = asked.within && !isWithin(asked.within, choice) ? [{ id: OUTSIDE_PLAN, say: asked.within.say }] : []
    if (against.length + outside.length > 0) bans.push({ choice, because: [...outside, ...once(against.map(firedBy))] })
    else allowed.push(choice)
  }
  const inOrder = rank(allowed, prefers, aimMm)
  const ranked = asked.within ? usualFirst(inOrder, asked.within, prefers, aimMm) : inOrder
  const cautions = effectsOf(active, 'caution').map((one) => ({
    ...firedBy(one),
    ...(one.effect.kinds ? { kinds: one.effect.kinds } : {})
  }))
  // what lengthens speaks where it moved the length
  const moving = aimMm !== capped || base === null ? lengthens : []
  const banning = new Set(bans.flatMap(({ because }) => because.map(({ id }) => id)))
  const hits = forbids.filter(({ rule }) => banning.has(rule.id))
  // what moved the length first, what only takes tools away last
  const fired = once([...moving, ...caps, ...prefers, ...hits].map(firedBy))
  return { ranked, bans, cautions, fired, aimMm, say: ranked.length === 0 ? NOTHING_LEFT : sayChoice(ranked[0]!) }
}

/** What a choice outside the trim's kind of work is banned by. */
export const OUTSIDE_PLAN = 'plan'

const isWithin = ({ kinds, direction }: Within, { tool, direction: way }: Choice) => kinds.includes(tool.kind) && way === direction

/** The tools that the trim names come first, in its order, where they leave what is aimed at; what a rule prefers among them before the rest. */
function usualFirst(ranked: readonly Choice[], { tools }: Within, prefers: readonly Effective<'prefer'>[], aimMm: number | null): Choice[] {
  const at = ({ tool }: Choice) => tools.indexOf(tool.id)
  const liked = ({ tool }: Choice) => prefers.filter(({ effect }) => effect.labels?.includes(tool.label)).length
  const meets = ({ lengthMm }: Choice) => lengthMm === null || aimMm === null || meetsAim(lengthMm, aimMm)
  const usual = ranked.filter((choice) => at(choice) >= 0 && meets(choice)).sort((a, b) => liked(b) - liked(a) || at(a) - at(b))
  return [...usual, ...ranked.filter((choice) => !usual.includes(choice))]
}

/** The length of the tool that a rule prefers and names first, in its direction, mm. */
function preferredMm(prefers: readonly Effective<'prefer'>[], rack: readonly Tool[]): number | null {
  for (const { effect } of prefers) {
    for (const label of effect.labels ?? []) {
      const found = choicesOf(rack).find(
        ({ tool, direction, lengthMm }) =>
          lengthMm !== null && tool.label === label && (direction === null || direction === (effect.direction ?? 'with'))
      )
      if (found) return found.lengthMm
    }
  }
  return null
}

function rank(choices: readonly Choice[], prefers: readonly Effective<'prefer'>[], aimMm: number | null): Choice[] {
  const liked = (choice: Choice) =>
    prefers.filter(
      ({ effect }) =>
        (!effect.labels || effect.labels.includes(choice.tool.label)) &&
        (!effect.kinds || effect.kinds.includes(choice.tool.kind)) &&
        (!effect.direction || choice.direction === effect.direction)
    ).length
  const off = ({ lengthMm }: Choice) => (lengthMm === null || aimMm === null ? 0 : Math.abs(lengthMm - aimMm))
  const meets = (choice: Choice) => (aimMm === null ? liked(choice) > 0 : choice.lengthMm === null || meetsAim(choice.lengthMm, aimMm))
  // a blade or comb that meets the aim, then what cuts free-hand, then what is merely near
  const order = (choice: Choice) => (choice.lengthMm === null ? 1 : meets(choice) ? 0 : 2)
  const free = (choice: Choice) => (choice.tool.kind === 'hand' ? 1 : 0)
  const scored = choices.map((choice) => ({ choice, order: order(choice), liked: liked(choice), off: off(choice) }))
  scored.sort(
    (a, b) =>
      a.order - b.order ||
      b.liked - a.liked ||
      a.off - b.off ||
      Number(a.choice.direction === 'against') - Number(b.choice.direction === 'against') ||
      free(a.choice) - free(b.choice) ||
      (b.choice.lengthMm ?? 0) - (a.choice.lengthMm ?? 0)
  )
  return scored.map(({ choice }) => choice)
}

/** "7F with the growth, leaves 3.2 mm" */
export function sayChoice({ tool, direction, lengthMm }: Choice): string {
  if (lengthMm === null) return tool.label
  return `${tool.kind} ${tool.label} ${direction} the growth, leaves ${lengthMm} mm`
}

/** "blade 7F with": as short as a note in the margin is. */
export function shortChoice({ tool, direction, lengthMm }: Choice): string {
  return lengthMm === null ? tool.label : `${tool.kind} ${tool.label} ${direction}`
}

/** What to take care of at a place with the tool that is used there. */
export function cautionsWith({ cautions }: Pick<Advice, 'cautions'>, choice: Choice | null): readonly Fired[] {
  return cautions.filter(({ kinds }) => !kinds || (choice !== null && kinds.includes(choice.tool.kind)))
}

/** Why a tool is not advised here, and the nearest that is. */
export type WhyNot = { readonly allowed: boolean; readonly because: readonly string[]; readonly nearest: Choice | null }

/** @param direction null for scissors and hands */
export function whyNot({ ranked, bans, aimMm }: Advice, toolId: string, direction: Direction | null): WhyNot {
  const is = ({ tool, direction: way }: Choice) => tool.id === toolId && way === direction
  const banned = bans.find(({ choice }) => is(choice))
  const at = ranked.findIndex(is)
  if (at === 0) return { allowed: true, because: ['This is the first choice here.'], nearest: null }
  if (at > 0) {
    const { lengthMm } = ranked[at]!
    const [first] = ranked
    const because =
      lengthMm !== null && aimMm !== null && Math.abs(lengthMm - aimMm) > 0.05
        ? `It is allowed, but leaves ${lengthMm} mm where the aim is ${aimMm} mm.`
        : `It is allowed, but ${sayChoice(first!)} is preferred.`
    return { allowed: true, because: [because], nearest: first! }
  }
  if (!banned) return { allowed: false, because: ['The rack has no such tool for this direction.'], nearest: ranked[0] ?? null }
  const wanted = banned.choice.lengthMm ?? aimMm
  const apart = ({ lengthMm }: Choice) => (lengthMm === null || wanted === null ? Infinity : Math.abs(lengthMm - wanted))
  const nearest = ranked.reduce<Choice | null>((best, choice) => (best && apart(best) <= apart(choice) ? best : choice), null)
  return { allowed: false, because: banned.because.map(({ say }) => say), nearest }
}
