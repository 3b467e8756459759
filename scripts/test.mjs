// npm test: install what is missing, then types, lint, sizes, unit and server tests, the built application in a browser.
// Everything runs on throw-away databases. The last line counts what the runners reported.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { checkNode, ensurePackages, ensureProgram, ensureWebBuilt, freePort, ROOT, runOrExplain, say } from './machine.mjs'
import { startTestDatabase, TEST_PREFIX } from './test-database.mjs'

const reports = mkdtempSync(join(tmpdir(), 'peen-reports-'))
const count = { passed: 0, failed: 0 }

await runOrExplain(async () => {
  checkNode()
  ensurePackages()
  ensureProgram(['/usr/bin/chromium'], 'chromium')
  const database = await startTestDatabase()
  try {
    const env = { ...process.env, PEEN_TEST_DB: JSON.stringify(database.settings) }
    check('types', 'npm', ['run', '--silent', 'types'])
    check('lint', 'npm', ['run', '--silent', 'lint'])
    check('sizes', 'npm', ['run', '--silent', 'sizes'])
    const vitestReport = join(reports, 'vitest.json')
    run(
      process.execPath,
      [join(ROOT, 'node_modules/vitest/vitest.mjs'), 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${vitestReport}`],
      env
    )
    addVitest(vitestReport)
    ensureWebBuilt()
    await browserTests(database, env)
  } finally {
    await database.stop()
    rmSync(reports, { recursive: true, force: true })
  }
})
say(`\n${count.passed} passed, ${count.failed} failed`)
process.exit(count.failed === 0 && count.passed > 0 ? 0 : 1)

/** A runner without a report of its own counts as one check. */
function check(name, command, args) {
  say(`\n== ${name}`)
  const passed = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit' }).status === 0
  count[passed ? 'passed' : 'failed']++
}

function run(command, args, env) {
  spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env })
}

function addVitest(file) {
  if (!existsSync(file)) return void count.failed++
  const { numPassedTests, numTotalTests, testResults } = JSON.parse(readFileSync(file, 'utf8'))
  count.passed += numPassedTests
  // a file that could not be loaded holds no test and still fails
  const broken = testResults.filter((result) => result.status === 'failed' && result.assertionResults.length === 0).length
  count.failed += numTotalTests - numPassedTests + broken
}

function addPlaywright(file) {
  if (!existsSync(file)) return void count.failed++
  const { stats, errors } = JSON.parse(readFileSync(file, 'utf8'))
  count.passed += stats.expected
  count.failed += stats.unexpected + stats.flaky + stats.skipped + errors.length
}

/** The built application over the demo, and a second one over an empty school, driven by a real browser. */
async function browserTests({ settings }, env) {
  say('\n== browser')
  const demo = await serve({ ...settings, database: `${TEST_PREFIX}e2e_demo` }, 'demo/src/load.ts', env)
  const empty = await serve({ ...settings, database: `${TEST_PREFIX}e2e_empty` }, 'server/src/prepare.ts', env)
  const report = join(reports, 'playwright.json')
  run(process.execPath, [join(ROOT, 'node_modules/@playwright/test/cli.js'), 'test', '--config', 'e2e/playwright.config.ts'], {
    ...env,
    PEEN_E2E_PORT: String(demo.port),
    PEEN_E2E_EMPTY: `http://127.0.0.1:${empty.port}`,
    PEEN_E2E_REPORT: report
  })
  addPlaywright(report)
  demo.stop()
  empty.stop()
}

async function serve(database, prepare, env) {
  const mysql = (await import('mysql2/promise')).default
  const { database: name, ...server } = database
  const connection = await mysql.createConnection(server)
  await connection.query(`CREATE DATABASE \`${name}\``)
  await connection.end()
  const port = await freePort()
  const own = { ...env, NODE_ENV: 'production', PEEN_PORT: String(port), PEEN_DB: JSON.stringify(database) }
  const node = (script, options) => [process.execPath, ['--import', 'tsx', script], { cwd: ROOT, env: own, ...options }]
  spawnSync(...node(prepare, { stdio: 'inherit' }))
  const child = spawn(...node('server/src/main.ts', { stdio: ['ignore', 'inherit', 'inherit', 'ipc'] }))
  await new Promise((resolve) => child.once('message', resolve))
  return { port, stop: () => child.kill('SIGTERM') }
}
