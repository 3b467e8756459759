import { format, parseISO } from 'date-fns'
import { ref } from 'vue'
import { t } from '../words'

/** Whether times are told by 24 hours or by 12; set by whoever is signed in. */
export const clockHours = ref<'24' | '12'>('24')
const hours = () =>
  ({
    hour: clockHours.value === '24' ? '2-digit' : 'numeric',
    minute: '2-digit',
    hourCycle: clockHours.value === '24' ? 'h23' : 'h12'
  }) as const

/** "9 April", and with the year when it is another than the given day's. */
export function sayDate(date: string | null, today?: string): string {
  if (!date) return ''
  const day = parseISO(date.slice(0, 10))
  return format(day, today && today.slice(0, 4) !== date.slice(0, 4) ? 'd MMM yyyy' : 'd MMM')
}

/** "Tue 14 April, 10:42" in the school's own zone. */
export function sayMoment(iso: string, timeZone: string): string {
  const part = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat('en-GB', { timeZone, ...options }).format(new Date(iso))
  return `${part({ weekday: 'short' })} ${part({ day: 'numeric' })} ${part({ month: 'long' })}, ${part(hours())}`
}

/** "10:42" in the school's own zone. */
export function sayClock(iso: string, timeZone: string): string {
  return new Intl.DateTimeFormat('en-GB', { timeZone, ...hours() }).format(new Date(iso))
}

/** A time of the school's clock, HH:MM, as this person reads clocks. */
export const sayHours = (clock: string): string => sayClock(`2024-01-01T${clock}:00Z`, 'UTC')

/** Text with **bold** parts, split for a template; never as HTML. */
export function boldParts(text: string): { readonly text: string; readonly bold: boolean }[] {
  return text
    .split('**')
    .map((part, i) => ({ text: part, bold: i % 2 === 1 }))
    .filter((part) => part.text !== '')
}

/** Said wherever tools are chosen for a dog that was never here. */
export const UNKNOWN_DOG = t('shell.firstVisitWeDontKnow')
