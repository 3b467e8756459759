// A plan of work under the hand of someone who writes a trim.
import type { RegionId } from '../regions'
import { lengthLeft, type Tool } from '../tools'
import type { Standard } from './types'
import { lengthsOfWork, SETS_LENGTH, TOOLS_OF, type Pass, type PassKind, type PlacePlan } from './work'

/** What a hand sets where nothing is said yet, mm. Chosen. */
const USUAL_MM = 12

/** A pass as it is begun: with the first tool of the rack that does such work, and the length that it leaves, mm. */
export function newPass(kind: PassKind, technique: string, rack: readonly Tool[]): Pass {
  const tool = rack.find((one) => TOOLS_OF[kind].includes(one.kind)) ?? null
  return withTool({ kind, tools: [], direction: null, leavesMm: null, technique }, tool)
}

/** The pass as another kind of work; where it goes, and on which side of a rule, stays. */
export const passAs = (pass: Pass, kind: PassKind, rack: readonly Tool[]): Pass => {
  const { where, house, coats, technique } = pass
  return {
    ...newPass(kind, technique, rack),
    ...(where === undefined ? {} : { where }),
    ...(house === undefined ? {} : { house }),
    ...(coats === undefined ? {} : { coats })
  }
}

/** The pass with another usual tool: a blade or a comb brings its length with it, mm; scissors keep what was planned. */
export function withTool(pass: Pass, tool: Tool | null): Pass {
  const { kind } = pass
  const direction = pass.direction ?? USUAL_DIRECTION[kind]
  const left = tool && SETS_LENGTH[kind] === 'tool' ? lengthLeft(tool, direction === 'against' ? 'against' : 'with') : null
  return {
    ...pass,
    tools: tool ? [tool.id, ...pass.tools.slice(1).filter((id) => id !== tool.id)] : [],
    direction,
    leavesMm:
      SETS_LENGTH[kind] === 'never'
        ? null
        : left?.allowed
          ? left.lengthMm
          : SETS_LENGTH[kind] === 'hand'
            ? (pass.leavesMm ?? USUAL_MM)
            : pass.leavesMm,
    ...(kind === 'pull' ? { share: pass.share ?? 'top' } : {})
  }
}
const USUAL_DIRECTION: Readonly<Record<PassKind, Pass['direction']>> = {
  ...{ clip: 'with', attach: 'with', tap: 'off', bevel: 'right', pull: 'with' },
  ...{ scissor: null, thin: null, card: null, band: null }
}

/** A place as another answer to what is done there: left alone sees no pass, work begins with one. */
export function rowAs(row: PlacePlan, does: PlacePlan['does'], technique: string, rack: readonly Tool[]): PlacePlan {
  if (does === 'leave' || does === 'unsaid') return { ...row, does, passes: [] }
  const fits = (pass: Pass) => does === 'passes' || SETS_LENGTH[pass.kind] === 'never'
  const passes = row.passes.filter(fits)
  return { ...row, does, passes: passes.length > 0 ? passes : [newPass(does === 'coat' ? 'pull' : 'scissor', technique, rack)] }
}

/**
 * The trim with another plan of work: its lengths follow, and so do the targets of the criteria that read them, mm. A length
 * that nothing tells any more stays as it was, so that the dog can be drawn.
 */
export function standardWithWork<S extends Pick<Standard, 'plan' | 'criteria'>>(standard: S, work: readonly PlacePlan[]): S {
  const { plan, criteria } = standard
  const derived = lengthsOfWork(work, { house: {} })
  const moved = (region: RegionId) => derived[region] !== undefined && derived[region] !== plan.lengthsMm[region]
  return {
    ...standard,
    plan: { ...plan, work, lengthsMm: { ...plan.lengthsMm, ...derived } },
    criteria: criteria.map((one) =>
      one.how.kind === 'length' && moved(one.region) ? { ...one, how: { ...one.how, targetMm: derived[one.region]! } } : one
    )
  }
}
