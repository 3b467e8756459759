// Draws the icons of an installed Peen from its mark: node scripts/icons.mjs, after web/public/mark.svg was changed.
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import sharp from 'sharp'

const folder = fileURLToPath(new URL('../web/public/', import.meta.url))
const mark = readFileSync(`${folder}mark.svg`)
const MARK_SIDE = 20
const drawn = (side) => sharp(mark, { density: (72 * side) / MARK_SIDE }).resize(side, side)

for (const side of [192, 512]) await drawn(side).png({ compressionLevel: 9 }).toFile(`${folder}icon-${side}.png`)
// a tablet may cut a maskable icon to a circle of 80 % of its side
const inner = await drawn(358).png().toBuffer()
await sharp({ create: { width: 512, height: 512, channels: 3, background: '#0A5540' } })
  .composite([{ input: inner, gravity: 'centre' }])
  .png({ compressionLevel: 9 })
  .toFile(`${folder}icon-maskable-512.png`)
