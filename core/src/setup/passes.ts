// The passes of a place on one dog today: each within its kind of work, with the tool that the rack and the rules give it.
import { advise, choicesOf, type Advice, type AdviceCase, type AdviceRule, type Choice } from '../advice'
import { settingPass, SETS_LENGTH, TOOLS_OF, workFor, type Pass, type PlacePlan } from '../standard'
import type { Direction, Tool } from '../tools'
import type { SheetPass } from './types'

/** What is asked of the adviser for a place, but for the kind of work and the length. */
export type PlaceCase = Omit<AdviceCase, 'within' | 'plannedMm'>

/** Nothing is asked where nothing is taken. */
export const NO_ADVICE: Advice = Object.freeze({ ranked: [], bans: [], cautions: [], fired: [], aimMm: null, say: 'Left alone.' })

const KIND_WORDS: Readonly<Record<Pass['kind'], string>> = {
  clip: 'clipped',
  attach: 'clipped with a comb attachment',
  scissor: 'scissored',
  thin: 'thinned',
  card: 'carded',
  pull: 'pulled',
  tap: 'tapped off the edge',
  bevel: 'bevelled with the edge of a blade',
  band: 'banded'
}

/** The way a blade runs as far as its length goes: away from the anus, off an edge and by the edge alone count as with the growth. */
const runs = ({ kind, direction }: Pass): Direction | null =>
  SETS_LENGTH[kind] !== 'tool' && kind !== 'tap' && kind !== 'bevel' ? null : direction === 'against' ? 'against' : 'with'

function sayKind(pass: Pass): string {
  const way = runs(pass)
  return `This trim is ${KIND_WORDS[pass.kind]} here${way && SETS_LENGTH[pass.kind] === 'tool' ? `, ${way} the growth` : ''}.`
}

/** Advice for one pass: only tools of its kind in its direction, those that the trim names first. `mm` is what it shall leave. */
export function adviceFor(rules: readonly AdviceRule[], pass: Pass, mm: number | null, at: PlaceCase): Advice {
  const within = { kinds: TOOLS_OF[pass.kind], tools: toolsOf(pass, at), direction: runs(pass), say: sayKind(pass) }
  return advise(rules, { ...at, plannedMm: mm, within })
}

/**
 * Advice for a place as a trim works it, by the pass that leaves its length: another kind of work is no choice, and a place that is left
 * gets none. Without a plan of work, advice for the length alone. `mm` is what shall be left.
 */
export function adviceInPlan(
  rules: readonly AdviceRule[],
  work: readonly PlacePlan[] | undefined,
  at: PlaceCase,
  mm: number | null
): Advice {
  if (!work) return advise(rules, { ...at, plannedMm: mm })
  const row = workFor(work, { house: at.house, coat: at.coat, isShow: at.facts.has('show') }).find(({ place }) => place === at.region)
  const pass = row && mainPass(row)
  if (!pass) return NO_ADVICE
  return adviceFor(rules, pass, pass.leavesMm === null ? aimOf(pass, at) : mm, at)
}

/** The pass that leaves the length of a row; where none does, the last that is done with a blade or comb, else the last. */
const mainPass = (row: PlacePlan): Pass | null =>
  settingPass(row) ??
  row.passes.findLast(({ kind, technique }) => SETS_LENGTH[kind] === 'tool' && technique !== 'mats') ??
  row.passes.at(-1) ??
  null

/** The tools of a pass that this house allows; where it strips by hand only, no knife pulls. */
const toolsOf = ({ kind, tools }: Pass, { house }: PlaceCase): readonly string[] =>
  kind === 'pull' && (house.knives ?? 0) === 0 ? tools.filter((id) => !id.startsWith('knife')) : tools

const byHand = (tool: Tool): Choice => ({ tool, direction: null, lengthMm: null })

/** A tool that sets no length: the first that the trim names and the rack has; then, for cutting, another of its kind. */
function handTool(pass: Pass, advice: Advice, at: PlaceCase): Choice | null {
  const named = toolsOf(pass, at).flatMap((id) => at.rack.filter((tool) => tool.id === id))
  const banned = new Set(advice.bans.filter(({ choice }) => choice.direction === null).map(({ choice }) => choice.tool.id))
  const usual = named.find(({ id, kind }) => TOOLS_OF[pass.kind].includes(kind) && (SETS_LENGTH[pass.kind] === 'never' || !banned.has(id)))
  if (usual) return byHand(usual)
  return SETS_LENGTH[pass.kind] === 'hand'
    ? (advice.ranked[0] ?? null)
    : (choicesOf(at.rack).find(({ tool }) => tool.id === 'fingers' && pass.kind === 'pull') ?? null)
}

/** What a blade or comb that sets no length here is chosen by: what the trim's own tool leaves in this direction, mm. */
function aimOf(pass: Pass, { rack }: PlaceCase): number | null {
  if (SETS_LENGTH[pass.kind] !== 'tool') return null
  const named = pass.tools.map((id) => choicesOf(rack).find(({ tool, direction }) => tool.id === id && direction === runs(pass)))
  return named.find((choice) => choice !== undefined)?.lengthMm ?? null
}

const isEdge = ({ kind }: Pass) => kind === 'tap' || kind === 'bevel'

/** For an edge: the blade that the trim names, else the finest of the rack. */
function edgeTool({ tools }: Pass, { rack, house }: PlaceCase): Choice | null {
  const blades = choicesOf(rack)
    .filter(({ tool, direction }) => tool.kind === 'blade' && direction === 'with' && !(tool.setTo && house['adjustable-blade'] === 1))
    .sort((a, b) => a.lengthMm! - b.lengthMm!)
  return tools.map((id) => blades.find(({ tool }) => tool.id === id)).find((one) => one !== undefined) ?? blades[0] ?? null
}

export type WorkedPlace = { readonly passes: readonly SheetPass[]; readonly setting: SheetPass | null; readonly advice: Advice }

/**
 * The passes of a row in order, and which of them leaves the length. `own` chooses for the pass that sets it, in place of the usual tool;
 * `targetMm` is what that pass shall leave, null for what the plan has.
 */
export function workPlace(
  rules: readonly AdviceRule[],
  row: PlacePlan,
  at: PlaceCase,
  targetMm: number | null,
  own: (advice: Advice) => Choice | null
): WorkedPlace {
  const sets = mainPass(row)
  let advice = NO_ADVICE
  let setting: SheetPass | null = null
  const passes = row.passes.map((pass) => {
    const isSetting = pass === sets
    const mm = isSetting ? (pass.leavesMm === null ? null : targetMm) : pass.leavesMm
    const here = adviceFor(rules, pass, mm ?? aimOf(pass, at), at)
    const chosen = isSetting ? own(here) : null
    // an edge alone comes no closer, whatever blade it is
    const usual = isEdge(pass) ? edgeTool(pass, at) : runs(pass) === null ? handTool(pass, here, at) : (here.ranked[0] ?? null)
    const done = passDone(pass, chosen ?? usual, mm, here, at)
    if (isSetting) [advice, setting] = [here, done]
    return done
  })
  return { passes, setting, advice }
}

function passDone(pass: Pass, choice: Choice | null, mm: number | null, advice: Advice, { house }: PlaceCase): SheetPass {
  // a blade that only runs out, opens a corner or sets an edge leaves no length of its own
  const leavesMm = mm === null || choice === null ? null : (choice.lengthMm ?? advice.aimMm ?? mm)
  return {
    ...{ kind: pass.kind, technique: pass.technique, direction: pass.direction, where: pass.where ?? null, share: pass.share ?? null },
    ...{ choice, leavesMm },
    overBlade: choice?.tool.kind === 'comb' ? (choice.tool.base ?? (house['comb-base'] === 1 ? '10' : '30')) : null
  }
}
