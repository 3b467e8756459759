// The key of a school's backups. What is encrypted goes to its public half, so that no passphrase lies on the computer for the nights.
import { Decrypter, Encrypter, generateX25519Identity, identityToRecipient } from 'age-encryption'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

/** The shortest passphrase that is taken. Chosen: five short words, or as many random letters as resist guessing for years. */
export const PASSPHRASE_AT_LEAST = 15
/** Work of one try at a passphrase, base-2 logarithm of scrypt's N: about a second and 256 MB. */
const WORK = 18

/**
 * `recipient`: the public half. `wrapped`: the private half under the passphrase, as an age file; null until one is chosen.
 * `plain`: the private half itself, while no passphrase is chosen: readable by the owner of the folder alone.
 */
export type BackupKey = { readonly recipient: string; readonly wrapped: Uint8Array | null; readonly plain: string | null }

const paths = (folder: string) => ({
  recipient: join(folder, 'key.pub'),
  wrapped: join(folder, 'key.age'),
  plain: join(folder, 'key.txt')
})

/** The key that lies in `folder`; made there the first time. */
export async function keyIn(folder: string): Promise<BackupKey> {
  const at = paths(folder)
  if (!existsSync(at.recipient)) {
    mkdirSync(folder, { recursive: true, mode: 0o700 })
    const identity = await generateX25519Identity()
    writeFileSync(at.plain, identity, { mode: 0o600 })
    writeFileSync(at.recipient, await identityToRecipient(identity), { mode: 0o600 })
  }
  const read = (path: string) => (existsSync(path) ? readFileSync(path) : null)
  return {
    recipient: readFileSync(at.recipient, 'utf8'),
    wrapped: read(at.wrapped),
    plain: read(at.plain)?.toString('utf8') ?? null
  }
}

/** Whether a passphrase was chosen: then a backup may leave this computer. */
export const hasPassphrase = (folder: string): boolean => existsSync(paths(folder).wrapped)

/**
 * Puts the private half under a passphrase, also backups of before; with `old` where another was chosen already.
 * Throws a sentence for a short passphrase or a wrong old one.
 */
export async function choosePassphrase(folder: string, passphrase: string, old: string | null, work = WORK): Promise<void> {
  if (passphrase.length < PASSPHRASE_AT_LEAST)
    throw new Error(
      `The passphrase has ${passphrase.length} characters; at least ${PASSPHRASE_AT_LEAST} are needed. Five words that only you put together are best.`
    )
  const key = await keyIn(folder)
  const identity = key.plain ?? (await unwrapped(key.wrapped!, old ?? ''))
  const encrypter = new Encrypter()
  encrypter.setPassphrase(passphrase)
  encrypter.setScryptWorkFactor(work)
  writeFileSync(paths(folder).wrapped, await encrypter.encrypt(identity), { mode: 0o600 })
  rmSync(paths(folder).plain, { force: true })
}

/** Takes over the key of a backup that was restored, so that its passphrase goes on. @returns whether there was one to take over */
export async function adoptKey(
  folder: string,
  { identity, wrapped }: { readonly identity: string; readonly wrapped: Uint8Array | null }
): Promise<boolean> {
  if (!wrapped) return false
  writeFileSync(paths(folder).recipient, await identityToRecipient(identity), { mode: 0o600 })
  writeFileSync(paths(folder).wrapped, wrapped, { mode: 0o600 })
  rmSync(paths(folder).plain, { force: true })
  return true
}

/** The private half from under its passphrase. Throws a sentence for a wrong one. */
export async function unwrapped(wrapped: Uint8Array, passphrase: string): Promise<string> {
  const decrypter = new Decrypter()
  decrypter.addPassphrase(passphrase)
  return decrypter.decrypt(wrapped, 'text').catch(() => {
    throw new Error('This is not the passphrase of this backup. Nothing was changed.')
  })
}
