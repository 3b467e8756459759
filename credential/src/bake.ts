// A picture that carries its credential. Source: Open Badges 3.0, Baking (keyword of the PNG chunk from memory).
import encode from 'png-chunks-encode'
import extract from 'png-chunks-extract'

const KEYWORD = 'openbadgecredential'
const CHUNK = 'iTXt'
const PNG = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]

export const isPng = (bytes: Uint8Array): boolean => PNG.every((byte, i) => bytes[i] === byte)

/** iTXt of the PNG specification: keyword, not compressed, no language, no translated keyword, UTF-8. */
function chunkOf(text: string): { name: string; data: Uint8Array } {
  return { name: CHUNK, data: new TextEncoder().encode(`${KEYWORD}\0\0\0\0\0${text}`) }
}

/** The PNG with the credential in it, before its end; one that was in it before is replaced. */
export function bake(png: Uint8Array, credential: object): Uint8Array {
  const chunks = extract(png).filter((chunk) => readChunk(chunk) === null)
  return encode([...chunks.slice(0, -1), chunkOf(JSON.stringify(credential)), ...chunks.slice(-1)])
}

/** The text of the credential in a PNG; null where there is none. @throws Error where it is no whole PNG */
export function baked(png: Uint8Array): string | null {
  for (const chunk of extract(png)) {
    const text = readChunk(chunk)
    if (text !== null) return text
  }
  return null
}

function readChunk({ name, data }: { name: string; data: Uint8Array }): string | null {
  if (name !== CHUNK) return null
  const text = new TextDecoder().decode(data)
  if (!text.startsWith(`${KEYWORD}\0\0`)) return null
  // after keyword, flag and method: language and translated keyword, each ended by a zero
  const rest = text.slice(KEYWORD.length + 3)
  return rest.slice(rest.indexOf('\0', rest.indexOf('\0') + 1) + 1)
}
