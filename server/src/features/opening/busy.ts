// When a dog or a person is away, read from a calendar file (RFC 5545).
import { TZDate } from '@date-fns/tz'
import { shiftDay, type Opening } from '@peen/core/day'
import ICAL from 'ical.js'

export type Frame = {
  readonly today: string
  readonly opening: Opening
  readonly timeZone: string
}
export type Busy = {
  /** days on which they are away, in order, YYYY-MM-DD */
  readonly days: readonly string[]
  /** entries shorter than half a school day */
  readonly short: number
  /** entries that repeat without end: read until the last day */
  readonly endless: number
  /** entries that repeat too often to be read */
  readonly tooOften: number
  /** time zones that are not known here: read by the school's clock */
  readonly unknownZones: readonly string[]
  readonly until: string
}

/** How far ahead a file is read, days; chosen: a year. */
const AHEAD_DAYS = 366
/** A rule is followed through so many occurrences at most: fifty years of days. Chosen. */
const MOST_STEPS = 18_300
/** Away for this share of the school's hours is away for the day. Chosen. */
const AWAY_01 = 0.5

type Stretch = { readonly from: Date; readonly to: Date }
type Reading = { readonly frame: Frame; readonly zones: Set<string>; readonly unknown: Set<string>; endless: number; tooOften: number }

/** Reads a calendar file. Null where the text is none. */
export function busyIn(text: string, frame: Frame): Busy | null {
  const root = parsed(text)
  if (!root) return null
  const until = shiftDay(frame.today, AHEAD_DAYS)
  const zones = new Set(root.getAllSubcomponents('vtimezone').map((zone) => String(zone.getFirstPropertyValue('tzid'))))
  const reading: Reading = { frame, zones, unknown: new Set(), endless: 0, tooOften: 0 }
  const [first, last] = [at(frame.today, '00:00', frame.timeZone), at(until, '23:59', frame.timeZone)]
  const all = [...eventStretches(root, reading, last), ...freeBusyStretches(root, reading)].filter(
    ({ from, to }) => to > first && from < last
  )
  const minutes = new Map<string, Stretch[]>()
  for (const stretch of all)
    for (const on of datesOf(stretch, frame)) if (on >= frame.today && on <= until) minutes.set(on, [...(minutes.get(on) ?? []), stretch])
  const days = [...minutes].filter(([on, own]) => isAwayFor(on, own, frame)).map(([on]) => on)
  const short = all.filter((stretch) => !datesOf(stretch, frame).some((on) => days.includes(on))).length
  const { endless, tooOften, unknown } = reading
  return { days: days.sort(), short, endless, tooOften, unknownZones: [...unknown].sort(), until }
}

function parsed(text: string): ICAL.Component | null {
  try {
    const root = new ICAL.Component(ICAL.parse(text) as never)
    return root.name === 'vcalendar' ? root : null
  } catch {
    return null
  }
}

/** What every event stands for, repeated as its rule says, exceptions in their place. */
function* eventStretches(root: ICAL.Component, reading: Reading, last: Date): Generator<Stretch> {
  const events = root.getAllSubcomponents('vevent').filter(isBusy)
  const changed = events.filter((one) => one.hasProperty('recurrence-id'))
  for (const component of events) {
    if (component.hasProperty('recurrence-id')) continue
    const uid = component.getFirstPropertyValue('uid')
    const exceptions = changed.filter((one) => one.getFirstPropertyValue('uid') === uid)
    const event = new ICAL.Event(component, { exceptions: exceptions.map((one) => new ICAL.Event(one)) as never })
    if (!event.startDate) continue
    if (!event.isRecurring()) {
      yield { from: instant(event.startDate, reading), to: instant(event.endDate, reading) }
      continue
    }
    const rule = component.getFirstPropertyValue('rrule') as ICAL.Recur | null
    if (rule && !rule.isFinite()) reading.endless++
    yield* occurrences(event, reading, last)
  }
}

function* occurrences(event: ICAL.Event, reading: Reading, last: Date): Generator<Stretch> {
  const all = event.iterator()
  const rule = event.component.getFirstPropertyValue('rrule') as ICAL.Recur | null
  const isByDate = rule !== null && (rule.freq === 'YEARLY' || rule.freq === 'MONTHLY') && Object.keys(rule.parts).length === 0
  for (let steps = 0; ; steps++) {
    if (steps > MOST_STEPS) {
      reading.tooOften++
      return
    }
    const next = all.next() as ICAL.Time | null
    if (!next) return
    // 29 February does not become 1 March in a year that has none, nor the 31st the 1st (RFC 5545, 3.3.10)
    if (isByDate && next.day !== event.startDate.day) continue
    const { startDate, endDate } = event.getOccurrenceDetails(next)
    const from = instant(startDate, reading)
    if (from > last) return
    yield { from, to: instant(endDate, reading) }
  }
}

function* freeBusyStretches(root: ICAL.Component, reading: Reading): Generator<Stretch> {
  for (const component of root.getAllSubcomponents('vfreebusy'))
    for (const property of component.getAllProperties('freebusy')) {
      if (String(property.getFirstParameter('fbtype') ?? '').toUpperCase() === 'FREE') continue
      for (const period of property.getValues() as ICAL.Period[])
        yield { from: instant(period.start, reading), to: instant(period.getEnd(), reading) }
    }
}

/** What is cancelled, or lets its owner be free, keeps no one away. */
const isBusy = (event: ICAL.Component): boolean =>
  String(event.getFirstPropertyValue('transp') ?? '').toUpperCase() !== 'TRANSPARENT' &&
  String(event.getFirstPropertyValue('status') ?? '').toUpperCase() !== 'CANCELLED'

/** A time of a calendar as a moment: by the file's own time zone, by one of the world's, else by the school's clock. */
function instant(time: ICAL.Time, { frame, zones, unknown }: Reading): Date {
  const tzid = time.zone?.tzid
  if (tzid === 'UTC' || time.zone === ICAL.Timezone.utcTimezone) return time.toJSDate()
  // a zone that the file describes itself
  if (tzid && tzid !== 'floating' && zones.has(tzid)) return time.toJSDate()
  const named = (time as unknown as { timezone?: string }).timezone ?? (tzid === 'floating' ? undefined : tzid)
  const zone = named && isZone(named) ? named : frame.timeZone
  if (named && zone !== named) unknown.add(named)
  const { year, month, day, hour, minute, second } = time
  return new Date(new TZDate(year, month - 1, day, hour, minute, second, zone).getTime())
}

function isZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en-GB', { timeZone: name })
    return true
  } catch {
    return false
  }
}

/** A moment of a day by a clock, HH:MM. */
export function at(on: string, clock: string, timeZone: string): Date {
  const [year, month, day] = on.split('-').map(Number)
  const [hour, minute] = clock.split(':').map(Number)
  return new Date(new TZDate(year, month - 1, day, hour, minute, timeZone).getTime())
}

const dateIn = (moment: Date, timeZone: string) =>
  new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(moment)

/** The days that a stretch touches, by the school's clock; what ends at midnight does not touch the day that begins then. */
function datesOf({ from, to }: Stretch, { timeZone }: Frame): string[] {
  const first = dateIn(from, timeZone)
  const last = dateIn(new Date(Math.max(from.getTime(), to.getTime() - 1)), timeZone)
  const dates: string[] = []
  for (let on = first; on <= last && dates.length <= AHEAD_DAYS * 2; on = shiftDay(on, 1)) dates.push(on)
  return dates
}

function isAwayFor(on: string, stretches: readonly Stretch[], { opening, timeZone }: Frame): boolean {
  const [opens, closes] = [at(on, opening.from, timeZone).getTime(), at(on, opening.until, timeZone).getTime()]
  const own = stretches
    .map(({ from, to }): [number, number] => [Math.max(opens, from.getTime()), Math.min(closes, to.getTime())])
    .filter(([from, to]) => to > from)
    .sort(([a], [b]) => a - b)
  let [away, seen] = [0, opens]
  // stretches that overlap count once
  for (const [from, to] of own) {
    away += Math.max(0, to - Math.max(from, seen))
    seen = Math.max(seen, to)
  }
  return away >= AWAY_01 * (closes - opens)
}

/** Days in a row become one stretch. */
export function stretchesOf(days: readonly string[]): readonly { readonly fromOn: string; readonly toOn: string }[] {
  const found: { fromOn: string; toOn: string }[] = []
  for (const on of days) {
    const before = found.at(-1)
    if (before && shiftDay(before.toOn, 1) === on) before.toOn = on
    else found.push({ fromOn: on, toOn: on })
  }
  return found
}
