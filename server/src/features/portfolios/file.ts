// A portfolio on paper, for who would rather send a file than a link.
import { eq } from 'drizzle-orm'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import sharp from 'sharp'
import { tables, type Reader } from '../../db'
import type { Services } from '../../http'
import { wordsIn } from '../../words'
import { inFace, pdfOf } from '../records'
import { portfolioView, type PortfolioRecord, type Read } from './view'

type Words = ReturnType<typeof wordsIn>
type Pictures = ReadonlyMap<string, string>

const MUTED = '#44545a'
const INK = '#10191c'
const GREEN = '#1f5a43'
/** on paper, points */
const CHART = { width: 220, height: 60 }
const PICTURE_PT = 230
/** at 200 to the inch */
const PICTURE_PX = 640

const sayDay = (day: string, language: string) =>
  new Intl.DateTimeFormat(language, { dateStyle: 'long', timeZone: 'UTC' }).format(new Date(`${day}T12:00:00Z`))

const heading = (text: string): Content => ({ text, bold: true, fontSize: 14, margin: [0, 20, 0, 6] })

/** `address`: where anyone checks a certificate; null where the school has none */
type Head = { readonly holder: string; readonly address: string | null }

const howToCheck = (number: string, code: string, address: string | null, t: Words): string =>
  address ? t('portfolio.checkAt', { address, number, code }) : t('portfolio.checkCode', { number, code })

function certificate({ holder, address }: Head, one: Read['certificates'][number], t: Words, language: string): Content {
  const until = one.validUntil ? t('portfolio.until', { date: sayDay(one.validUntil, language) }) : t('paper.forGood')
  return {
    stack: [
      { ...inFace(one.name), bold: true },
      inFace(`${holder} ${one.claim}.`),
      {
        text: [t('portfolio.numberIssued', { number: one.number, date: sayDay(one.issuedOn, language) }), '. ', until, '. '],
        color: MUTED
      },
      ...(one.code ? [{ text: howToCheck(one.number, one.code, address, t), color: MUTED }] : []),
      ...(one.standing === 'valid' ? [] : [{ text: t(one.standing === 'revoked' ? 'portfolio.revoked' : 'portfolio.expired'), bold: true }])
    ],
    margin: [0, 0, 0, 10],
    unbreakable: true
  }
}

function trim(one: Read['trims'][number], pictures: Pictures, t: Words, language: string): Content {
  const shown = one.pictures.flatMap(({ id }) => (pictures.has(id) ? [{ image: pictures.get(id)!, fit: [PICTURE_PT, PICTURE_PT] }] : []))
  const rows = Array.from({ length: Math.ceil(shown.length / 2) }, (_, i) => shown.slice(2 * i, 2 * i + 2))
  return {
    stack: [
      { ...inFace(one.trim), bold: true },
      inFace(
        t('portfolio.trimSays', {
          ...{ dog: one.dog ?? 'none', coat: one.coat, date: sayDay(one.onDate, language), assessor: one.assessor },
          ...{ mark: Math.round(one.mark), low: Math.round(one.low), high: Math.round(one.high) }
        })
      ),
      ...(one.praise ? [{ ...inFace(one.praise), color: MUTED }] : []),
      ...rows.map((columns): Content => ({ columns: columns as never, columnGap: 12, margin: [0, 6, 0, 0] }))
    ],
    margin: [0, 0, 0, 14],
    unbreakable: true
  }
}

/** The score after each attempt, with the line at which it is ready. */
function chart({ name, clean, standing: { scores, limit, attempts } }: Read['charts'][number], t: Words): Content {
  const most = Math.max(scores.length, 1)
  const at = (i: number, score: number) => ({ x: (i / most) * CHART.width, y: CHART.height * (1 - score / limit) })
  const line = (y: number, lineColor: string) => ({
    type: 'line' as const,
    x1: 0,
    x2: CHART.width,
    y1: y,
    y2: y,
    lineWidth: 0.7,
    lineColor
  })
  const points = [at(0, 0), ...scores.map((score, i) => at(i + 1, score))]
  return {
    columns: [
      {
        width: CHART.width + 16,
        canvas: [line(0, GREEN), line(CHART.height, MUTED), { type: 'polyline', lineWidth: 1.6, lineColor: INK, points }]
      },
      {
        width: '*',
        stack: [
          { ...inFace(name), bold: true },
          { text: t('portfolio.chartSays', { clean, attempts, limit }), color: MUTED }
        ]
      }
    ],
    margin: [0, 6, 0, 14],
    unbreakable: true
  }
}

function documentOf(read: Read, pictures: Pictures, address: string | null, language: string): TDocumentDefinitions {
  const t = wordsIn(language)
  const part = (title: string, lines: readonly Content[]): Content[] => (lines.length > 0 ? [heading(title), ...lines] : [])
  return {
    pageSize: 'A4',
    pageMargins: [56, 56, 56, 56],
    info: { title: t('portfolio.of', { holder: read.holder }), author: read.holder, creator: 'Peen' },
    defaultStyle: { fontSize: 11, lineHeight: 1.2, color: INK },
    footer: (page, pages) => ({
      text: t('paper.pageOf', { page, pages }),
      alignment: 'right',
      fontSize: 9,
      color: MUTED,
      margin: [56, 8, 56, 0]
    }),
    content: [
      { ...inFace(read.holder), bold: true, fontSize: 26 },
      { ...inFace(read.school), color: MUTED, fontSize: 12 },
      ...part(
        t('portfolio.certificates'),
        read.certificates.map((one) => certificate({ holder: read.holder, address }, one, t, language))
      ),
      ...part(
        t('portfolio.trims'),
        read.trims.map((one) => trim(one, pictures, t, language))
      ),
      ...part(
        t('portfolio.charts'),
        read.charts.map((one) => chart(one, t))
      )
    ]
  }
}

async function picturesFor(db: Reader, read: Read): Promise<Pictures> {
  const { pictures: p } = tables
  const found = new Map<string, string>()
  for (const { id } of read.trims.flatMap(({ pictures }) => pictures)) {
    const [row] = await db.select({ bytes: p.bytes }).from(p).where(eq(p.id, id))
    if (!row) continue
    const small = await sharp(row.bytes).resize({ width: PICTURE_PX, height: PICTURE_PX, fit: 'inside' }).jpeg({ quality: 82 }).toBuffer()
    found.set(id, `data:image/jpeg;base64,${small.toString('base64')}`)
  }
  return found
}

export async function portfolioPdf(services: Services, row: PortfolioRecord, language: string): Promise<Buffer> {
  const read = await portfolioView(services, row)
  return pdfOf(documentOf(read, await picturesFor(services.db, read), services.publicUrl ? `${services.publicUrl}/check` : null, language))
}
