// One apprentice's record as a book on A4 paper.
import type { RecordFile } from '@peen/contract'
import { sayDay, sayNumber } from '@peen/core/units'
import pdfmake from 'pdfmake'
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces'
import { refuse } from '../../http'
import { FACES, faceFor, unprintableWord } from './fonts'

pdfmake.setFonts(FACES as never)
// nothing is fetched, and nothing is read but the fonts themselves
pdfmake.setUrlAccessPolicy(() => false)
pdfmake.setLocalAccessPolicy((path: string) => Object.values(FACES).some((face) => Object.values(face).includes(path)))

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
  const own = logbookDocument(record)
  return pdfmake.createPdf(own).getBuffer() as Promise<Buffer>
}

/** A text in the face that has all its letters. */
function set(given: string): { readonly text: string; readonly font?: string } {
  // an accent written apart from its letter is printed as one with it
  const text = given.normalize('NFC')
  const face = faceFor(text)
  if (face === null)
    throw refuse.invalid([
      {
        path: 'name',
        detail: `“${unprintableWord(text) ?? text}” cannot be printed with the letters that Peen ships (Latin, Greek, Cyrillic, Armenian, Georgian and others written from left to right). Write it in such letters, or take the record as JSON, which keeps every letter.`
      }
    ])
  return face === 'Roboto' ? { text } : { text, font: face }
}

export function logbookDocument(record: RecordFile): TDocumentDefinitions {
  const { person, school, writtenOn } = record
  const name = `${person.givenName} ${person.familyName}`
  const head = (texts: readonly string[]): TableCell[] => texts.map((text) => ({ text, bold: true, color: MUTED }))
  const table = (widths: readonly (string | number)[], rows: readonly (readonly TableCell[])[]): Content => ({
    table: { headerRows: 1, widths: [...widths], body: rows.map((row) => [...row]) },
    layout: 'lightHorizontalLines',
    margin: [0, 2, 0, 10]
  })
  const section = (title: string, rows: readonly unknown[], of: () => Content): Content[] => [
    { text: title, style: 'head' },
    rows.length === 0 ? { text: 'Nothing on record.', color: MUTED, margin: [0, 2, 0, 10] } : of()
  ]
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
      ...section('Techniques', record.techniques, () =>
        table(
          ['*', 62, 50, '*'],
          [
            head(['technique', 'state', 'clean', 'why']),
            ...record.techniques.map((one) => [set(one.technique), one.state, `${one.clean} of ${one.attempts}`, set(one.because)])
          ]
        )
      ),
      ...section('Certificates', record.certificates, () =>
        table(
          [40, '*', 48, 76, '*'],
          [
            head(['number', 'certificate', 'status', 'valid until', 'signed by']),
            ...record.certificates.map((one) => [
              one.number,
              set(`${one.certificate}, version ${one.version}`),
              one.status,
              one.validUntil ? sayDay(one.validUntil) : one.status === 'issued' ? 'for good' : '',
              set(one.signatures.map(({ name: by, on }) => `${by}, ${sayDay(on)}`).join('; '))
            ])
          ]
        )
      ),
      ...section('Finished trims', record.trims, () =>
        table(
          [66, '*', '*', '*', 74],
          [
            head(['date', 'dog', 'trim', 'assessor', 'mark']),
            ...record.trims.map((one) => [
              sayDay(one.onDate),
              set(one.dog),
              set(one.trim),
              set(one.assessor),
              one.mark === null
                ? one.outcome
                : `${Math.round(one.mark)} (${Math.round(one.low!)} to ${Math.round(one.high!)})${one.settled ? `, settled ${one.settled === 'passed' ? 'passed' : 'not passed'}` : ''}`
            ])
          ]
        )
      ),
      ...section('Holds that were lifted', record.liftedHolds, () =>
        table(
          [66, '*', '*', '*'],
          [
            head(['lifted', 'technique', 'by', 'reason']),
            ...record.liftedHolds.map((one) => [sayDay(one.liftedOn), set(one.technique), set(one.by), set(one.reason)])
          ]
        )
      ),
      ...section('Questions', record.answers, () =>
        table(
          [66, '*', 62, '*', '*'],
          [
            head(['date', 'question', 'answer', 'asked by', 'note']),
            ...record.answers.map((one) => [
              sayDay(one.onDate),
              set(one.question),
              one.right ? 'answered' : 'not yet',
              set(one.by),
              set(one.note)
            ])
          ]
        )
      ),
      ...section('Work on dogs', record.attempts, () =>
        table(
          [66, '*', '*', 60, 62, '*'],
          [
            head(['date', 'technique', 'dog', 'minutes', 'help', 'clean']),
            ...record.attempts.map((one) => [
              sayDay(one.onDate),
              set(one.technique),
              set(`${one.dog}, ${one.coat}`),
              one.planMinutes === null ? sayNumber(one.minutes) : `${sayNumber(one.minutes)} of ${sayNumber(one.planMinutes)}`,
              HELP[one.help],
              set(`${one.clean ? 'clean' : `not clean: ${one.because}`}${one.counts ? '' : ' (logged apart)'}`)
            ])
          ]
        )
      ),
      ...section('Practice on figures', record.figures, () =>
        table(
          [66, '*', 50, '*'],
          [
            head(['date', 'technique', 'minutes', 'note']),
            ...record.figures.map((one) => [sayDay(one.onDate), set(one.technique), sayNumber(one.minutes), set(one.note)])
          ]
        )
      )
    ]
  }
}
