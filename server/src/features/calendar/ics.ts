// The calendar for other calendars: iCalendar, RFC 5545.
import { sha256 } from '@peen/bundle'
import type { CalendarItem } from '@peen/contract'
import { inArray } from 'drizzle-orm'
import ical, { ICalCalendarMethod, ICalEventStatus, ICalEventTransparency, type ICalEventData } from 'ical-generator'
import { tables, type Transaction } from '../../db'
import type { wordsIn } from '../../words'
import { at } from '../opening'
import type { Held } from './items'

type Words = ReturnType<typeof wordsIn>

/** The name by which other calendars know an entry, for as long as there is one. */
export const uidOf = ({ kind, id }: CalendarItem): string => `${kind}-${id}@peen`

/** An entry that apprentices are told of too, whose-ever it is not. */
export const isForAll = (uid: string): boolean => uid.startsWith('assessmentDay-')

const { calendarMarks: m } = tables
export type Mark = typeof m.$inferSelect

/** What an entry's number is counted by: everything of it that another calendar shows. */
const toldOf = (item: CalendarItem): string => sha256(JSON.stringify(item))

/**
 * Numbers what has changed since other calendars were told, and what is gone. `held` must be all there is from `from` on.
 * Marks by their UID, those that are gone among them.
 */
export async function bringMarks(
  tx: Transaction,
  held: readonly Held[],
  { from, now }: { readonly from: string; readonly now: Date }
): Promise<ReadonlyMap<string, Mark>> {
  const known = new Map((await tx.select().from(m).for('update')).map((mark) => [mark.uid, mark]))
  const there = new Set(held.map(({ item }) => uidOf(item)))
  const changed: Mark[] = []
  for (const { item, whose } of held) {
    const [uid, told] = [uidOf(item), toldOf(item)]
    const before = known.get(uid)
    if (before && before.told === told && before.goneAt === null) continue
    const sequence = before ? before.sequence + 1 : 0
    changed.push({ uid, sequence, told, onDate: item.onDate, personId: whose === 'all' ? null : whose, changedAt: now, goneAt: null })
  }
  for (const mark of known.values())
    if (!there.has(mark.uid) && mark.goneAt === null && mark.onDate >= from)
      changed.push({ ...mark, sequence: mark.sequence + 1, changedAt: now, goneAt: now })
  if (changed.length > 0) {
    await tx.delete(m).where(
      inArray(
        m.uid,
        changed.map(({ uid }) => uid)
      )
    )
    await tx.insert(m).values(changed)
  }
  return new Map([...known, ...changed.map((mark): [string, Mark] => [mark.uid, mark])])
}

export type Written = {
  readonly name: string
  readonly timeZone: string
  readonly items: readonly CalendarItem[]
  readonly marks: ReadonlyMap<string, Mark>
  /** what is gone, for who was told of it */
  readonly gone: readonly Mark[]
  readonly t: Words
}

/** The file. Times are written in UTC: a moment is the same in every time zone, through every change of clocks. */
export function icsOf({ name, timeZone, items, marks, gone, t }: Written): string {
  const calendar = ical({ name, prodId: { company: 'Peen', product: 'Calendar', language: 'EN' }, method: ICalCalendarMethod.PUBLISH })
  for (const item of items) {
    const { sequence, changedAt } = marks.get(uidOf(item))!
    const said = saidOf(item, t)
    calendar.createEvent({
      ...whenOf(item, timeZone),
      ...{ id: uidOf(item), sequence, stamp: changedAt, lastModified: changedAt, ...said },
      transparency: item.kind === 'visit' || item.kind === 'session' ? ICalEventTransparency.OPAQUE : ICalEventTransparency.TRANSPARENT,
      status: ICalEventStatus.CONFIRMED
    })
  }
  for (const { uid, sequence, onDate, changedAt } of gone)
    calendar.createEvent({
      ...allDay(onDate),
      ...{ id: uid, sequence, stamp: changedAt, lastModified: changedAt, summary: t('calendar.cancelled') },
      transparency: ICalEventTransparency.TRANSPARENT,
      status: ICalEventStatus.CANCELLED
    })
  return `${calendar.toString().trimEnd()}\r\n`
}

type When = Pick<ICalEventData, 'start' | 'end' | 'allDay'>
const DAY_MS = 86_400_000

function allDay(on: string): When {
  const start = new Date(`${on}T00:00:00Z`)
  return { start, end: new Date(start.getTime() + DAY_MS), allDay: true }
}

function whenOf(item: CalendarItem, timeZone: string): When {
  if (item.kind !== 'visit' || item.comesAt === null) return allDay(item.onDate)
  const start = at(item.onDate, item.comesAt, timeZone)
  return { start, end: new Date(start.getTime() + Math.max(LEAST_MINUTES, item.minutes) * 60_000) }
}
/** A trim without standard minutes is shown as this long. Chosen. */
const LEAST_MINUTES = 15

function saidOf(item: CalendarItem, t: Words): Pick<ICalEventData, 'summary' | 'description'> {
  switch (item.kind) {
    case 'visit': {
      const { dog, trim, apprentice, table, minutes } = item
      return { summary: t('calendar.icsVisit', { dog, trim }), description: t('calendar.icsVisitMore', { apprentice, table, minutes }) }
    }
    case 'session': {
      const { dog, how, places, minutes, aim } = item
      return {
        summary: t('calendar.session', { dog, how, count: places.length }),
        description: t('calendar.icsSessionMore', { minutes, aim: aim || 'none' })
      }
    }
    case 'due':
      return { summary: t('calendar.due', { dog: item.dog }) }
    case 'aim':
      return { summary: t('calendar.aim', { dog: item.dog, aim: item.aim || 'none' }) }
    case 'assessmentDay':
      return { summary: t('calendar.assessmentDay') }
    case 'expires':
      return { summary: t('calendar.expires', { certificate: item.certificate, apprentice: item.apprentice }) }
  }
}
