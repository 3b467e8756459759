// What is painted onto a photograph, on whichever sheet it goes: lines in their own dashes, badges where a sentence points.
import type { Drawn, PhotoPoint } from '@peen/core/measure'
import type { Shape, Tone } from './drawing'

export const PAPER = '#fcfdfd'
export const INK = '#0f1a1d'
export const FONT = "'Encode Sans Variable', sans-serif"
const STYLES: Readonly<Record<Tone, { readonly colour: string; readonly width: number; readonly dash: readonly number[] }>> = {
  outline: { colour: '#0a5540', width: 2.5, dash: [] },
  long: { colour: '#6a2fd0', width: 5, dash: [] },
  short: { colour: '#d86200', width: 5, dash: [9, 6] },
  plan: { colour: '#ffffff', width: 1.5, dash: [3, 5] },
  ghost: { colour: '#ffffff', width: 1.5, dash: [3, 5] },
  fit: { colour: '#0f1a1d', width: 1.5, dash: [] },
  taken: { colour: '#0a5540', width: 3, dash: [] },
  off: { colour: '#b0102b', width: 4, dash: [] },
  mirror: { colour: '#0f1a1d', width: 1.5, dash: [2, 4] },
  scale: { colour: '#0f1a1d', width: 3, dash: [] },
  check: { colour: '#0f1a1d', width: 3, dash: [7, 4] }
}

/** @throws where the picture cannot be read */
export async function pictureFrom(url: string): Promise<ImageBitmap> {
  return createImageBitmap(await (await fetch(url, { credentials: 'same-origin' })).blob())
}

/** One shape in px of its picture; `px` is one pixel of the canvas in them. */
export function stroke(context: CanvasRenderingContext2D, shape: Shape, px: number): void {
  const { colour, width, dash } = STYLES[shape.tone]
  context.strokeStyle = colour
  context.lineWidth = width * px
  context.setLineDash(dash.map((length) => length * px))
  context.beginPath()
  if (shape.kind === 'circle') context.arc(shape.centre[0], shape.centre[1], shape.radius, 0, 2 * Math.PI)
  else {
    shape.points.forEach(([x, y], i) => (i === 0 ? context.moveTo(x, y) : context.lineTo(x, y)))
    if (shape.closed) context.closePath()
  }
  context.stroke()
}

/** Of a sheet that is read on a screen, px of the canvas. */
const BADGE_R = 15

/** A letter or number in a filled circle, px of the canvas. */
export function badge(context: CanvasRenderingContext2D, text: string, x: number, y: number, radius = BADGE_R): void {
  context.setLineDash([])
  context.fillStyle = INK
  context.beginPath()
  context.arc(x, y, radius, 0, 2 * Math.PI)
  context.fill()
  context.fillStyle = PAPER
  context.font = `650 ${1.2 * radius}px ${FONT}`
  context.textAlign = 'center'
  context.fillText(text, x, y + 0.4 * radius)
  context.textAlign = 'left'
}

/** Where a drawing points to: its departure, else the middle of what it is taken from. */
export function pointOf(drawn: readonly Drawn[]): PhotoPoint | null {
  const lines = drawn.flatMap((one) => (one.kind === 'line' ? [one] : []))
  const own = lines.find(({ role }) => role === 'off') ?? lines.find(({ role }) => role === 'taken') ?? lines[0]
  return own ? (own.points[Math.floor(own.points.length / 2)] ?? null) : null
}

export type Marked = {
  readonly url: string
  readonly shapes: readonly Shape[]
  readonly badges: readonly { readonly text: string; readonly drawn: readonly Drawn[] }[]
  /** the picture is cut to these, with some room around them */
  readonly around: readonly PhotoPoint[]
}
/** Room around the dog, a share of its longer side; the longer side of what is painted, px: sharp on paper at 9 cm. Chosen. */
const ROOM_SHARE = 0.06
const LONG_SIDE_PX = 1000
/** On paper it is a quarter of the size that it has on a screen: lines and letters are larger to be read there. Chosen. */
const ON_PAPER = Object.freeze({ badgeR: 30, lineTimes: 2 })

/** The part of a picture that holds some points, with room around them: left, top, width and height, px of the picture. */
export function cutTo(points: readonly PhotoPoint[], width: number, height: number): readonly [number, number, number, number] {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
  const room = ROOM_SHARE * Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys))
  const [left, top] = [Math.max(0, Math.min(...xs) - room), Math.max(0, Math.min(...ys) - room)]
  return [left, top, Math.min(width, Math.max(...xs) + room) - left, Math.min(height, Math.max(...ys) + room) - top]
}

/** The dog out of a photograph with what is drawn on it, as a JPEG in a data address. */
export async function markedPicture({ url, shapes, badges, around }: Marked): Promise<string> {
  const picture = await pictureFrom(url)
  const [left, top, width, height] = cutTo(around, picture.width, picture.height)
  const scale = LONG_SIDE_PX / Math.max(width, height)
  const canvas = document.createElement('canvas')
  ;[canvas.width, canvas.height] = [Math.round(width * scale), Math.round(height * scale)]
  const context = canvas.getContext('2d')!
  context.drawImage(picture, left, top, width, height, 0, 0, canvas.width, canvas.height)
  context.save()
  context.scale(scale, scale)
  context.translate(-left, -top)
  for (const shape of shapes) stroke(context, shape, ON_PAPER.lineTimes / scale)
  context.restore()
  for (const { text, drawn } of badges) {
    const at = pointOf(drawn)
    const inside = (value: number, most: number) => Math.min(most - ON_PAPER.badgeR, Math.max(ON_PAPER.badgeR, value))
    if (at)
      badge(context, text, inside((at[0] - left) * scale, canvas.width), inside((at[1] - top) * scale, canvas.height), ON_PAPER.badgeR)
  }
  return canvas.toDataURL('image/jpeg', 0.9)
}
