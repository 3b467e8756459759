// npm run staff: the server's console for accounts of staff. Needs this machine, no password of the school.
//   npm run staff                        who signs, and who not yet
//   npm run staff -- confirm NAME        confirms a founder, or a lead who was lost
//   npm run staff -- letter NAME         a new password for a lead who cannot sign in
//   npm run staff -- --demo ...          the same in the demo school
import { spawn } from 'node:child_process'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { PRIVATE, portInUse, Refusal, ROOT, runOrExplain } from './machine.mjs'
import { readSecret, startMariadb } from './mariadb.mjs'

const words = process.argv.slice(2)
const database = words.includes('--demo') ? 'peen_demo' : 'peen_school'
const port = Number(process.env.PEEN_DB_PORT ?? 47606)
const folder = join(PRIVATE, 'mariadb')

await runOrExplain(async () => {
  if (!existsSync(folder)) throw new Refusal('There is no school here yet: npm start makes one.')
  // an open school has its database open; a closed one is opened for this
  const own = (await portInUse(port)) ? null : await startMariadb({ folder, port })
  try {
    const settings = { host: '127.0.0.1', port, user: 'peen', password: readSecret(folder), database }
    const child = spawn(process.execPath, ['--import', 'tsx', 'server/src/staff.ts', ...words.filter((word) => word !== '--demo')], {
      cwd: ROOT,
      stdio: 'inherit',
      env: { ...process.env, PEEN_DB: JSON.stringify(settings) }
    })
    process.exitCode = await new Promise((resolve) => child.once('exit', (code) => resolve(code ?? 1)))
  } finally {
    await own?.stop()
  }
})
