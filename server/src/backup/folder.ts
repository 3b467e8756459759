// The folder of the backups: each with its proof beside it, and what went wrong the last time. It is read without the database.
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Proof } from './prove'
import { WHY, type Kept, type Why } from './rotation'

const PROOF = '.proof.json'
const FAILURE = 'last-failure.json'
const NAME = new RegExp(`^peen-(\\d{8}T\\d{6}Z)-(${WHY.join('|')})\\.tar$`)

export type Backup = Kept & { readonly bytes: number; readonly proof: Proof | null }
export type Failure = { readonly at: string; readonly says: string }

/** The name of a backup made at a time, such as peen-20261129T030000Z-daily.tar. */
export const nameOf = (at: Date, why: Why): string => `peen-${at.toISOString().slice(0, 19).replace(/[-:]/g, '')}Z-${why}.tar`

function readName(name: string): { readonly at: Date; readonly why: Why } | null {
  const found = NAME.exec(name)
  if (!found) return null
  const iso = found[1]!.replace(/^(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z$/, '$1-$2-$3T$4:$5:$6Z')
  return { at: new Date(iso), why: found[2] as Why }
}

/** The newest first; nothing where the folder is not there. */
export function backupsIn(folder: string): readonly Backup[] {
  if (!existsSync(folder)) return []
  return readdirSync(folder)
    .flatMap((file): Backup[] => {
      const named = readName(file)
      return named ? [{ file, ...named, bytes: statSync(join(folder, file)).size, proof: proofBeside(join(folder, file)) }] : []
    })
    .sort((a, b) => b.at.getTime() - a.at.getTime())
}

function proofBeside(file: string): Proof | null {
  return existsSync(file + PROOF) ? (JSON.parse(readFileSync(file + PROOF, 'utf8')) as Proof) : null
}
export const writeProof = (file: string, proof: Proof): void => writeFileSync(file + PROOF, JSON.stringify(proof, null, 2), { mode: 0o600 })

export function removeBackup(folder: string, file: string): void {
  rmSync(join(folder, file), { force: true })
  rmSync(join(folder, file + PROOF), { force: true })
}

export function lastFailure(folder: string): Failure | null {
  const path = join(folder, FAILURE)
  return existsSync(path) ? (JSON.parse(readFileSync(path, 'utf8')) as Failure) : null
}
/** Keeps a failure until a backup is made and proven. */
export function keepFailure(folder: string, failure: Failure | null): void {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  if (failure) writeFileSync(join(folder, FAILURE), JSON.stringify(failure), { mode: 0o600 })
  else rmSync(join(folder, FAILURE), { force: true })
}
