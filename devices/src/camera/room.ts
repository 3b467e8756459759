// What stands around the dog: wall, table, ruler, post and loop.
import { paintPolygon, type Figure } from '@peen/core/figure'
import type { Canvas } from './dog'
import type { Shade } from './light'
import { raysFrom } from './pinhole'
import { colourOf, isAlong, type Place3 } from './scene'
import type { Stage } from './stage'

/** A table reaches this far beyond the dog, beside one that is seen along it, and to either side of its middle, and is this thick, mm. */
const TABLE = Object.freeze({ beyondMm: 160, besideMm: 220, halfDepthMm: 320, thickMm: 32, edgeDarker: 0.62, lengthOfDog01: 1.25 })

/** Fills the whole picture with wall and table. */
export function paintRoom(canvas: Canvas, stage: Stage, shade: Shade, shadow: Shade): void {
  const { lens, scene, tableY, span, wallZ } = stage
  const wall = colourOf('wall.colour', scene.wall.colour)
  const table = scene.table && tableY !== null ? colourOf('table.colour', scene.table.colour) : null
  const beyond = isAlong(scene.seen) ? TABLE.besideMm : TABLE.beyondMm
  const [left, right] = [span[0] - beyond, span[2] + beyond]
  // a table is as long as its dog
  const far = isAlong(scene.seen) ? Math.max(TABLE.halfDepthMm, scene.dog.withersMm * TABLE.lengthOfDog01) : TABLE.halfDepthMm
  const [ex, ey, ez] = lens.eye
  const { from, right: across, down } = raysFrom(lens, 0)
  for (let v = 0; v < canvas.h; v++) {
    for (let u = 0; u < canvas.w; u++) {
      const towards = -(from[2] + (u + 0.5) * across[2] + (v + 0.5) * down[2])
      const dx = (from[0] + (u + 0.5) * across[0] + (v + 0.5) * down[0]) / towards
      const dy = (from[1] + (u + 0.5) * across[1] + (v + 0.5) * down[1]) / towards
      // how far along the ray: to the table's top, to its front edge, else to the wall
      let [away, colour, darker] = [ez - wallZ, wall, 1]
      if (table && tableY !== null) {
        const toTop = dy < 0 ? (tableY - ey) / dy : 0
        const [xTop, xEdge, yEdge] = [ex + dx * toTop, ex + dx * (ez - far), ey + dy * (ez - far)]
        if (toTop > 0 && Math.abs(ez - toTop) <= far && xTop >= left && xTop <= right) [away, colour] = [toTop, table]
        else if (xEdge >= left && xEdge <= right && yEdge <= tableY && yEdge >= tableY - TABLE.thickMm)
          [away, colour, darker] = [ez - far, table, TABLE.edgeDarker]
      }
      const [x, y, z] = [ex + dx * away, ey + dy * away, ez - away]
      const light = shade(x, y, z) * shadow(x, y, z) * darker
      const o = 4 * (v * canvas.w + u)
      for (let c = 0; c < 3; c++) canvas.px[o + c] = Math.min(255, colour[c] * light)
      canvas.px[o + 3] = 255
    }
  }
}

const RULER_WIDE_MM = 30
const DARK: Place3 = [38, 40, 43]
const LIGHT: Place3 = [236, 234, 226]

/** What stands beside a dog stands this far off, share of its height. */
const BESIDE_01 = Object.freeze({ across: 0.03, along: 0.22, above: 0.12 })
/** The corner from which the ruler rises: to the right of the dog, on the table or at the dog's lowest place. */
export function rulerCorner({ scene, span, tableY }: Stage): readonly [number, number] {
  const { ruler, seen, dog } = scene
  if (ruler?.atMm) return ruler.atMm
  const beside = span[2] + BESIDE_01[seen === 'above' ? 'above' : isAlong(seen) ? 'along' : 'across'] * dog.withersMm
  return [beside, seen === 'head' || seen === 'above' || tableY === null ? span[1] : tableY]
}

export function paintRuler(canvas: Canvas, stage: Stage, shade: Shade): void {
  const { ruler } = stage.scene
  if (!ruler) return
  const [x, y] = rulerCorner(stage)
  const z = ruler.depthMm
  const side = (left: number, low: number, wide: number, high: number, colour: Place3) =>
    fill(canvas, stage, shade, colour, [
      [x + left, y + low, z],
      [x + left + wide, y + low, z],
      [x + left + wide, y + low + high, z],
      [x + left, y + low + high, z]
    ])
  for (let mm = 0; mm < ruler.lengthMm; mm += 10) {
    const high = Math.min(10, ruler.lengthMm - mm)
    const isDark = (mm / 10) % 2 === 0
    side(0, mm, RULER_WIDE_MM, high, isDark ? DARK : LIGHT)
    // every fifth centimetre is marked, so that one can count
    if (mm % 50 === 0) side(RULER_WIDE_MM * 0.7, mm, RULER_WIDE_MM * 0.3, high, [196, 120, 40])
  }
}

const STEEL: Place3 = [150, 156, 160]
const STRAP: Place3 = [34, 74, 104]

/** The post at the dog's head end, the arm over it and the strap down to the neck: all that stands behind the dog. */
export function paintPost(canvas: Canvas, stage: Stage, figure: Figure, shade: Shade): void {
  const { scene, span, tableY } = stage
  if (!scene.restraint) return
  const { withersMm } = scene.dog
  const bar = (a: Place3, b: Place3, thick: number, colour: Place3) => fill(canvas, stage, shade, colour, barBetween(a, b, thick))
  const [top] = loopOf(stage, figure)
  const inset = 0.04 * withersMm
  const x = scene.seen === 'right' ? span[2] - inset : span[0] + inset
  if (tableY === null) {
    // from above the post is its own end, and the strap hides under the arm
    const y = span[3] + 0.1 * withersMm
    bar([x, y - 12, top[2]], [x, y + 12, top[2]], 24, STEEL)
    bar([x, y, top[2]], [top[0], y, top[2]], 14, STEEL)
    return bar([top[0], y, top[2]], top, 14, STEEL)
  }
  const high = span[3] + 0.35 * withersMm
  const z = -0.3 * withersMm
  bar([x, tableY, z], [x, high, z], 18, STEEL)
  bar([x, high, z], [top[0], high, z], 14, STEEL)
  bar([top[0], high, top[2]], top, 10, STRAP)
}

/** The part after which the loop is laid: it lies on the neck, and a head before it hides it. */
export function loopFollows(partName: string, { scene }: Stage): boolean {
  if (!scene.restraint) return false
  return partName === (scene.seen === 'left' || scene.seen === 'right' ? 'body' : 'neck')
}

/** The loop where it passes before the neck. */
export function paintLoop(canvas: Canvas, stage: Stage, figure: Figure, shade: Shade): void {
  const places = loopOf(stage, figure)
  for (let i = 1; i < places.length; i++) fill(canvas, stage, shade, STRAP, barBetween(places[i - 1], places[i], 10))
}

const LOOP_STEPS = 12

/** The near half of the loop, from the nape or from one side of the neck to the other. */
function loopOf({ scene, toRoom }: Stage, { skin }: Figure): readonly Place3[] {
  const { marks, heightMm } = skin.skeleton
  const half = (skin.body.breadth.neck * heightMm) / 2
  const steps = Array.from({ length: LOOP_STEPS + 1 }, (_, i) => i / LOOP_STEPS)
  const [nape, throat] = [marks.nape, marks.throat]
  if (scene.seen === 'left' || scene.seen === 'right') {
    const sag = 0.03 * heightMm
    return steps.map((t) =>
      toRoom(
        nape[0] + (throat[0] - nape[0]) * t,
        nape[1] + (throat[1] - nape[1]) * t - Math.sin(Math.PI * t) * sag,
        half * Math.sin(Math.PI * t)
      )
    )
  }
  if (scene.seen === 'above') return steps.map((t) => toRoom(nape[0], half * (1 - 2 * t), nape[1] - heightMm))
  const [y, depth] = scene.seen === 'rear' ? [marks.crest[1], marks.crest[0]] : [throat[1], -throat[0]]
  const level = scene.seen === 'head' ? y - marks.eye[1] : y
  // the strap rises behind the middle of the neck, so the loop begins there
  return [
    toRoom(0, level + half, depth),
    ...steps.map((t) => toRoom(half * (1 - 2 * t), level - half * 0.3 * Math.sin(Math.PI * t), depth))
  ]
}

function barBetween(a: Place3, b: Place3, thick: number): readonly Place3[] {
  const size = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1
  const [nx, ny] = [(-(b[1] - a[1]) / size) * (thick / 2), ((b[0] - a[0]) / size) * (thick / 2)]
  return [
    [a[0] + nx, a[1] + ny, a[2]],
    [b[0] + nx, b[1] + ny, b[2]],
    [b[0] - nx, b[1] - ny, b[2]],
    [a[0] - nx, a[1] - ny, a[2]]
  ]
}

/** Lays a flat piece of one colour before the camera, in the light of its middle. */
export function fill(canvas: Canvas, { toPx }: Stage, shade: Shade, colour: Place3, corners: readonly Place3[]): void {
  const px = corners.map(toPx)
  if (px.some((corner) => corner === null)) return
  const middle = [0, 1, 2].map((c) => corners.reduce((sum, corner) => sum + corner[c], 0) / corners.length) as unknown as Place3
  const light = shade(...middle)
  paintPolygon(canvas, Float32Array.from(px.flatMap((corner) => [...corner!])), colour.map((c) => Math.min(255, c * light)) as never, 1)
}
