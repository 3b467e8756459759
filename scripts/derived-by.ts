// npm run derived-by: writes down which code fills the derived tables. A school that other code filled derives again at its next start.
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'
import ts from 'typescript'

const ROOT = fileURLToPath(new URL('..', import.meta.url))
/** What fills attempts, charts and the lines that visits write into coat books. */
const ROOTS = ['derived', 'charts', 'coat', 'known'].map((name) => `server/src/features/derived/${name}.ts`)
/** How rows are kept and asked for is no part of what they come to. */
const FOLLOWED = ['core/src/', 'content/', 'server/src/features/derived/']
/** Reached through the doors of subjects, and heard by no derived row: the drawn dog, and what a photograph is measured by. */
const LEFT_OUT = ['core/src/figure/', 'core/src/measure/', 'content/bodies']
export const KEPT_IN = 'server/src/features/school/derived-by.ts'

const OPTIONS = { module: ts.ModuleKind.ESNext, target: ts.ScriptTarget.ESNext, removeComments: true }

/** A file without its comments, types and spaces. */
const whatItDoes = (path: string, text: string): string =>
  path.endsWith('.json') ? JSON.stringify(JSON.parse(text)) : ts.transpileModule(text, { compilerOptions: OPTIONS }).outputText

/** The file behind an import; null for a package. */
function fileOf(from: string, name: string): string | null {
  const base = name.startsWith('@peen/core/')
    ? join(ROOT, 'core/src', name.slice('@peen/core/'.length))
    : name.startsWith('@peen/content')
      ? join(ROOT, 'content', name.slice('@peen/content'.length))
      : name.startsWith('.')
        ? join(dirname(from), name)
        : null
  if (base === null) return null
  return [base, `${base}.ts`, join(base, 'index.ts')].find((path) => existsSync(path) && /\.(ts|json)$/.test(path)) ?? null
}

const isFollowed = (path: string) => FOLLOWED.some((room) => path.startsWith(room)) && !LEFT_OUT.some((room) => path.startsWith(room))

/** Every file that the derived rows depend on, in the order of their names. */
export function filesThatDerive(): readonly string[] {
  const found = new Set<string>()
  const open = ROOTS.map((path) => join(ROOT, path))
  for (let path = open.pop(); path !== undefined; path = open.pop()) {
    if (found.has(path)) continue
    found.add(path)
    if (!path.endsWith('.ts')) continue
    for (const { fileName } of ts.preProcessFile(whatItDoes(path, readFileSync(path, 'utf8'))).importedFiles) {
      const next = fileOf(path, fileName)
      if (next !== null && isFollowed(relative(ROOT, next))) open.push(next)
    }
  }
  return [...found].map((path) => relative(ROOT, path)).sort()
}

/** A hash of what those files do. `read`: their text, for tests. */
export function derivedBy(
  files: readonly string[] = filesThatDerive(),
  read = (path: string) => readFileSync(join(ROOT, path), 'utf8')
): string {
  const hash = createHash('sha256')
  for (const path of files) {
    hash.update(`${path}\n${whatItDoes(path, read(path))}\n`)
  }
  return hash.digest('hex').slice(0, 16)
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const text = `/** Which code fills the derived tables: written by npm run derived-by, never by hand. A school that other code filled derives again. */
export const DERIVED_BY = '${derivedBy()}'
`
  writeFileSync(join(ROOT, KEPT_IN), text)
  process.stdout.write(text)
}
