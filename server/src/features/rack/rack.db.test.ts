import { SKIN_FAULTS } from '@peen/content'
import type { RackView } from '@peen/contract'
import type { Tool } from '@peen/core/tools'
import Papa from 'papaparse'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { patientFetch, smallSchool, type Client, type World } from '../../testing/world'
import { loadContent } from '../school'
import { rackFromCsv, rackToCsv } from './csv'

let world: World
let lena: Client
beforeAll(async () => {
  world = await smallSchool('rack')
  lena = await world.client('lena')
})
afterAll(() => world.close())

const rack = async () => (await lena.get('/rack')).body as unknown as RackView
const upload = async (text: string) => {
  const answer = await patientFetch(`${world.url}/api/rack/csv`, {
    method: 'POST',
    headers: { ...lena.headers, 'content-type': 'text/csv' },
    body: text
  })
  return { status: answer.status, body: (await answer.json()) as { detail: string; errors?: { path: string; detail: string }[] } }
}

describe('the rack', () => {
  it('is changed as a whole and taken back; a tool that went does not come back at the next start', async () => {
    const { tools } = await rack()
    const kept = tools.filter(({ id }) => id !== 'comb-e')
    const changed = kept.map((tool) => (tool.id === 'blade-7f' ? { ...tool, lengthMm: 3.4 } : tool))
    expect((await lena.send('PUT', '/rack', { tools: changed, what: '7F leaves 3.4 mm' })).body).toMatchObject({ undo: '7F leaves 3.4 mm' })
    await loadContent(world.db)
    expect((await rack()).tools.map(({ id }) => id)).not.toContain('comb-e')
    expect((await lena.post('/rack/undo')).body).toMatchObject({ tools, undo: null })
    expect((await lena.post('/rack/undo')).body.detail).toMatch(/There is no rack change to undo/)
  })

  it('keeps what a trim plans with, and is a lead assessor’s', async () => {
    const { tools } = await rack()
    const without = await lena.send('PUT', '/rack', { tools: tools.filter(({ id }) => id !== 'blade-15'), what: '' })
    expect(without.body.detail).toMatch(/^blade-15 cannot be removed: “Bearded terrier pet pattern” uses it for rough clip of the ears/)
    expect((await (await world.client('ivo')).send('PUT', '/rack', { tools, what: '' })).status).toBe(403)
    const wrong = tools.map((tool) => (tool.id === 'blade-10' ? { ...tool, lengthMm: 4 } : tool))
    expect((await lena.send('PUT', '/rack', { tools: wrong, what: '' })).body.detail).toMatch(/Length is 4 mm; 1\/16 in is 1\.59 mm/)
    expect((await rack()).tools).toEqual(tools)
  })

  it('counts nicks and burns for the tool that was in the hand', async () => {
    expect(SKIN_FAULTS).toContain('web-nick')
    const visit = await world.newVisit('abe')
    const ivo = await world.client('ivo')
    const head = (seq: number) => ({
      ...{ id: v7(), v: 1, visitId: visit, by: ivo.me!.id, deviceId: 'rack', seq, lamport: seq, receivedAt: null },
      atDevice: '2026-04-14T09:00:00.000Z'
    })
    const attemptId = v7()
    const started = {
      ...{ attemptId, techniqueId: 'poodle-foot', regions: ['foreFoot'], side: 'left', toolId: 'blade-30', direction: 'against' },
      ...{ hands: 'apprentice', setting: 'live' }
    }
    const nick = { attemptId, faultId: 'web-nick', region: 'foreFoot', side: 'left' }
    const wrong = { ...head(3), kind: 'faultNoted', payload: nick }
    const events = [
      { ...head(1), kind: 'attemptStarted', payload: started },
      { ...head(2), kind: 'faultNoted', payload: nick },
      wrong,
      { ...head(4), kind: 'undone', payload: { eventId: wrong.id } }
    ]
    const answer = await ivo.post(`/visits/${visit}/events`, { events })
    expect((answer.body.answers as { status: string }[]).map(({ status }) => status)).toEqual(['stored', 'stored', 'stored', 'stored'])
    expect((await rack()).nicks).toEqual({ 'blade-30': 1 })
  })

  it('goes out as a table and comes in again the same', async () => {
    const { tools } = await rack()
    const out = await fetch(`${world.url}/api/rack/csv`, { headers: lena.headers })
    expect(out.headers.get('content-type')).toMatch(/text\/csv/)
    const text = await out.text()
    // read by the table package itself, not by ours
    expect(Papa.parse<string[]>(text).data[0]).toEqual(['id', 'label', 'kind', 'lengthMm', 'fraction', 'toothing', 'base', 'setTo', 'note'])
    expect((await upload(text)).status).toBe(200)
    const strip = ({ base: _base, setTo: _setTo, ...tool }: Tool) => tool
    expect((await rack()).tools.map(strip)).toEqual(tools.map(strip))
    await lena.post('/rack/undo')
  })

  it.each([
    ['a missing column', 'label,lengthMm\n10,1.6', ['Line 1: the column kind is missing']],
    ['an unknown column', 'label,kind,lengthMm,price\n10,blade,1.6,9', ['Line 1: price is not a column']],
    ['a double', 'label,kind,lengthMm\n10,blade,1.6\n\n10,blade,1.6', ['Line 4: id blade-10 is already in this rack, as tool 1']],
    ['words for a number', 'label,kind,lengthMm\n10,blade,short', ['Line 2:', 'short']],
    ['a blade without length', 'label,kind,lengthMm\n10,blade,', ['Line 2: Length is missing; a blade leaves 0.1 to 60 mm']],
    ['scissors with one', 'label,kind,lengthMm\ncurved,scissors,9', ['Line 2: Length is 9; curved sets no length']],
    ['a kind nobody has', 'label,kind,lengthMm\n10,laser,1', ['Line 2: Kind is laser']],
    ['too many cells', 'label,kind,lengthMm\n10,blade,1.6,,,x', ['Line 2:']],
    ['nothing', '   ', ['Line 1: the table is empty']]
  ])('refuses %s by line, and changes nothing', async (_what, text, sentences) => {
    const before = await rack()
    const answer = await upload(text)
    expect(answer.status).toBe(422)
    for (const sentence of sentences) expect(answer.body.detail).toContain(sentence)
    expect(answer.body.detail).toContain('Nothing was changed.')
    expect(await rack()).toEqual(before)
  })

  it('refuses a hundred megabytes before it reads them', async () => {
    const answer = await upload('x'.repeat(100 * 1024 * 1024))
    expect([answer.status, answer.body.detail]).toEqual([413, 'What was sent is larger than 5 MB (it is 100 MB). Nothing was changed.'])
  })

  it('lets no formula out, and takes its own text back', () => {
    const tool: Tool = { id: 'x', label: '=1+1', kind: 'hand', lengthMm: null, fraction: null, toothing: null, note: '@cmd' }
    const text = rackToCsv([tool])
    expect(text).toContain("'=1+1")
    const read = rackFromCsv(text)
    expect(read.ok && read.tools[0]).toMatchObject({ label: '=1+1', note: '@cmd' })
  })
})
