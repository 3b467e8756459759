// An attacker with the database but not the application: each thing that is signed, changed by SQL, is named.
import { standards } from '@peen/content'
import { sql } from 'drizzle-orm'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tables } from '../../db'
import { fullSheet } from '../../testing/sheet'
import { smallSchool, type Client, type World } from '../../testing/world'
import { beginSeals, checkAndKeep, checkAudit, isDue } from '.'

let world: World
let ivo: Client
let lena: Client
let visit: string
let grading: string
beforeAll(async () => {
  world = await smallSchool('seals')
  ;[ivo, lena] = [await world.client('ivo'), await world.client('lena')]
  visit = await world.newTrim('abe')
  await takePicture('taken')
  grading = v7()
  await ivo.post(`/visits/${visit}/gradings`, { id: grading })
  const answers = { ...fullSheet(), nails: { whole: { kind: 'excused', reason: 'as left asked' } } }
  await ivo.send('PUT', `/gradings/${grading}`, { version: 1, answers, critical: [], globalRating: 'good' })
  expect((await ivo.post(`/gradings/${grading}/sign`, { version: 2 })).status).toBe(200)
})
afterAll(() => world.close())

/** A photograph of the trim; what it shows is no matter. */
async function takePicture(shows: string): Promise<void> {
  const row = { id: v7(), visitId: visit, moment: 'after' as const, stance: 'left' as const, by: world.ids.ivo, at: new Date() }
  await world.db.insert(tables.pictures).values({ ...row, widthPx: 64, heightPx: 48, bytes: Buffer.from(shows) })
}

const run = (statement: string) => world.db.execute(sql.raw(statement))
/** What the check names while a statement holds; it is taken back afterwards. */
async function namedAfter(statement: string, back: string): Promise<readonly string[]> {
  expect(await checkAudit(world.db)).toMatchObject({ whole: true, changed: [] })
  await run(statement)
  const { whole, changed } = await checkAudit(world.db)
  expect(whole).toBe(false)
  await run(back)
  return changed.map(({ name }) => name)
}

describe('changed by SQL', () => {
  it('a mark is named', async () => {
    const set = (mark: number) => `UPDATE grading_results SET value = ${mark} WHERE grading_id = '${grading}'`
    const [{ value }] = await world.db.select({ value: tables.gradingResults.value }).from(tables.gradingResults)
    expect(await namedAfter(set(12), set(value))).toEqual([`grading:${grading}`])
  })

  it('an answer is named', async () => {
    const put = (from: string, to: string) => `UPDATE gradings SET answers = REPLACE(answers, '${from}', '${to}') WHERE id = '${grading}'`
    expect(await namedAfter(put('"level":4', '"level":2'), put('"level":2', '"level":4'))).toEqual([`grading:${grading}`])
  })

  it('a signer is named', async () => {
    const by = (who: string) => `UPDATE gradings SET assessor_id = '${world.ids[who]}' WHERE id = '${grading}'`
    expect(await namedAfter(by('ina'), by('ivo'))).toEqual([`grading:${grading}`])
  })

  it('an event of the trim is named, changed or gone; one that came later is not', async () => {
    const [{ id }] = (await world.db.select().from(tables.events)).filter(
      ({ kind, visitId }) => kind === 'attemptEnded' && visitId === visit
    )
    const put = (from: string, to: string) => `UPDATE practice_events SET payload = REPLACE(payload, '${from}', '${to}') WHERE id = '${id}'`
    expect(await namedAfter(put('"alone"', '"onePrompt"'), put('"onePrompt"', '"alone"'))).toEqual([`events:${visit}`])
    const move = (to: string) => `UPDATE practice_events SET visit_id = '${to}' WHERE id = '${id}'`
    const other = await world.newVisit('bea')
    expect(await namedAfter(move(other), move(visit))).toEqual([`events:${visit}`])
    await world.workOn(other)
    expect(await checkAudit(world.db)).toMatchObject({ whole: true })
  })

  it('a picture that was exchanged is named; one that came later is not', async () => {
    const swap = (from: string, to: string) => `UPDATE pictures SET bytes = '${to}' WHERE bytes = '${from}'`
    expect(await namedAfter(swap('taken', 'another'), swap('another', 'taken'))).toEqual([`pictures:${visit}`])
    await takePicture('later')
    expect(await checkAudit(world.db)).toMatchObject({ whole: true })
  })

  it('an account is named: another role, a confirmation or a founder put in', async () => {
    const role = (to: string) => `UPDATE people SET role = '${to}' WHERE id = '${world.ids.ivo}'`
    expect(await namedAfter(role('lead'), role('instructor'))).toEqual([`account:${world.ids.ivo}`])
    const put = `INSERT INTO account_events (person_id, kind, by_person, at) VALUES ('${world.ids.abe}', 'founded', NULL, UTC_TIMESTAMP(3))`
    expect(await namedAfter(put, `DELETE FROM account_events WHERE person_id = '${world.ids.abe}'`)).toEqual([`account:${world.ids.abe}`])
  })

  it('a trim in use is named, and one that is gone is missing', async () => {
    const draft = await ivo.post('/standard-drafts', {
      id: v7(),
      from: { id: 'teddy', version: standards.find(({ id }) => id === 'teddy')!.version },
      copyAs: { id: 'our-teddy', name: 'Ours' }
    })
    expect((await lena.post(`/standard-drafts/${draft.body.id as string}/use`, { version: 1 })).status).toBe(200)
    const pass = (from: number, to: number) =>
      `UPDATE standards SET body = JSON_SET(body, '$.passMark', ${to}) WHERE id = 'our-teddy' AND JSON_VALUE(body, '$.passMark') = ${from}`
    const [{ body }] = (await world.db.select().from(tables.standards)).filter(({ id }) => id === 'our-teddy')
    expect(await namedAfter(pass(body.passMark, 10), pass(10, body.passMark))).toEqual(['standard:our-teddy@1'])
  })
})

describe('a check', () => {
  it('is kept with its day, and read by lead assessors only', async () => {
    expect((await lena.post('/audit')).body).toMatchObject({ checks: [{ whole: true }] })
    expect((await ivo.get('/audit')).status).toBe(403)
    await checkAndKeep(world.db, new Date('2026-04-15T02:00:00.000Z'))
    expect(((await lena.get('/audit')).body.checks as { at: string }[])[0].at).toBe('2026-04-15T02:00:00.000Z')
  })

  it('is due at night, and after a missed one', () => {
    const at = (day: number, hour: number) => new Date(2026, 3, day, hour)
    expect([isDue(null, at(1, 12)), isDue(at(1, 3), at(2, 3)), isDue(at(1, 12), at(1, 23)), isDue(at(1, 12), at(2, 13))]).toEqual([
      true,
      true,
      false,
      true
    ])
    expect(isDue(at(1, 12), at(2, 3))).toBe(false)
    expect(isDue(at(1, 4), at(2, 2))).toBe(true)
  })

  it('seals what an older school has signed, once', async () => {
    await run('DELETE FROM audit_seals')
    await run('DELETE FROM audit_log')
    await run("UPDATE audit_head SET seq = 0, hash = ''")
    await beginSeals(world.db, new Date('2026-04-15T02:00:00.000Z'))
    const begun = await checkAudit(world.db)
    expect(begun).toMatchObject({ whole: true, brokenAt: null })
    await beginSeals(world.db, new Date('2026-04-16T02:00:00.000Z'))
    expect((await checkAudit(world.db)).entries).toBe(begun.entries)
  })
})

describe('erasing an owner', () => {
  // Symptom: an owner called "left" turned sides, levels and kinds of signed answers into "the owner"
  it('touches no answer, whatever the owner is called, and stands in the trail', async () => {
    const dog = world.ids.flint
    for (const name of ['left', 'both', 'readings', 'excused', 'apprentice']) {
      const ownerId = v7()
      await run(`INSERT INTO owners (id, given_name, contact) VALUES ('${ownerId}', '${name}', '')`)
      await run(`UPDATE dogs SET owner_id = '${ownerId}' WHERE id = '${dog}'`)
      expect((await ivo.post(`/dogs/${dog}/owner/erase`)).body).toEqual({ erased: true })
      expect(await checkAudit(world.db), name).toMatchObject({ whole: true, changed: [] })
    }
    const [{ answers }] = (await world.db.select().from(tables.gradings)).filter(({ id }) => id === grading)
    expect(answers.nails).toEqual({ whole: { kind: 'excused', reason: 'as the owner asked' } })
    const kinds = (await world.db.select().from(tables.auditLog)).map(({ bytes }) => (JSON.parse(bytes) as { kind: string }).kind)
    expect(kinds.filter((kind) => kind === 'owner.erased')).toHaveLength(5)
  })
})
