// The rack as a table: out for a spreadsheet, in again with every wrong line named.
import { check, toolSchema, TOOL_KINDS } from '@peen/contract'
import { mmOfFraction } from '@peen/core/units'
import { CoreError } from '@peen/core/error'
import type { Tool } from '@peen/core/tools'
import { fromCsv, fromText, toCsv } from '../../csv'

export const COLUMNS = ['id', 'label', 'kind', 'lengthMm', 'fraction', 'toothing', 'base', 'setTo', 'note'] as const
const NEEDED = ['label', 'kind', 'lengthMm'] as const
/** A tool's length lies this near its label's fraction, mm. */
const LABEL_WITHIN_MM = 0.35
const MOST_LINES = 300

export function rackToCsv(tools: readonly Tool[]): string {
  return toCsv(
    COLUMNS,
    tools.map((tool) => COLUMNS.map((column) => tool[column] ?? null))
  )
}

export type CsvIssue = { readonly path: string; readonly detail: string }
export type CsvRead = { readonly ok: true; readonly tools: readonly Tool[] } | { readonly ok: false; readonly issues: readonly CsvIssue[] }

/** Reads a rack from a table with a heading; every wrong line is named with its column, and nothing is taken unless all of it is right. */
export function rackFromCsv(text: string): CsvRead {
  const { headings, rows, broken } = fromCsv(text)
  const issues = [...headingIssues(headings), ...broken.map(({ line, detail }) => atLine(line, `${detail}.`))]
  if (issues.length > 0) return { ok: false, issues }
  if (rows.length === 0) return { ok: false, issues: [atLine(2, 'the table has no tools; it must have at least one.')] }
  if (rows.length > MOST_LINES)
    return { ok: false, issues: [atLine(rows[MOST_LINES].line, `the table has ${rows.length} tools; it can have up to ${MOST_LINES}.`)] }
  const tools = rows.map(({ cells }) => toolOf(cells)) as unknown as readonly Tool[]
  tools.forEach((tool, i) => {
    const checked = check(toolSchema as never, tool)
    if (!checked.ok) issues.push(...checked.issues.map(({ detail }) => atLine(rows[i].line, detail)))
  })
  issues.push(...rackIssues(tools).map(({ at, detail }) => atLine(rows[at].line, detail)))
  return issues.length > 0 ? { ok: false, issues } : { ok: true, tools }
}

const atLine = (line: number, detail: string): CsvIssue => ({ path: `line ${line}`, detail: `Line ${line}: ${detail}` })

function headingIssues(headings: readonly string[]): CsvIssue[] {
  const allowed = `the columns are ${COLUMNS.join(', ')}.`
  return [
    ...NEEDED.filter((name) => !headings.includes(name)).map((name) => atLine(1, `the column ${name} is missing; ${allowed}`)),
    ...headings
      .filter((name) => !(COLUMNS as readonly string[]).includes(name))
      .map((name) => atLine(1, `${name.slice(0, 40) || 'a column without a name'} is not a column; ${allowed}`))
  ]
}

function toolOf(row: Readonly<Record<string, string>>): Record<string, unknown> {
  const cell = (name: string) => fromText((row[name] ?? '').trim())
  const orNull = (name: string) => (cell(name) === '' ? null : cell(name))
  const length = cell('lengthMm')
  const kind = cell('kind')
  const label = cell('label')
  const plain = `${kind}-${label}`
    .toLowerCase()
    .replace(/½/g, 'h')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
  return {
    id: cell('id') || plain.slice(0, 40),
    label,
    kind,
    // a comma is how many countries write the point
    lengthMm: length === '' ? null : /^\d+([.,]\d+)?$/.test(length) ? Number(length.replace(',', '.')) : length,
    fraction: orNull('fraction'),
    toothing: orNull('toothing'),
    base: orNull('base'),
    setTo: orNull('setTo'),
    note: cell('note')
  }
}

/** What is wrong between the tools of a rack: doubles, lengths where none belong or none where one does, a label far from its length. */
export function rackIssues(tools: readonly Tool[]): { readonly at: number; readonly detail: string }[] {
  const ids = new Map<string, number>()
  const names = new Map<string, number>()
  return tools.flatMap((tool, at) => {
    const found: { readonly at: number; readonly detail: string }[] = []
    const say = (detail: string) => found.push({ at, detail })
    const name = `${tool.kind} ${tool.label}`.toLowerCase()
    if (ids.has(tool.id)) say(`id ${tool.id} is already in this rack, as tool ${ids.get(tool.id)! + 1}; each id must be different.`)
    else if (names.has(name))
      say(`${tool.kind} ${tool.label} is already in this rack, as tool ${names.get(name)! + 1}; each tool needs a different name.`)
    ids.set(tool.id, ids.get(tool.id) ?? at)
    names.set(name, names.get(name) ?? at)
    const setsLength = tool.kind === 'blade' || tool.kind === 'comb'
    if (TOOL_KINDS.includes(tool.kind) && setsLength !== (tool.lengthMm !== null))
      say(
        setsLength
          ? `Length is missing; a ${tool.kind} leaves 0.1 to 60 mm.`
          : `Length is ${tool.lengthMm}; ${tool.label} sets no length of its own: leave it empty.`
      )
    if (tool.setTo && tool.kind !== 'blade') say(`Set to is ${tool.setTo}; only an adjustable blade is set to another.`)
    if (tool.base && tool.kind !== 'comb') say(`Base blade is ${tool.base}; only a comb goes over a blade.`)
    if (tool.fraction !== null && typeof tool.lengthMm === 'number') {
      try {
        const label = mmOfFraction(tool.fraction)
        if (Math.abs(label - tool.lengthMm) > LABEL_WITHIN_MM)
          say(`Length is ${tool.lengthMm} mm; ${tool.fraction} in is ${label.toFixed(2)} mm, and they may differ by ${LABEL_WITHIN_MM} mm.`)
      } catch (error) {
        if (!(error instanceof CoreError)) throw error
        say(`Fraction is ${tool.fraction}; it must be ${error.issue.limit}.`)
      }
    }
    return found
  })
}
