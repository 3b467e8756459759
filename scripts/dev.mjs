// npm run dev: the demo school with the server restarting on change and Vite serving the web application.
import { spawn, spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { checkNode, ensurePackages, makePrivateFolder, PRIVATE, refuseTakenPort, ROOT, runOrExplain, say, viteProgram } from './machine.mjs'
import { startMariadb, stopLeftover } from './mariadb.mjs'
import { keysOf } from './open-database.mjs'

const port = Number(process.env.PEEN_PORT ?? 4760)
const webPort = Number(process.env.PEEN_WEB_PORT ?? 4770)
const databasePort = Number(process.env.PEEN_DB_PORT ?? 47606)

await runOrExplain(async () => {
  checkNode()
  makePrivateFolder()
  ensurePackages()
  await refuseTakenPort(port, 'the server', 'PEEN_PORT')
  await stopLeftover(join(PRIVATE, 'mariadb'))
  await refuseTakenPort(databasePort, 'the database', 'PEEN_DB_PORT')
  const database = await startMariadb({ folder: join(PRIVATE, 'mariadb'), port: databasePort })
  await database.createDatabase('peen_demo')
  const { user, password } = database
  const env = {
    ...process.env,
    PEEN_PORT: String(port),
    PEEN_KEYS: keysOf('peen_demo'),
    PEEN_DB: JSON.stringify({ host: '127.0.0.1', port: databasePort, user, password, database: 'peen_demo' })
  }
  const node = (args, cwd = ROOT) => spawn(process.execPath, args, { cwd, env, stdio: 'inherit' })
  spawnSync(process.execPath, ['--import', 'tsx', 'demo/src/load.ts'], { cwd: ROOT, env, stdio: 'inherit' })
  const children = [
    node([join(ROOT, 'node_modules/tsx/dist/cli.mjs'), 'watch', 'server/src/main.ts']),
    node([viteProgram(), '--port', String(webPort), '--strictPort', '--host', '127.0.0.1'], join(ROOT, 'web'))
  ]
  say(`Development: http://127.0.0.1:${webPort}`)
  const stop = async () => {
    for (const child of children) child.kill('SIGTERM')
    await database.stop()
    process.exit(0)
  }
  process.on('SIGINT', stop)
  process.on('SIGTERM', stop)
})
