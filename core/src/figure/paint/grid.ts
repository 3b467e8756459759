// What is known of a layer's inside on a grid of cells: region weights, flow, colour, and how far it fades out.
import { DRAWN_REGIONS, fourHeaviest, type FigureLayer, type Skin } from '../coat'
import { segments, smoothstep, squaredDistance, type Point } from '../vec'
import { TONES, type Palette } from './colour'
import type { Grid, GriddedLayer } from './gridded'
import { cushion, fillMask, gradientNormal, inflate } from './relief'

/** A cell is never finer than what one pixel and a half shows: a small picture is baked fast. */
const CELL_PX = 1.6

/** Grids every layer; `reach` holds each layer's widest coats so that the grid has room for them. */
export function gridLayers(
  skin: Skin,
  palette: Palette,
  reach: ReadonlyMap<string, readonly Float32Array[]>,
  pxPerMm: number
): GriddedLayer[] {
  const finest = skin.view === 'head' ? 0.9 : Math.max(1.6, skin.skeleton.heightMm / 110)
  const cell = Math.max(finest, CELL_PX / pxPerMm)
  return skin.layers.map((layer) => gridOne(layer, palette, reach.get(layer.name)!, cell))
}

function gridOne(layer: FigureLayer, palette: Palette, widest: readonly Float32Array[], cell: number): GriddedLayer {
  const grid = gridAround(layer, widest, cell)
  const cells = grid.w * grid.h
  const inside = new Uint8Array(cells)
  fillMask(inside, grid, layer.P)
  const gridded: GriddedLayer = {
    layer,
    grid,
    hasInner: layer.inner.includes(1),
    inside,
    fade: new Float32Array(cells).fill(1),
    fadeNormal: new Float32Array(cells).fill(1),
    ids: new Uint8Array(4 * cells),
    weights: new Uint8Array(4 * cells),
    flow: new Float32Array(2 * cells),
    mul: new Float32Array(cells).fill(1),
    tint: new Uint8Array(3 * TONES * cells),
    skinNormal: new Float32Array(2 * cells),
    mask: new Uint8Array(cells),
    under: new Uint8Array(cells),
    u: new Float32Array(cells),
    start: new Float32Array(cells),
    z: new Float32Array(cells),
    lit: new Float32Array(cells),
    shade: new Float32Array(cells),
    dent: new Float32Array(cells),
    shaded: false
  }
  const near = nearCoat(layer, grid, widest)
  const four = new Float32Array(4)
  const fourIds = new Uint8Array(4)
  for (let k = 0; k < cells; k++) {
    if (!near[k]) continue
    const p: Point = [grid.left + ((k % grid.w) + 0.5) * cell, grid.top - (Math.floor(k / grid.w) + 0.5) * cell]
    const place = layer.at(p)
    fourHeaviest(place, fourIds, four, 0)
    for (let j = 0; j < 4; j++) {
      gridded.ids[4 * k + j] = fourIds[j]!
      gridded.weights[4 * k + j] = four[j]! * 255 + 0.5
    }
    gridded.flow[2 * k] = place.flow[0]
    gridded.flow[2 * k + 1] = place.flow[1]
    gridded.mul[k] = place.mul
    tintCell(gridded, palette, p, k)
  }
  fadeInnerEdges(gridded, near)
  spread(gridded, near)
  normalsOfSkin(gridded)
  return gridded
}

function gridAround(layer: FigureLayer, widest: readonly Float32Array[], cell: number): Grid {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity]
  for (let k = 0; k < layer.samples; k++) {
    for (const [vx, vy] of [[0, 0], ...widest.map((v) => [v[2 * k], v[2 * k + 1]])]) {
      const x = layer.P[2 * k]! + vx!
      const y = layer.P[2 * k + 1]! + vy!
      ;[x0, y0, x1, y1] = [Math.min(x0, x), Math.min(y0, y), Math.max(x1, x), Math.max(y1, y)]
    }
  }
  return { w: Math.ceil((x1 - x0) / cell) + 8, h: Math.ceil((y1 - y0) / cell) + 8, cell, left: x0 - 4 * cell, top: y1 + 4 * cell }
}

function nearCoat(layer: FigureLayer, grid: Grid, widest: readonly Float32Array[]): Uint8Array {
  const near = new Uint8Array(grid.w * grid.h)
  for (const coat of widest)
    fillMask(
      near,
      grid,
      layer.P.map((value, i) => value + coat[i]! * 1.05)
    )
  fillMask(near, grid, layer.P)
  for (let pass = 0; pass < 3; pass++) {
    const before = near.slice()
    for (let k = grid.w + 1; k < near.length - grid.w - 1; k++) {
      if (!before[k] && (before[k - 1] || before[k + 1] || before[k - grid.w] || before[k + grid.w])) near[k] = 1
    }
  }
  return near
}

function tintCell({ ids, weights, tint, fade }: GriddedLayer, { flat, pattern }: Palette, p: Point, k: number): void {
  const cells = fade.length
  const over = pattern ? pattern.shareAt(p) : 0
  const regions = DRAWN_REGIONS.length
  for (let tone = 0; tone < TONES; tone++) {
    let [r, g, b, sum] = [0, 0, 0, 0]
    for (let j = 0; j < 4; j++) {
      const weight = weights[4 * k + j]
      if (!weight) continue
      const region = ids[4 * k + j]! % regions
      const at = 3 * (region * TONES + tone)
      const share = pattern && !pattern.spared.has(region) ? over : 0
      r += weight * (flat[at]! + (share ? (pattern!.flat[3 * tone]! - flat[at]!) * share : 0))
      g += weight * (flat[at + 1]! + (share ? (pattern!.flat[3 * tone + 1]! - flat[at + 1]!) * share : 0))
      b += weight * (flat[at + 2]! + (share ? (pattern!.flat[3 * tone + 2]! - flat[at + 2]!) * share : 0))
      sum += weight
    }
    const out = 3 * (tone * cells + k)
    tint[out] = r / sum
    tint[out + 1] = g / sum
    tint[out + 2] = b / sum
  }
}

// Toward its inner edge a leg or head fades into what it stands on, in colour and in light.
function fadeInnerEdges(gridded: GriddedLayer, near: Uint8Array): void {
  const { layer, grid, fade, fadeNormal } = gridded
  const { colourMm, lightMm, clearOfMm } = layer.fade
  if (!gridded.hasInner || layer.solid || colourMm === 0) return
  const inner: Point[] = []
  const ends: Point[] = []
  for (let k = 0; k < layer.samples; k++) {
    const p: Point = [layer.P[2 * k]!, layer.P[2 * k + 1]!]
    if (layer.inner[k]) inner.push(p)
    if (layer.inner[k] !== layer.inner[(k + 1) % layer.samples]) ends.push(p)
  }
  // filter first, then thin: thinning first leaves a hard pale patch over the shoulder
  const away = clearOfMm === 0 ? inner : inner.filter((p) => ends.every((end) => Math.hypot(p[0] - end[0], p[1] - end[1]) > clearOfMm))
  const thin = (points: readonly Point[]) => points.filter((_, i) => i % 2 === 0 || i === points.length - 1)
  const [core, all] = [segments(thin(away.length > 1 ? away : inner)), segments(thin(inner))]
  for (let k = 0; k < fade.length; k++) {
    if (!near[k]) continue
    const x = grid.left + ((k % grid.w) + 0.5) * grid.cell
    const y = grid.top - (Math.floor(k / grid.w) + 0.5) * grid.cell
    const d = Math.sqrt(squaredDistance(x, y, core))
    fade[k] = smoothstep(0.075 * colourMm, colourMm, d)
    fadeNormal[k] = smoothstep(0, lightMm, clearOfMm === 0 ? d : Math.min(d, Math.sqrt(squaredDistance(x, y, all))))
  }
}

// Colour runs three cells past the coat, so that reading between cells at the rim never sees black.
function spread({ grid, tint, fade }: GriddedLayer, near: Uint8Array): void {
  const cells = fade.length
  for (let pass = 0; pass < 3; pass++) {
    const before = near.slice()
    for (let k = grid.w + 1; k < cells - grid.w - 1; k++) {
      if (before[k]) continue
      const from = [k - 1, k + 1, k - grid.w, k + grid.w].find((q) => before[q])
      if (from === undefined) continue
      near[k] = 1
      for (let tone = 0; tone < TONES; tone++)
        for (let c = 0; c < 3; c++) tint[3 * (tone * cells + k) + c] = tint[3 * (tone * cells + from) + c]!
    }
  }
}

function normalsOfSkin({ grid, inside, skinNormal }: GriddedLayer): void {
  const u = new Float32Array(inside.length)
  const z = new Float32Array(inside.length)
  const normal = new Float64Array(3)
  inflate(u, inside, grid.w, grid.h, 60, 1.88)
  cushion(u, inside, z)
  for (let k = grid.w + 1; k < inside.length - grid.w - 1; k++) {
    if (!inside[k]) continue
    gradientNormal(z, grid.w, k, normal)
    skinNormal[2 * k] = normal[0]!
    skinNormal[2 * k + 1] = normal[1]!
  }
}
