// What a camera took, as it leaves the tablet. The browser's own decoder stands in for itself: what it is asked for is looked at.
import { isHeic } from '@peen/contract'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { readyToSend } from './ready-to-send'

const MB = 1_048_576
const file = (mb: number) => new Blob([new Uint8Array(mb * MB)], { type: 'image/jpeg' })
const boxed = (brand: string) => new TextEncoder().encode(`\0\0\0\u0018ftyp${brand}\0\0\0\0mif1heic`)

/** A decoder of pictures of this size, and what was made of them. */
function camera(width: number, height: number) {
  const made: { width: number; height: number; type: string }[] = []
  let [open, most] = [0, 0]
  vi.stubGlobal('createImageBitmap', async () => {
    most = Math.max(most, ++open)
    await new Promise((done) => setTimeout(done, 1))
    return { width, height, close: () => open-- }
  })
  vi.stubGlobal(
    'OffscreenCanvas',
    class {
      constructor(
        readonly width: number,
        readonly height: number
      ) {}
      getContext = () => ({ drawImage: () => undefined })
      convertToBlob = async ({ type }: { type: string }) => {
        made.push({ width: this.width, height: this.height, type })
        return new Blob(['small'], { type })
      }
    }
  )
  return { made, most: () => most }
}
afterEach(() => vi.unstubAllGlobals())

describe('a photograph that is to be sent', () => {
  it('goes as it is where it is small', async () => {
    const { made } = camera(4000, 3000)
    const small = file(4)
    expect(await readyToSend(small)).toBe(small)
    expect(made).toEqual([])
  })

  it('of 48 million pixels and 22 MB is made smaller here, its sides in proportion', async () => {
    const { made } = camera(8000, 6000)
    expect((await readyToSend(file(22))).size).toBe(5)
    expect(made).toEqual([{ width: 4096, height: 3072, type: 'image/jpeg' }])
  })

  it('is opened one at a time', async () => {
    const { most, made } = camera(8000, 6000)
    await Promise.all([1, 2, 3].map(() => readyToSend(file(6))))
    expect([most(), made.length]).toEqual([1, 3])
  })

  it('is left to the server where this browser cannot open it, and refused where it is too large for that', async () => {
    vi.stubGlobal('createImageBitmap', () => Promise.reject(new Error('no picture')))
    const torn = file(9)
    expect(await readyToSend(torn)).toBe(torn)
    await expect(readyToSend(file(16))).rejects.toThrow('The picture is 16 MB; it must be 15 MB or less. Nothing was changed.')
  })

  it.each(['heic', 'heix', 'mif1', 'msf1'])('as a HEIC file (%s) is refused with what to do', async (brand) => {
    await expect(readyToSend(new Blob([boxed(brand)]))).rejects.toThrow(/HEIC file, which Peen cannot read. Set the camera to JPEG/)
  })

  it('is not taken for HEIC by its length, an AVIF or a video', () => {
    for (const start of [
      new Uint8Array(3),
      boxed('avif'),
      boxed('isom'),
      new Uint8Array([0xff, 0xd8, 0xff, 0xe0, 0, 16, 74, 70, 73, 70, 0, 1])
    ])
      expect(isHeic(start)).toBe(false)
  })
})
