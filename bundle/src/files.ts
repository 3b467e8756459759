// A bundle as a ZIP: a manifest that names every file with its hash, signed by the school's key.
import { isSealed, seal, type SigningKey } from '@peen/credential'
import { strFromU8, strToU8, unzipSync, zip, type AsyncZippable } from 'fflate'
import { MANIFEST_FORMAT, type Manifest } from './shapes'
import { sha256 } from './trail'

export type Files = ReadonlyMap<string, Uint8Array>
export const MANIFEST = 'manifest.json'

/** Bytes that a bundle may come to when it is unpacked, and files in it. Chosen: ten times a large one. */
export const MOST_BYTES = 600_000_000
export const MOST_FILES = 20_000
/** What is compressed already is stored as it is. */
const STORED = /\.(?:jpg|png|pdf)$/

export const toBytes = (value: unknown): Uint8Array => strToU8(`${JSON.stringify(value, null, 2)}\n`)
export const textOf = (bytes: Uint8Array): string => strFromU8(bytes)

/** Packs the files with their manifest. `told`: what the manifest says besides the files. */
export async function pack(files: Files, told: Omit<Manifest, 'format' | 'files'>, key: SigningKey): Promise<Uint8Array> {
  const listed = [...files].map(([path, bytes]) => ({ path, bytes: bytes.length, sha256: sha256(bytes) }))
  const manifest = await seal({ format: MANIFEST_FORMAT, ...told, files: listed }, key)
  const all = new Map([[MANIFEST, toBytes(manifest)], ...files])
  const entries: AsyncZippable = Object.fromEntries(
    [...all].map(([path, bytes]) => [path, [bytes, { level: STORED.test(path) ? 0 : 6, mtime: told.madeAt }]])
  )
  return new Promise((resolve, reject) => zip(entries, (error, data) => (error ? reject(error) : resolve(data))))
}

export type Unpacked = { readonly files: Files } | { readonly unreadable: 'noZip' | 'tooLarge' }

/** Unpacks a file that may be anything; what comes to more than `most` bytes is refused before it is unpacked. */
export function unpack(bytes: Uint8Array, most = MOST_BYTES): Unpacked {
  let [sum, count] = [0, 0]
  try {
    const found = unzipSync(bytes, {
      filter: ({ originalSize }) => {
        sum += originalSize
        count += 1
        return sum <= most && count <= MOST_FILES
      }
    })
    if (sum > most || count > MOST_FILES) return { unreadable: 'tooLarge' }
    return { files: new Map(Object.entries(found)) }
  } catch {
    return { unreadable: 'noZip' }
  }
}

/** Files that are not as the manifest has them: changed, missing, or in the bundle without being named. */
export function unlisted(files: Files, manifest: Manifest): string[] {
  const named = new Map(manifest.files.map((file) => [file.path, file]))
  const wrong = [...named.values()].filter(({ path, sha256: hash, bytes }) => {
    const there = files.get(path)
    return !there || there.length !== bytes || sha256(there) !== hash
  })
  const strange = [...files.keys()].filter((path) => path !== MANIFEST && !named.has(path) && !path.endsWith('/'))
  return [...wrong.map(({ path }) => path), ...strange]
}

export const isSigned = (manifest: Manifest): boolean => isSealed(manifest as never)
