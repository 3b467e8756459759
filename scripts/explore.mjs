// npm run explore [seed] [files]: every property with a new seed and fifty times the runs. A seed that fails becomes a case of its test.
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ROOT, say } from './machine.mjs'

const [given, ...files] = process.argv.slice(2)
const isSeed = /^-?\d+$/.test(given ?? '')
const seed = isSeed ? given : String(Math.floor(Math.random() * 2 ** 31))
say(`Properties with seed ${seed} and fifty times the runs; npm run explore ${seed} repeats it.`)
const vitest = [join(ROOT, 'node_modules/vitest/vitest.mjs'), 'run', '--project', 'unit', '--testTimeout', '3600000']
const { status } = spawnSync(process.execPath, [...vitest, ...(isSeed ? files : [given, ...files].filter(Boolean))], {
  cwd: ROOT,
  stdio: 'inherit',
  env: { ...process.env, PEEN_EXPLORE: seed }
})
process.exit(status ?? 1)
