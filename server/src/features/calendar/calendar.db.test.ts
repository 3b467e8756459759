// The calendar through its addresses; what goes out is read again by two libraries that have nothing to do with ours.
import type { CalendarView, CoatPlan, FeedMade, FeedRow, OffView } from '@peen/contract'
import { sql } from 'drizzle-orm'
import ICAL from 'ical.js'
import { execFileSync } from 'node:child_process'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ensureProgram } from '../../../../scripts/machine.mjs'
import { tables } from '../../db'
import { patientFetch, smallSchool, type Client, type World } from '../../testing/world'

let world: World
let [lena, ivo, abe, bea, outsider] = [] as unknown as Client[]
const PYTHON = '/usr/bin/python3'
beforeAll(async () => {
  ensureProgram(['/usr/lib/python3/dist-packages/icalendar/__init__.py'], 'python3-icalendar')
  world = await smallSchool('calendar')
  ;[lena, ivo, abe, bea] = await Promise.all(['lena', 'ivo', 'abe', 'bea'].map((name) => world.client(name)))
  outsider = await world.client()
})
afterAll(() => world.close())

const view = async (who: Client, from = '2026-04-01', to = '2026-05-31') =>
  (await who.get(`/calendar/${from}/${to}`)).body as unknown as CalendarView
const off = (more: object) => ({
  id: v7(),
  about: 'school',
  aboutId: null,
  fromOn: '2026-05-25',
  toOn: '2026-05-29',
  name: 'Spring break',
  ...more
})
const textOf = async (path: string, headers: Readonly<Record<string, string>> = {}) => {
  const answer = await patientFetch(`${world.url}${path}`, { headers: { ...headers } })
  return { status: answer.status, type: answer.headers.get('content-type'), text: await answer.text() }
}
const fileOf = async (who: Client) => (await textOf('/api/calendar-file', who.headers)).text
async function planned(onDate: string, more: object = {}): Promise<string> {
  const [dog] = await world.db.select().from(tables.dogs).limit(1)
  const [table] = await world.db.select().from(tables.roomTables).limit(1)
  const visit = { id: v7(), apprenticeId: world.ids.abe, dogId: dog.id, tableId: table.id, standardId: 'bearded-pet' }
  const answer = await ivo.post('/visits', { ...visit, weeksSince: null, wishes: '', onDate, ...more })
  expect(answer.status, answer.body.detail).toBe(200)
  return visit.id
}
type Read = { uid: string; sequence: number; start: string; end: string; status: string; summary: string }
const read = (text: string): Read[] =>
  new ICAL.Component(ICAL.parse(text) as never).getAllSubcomponents('vevent').map((one) => {
    const event = new ICAL.Event(one)
    const { startDate, endDate } = event
    return {
      ...{ uid: event.uid, sequence: event.sequence, summary: event.summary, status: String(one.getFirstPropertyValue('status')) },
      ...{ start: startDate.isDate ? startDate.toString() : startDate.toJSDate().toISOString() },
      end: endDate.isDate ? endDate.toString() : endDate.toJSDate().toISOString()
    }
  })
const READ_BY_PYTHON = `
import sys, json
from icalendar import Calendar
c = Calendar.from_ical(sys.stdin.buffer.read())
print(json.dumps([[str(e['UID']), int(e['SEQUENCE']), e['DTSTART'].dt.isoformat(), e['DTEND'].dt.isoformat(), str(e['STATUS']), str(e['SUMMARY'])] for e in c.walk('VEVENT')]))
`
const byPython = (text: string) =>
  JSON.parse(execFileSync(PYTHON, ['-c', READ_BY_PYTHON], { input: text, encoding: 'utf8' })) as [
    string,
    number,
    string,
    string,
    string,
    string
  ][]

describe('days off', () => {
  it('close the school, by a lead only, and are shown to everyone', async () => {
    expect((await ivo.post('/days-off', off({}))).status).toBe(403)
    expect((await lena.post('/days-off', off({}))).status).toBe(200)
    expect((await view(abe)).off).toMatchObject([{ about: 'school', name: 'Spring break', fromOn: '2026-05-25', toOn: '2026-05-29' }])
    const body = { weekdays: [5, 1, 2, 3, 4, 5], from: '08:30', until: '16:00' }
    expect((await ivo.send('PUT', '/school/opening', body)).status).toBe(403)
    expect((await lena.send('PUT', '/school/opening', body)).body).toMatchObject({ weekdays: [1, 2, 3, 4, 5], from: '08:30' })
  })

  it.each<[string, object, RegExp]>([
    ['ends before it begins', { toOn: '2026-05-20' }, /Last day is 2026-05-20; it must be 2026-05-25 or later/],
    ['is too long', { toOn: '2027-06-20' }, /up to 366 days/],
    ['has no name', { name: '' }, /Name is missing/],
    ['is no day', { fromOn: '2026-02-30' }, /First day is 2026-02-30/],
    ['has no owner', { about: 'dog' }, /which dog or person/]
  ])('is refused where it %s', async (_, more, words) => {
    const { status, body } = await lena.post('/days-off', off(more))
    expect([status, JSON.stringify(body)]).toEqual([422, expect.stringMatching(words)])
  })

  it('stand against a visit without stopping it, on its day and for the dog that is away', async () => {
    const [dog] = await world.db.select().from(tables.dogs).limit(1)
    const own = off({ about: 'dog', aboutId: dog.id, fromOn: '2026-05-30', toOn: '2026-05-30', name: 'at the coast' })
    const rows = (await ivo.post('/days-off', own)).body as unknown as OffView[]
    // what an owner does meanwhile is not kept
    expect(rows.find(({ id }) => id === own.id)).toMatchObject({ whose: dog.name, name: '' })
    expect((await view(abe)).off.some(({ id }) => id === own.id)).toBe(false)
    const day = (await ivo.get('/day/2026-05-30')).body as unknown as { schoolOff: string | null; visits: { warnings: string[] }[] }
    expect(day.schoolOff).toBe('')
    const id = await planned('2026-05-30')
    const planned2 = (await ivo.get('/day/2026-05-30')).body as unknown as typeof day
    expect(planned2.visits[0].warnings.join(' ')).toMatch(/closed on 30 May.*away on 30 May/)
    expect((await ivo.post(`/visits/${id}/cancel`)).status).toBe(200)
    expect((await ivo.post(`/days-off/${own.id}/remove`)).status).toBe(200)
  })

  it('come from a calendar file, replace those of the file before, and refuse what is none', async () => {
    const [dog] = await world.db.select().from(tables.dogs).limit(1)
    const take = async (text: string) => {
      const path = `${world.url}/api/days-off/dog/${dog.id}/file`
      const answer = await patientFetch(path, { method: 'POST', headers: { ...ivo.headers, 'content-type': 'text/calendar' }, body: text })
      return { status: answer.status, body: (await answer.json()) as { days?: number; notes?: string[]; detail?: string } }
    }
    const ics = (on: string) =>
      `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nBEGIN:VEVENT\r\nUID:a\r\nDTSTAMP:20260101T000000Z\r\nDTSTART;VALUE=DATE:${on}\r\nSUMMARY:Private\r\nRRULE:FREQ=DAILY;COUNT=3\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n`
    expect((await take(ics('20260504'))).body).toMatchObject({ days: 3, stretches: 1, notes: [] })
    expect((await take(ics('20260511'))).body).toMatchObject({ days: 3 })
    const rows = await world.db.select().from(tables.daysOff)
    expect(rows.filter(({ isFromFile }) => isFromFile)).toMatchObject([{ fromOn: '2026-05-11', toOn: '2026-05-13', name: '' }])
    const none = await take('hello')
    expect([none.status, none.body.detail]).toEqual([409, expect.stringMatching(/not a calendar file.*“hello”/)])
    expect((await take(ics('20260511').replace('COUNT=3', 'INTERVAL=2'))).body.notes).toEqual([
      expect.stringMatching(/repeats without end/)
    ])
    expect((await take('BEGIN:VCALENDAR\r\nEND:VCALENDAR\r\n')).body).toMatchObject({ days: 0 })
  })
})

describe('what goes out', () => {
  let visit: string
  it('is a calendar that others read alike, with the moment of the school’s clock', async () => {
    // the day before clocks go forward in London, and the day after
    visit = await planned('2026-05-06', { comesAt: '09:30' })
    await planned('2026-10-26', { comesAt: '09:30', apprenticeId: world.ids.bea })
    await planned('2026-05-07')
    const text = await fileOf(ivo)
    const events = read(text)
    expect(events.find(({ uid }) => uid.includes(visit))).toMatchObject({
      start: '2026-05-06T08:30:00.000Z',
      sequence: 0,
      status: 'CONFIRMED'
    })
    expect(events.map(({ start }) => start)).toContain('2026-10-26T09:30:00.000Z')
    expect(events.find(({ start }) => start === '2026-05-07')).toMatchObject({ end: '2026-05-08' })
    expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true)
    const moment = (iso: string) => (iso.includes('T') ? new Date(iso).toISOString() : iso)
    expect(
      byPython(text).map(([uid, sequence, start, end, status, summary]) => ({
        uid,
        sequence,
        start: moment(start),
        end: moment(end),
        status,
        summary
      }))
    ).toEqual(events.map(({ uid, sequence, start, end, status, summary }) => ({ uid, sequence, start, end, status, summary })))
  })

  it('numbers a change, keeps the name, and tells what is cancelled', async () => {
    const own = async () => read(await fileOf(ivo)).find(({ uid }) => uid.includes(visit))!
    expect((await own()).sequence).toBe(0)
    expect((await own()).sequence).toBe(0)
    expect((await ivo.send('PUT', `/visits/${visit}`, { comesAt: '13:00' })).status).toBe(200)
    expect(await own()).toMatchObject({ sequence: 1, start: '2026-05-06T12:00:00.000Z' })
    expect((await ivo.post(`/visits/${visit}/cancel`)).status).toBe(200)
    expect(await own()).toMatchObject({ sequence: 2, status: 'CANCELLED', summary: 'Cancelled', start: '2026-05-06' })
    expect((await own()).sequence).toBe(2)
  })

  it('holds for an apprentice what is theirs', async () => {
    const { items, people, dogs, overdue } = await view(bea, '2026-10-01', '2026-10-31')
    expect(items).toMatchObject([{ kind: 'visit', onDate: '2026-10-26' }])
    expect([people, dogs, overdue]).toEqual([[], [], []])
    expect((await view(abe, '2026-10-01', '2026-10-31')).items).toEqual([])
    const uids = (text: string) => read(text).map(({ uid }) => uid)
    expect(uids(await fileOf(bea))).toHaveLength(1)
    // a visit of another that was cancelled is not told of either
    expect(uids(await fileOf(bea)).some((uid) => uid.includes(visit))).toBe(false)
    expect(uids(await fileOf(abe)).some((uid) => uid.includes(visit))).toBe(true)
  })

  it('goes by an address that is told once, can be withdrawn, and ends when its owner leaves', async () => {
    const body = { id: v7(), name: 'My phone' }
    const { path } = (await abe.post('/feeds', body)).body as unknown as FeedMade
    const there = await textOf(path)
    expect([there.status, there.type, there.text.slice(0, 15)]).toEqual([200, 'text/calendar; charset=utf-8', 'BEGIN:VCALENDAR'])
    const stored = JSON.stringify(await world.db.execute(sql`SELECT * FROM calendar_feeds`))
    expect(stored).not.toContain(path.split('/').at(-1)!.replace('.ics', ''))
    const rows = (await abe.get('/feeds')).body as unknown as FeedRow[]
    expect(rows).toMatchObject([{ name: 'My phone', withdrawn: false, lastReadAt: expect.any(String) }])
    expect((await textOf(path.replace(/.{6}\.ics$/, 'AAAAAA.ics'))).status).toBe(404)
    expect((await textOf('/api/feed/nothing/here.ics')).status).toBe(404)
    expect((await bea.post(`/feeds/${body.id}/withdraw`)).status).toBe(404)
    expect((await bea.get('/feeds')).body).toEqual([])
    expect((await abe.post(`/feeds/${body.id}/withdraw`)).status).toBe(200)
    expect((await textOf(path)).status).toBe(409)
    const other = (await bea.post('/feeds', { id: v7(), name: 'Laptop' })).body as unknown as FeedMade
    await world.db.execute(sql`UPDATE people SET active = 0 WHERE id = ${world.ids.bea}`)
    expect((await textOf(other.path)).status).toBe(409)
    await world.db.execute(sql`UPDATE people SET active = 1 WHERE id = ${world.ids.bea}`)
    expect((await outsider.get('/feeds')).status).toBe(401)
  })

  it('is a week on paper', async () => {
    const answer = await patientFetch(`${world.url}/api/calendar-week/2026-05-07`, { headers: { ...ivo.headers } })
    expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/pdf'])
    expect((await ivo.get('/calendar-week/soon')).status).toBe(422)
  })

  it('refuses a stretch that is too long, and days that are none', async () => {
    expect((await ivo.get('/calendar/2026-04-01/2026-07-01')).status).toBe(422)
    expect((await ivo.get('/calendar/2026-04-31/2026-05-01')).status).toBe(422)
    expect((await ivo.get('/calendar/2026-05-01/2026-04-01')).status).toBe(422)
  })
})

describe('sessions that are kept for a coat', () => {
  let dogId: string
  const line = (on: string, how: string, place = 'back') => ({
    id: v7(),
    on,
    place,
    side: 'both',
    act: { kind: 'pulled', how },
    hands: null
  })
  beforeAll(async () => {
    dogId = v7()
    const dog = { name: 'Sedge', breed: '', bodyType: 'terrier', coat: 'wire', coatType: 'wire', colour: 'pepper', withersMm: 380 }
    const more = { canStandMin: 60, temperament: 'keen', dislikes: '', owner: '', contact: '' }
    const made = await ivo.post('/dogs', { id: dogId, ...dog, ...more })
    expect(made.status, made.body.detail).toBe(200)
    expect((await ivo.post(`/coats/${dogId}/lines`, { entries: [line('2025-05-01', 'all')] })).status).toBe(200)
  })
  const aim = (aimOn: string | null) => ({ aimOn, aim: 'Spring show', nextOn: null, everyDays: 14, brushing: 'weekly' })

  it('needs a date ahead and a trim that is stripped', async () => {
    const { status, body } = await ivo.send('PUT', `/coats/${dogId}/plan`)
    expect([status, body.code]).toEqual([409, 'noPlan'])
  })

  it('is on the calendar on open days, and says what moves when the book does', async () => {
    const visit = await planned('2026-04-14', { dogId, standardId: 'jacket-show', apprenticeId: world.ids.bea })
    expect((await ivo.send('PUT', `/coats/${dogId}/aim`, aim('2026-08-29'))).status).toBe(200)
    const kept = ((await ivo.send('PUT', `/coats/${dogId}/plan`)).body as unknown as CoatPlan).plan!
    expect(kept.moved).toEqual([])
    const bare = kept.sessions.find(({ how }) => how === 'all')!
    const months = [await view(ivo, '2026-04-14', '2026-06-14'), await view(ivo, '2026-06-15', '2026-08-15')]
    const sessions = months.flatMap(({ items }) => items.filter(({ kind }) => kind === 'session'))
    expect(sessions.length).toBeGreaterThan(0)
    // weekdays only, and not in the spring break
    for (const { onDate } of sessions) expect([0, 6]).not.toContain(new Date(onDate).getUTCDay())
    // pulled bare today instead: nothing is left to pull in summer
    expect((await ivo.post(`/coats/${dogId}/lines`, { entries: [line('2026-04-13', 'all')] })).status).toBe(200)
    const moved = ((await ivo.get(`/coats/${dogId}/plan`)).body as unknown as CoatPlan).plan!
    expect(moved.moved).toContainEqual({ place: 'back', how: 'all', was: bare.day, is: null })
    expect((await view(ivo)).moved).toMatchObject([{ dog: 'Sedge' }])
    expect((await view(abe)).moved).toEqual([])
    expect((await ivo.post(`/coats/${dogId}/plan/drop`)).status).toBe(200)
    expect((await ivo.get(`/coats/${dogId}/plan`)).body).toEqual({ plan: null })
    expect((await ivo.post(`/visits/${visit}/cancel`)).status).toBe(200)
  })

  it('names dogs that are overdue until they are booked in', async () => {
    expect((await ivo.send('PUT', `/coats/${dogId}/aim`, { ...aim(null), nextOn: '2026-04-16' })).status).toBe(200)
    expect((await view(ivo)).items).toContainEqual(expect.objectContaining({ kind: 'due', dog: 'Sedge', onDate: '2026-04-16' }))
    world.clock.set(new Date('2026-04-20T09:00:00Z'))
    expect((await view(ivo)).overdue).toEqual([{ dogId, dog: 'Sedge', dueOn: '2026-04-16', days: 4 }])
    const id = await planned('2026-04-22', { dogId })
    expect((await view(ivo)).overdue).toEqual([])
    await ivo.post(`/visits/${id}/cancel`)
    world.clock.set(new Date('2026-04-14T09:42:00Z'))
  })
})

describe('supply', () => {
  it.each([
    ['a day that is over', 'by=2026-04-14', 422, /Ready by is 2026-04-14; it must be a date after 2026-04-14/],
    ['a day years ahead', 'by=2036-04-14', 422, /up to 2028-04-14/],
    ['what is no day', 'by=soon', 422, /Ready by is soon/],
    ['an unknown cohort', 'cohort=Winter', 404, /“Winter”/],
    ['an unknown certificate', 'certificate=wings', 404, /“wings”/]
  ])('refuses %s', async (_, query, status, words) => {
    const answer = await ivo.get(`/supply?${query}`)
    expect([answer.status, answer.body.detail]).toEqual([status, expect.stringMatching(words)])
  })

  it('is not for apprentices, and has an answer where there are no dogs to practise on', async () => {
    expect((await abe.get('/supply')).status).toBe(403)
    expect((await ivo.get('/supply')).body).toMatchObject({ isProven: true })
  })
})
