// The plan of a week on paper, to hang in the room.
import type { CalendarItem, CalendarView, Me } from '@peen/contract'
import { isOpenOn } from '@peen/core/day'
import { addDays, formatISO, parseISO, startOfISOWeek } from 'date-fns'
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces'
import type { Services } from '../../http'
import { wordsIn } from '../../words'
import { inFace, pdfOf } from '../records'
import { schoolRow } from '../school'
import { calendarView } from './view'

type Words = ReturnType<typeof wordsIn>
const MUTED = '#44545a'
const LINE = '#9aa5a8'
const DAYS = 7

const dateOf = (day: Date) => formatISO(day, { representation: 'date' })

/** Monday to Sunday of the week that a day is in: each day with its visits by the clock, and what else is due. */
export async function weekPdf(services: Services, actor: Me, on: string): Promise<Buffer> {
  const monday = startOfISOWeek(parseISO(on))
  const dates = Array.from({ length: DAYS }, (_, i) => dateOf(addDays(monday, i)))
  const view = await calendarView(services, actor, { from: dates[0], to: dates[DAYS - 1] })
  const { name } = await schoolRow(services.db)
  const { language } = actor.settings
  return pdfOf(weekDocument(view, { dates, school: name, language }))
}

type Paper = { readonly dates: readonly string[]; readonly school: string; readonly language: string }

function weekDocument(view: CalendarView, { dates, school, language }: Paper): TDocumentDefinitions {
  const t = wordsIn(language)
  const say = (on: string, style: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat(language, { ...style, timeZone: 'UTC' }).format(new Date(`${on}T12:00:00Z`))
  const long = { day: 'numeric', month: 'long', year: 'numeric' } as const
  const rows = dates.map((on): TableCell[] => [
    {
      stack: [
        { text: say(on, { weekday: 'long' }), bold: true },
        { text: say(on, { day: 'numeric', month: 'long' }), color: MUTED }
      ]
    },
    { stack: dayOf(on, view, t) }
  ])
  return {
    pageSize: 'A4',
    pageMargins: [42, 42, 42, 42],
    defaultStyle: { fontSize: 10.5, lineHeight: 1.15 },
    content: [
      { ...inFace(t('calendar.weekOf', { date: say(dates[0], long) })), bold: true, fontSize: 18 },
      { ...inFace(school), color: MUTED, margin: [0, 0, 0, 10] },
      {
        table: { widths: [110, '*'], body: rows, dontBreakRows: true },
        layout: { hLineColor: () => LINE, vLineWidth: () => 0, paddingTop: () => 6, paddingBottom: () => 6 }
      }
    ]
  }
}

function dayOf(on: string, { items, off, opening }: CalendarView, t: Words): Content[] {
  const closed = off.filter((one) => one.about === 'school' && one.fromOn <= on && on <= one.toOn).map(({ name }) => name)
  const away = off.filter((one) => one.about !== 'school' && one.fromOn <= on && on <= one.toOn).map(({ whose }) => whose)
  const own = items.filter((item) => item.onDate === on)
  const isClosed = closed.length > 0 || !isOpenOn(on, opening, [])
  const lines: Content[] = [
    ...(isClosed ? [{ ...inFace(t('calendar.schoolClosed', { name: closed[0] ?? 'none' })), bold: true }] : []),
    ...own.map((item) => lineOf(item, t)),
    ...(away.length > 0 ? [{ ...inFace(t('calendar.awayNames', { names: away.join(', ') })), color: MUTED }] : [])
  ]
  return lines.length > 0 ? lines : [{ text: t('calendar.nothingPlanned'), color: MUTED }]
}

function lineOf(item: CalendarItem, t: Words): Content {
  switch (item.kind) {
    case 'visit': {
      const { dog, trim, apprentice, table, comesAt } = item
      return { ...inFace(t('calendar.paperVisit', { time: comesAt ?? 'none', dog, trim, apprentice, table })) }
    }
    case 'session':
      return { ...inFace(t('calendar.session', { dog: item.dog, how: item.how, count: item.places.length })) }
    case 'due':
      return { ...inFace(t('calendar.due', { dog: item.dog })) }
    case 'aim':
      return { ...inFace(t('calendar.aim', { dog: item.dog, aim: item.aim || 'none' })), bold: true }
    case 'assessmentDay':
      return { text: t('calendar.assessmentDay'), bold: true }
    case 'expires':
      return { ...inFace(t('calendar.expires', { certificate: item.certificate, apprentice: item.apprentice })) }
  }
}
