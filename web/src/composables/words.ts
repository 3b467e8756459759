import { format, parseISO } from 'date-fns'

/** "9 April", and with the year when it is another than the given day's. */
export function sayDate(date: string | null, today?: string): string {
  if (!date) return ''
  const day = parseISO(date.slice(0, 10))
  return format(day, today && today.slice(0, 4) !== date.slice(0, 4) ? 'd MMM yyyy' : 'd MMM')
}

/** "Tue 14 April, 10:42" in the school's own zone. */
export function sayMoment(iso: string, timeZone: string): string {
  const part = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat('en-GB', { timeZone, ...options }).format(new Date(iso))
  return `${part({ weekday: 'short' })} ${part({ day: 'numeric' })} ${part({ month: 'long' })}, ${part({ hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })}`
}

/** "10:42" in the school's own zone. */
export function sayClock(iso: string, timeZone: string): string {
  return new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).format(new Date(iso))
}

/** Text with **bold** parts, split for a template; never as HTML. */
export function boldParts(text: string): { readonly text: string; readonly bold: boolean }[] {
  return text
    .split('**')
    .map((part, i) => ({ text: part, bold: i % 2 === 1 }))
    .filter((part) => part.text !== '')
}
