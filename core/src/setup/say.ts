// A line of the sheet in words.
import { shortChoice } from '../advice'
import { regionName } from '../regions'
import type { SheetLine } from './types'

/** "comb A over a 30, with the growth" */
export function sayTool({ choice, overBlade, stopped }: Pick<SheetLine, 'choice' | 'overBlade' | 'stopped'>): string {
  if (stopped) return 'nothing is cut here today'
  if (!choice) return 'scissor or leave; ask the instructor'
  if (choice.direction === null) return choice.tool.label
  return overBlade ? `${shortChoice(choice).replace(/ (with|against)$/, '')} over a ${overBlade}, ${choice.direction}` : shortChoice(choice)
}

/** "Left cheek": where a line of the sheet is. */
export function sayLinePlace({ region, side }: Pick<SheetLine, 'region' | 'side'>): string {
  const name = regionName(region)
  return side === 'left' || side === 'right' ? `${side === 'left' ? 'Left' : 'Right'} ${name.toLowerCase()}` : name
}

/** Lines of one step that say the same, together: places that one tool passes over. */
export function groupLines(lines: readonly SheetLine[]): readonly (readonly SheetLine[])[] {
  const groups: SheetLine[][] = []
  const sign = (line: SheetLine) =>
    JSON.stringify([line.order, sayTool(line), line.leavesMm, line.changedBy, line.cautions.map(({ id }) => id), line.excused])
  for (const line of lines) {
    const same = groups.find(([first]) => sign(first) === sign(line))
    if (same) same.push(line)
    else groups.push([line])
  }
  return groups
}
