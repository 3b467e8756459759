// From roots and lengths to strokes: every hair as a bent line in mm with a width and a colour.
import type { AgedHair, CoatTable, Texture } from '../coat'
import { clamp } from '../vec'
import { AGE_CONTRAST, AGE_WIDTH, drawAge, tintByAge } from './ages'
import { TONES } from './colour'
import type { GriddedLayer } from './gridded'
import { BAND, INSIDE, keptShare, type Roots } from './roots'

/** Hairs of one layer: x, y of root, bend and tip in mm, then width in px at reference scale; colours as RGBA bytes. */
export type Strokes = { count: number; readonly lines: Float32Array; readonly colours: Uint8Array }
export const STROKE_NUMBERS = 7

export type CoatStyle = {
  /** how unevenly tips end, as a share of what stands */ readonly ragged: number
  /** scatter of direction, radians */ readonly scatter: number
  /** how much of a hair is seen, mm: a curl shows its last turn */ readonly shownMm: number
  /** bend of a hair as a share of its length */ readonly bend: number
  /** long hair hangs down toward its tip */ readonly droops: boolean
  readonly width: number
  /** loose ends at the rim, mm: what lies within is filled */ readonly rimMm: number
}

/** What the four textures look like. Our own figure kit, chosen by eye on drawn dogs. */
export const STYLES: Readonly<Record<Texture, CoatStyle>> = Object.freeze({
  straight: { ragged: 0.05, scatter: 0.2, shownMm: Infinity, bend: 0.16, droops: true, width: 1, rimMm: 0.6 },
  silky: { ragged: 0.05, scatter: 0.1, shownMm: Infinity, bend: 0.16, droops: true, width: 0.82, rimMm: 1.2 },
  wire: { ragged: 0.14, scatter: 0.34, shownMm: Infinity, bend: 0.2, droops: true, width: 1, rimMm: 2.4 },
  curl: { ragged: 0.03, scatter: 0.9, shownMm: 9, bend: 0.55, droops: false, width: 1, rimMm: 2.4 }
})

/** Hair that grew since the trim ends unevenly: the line blurs. @param grownMm since then @param share grown part of what stands, 0..1 */
export function grownOut(style: CoatStyle, grownMm: number, share: number): CoatStyle {
  return {
    ...style,
    ragged: Math.min(0.3, style.ragged + 0.45 * share),
    scatter: style.scatter + 0.25 * share,
    rimMm: style.rimMm + 0.4 * grownMm
  }
}

/** Places where nothing curls because it is clipped close, mm. */
const CLOSE_MM = 6

export const newStrokes = (roots: Roots): Strokes => ({
  count: 0,
  lines: new Float32Array(STROKE_NUMBERS * roots.count),
  colours: new Uint8Array(4 * roots.count)
})

export type StrokeView = {
  readonly pxPerMm: number
  readonly widen: number
  readonly contrast: number
  readonly heightMm: number
  /** only every so many hairs are drawn, for a coarse picture while a hand moves */
  readonly every: number
}

// one hair's working numbers; reused, so that 60,000 hairs make no garbage
const hair = { rx: 0, ry: 0, dx: 0, dy: 0, length: 0, stand: 9, dent: 0, reach: 1, rgb: undefined as AgedHair['rgb'] }
/** Hair left where something was cut out, mm. */
const LEAST_LEFT_MM = 0.8

/** Resolves all hairs of a layer for a coat; what this coat does not need is left out. */
export function resolveStrokes(
  gridded: GriddedLayer,
  roots: Roots,
  table: CoatTable,
  style: CoatStyle,
  view: StrokeView,
  out: Strokes
): void {
  const { pxPerMm, heightMm } = view
  const px2 = pxPerMm * 2
  const isLeg = gridded.layer.standsOnGround
  const hasAges = table.ages.some((slot) => slot !== undefined)
  let count = 0
  for (let i = 0; i < roots.count; i += view.every) {
    const o = 4 * i
    let [length, c, s] = [0, 0, 0]
    for (let j = 0; j < 4; j++) {
      const weight = roots.weights[o + j]
      if (!weight) break
      const region = roots.ids[o + j]!
      length += weight * table.length[region]!
      c += weight * table.cos[region]!
      s += weight * table.sin[region]!
    }
    length *= roots.b[o + 2]! / 255
    hair.reach = 1
    hair.rgb = undefined
    if (hasAges && !drawAge(roots, i, table, hair)) continue
    const norm = 1 / Math.sqrt(c * c + s * s)
    const kind = roots.kind[i]!
    hair.dent = kind === INSIDE ? dentUnder(gridded, roots.a[o]!, roots.a[o + 1]!) : 0
    if (hair.dent !== 0) length = Math.max(LEAST_LEFT_MM, length - hair.dent)
    const draws =
      kind === INSIDE
        ? growInside(roots, i, length * hair.reach, c * norm, s * norm, style, pxPerMm)
        : growOnRim(gridded, roots, i, length, s * norm, style, pxPerMm)
    if (!draws) continue
    scatter(roots, i, style)
    if (hair.length < 1.6 / px2) hair.length = 1.6 / px2
    if (isLeg && hair.ry + hair.dy * hair.length < -0.003 * heightMm) {
      hair.length *= Math.min(1, Math.max(0.06, (hair.ry + 0.003 * heightMm) / Math.max(-hair.dy * hair.length, 1e-5)))
    }
    write(gridded, roots, i, kind, style, view, out, count++)
  }
  out.count = count
}

// every root's own place in a curl's last turn
const curlMm = (roots: Roots, i: number) => 5.5 + (3 * roots.spare[i]!) / 255

function dentUnder({ grid, dent }: GriddedLayer, x: number, y: number): number {
  const i = Math.floor((x - grid.left) / grid.cell)
  const j = Math.floor((grid.top - y) / grid.cell)
  return i >= 0 && j >= 0 && i < grid.w && j < grid.h ? dent[j * grid.w + i]! : 0
}

function growInside(roots: Roots, i: number, length: number, c: number, s: number, style: CoatStyle, pxPerMm: number): boolean {
  const o = 4 * i
  if (roots.keep[i]! / 255 > keptShare(Math.min(length, style.shownMm), pxPerMm)) return false
  const dx = c * roots.a[o + 2]! + s * roots.b[o]!
  const dy = c * roots.a[o + 3]! + s * roots.b[o + 1]!
  const size = Math.sqrt(dx * dx + dy * dy) || 1e-4
  hair.rx = roots.a[o]!
  hair.ry = roots.a[o + 1]!
  hair.dx = dx / size
  hair.dy = dy / size
  hair.length = length * (1 + 0.12 * (roots.gauss[i]! / 127)) * size
  if (style.shownMm < length && length > CLOSE_MM) hair.length = Math.min(hair.length, curlMm(roots, i))
  hair.stand = 9
  return true
}

function growOnRim(
  { layer: { P, V, samples } }: GriddedLayer,
  roots: Roots,
  i: number,
  length: number,
  s: number,
  style: CoatStyle,
  pxPerMm: number
): boolean {
  const o = 4 * i
  const px2 = pxPerMm * 2
  const k = roots.a[o]!
  const next = k + 1 === samples ? 0 : k + 1
  const f = roots.a[o + 2]!
  const vx = V[2 * k]! + (V[2 * next]! - V[2 * k]!) * f
  const vy = V[2 * k + 1]! + (V[2 * next + 1]! - V[2 * k + 1]!) * f
  const stand = Math.sqrt(vx * vx + vy * vy)
  let along = roots.a[o + 1]!
  const drawn = roots.keep[i]! / 255
  if (roots.kind[i] === BAND) {
    if (stand * px2 < 4 || drawn * roots.a[o + 3]! > stand * keptShare(Math.min(length, style.shownMm), pxPerMm)) return false
  } else if (stand * px2 <= 4) {
    along = 0
    if (drawn > 0.6) return false
  } else if (style.shownMm < length) {
    // the last turn of a curl is what stands at the rim
    along = Math.max(along, 1 - (curlMm(roots, i) * (0.35 + 0.6 * drawn)) / stand)
  }
  // a younger hair ends below the rim: where its root would lie above its own end there is none of it
  if (along >= hair.reach) return false
  hair.stand = stand
  hair.rx = P[2 * k]! + (P[2 * next]! - P[2 * k]!) * f + vx * along
  hair.ry = P[2 * k + 1]! + (P[2 * next + 1]! - P[2 * k + 1]!) * f + vy * along
  const left = (hair.reach - along) * stand * (1 + style.ragged * (roots.gauss[i]! / 127) * 1.3)
  const [ux, uy] = stand > 0.01 ? [vx / stand, vy / stand] : [0, 1]
  const forward = roots.b[o]! * ux + roots.b[o + 1]! * uy
  const sideways = Math.min(left * 1.2, Math.max(length, stand) * s * (1 - along)) * 0.8
  let dx = ux * left + (roots.b[o]! - forward * ux) * sideways
  let dy = uy * left + (roots.b[o + 1]! - forward * uy) * sideways
  let size = Math.sqrt(dx * dx + dy * dy)
  if (size < 0.9 / px2) return false
  if (size > length * 1.1 && length > 2) {
    const share = (length * 1.1) / size
    if (roots.kind[i] !== BAND) {
      hair.rx += dx * (1 - share)
      hair.ry += dy * (1 - share)
    }
    ;[dx, dy, size] = [dx * share, dy * share, size * share]
  }
  hair.dx = dx / size
  hair.dy = dy / size
  hair.length = style.shownMm < length && length > CLOSE_MM ? Math.min(size, curlMm(roots, i)) : size
  return true
}

function scatter(roots: Roots, i: number, style: CoatStyle): void {
  const o = 4 * i
  const roll = (roots.dice[o + 1]! + ((roots.dice[o + 2]! * 7 + roots.spare[i]! * 13) % 256)) / 255 - 1
  const angle = roll * style.scatter
  const [c, s] = [Math.cos(angle), Math.sin(angle)]
  const { dx, dy } = hair
  hair.dx = dx * c - dy * s
  hair.dy = dx * s + dy * c
}

// Is a point inside the coat? Tips are drawn back until they are: no hair crosses the scissored line.
function insideCoat({ grid, mask }: GriddedLayer, x: number, y: number): boolean {
  const i = Math.floor((x - grid.left) / grid.cell)
  const j = Math.floor((grid.top - y) / grid.cell)
  return i >= 0 && j >= 0 && i < grid.w && j < grid.h && mask[j * grid.w + i] === 1
}

function write(
  gridded: GriddedLayer,
  roots: Roots,
  i: number,
  kind: number,
  style: CoatStyle,
  view: StrokeView,
  out: Strokes,
  at: number
): void {
  const { rx, ry, dx, dy, length, stand } = hair
  const o = 4 * i
  const spare = roots.spare[i]! / 255
  let tx = rx + dx * length
  const droop = style.droops && length > 14 ? Math.min(1, (length - 14) / 60) * 0.35 * length : 0
  let ty = ry + dy * length - droop * 0.5
  const mustStay = kind === INSIDE ? length > 6 : stand > 6 && style.ragged < 0.1
  if (mustStay && !insideCoat(gridded, tx, ty)) {
    let share = 1
    const [step, tries, least] = kind === INSIDE ? [0.75, 5, 0.15] : [0.86, 8, 0.2]
    for (let z = 0; z < tries && share > least; z++) {
      share *= step
      if (insideCoat(gridded, rx + (tx - rx) * share, ry + (ty - ry) * share)) break
    }
    if (kind !== INSIDE) share = Math.min(1, share * (1.04 + 0.1 * spare))
    tx = rx + (tx - rx) * share
    ty = ry + (ty - ry) * share
  }
  const bend = style.bend > 0.4 ? (roots.dice[o + 3]! < 128 ? -1 : 1) * style.bend : (roots.dice[o + 3]! / 255 - 0.5) * 2 * style.bend
  const [px, py] = [tx - rx, ty - ry]
  const base = STROKE_NUMBERS * at
  const { lines } = out
  lines[base] = rx
  lines[base + 1] = ry
  lines[base + 2] = (rx + tx) / 2 - py * bend
  lines[base + 3] = (ry + ty) / 2 + px * bend + droop * 0.18
  lines[base + 4] = tx
  lines[base + 5] = ty
  lines[base + 6] =
    0.5 *
    (hair.rgb ? AGE_WIDTH : 1) *
    style.width *
    view.widen *
    (0.65 + (0.5 * roots.dice[o + 1]!) / 255) *
    clamp(0.7 + (length * view.pxPerMm * 2) / 60, 0.75, 1.15)
  colour(gridded, roots, i, kind, (rx + tx) / 2, (ry + ty) / 2, view, out.colours, 4 * at)
}

// Half of all hairs dark, a third in the middle, a fifth light: that is what makes a coat of hair and not a surface.
function colour(
  { grid, shade, tint, fade }: GriddedLayer,
  roots: Roots,
  i: number,
  kind: number,
  mx: number,
  my: number,
  view: StrokeView,
  out: Uint8Array,
  at: number
): void {
  const o = 4 * i
  const cells = fade.length
  const { w, h, cell, left, top } = grid
  const gx = clamp((mx - left) / cell - 0.5, 0, w - 2)
  const gy = clamp((top - my) / cell - 0.5, 0, h - 2)
  const [xi, yi] = [Math.floor(gx), Math.floor(gy)]
  const [fx, fy] = [gx - xi, gy - yi]
  const q = yi * w + xi
  const lit = (shade[q]! * (1 - fx) + shade[q + 1]! * fx) * (1 - fy) + (shade[q + w]! * (1 - fx) + shade[q + w + 1]! * fx) * fy
  const draw = roots.dice[o]! / 255
  const amount = roots.dice[o + 2]! / 255
  const isDark = draw < 0.5
  let offset = isDark ? -0.2 - 0.22 * amount : draw < 0.8 ? -0.04 + 0.1 * (roots.gauss[i]! / 127) : 0.12 + 0.16 * amount
  if (kind !== INSIDE && hair.stand * view.pxPerMm * 2 < 4) offset -= 0.12
  if (hair.dent > 0) offset -= Math.min(0.3, 0.035 * hair.dent)
  const tone = clamp((lit + offset * view.contrast) * 3.999, 0, 3.999)
  const step = Math.min(TONES - 2, Math.floor(tone))
  const part = tone - step
  const ri = clamp(Math.floor((hair.rx - left) / cell + roots.spare[i]! / 255 - 0.5), 0, w - 1)
  const rj = clamp(Math.floor((top - hair.ry) / cell + amount - 0.5), 0, h - 1)
  const a = 3 * (step * cells + rj * w + ri)
  const b = a + 3 * cells
  for (let c = 0; c < 3; c++) out[at + c] = tint[a + c]! + (tint[b + c]! - tint[a + c]!) * part
  out[at + 3] = isDark ? 184 : 158
  if (hair.rgb) tintByAge(out, at, hair.rgb, clamp(lit + offset * AGE_CONTRAST, 0, 1))
}
