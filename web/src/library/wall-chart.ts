// A trim as a chart for the wall: one A3 page with the drawn dog, what makes it, its lengths and how it is looked at.
import { regionName, type RegionId } from '@peen/core/regions'
import { STATIONS, type Standard } from '@peen/core/standard'
import { sayNumber } from '@peen/core/units'
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces'
import { STATION_WORDS } from '../composables/outcomes'
import { dogOfTrim } from '../figure/place'
import { pictureOnPaper, refuseUnprintable, savePdf } from './paper'
import { sayTarget } from './criterion-words'
import { t } from '../words'

const MUTED = '#44545a'
const PICTURES = { side: { w: 1800, h: 1150 }, head: { w: 900, h: 900 } } as const

/** The chart as the layout package takes it; pictures are PNGs as data addresses. */
export function wallChart(standard: Standard, pictures: Readonly<Partial<Record<'side' | 'head', string>>>): TDocumentDefinitions {
  const lengths = Object.entries(standard.plan.lengthsMm).map(([region, mm]) => `${regionName(region as RegionId)} ${sayNumber(mm)}`)
  const walk = STATIONS.filter((station) => station !== 'handling').map((station): TableCell => {
    const own = standard.criteria.filter((criterion) => criterion.station === station)
    return {
      stack: [
        { text: STATION_WORDS[station], bold: true, fontSize: 12, margin: [0, 0, 0, 2] },
        ...own.map((criterion) => ({ text: [criterion.label, { text: `  ${sayTarget(criterion)}`, color: MUTED }], fontSize: 8.5 }))
      ]
    }
  })
  const makes: Content[] = standard.makes.map(({ say }, i) => ({
    columns: [
      { text: String(i + 1), width: 22, fontSize: 17, italics: true },
      { text: say, fontSize: 13, margin: [0, 3, 0, 0] }
    ],
    margin: [0, 0, 0, 5]
  }))
  return {
    pageSize: 'A3',
    pageOrientation: 'landscape',
    pageMargins: [40, 34, 40, 34],
    info: { title: standard.name },
    defaultStyle: { font: 'Roboto', fontSize: 10, lineHeight: 1.15 },
    content: [
      { text: standard.name, fontSize: 26, bold: true },
      {
        text: t('library.aboutStandardMinMinutesPassMark', {
          standardMin: standard.standardMin,
          passMark: standard.passMark,
          version: standard.version
        }),
        color: MUTED,
        margin: [0, 0, 0, 8]
      },
      {
        columns: [
          pictures.side ? { image: pictures.side, width: 640 } : { text: '', width: 640 },
          [
            ...(pictures.head ? [{ image: pictures.head, width: 230, alignment: 'center' as const }] : []),
            ...makes,
            {
              text: t('library.typicalFaultName', { name: standard.ownFault.name.toLowerCase() }),
              bold: true,
              margin: [0, 4, 0, 0] as [number, number, number, number]
            }
          ]
        ],
        columnGap: 24
      },
      { table: { widths: ['*', '*', '*', '*', '*'], body: [walk] }, layout: 'noBorders', margin: [0, 8, 0, 0] },
      { text: t('library.lengthLeftMmLengths', { lengths: lengths.join(', ') }), fontSize: 9, color: MUTED, margin: [0, 8, 0, 0] },
      {
        text: t('library.commonPracticeSchoolsHouseRules'),
        fontSize: 8,
        color: MUTED,
        margin: [0, 3, 0, 0]
      }
    ]
  }
}

function picture(standard: Standard, from: 'side' | 'head'): Promise<string> {
  const { coat, dog } = dogOfTrim(standard.bodyType, standard.plan.drawnAs)
  const { w, h } = PICTURES[from]
  return pictureOnPaper({ dog, lengths: standard.plan.lengthsMm, plan: coat.lengths, from }, w, h)
}

export async function downloadWallChart(standard: Standard): Promise<void> {
  const words = standard.criteria.flatMap(({ label }) => label)
  refuseUnprintable([standard.name, standard.ownFault.name, ...standard.makes.map(({ say }) => say), ...words])
  const side = await picture(standard, 'side')
  const head = await picture(standard, 'head')
  await savePdf(wallChart(standard, { side, head }), `wall-chart-${standard.id}.pdf`)
}
