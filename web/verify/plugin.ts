// Builds verify.html: one file that checks certificates without a network, beside the application.
import { readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { build, type Plugin } from 'vite'
import { wording } from '../../wording/src/vite.ts'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))
/** Where a package's contexts lie: a second copy of each, at an address that a page of its own has no base for. */
const COPIES = /new URL\(`data:application[^`]*`[^)]*\)/g
const PARSER = '@formatjs/icu-messageformat-parser'

async function script(): Promise<string> {
  const made = await build({
    configFile: false,
    root: here('.'),
    logLevel: 'error',
    plugins: [wording()],
    resolve: { alias: { [PARSER]: `${PARSER}/no-parser.js` } },
    build: { write: false, target: 'es2022', lib: { entry: here('./verify.ts'), formats: ['iife'], name: 'verify' } }
  })
  const [{ output }] = Array.isArray(made)
    ? made
    : [made as Exclude<typeof made, unknown[]> & { output: { type: string; code?: string }[] }]
  const [chunk] = output as { code: string }[]
  return chunk!.code.replace(COPIES, "new URL('about:blank')").replaceAll('</script', '<\\/script') // nothing in it ends the element that it stands in
}

export function verifyPage(): Plugin {
  return {
    name: 'peen-verify-page',
    apply: 'build',
    async closeBundle() {
      const page = readFileSync(here('./page.html'), 'utf8')
      const code = await script()
      writeFileSync(
        here('../dist/verify.html'),
        page.replace('/* script */', () => code)
      )
    }
  }
}
