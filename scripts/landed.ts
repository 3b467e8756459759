// npx tsx scripts/landed.ts: keeps a small school as this version leaves it, for the test that brings every landed version up to now.
// Run it once where the database has got a new shape, before it lands.
import { execFileSync } from 'node:child_process'
import { readdirSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { brotliCompressSync, constants } from 'node:zlib'
import { v7 } from 'uuid'
import { fullSheet } from '../server/src/testing/sheet'
import { smallSchool, type Answer } from '../server/src/testing/world'
import { startTestDatabase } from './test-database.mjs'

const ROOT = new URL('..', import.meta.url)
const { settings, stop } = await startTestDatabase()
process.env.PEEN_TEST_DB = JSON.stringify(settings)
const world = await smallSchool('landed')
const [ivo, ina, lena] = [await world.client('ivo'), await world.client('ina'), await world.client('lena')]

/** What was not kept is no fixture. */
const well = ({ status, body }: Answer): string => {
  if (status !== 200) throw new Error(body.detail)
  return body.id as string
}
const excused = { whole: { kind: 'excused' as const, reason: 'as left asked' } }
for (const [who, by] of [['abe', ivo] as const, ['bea', ina] as const, ['abe', ina] as const]) {
  const id = well(await by.post(`/visits/${await world.newTrim(who)}/gradings`, { id: v7() }))
  const sheet = { version: 1, answers: { ...fullSheet(), nails: excused }, critical: [], globalRating: 'good' }
  well(await by.send('PUT', `/gradings/${id}`, sheet))
  well(await by.post(`/gradings/${id}/sign`, { version: 2 }))
}
well(await ivo.post(`/visits/${await world.newTrim('bea')}/gradings`, { id: v7() }))
const newest = ((await ivo.get('/standards')).body as unknown as { id: string; version: number }[]).find(({ id }) => id === 'teddy')!
const draft = { id: v7(), from: { id: newest.id, version: newest.version }, copyAs: { id: 'our-teddy', name: 'Ours' } }
well(await lena.post(`/standard-drafts/${well(await ivo.post('/standard-drafts', draft))}/use`, { version: 1 }))
well(await lena.post('/findings', { id: v7(), apprenticeId: world.ids.abe, certificateId: 'bearded-pet' }))
await world.close()

const dump = execFileSync(
  'mariadb-dump',
  [
    ...['--no-defaults', `--host=${settings.host}`, `--port=${settings.port}`, `--user=${settings.user}`],
    ...['--single-transaction', '--hex-blob', '--no-tablespaces', '--skip-dump-date', 'peen_test_landed']
  ],
  { env: { ...process.env, MYSQL_PWD: settings.password }, maxBuffer: 1 << 28 }
)
await stop()
const shapes = readdirSync(new URL('server/drizzle/', ROOT)).filter((name) => name.endsWith('.sql')).length
const file = fileURLToPath(new URL(`server/src/testing/upgrade/at-${String(shapes).padStart(2, '0')}.sql.br`, ROOT))
writeFileSync(file, brotliCompressSync(dump, { params: { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_LGWIN]: 24 } }))
process.stdout.write(`${file}\n`)
