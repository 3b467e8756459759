// npm run verify -- evidence.zip: checks an evidence bundle with nothing but the file.
import { MOST_BYTES, verifyBundle, type Checked, type CheckKind, type Verified } from '@peen/bundle'
import { sayIn, type Say } from '@peen/wording'
import { readWords } from '@peen/wording/files'
import { readFile } from 'node:fs/promises'
import { resolve } from 'node:path'

const LANGUAGE = 'en-GB'
const MOST_NAMED = 6
const WHAT: Readonly<Record<CheckKind, Parameters<Say>[0]>> = {
  files: 'bundle.files',
  certificate: 'bundle.signed',
  trail: 'bundle.trail',
  heads: 'bundle.heads',
  contents: 'bundle.contents',
  pictures: 'bundle.pictures',
  attempts: 'bundle.attempts',
  marks: 'bundle.marks',
  rules: 'bundle.rules'
}
const UNREADABLE = {
  noZip: 'bundle.noZip',
  tooLarge: 'bundle.tooLarge',
  noManifest: 'bundle.noManifest',
  misshapen: 'bundle.misshapen'
} as const

const t = sayIn(readWords(LANGUAGE), LANGUAGE) as (key: string, facts?: object) => string
const day = (iso: string) => new Intl.DateTimeFormat(LANGUAGE, { dateStyle: 'long', timeZone: 'UTC' }).format(new Date(iso))

function line({ kind, verdict, of, wrong }: Checked): string[] {
  const named = [
    ...wrong.slice(0, MOST_NAMED),
    ...(wrong.length > MOST_NAMED ? [t('bundle.more', { count: wrong.length - MOST_NAMED })] : [])
  ]
  const first = t('bundle.line', { verdict, what: t(WHAT[kind], { of }) })
  return [`  ${first}`, ...(named.length > 0 ? [`         ${t('bundle.wrong', { list: named.join(', ') })}`] : [])]
}

function report(found: Verified, file: string): string[] {
  if (found.unreadable !== null)
    return [t(UNREADABLE[found.unreadable], { file, what: found.what || 'none', megabytes: Math.round(MOST_BYTES / 1e6) })]
  const { school, number, holder, claim, madeAt, fingerprint, revokedAt, keyStolen, checks, holds } = found
  return [
    t('bundle.certificate', { school, number, holder, claim }),
    t('bundle.madeOn', { date: day(madeAt) }),
    t('bundle.key', { fingerprint }),
    ...(revokedAt ? [t('bundle.revoked', { date: day(revokedAt) })] : []),
    ...(keyStolen ? [t('bundle.keyStolen')] : []),
    '',
    ...checks.flatMap(line),
    '',
    t(holds ? 'bundle.allHolds' : 'bundle.fails'),
    t('bundle.asOf', { date: day(madeAt) })
  ]
}

async function main(file: string | undefined): Promise<number> {
  // npm runs this from the project's root; a path is meant from where it was typed
  const path = file && resolve(process.env.INIT_CWD ?? '.', file)
  const bytes = path ? await readFile(path).catch(() => null) : null
  if (!bytes) {
    process.stdout.write(`${t(file ? 'bundle.cannotOpen' : 'bundle.which', { file })}\n`)
    return 2
  }
  const found = await verifyBundle(new Uint8Array(bytes))
  process.stdout.write(`${report(found, file!).join('\n')}\n`)
  return found.unreadable === null && found.holds ? 0 : 1
}

process.exitCode = await main(process.argv[2])
