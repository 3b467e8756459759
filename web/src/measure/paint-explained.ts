// The explained picture as one sheet of pixels, so that it can be kept and sent as it is seen.
import type { Drawn } from '@peen/core/measure'
import type { Shape } from './drawing'
import { badge, FONT, INK, PAPER, pictureFrom, pointOf, stroke } from './paint'

export type Explained = {
  readonly title: string
  readonly after: string
  readonly before: string | null
  readonly shapes: readonly Shape[]
  readonly callouts: readonly { readonly text: string; readonly drawn: readonly Drawn[] }[]
}

const PICTURE_W = 1000
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

type Box = { readonly left: number; readonly top: number; readonly scale: number; readonly high: number }

/** A number at the place it speaks of, and the same number before its sentence below. */
function callout(
  context: CanvasRenderingContext2D,
  i: number,
  text: string,
  drawn: readonly Drawn[],
  { left, top, scale, high }: Box
): void {
  const at = pointOf(drawn)
  if (at) badge(context, String(i + 1), left + at[0] * scale, top + at[1] * scale)
  const y = top + high + 30 + 44 * i
  badge(context, String(i + 1), left + 26, y)
  context.fillStyle = INK
  context.font = `400 20px ${FONT}`
  context.fillText(text, left + 52, y + 7, PICTURE_W - 66)
}
