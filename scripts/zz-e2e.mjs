import { spawn, execSync, spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import mysql from 'mysql2/promise'
import { startTestDatabase } from './test-database.mjs'
import { freePort, ROOT } from './machine.mjs'
import { startCamera } from './camera.mjs'
const { settings, stop } = await startTestDatabase()
const M = { ...process.env, MYSQL_PWD: settings.password }, A = `--no-defaults -h127.0.0.1 -P${settings.port} -upeen`
const admin = await mysql.createConnection(settings)
for (const n of ['demo_played', 'e2e_demo_1', 'e2e_empty_1']) await admin.query(`CREATE DATABASE peen_test_${n}`)
const env0 = { ...process.env, NODE_ENV: 'production' }
spawnSync(process.execPath, ['--import', 'tsx', 'demo/src/load.ts'], { cwd: ROOT, env: { ...env0, PEEN_DB: JSON.stringify({ ...settings, database: 'peen_test_demo_played' }) }, stdio: 'inherit' })
execSync(`mariadb-dump ${A} --single-transaction --hex-blob peen_test_demo_played | mariadb ${A} peen_test_e2e_demo_1`, { env: M })
spawnSync(process.execPath, ['--import', 'tsx', 'server/src/prepare.ts'], { cwd: ROOT, env: { ...env0, PEEN_DB: JSON.stringify({ ...settings, database: 'peen_test_e2e_empty_1' }) }, stdio: 'inherit' })
const camera = await startCamera()
const serve = async (db) => { const port = await freePort(); const child = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], { cwd: ROOT, env: { ...env0, PEEN_PORT: String(port), PEEN_DB: JSON.stringify({ ...settings, database: db }), PEEN_DEMO_CLOCK: 'stands', PEEN_CAMERA_URL: camera.url }, stdio: ['ignore', 'inherit', 'inherit', 'ipc'] }); await new Promise(r => child.once('message', r)); return { port, child } }
const one = await serve('peen_test_e2e_demo_1'), two = await serve('peen_test_e2e_empty_1')
for (const words of process.argv.slice(2).join(' ').split('|'))
  await new Promise(r => spawn(process.execPath, ['node_modules/@playwright/test/cli.js', 'test', '--config', 'e2e/playwright.config.ts', ...words.trim().split(' ')], { cwd: ROOT, stdio: 'inherit', env: { ...process.env, PEEN_TEST_DB: JSON.stringify(settings), PEEN_TEST_DEMO: 'peen_test_demo_played', PEEN_E2E_PORT: String(one.port), PEEN_E2E_EMPTY: `http://127.0.0.1:${two.port}`, PEEN_E2E_DATABASE: 'peen_test_e2e_demo_1', PEEN_CAMERA_URL: camera.url } }).on('exit', r))
one.child.kill(); two.child.kill(); camera.child.kill(); await admin.end(); await stop(); process.exit(0)
