// npm run bench, third part: the outline of a dog at 12 megapixels, against a general vision library on the same picture.
import { bodyById, coatFor, colouringOf } from '@peen/content'
import { evenly, findOutline, measurePhoto, overlap01, plannedTrace, plannedView, toPx, frameOf, type Reading } from '@peen/core/measure'
import { expose, stageOf, usualScene } from '@peen/devices/camera'
import { visionOutline, visionReady } from '@peen/devices/trial/vision'

const [W, H] = [4000, 3000]
const RUNS = 5
const body = bodyById('poodle')
const coat = coatFor('poodle', 'clean-face')
const usual = usualScene({ body, withersMm: body.withersMm, colouring: colouringOf('apricot'), coat }, 'left')
const scene = {
  ...usual,
  picture: { widthPx: W, heightPx: H, jpegQuality: 90 },
  light: { ...usual.light, falloff: 0.1, shadow: 0 },
  table: null,
  ruler: null
}
const { rgb } = expose(scene)
const rgba = new Uint8ClampedArray(W * H * 4).fill(255)
for (let i = 0, o = 0; i < rgb.length; i += 3, o += 4) rgba.set(rgb.subarray(i, i + 3), o)
const picture = { width: W, height: H, rgba }
const { lens } = stageOf(scene)
const pxPerMm = lens.focalPx / lens.eye[2]

const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]
const timed = <T>(work: () => T) => {
  const all: number[] = []
  let last: T | undefined
  for (let i = 0; i < RUNS; i++) {
    const start = performance.now()
    last = work()
    all.push(performance.now() - start)
  }
  return { ms: median(all), last: last as T }
}

await visionReady()
const ours = timed(() => findOutline(picture, 'head', undefined, pxPerMm))
const theirs = timed(() => visionOutline(picture, 2 * pxPerMm))
const alike = overlap01(evenly(ours.last.outline, 8), evenly(theirs.last, 8))
console.log(
  `\nOutline of a poodle at ${(W * H) / 1e6} megapixels, medians of ${RUNS}. Reference: OpenCV compiled to WebAssembly, its own pipeline.`
)
console.log(
  `reference ${Math.round(theirs.ms)} ms, ours ${Math.round(ours.ms)} ms: ${(ours.ms / theirs.ms).toFixed(2)} x reference (aim 1.0, and 2000 ms); overlap ${alike.toFixed(4)}`
)

const planned = plannedView({ body, withersMm: body.withersMm, coat, lengths: coat.lengths }, 'left')
const scale = {
  what: 'ruler',
  upright: true,
  ends: [
    [3600, 1000],
    [3600, 1650]
  ],
  lengthMm: 200,
  behindMm: 0,
  behindUMm: 5,
  cameraMm: 2200,
  endUPx: 1,
  check: null
} as const
const frame = frameOf('left', { widthPx: W, heightPx: H }, scale)
const trace = plannedTrace(planned, 'left')
const px = ([x, y]: readonly [number, number]) => toPx(frame, [x - 100, y + 300])
const reading: Reading = {
  frame,
  depths: planned.depths,
  outline: planned.outline.map(px),
  edgeUPx: planned.outline.map(() => 0.5),
  places: Object.fromEntries(Object.entries(trace.places).map(([id, at]) => [id, { at: px(at!), uPx: 1 }])),
  lines: {}
}
const measured = timed(() => measurePhoto(reading, ['topline', 'tailToHead', 'neckToMuzzle', 'apparentBody', 'skirtLine'], 1))
console.log(`five measures of a profile, ${measured.last.method}: ${Math.round(measured.ms)} ms`)
