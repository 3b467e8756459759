// The printed measuring board stood into a drawn room: somewhat turned, in light or in shade, before the picture is made harder.
import { BOARDS, cornersOfMarker, markerCells, type BoardKind, type PhotoPoint } from '@peen/core/measure'
import sharp from 'sharp'
import { drawsFrom, type Scene } from './scene'

export type Stood = {
  readonly scene: Scene
  readonly kind: BoardKind
  readonly pxPerMm: number
  /** where the corners of a marker truly are, px */
  readonly cornersAt: (id: number) => readonly PhotoPoint[]
}

/** A board at the right of the picture, as large as fits there, rolled and narrowed as a card that is turned a little is. */
export async function withBoard(scene: Scene, seed: number): Promise<Stood> {
  const random = drawsFrom(seed * 15485863 + 3)
  const { width, height } = scene
  const kind: BoardKind = scene.framing === 'head' ? 'small' : 'large'
  const { widthMm, heightMm, markers } = BOARDS[kind]
  const pxPerMm = ((0.16 + 0.1 * random()) * width) / widthMm
  const [roll, narrow] = [(random() - 0.5) * 0.12, 0.94 + 0.06 * random()]
  const [cos, sin] = [Math.cos(roll), Math.sin(roll)]
  const [left, top] = [width * 0.985 - widthMm * pxPerMm, height * (0.3 + 0.2 * random())]
  const placed = ([x, y]: PhotoPoint): PhotoPoint => {
    const [u, v] = [x * pxPerMm * narrow, y * pxPerMm]
    return [left + u * cos - v * sin, top + u * sin + v * cos]
  }
  const lit = 0.35 + 0.65 * random()
  const [paper, print] = [236, 32].map((value) => `rgb(${[1, 0.99, 0.96].map((c) => Math.round(value * lit * c)).join(',')})`)
  const box = (x: number, y: number, w: number, h: number, fill: string) => {
    const corners: readonly PhotoPoint[] = [
      [x, y],
      [x + w, y],
      [x + w, y + h],
      [x, y + h]
    ]
    return `<polygon points="${corners.map((corner) => placed(corner).join(',')).join(' ')}" fill="${fill}"/>`
  }
  const cells = markers.flatMap(({ id, at, sideMm }) => {
    const rows = markerCells(id)
    const cell = sideMm / rows.length
    const white = rows.flatMap((row, j) => row.map((is, i) => (is ? box(at[0] + i * cell, at[1] + j * cell, cell, cell, paper!) : '')))
    return [box(at[0], at[1], sideMm, sideMm, print!), ...white]
  })
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">${box(0, 0, widthMm, heightMm, paper!)}${cells.join('')}</svg>`
  const raw = sharp(Buffer.from(scene.rgba.buffer, scene.rgba.byteOffset, scene.rgba.byteLength), { raw: { width, height, channels: 4 } })
  const drawn = await raw
    .composite([{ input: Buffer.from(svg), left: 0, top: 0 }])
    .raw()
    .toBuffer()
  return {
    scene: { ...scene, rgba: new Uint8ClampedArray(drawn) },
    ...{ kind, pxPerMm },
    cornersAt: (id) => cornersOfMarker(id).map(placed)
  }
}
