// A backup is made, proven, opened by hand and restored, on the real database; what is damaged is refused, and nothing is touched.
import { execFileSync, spawn } from 'node:child_process'
import { closeSync, mkdirSync, mkdtempSync, openSync, readdirSync, readFileSync, rmSync, writeFileSync, writeSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { gunzipSync } from 'node:zlib'
import { Decrypter } from 'age-encryption'
import { eq, sql } from 'drizzle-orm'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { freePort } from '../../../scripts/machine.mjs'
import { connect, migrationsMissing, tables, type DatabaseSettings } from '../db'
import { pourFrom } from './database'
import { unpack } from './pack'
import { smallSchool, type World } from '../testing/world'
import { backUp, backupsIn, choosePassphrase, isProven, keyIn, lastFailure, NotAsItShouldBe, restore, unwrapped, type BackupPlace } from '.'

const PASSPHRASE = 'comb apron kettle moss ferry'
/** Less work for a try at the passphrase than a school has: tests guess nothing. */
const LITTLE_WORK = 10
const folder = mkdtempSync(join(tmpdir(), 'peen-backup-'))
const server = JSON.parse(process.env.PEEN_TEST_DB ?? '{}') as Omit<DatabaseSettings, 'database'>
let world: World
let place: BackupPlace
let clock = new Date('2026-04-14T02:10:00.000Z')
const now = () => clock
const said: string[] = []
const say = (line: string) => void said.push(line)
const make = (why: 'daily' | 'byHand' = 'byHand', more: Partial<BackupPlace> = {}) => {
  clock = new Date(clock.getTime() + 1000)
  return backUp({ ...place, ...more }, { why, say, now })
}
const counted = async (database: string) => {
  const { db, close } = connect({ ...server, database })
  const people = await db.$count(tables.people)
  const [school] = await db.select({ name: tables.school.name }).from(tables.school)
  await close()
  return { people, name: school!.name }
}

beforeAll(async () => {
  world = await smallSchool('backup')
  await world.newTrim('abe')
  mkdirSync(join(folder, 'room'))
  writeFileSync(join(folder, 'room', 'authority.key'), 'a key of the room')
  const settings = { ...server, database: 'peen_test_backup' }
  place = { settings, folder: join(folder, 'backups'), second: null, room: join(folder, 'room'), proofDatabase: 'peen_test_backup_proof' }
})
afterAll(async () => {
  await world.close()
  rmSync(folder, { recursive: true, force: true })
})

describe('a backup', () => {
  it('is made and proven before a passphrase is chosen, for this computer alone', async () => {
    const made = await make()
    expect(made.proof).toMatchObject({ trail: { whole: true }, derived: 'same', rows: { people: 6, visits: 1 } })
    expect(made.proof!.rows.events).toBeGreaterThan(20)
    expect(isProven(made.proof!)).toBe(true)
    expect(said.join(' ')).toMatch(/reading the school.*encrypting.*restoring it.*trail/s)
    await expect(make('byHand', { second: folder })).rejects.toThrow('choose a passphrase first')
    expect(lastFailure(place.folder)!.says).toContain('choose a passphrase first')
    // what a program that was killed has left in clear goes with the next one
    const left = join(place.folder, 'under-way-999999999-abc')
    mkdirSync(left)
    writeFileSync(join(left, 'database.sql'), 'in clear')
    await make()
    // no work, no throw-away database and no half file is left
    expect(readdirSync(place.folder).filter((name) => /under-way|\.part$/.test(name))).toEqual([])
    const [databases] = (await world.db.execute(sql`SHOW DATABASES LIKE 'peen\_test\_backup\_proof'`)) as unknown as [unknown[]]
    expect(databases).toEqual([])
  })

  it('waits for another one that is at work', async () => {
    const other = spawn(process.execPath, ['-e', 'setTimeout(() => 0, 600000)', 'backup/main.ts'])
    const left = join(place.folder, `under-way-${other.pid}-abc`)
    mkdirSync(left)
    await expect.poll(() => make().then(String, String), { timeout: 60000 }).toContain('Another backup is under way.')
    other.kill('SIGKILL')
    await new Promise((resolve) => other.once('exit', resolve))
    await make()
    expect(readdirSync(place.folder)).not.toContain(`under-way-${other.pid}-abc`)
  })

  it('takes a passphrase, refuses a short one, and asks for the old before a new one', async () => {
    await expect(choosePassphrase(place.folder, 'too short', null)).rejects.toThrow('The passphrase has 9 characters; at least 15')
    await choosePassphrase(place.folder, 'the first passphrase of all', null, LITTLE_WORK)
    await expect(choosePassphrase(place.folder, PASSPHRASE, 'a wrong one of course', LITTLE_WORK)).rejects.toThrow('not the passphrase')
    await choosePassphrase(place.folder, PASSPHRASE, 'the first passphrase of all', LITTLE_WORK)
    expect((await keyIn(place.folder)).plain).toBeNull()
    expect(readdirSync(place.folder)).not.toContain('key.txt')
  })

  it('holds no word of the school that can be read without the key', async () => {
    const { file } = await make()
    const bytes = readFileSync(join(place.folder, file))
    for (const word of ['Test school', 'lena', 'CREATE TABLE', 'a key of the room']) expect(bytes.includes(word), word).toBe(false)
  })

  it('opens by hand with tar and any program that reads age, and holds the keys of the room', async () => {
    const { file } = await make()
    const out = join(folder, 'by-hand')
    mkdirSync(out)
    execFileSync('tar', ['xf', join(place.folder, file), '-C', out])
    expect(readdirSync(out).sort()).toEqual(['README.txt', 'key.age', 'school.tar.gz.age'])
    const decrypter = new Decrypter()
    decrypter.addIdentity(await unwrapped(readFileSync(join(out, 'key.age')), PASSPHRASE))
    writeFileSync(join(out, 'school.tar.gz'), await decrypter.decrypt(readFileSync(join(out, 'school.tar.gz.age'))))
    execFileSync('tar', ['xzf', join(out, 'school.tar.gz'), '-C', out])
    expect(readFileSync(join(out, 'database.sql'), 'utf8')).toContain('Test school')
    expect(readFileSync(join(out, 'room', 'authority.key'), 'utf8')).toBe('a key of the room')
  })

  it('is copied to a second disk with its proof; a disk that is not there is said, and the backup stays', async () => {
    const second = join(folder, 'second')
    mkdirSync(second)
    const made = await make('daily', { second })
    expect(backupsIn(second)).toEqual([made])
    await expect(make('daily', { second: join(folder, 'unplugged') })).rejects.toThrow('unplugged is not there. Is the disk plugged in?')
    expect(backupsIn(place.folder)[0]!.proof).not.toBeNull()
    await make('daily', { second })
    expect(lastFailure(place.folder)).toBeNull()
  })

  it('is not called proven when the trail in it does not fit, or charts come out otherwise', async () => {
    const [kept] = await world.db.select().from(tables.charts).limit(1)
    await world.db.delete(tables.charts).where(eq(tables.charts.techniqueId, kept!.techniqueId))
    const wrong = await make().catch((error: unknown) => error)
    expect(wrong).toBeInstanceOf(NotAsItShouldBe)
    expect((wrong as Error).message).toContain('Charts or coats come out differently')
    expect(backupsIn(place.folder)[0]!.proof!.derived).toBe('other')
    await world.db.insert(tables.charts).values(kept!)
    await world.db.execute(sql`UPDATE audit_log SET hash = ${'0'.repeat(64)} WHERE seq = 1`)
    await expect(make()).rejects.toThrow('Its audit trail does not match')
    expect(lastFailure(place.folder)!.says).toContain('look at the audit trail')
  })
})

describe('before a migration', () => {
  it('a school of an older Peen is backed up as it is, and the migration runs on the copy first', async () => {
    const old = { ...server, database: 'peen_test_backup_old' }
    const dump = gunzipSync(readFileSync(new URL('../testing/upgrade/before-plans.sql.gz', import.meta.url)))
    writeFileSync(join(folder, 'old.sql'), dump)
    await world.db.execute(sql`CREATE DATABASE peen_test_backup_old`)
    await pourFrom(join(folder, 'old.sql'), old)
    const { db, close } = connect(old)
    const missing = await migrationsMissing(db)
    expect(missing.isNew).toBe(false)
    expect(missing.count).toBeGreaterThan(5)
    const made = await backUp({ ...place, settings: old, folder: join(folder, 'old-backups') }, { why: 'beforeMigration', say, now })
    expect(made.proof).toMatchObject({ derived: 'older', trail: { whole: true } })
    // the school itself is as it was
    expect(await migrationsMissing(db)).toEqual(missing)
    expect(await migrationsMissing(world.db)).toEqual({ isNew: false, count: 0 })
    await close()
  })
})

describe('restoring', () => {
  const target = { ...server, database: 'peen_test_backup_moved' }
  const bring = (file: string, passphrase = PASSPHRASE, settle = async () => true) =>
    restore(file, {
      opener: { passphrase: async () => passphrase, identity: async () => null },
      settings: target,
      room: join(folder, 'new-room'),
      scratch: { folder: join(folder, 'scratch'), database: 'peen_test_backup_scratch' },
      say,
      now,
      settle
    })
  const good = () => join(place.folder, backupsIn(place.folder).find(({ why, proof }) => why === 'daily' && isProven(proof!))!.file)

  it('brings the school to another computer, with the keys of the room', async () => {
    const restored = await bring(good())
    expect(restored).toMatchObject({ room: true, proof: { derived: 'same', trail: { whole: true } } })
    expect(await counted(target.database)).toEqual({ people: 6, name: 'Test school' })
    // by this the tablets see what the school has lost
    const { db: there, close: shut } = connect(target)
    expect((await there.select({ restored: tables.school.restored }).from(tables.school))[0]!.restored!.madeAt).toBe(restored!.madeAt)
    await shut()
    expect(readFileSync(join(folder, 'new-room', 'authority.key'), 'utf8')).toBe('a key of the room')
    expect(readdirSync(join(folder, 'scratch'))).toEqual([])
  })

  it('opens one of before the passphrase was chosen, where its key lies', async () => {
    const first = join(place.folder, backupsIn(place.folder).at(-1)!.file)
    await expect(bring(first)).rejects.toThrow('before a passphrase was chosen')
    const { wrapped } = await keyIn(place.folder)
    const identity = () => unwrapped(wrapped!, PASSPHRASE)
    const opened = await unpack(first, join(folder, 'first'), { passphrase: async () => PASSPHRASE, identity })
    expect(opened.wrapped).toBeNull()
    expect(readdirSync(join(folder, 'first', 'school'))).toContain('database.sql')
  })

  it('puts it in the place of a school that is there only when asked', async () => {
    const { db, close } = connect(target)
    await db.update(tables.school).set({ name: 'Another school' })
    await close()
    expect(await bring(good(), PASSPHRASE, async () => false)).toBeNull()
    expect((await counted(target.database)).name).toBe('Another school')
    await bring(good())
    expect((await counted(target.database)).name).toBe('Test school')
  })

  it('refuses a wrong passphrase, what is no backup, half of one and one that was changed, and touches nothing', async () => {
    const broken = join(folder, 'broken.tar')
    const bytes = readFileSync(good())
    await expect(bring(good(), 'not the passphrase at all')).rejects.toThrow('This is not the passphrase of this backup.')
    writeFileSync(broken, 'a letter')
    await expect(bring(broken)).rejects.toThrow('is no backup of Peen')
    writeFileSync(broken, bytes.subarray(0, Math.floor(bytes.length / 2)))
    await expect(bring(broken)).rejects.toThrow('only the beginning of one')
    writeFileSync(broken, bytes)
    const opened = openSync(broken, 'r+')
    writeSync(opened, Buffer.from([1, 2, 3, 4]), 0, 4, Math.floor(bytes.length / 2))
    closeSync(opened)
    await expect(bring(broken)).rejects.toThrow('is damaged')
    expect((await counted(target.database)).name).toBe('Test school')
  })
})

describe('on another computer', () => {
  const home = join(folder, 'other-computer')
  const ROOT = fileURLToPath(new URL('../../..', import.meta.url))
  /** Eight commands, each of which opens a database: minutes on a slow machine. */
  const LONG_MS = 1800000
  let port = 0
  /** A command at the terminal of a computer where Peen never ran. */
  const command = (script: string, ...words: string[]) => {
    const env = { ...process.env, PEEN_HOME: home, PEEN_DB_PORT: String(port), PEEN_BACKUP_PASSPHRASE: PASSPHRASE, PEEN_BACKUPS: undefined }
    // the runner is answered meanwhile: these take a while
    const child = spawn(process.execPath, [join(ROOT, 'scripts', script), ...words], { env })
    let says = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (says += data))
    return new Promise<{ status: number | null; says: string }>((resolve) => child.once('close', (status) => resolve({ status, says })))
  }

  it(
    'the school goes on from one file, by the commands that the handbook names',
    async () => {
      port = await freePort()
      const file = join(place.folder, backupsIn(place.folder).find(({ why, proof }) => why === 'daily' && isProven(proof!))!.file)
      expect((await command('staff.mjs')).says).toContain('There is no school here yet')
      expect(await command('restore.mjs', `${file}.gone`)).toMatchObject({ status: 1, says: expect.stringContaining('is not there') })
      const moved = await command('restore.mjs', file)
      expect(moved.says).toMatch(/Restored as of 2026-04-14.*: 6 people, 1 visit, /s)
      expect(moved.says).toContain('Backups here keep the same passphrase.')
      expect(moved.status).toBe(0)
      expect((await command('staff.mjs')).says).toMatch(/lena\s+lead\s+signs/)
      expect(readFileSync(join(home, 'room', 'authority.key'), 'utf8')).toBe('a key of the room')
      // a second time a school is here: it gives way only when asked, and is backed up before
      expect(await command('restore.mjs', file)).toMatchObject({ status: 1, says: expect.stringContaining('A school is here already') })
      expect((await command('restore.mjs', file, '--replace')).status).toBe(0)
      expect((await command('backup.mjs', '--list')).says).toMatch(/beforeRestore\.tar .* proven by restoring: 6 people, 1 visit, /)
    },
    LONG_MS
  )
})
