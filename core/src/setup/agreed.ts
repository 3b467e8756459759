// What was agreed for one dog at set-up, place by place: worked by, graded against, and never read from the plan again.
import type { RegionId } from '../regions'
import type { AgreedLength, PlanStep } from '../standard'
import type { Direction, Tool } from '../tools'
import { sayLinePlace, sayTool } from './say'
import type { LineId, Sheet, SheetLine } from './types'

/** One line of what was agreed. Lengths in mm; `why` is a sentence without its full stop. */
export type AgreedTarget = AgreedLength & {
  readonly place: LineId
  readonly toolId: string | null
  /** the tool with its direction, as the sheet says it: "blade 7F with" */
  readonly tool: string
  readonly direction: Direction | null
  /** the step of the sheet at which the place is worked, counted from 1 */
  readonly order: number
  /** why nothing is cut here today; null where it is */
  readonly stopped: string | null
  /** the part of the place; nothing where it is worked in one way */
  readonly part?: string
  /** every pass with its technique and tool; none in a record of before there were plans of work */
  readonly passes?: readonly AgreedPass[]
}
export type AgreedPass = { readonly technique: string; readonly toolId: string | null; readonly direction: Direction | null }

/** The lines of a sheet as they are agreed when the dog is said to be ready: what the grade sheet asks for later. */
export const agreedTargets = ({ lines }: Sheet): readonly AgreedTarget[] => targetsOfLines(lines)

export function targetsOfLines(lines: readonly SheetLine[]): readonly AgreedTarget[] {
  return lines.map((line) => ({
    ...{ place: line.id, region: line.region, side: line.side, mm: line.leavesMm, order: line.order, stopped: line.stopped },
    ...{ toolId: line.choice?.tool.id ?? null, tool: sayTool(line), direction: line.choice?.direction ?? null, why: whyOf(line) },
    ...(line.part === null ? {} : { part: line.part }),
    ...(line.isPart ? { isPart: true } : {}),
    passes: line.passes.map(({ technique, choice }) => ({
      technique,
      toolId: choice?.tool.id ?? null,
      direction: choice?.direction ?? null
    }))
  }))
}

function whyOf(line: SheetLine): string {
  if (line.stopped) return withoutStop(line.stopped)
  if (line.does === 'leave') return 'left alone'
  if (line.isOwn) return 'chosen by the instructor at set-up'
  if (line.leavesMm === line.plannedMm) return 'as in the trim'
  if (line.changedBy) return line.changedBy
  if (line.advice.aimMm !== null && line.advice.aimMm !== line.targetMm && line.advice.fired[0])
    return withoutStop(line.advice.fired[0].say)
  return line.plannedMm === null ? 'what this tool leaves' : 'the nearest tool of the rack'
}

const withoutStop = (sentence: string) => sentence.replace(/\.$/, '')

/** The agreed lines of one step: those with a pass of its technique; where the plan names it nowhere, those at its places. */
export function linesAtStep(agreed: readonly AgreedTarget[], regions: readonly RegionId[], technique?: string): readonly AgreedTarget[] {
  const own = agreed.filter(({ passes }) => passes?.some((pass) => pass.technique === technique))
  return own.length > 0 ? own : agreed.filter(({ region }) => regions.includes(region))
}

/**
 * The steps of a trim as this sheet has them: with the tool that its places were agreed with, and a name that does not
 * promise another. `nameOf` gives the plain name of a technique, `regionsOf` the places it cuts.
 */
export function stepsByTargets(
  steps: readonly PlanStep[],
  agreed: readonly AgreedTarget[],
  rack: readonly Tool[],
  { nameOf, regionsOf }: { readonly nameOf: (technique: string) => string; readonly regionsOf: (technique: string) => readonly RegionId[] }
): readonly PlanStep[] {
  const everyPass = agreed.flatMap((line) => line.passes ?? []).filter(({ toolId }) => toolId)
  return steps.map((step, i) => {
    const passes = everyPass.filter(({ technique }) => technique === step.technique)
    if (passes.length > 0) return withTool(step, passes, rack, nameOf)
    const lines = linesAtStep(agreed, regionsOf(step.technique)).filter(({ toolId }) => toolId !== null)
    const own = lines.filter(({ order }) => order === i + 1)
    const here = own.length > 0 ? own : lines
    const planned = rack.find(({ id }) => id === step.toolId)
    // scissors, knives and combs of the plan are taken as they lie there; what sets a length, or is not in this rack, follows the sheet
    const isFree = step.toolId === null || planned?.lengthMm === null
    if (here.length === 0 || isFree || here.some(({ toolId }) => toolId === step.toolId)) return step
    return withTool(step, here, rack, nameOf)
  })
}

type Used = Pick<AgreedPass, 'toolId' | 'direction'>

/** A step with the tool that most of its places were agreed with; a tool of the trim's own that some of them keep stays. */
function withTool(step: PlanStep, used: readonly Used[], rack: readonly Tool[], nameOf: (technique: string) => string): PlanStep {
  if (used.some(({ toolId }) => toolId === step.toolId)) return step
  const most = mostUsed(used)
  const tool = rack.find(({ id }) => id === most.toolId)
  const mentions = rack.some(({ id, label }) => id !== tool?.id && isNamedIn(step.label, label))
  const label = mentions ? `${nameOf(step.technique)}, ${tool?.label ?? ''}` : step.label
  return { ...step, label, toolId: most.toolId, direction: most.direction }
}

function mostUsed(lines: readonly Used[]): Used {
  const times = (line: Used) => lines.filter(({ toolId, direction }) => toolId === line.toolId && direction === line.direction).length
  return lines.reduce((most, line) => (times(line) > times(most) ? line : most))
}

/** Is a tool's label a word of its own in a name? "10" is not in "100 strokes". */
function isNamedIn(name: string, label: string): boolean {
  return name.split(/[\s,]+/).includes(label.replace(/^(blade|comb) /i, ''))
}

/** "Left cheek: blade 5F with, leaves 6.3 mm" */
export function sayTarget(target: AgreedTarget, sayMm: (mm: number) => string): string {
  const place = sayLinePlace(target)
  if (target.stopped) return `${place}: nothing to cut here today`
  return `${place}: ${target.tool}${target.mm === null ? '' : `, leaves ${sayMm(target.mm)}`}`
}
