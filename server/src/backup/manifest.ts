// What a backup says of itself: when and why it was made, from which shape of the database, and the hash of every file in it.
import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { hashOf } from './pack'
import type { Why } from './rotation'

const MANIFEST = 'manifest.json'
const FORMAT = 1

/** `madeAt`: ISO. `hashes`: SHA-256 by path in the backup. */
export type Manifest = {
  readonly format: number
  readonly madeAt: string
  readonly why: Why
  readonly database: string
  readonly hashes: Readonly<Record<string, string>>
}

const filesUnder = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesUnder(join(folder, entry.name)) : [join(folder, entry.name)]
  )

async function hashesOf(folder: string): Promise<Record<string, string>> {
  const hashes: Record<string, string> = {}
  for (const file of filesUnder(folder)) if (relative(folder, file) !== MANIFEST) hashes[relative(folder, file)] = await hashOf(file)
  return hashes
}

export async function writeManifest(folder: string, about: Omit<Manifest, 'format' | 'hashes'>): Promise<void> {
  writeFileSync(join(folder, MANIFEST), JSON.stringify({ format: FORMAT, ...about, hashes: await hashesOf(folder) }, null, 2))
}

/** Reads the manifest and compares every file with it. Throws a sentence that names what is missing or other than it was. */
export async function readManifest(folder: string): Promise<Manifest> {
  if (!statSync(join(folder, MANIFEST), { throwIfNoEntry: false })) throw new Error('The backup holds no manifest: it is not whole.')
  const manifest = JSON.parse(readFileSync(join(folder, MANIFEST), 'utf8')) as Manifest
  if (manifest.format !== FORMAT)
    throw new Error(
      `The backup has format ${manifest.format}; this Peen reads format ${FORMAT}. Restore it with the Peen that made it, or a newer one.`
    )
  const found = await hashesOf(folder)
  const other = Object.keys({ ...manifest.hashes, ...found }).filter((path) => manifest.hashes[path] !== found[path])
  if (other.length > 0) throw new Error(`The backup is not as it was made: ${other.join(', ')}.`)
  return manifest
}
