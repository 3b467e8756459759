// Advice for a whole dog, in the order of the work.
import { cautionsWith, choicesOf, sayChoice, type AdviceRule, type Choice, type CoatType, type Fact } from '../advice'
import { factsFromSkin, skinStops, type Found } from '../checkin'
import { CoreError } from '../error'
import type { BurnPlace } from '../grade'
import { REGIONS, type RegionId } from '../regions'
import {
  fittedStandard,
  lengthOfPlace,
  unsaidWork,
  workFor,
  type FittedStandard,
  type PlacePlan,
  type Plan,
  type PlanStep,
  type Standard
} from '../standard'
import type { Tool } from '../tools'
import { stepsByTargets, targetsOfLines } from './agreed'
import { holdsAt, namedFindings, rowToday } from './named'
import { workPlace, type WorkedPlace } from './passes'
import { gateStep, orderedSteps } from './walk'
import type { Chosen, LineId, LineSide, Sheet, SheetCase, SheetLine } from './types'

/** Longest and shortest hair that can be asked for, mm. */
export const WISH_LIMITS_MM = Object.freeze({ low: 0.25, high: 300 })

/** The target at each place with what changed it, from the standard as it is fitted for this visit. */
function targetsOf({ standard, moved }: FittedStandard, houseRules: SheetCase['houseRules']) {
  const changedBy = new Map<RegionId, string>()
  for (const { regions, by } of moved) {
    const rule = 'rule' in by ? houseRules.find(({ id }) => id === by.rule) : undefined
    const words =
      'wish' in by
        ? `${by.wish}, asked for by ${by.askedBy}`
        : rule && 'rule' in by
          ? `${rule.question}: ${rule.sides[by.side]}`
          : 'rule' in by
            ? by.rule
            : 'agreed at set-up'
    for (const region of regions) changedBy.set(region, words)
  }
  return new Map(
    (Object.entries(standard.plan.lengthsMm) as [RegionId, number][]).map(([region, mm]) => [
      region,
      { mm, changedBy: changedBy.get(region) ?? null }
    ])
  )
}

/** House rules as they hold on this visit: the school's, where nobody asked for the other side. */
export function houseFor(house: Readonly<Record<string, number>>, wishes: SheetCase['wishes']): Readonly<Record<string, number>> {
  return { ...house, ...Object.fromEntries(wishes.flatMap(({ rule }) => (rule ? [[rule.id, rule.side]] : []))) }
}

const sidesOfPlace = new Map(REGIONS.map(({ id, paired }) => [id, paired]))

/** A place whose sides must be told apart today: burned, matted, hurting or not to be cut on one side only. */
function linesAt(
  region: RegionId,
  nth: number,
  { burns, stops, mats, hurts }: SheetCase
): readonly { readonly id: LineId; readonly side: LineSide }[] {
  const id = nth === 1 ? region : (`${region}.part${nth}` as const)
  if (!sidesOfPlace.get(region)) return [{ id, side: 'whole' }]
  const isUneven = [burns, stops, mats, hurts].some((list) => {
    const here = new Set(list.filter((item) => item.region === region).map(({ side }) => side))
    return here.size === 1 && !here.has('both')
  })
  if (!isUneven) return [{ id, side: 'both' }]
  return [
    { id: `${id}.left`, side: 'left' },
    { id: `${id}.right`, side: 'right' }
  ]
}

/** What the blade left that burned this place, mm; the longest of several, and null where nobody knows which it was. */
export function burnedMmAt(region: RegionId, side: LineSide, burns: readonly BurnPlace[]): number | null {
  const known = burns.flatMap((burn) => (burn.region === region && holdsAt(burn.side, side) && burn.by ? [burn.by.leftMm] : []))
  return known.length === 0 ? null : Math.max(...known)
}

/** What is true of the dog at one place: what is true of it today, and where it burned. */
export function factsAt(region: RegionId, side: LineSide, { facts, burns }: Pick<SheetCase, 'facts' | 'burns'>): ReadonlySet<Fact> {
  const all = new Set(facts)
  if (burns.length > 0) all.add('burnedBefore')
  if (burns.some((burn) => burn.region === region && holdsAt(burn.side, side))) all.add('burnedHere')
  return all
}

/**
 * The set-up sheet: one line for every place that the trim plans or works on, in the order of the work.
 * Lengths in mm. Source: common practice, no published source.
 * @throws CoreError `notAllowedHere` for a chosen tool that is banned at its place or not in the rack, with the reason
 */
export function sheetOf(rules: readonly AdviceRule[], asked: SheetCase): Sheet {
  const house = houseFor(asked.house, asked.wishes)
  const one: SheetCase = { ...asked, house }
  const fitted = fittedStandard(asked.standard, { house, wishes: asked.wishes })
  const targets = targetsOf(fitted, asked.houseRules)
  const steps = orderedSteps(fitted.standard.plan.steps, house)
  const regionsIn = steps.map(({ technique }) => asked.regionsOf(technique))
  const lines = rowsOf(fitted.standard.plan, one).flatMap(({ row, nth }) => {
    const order = orderOf(row, steps, regionsIn)
    const place = { order, step: steps[order - 1]?.label ?? '', isPart: nth > 1 }
    return linesAt(row.place, nth, one).map((line) =>
      lineOf(rules, one, row, { ...line, region: row.place, ...place }, targets.get(row.place))
    )
  })
  const rank = new Map(REGIONS.map(({ id }, i) => [id, i]))
  lines.sort((a, b) => a.order - b.order || rank.get(a.region)! - rank.get(b.region)!)
  const named = stepsByTargets(steps, targetsOfLines(lines), asked.rack, asked)
  return {
    steps: named,
    gate: gateStep(named, asked.waits),
    lines: lines.map((line) => ({ ...line, step: named[line.order - 1]?.label ?? '' })),
    house,
    moved: fitted.moved,
    wishes: asked.wishes.map(({ what, askedBy }) => `${what} (asked for by ${askedBy})`),
    decided: decidedBy(rules, one),
    overridden: asked.houseRules
      .filter(({ id }) => (asked.house[id] ?? 0) !== (house[id] ?? 0))
      .map(({ id, question, sides }) => `${question}: ${sides[house[id]!]}, not ${sides[asked.house[id] ?? 0]}`)
  }
}

/** The rows of a plan that stand for this coat, each with which part of its place it is; of a version without work, every place unsaid. */
function rowsOf(
  { work, lengthsMm }: Plan,
  { coat, house, facts }: SheetCase
): readonly { readonly row: PlacePlan; readonly nth: number }[] {
  const seen = new Map<RegionId, number>()
  return workFor(work ?? unsaidWork(lengthsMm), { house, coat, isShow: facts.has('show') }).map((row) => {
    const nth = (seen.get(row.place) ?? 0) + 1
    seen.set(row.place, nth)
    return { row, nth }
  })
}

/** The step at which a row comes, counted from 1: that of its first pass; else the last that works on its place; what is left alone comes last. */
function orderOf(row: PlacePlan, steps: readonly PlanStep[], regionsIn: readonly (readonly RegionId[])[]): number {
  if (row.does === 'leave') return steps.length
  const own = row.passes.map(({ technique }) => steps.findIndex((step) => step.technique === technique)).find((at) => at >= 0)
  const at = own ?? regionsIn.findLastIndex((regions) => regions.includes(row.place))
  return at < 0 ? steps.length : at + 1
}

/** House rules that can speak on this sheet: those that a rule of advice, a length of this trim or the order of the work asks. */
function decidedBy(rules: readonly AdviceRule[], { standard, coat, house, houseRules }: SheetCase): readonly string[] {
  const { steps, work = [] } = standard.plan
  const walked = new Set(steps.map(({ technique }) => technique))
  const asked = new Set<string>()
  if (walked.has('nails')) asked.add('nails-when')
  if (walked.has('round-head') || walked.has('smile-lip')) asked.add('round-head')
  if (walked.has('pull') || walked.has('roll-coat')) asked.add('order')
  for (const { house: by } of steps) if (by) asked.add(by.id)
  for (const { id, shownAt } of houseRules) if (shownAt?.some((technique) => walked.has(technique))) asked.add(id)
  // a rule of advice speaks where the trim has work at one of its places
  const worked = new Set(work.flatMap(({ place, does }) => (does === 'leave' ? [] : [place])))
  for (const { when } of rules)
    if (when.house && (!when.coats || when.coats.includes(coat)) && (!when.regions || when.regions.some((region) => worked.has(region))))
      asked.add(when.house.id)
  if (work.some(({ passes }) => passes.some(({ kind }) => kind === 'attach'))) asked.add('comb-base')
  for (const { house: by, passes } of work) {
    if (by) asked.add(by.id)
    for (const { house: side, kind } of passes) {
      if (side) asked.add(side.id)
      if (kind === 'pull') asked.add('knives')
    }
  }
  for (const { rule } of standard.variants) asked.add(rule)
  return houseRules.filter(({ id }) => asked.has(id)).map(({ id, question, sides }) => `${question}: ${sides[house[id] ?? 0]}`)
}

type Place = Pick<SheetLine, 'id' | 'side' | 'region' | 'order' | 'step' | 'isPart'>
type Target = { readonly mm: number; readonly changedBy: string | null }

function lineOf(rules: readonly AdviceRule[], one: SheetCase, planned: PlacePlan, place: Place, target: Target | undefined): SheetLine {
  const { region, side } = place
  const { row, named } = rowToday(planned, side, one)
  // the length of a place is asked for at its first part; another part keeps its own
  const targetMm = place.isPart ? lengthOfPlace(row) : (target?.mm ?? lengthOfPlace(row))
  const stops = one.stops.filter((stop) => stop.region === region && holdsAt(stop.side, side)).map(({ say }) => say)
  const frozen = row.does === 'unsaid' ? (one.frozen?.find((line) => line.place === place.id) ?? null) : null
  const stopped = stops[0] ?? frozen?.stopped ?? null
  const own = one.chosen[place.id]
  const at = {
    ...{ region, coat: one.coat, house: one.house, rack: one.rack },
    ...{ burnedMm: burnedMmAt(region, side, one.burns), facts: factsAt(region, side, one) }
  }
  const usual = workPlace(rules, row, at, targetMm, () => null)
  const worked = own && !stopped ? workPlace(rules, row, at, targetMm, (advice) => chosenIn(advice, own, place.id, one)) : usual
  const choice = stopped ? null : (worked.setting?.choice ?? null)
  return {
    ...place,
    ...{ part: row.part ?? null, does: row.does, note: row.note ?? null, passes: stopped ? [] : worked.passes },
    frozen: frozen?.tool ?? null,
    named: stopped ? [] : named,
    plannedMm: place.isPart ? lengthOfPlace(row) : (one.standard.plan.lengthsMm[region] ?? null),
    targetMm,
    changedBy: place.isPart ? null : (target?.changedBy ?? null),
    choice,
    isOwn: own !== undefined && !sameChoice(choice, usual.setting?.choice ?? null),
    overBlade: stopped ? null : (worked.setting?.overBlade ?? null),
    leavesMm: stopped
      ? null
      : frozen
        ? frozen.mm
        : (worked.setting?.leavesMm ?? (row.passes.some(({ leavesMm }) => leavesMm !== null) ? null : targetMm)),
    advice: worked.advice,
    cautions: stopped || row.does === 'leave' ? [] : cautionsOf(worked),
    excused: one.excused
      .filter((item) => item.region === region && holdsAt(item.side, side))
      .map(({ side: where, reason }) => (where === 'both' || side === where ? reason : `${where}: ${reason}`)),
    stopped
  }
}

/** What to take care of with every tool that comes to a place. */
function cautionsOf({ passes, advice }: Pick<WorkedPlace, 'passes' | 'advice'>): SheetLine['cautions'] {
  const all = passes.flatMap(({ choice }) => cautionsWith(advice, choice))
  return [...new Map(all.map((caution) => [caution.id, caution])).values()]
}

/** What a dog is known for that decides blades; pink or patched pigment counts as pink. */
export type KnownDog = { readonly facts: readonly Fact[]; readonly nose: string | null; readonly skin: string | null }

/** What is true of the dog today: what it is known for, what its skin says, what the trim is for, whether it is combed. */
export function factsToday(dog: KnownDog, found: Pick<Found, 'skin' | 'purpose' | 'gate'>, isKnown: boolean): ReadonlySet<Fact> {
  const facts = new Set<Fact>([...dog.facts, ...factsFromSkin(found.skin)])
  if ([dog.nose, dog.skin].some((pigment) => pigment === 'pink' || pigment === 'patched')) facts.add('pink')
  if (isKnown) facts.add('known')
  if (found.purpose === 'show') facts.add('show')
  // before anyone has combed, the sheet plans for a combed coat: the gate holds the work back
  if (!found.gate || found.gate.combed) facts.add('combed')
  return facts
}

/** What a visit's sheet is asked, from what is stored of the visit: the same for the server and for every screen. */
export function sheetCaseOf(
  visit: {
    readonly standard: Standard
    readonly dog: KnownDog & { readonly coatType: CoatType; readonly burns: readonly BurnPlace[] }
    readonly found: Found
    readonly known: boolean
    readonly house: Readonly<Record<string, number>>
    readonly rack: readonly Tool[]
    readonly excused: SheetCase['excused']
    readonly chosen: SheetCase['chosen']
    readonly agreed?: SheetCase['frozen']
  },
  shipped: Pick<SheetCase, 'houseRules' | 'regionsOf' | 'nameOf' | 'waits'>
): SheetCase {
  const { standard, dog, found, known, house, rack, excused, chosen, agreed = null } = visit
  return {
    ...shipped,
    ...{ standard, house, rack, excused, chosen, frozen: agreed },
    coat: dog.coatType,
    facts: factsToday(dog, found, known),
    burns: dog.burns,
    stops: skinStops(found.skin),
    ...namedFindings(found.coat, found.skin),
    wishes: found.wishes
  }
}

const sameChoice = (a: Choice | null, b: Choice | null) => a?.tool.id === b?.tool.id && a?.direction === b?.direction

function chosenIn(advice: SheetLine['advice'], own: Chosen, id: LineId, { rack }: SheetCase): Choice {
  const is = ({ tool, direction }: Choice) => tool.id === own.toolId && direction === own.direction
  const found = advice.ranked.find(is)
  if (found) return found
  const ban = advice.bans.find(({ choice }) => is(choice))
  const known = choicesOf(rack).find(is)
  throw new CoreError({
    code: 'notAllowedHere',
    path: `chosen.${id}`,
    got: known ? sayChoice(known) : own.toolId,
    limit: ban ? `another tool, since: ${ban.because.map(({ say }) => say).join(' ')}` : 'a tool of the rack in a direction it can take'
  })
}
