// The picture that carries a credential: the school's seal with the certificate's name, drawn from paths so that no font is missing.
import { bake } from '@peen/credential'
import sharp from 'sharp'
import type { Services } from '../../http'
import { pathOf } from '../records'
import { schoolRow } from '../school'
import { credentialOf } from './issue'

const SIZE = 600
const INK = '#10191c'
const GREEN = '#0a5c43'
const SHEET = '#f4f8f9'
/** Letters in one line of the seal. */
const LINE = 16

/** A text in lines of whole words. */
export function linesOf(text: string, most = LINE): string[] {
  const lines: string[] = []
  for (const word of text.split(/\s+/)) {
    const last = lines.at(-1)
    if (last !== undefined && last.length + 1 + word.length <= most) lines[lines.length - 1] = `${last} ${word}`
    else lines.push(word)
  }
  return lines
}

/** Teeth of a comb all round: hair is the second motif of the look. */
const teeth = (): string =>
  Array.from({ length: 72 }, (_, i) => {
    const [turn, long] = [(i * Math.PI) / 36, i % 2 === 0 ? 250 : 262]
    const at = (r: number) => `${(SIZE / 2 + r * Math.cos(turn)).toFixed(1)} ${(SIZE / 2 + r * Math.sin(turn)).toFixed(1)}`
    return `M${at(long)}L${at(284)}`
  }).join('')

export function sealSvg(name: string, school: string): string {
  const lines = linesOf(name).slice(0, 4)
  const size = lines.length > 2 ? 46 : 56
  const top = SIZE / 2 - ((lines.length - 1) * size * 1.15) / 2 + size * 0.2
  const words = lines.map((line, i) => pathOf(line, { size, x: SIZE / 2, y: top + i * size * 1.15, bold: true })).join('')
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${SIZE}" height="${SIZE}" viewBox="0 0 ${SIZE} ${SIZE}">
<circle cx="300" cy="300" r="294" fill="${SHEET}" stroke="${INK}" stroke-width="6"/>
<path d="${teeth()}" stroke="${GREEN}" stroke-width="5"/>
<g fill="${INK}">${words}</g>
<g fill="${GREEN}">${pathOf(linesOf(school, 26)[0]!, { size: 26, x: SIZE / 2, y: 470 })}</g>
</svg>`
}

/** The certificate's picture with its credential in it, PNG. */
export async function badgePng(services: Services, findingId: string): Promise<Buffer> {
  const { document } = await credentialOf(services, findingId)
  const achievement = (document.credentialSubject as { achievement: { name: string } }).achievement
  const { name } = await schoolRow(services.db)
  const png = await sharp(Buffer.from(sealSvg(achievement.name, name)))
    .png()
    .toBuffer()
  return Buffer.from(bake(new Uint8Array(png), document))
}
