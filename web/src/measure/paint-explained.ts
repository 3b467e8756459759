// The explained picture as one sheet of pixels, so that it can be kept and sent as it is seen.
import type { Drawn, PhotoPoint } from '@peen/core/measure'
import type { Shape, Tone } from './drawing'

export type Explained = {
  readonly title: string
  readonly after: string
  readonly before: string | null
  readonly shapes: readonly Shape[]
  readonly callouts: readonly { readonly text: string; readonly drawn: readonly Drawn[] }[]
}

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
const PICTURE_W = 1000
const PAPER = '#fcfdfd'
const INK = '#0f1a1d'
const FONT = "'Encode Sans Variable', sans-serif"
const HEAD_H = 52

export async function paintExplained(canvas: HTMLCanvasElement, { title, after, before, shapes, callouts }: Explained): Promise<void> {
  const [now, then] = await Promise.all([pictureFrom(after), before ? pictureFrom(before) : Promise.resolve(null)])
  const scale = PICTURE_W / now.width
  const high = Math.round(now.height * scale)
  const thenW = then ? Math.round(PICTURE_W * 0.5) : 0
  canvas.width = PICTURE_W + thenW
  canvas.height = HEAD_H + high + 44 * Math.max(1, callouts.length) + 16
  const context = canvas.getContext('2d')!
  context.fillStyle = PAPER
  context.fillRect(0, 0, canvas.width, canvas.height)
  context.fillStyle = INK
  context.font = `650 24px ${FONT}`
  context.fillText(title, 16, 34)
  context.drawImage(now, thenW, HEAD_H, PICTURE_W, high)
  if (then) {
    const thenH = Math.round((then.height * thenW) / then.width)
    context.drawImage(then, 0, HEAD_H, thenW, thenH)
    context.font = `400 18px ${FONT}`
    context.fillText('before', 10, HEAD_H + thenH + 22)
  }
  context.save()
  context.translate(thenW, HEAD_H)
  context.scale(scale, scale)
  for (const shape of shapes) stroke(context, shape, 1 / scale)
  context.restore()
  callouts.forEach(({ text, drawn }, i) => callout(context, i, text, drawn, { left: thenW, top: HEAD_H, scale, high }))
}

async function pictureFrom(url: string): Promise<ImageBitmap> {
  return createImageBitmap(await (await fetch(url, { credentials: 'same-origin' })).blob())
}

function stroke(context: CanvasRenderingContext2D, shape: Shape, px: number): void {
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

type Box = { readonly left: number; readonly top: number; readonly scale: number; readonly high: number }

/** A number at the place it speaks of, and the same number before its sentence below. */
function callout(
  context: CanvasRenderingContext2D,
  i: number,
  text: string,
  drawn: readonly Drawn[],
  { left, top, scale, high }: Box
): void {
  const at = placeOf(drawn)
  const badge = (x: number, y: number) => {
    context.setLineDash([])
    context.fillStyle = INK
    context.beginPath()
    context.arc(x, y, 15, 0, 2 * Math.PI)
    context.fill()
    context.fillStyle = PAPER
    context.font = `650 18px ${FONT}`
    context.textAlign = 'center'
    context.fillText(String(i + 1), x, y + 6)
    context.textAlign = 'left'
  }
  if (at) badge(left + at[0] * scale, top + at[1] * scale)
  const y = top + high + 30 + 44 * i
  badge(left + 26, y)
  context.fillStyle = INK
  context.font = `400 20px ${FONT}`
  context.fillText(text, left + 52, y + 7, PICTURE_W - 66)
}

/** Where a drawing points to: its departure, else the middle of what it is taken from. */
function placeOf(drawn: readonly Drawn[]): PhotoPoint | null {
  const lines = drawn.flatMap((one) => (one.kind === 'line' ? [one] : []))
  const own = lines.find(({ role }) => role === 'off') ?? lines.find(({ role }) => role === 'taken') ?? lines[0]
  return own ? (own.points[Math.floor(own.points.length / 2)] ?? null) : null
}
