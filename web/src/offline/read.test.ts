import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ask, whenTokenMissing } from '../api/client'
import { useSessionStore } from '../stores/session'
import { browserDatabase } from '../testing/browser-database'
import { ok, refusal, RUBEN, SCHOOL, stubServer, unstub, type Asked } from '../testing/server'
import { recallSignIn } from './kept-sign-in'
import { read, readAs } from './read'
import { A_DAY_MS, forgetReplies, writeReplies } from './replies'
import { readAhead } from './warm'

const DOG = '019d8a3e-0000-7000-8000-0000000000dd'
browserDatabase()
let server: ReturnType<typeof stubServer>
beforeEach(() => (server = stubServer(({ path }) => ok({ path }))))
afterEach(async () => {
  await forgetReplies({ person: 'ruben' })
  await forgetReplies({ before: Date.now() + 2 * A_DAY_MS })
  await unstub()
})

const away = () => (server.answer = () => 'offline')

describe('what was read on a tablet', () => {
  it('is there without the server, for who read it, and is not for the next person', async () => {
    readAs('ruben')
    const seen = await read('dog', { id: DOG })
    await writeReplies()
    away()
    expect(await read('dog', { id: DOG })).toEqual(seen)
    readAs('mira')
    await expect(read('dog', { id: DOG })).rejects.toThrow('Peen is not answering.')
  })

  it('is there at every moment while it is being written', async () => {
    readAs('ruben')
    const seen = await read('dog', { id: DOG })
    away()
    const writing = writeReplies()
    expect(await read('dog', { id: DOG })).toEqual(seen)
    await writing
    expect(await read('dog', { id: DOG })).toEqual(seen)
  })

  it('is there while the server answers that it cannot', async () => {
    readAs('ruben')
    const seen = await read('floor', {})
    server.answer = () => refusal(503, 'The database does not answer.')
    expect(await read('floor', {})).toEqual(seen)
  })

  it('never stands in for a refusal, and is gone after a day', async () => {
    readAs('ruben')
    await read('dog', { id: DOG })
    await writeReplies()
    server.answer = () => refusal(403, 'This is not open to an apprentice.')
    await expect(read('dog', { id: DOG })).rejects.toThrow('not open')
    away()
    const later = Date.now() + A_DAY_MS
    vi.spyOn(Date, 'now').mockReturnValue(later)
    await expect(read('dog', { id: DOG })).rejects.toThrow('Peen is not answering.')
    vi.restoreAllMocks()
  })

  it('leaves out accounts, owners and what costs the second assessor blindness', async () => {
    readAs('ruben')
    for (const name of ['people', 'trail', 'assessments', 'findings'] as const) await read(name, {})
    await read('owner', { id: DOG })
    await writeReplies()
    away()
    for (const name of ['people', 'trail', 'assessments', 'findings'] as const) await expect(read(name, {})).rejects.toThrow()
    await expect(read('owner', { id: DOG })).rejects.toThrow()
  })
})

describe('reading ahead', () => {
  const floor = { tables: [{ visitId: 'v1' }, { visitId: null }] }
  const trims = [
    { gradingId: 'own', status: 'draft', assessor: 'Ruben Castell' },
    { gradingId: 'signed', status: 'signed', assessor: 'Ruben Castell' },
    { gradingId: 'other', status: 'draft', assessor: 'Mira Holm' }
  ]
  const answers = ({ path }: Asked) => ok(path === '/floor' ? floor : path === '/trims' ? trims : {})
  const ruben = { name: 'Ruben Castell', isStaff: true, today: '2026-04-14', trims: [] }

  it('takes today’s visits, own drafts and the library, and no colleague’s sheet', async () => {
    server.answer = answers
    await readAhead({ ...ruben, trims: SCHOOL.standards.slice(0, 2) })
    const paths = server.asked.map(({ path }) => path)
    expect(paths).toContain('/visits/v1/work')
    expect(paths).toContain('/gradings/own')
    expect(paths.filter((path) => path.startsWith('/gradings'))).toEqual(['/gradings/own'])
    expect(paths.filter((path) => path.startsWith('/standards/'))).toHaveLength(2)
  })

  it('goes on past a refusal, and ends where nothing answers', async () => {
    server.answer = (one) => (one.path.endsWith('/work') ? refusal(403, 'no') : answers(one))
    await expect(readAhead(ruben)).resolves.toBeGreaterThan(3)
    server.answer = (one) => (one.path === '/floor' ? answers(one) : 'offline')
    const before = server.asked.length
    await expect(readAhead(ruben)).rejects.toThrow()
    expect(server.asked.length - before).toBe(2)
  })
})

describe('a page that opens without the server', () => {
  const answers = ({ path }: Asked) => ok(path === '/session' ? { me: RUBEN, needsSetup: false } : path === '/school' ? SCHOOL : {})

  it('goes on as who was signed in here, without their token, until the server says it again', async () => {
    server.answer = answers
    await useSessionStore().find()
    server = stubServer(() => 'offline')
    const session = useSessionStore()
    await session.find()
    expect(session.me).toMatchObject({ id: RUBEN.id, csrf: '' })
    expect(session.school?.name).toBe(SCHOOL.name)
    expect(session.isRecalled).toBe(true)
    server.answer = answers
    expect(await session.renew()).toBe(true)
    expect(session.me?.csrf).toBe(RUBEN.csrf)
    expect(session.isRecalled).toBe(false)
  })

  it('carries the token of the renewed sign-in with the first change', async () => {
    server.answer = answers
    await useSessionStore().find()
    server = stubServer(() => 'offline')
    const session = useSessionStore()
    await session.find()
    whenTokenMissing(async () => void (session.isRecalled && (await session.renew())))
    server.answer = answers
    await Promise.all([ask('keepSettings', { body: RUBEN.settings }), ask('keepSettings', { body: RUBEN.settings })])
    whenTokenMissing(async () => undefined)
    const changes = server.asked.filter(({ method }) => method === 'PUT')
    expect(changes.map(({ headers }) => headers['x-peen-csrf'])).toEqual([RUBEN.csrf, RUBEN.csrf])
    // both waited for one question
    expect(server.asked.filter(({ path }) => path === '/session')).toHaveLength(2)
  })

  it('keeps in who went on by a picked name while the server is asked in vain, and puts them out when it answers', async () => {
    server.answer = answers
    const session = useSessionStore()
    await session.find()
    away()
    await session.lock()
    expect(session.me).toBeNull()
    await session.pick(RUBEN.id)
    expect(session.me?.id).toBe(RUBEN.id)
    // as it is asked every few seconds
    for (let i = 0; i < 3; i++) expect(await session.renew()).toBe(true)
    expect(session.me?.id).toBe(RUBEN.id)
    server.answer = answers
    expect(await session.renew()).toBe(false)
    expect(session.me).toBeNull()
    expect(server.asked.filter(({ method, path }) => method === 'DELETE' || path.includes('sign-out'))).toHaveLength(1)
  })

  it('knows no one after twelve hours, or after they have signed out', async () => {
    server.answer = answers
    const session = useSessionStore()
    await session.find()
    expect(await recallSignIn(Date.now())).not.toBeNull()
    expect(await recallSignIn(Date.now() + 12 * 3600000)).toBeNull()
    await session.signOut()
    expect(await recallSignIn(Date.now())).toBeNull()
  })
})
