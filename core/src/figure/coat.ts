// The coat's outline: how far the hair stands off the skin at every sample, for a set of lengths.
import type { OutlineLandmark } from './body'
import { DRAWN_REGIONS, LIE_DEG, REGION_INDEX, type DrawnRegion, type Lengths } from './coat-map'
import type { Layer, LayerName, Skin } from './skin'
import { along, lerp, smoothstep, type Point } from './vec'

/** Length (mm) and lie (radians from the normal) of every drawn region. */
export type CoatTable = {
  readonly length: Float32Array
  readonly lie: Float32Array
  readonly sin: Float32Array
  readonly cos: Float32Array
}

/** Lengths as a table; a region without one falls back to its neighbour in the plan, then to 5 mm. */
export function coatTable(lengths: Lengths): CoatTable {
  const fallback: Partial<Record<DrawnRegion, DrawnRegion>> = { tailBand: 'tail', earBase: 'earOutside' }
  const lengthOf = (region: DrawnRegion) => lengths[region] ?? (fallback[region] ? lengths[fallback[region]] : undefined) ?? 5
  const lie = Float32Array.from(DRAWN_REGIONS, (region) => (LIE_DEG[region] * Math.PI) / 180)
  return { length: Float32Array.from(DRAWN_REGIONS, lengthOf), lie, sin: lie.map(Math.sin), cos: lie.map(Math.cos) }
}

/** How far hair of a length stands off level skin in a region, mm. */
export function standing(table: CoatTable, region: DrawnRegion): number {
  return table.length[REGION_INDEX[region]] * table.cos[REGION_INDEX[region]]
}

/**
 * A line at which scissors stop: `x` cuts a column (knots are [height, x]), `y` a skirt (knots are [x, height]). It is
 * made of the skin's own width plus what the hair stands, and never leaves more hair than there is.
 */
type ShapedLine = {
  readonly layers: readonly LayerName[]
  readonly from: OutlineLandmark
  readonly to: OutlineLandmark
  readonly mode: 'x' | 'y'
  readonly knots: readonly Point[]
  readonly easeIn: number
  readonly easeOut: number
}

/** Share of the standing hair that the skirt keeps in front and at the tuck-up. Chosen on the drawn dog: 40 and 10 mm of 45. */
export const SKIRT_SHARES = Object.freeze({ front: 0.89, rear: 0.22 })

/** Half the skin's width at the fore pastern, mm: a column stands this far from its axis before any hair. */
export function columnSkinMm({ skeleton }: Skin): number {
  return (skeleton.marks.frontPasternBack[0] - skeleton.marks.frontPasternFront[0]) / 2
}

function shapedLines(skin: Skin, table: CoatTable): ShapedLine[] {
  const { marks: m, heightMm: h } = skin.skeleton
  const foreX = (m.frontPasternFront[0] + m.frontPasternBack[0]) / 2
  const fore = columnSkinMm(skin) + standing(table, 'foreleg')
  const elbow = m.elbow[1]
  const foreKnots = (side: number): Point[] => [
    [0, foreX + side * fore * 0.55],
    [elbow * 0.03, foreX + side * fore * 0.78],
    [elbow * 0.08, foreX + side * fore * 0.95],
    [elbow * 0.14, foreX + side * fore],
    [elbow * 0.9, foreX + side * fore]
  ]
  const hindX = (m.rearPasternFront[0] + m.rearPasternBack[0]) / 2
  const hind = (m.rearPasternBack[0] - m.rearPasternFront[0]) / 2 + standing(table, 'rearPastern') * 0.9
  const hock = m.hockPoint[1]
  const backKnots: Point[] = [
    [0, hindX + hind * 0.6],
    [hock * 0.06, hindX + hind * 0.82],
    [hock * 0.2, hindX + hind],
    [hock, hindX + hind * 1.02]
  ]
  const frontKnots: Point[] = [
    [0, hindX - hind * 0.7],
    [hock * 0.06, hindX - hind * 0.88],
    [hock * 0.2, hindX - hind],
    [hock * 0.8, hindX - hind * 1.04],
    [lerp(hock, m.gaskinFront[1], 0.45), lerp(hindX - hind * 1.04, m.gaskinFront[0], 0.45)],
    [m.gaskinFront[1], m.gaskinFront[0] - hind * 0.22],
    [m.stifle[1], m.stifle[0] - hind * 0.18]
  ]
  const skirtLength = table.length[REGION_INDEX.skirt]
  const skirtKnots: Point[] = [
    [m.elbow[0] - 0.02 * h, m.brisket[1] - SKIRT_SHARES.front * skirtLength],
    [m.flank[0] + 0.05 * h, m.flank[1] - SKIRT_SHARES.rear * skirtLength]
  ]
  return [
    { layers: ['fore', 'farFore'], from: 'elbow', to: 'frontPad', mode: 'x', knots: foreKnots(1), easeIn: 0.1 * h, easeOut: 0.01 * h },
    {
      layers: ['fore', 'farFore'],
      from: 'frontToe',
      to: 'forearmTop',
      mode: 'x',
      knots: foreKnots(-1),
      easeIn: 0.01 * h,
      easeOut: 0.09 * h
    },
    { layers: ['hind', 'farHind'], from: 'hockPoint', to: 'rearPad', mode: 'x', knots: backKnots, easeIn: 0.06 * h, easeOut: 0.01 * h },
    { layers: ['hind', 'farHind'], from: 'rearToe', to: 'stifle', mode: 'x', knots: frontKnots, easeIn: 0.01 * h, easeOut: 0.07 * h },
    { layers: ['body'], from: 'flank', to: 'elbow', mode: 'y', knots: skirtKnots, easeIn: 0, easeOut: 0 }
  ]
}

/** Scissors leave at most this share more than the hair's own length (hair is combed out while it is cut). */
const MOST_OVER = 1.02

/** Sets every layer's V for a table of lengths, and marks the layers whose outline moved. */
export function dressCoat(skin: Skin, table: CoatTable): void {
  const lines = shapedLines(skin, table)
  for (const layer of skin.layers) if (!layer.twin) dressLayer(skin, layer, table, lines)
  for (const layer of skin.layers) {
    if (!layer.twin) continue
    const near = skin.layers.find((other) => other.name === layer.twin)!
    layer.V.set(near.V)
    layer.lengthAt.set(near.lengthAt)
    layer.dirty = near.dirty
  }
}

function dressLayer(skin: Skin, layer: Layer, table: CoatTable, lines: readonly ShapedLine[]): void {
  const n = layer.samples
  const shaped = new Float32Array(n)
  let V: Float32Array<ArrayBufferLike> = new Float32Array(2 * n)
  for (let k = 0; k < n; k++) if (!layer.inner[k]) standOff(layer, table, k, V)
  for (const line of lines) if (line.layers.includes(layer.name)) cutTo(skin, layer, line, V, shaped)
  V = settle(skin, settle(skin, V, layer, shaped), layer, shaped)
  const floor = layer.name === 'hind' || layer.name === 'fore' ? 0 : 0.03 * skin.skeleton.heightMm
  for (let k = 0; k < n; k++) {
    if (layer.inner[k]) continue
    const y = layer.P[2 * k + 1] + V[2 * k + 1]
    if (y < floor) V[2 * k + 1] += floor - y
  }
  let moved = 0
  for (let i = 0; i < 2 * n; i++) moved = Math.max(moved, Math.abs(V[i] - layer.V[i]))
  // stays set until the layer is shaded again
  layer.dirty ||= moved > 0.02
  layer.V.set(V)
}

// Direction of the hair d = cos(lie) N + sin(lie) T, normalised; it stands length * d.N off the skin.
function standOff(layer: Layer, table: CoatTable, k: number, V: Float32Array): void {
  let length = 0
  let lie = 0
  for (let j = 0; j < 4; j++) {
    const weight = layer.weights[4 * k + j]
    length += weight * table.length[layer.ids[4 * k + j]]
    lie += weight * table.lie[layer.ids[4 * k + j]]
  }
  length *= layer.mul[k]
  layer.lengthAt[k] = length
  const [nx, ny] = [layer.N[2 * k], layer.N[2 * k + 1]]
  const stand = length * Math.max(LEAST_STAND, standShare(lie, nx, ny, layer.T[2 * k], layer.T[2 * k + 1])) * layer.taper[k]
  V[2 * k] = nx * stand
  V[2 * k + 1] = ny * stand
}

const LEAST_STAND = 0.12

/** The share of its length that hair stands off the skin, for a lie (radians), a normal and a flow. */
export function standShare(lie: number, nx: number, ny: number, tx: number, ty: number): number {
  const [c, s] = [Math.cos(lie), Math.sin(lie)]
  const [dx, dy] = [c * nx + s * tx, c * ny + s * ty]
  return (dx * nx + dy * ny) / (Math.hypot(dx, dy) || 1)
}

function cutTo(skin: Skin, layer: Layer, line: ShapedLine, V: Float32Array, shaped: Float32Array): void {
  const { arc, perimeter, markAt } = skin
  const start = arc[markAt[line.from]]
  const end = arc[markAt[line.to]] < start ? arc[markAt[line.to]] + perimeter : arc[markAt[line.to]]
  for (let k = 0; k < layer.samples; k++) {
    if (layer.inner[k]) continue
    let s = arc[layer.outlineIndex[k]]
    if (s < start - 1) s += perimeter
    const hold =
      line.easeIn === 0
        ? s >= start && s <= end
          ? 1
          : 0
        : smoothstep(start - line.easeIn * 0.01, start + line.easeIn, s) *
          (1 - smoothstep(end - line.easeOut, end + line.easeOut * 0.01, s))
    if (hold <= 0) continue
    const [px, py] = [layer.P[2 * k], layer.P[2 * k + 1]]
    let vx = line.mode === 'x' ? along(line.knots, py) - px : 0
    let vy = line.mode === 'y' ? along(line.knots, px) - py : 0
    const most = layer.lengthAt[k] * MOST_OVER
    const size = Math.hypot(vx, vy)
    if (size > most) [vx, vy] = [(vx * most) / size, (vy * most) / size]
    V[2 * k] = lerp(V[2 * k], vx, hold)
    V[2 * k + 1] = lerp(V[2 * k + 1], vy, hold)
    shaped[k] = Math.max(shaped[k], hold)
  }
}

// Hair leans on its neighbours: V is smoothed along the outline, less where scissors have cut a shape.
function settle(skin: Skin, V: Float32Array, layer: Layer, shaped: Float32Array): Float32Array {
  const n = layer.samples
  const out = new Float32Array(2 * n)
  for (let k = 0; k < n; k++) {
    if (layer.inner[k]) continue
    const reach =
      0.016 * skin.skeleton.heightMm + (layer.name === 'tail' || shaped[k] > 0.6 ? 0.08 : 0.34) * Math.hypot(V[2 * k], V[2 * k + 1])
    const radius = Math.max(2, Math.round(reach / skin.stepMm))
    let [x, y, total] = [0, 0, 0]
    for (let j = -radius; j <= radius; j++) {
      const at = (k + j + n) % n
      if (layer.inner[at]) continue
      const weight = 1 - Math.abs(j) / (radius + 1)
      x += V[2 * at] * weight
      y += V[2 * at + 1] * weight
      total += weight
    }
    out[2 * k] = x / total
    out[2 * k + 1] = y / total
  }
  return out
}
