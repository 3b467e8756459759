// The language folders as they lie on the disk. Not for browsers.
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { parseMessage } from './parse.ts'
import type { Words } from './say'

const HERE = fileURLToPath(new URL('../languages', import.meta.url))
/** The language that holds every message; any other may leave out what it says alike. */
export const FIRST_LANGUAGE = 'en-GB'

/** The languages that have a folder, as BCP 47 tags. */
export function languages(): readonly string[] {
  return readdirSync(HERE, { withFileTypes: true })
    .filter((entry) => entry.isDirectory() && /^[a-z]{2,3}(-[A-Z]{2})?$/.test(entry.name))
    .map(({ name }) => name)
    .sort()
}

/** The files of one language, by room. */
export const filesOf = (language: string): readonly string[] =>
  readdirSync(join(HERE, language))
    .filter((name) => name.endsWith('.json'))
    .sort()
    .map((name) => join(HERE, language, name))

/** What one language says itself, by key, as it is written. */
export function writtenIn(language: string): Readonly<Record<string, string>> {
  const all: Record<string, string> = {}
  for (const file of filesOf(language)) {
    const room = file.replace(/^.*\//, '').replace('.json', '')
    const messages = JSON.parse(readFileSync(file, 'utf8')) as Record<string, string>
    for (const [name, text] of Object.entries(messages)) all[`${room}.${name}`] = text
  }
  return all
}

/** What one language says itself, parsed. */
export const readOwn = (language: string): Words =>
  Object.fromEntries(Object.entries(writtenIn(language)).map(([key, text]) => [key, parseMessage(text, `${key} in ${language}`)]))

/** Every message in one language, parsed; what the language leaves out is said as the first one says it. */
export const readWords = (language: string): Words => ({ ...readOwn(FIRST_LANGUAGE), ...readOwn(language) })
