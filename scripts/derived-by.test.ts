import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { expect, it } from 'vitest'
import { DERIVED_BY } from '../server/src/features/school/derived-by'
import { derivedBy, filesThatDerive } from './derived-by'

it('the version of what is derived is that of the code which derives it; if not: npm run derived-by', () => {
  expect(DERIVED_BY).toBe(derivedBy())
})

it('follows the code to where things are decided, and no further', () => {
  const files = filesThatDerive()
  for (const path of ['core/src/practice/attempts.ts', 'core/src/competency/chart.ts', 'core/src/coat/taken.ts', 'content/techniques.json'])
    expect(files).toContain(path)
  expect(files.filter((path) => /schema|\.test\.|routes/.test(path))).toEqual([])
})

it('changes with what the code does, not with how it is written', () => {
  const read = (path: string) => readFileSync(fileURLToPath(new URL(`../${path}`, import.meta.url)), 'utf8')
  const one = ['core/src/practice/attempts.ts']
  const same = derivedBy(one, read)
  expect(derivedBy(one, (path) => `// a remark\n${read(path)}`)).toBe(same)
  expect(derivedBy(one, (path) => `${read(path)}\nexport const more = 1\n`)).not.toBe(same)
})
