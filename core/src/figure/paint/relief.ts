// Light and shade: every layer is blown up like a cushion on its grid (Poisson equation) and lit from the upper left.
import type { Grid, GriddedLayer } from './gridded'
import { clamp, lerp } from '../vec'

const LIGHT = [-0.4, 0.66, 0.64] as const
const FIRST_SWEEPS = 70
const FULLNESS = 2.6

/** Marks the cells inside a ring of x, y pairs (non-zero winding). */
export function fillMask(mask: Uint8Array, { w, h, cell, left, top }: Grid, ring: Float32Array): void {
  const n = ring.length / 2
  const rows: [number, number][][] = Array.from({ length: h }, () => [])
  for (let i = 0, j = n - 1; i < n; j = i++) {
    let [x0, y0, x1, y1] = [
      (ring[2 * j]! - left) / cell,
      (top - ring[2 * j + 1]!) / cell,
      (ring[2 * i]! - left) / cell,
      (top - ring[2 * i + 1]!) / cell
    ]
    if (y0 === y1) continue
    let winding = 1
    if (y0 > y1) [x0, x1, y0, y1, winding] = [x1, x0, y1, y0, -1]
    const slope = (x1 - x0) / (y1 - y0)
    const last = Math.min(h - 1, Math.ceil(y1 - 0.5) - 1)
    for (let row = Math.max(0, Math.ceil(y0 - 0.5)); row <= last; row++) rows[row]!.push([x0 + (row + 0.5 - y0) * slope, winding])
  }
  rows.forEach((crossings, row) => {
    crossings.sort((a, b) => a[0] - b[0])
    let winding = 0
    for (let i = 0; i < crossings.length - 1; i++) {
      winding += crossings[i]![1]
      if (winding === 0) continue
      const last = Math.min(w - 1, Math.ceil(crossings[i + 1]![0] - 0.5) - 1)
      for (let x = Math.max(0, Math.ceil(crossings[i]![0] - 0.5)); x <= last; x++) mask[row * w + x] = 1
    }
  })
}

/** Red-black successive over-relaxation of laplace(u) = -1 inside the mask, warm-started from u. Source: Young 1954 (from memory). */
export function inflate(u: Float32Array, mask: Uint8Array, w: number, h: number, sweeps: number, relaxation: number): void {
  for (let k = 0; k < w * h; k++) if (!mask[k]) u[k] = 0
  for (let sweep = 0; sweep < sweeps; sweep++) {
    for (let parity = 0; parity < 2; parity++) {
      for (let j = 1; j < h - 1; j++) {
        const row = j * w
        for (let k = row + 1 + ((j + parity) & 1), end = row + w - 1; k < end; k += 2) {
          if (mask[k]) u[k]! += relaxation * ((u[k - 1]! + u[k + 1]! + u[k - w]! + u[k + w]! + 1) * 0.25 - u[k]!)
        }
      }
    }
  }
}

/** Height of the cushion above the paper, in cells. */
export function cushion(u: Float32Array, mask: Uint8Array, out: Float32Array): void {
  for (let k = 0; k < u.length; k++) out[k] = mask[k] ? Math.sqrt(Math.max(0, u[k]!) * FULLNESS) : 0
}

/** Unit normal of a height field at a cell, into `out`. */
export function gradientNormal(z: Float32Array, w: number, k: number, out: Float64Array): void {
  const gx = -(z[k + 1]! - z[k - 1]!) / 2
  const gy = (z[k + w]! - z[k - w]!) / 2
  const length = Math.sqrt(gx * gx + gy * gy + 1)
  out[0] = gx / length
  out[1] = gy / length
  out[2] = 1 / length
}

/** Shades the layers whose outline moved; a layer that runs into another is shaded again when that one moved. */
export function shadeLayers(layers: readonly GriddedLayer[], sweeps: number): void {
  const byName = new Map(layers.map((gridded) => [gridded.layer.name, gridded]))
  const moved = new Set<string>()
  for (const gridded of [...layers].sort((a, b) => Number(b.layer.solid) - Number(a.layer.solid))) {
    const { layer } = gridded
    const first = !gridded.shaded
    const on = layer.on === null ? null : byName.get(layer.on)!
    if (!first && !layer.dirty && !(on && moved.has(on.layer.name))) continue
    if (first) {
      raise(gridded, byName, FIRST_SWEEPS)
      gridded.start.set(gridded.u)
    }
    if (first || layer.dirty) {
      // always from the same start: a picture depends on its lengths alone, not on what was worn before
      gridded.u.set(gridded.start)
      raise(gridded, byName, sweeps)
    }
    light(gridded, on)
    gridded.shaded = true
    moved.add(layer.name)
  }
  for (const { layer } of layers) layer.dirty = false
}

function raise(gridded: GriddedLayer, byName: ReadonlyMap<string, GriddedLayer>, sweeps: number): void {
  const { layer, grid, mask, dent, z } = gridded
  mask.fill(0)
  const coat = new Float32Array(2 * layer.samples)
  for (let i = 0; i < coat.length; i++) coat[i] = layer.P[i]! + layer.V[i]!
  fillMask(mask, grid, coat)
  fillMask(mask, grid, layer.P)
  gridded.under.set(mask)
  // blown up together with the near legs, otherwise a dark crease stands over each leg
  for (const name of layer.with) fillMask(gridded.under, grid, byName.get(name)!.layer.P)
  inflate(gridded.u, gridded.under, grid.w, grid.h, sweeps, 1.86)
  cushion(gridded.u, gridded.under, z)
  for (let k = 0; k < z.length; k++) if (dent[k] !== 0) z[k]! -= dent[k]! / grid.cell
}

const own = new Float64Array(3)
const beneath = new Float64Array(3)
const OUTSIDE = -1

function light(gridded: GriddedLayer, body: GriddedLayer | null): void {
  const { grid, under, z, lit, fadeNormal, shade, layer } = gridded
  const { w, h } = grid
  const blends = gridded.hasInner && body !== null
  lit.fill(OUTSIDE)
  for (let j = 1; j < h - 1; j++) {
    for (let i = 1; i < w - 1; i++) {
      const k = j * w + i
      if (!under[k]) continue
      gradientNormal(z, w, k, own)
      if (blends && fadeNormal[k]! < 1)
        mixWithBody(body!, grid.left + (i + 0.5) * grid.cell, grid.top - (j + 0.5) * grid.cell, fadeNormal[k]!)
      const length = Math.sqrt(own[0]! * own[0]! + own[1]! * own[1]! + own[2]! * own[2]!) || 1
      const facing = (own[0]! * LIGHT[0] + own[1]! * LIGHT[1] + own[2]! * LIGHT[2]) / length
      lit[k] = 0.3 + (facing > 0 ? 0.62 * facing : 0.12 * facing) + 0.05 * (own[2]! / length - 0.5)
    }
  }
  bleed(lit, w)
  for (let k = 0; k < lit.length; k++) shade[k] = layer.dim === 1 ? clamp(lit[k]!, -0.12, 1.12) : lit[k]! * layer.dim - 0.03
}

function mixWithBody(body: GriddedLayer, x: number, y: number, share: number): void {
  const { grid } = body
  const i = Math.floor((x - grid.left) / grid.cell)
  const j = Math.floor((grid.top - y) / grid.cell)
  if (i <= 0 || j <= 0 || i >= grid.w - 1 || j >= grid.h - 1 || !body.under[j * grid.w + i]) return
  gradientNormal(body.z, grid.w, j * grid.w + i, beneath)
  for (let c = 0; c < 3; c++) own[c] = lerp(beneath[c]!, own[c]!, share)
}

// The shade runs three cells past the rim, so that reading between cells never sees the outside.
function bleed(lit: Float32Array, w: number): void {
  let rim: number[] = []
  const around = (k: number) => [k - 1, k + 1, k - w, k + w]
  for (let k = w; k < lit.length - w; k++) if (lit[k] === OUTSIDE && around(k).some((q) => lit[q] !== OUTSIDE)) rim.push(k)
  for (let ring = 0; ring < 3; ring++) {
    const values = rim.map((k) => {
      const known = around(k).filter((q) => q >= 0 && q < lit.length && lit[q] !== OUTSIDE)
      return known.reduce((sum, q) => sum + lit[q]!, 0) / Math.max(1, known.length)
    })
    rim.forEach((k, i) => (lit[k] = values[i]!))
    const next = new Set<number>()
    for (const k of rim) for (const q of around(k)) if (q > w && q < lit.length - w && lit[q] === OUTSIDE) next.add(q)
    rim = [...next]
  }
}
