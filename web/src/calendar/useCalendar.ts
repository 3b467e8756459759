// The calendar of a day, a week or a month: which days are shown, what is on them.
import type { CalendarItem, CalendarView, OffView } from '@peen/contract'
import { isDate } from '@peen/core/terms'
import { addDays, addMonths, addWeeks, endOfMonth, endOfWeek, format, formatISO, parseISO, startOfMonth, startOfWeek } from 'date-fns'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useAsked } from '../composables/useAsked'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { useSettingsStore } from '../stores/settings'
import { t } from '../words'

export const SHOWS = ['day', 'week', 'month'] as const
export type Show = (typeof SHOWS)[number]
type FirstDay = 0 | 1

const iso = (date: Date) => formatISO(date, { representation: 'date' })

/** The days that a view shows, both ends among them; a month in whole weeks. */
export function spanOf(show: Show, on: string, weekStartsOn: FirstDay): { readonly from: string; readonly to: string } {
  const day = parseISO(on)
  if (show === 'day') return { from: on, to: on }
  if (show === 'week') return { from: iso(startOfWeek(day, { weekStartsOn })), to: iso(endOfWeek(day, { weekStartsOn })) }
  return {
    from: iso(startOfWeek(startOfMonth(day), { weekStartsOn })),
    to: iso(endOfWeek(endOfMonth(day), { weekStartsOn }))
  }
}

/** The same view, one step on or back; the 31st of a month becomes the last of a shorter one. */
export function stepped(show: Show, on: string, by: 1 | -1): string {
  const day = parseISO(on)
  return iso(show === 'day' ? addDays(day, by) : show === 'week' ? addWeeks(day, by) : addMonths(day, by))
}

export function useCalendar(given: () => { readonly show?: string; readonly on?: string }) {
  const session = useSessionStore()
  const settings = useSettingsStore()
  const router = useRouter()
  const show = computed<Show>(() => SHOWS.find((one) => one === given().show) ?? 'week')
  const on = computed(() => {
    const day = given().on
    return day !== undefined && isDate(day) ? day : session.today
  })
  const firstDay = computed<FirstDay>(() => (settings.settings.week === 'sunday' ? 0 : 1))
  const span = computed(() => spanOf(show.value, on.value, firstDay.value))
  const asked = useAsked('calendar', () => span.value, { hears: ({ kind }) => kind === 'day' })
  const go = (to: { readonly show?: Show; readonly on?: string }) =>
    void router.push(`/calendar/${to.show ?? show.value}/${to.on ?? on.value}`)
  return { ...asked, show, on, firstDay, span, go }
}

/** Where one reads more of an entry; null where there is nothing more. */
export function linkOf(item: CalendarItem): string | null {
  switch (item.kind) {
    case 'visit':
      return `/visits/${item.id}`
    case 'session':
    case 'aim':
      return `/coat/${item.dogId}/work-back`
    case 'due':
      return `/coat/${item.dogId}/next-visit`
    case 'assessmentDay':
      return '/assessments'
    case 'expires':
      return `/certify/${item.findingId}`
  }
}

export function sayItem(item: CalendarItem): string {
  switch (item.kind) {
    case 'visit':
      return t('calendar.visit', { dog: item.dog, apprentice: item.apprentice.split(' ')[0]! })
    case 'session':
      return t('calendar.session', { dog: item.dog, how: item.how, count: item.places.length })
    case 'aim':
      return t('calendar.aim', { dog: item.dog, aim: item.aim || 'none' })
    case 'due':
      return t('calendar.due', { dog: item.dog })
    case 'assessmentDay':
      return t('calendar.assessmentDay')
    case 'expires':
      return t('calendar.expires', { certificate: item.certificate, apprentice: item.apprentice })
  }
}

/** Days off that touch a view, the school's first. */
export const offIn = (off: readonly OffView[], { from, to }: { readonly from: string; readonly to: string }): readonly OffView[] =>
  [...off]
    .filter(({ fromOn, toOn }) => fromOn <= to && toOn >= from)
    .sort((a, b) => (a.about === 'school' ? 0 : 1) - (b.about === 'school' ? 0 : 1))

/** What a view comes to, in a sentence: what is planned, and what needs a decision. */
export function sayView(
  { items, overdue, moved, today, from, to }: Omit<CalendarView, 'opening' | 'off' | 'people' | 'dogs'>,
  { show, on, isStaff }: { readonly show: Show; readonly on: string; readonly isStaff: boolean }
): string {
  // a month is shown in whole weeks, and counted by its own days
  const own = show === 'month' ? items.filter(({ onDate }) => onDate.slice(0, 7) === on.slice(0, 7)) : items
  const visits = own.filter(({ kind }) => kind === 'visit').length
  const sessions = own.filter(({ kind }) => kind === 'session').length
  const isNow = show === 'month' ? on.slice(0, 7) === today.slice(0, 7) : from <= today && today <= to
  const date = show === 'month' ? format(parseISO(on), 'MMMM yyyy') : sayDate(from, today)
  const planned = t('calendar.planned', { show, visits, sessions, when: isNow ? 'now' : 'then', date })
  if (!isStaff) return planned
  if (overdue.length > 0) return `${planned} ${t('calendar.overdueCount', { count: overdue.length })}`
  return moved.length > 0 ? `${planned} ${t('calendar.movedCount', { count: moved.length })}` : planned
}
