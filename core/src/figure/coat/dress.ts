// The coat's outline: how far the hair stands off the skin at every sample, for a coat as it is worn.
import { lerp } from '../vec'
import { dentAt, type Dent } from './dents'
import { coatTable, type Coat, type CoatTable, type Worn } from './coat'
import type { FigureLayer, Skin, Stop } from './layer'

/** Scissors leave at most this share more than the hair's own length (hair is combed out while it is cut). */
export const MOST_OVER = 1.02
/** Hair that lies down still stands this share of its length off the skin. */
const LEAST_STAND = 0.12
/** Shorter than this nothing was left by mistake: it is clipped, mm. */
const CLIPPED_MM = 3
/** Hair left where something was cut out, mm. */
const LEAST_LEFT_MM = 0.6

/** Everything that decides how the coat stands. `plan` gives the shapes their size. */
export type Dress = {
  readonly table: CoatTable
  readonly planTable: CoatTable
  readonly stops: readonly Stop[]
  readonly dents: readonly Dent[]
}

export function dressOf(skin: Skin, plan: Coat, worn: Worn, dents: readonly Dent[]): Dress {
  return {
    table: coatTable(plan, worn),
    planTable: coatTable(plan, { lengths: plan.lengths }),
    stops: skin.stops({ ...plan, lengths: worn.lengths, shapes: worn.shapes ?? plan.shapes }, plan, worn.faults),
    dents
  }
}

/** Sets every layer's V for a coat, and marks the layers whose outline moved. */
export function dressCoat(skin: Skin, dress: Dress): void {
  for (const layer of skin.layers) dressLayer(skin, layer, dress)
}

function dressLayer(skin: Skin, layer: FigureLayer, { table, planTable, stops, dents }: Dress): void {
  const n = layer.samples
  const shaped = new Float32Array(n)
  const asCut = new Uint8Array(n)
  let V: Float32Array<ArrayBufferLike> = new Float32Array(2 * n)
  const stand = new Float32Array(n)
  for (let k = 0; k < n; k++) if (!layer.inner[k]) stand[k] = standOff(layer, table, k, V)
  for (const stop of stops) if (stop.layers.includes(layer.name)) cutTo(layer, stop, planTable, V, stand, shaped, asCut)
  if (dents.length > 0) takeDents(layer, dents, V)
  // a stepped or dented edge stays as it was cut
  if (dents.some((dent) => dent.layers.includes(layer.name))) asCut.fill(1)
  V = settle(skin, settle(skin, V, layer, shaped, asCut), layer, shaped, asCut)
  if (table.grownMm > 0) grow(layer, table, stand, V)
  for (let k = 0; k < n; k++) {
    if (layer.inner[k]) continue
    const y = layer.P[2 * k + 1]! + V[2 * k + 1]!
    if (y < layer.floorMm) V[2 * k + 1]! += layer.floorMm - y
  }
  let moved = 0
  for (let i = 0; i < 2 * n; i++) moved = Math.max(moved, Math.abs(V[i]! - layer.V[i]!))
  // stays set until the layer is shaded again
  layer.dirty ||= moved > 0.02
  layer.V.set(V)
}

// Direction of the hair d = cos(lie) N + sin(lie) T, normalised; it stands length * d.N off the skin. Returns that share.
function standOff(layer: FigureLayer, table: CoatTable, k: number, V: Float32Array): number {
  let length = 0
  let lie = 0
  for (let j = 0; j < 4; j++) {
    const weight = layer.weights[4 * k + j]!
    length += weight * table.length[layer.ids[4 * k + j]!]!
    lie += weight * table.lie[layer.ids[4 * k + j]!]!
  }
  length = Math.max(0, length - table.grownMm) * layer.mul[k]!
  layer.lengthAt[k] = length
  const [nx, ny] = [layer.N[2 * k], layer.N[2 * k + 1]]
  const share = Math.max(LEAST_STAND, standShare(lie, nx!, ny!, layer.T[2 * k]!, layer.T[2 * k + 1]!)) * layer.taper[k]!
  V[2 * k] = nx! * length * share
  V[2 * k + 1] = ny! * length * share
  return share
}

/** The share of its length that hair stands off the skin, for a lie (radians), a normal and a flow. */
export function standShare(lie: number, nx: number, ny: number, tx: number, ty: number): number {
  const [c, s] = [Math.cos(lie), Math.sin(lie)]
  const [dx, dy] = [c * nx + s * tx, c * ny + s * ty]
  return (dx * nx + dy * ny) / (Math.hypot(dx, dy) || 1)
}

function cutTo(
  layer: FigureLayer,
  stop: Stop,
  planTable: CoatTable,
  V: Float32Array,
  stand: Float32Array,
  shaped: Float32Array,
  asCut: Uint8Array
): void {
  for (let k = 0; k < layer.samples; k++) {
    if (layer.inner[k]) continue
    const hold = stop.hold(layer, k)
    if (hold <= 0) continue
    const [px, py] = [layer.P[2 * k], layer.P[2 * k + 1]]
    const [nx, ny] = [layer.N[2 * k], layer.N[2 * k + 1]]
    const [ex, ey] = stop.end([px!, py!], [nx!, ny!], [V[2 * k]!, V[2 * k + 1]!])
    let [vx, vy] = [ex - px!, ey - py!]
    // scissors never cut into the skin
    if (vx * nx! + vy * ny! < 0 && !stop.mayLean) [vx, vy] = [0, 0]
    let planned = 0
    for (let j = 0; j < 4; j++) planned += layer.weights[4 * k + j]! * planTable.length[layer.ids[4 * k + j]!]!
    planned *= layer.mul[k]!
    const size = Math.hypot(vx, vy)
    const bare = layer.lengthAt[k]! < CLIPPED_MM
    const most = (layer.lengthAt[k]! + (bare ? 0 : (stop.moreMm ?? 0))) * MOST_OVER
    const asked =
      stop.moves === 'inProportion'
        ? size * (planned > 0.01 ? layer.lengthAt[k]! / planned : 1)
        : size + (layer.lengthAt[k]! - planned) * Math.max(stand[k]!, 0.7)
    const left = Math.min(Math.max(0, asked), most)
    if (size > 0.001) [vx, vy] = [(vx * left) / size, (vy * left) / size]
    V[2 * k] = lerp(V[2 * k]!, vx, hold)
    V[2 * k + 1] = lerp(V[2 * k + 1]!, vy, hold)
    shaped[k] = Math.max(shaped[k]!, hold)
    if (stop.crisp && hold > 0.6) asCut[k] = 1
  }
}

function takeDents(layer: FigureLayer, dents: readonly Dent[], V: Float32Array): void {
  for (let k = 0; k < layer.samples; k++) {
    if (layer.inner[k]) continue
    const size = Math.hypot(V[2 * k]!, V[2 * k + 1]!)
    const mm = dentAt(dents, layer.name, layer.P[2 * k]! + V[2 * k]!, layer.P[2 * k + 1]! + V[2 * k + 1]!)
    if (mm === 0 || size < 0.01) continue
    const share = Math.max(LEAST_LEFT_MM, size - mm) / size
    V[2 * k]! *= share
    V[2 * k + 1]! *= share
  }
}

// Hair that grew since stands out of the cut shape, each hair along its own way: the line blurs outward.
function grow(layer: FigureLayer, table: CoatTable, stand: Float32Array, V: Float32Array): void {
  for (let k = 0; k < layer.samples; k++) {
    if (layer.inner[k]) continue
    const grown = table.grownMm * layer.mul[k]!
    const size = Math.hypot(V[2 * k]!, V[2 * k + 1]!)
    const [dx, dy] = size > 0.2 ? [V[2 * k]! / size, V[2 * k + 1]! / size] : [layer.N[2 * k], layer.N[2 * k + 1]]
    V[2 * k]! += dx! * grown * stand[k]!
    V[2 * k + 1]! += dy! * grown * stand[k]!
    layer.lengthAt[k]! += grown
  }
}

// Hair leans on its neighbours: V is smoothed along the outline, less where scissors have cut a shape.
function settle(skin: Skin, V: Float32Array, layer: FigureLayer, shaped: Float32Array, asCut: Uint8Array): Float32Array {
  const n = layer.samples
  const out = new Float32Array(2 * n)
  for (let k = 0; k < n; k++) {
    if (layer.inner[k]) continue
    const lean = Math.min(layer.lean, shaped[k]! > 0.6 ? 0.08 : Infinity)
    const reach = 0.016 * skin.skeleton.heightMm + lean * Math.hypot(V[2 * k]!, V[2 * k + 1]!)
    const radius = asCut[k] ? 1 : Math.max(2, Math.round(reach / skin.stepMm))
    let [x, y, total] = [0, 0, 0]
    for (let j = -radius; j <= radius; j++) {
      const at = (k + j + n) % n
      if (layer.inner[at]) continue
      const weight = 1 - Math.abs(j) / (radius + 1)
      x += V[2 * at]! * weight
      y += V[2 * at + 1]! * weight
      total += weight
    }
    out[2 * k] = x / total
    out[2 * k + 1] = y / total
  }
  return out
}
