// Prints files that have outgrown their room, and fails on any that is not on the list with its reason.
import { execFileSync } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { ROOT } from './machine.mjs'

const LIMITS = [
  { files: /\.vue$/, most: 300 },
  { files: /^core\/.*(?<!\.test)\.ts$/, most: 300 },
  { files: /\.(ts|mjs)$/, most: 400 }
]
/** Larger on purpose, each with its reason. */
const REASONS = {}

const listed = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard'], { cwd: ROOT, encoding: 'utf8' }).split('\n')
const outgrown = listed
  .filter(
    (file) =>
      file &&
      existsSync(`${ROOT}/${file}`) &&
      /\.(vue|ts|mjs)$/.test(file) &&
      !file.includes('drizzle/') &&
      !file.startsWith('wording/made/')
  )
  .map((file) => ({
    file,
    lines: readFileSync(`${ROOT}/${file}`, 'utf8').split('\n').length,
    most: LIMITS.find((limit) => limit.files.test(file)).most
  }))
  .filter(({ file, lines, most }) => lines > most && !(file in REASONS))
for (const { file, lines, most } of outgrown) console.log(`${file}: ${lines} lines, at most ${most}`)
if (outgrown.length > 0) process.exit(1)
