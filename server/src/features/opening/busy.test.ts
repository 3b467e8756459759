import { USUAL_OPENING } from '@peen/core/day'
import { describe, expect, it } from 'vitest'
import { busyIn, stretchesOf, type Frame } from './busy'

const frame: Frame = { today: '2026-03-20', opening: { ...USUAL_OPENING, from: '09:00', until: '17:00' }, timeZone: 'Europe/London' }
const file = (...parts: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//another calendar//EN', ...parts, 'END:VCALENDAR', ''].join('\r\n')
let count = 0
const event = (...lines: string[]) => ['BEGIN:VEVENT', `UID:${++count}`, 'DTSTAMP:20260301T000000Z', ...lines, 'END:VEVENT'].join('\r\n')
const days = (...parts: string[]) => busyIn(file(...parts), frame)!.days

describe('when a dog or a person is away, by a calendar file', () => {
  it.each<[string, string, readonly string[]]>([
    [
      'whole days; the end is the day after (RFC 5545, 3.6.1)',
      event('DTSTART;VALUE=DATE:20260504', 'DTEND;VALUE=DATE:20260507'),
      ['2026-05-04', '2026-05-05', '2026-05-06']
    ],
    ['one whole day without an end', event('DTSTART;VALUE=DATE:20260504'), ['2026-05-04']],
    ['half a school day and more', event('DTSTART:20260504T120000Z', 'DURATION:PT5H'), ['2026-05-04']],
    ['an hour is no day', event('DTSTART:20260504T120000Z', 'DURATION:PT1H'), []],
    ['before the school opens is no day', event('DTSTART:20260504T010000Z', 'DTEND:20260504T073000Z'), []],
    ['what is cancelled', event('DTSTART;VALUE=DATE:20260504', 'STATUS:CANCELLED'), []],
    ['what leaves its owner free', event('DTSTART;VALUE=DATE:20260504', 'TRANSP:TRANSPARENT'), []],
    ['what is over', event('DTSTART;VALUE=DATE:20260104'), []],
    [
      'free/busy stretches',
      'BEGIN:VFREEBUSY\r\nUID:f\r\nDTSTAMP:20260301T000000Z\r\nFREEBUSY:20260504T080000Z/PT8H,20260506T080000Z/20260506T160000Z\r\nEND:VFREEBUSY',
      ['2026-05-04', '2026-05-06']
    ],
    [
      'stretches that say they are free',
      'BEGIN:VFREEBUSY\r\nUID:f\r\nDTSTAMP:20260301T000000Z\r\nFREEBUSY;FBTYPE=FREE:20260504T080000Z/PT8H\r\nEND:VFREEBUSY',
      []
    ],
    ['a leap day', event('DTSTART;VALUE=DATE:20240229', 'RRULE:FREQ=YEARLY'), []]
  ])('%s', (_, part, expected) => {
    expect(days(part)).toEqual(expected)
  })

  it('two entries that together fill half a day, and overlap once only', () => {
    const [a, b] = [event('DTSTART:20260504T080000Z', 'DURATION:PT3H'), event('DTSTART:20260504T090000Z', 'DURATION:PT2H30M')]
    expect(days(a, b)).toEqual([])
    expect(days(a, event('DTSTART:20260504T110000Z', 'DURATION:PT2H'))).toEqual(['2026-05-04'])
  })

  it('follows a rule, leaves out what it excepts, and moves what was moved', () => {
    const weekly = event('DTSTART;VALUE=DATE:20260406', 'RRULE:FREQ=WEEKLY;COUNT=4', 'EXDATE;VALUE=DATE:20260413')
    expect(days(weekly)).toEqual(['2026-04-06', '2026-04-20', '2026-04-27'])
    const base = 'BEGIN:VEVENT\r\nUID:moved\r\nDTSTAMP:20260301T000000Z\r\n'
    const rule = `${base}DTSTART;VALUE=DATE:20260406\r\nRRULE:FREQ=WEEKLY;COUNT=3\r\nEND:VEVENT`
    const moved = `${base}RECURRENCE-ID;VALUE=DATE:20260413\r\nDTSTART;VALUE=DATE:20260415\r\nEND:VEVENT`
    expect(days(rule, moved)).toEqual(['2026-04-06', '2026-04-15', '2026-04-20'])
  })

  it('reads a rule without end for a year, and says so', () => {
    const busy = busyIn(file(event('DTSTART;VALUE=DATE:20200106', 'RRULE:FREQ=WEEKLY')), frame)!
    expect([busy.endless, busy.until, busy.days.length]).toEqual([1, '2027-03-21', 52])
    expect(busy.days.every((on) => new Date(on).getUTCDay() === 1)).toBe(true)
    const leap = busyIn(file(event('DTSTART;VALUE=DATE:20240229', 'RRULE:FREQ=YEARLY')), { ...frame, today: '2028-01-10' })!
    expect(leap.days).toEqual(['2028-02-29'])
  })

  it('gives up on a rule that repeats every second', () => {
    const busy = busyIn(file(event('DTSTART:20200101T000000Z', 'DURATION:PT1S', 'RRULE:FREQ=SECONDLY')), frame)!
    expect([busy.tooOften, busy.days]).toEqual([1, []])
  })

  it('takes times of other zones as moments, through the change of clocks', () => {
    const auckland = 'DTSTART;TZID=Pacific/Auckland:20260505T200000'
    // eight in the evening there is nine in the morning here, in summer
    expect(days(event(auckland, 'DURATION:PT6H'))).toEqual(['2026-05-05'])
    // clocks go forward on 29 March 2026 in London: noon by the clock is 11:00 UTC from then on
    for (const on of ['20260327', '20260330'])
      expect(days(event(`DTSTART;TZID=Europe/London:${on}T130000`, 'DURATION:PT4H'))).toHaveLength(1)
    for (const [on, utc] of [
      ['20260327', '13'],
      ['20260330', '12']
    ])
      expect(days(event(`DTSTART:${on}T${utc}0000Z`, 'DURATION:PT4H'))).toHaveLength(1)
    expect(days(event('DTSTART:20260330T130000Z', 'DURATION:PT4H'))).toEqual([])
  })

  it('uses the zone that the file describes, and says which it does not know', () => {
    const zone = [
      'BEGIN:VTIMEZONE',
      'TZID:Own',
      'BEGIN:STANDARD',
      'DTSTART:19700101T000000',
      'TZOFFSETFROM:+0900',
      'TZOFFSETTO:+0900',
      'END:STANDARD',
      'END:VTIMEZONE'
    ].join('\r\n')
    expect(days(zone, event('DTSTART;TZID=Own:20260504T170000', 'DURATION:PT8H'))).toEqual(['2026-05-04'])
    const unknown = busyIn(file(event('DTSTART;TZID=Moon/Sea:20260504T090000', 'DURATION:PT8H')), frame)!
    expect([unknown.unknownZones, unknown.days]).toEqual([['Moon/Sea'], ['2026-05-04']])
  })

  it.each([
    '',
    'hello',
    'BEGIN:VCALENDAR',
    'BEGIN:VCARD\r\nEND:VCARD',
    '{"a":1}',
    file(event('DTSTART;VALUE=DATE:20260504')).slice(0, 120)
  ])('is no calendar: %s', (text) => expect(busyIn(text, frame)).toBeNull())
})

describe('days in a row', () => {
  it('become one stretch', () => {
    expect(stretchesOf([])).toEqual([])
    expect(stretchesOf(['2026-02-27', '2026-02-28', '2026-03-01', '2026-03-03'])).toEqual([
      { fromOn: '2026-02-27', toOn: '2026-03-01' },
      { fromOn: '2026-03-03', toOn: '2026-03-03' }
    ])
  })
})
