// Tables for a spreadsheet: numbers stay numbers, and nothing in a cell can run.
import Papa from 'papaparse'

export type Cell = string | number | boolean | null

/** A cell that a spreadsheet would take for a formula is written as text. */
export const asText = (cell: string) => (/^'*[=+\-@;|\t\r\n＝＋－＠]/.test(cell) ? `'${cell}` : cell)
/** The same, read again. */
export const fromText = (cell: string) => (/^'+[=+\-@;|\t\r\n＝＋－＠]/.test(cell) ? cell.slice(1) : cell)

/** A table with its heading, lines ended as RFC 4180 has them. */
export function toCsv(columns: readonly string[], rows: readonly (readonly Cell[])[]): string {
  const cell = (value: Cell) => (value === null ? '' : typeof value === 'number' ? value : asText(String(value)))
  return Papa.unparse({ fields: [...columns], data: rows.map((row) => row.map(cell)) }, { newline: '\r\n' })
}

/** Rows of a table by their line in the file, with the heading's names; lines without anything are left out. */
export function fromCsv(text: string): {
  readonly headings: readonly string[]
  readonly rows: readonly { readonly line: number; readonly cells: Readonly<Record<string, string>> }[]
  readonly broken: readonly { readonly line: number; readonly detail: string }[]
} {
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), { header: true, transformHeader: (name) => name.trim() })
  const isEmpty = (cells: Readonly<Record<string, string>>) => Object.values(cells).every((cell) => String(cell).trim() === '')
  const rows = parsed.data.map((cells, i) => ({ line: i + 2, cells })).filter(({ cells }) => !isEmpty(cells))
  const broken = parsed.errors
    .filter(({ row }) => row === undefined || rows.some(({ line }) => line === row + 2))
    .map(({ row, message }) => ({ line: (row ?? 0) + 2, detail: message }))
  return { headings: parsed.meta.fields ?? [], rows, broken }
}
