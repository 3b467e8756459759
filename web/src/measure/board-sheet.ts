// The measuring board on paper: a full sheet for a whole dog, and a small one to cut out for a head.
import { BOARD_KINDS, BOARDS, markerCells, type BoardLayout } from '@peen/core/measure'
import type { CanvasRect, Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { savePdf } from '../library/paper'
import { t } from '../words'

const PT_PER_MM = 72 / 25.4
/** The cutting line round the small board. */
const PALE = '#8a979c'
/** Words begin so far under the printed line, mm. */
const WORDS_MM = 1.2

/** Black cells as rectangles, a run of them along a row as one: no hair line is left between two. pt from the sheet's corner. */
export function boardRects({ markers, line }: BoardLayout): readonly CanvasRect[] {
  const rect = (x: number, y: number, w: number, h: number): CanvasRect => ({
    ...{ type: 'rect', x: x * PT_PER_MM, y: y * PT_PER_MM, w: w * PT_PER_MM, h: h * PT_PER_MM },
    ...{ color: '#000000', lineColor: '#000000', lineWidth: 0 }
  })
  const cells = markers.flatMap(({ id, at: [left, top], sideMm }) => {
    const rows = markerCells(id)
    const cell = sideMm / rows.length
    // each white run is painted over a whole black square: black meets black without a seam
    const white = rows.flatMap((row, j) =>
      runsOf(row).map(([from, to]) => ({
        ...rect(left + from * cell, top + j * cell, (to - from) * cell, cell),
        ...{ color: '#ffffff', lineColor: '#ffffff' }
      }))
    )
    return [rect(left, top, sideMm, sideMm), ...white]
  })
  const [x, y] = line.from
  const tick = (at: number) => rect(at - 0.2, y - 2, 0.4, 4)
  return [...cells, rect(x, y - 0.2, line.lengthMm, 0.4), tick(x), tick(x + line.lengthMm)]
}

/** Where a row is white: from, to. */
function runsOf(row: readonly boolean[]): readonly (readonly [number, number])[] {
  return row.flatMap((isWhite, i) => {
    if (!isWhite || row[i - 1]) return []
    const end = row.indexOf(false, i)
    return [[i, end < 0 ? row.length : end] as const]
  })
}

export function boardDocument(): TDocumentDefinitions {
  const page = (kind: (typeof BOARD_KINDS)[number], isLast: boolean): Content[] => {
    const { widthMm, heightMm, line } = BOARDS[kind]
    const [, y] = line.from
    const outline: CanvasRect = {
      ...{ type: 'rect', x: 0, y: 0, w: widthMm * PT_PER_MM, h: heightMm * PT_PER_MM },
      ...{ lineColor: PALE, lineWidth: 0.4, dash: { length: 3 } }
    }
    const said = kind === 'large' ? t('measure.boardLargeFoot', { mm: line.lengthMm }) : t('measure.boardSmallFoot', { mm: line.lengthMm })
    return [
      {
        canvas: [...(kind === 'small' ? [outline] : []), ...boardRects(BOARDS[kind])],
        absolutePosition: { x: 0, y: 0 }
      },
      {
        text: said,
        fontSize: kind === 'large' ? 8 : 5.5,
        absolutePosition: { x: line.from[0] * PT_PER_MM, y: (y + WORDS_MM) * PT_PER_MM },
        ...(isLast ? {} : { pageBreak: 'after' as const })
      },
      ...(kind === 'small'
        ? [
            {
              stack: [
                { text: t('measure.boardHow'), fontSize: 15, bold: true, margin: [0, 0, 0, 6] as [number, number, number, number] },
                { ol: howTo(), fontSize: 11, lineHeight: 1.25 }
              ],
              absolutePosition: { x: 15 * PT_PER_MM, y: 165 * PT_PER_MM }
            }
          ]
        : [])
    ]
  }
  return {
    pageSize: 'A4',
    pageMargins: [0, 0, 40, 0],
    info: { title: t('measure.boardTitle') },
    content: BOARD_KINDS.flatMap((kind, i) => page(kind, i === BOARD_KINDS.length - 1))
  }
}

const howTo = () => [
  t('measure.boardPrint'),
  t('measure.boardCheck', { large: BOARDS.large.line.lengthMm, small: BOARDS.small.line.lengthMm }),
  t('measure.boardGlue'),
  t('measure.boardStand'),
  t('measure.boardWhole')
]

export const saveBoardSheet = (): Promise<void> => savePdf(boardDocument(), `${t('measure.boardTitle')}.pdf`)
