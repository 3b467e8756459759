// The measuring board as it is printed: its rectangles as pixels are found again, at the size that they are meant to have.
import { BOARDS, BOARD_KINDS, findBoard, frameOf } from '@peen/core/measure'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { boardDocument, boardRects } from './board-sheet'
import { scaleOfBoard } from './last-scale'

const PX_PER_PT = 2
const PX_PER_MM = (PX_PER_PT * 72) / 25.4

async function printed(kind: (typeof BOARD_KINDS)[number]) {
  const { widthMm, heightMm } = BOARDS[kind]
  const [width, height] = [widthMm, heightMm].map((mm) => Math.round(mm * PX_PER_MM)) as [number, number]
  const rects = boardRects(BOARDS[kind]).map(
    ({ x, y, w, h, color }) => `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="${color}"/>`
  )
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width / PX_PER_PT} ${height / PX_PER_PT}"><rect width="100%" height="100%" fill="#fff"/>${rects.join('')}</svg>`
  const { data } = await sharp(new TextEncoder().encode(svg)).ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  return { width, height, rgba: new Uint8ClampedArray(data) }
}

describe('the printed board', () => {
  it.each(BOARD_KINDS)('%s: is found whole, and its millimetres are millimetres on paper', async (kind) => {
    const picture = await printed(kind)
    const found = findBoard(picture)!
    expect(found).toMatchObject({ kind })
    expect(found.markers).toHaveLength(6)
    const last = { what: 'ruler', lengthMm: 200, upright: true, behindMm: 0, behindUMm: 5, cameraMm: 2000 } as const
    const scale = scaleOfBoard(found, last, BOARDS[kind].line.lengthMm)
    expect(scale.what).toBe('board')
    // its ends are the middle of the sheet's upper and lower edge
    expect(scale.ends[0][0]).toBeCloseTo(picture.width / 2, 0)
    expect(scale.ends[0][1]).toBeCloseTo(0, 0)
    expect(scale.ends[1][1]).toBeCloseTo(picture.height, 0)
    const frame = frameOf('left', { widthPx: picture.width, heightPx: picture.height }, scale)
    expect(frame.pxPerMm / PX_PER_MM).toBeCloseTo(1, 3)
  })

  it('fills two sheets of A4, with how to use it in words', async () => {
    const [{ default: pdfMake }, { default: fonts }] = await Promise.all([
      import('pdfmake/build/pdfmake'),
      import('pdfmake/build/vfs_fonts')
    ])
    pdfMake.addVirtualFileSystem(fonts)
    const pdf = new TextDecoder('latin1').decode(await pdfMake.createPdf(boardDocument()).getBuffer())
    expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(2)
    expect(pdf).toMatch(/\/MediaBox \[0 0 595\.28 841\.89\]/)
    expect(JSON.stringify(boardDocument())).toContain('without “fit to page”')
  })
})
