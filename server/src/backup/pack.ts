// A backup is one file: a tar that holds the key under its passphrase, the school as an encrypted tar, and how to open both by hand.
import { Decrypter, Encrypter } from 'age-encryption'
import { createHash } from 'node:crypto'
import {
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  openSync,
  fsyncSync,
  closeSync,
  readFileSync,
  renameSync,
  writeFileSync
} from 'node:fs'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { create, extract } from 'tar'
import { unwrapped, type BackupKey } from './key'

const SCHOOL = 'school.tar.gz.age'
const WRAPPED = 'key.age'
const BY_HAND = 'README.txt'
const HOW_BY_HAND = `A backup of Peen. Peen restores it:   npm run restore -- <this file>

Without Peen, with the programs tar and age (Debian: apt install age):
  tar xf <this file>
  age -d -o key.txt key.age              asks for the passphrase
  age -d -i key.txt school.tar.gz.age | tar xz
database.sql is then a dump for MariaDB, room/ the keys of the room's certificate, issuer/ those that sign certificates.
`

/** Encrypts a folder for some recipients into `file`. */
async function sealFolder(folder: string, file: string, recipients: readonly string[]): Promise<void> {
  const encrypter = new Encrypter()
  for (const one of recipients) encrypter.addRecipient(one)
  const plain = create({ gzip: true, cwd: folder, portable: true }, ['.'])
  const sealed = await encrypter.encrypt(Readable.toWeb(Readable.from(plain)) as ReadableStream<Uint8Array>)
  await pipeline(Readable.fromWeb(sealed as never), createWriteStream(file, { mode: 0o600 }))
}

/** Packs `folder` into `file`, which appears whole or not at all. `alsoFor`: recipients besides the school's own key. `work`: a folder for what is under way. */
export async function pack(
  folder: string,
  file: string,
  key: BackupKey,
  { alsoFor, work }: { readonly alsoFor: readonly string[]; readonly work: string }
): Promise<void> {
  mkdirSync(work, { recursive: true, mode: 0o700 })
  await sealFolder(folder, join(work, SCHOOL), [key.recipient, ...alsoFor])
  writeFileSync(join(work, BY_HAND), HOW_BY_HAND)
  if (key.wrapped) writeFileSync(join(work, WRAPPED), key.wrapped)
  const part = `${file}.part`
  await create({ file: part, cwd: work, portable: true, mode: 0o600 } as never, [BY_HAND, ...(key.wrapped ? [WRAPPED] : []), SCHOOL])
  const opened = openSync(part, 'r+')
  fsyncSync(opened)
  closeSync(opened)
  renameSync(part, file)
}

/** How a backup is opened: by the passphrase it was made under, which is asked for where it holds its key; else by a private half at hand. */
export type Opener = { readonly passphrase: (() => Promise<string>) | null; readonly identity: () => Promise<string | null> }
/** The private half that opened it, and the same under its passphrase where the backup holds it. */
export type Opened = { readonly identity: string; readonly wrapped: Uint8Array | null }

/** Unpacks a backup into `folder`. Throws a sentence where it is no backup, is damaged, or the passphrase is another. */
export async function unpack(file: string, folder: string, opener: Opener): Promise<Opened> {
  const outer = join(folder, 'outer')
  const inner = join(folder, 'school')
  for (const one of [outer, inner]) mkdirSync(one, { recursive: true, mode: 0o700 })
  const isWhole = await extract({ file, cwd: outer, strict: true }).then(
    () => existsSync(join(outer, SCHOOL)),
    () => false
  )
  if (!isWhole) throw new Error(`${file} is no backup of Peen, or only the beginning of one. Nothing was changed.`)
  const decrypter = new Decrypter()
  const wrapped = existsSync(join(outer, WRAPPED)) ? readFileSync(join(outer, WRAPPED)) : null
  const identity = await identityFor(wrapped, opener)
  decrypter.addIdentity(identity)
  const opened = await decrypter.decrypt(Readable.toWeb(createReadStream(join(outer, SCHOOL))) as ReadableStream<Uint8Array>).catch(() => {
    throw new Error('This backup was made with another key. Nothing was changed.')
  })
  await pipeline(Readable.fromWeb(opened as never), extract({ cwd: inner, strict: true })).catch(() => {
    throw new Error(`${file} is damaged: it cannot be read to its end. Nothing was changed. Take an earlier backup.`)
  })
  return { identity, wrapped }
}

async function identityFor(wrapped: Uint8Array | null, { passphrase, identity }: Opener): Promise<string> {
  if (passphrase && wrapped) return unwrapped(wrapped, await passphrase())
  const own = await identity()
  if (own) return own
  throw new Error(
    'This backup was made before a passphrase was chosen: it can be restored only on the computer that made it. Nothing was changed.'
  )
}

/** SHA-256 of a file, hex. */
export async function hashOf(file: string): Promise<string> {
  const hash = createHash('sha256')
  await pipeline(createReadStream(file), hash)
  return hash.digest('hex')
}
