// The feedback sheet: one page with the pictures of a finished trim and what to mend, for the apprentice to take to the table.
import { addressOf, type GradingView, type PhotoMarks } from '@peen/contract'
import { measuresAsked, type GradeResult, type PictureReport } from '@peen/core/grade'
import { SEEN, type Drawn, type PhotoPoint, type Seen } from '@peen/core/measure'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { ask } from '../api/client'
import { sayDay } from '@peen/core/units'
import { refuseUnprintable, savePdf } from '../library/paper'
import { t } from '../words'
import { drawnShapes, outlineShapes, seenName, type Shape } from './drawing'
import { earlierOf, isSure, measuredEarlier } from './earlier'
import { markedPicture } from './paint'
import { photoTask } from './photo-task'
import { openReader } from './useReader'

const DANGER = '#b0102b'
const MUTED = '#44545a'
/** A picture's width and height by how many there are, so that all of it is one page, pt: roomy, and where much is to be said. */
const PICTURE_PT = {
  roomy: [[300, 300], [240, 220], [200, 136]], // prettier-ignore
  tight: [[300, 280], [230, 170], [170, 112]] // prettier-ignore
} as const
/** With more letters than this above and below the pictures, they are smaller. Tested with pages laid out. */
const ROOMY_LETTERS = 400

/** As many as can be minded on each picture. */
const MOST_SAID = 3

export type PictureFindings = {
  readonly seen: Seen
  /** a picture in a data address; null where it could not be painted */
  readonly image: string | null
  /** with the letter that points to it on the picture */
  readonly says: readonly { readonly letter: string; readonly text: string }[]
}
export type Feedback = Pick<GradingView, 'dog' | 'standard' | 'apprentice' | 'assessor' | 'onDate'> & {
  /** what the grade sheet says; null until its mark may be seen */
  readonly result: Pick<GradeResult, 'praise' | 'mend' | 'nextTime'> | null
  readonly pictures: readonly PictureFindings[]
}

/** The page as the layout package takes it. */
export function feedbackDocument({ dog, standard, apprentice, assessor, onDate, result, pictures }: Feedback): TDocumentDefinitions {
  const name = (one: { readonly givenName: string; readonly familyName: string }) => `${one.givenName} ${one.familyName}`
  const mend = result?.mend ?? []
  const letters = [result?.praise ?? '', ...mend.map(({ say }) => say), ...(result?.nextTime ?? [])].join('').length
  const line = (text: string): Content => ({ text, margin: [0, 0, 0, 2] })
  return {
    pageSize: 'A4',
    pageMargins: [36, 34, 36, 40],
    info: { title: t('measure.feedbackFor', { dog: dog.name }) },
    defaultStyle: { font: 'Roboto', fontSize: 10, lineHeight: 1.1 },
    styles: { title: { fontSize: 18, bold: true }, head: { bold: true, fontSize: 13, margin: [0, 8, 0, 2] }, muted: { color: MUTED } },
    content: [
      { text: `${dog.name}: ${standard.name}`, style: 'title' },
      {
        text: t('measure.feedbackFrom', { apprentice: name(apprentice), assessor: name(assessor), onDate: sayDay(onDate) }),
        style: 'muted'
      },
      ...(result?.praise ? [head(t('measure.doneWell')), line(result.praise)] : []),
      ...(mend.length > 0 ? [head(t('measure.mendAtTheTable')), { ol: mend.map(({ say }) => line(say)) }] : []),
      ...(pictures.length > 0
        ? [head(t('measure.onThePictures')), ...rowsOf(pictures, PICTURE_PT[letters > ROOMY_LETTERS ? 'tight' : 'roomy'])]
        : []),
      ...(pictures.length > 0 ? [{ text: t('measure.solidVioletLongerThanPlanned'), style: 'muted', fontSize: 9 }] : []),
      ...((result?.nextTime.length ?? 0) > 0 ? [head(t('measure.nextTime')), ...result!.nextTime.map(line)] : []),
      { text: t('measure.lookAgainBeforeEachCut'), color: DANGER, bold: true, margin: [0, 12, 0, 0] }
    ]
  }
}

const head = (text: string): Content => ({ text, style: 'head' })

/** Each picture with its findings beside it. */
function rowsOf(pictures: readonly PictureFindings[], sizes: readonly (readonly [number, number])[]): Content[] {
  const [width, high] = sizes[pictures.length - 1]!
  return pictures.map(({ seen, image, says }) => ({
    columnGap: 14,
    margin: [0, 0, 0, 8],
    columns: [
      ...(image ? [{ width, image, fit: [width, high] as [number, number] }] : []),
      {
        width: '*',
        stack: [
          { text: seenName(seen), bold: true, margin: [0, 0, 0, 3] as [number, number, number, number] },
          ...(says.length === 0 ? [{ text: t('measure.nothingHereDiffersFromTrim') }] : []),
          ...says.map(({ letter, text }) => ({
            text: [{ text: `${letter}  `, bold: true }, text],
            margin: [0, 0, 0, 4] as [number, number, number, number]
          }))
        ]
      }
    ]
  }))
}

/** Measures every picture that has its outline and its points, and hands the page to the browser as a file. */
export async function downloadFeedback(gradingId: string, result: Feedback['result']): Promise<void> {
  const { grading, pictures, marks, earlier } = await ask('measures', { id: gradingId })
  const { dog, standard, apprentice, onDate } = grading
  refuseUnprintable([dog.name, standard.name, ...[apprentice, grading.assessor].flatMap((one) => [one.givenName, one.familyName])])
  const measured = SEEN.flatMap((seen) => {
    const picture = pictures.find(({ stance, moment }) => stance === seen && moment === 'after')
    const own = marks.find(({ pictureId }) => pictureId === picture?.id)?.marks
    return picture && own && own.outline.length > 2 ? [{ seen, id: picture.id, own }] : []
  })
  const sure: Read[] = []
  // one picture after the other: each is decoded whole
  for (const one of measured) {
    const known = earlierOf(earlier, one.seen).filter(({ pictureId }) => one.own.averaged?.includes(pictureId))
    const read = await readSurely(dog, standard, one, known)
    if (read) sure.push(read)
  }
  const found: PictureFindings[] = []
  let letters = 0
  for (const { id, own, report, said, seen } of worstOf(sure)) {
    const says = said.map(({ text, drawn }) => ({ text, drawn, letter: String.fromCharCode(65 + letters++) }))
    const plan: Shape = { kind: 'path', points: report.planned, closed: true, tone: 'plan' }
    const image = await paintedOf(id, own.outline, says, [plan, ...outlineShapes(own.outline, report.departures)])
    found.push({ seen, image, says })
  }
  if (found.length === 0 && !result?.mend.length) throw new Error(t('measure.nothingToPutOnSheet'))
  const file = `feedback-${dog.name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '-')}-${onDate}.pdf`
  await savePdf(feedbackDocument({ ...grading, result, pictures: found }), file)
}

type Measured = { readonly seen: Seen; readonly id: string; readonly own: PhotoMarks }
type Read = Measured & { readonly report: PictureReport; readonly said: PictureReport['says'] }

/** Measures a picture; null where its outline is still asked about: that says nothing that anyone may cut by. */
async function readSurely(
  dog: GradingView['dog'],
  standard: GradingView['standard'],
  one: Measured,
  earlier: ReturnType<typeof earlierOf>
): Promise<Read | null> {
  const reader = openReader(one.id)
  try {
    const task = photoTask(dog, standard, one.seen, one.own)
    if (!(await isSure(reader, task))) return null
    const ids = measuresAsked(standard, one.seen)
    const report = await reader.measure(task, [...ids], await measuredEarlier(dog, standard, earlier, ids))
    return { ...one, report, said: report.says.filter(({ loss }) => loss > 0).slice(0, MOST_SAID) }
  } finally {
    reader.close()
  }
}

/** As many pictures as a page holds: those with most to mend, in the order in which one walks round the dog. */
export function worstOf<T extends { readonly said: readonly { readonly loss: number }[] }>(read: readonly T[]): readonly T[] {
  const lost = ({ said }: T) => said.reduce((sum, { loss }) => sum + loss, 0)
  const kept = new Set([...read].sort((a, b) => lost(b) - lost(a)).slice(0, PICTURE_PT.roomy.length))
  return read.filter((one) => kept.has(one))
}

type Said = { readonly letter: string; readonly drawn: readonly Drawn[] }

async function paintedOf(
  id: string,
  outline: readonly PhotoPoint[],
  says: readonly Said[],
  shapes: readonly Shape[]
): Promise<string | null> {
  const badges = says.map(({ letter, drawn }) => ({ text: letter, drawn }))
  const all = [...shapes, ...says.flatMap(({ drawn }) => drawnShapes(drawn))]
  const painted = markedPicture({ url: addressOf('picture', { id }), shapes: all, badges, around: outline })
  // without its picture a finding is still worth its line
  return painted.catch(() => null)
}
