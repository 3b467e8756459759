import { recordJsonSchema, type CohortPreview, type RecordFile } from '@peen/contract'
import Ajv2020 from 'ajv/dist/2020'
import { eq } from 'drizzle-orm'
import Papa from 'papaparse'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { smallSchool, type Client, type World } from '../../testing/world'
import { faceFor } from './fonts'
import { logbookPdf } from './logbook'

let world: World
let lena: Client
let ivo: Client
beforeAll(async () => {
  world = await smallSchool('records')
  ;[lena, ivo] = [await world.client('lena'), await world.client('ivo')]
  const visit = await world.newVisit('abe')
  const attemptId = v7()
  let seq = 0
  const event = (kind: string, payload: object) => ({
    ...{ id: v7(), v: 1, kind, visitId: visit, by: ivo.me!.id, deviceId: 'tablet', seq: ++seq, lamport: seq, payload },
    atDevice: '2026-04-14T09:00:00.000Z'
  })
  const start = {
    ...{ attemptId, techniqueId: 'skirt-line', regions: ['skirt'], side: 'left', toolId: null, direction: null },
    ...{ hands: 'apprentice', setting: 'live' }
  }
  const events = [
    event('visitOpened', {}),
    event('attemptStarted', start),
    event('attemptEnded', { attemptId, minutes: 12.5, help: 'onePrompt', witness: 'watched' })
  ]
  await ivo.post(`/visits/${visit}/events`, { events })
})
afterAll(() => world.close())

const text = async (path: string, by = lena) => (await fetch(`${world.url}/api${path}`, { headers: by.headers })).text()
const recordOf = async (by: Client) => (await by.get(`/apprentices/${world.ids.abe}/record`)).body as unknown as RecordFile
/** A PDF's words, read back by an independent reader. */
async function wordsOf(pdf: Uint8Array): Promise<string> {
  const document = await getDocument({ data: new Uint8Array(pdf), useSystemFonts: false, verbosity: 0 }).promise
  const pages = await Promise.all(
    Array.from({ length: document.numPages }, async (_, i) => (await document.getPage(i + 1)).getTextContent())
  )
  return pages.flatMap(({ items }) => items.map((item) => ('str' in item ? item.str : ''))).join(' ')
}

describe('one apprentice’s record', () => {
  it('is a file of its published shape, for staff and the apprentice alone', async () => {
    const record = await recordOf(lena)
    const validate = new Ajv2020({ strict: true, allowUnionTypes: true }).compile(recordJsonSchema)
    expect(validate(record), JSON.stringify(validate.errors)).toBe(true)
    expect(validate({ ...record, owner: 'x' })).toBe(false)
    expect(record.attempts).toMatchObject([
      { technique: 'Skirt line', dog: 'Flint', sides: 'left', minutes: 12.5, help: 'onePrompt', clean: true }
    ])
    expect(await recordOf(await world.client('abe'))).toEqual(record)
    expect((await (await world.client('bea')).get(`/apprentices/${world.ids.abe}/record`)).status).toBe(403)
    expect(await (await fetch(`${world.url}/api/schemas/record`)).json()).toEqual(JSON.parse(JSON.stringify(recordJsonSchema)))
  })

  it('is a book on paper whose words can be read back', async () => {
    const answer = await fetch(`${world.url}/api/apprentices/${world.ids.abe}/logbook`, { headers: lena.headers })
    expect(answer.headers.get('content-type')).toMatch(/^application\/pdf/)
    const words = await wordsOf(new Uint8Array(await answer.arrayBuffer()))
    for (const word of ['abe Test', 'Logbook, Test school', 'Skirt line', 'Flint', 'one prompt', 'Nothing on record.', '1 of 1'])
      expect(words).toContain(word)
  })

  it.each([
    ['Latin with all its accents', 'Łucja Ångström-Ñúñez'],
    ['Vietnamese', 'Nguyễn Thị Ánh'],
    ['Greek', 'Ελένη Παπαδοπούλου'],
    ['Cyrillic', 'Олександра Ґалаґан'],
    ['Armenian', 'Անահիտ Սարգսյան'],
    ['Georgian', 'ნინო ბერიძე'],
    ['letters taken apart', 'Noe\u0308l Ku\u0308hn']
  ])('prints %s', async (_, name) => {
    const [givenName, ...rest] = name.split(' ')
    const familyName = rest.join(' ')
    const record = await recordOf(lena)
    const words = await wordsOf(await logbookPdf({ ...record, person: { ...record.person, givenName, familyName } }))
    expect(words.normalize('NFC')).toContain(name.normalize('NFC'))
  })

  it.each([
    ['Chinese', '王小明'],
    ['Japanese', 'さくら'],
    ['Korean', '김민지'],
    ['Arabic', 'ليلى'],
    ['Hebrew', 'נועה'],
    ['Hindi', 'अनिता'],
    ['Thai', 'สมชาย'],
    ['a picture', 'Ada 🐩']
  ])('refuses %s in a sentence that names it, never in boxes', async (_, givenName) => {
    const record = await recordOf(lena)
    const word = givenName.split(' ').at(-1)!
    await expect(logbookPdf({ ...record, person: { ...record.person, givenName } })).rejects.toThrow(
      new RegExp(`“${word}” cannot be printed`)
    )
  })

  it('takes the first face that has every letter in every weight', () => {
    expect(faceFor('Ada Möller')).toBe('Roboto')
    expect(faceFor('Անահիտ')).toBe('DejaVu')
    expect(faceFor('王')).toBeNull()
  })
})

describe('tables for a spreadsheet', () => {
  it('keep numbers as numbers, and nothing in them can run', async () => {
    await world.db.update(tables.dogs).set({ name: '=HYPERLINK("x")' }).where(eq(tables.dogs.id, world.ids.flint))
    const csv = await text('/records/attempts.csv')
    const { data } = Papa.parse<Record<string, string>>(csv, { header: true })
    expect(data[0]).toMatchObject({
      apprentice: 'abe Test',
      technique: 'Skirt line',
      minutes: '12.5',
      dog: `'=HYPERLINK("x")`,
      counts: 'true'
    })
    for (const name of ['standings', 'trims', 'certificates'])
      expect((await text(`/records/${name}.csv`)).split('\r\n').length).toBeGreaterThan(0)
    expect((await lena.get('/records/owners.csv')).status).toBe(404)
    expect((await (await world.client('abe')).get('/records/attempts.csv')).status).toBe(403)
    await world.db.update(tables.dogs).set({ name: 'Flint' }).where(eq(tables.dogs.id, world.ids.flint))
  })
})

describe('a cohort from a table', () => {
  const send = (path: string, csv: string, by = lena) =>
    fetch(`${world.url}/api/cohorts/${path}`, { method: 'POST', headers: { ...by.headers, 'content-type': 'text/csv' }, body: csv })
  const HEAD = 'givenName,familyName,email,cohort,username\r\n'
  const people = () => world.db.select({ username: tables.people.username }).from(tables.people)

  it('is shown first, then let in all together, each with a letter', async () => {
    const csv = `${HEAD}Noël,Brandt,noel@post.example,Spring,\r\nIda,Holm,ida@post.example,Spring,ida7\r\n`
    const before = (await people()).length
    const preview = (await (await send('preview', csv)).json()) as CohortPreview
    expect(preview).toMatchObject({
      ok: true,
      newCohorts: ['Spring'],
      people: [
        { line: 2, username: 'noel.brandt' },
        { line: 3, username: 'ida7' }
      ]
    })
    expect((await people()).length).toBe(before)
    expect(await (await send('csv', csv)).json()).toEqual({ takenIn: 2 })
    expect((await people()).map(({ username }) => username)).toEqual(expect.arrayContaining(['noel.brandt', 'ida7']))
    const letters = await world.db.select().from(tables.letters)
    expect(letters.map(({ address }) => address)).toEqual(expect.arrayContaining(['noel@post.example', 'ida@post.example']))
  })

  it.each<[string, string, RegExp[]]>([
    ['a missing column', 'givenName,familyName,cohort\r\nA,B,C\r\n', [/Line 1: the column email is missing/]],
    ['a strange column', `${HEAD.trim()},shoe\r\nA,B,a@post.example,S,ab,4\r\n`, [/Line 1: shoe is not a column/]],
    ['nobody', HEAD, [/Line 2: the table has no people/]],
    [
      'wrong lines, each by its number',
      `${HEAD}Ann,Lee,ann@post.example,S,ann1\r\n,Ray,ray@post,S,ray1\r\nBo,Ek,bo@post.example,,bo.ek\r\n`,
      [/Line 3: First name is missing/, /Line 3: Email address is ray@post/, /Line 4: Cohort is missing/]
    ],
    [
      'a name twice',
      `${HEAD}Ann,Lee,a@post.example,S,same\r\nBo,Ek,b@post.example,S,same\r\n`,
      [/Line 3: username same is taken by line 2/]
    ],
    ['a name that is taken', `${HEAD}Ann,Lee,a@post.example,S,lena\r\n`, [/Line 2: username lena is taken/]],
    ['letters that make no user name', `${HEAD}明,王,a@post.example,S,\r\n`, [/Line 2: Username/]]
  ])('refuses %s, and lets nobody in', async (_, csv, sentences) => {
    const before = (await people()).length
    const answer = await send('csv', csv)
    expect(answer.status).toBe(422)
    const words = JSON.stringify(await answer.json())
    for (const sentence of sentences) expect(words).toMatch(sentence)
    expect(((await (await send('preview', csv)).json()) as CohortPreview).ok).toBe(false)
    expect((await people()).length).toBe(before)
  })
})
