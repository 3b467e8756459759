// Outlines that we did not draw, rendered and found again.
// Ref: dog and poodle of the icon sets "Fluent Emoji High Contrast" (MIT, @iconify-json/fluent-emoji-high-contrast 1.2.6)
// and "Noto Emoji" (Apache-2.0, @iconify-json/noto 1.2.9); independent rasteriser: librsvg, through sharp.
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import sharp from 'sharp'
import { svgPathProperties } from 'svg-path-properties'
import { describe, expect, it } from 'vitest'
import { newRaster, paintPolygon } from '../paint'
import { signedArea2, type Point } from '../vec'
import { silhouetteOf } from '.'

// read, not imported: a bundler would turn megabytes of icons into a module
const iconsOf = (name: string): IconSet =>
  JSON.parse(readFileSync(createRequire(import.meta.url).resolve(`@iconify-json/${name}/icons.json`), 'utf8'))

type IconSet = { readonly icons: Record<string, { readonly body: string }>; readonly width?: number; readonly height?: number }
/** Pixels across a rendered icon. */
const SIDE = 640
const STEP = 0.002

/** The rings of an icon's paths in px (x right, y down), and each as its own path again. */
function ringsOf({ icons, width = 16 }: IconSet, name: string): readonly (readonly Point[])[] {
  const scale = SIDE / width
  const rings: Point[][] = []
  for (const [, d] of icons[name].body.matchAll(/ d="([^"]+)"/g)) {
    let last: { readonly x: number; readonly y: number } | null = null
    for (const part of new svgPathProperties(d).getParts()) {
      // a jump between two parts begins another ring
      if (!last || Math.hypot(part.start.x - last.x, part.start.y - last.y) > 1e-6) rings.push([])
      const steps = Math.max(1, Math.ceil(part.length / (STEP * width)))
      for (let i = 0; i < steps; i++) {
        const { x, y } = part.getPointAtLength((part.length * i) / steps)
        rings[rings.length - 1].push([x * scale, y * scale])
      }
      last = part.end
    }
  }
  return rings.filter((ring) => ring.length > 2)
}

async function rendered(rings: readonly (readonly Point[])[]): Promise<Buffer> {
  const paths = rings.map((ring) => `<path d="M${ring.map((p) => p.join(' ')).join('L')}Z"/>`).join('')
  return sharp(Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="${SIDE}" height="${SIDE}">${paths}</svg>`))
    .extractChannel('alpha')
    .raw()
    .toBuffer()
}

const [fluent, noto] = [iconsOf('fluent-emoji-high-contrast'), iconsOf('noto')]
const cases = [
  ['Fluent dog', fluent, 'dog'],
  ['Fluent poodle', fluent, 'poodle'],
  ['Noto dog', noto, 'dog'],
  ['Noto poodle', noto, 'poodle']
] as const

describe('a public outline', { timeout: 60000 }, () => {
  it.each(cases)('%s is painted as another rasteriser paints it', async (_, set, name) => {
    const rings = ringsOf(set, name)
    const raster = newRaster(SIDE, SIDE)
    for (const ring of rings) paintPolygon(raster, Float32Array.from(ring.flat()), [0, 0, 0], 1)
    const told = await rendered(rings)
    let [off, inside] = [0, 0]
    for (let k = 0; k < told.length; k++) {
      if (told[k] > 127) inside++
      off += Math.abs(raster.px[4 * k + 3] - told[k]) / 255
    }
    expect(inside).toBeGreaterThan(0.1 * SIDE * SIDE)
    expect(off / inside).toBeLessThan(0.005)
  })

  it.each(cases)('%s is found again', async (_, set, name) => {
    const rings = ringsOf(set, name)
    const up = rings.map((ring) => ring.map(([x, y]): Point => [x, -y]))
    const cell = 2
    const found = silhouetteOf(up, cell)
    const told = await rendered(rings)
    const area = told.reduce((sum, value) => sum + value / 255, 0)
    expect(Math.abs(found.areaMm2 / area - 1)).toBeLessThan(0.01)
    // no place of the found outline is farther than a cell's diagonal from the path, and none of the path's own rim from it
    const path = up.flat()
    const outline = [...found.outer, ...found.holes].flat()
    const far = (from: readonly Point[], to: readonly Point[]) =>
      Math.max(...from.map(([x, y]) => Math.min(...to.map(([a, b]) => Math.hypot(x - a, y - b)))))
    expect(far(outline, path)).toBeLessThan(cell * Math.SQRT2)
    const largest = found.outer[0]
    const [left, right] = [Math.min(...path.map(([x]) => x)), Math.max(...path.map(([x]) => x))]
    expect(Math.abs(Math.min(...found.outer.flat().map(([x]) => x)) - left)).toBeLessThan(cell)
    expect(Math.abs(Math.max(...found.outer.flat().map(([x]) => x)) - right)).toBeLessThan(cell)
    expect(Math.abs(signedArea2(largest)) / 2).toBeGreaterThan(0.5 * area)
  })
})
