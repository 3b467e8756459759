// npm test: install what is missing, then types, lint, sizes, unit and server tests, the built application in a browser.
// Everything runs on throw-away databases. The last line counts what the runners reported.
import { spawn, spawnSync } from 'node:child_process'
import { mkdtempSync, openSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, relative } from 'node:path'
import { checkNode, ensurePackages, ensureProgram, ensureWebBuilt, freePort, ROOT, runOrExplain, say } from './machine.mjs'
import { startCamera } from './camera.mjs'
import { ofPlaywright, ofVitest, slowest } from './reports.mjs'
import { startTestDatabase, TEST_PREFIX } from './test-database.mjs'

const reports = mkdtempSync(join(tmpdir(), 'peen-reports-'))
/** As many as a small machine has cores. */
const WORKERS = [1, 2]
/** The demo as it was played; no test changes it. */
const PLAYED = 'demo_played'
const count = { passed: 0 }
/** What failed, each by its name; told once more at the end, where a reader of a long log looks first. */
const failed = []
/** How long each part and each file of tests took, seconds. */
const taken = []

await runOrExplain(async () => {
  checkNode()
  ensurePackages()
  ensureProgram(['/usr/bin/chromium'], 'chromium')
  // puts the room's authority among those that a browser trusts, as a person would by hand
  ensureProgram(['/usr/bin/certutil'], 'libnss3-tools')
  say('Properties are drawn with seed 20261128 (scripts/fast-check.ts); npm run explore draws new ones.')
  const database = await startTestDatabase()
  try {
    const demo = join(reports, 'demo.sql')
    const env = { ...process.env, PEEN_TEST_DB: JSON.stringify(database.settings), PEEN_TEST_DEMO: `${TEST_PREFIX}${PLAYED}` }
    // the demo school is played once, beside the checks that need no database, and copied to every other place
    await Promise.all([playDemo(database, env, demo), checks()])
    const vitestReport = join(reports, 'vitest.json')
    const vitest = [
      join(ROOT, 'node_modules/vitest/vitest.mjs'),
      'run',
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${vitestReport}`
    ]
    // a browser waits half of its time: unit and server tests take what it leaves, and stand back when it is busy
    await Promise.all([
      inOnePiece('unit and server tests', 'nice', ['-n', '15', process.execPath, ...vitest], env),
      inBrowser(database, env, demo)
    ])
    add(ofVitest(vitestReport))
  } finally {
    await database.stop()
    rmSync(reports, { recursive: true, force: true })
  }
})
say(
  `\n== what took longest\n${slowest(taken.map(({ name, ...rest }) => ({ name: name.startsWith(ROOT) ? relative(ROOT, name) : name, ...rest })))}`
)
if (failed.length > 0) say(`\n== what failed\n${failed.join('\n')}`)
say(`\n${count.passed} passed, ${failed.length} failed`)
process.exit(failed.length === 0 && count.passed > 0 ? 0 : 1)

/** Runs something beside others: what it says comes out in one piece when it is done. Returns whether it passed. */
async function inOnePiece(name, command, args, env = process.env) {
  let words = ''
  const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'], env })
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (words += data))
  const began = Date.now()
  const passed = (await ended(child)) === 0
  taken.push({ name, seconds: (Date.now() - began) / 1000 })
  say(`\n== ${name}: ${passed ? 'passed' : 'failed'}\n${words}`)
  return passed
}

/** A runner without a report of its own counts as one check. */
async function check(name, command, args) {
  if (await inOnePiece(name, command, args)) count.passed++
  else failed.push(name)
}

async function inBrowser(database, env, demo) {
  // a megapixel is enough for a browser test, and taken twice as fast
  const camera = await startCamera({ PEEN_CAMERA_WIDTH: '1152' })
  const seen = { ...env, PEEN_CAMERA_URL: camera.url }
  await browserTests(await readyForBrowser(database, seen, demo), seen)
  camera.child.kill('SIGTERM')
}

function ended(child) {
  return new Promise((resolve) => child.once('close', resolve))
}

function run(command, args, env) {
  return ended(spawn(command, args, { cwd: ROOT, stdio: 'inherit', env }))
}

function add({ passed, failures, seconds }) {
  count.passed += passed
  failed.push(...failures)
  taken.push(...seconds)
}

/** Types, lint, sizes and rings, and the web application that the browser will load. */
async function checks() {
  await Promise.all([check('types', 'npm', ['run', '--silent', 'types']), check('lint', 'npm', ['run', '--silent', 'lint'])])
  await check('sizes', 'npm', ['run', '--silent', 'sizes'])
  await check('rings', 'npm', ['run', '--silent', 'rings'])
  ensureWebBuilt()
}

async function playDemo({ settings }, env, file) {
  const database = await newDatabase(settings, PLAYED)
  await prepare('demo/src/load.ts', database, env)
  client('mariadb-dump', database, env, ['ignore', openSync(file, 'w'), 'inherit'])
}

function pourDemo(database, env, demo) {
  client('mariadb', database, env, [openSync(demo, 'r'), 'ignore', 'inherit'])
}

function client(program, { host, port, user, password, database }, env, stdio) {
  const args = ['--no-defaults', `--host=${host}`, `--port=${port}`, `--user=${user}`, database]
  if (spawnSync(program, args, { stdio, env: { ...env, MYSQL_PWD: password } }).status !== 0)
    throw new Error(`${program} refused ${database}.`)
}

/** The built application over a demo and an empty school for each worker; e2e/app.ts puts the demo back for every file. */
async function readyForBrowser({ settings }, env, demo) {
  const served = (kind, fill) =>
    Promise.all(
      WORKERS.map(async (worker) => {
        const database = await newDatabase(settings, `e2e_${kind}_${worker}`)
        await fill(database)
        return serve(database, env)
      })
    )
  const demos = await served('demo', (database) => pourDemo(database, env, demo))
  const empties = await served('empty', (database) => prepare('server/src/prepare.ts', database, env))
  return { demos, empties }
}

/** Every worker drives servers of its own with a real browser. */
async function browserTests({ demos, empties }, env) {
  say('\n== browser')
  const report = join(reports, 'playwright.json')
  await run(process.execPath, [join(ROOT, 'node_modules/@playwright/test/cli.js'), 'test', '--config', 'e2e/playwright.config.ts'], {
    ...env,
    PEEN_E2E_PORT: demos.map(({ port }) => port).join(','),
    PEEN_E2E_EMPTY: empties.map(({ port }) => `http://127.0.0.1:${port}`).join(','),
    PEEN_E2E_DATABASE: demos.map(({ database }) => database.database).join(','),
    PEEN_E2E_REPORT: report
  })
  add(ofPlaywright(report))
  for (const { stop } of [...demos, ...empties]) stop()
}

async function newDatabase(settings, name) {
  const database = { ...settings, database: `${TEST_PREFIX}${name}` }
  const mysql = (await import('mysql2/promise')).default
  const connection = await mysql.createConnection(settings)
  await connection.query(`CREATE DATABASE \`${database.database}\``)
  await connection.end()
  return database
}

function node(script, env, stdio) {
  return spawn(process.execPath, ['--import', 'tsx', script], { cwd: ROOT, env, stdio })
}

function prepare(script, database, env) {
  return ended(node(script, { ...env, PEEN_DB: JSON.stringify(database) }, 'inherit'))
}

async function serve(database, env) {
  const port = await freePort()
  const own = {
    ...{ ...env, NODE_ENV: 'production', PEEN_DEMO_CLOCK: 'stands', PEEN_PORT: String(port), PEEN_DB: JSON.stringify(database) },
    PEEN_KEYS: join(reports, 'keys', database.database)
  }
  const child = node('server/src/main.ts', own, ['ignore', 'inherit', 'inherit', 'ipc'])
  await new Promise((resolve) => child.once('message', resolve))
  return { port, database, stop: () => child.kill('SIGTERM') }
}
