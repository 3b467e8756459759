// A line of the sheet in words.
import { regionName } from '../regions'
import type { PassDirection, Share } from '../standard'
import type { SheetLine, SheetPass } from './types'

const WAYS: Readonly<Record<PassDirection, string>> = {
  with: 'with',
  against: 'against',
  away: 'away from the anus',
  off: 'off the edge onto the finger',
  right: 'at a right angle',
  edge: 'edge only'
}
const SHARES: Readonly<Record<Share, string>> = {
  all: 'pulling everything that comes',
  top: 'pulling the longest layer',
  tips: 'pulling the tips',
  strip: 'pulling a 25 mm strip'
}

/** "comb A over a 30, with"; "fine knife, carding"; "finger and thumb, pulling the tips" */
export function sayPass({ kind, technique, choice, overBlade, direction, share }: SheetPass): string {
  if (!choice) return 'no tool in the rack for this; ask the instructor'
  const tool = choice.tool.kind === 'blade' || choice.tool.kind === 'comb' ? `${choice.tool.kind} ${choice.tool.label}` : choice.tool.label
  if (technique === 'mats') return `${tool} for a tight mat`
  if (kind === 'pull') return `${tool}, ${SHARES[share ?? 'all']}`
  if (kind === 'card') return `${tool}, carding`
  if (kind === 'attach') return `${tool} over a ${overBlade}, ${WAYS[direction ?? 'with']}`
  return direction === null ? tool : `${tool} ${WAYS[direction]}`
}

/** What is done at a place, its passes in order: "comb A over a 30, with, then curved scissors"; or that nothing is. */
export function sayTool({
  does,
  passes,
  stopped,
  region,
  frozen = null
}: Pick<SheetLine, 'does' | 'passes' | 'stopped' | 'region'> & { readonly frozen?: string | null }): string {
  if (stopped) return 'nothing to cut here today'
  if (does === 'leave') return 'left alone, combed through'
  if (does === 'unsaid') return frozen ?? 'this version of the trim does not say how; ask the instructor'
  // the ladder of a clipped foot ends at the 15: what is to stay longer is left
  if (passes.some(({ choice, kind }) => !choice && kind === 'clip') && /oot$|pads|toes/.test(region))
    return /oot$/.test(region) ? 'leave it; scissor the outline' : 'leave it; no scissors between the pads'
  // a tool that goes on and only runs out is said once
  const said = passes.map(sayPass)
  return said.filter((words, i) => words !== said[i - 1]).join(', then ')
}

/** "Left cheek", "Thigh, rear edge": where a line of the sheet is. */
export function sayLinePlace({
  region,
  side,
  part = null
}: Pick<SheetLine, 'region' | 'side'> & { readonly part?: string | null }): string {
  const name = regionName(region)
  const sided = side === 'left' || side === 'right' ? `${side === 'left' ? 'Left' : 'Right'} ${name.toLowerCase()}` : name
  return part ? `${sided}, ${part}` : sided
}

/** Lines of one step that say the same, together: places that one tool passes over. */
export function groupLines(lines: readonly SheetLine[]): readonly (readonly SheetLine[])[] {
  const groups: SheetLine[][] = []
  const sign = (line: SheetLine) => {
    const { order, leavesMm, changedBy, cautions, excused, note, named } = line
    // what is left alone is one line, however long it stands
    if (line.does === 'leave' && !line.stopped) return JSON.stringify(['left', excused])
    const passes = line.passes.map(({ where }) => where)
    return JSON.stringify([order, sayTool(line), passes, note, leavesMm, changedBy, cautions.map(({ id }) => id), excused, named])
  }
  for (const line of lines) {
    const same = groups.find(([first]) => sign(first!) === sign(line))
    if (same) same.push(line)
    else groups.push([line])
  }
  return groups
}
