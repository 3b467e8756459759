import { spawn, spawnSync } from 'node:child_process'
import { startTestDatabase } from './test-database.mjs'
import { startCamera } from './camera.mjs'
import { freePort, ROOT } from './machine.mjs'
const specs = process.argv.slice(2)
const database = await startTestDatabase()
const at = (d) => JSON.stringify({ ...database.settings, database: d })
const run = (args, env) => { const r = spawnSync(process.execPath, ['--import', 'tsx', ...args], { cwd: ROOT, env: { ...process.env, ...env }, stdio: ['ignore', 'ignore', 'inherit'] }); if (r.status) throw new Error(args.join(' ')) }
const N = Number(process.env.W ?? 2)
const kids = []
try {
  for (const n of ['peen_test_demo_played', ...Array.from({ length: N }, (_, i) => [`peen_test_e2e_demo_${i + 1}`, `peen_test_e2e_empty_${i + 1}`]).flat()]) spawnSync('mariadb', ['-h127.0.0.1', `-P${database.settings.port}`, `-u${database.settings.user}`, `-p${database.settings.password}`, '-e', `create database if not exists ${n}`], { stdio: 'inherit' })
  run(['demo/src/load.ts'], { PEEN_DB: at('peen_test_demo_played') })
  const camera = await startCamera({ PEEN_CAMERA_WIDTH: '1152' })
  const s = database.settings
  const auth = `-h127.0.0.1 -P${s.port} -u${s.user} -p'${s.password}'`
  const env0 = {}
  for (let i = 1; i <= N; i++) {
    spawnSync('bash', ['-c', `mariadb-dump ${auth} peen_test_demo_played | mariadb ${auth} peen_test_e2e_demo_${i}`], { stdio: 'inherit' })
    run(['server/src/prepare.ts'], { PEEN_DB: at(`peen_test_e2e_empty_${i}`) })
  }
  console.log('prepared', Object.keys(camera))
  const ports = []
  for (let i = 1; i <= N; i++) for (const kind of ['demo', 'empty']) {
    const port = await freePort()
    kids.push(spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], { cwd: ROOT, env: { ...process.env, PEEN_PORT: String(port), PEEN_DB: at(`peen_test_e2e_${kind}_${i}`), PEEN_DEMO_CLOCK: 'stands', PEEN_CAMERA_URL: camera.url ?? camera, NODE_ENV: 'production' }, stdio: ['ignore', 'ignore', 'inherit'] }))
    ports.push([kind, port])
  }
  await new Promise((r) => setTimeout(r, 8000))
  const demo = ports.filter(([k]) => k === 'demo').map(([, p]) => p), empty = ports.filter(([k]) => k === 'empty').map(([, p]) => p)
  const results = await Promise.all(demo.map((port, i) => new Promise((resolve) => {
    const mine = specs.filter((_, j) => j % N === i)
    if (!mine.length) return resolve(0)
    const c = spawn(process.execPath, ['node_modules/@playwright/test/cli.js', 'test', '--config', 'e2e/playwright.config.ts', '--workers=1', '--reporter=line', `--output=/tmp/zz/out${i}`, ...mine], { cwd: ROOT, env: { ...process.env, PEEN_TEST_DB: JSON.stringify(database.settings), PEEN_TEST_DEMO: 'peen_test_demo_played', PEEN_E2E_PORT: String(port), PEEN_E2E_EMPTY: `http://127.0.0.1:${empty[i]}`, PEEN_E2E_DATABASE: `peen_test_e2e_demo_${i + 1}`, PEEN_CAMERA_URL: camera.url ?? camera }, stdio: ['ignore', 'pipe', 'pipe'] })
    let out = ''; c.stdout.on('data', (d) => (out += d)); c.stderr.on('data', (d) => (out += d))
    c.once('exit', (code) => { console.log(out); resolve(code) })
  })))
  console.log(results)
} catch (e) { console.error(e) } finally { for (const k of kids) k.kill('SIGKILL'); await database.stop(); process.exit(0) }
