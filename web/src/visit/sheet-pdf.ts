// The set-up sheet on A4 paper. Loaded when it is asked for: the layout package and its fonts are large.
import { houseWordsAt } from '@peen/content'
import type { VisitPage } from '@peen/contract'
import { FOOT_NAMES, readyToCut, skinStops } from '@peen/core/checkin'
import type { Lengths } from '@peen/core/figure'
import type { MeasuredRule } from '@peen/core/proportions'
import { GATE_WORDS, groupLines, layOut, sayLinePlace, sayPass, sayTool, type Sheet, type SheetLine } from '@peen/core/setup'
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces'
import { pictureOnPaper, refuseUnprintable, savePdf } from '../library/paper'
import { UNKNOWN_DOG } from '../composables/words'
import { t } from '../words'

const DANGER = '#b0102b'
const MUTED = '#44545a'
const PICTURE_PX = { w: 1100, h: 620 }

/** Everything on the sheet as the layout package takes it; `picture` is a PNG as a data address. */
export function sheetDocument(
  page: VisitPage,
  sheet: Sheet,
  measured: readonly MeasuredRule[],
  picture: string | null,
  onDate: string
): TDocumentDefinitions {
  const { dog, standard, apprentice, found } = page
  const ready = readyToCut(found)
  const lines: Content[] = [
    { text: `${dog.name}: ${standard.name}`, style: 'title' },
    {
      text: t('visit.onDateTableTableNumberGivenNameFamilyName', {
        onDate,
        tableNumber: page.tableNumber,
        givenName: apprentice.givenName,
        familyName: apprentice.familyName,
        coat: dog.coat,
        withersMm: dog.withersMm,
        canStandMin: dog.canStandMin,
        dislikes: dog.dislikes || t('visit.nothingWeKnow')
      }),
      margin: [0, 0, 0, 6]
    }
  ]
  const alarms = [
    ...(dog.standing ? [t('visit.nameKindReason', { name: dog.name, kind: dog.standing.kind, reason: dog.standing.reason })] : []),
    ...(page.known ? [] : [UNKNOWN_DOG]),
    ...ready.missing,
    ...skinStops(found.skin).map(({ say }) => say),
    ...(found.nailsOwed.length > 0
      ? [t('visit.nailsLeftDoNailsOwed', { nailsOwed: found.nailsOwed.map((foot) => FOOT_NAMES[foot]).join(', ') })]
      : [])
  ]
  const asked = [
    ...sheet.wishes,
    ...sheet.moved.map(({ say }) => t('visit.trimTodaySay', { say })),
    ...sheet.overridden.map((other) => t('visit.visitDiffersFromHouseRules', { other }))
  ]
  return {
    pageSize: 'A4',
    pageMargins: [36, 34, 36, 40],
    info: { title: t('visit.setUpSheetName', { name: dog.name }) },
    defaultStyle: { font: 'Roboto', fontSize: 9.5, lineHeight: 1.15 },
    styles: { title: { fontSize: 16, bold: true, margin: [0, 0, 0, 2] }, head: { bold: true, fontSize: 10 }, muted: { color: MUTED } },
    content: [
      ...lines,
      ...alarms.map((text): Content => ({ text: `! ${text}`, color: DANGER, bold: true })),
      ...(picture
        ? [{ image: picture, width: 420, alignment: 'center' as const, margin: [0, 4, 0, 4] as [number, number, number, number] }]
        : []),
      ...asked.map((text): Content => ({ text: `• ${text}` })),
      { text: t('visit.laidOutSheet', { sheet: layOut(sheet, page.rack).join(', ') }), margin: [0, 4, 0, 0] },
      walkOf(sheet),
      sheetTable(sheet),
      ...(measured.length > 0
        ? [{ text: t('visit.measuredDog2'), style: 'head', margin: [0, 8, 0, 2] as [number, number, number, number] }]
        : []),
      ...measured.map(({ name, says }): Content => ({ text: `${name}. ${says.join(' ')}` })),
      { text: t('visit.houseRulesDecided', { decided: sheet.decided.join('; ') }), style: 'muted', margin: [0, 8, 0, 0] },
      {
        text: t('visit.commonPracticeSchoolsHouseRules2'),
        style: 'muted',
        margin: [0, 2, 0, 0]
      }
    ],
    footer: (current, count) => ({
      text: t('visit.nameOnDatePageCurrentCount', { name: dog.name, onDate, current, count }),
      alignment: 'center',
      color: MUTED,
      fontSize: 8,
      margin: [0, 12, 0, 0]
    })
  }
}

/** What is done, pass by pass, each with where it goes. */
function toolCell(line: SheetLine): TableCell {
  if (line.stopped || line.passes.length === 0)
    return { text: sayTool(line), bold: line.does !== 'leave', ...(line.stopped ? { color: DANGER } : {}) }
  const passes = line.passes.map((pass, i) => ({
    text: [
      { text: `${i > 0 ? 'then ' : ''}${sayPass(pass)}`, bold: true },
      ...(pass.where ? [{ text: `, ${pass.where}`, color: MUTED }] : [])
    ]
  }))
  return { stack: [...passes, ...(line.note ? [{ text: line.note, color: MUTED }] : [])] }
}

/** The walk in one line, so that what no place stands for (the bath, the nails) is on paper too. */
function walkOf({ steps, gate, house: sides }: Sheet): Content {
  const said = steps.map(({ label, minutes }, i) =>
    t('visit.iLabelMinutesMinI2', { i: i + 1, label, minutes, i2: i + 2 === gate ? t('visit.readyCut2') : '' })
  )
  const house = steps.flatMap(({ technique }) => houseWordsAt(technique, sides).map(({ say }) => say))
  return {
    stack: [
      { text: said.join(' · ') },
      ...(house.length > 0 ? [{ text: t('visit.houseRuleStepX', { x: [...new Set(house)].join(' ') }), color: MUTED }] : []),
      ...(gate === null ? [] : [{ text: GATE_WORDS, bold: true }])
    ],
    margin: [0, 4, 0, 0]
  }
}

const BLADED = new Set(['clip', 'attach', 'tap', 'bevel'])

function sheetTable({ lines }: Sheet): Content {
  const head = ['Step', 'Place', t('visit.toolDirection'), 'Leaves', t('visit.takeCareWhy')].map((text): TableCell => ({
    text,
    bold: true
  }))
  const rows = groupLines(lines).map((group): TableCell[] => {
    const [line] = group
    const places = group.map((one, i) => (i === 0 ? sayLinePlace(one) : sayLinePlace(one).toLowerCase())).join(', ')
    // why this blade and no other: only where a blade comes to the place
    const isBladed = line.passes.some(({ kind }) => BLADED.has(kind))
    const why = (isBladed ? line.advice.fired : []).filter(({ id }) => !line.cautions.some((caution) => caution.id === id)).slice(0, 2)
    return [
      { text: `${line.order}. ${line.step}` },
      { text: places },
      toolCell(line),
      { text: line.leavesMm === null || line.does === 'leave' ? '' : t('visit.leavesMmMm', { leavesMm: line.leavesMm }) },
      {
        stack: [
          ...(line.stopped ? [{ text: line.stopped, color: DANGER }] : []),
          ...(line.changedBy ? [{ text: line.changedBy, bold: true }] : []),
          ...line.named.map((text) => ({ text, bold: true })),
          ...line.excused.map((text) => ({ text: t('visit.likeArrivalText', { text }), color: MUTED })),
          ...line.cautions.map(({ say }) => ({ text: say, color: DANGER })),
          ...why.map(({ say }) => ({ text: say, color: MUTED }))
        ]
      }
    ]
  })
  return {
    table: { headerRows: 1, dontBreakRows: true, widths: [62, 84, 130, 34, '*'], body: [head, ...rows] },
    layout: 'lightHorizontalLines',
    margin: [0, 6, 0, 0]
  }
}

/** Makes the sheet and hands it to the browser as a file. Refuses a text that the font cannot print, naming the word. */
export async function downloadSheet(page: VisitPage, sheet: Sheet, measured: readonly MeasuredRule[], worn: Lengths): Promise<void> {
  const { dog, apprentice, onDate, found } = page
  const texts = [
    dog.name,
    dog.dislikes,
    dog.coat,
    apprentice.givenName,
    apprentice.familyName,
    ...found.wishes.flatMap(({ what, askedBy }) => [what, askedBy])
  ]
  refuseUnprintable(texts)
  const drawn = { dog: { ...dog, trim: page.standard.plan.drawnAs }, lengths: worn, plan: page.standard.plan.lengthsMm }
  const picture = await pictureOnPaper(drawn, PICTURE_PX.w, PICTURE_PX.h)
  const file = `sheet-${dog.name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '-')}-${onDate}.pdf`
  await savePdf(sheetDocument(page, sheet, measured, picture, onDate), file)
}
