// The finder's own process: the vision library and its memory stay out of the server, and end with it.
import type { PhotoPoint } from '@peen/core/measure'
import sharp from 'sharp'
import { LOOKED_AT_PX, ringByShape, visionReady } from './shape'

export type Asked = { readonly id: number; readonly bytes: Uint8Array; readonly ring: readonly PhotoPoint[] }
export type Answered = { readonly id: number; readonly ring: readonly PhotoPoint[] | null }

sharp.concurrency(1)
sharp.cache(false)
await visionReady()

process.on('message', (asked: Asked) => void answer(asked))
process.on('disconnect', () => process.exit(0))

async function answer({ id, bytes, ring }: Asked): Promise<void> {
  try {
    const whole = sharp(bytes)
    const { width = 1, height = 1 } = await whole.metadata()
    const { data, info } = await whole
      .resize({ width: LOOKED_AT_PX, height: LOOKED_AT_PX, fit: 'inside', withoutEnlargement: true })
      .removeAlpha()
      .toColourspace('srgb')
      .raw()
      .toBuffer({ resolveWithObject: true })
    const [by, high] = [width / info.width, height / info.height]
    const small = { width: info.width, height: info.height, rgb: new Uint8Array(data) }
    const found = ringByShape(
      small,
      ring.map(([x, y]) => [x / by, y / high])
    )
    process.send!({ id, ring: found?.map(([x, y]): PhotoPoint => [x * by, y * high]) ?? null } satisfies Answered)
  } catch {
    process.send!({ id, ring: null } satisfies Answered)
  }
}
