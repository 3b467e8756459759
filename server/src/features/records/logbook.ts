// One apprentice's record as a book on A4 paper.
import type { RecordFile } from '@peen/contract'
import { sayDay, sayNumber } from '@peen/core/units'
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces'
import { inFace as set, pdfOf } from './page'

const MUTED = '#44545a'
const HELP = {
  shown: 'shown',
  handsGuided: 'hands guided',
  talkedThrough: 'talked through',
  onePrompt: 'one prompt',
  alone: 'alone'
} as const

/** The record as a PDF. @throws Refused where a name has letters that no shipped font holds, naming it. */
export async function logbookPdf(record: RecordFile): Promise<Buffer> {
  return pdfOf(logbookDocument(record))
}

/** A table of the logbook: what it is headed, how wide its columns are, a line for each row. */
type Part = {
  readonly title: string
  readonly widths: readonly (string | number)[]
  readonly head: readonly string[]
  readonly lines: (record: RecordFile) => readonly (readonly TableCell[])[]
}

const sayMark = ({ mark, low, high, outcome, settled }: RecordFile['trims'][number]): string =>
  mark === null
    ? outcome
    : `${Math.round(mark)} (${Math.round(low!)} to ${Math.round(high!)})${settled ? `, settled ${settled === 'passed' ? 'passed' : 'not passed'}` : ''}`

const PARTS: readonly Part[] = [
  {
    title: 'Techniques',
    widths: ['*', 62, 50, '*'],
    head: ['technique', 'state', 'clean', 'why'],
    lines: ({ techniques }) => techniques.map((one) => [set(one.technique), one.state, `${one.clean} of ${one.attempts}`, set(one.because)])
  },
  {
    title: 'Certificates',
    widths: [40, '*', 48, 76, '*'],
    head: ['number', 'certificate', 'status', 'valid until', 'signed by'],
    lines: ({ certificates }) =>
      certificates.map((one) => [
        one.number,
        set(`${one.certificate}, version ${one.version}`),
        one.status,
        one.validUntil ? sayDay(one.validUntil) : one.status === 'issued' ? 'for good' : '',
        set(one.signatures.map(({ name: by, on }) => `${by}, ${sayDay(on)}`).join('; '))
      ])
  },
  {
    title: 'Finished trims',
    widths: [66, '*', '*', '*', 74],
    head: ['date', 'dog', 'trim', 'assessor', 'mark'],
    lines: ({ trims }) => trims.map((one) => [sayDay(one.onDate), set(one.dog), set(one.trim), set(one.assessor), sayMark(one)])
  },
  {
    title: 'Holds lifted',
    widths: [66, '*', '*', '*'],
    head: ['lifted', 'technique', 'by', 'reason'],
    lines: ({ liftedHolds }) => liftedHolds.map((one) => [sayDay(one.liftedOn), set(one.technique), set(one.by), set(one.reason)])
  },
  {
    title: 'Questions',
    widths: [66, '*', 62, '*', '*'],
    head: ['date', 'question', 'answer', 'asked by', 'note'],
    lines: ({ answers }) =>
      answers.map((one) => [sayDay(one.onDate), set(one.question), one.right ? 'answered' : 'not yet', set(one.by), set(one.note)])
  },
  {
    title: 'Work on dogs',
    widths: [66, '*', '*', 60, 62, '*'],
    head: ['date', 'technique', 'dog', 'minutes', 'help', 'clean'],
    lines: ({ attempts }) =>
      attempts.map((one) => [
        sayDay(one.onDate),
        set(one.technique),
        set(`${one.dog}, ${one.coat}`),
        one.planMinutes === null ? sayNumber(one.minutes) : `${sayNumber(one.minutes)} of ${sayNumber(one.planMinutes)}`,
        HELP[one.help],
        set(`${one.clean ? 'clean' : `not clean: ${one.because}`}${one.counts ? '' : ' (logged apart)'}`)
      ])
  },
  {
    title: 'Practice on figures',
    widths: [66, '*', 50, '*'],
    head: ['date', 'technique', 'minutes', 'note'],
    lines: ({ figures }) => figures.map((one) => [sayDay(one.onDate), set(one.technique), sayNumber(one.minutes), set(one.note)])
  }
]

function section({ title, widths, head, lines }: Part, record: RecordFile): Content[] {
  const rows = lines(record)
  const heading: Content = { text: title, style: 'head' }
  if (rows.length === 0) return [heading, { text: 'Nothing on record.', color: MUTED, margin: [0, 2, 0, 10] }]
  const first = head.map((text): TableCell => ({ text, bold: true, color: MUTED }))
  const body = [first, ...rows.map((row) => [...row])]
  return [heading, { table: { headerRows: 1, widths: [...widths], body }, layout: 'lightHorizontalLines', margin: [0, 2, 0, 10] }]
}

export function logbookDocument(record: RecordFile): TDocumentDefinitions {
  const { person, school, writtenOn } = record
  const name = `${person.givenName} ${person.familyName}`
  return {
    pageSize: 'A4',
    pageMargins: [40, 44, 40, 48],
    info: { title: `Logbook of ${name}`, creator: 'Peen' },
    defaultStyle: { font: 'Roboto', fontSize: 9, lineHeight: 1.15 },
    styles: { title: { fontSize: 19, bold: true }, head: { fontSize: 12, bold: true, margin: [0, 8, 0, 2] } },
    footer: (current, count) => ({
      margin: [40, 12, 40, 0],
      columns: [
        { text: `Audit chain ${record.auditHead.slice(0, 16) || 'not begun'}`, color: MUTED, fontSize: 8 },
        { text: `${current} of ${count}`, alignment: 'right', color: MUTED, fontSize: 8 }
      ]
    }),
    content: [
      { ...set(name), style: 'title' },
      {
        ...set(`Logbook, ${school}. Cohort ${person.cohort}, since ${sayDay(person.startedOn)}. Written ${sayDay(writtenOn)}.`),
        margin: [0, 2, 0, 6]
      },
      ...PARTS.flatMap((part) => section(part, record))
    ]
  }
}
