// npm run messages: every message with the screens that say it, its length and its text; how hard each screen is to read.
//   npm run messages -- en-US    what that language says itself, and how many messages it leaves to the first one
//   npm run messages -- sample 50 7    fifty of them drawn with seed 7, to be judged by eye
import { FIRST_LANGUAGE, languages, writtenIn } from '@peen/wording/files'
import { xoroshiro128plus, uniformIntDistribution } from 'pure-rand'
import { readingGrade } from './message-checks'
import { saidWhere } from './message-use'

const say = (line: string) => void process.stdout.write(`${line}\n`)
const first = writtenIn(FIRST_LANGUAGE)
const where = saidWhere()
const [what, size = '50', seed = '1'] = process.argv.slice(2)

function sample(): void {
  const keys = Object.keys(first)
  let random = xoroshiro128plus(Number(seed))
  for (let i = 0; i < Number(size) && keys.length > 0; i++) {
    const [at, next] = uniformIntDistribution(0, keys.length - 1, random)
    random = next
    const [key] = keys.splice(at, 1)
    say(`${key!.padEnd(44)} ${first[key!]}`)
  }
}

function all(): void {
  for (const [key, text] of Object.entries(first))
    say(`${String(text.length).padStart(4)}  ${key}  (${where.get(key)?.join(', ') ?? 'nowhere'})  ${text}`)
  const byFile = new Map<string, string[]>()
  for (const [key, files] of where) for (const file of files) if (first[key]) byFile.set(file, [...(byFile.get(file) ?? []), first[key]])
  say('\nYears of school that each screen asks for (Flesch-Kincaid):')
  for (const [file, texts] of [...byFile].sort((a, b) => readingGrade(b[1]) - readingGrade(a[1])))
    say(`${readingGrade(texts).toFixed(1).padStart(6)}  ${file} (${texts.length})`)
}

if (what === 'sample') sample()
else if (what && languages().includes(what)) {
  const own = writtenIn(what)
  for (const [key, text] of Object.entries(own)) say(`${key}  ${text}`)
  say(`\n${Object.keys(first).filter((key) => !(key in own)).length} of ${Object.keys(first).length} as in ${FIRST_LANGUAGE}.`)
} else all()
