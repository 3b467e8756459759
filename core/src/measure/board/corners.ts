// A marker's corners finer than a pixel: a line along each of its four edges, and where neighbours meet.
import { fitLine, type LineFit } from '../fit/line'
import type { Picture } from '../edge/picture'
import type { PhotoPoint } from '../types'
import { MARKER_CELLS } from './layout'

/** Places along an edge at which it is looked for, and how near its ends they begin, as a share of it: corners are rounded by the lens. Chosen. */
const STATIONS = 15
const FROM_ENDS = 0.1
/** Looked for so far to either side: under a cell inwards, so that the black rim is not left. Chosen. */
const REACH_CELLS = 0.6
const LEAST_REACH_PX = 2
const STEP_PX = 0.5
/** Less between paper and print is no edge, 8-bit steps. Chosen: a grey board in deep shadow. */
const LEAST_CONTRAST = 25
const LEAST_FOUND = 6
/** Farther from the line than so many times the usual is a spot on the paper. Chosen. */
const STRAY_TIMES = 2.5

export type Corners = { readonly corners: readonly PhotoPoint[]; /** of the edges about their lines, px */ readonly rmsPx: number }

/** @param rough four corners clockwise, px; null where an edge of the marker cannot be followed */
export function refinedCorners(picture: Picture, rough: readonly PhotoPoint[]): Corners | null {
  const once = throughEdges(picture, rough)
  return once && throughEdges(picture, once.corners)
}

function throughEdges(picture: Picture, rough: readonly PhotoPoint[]): Corners | null {
  const lines: LineFit[] = []
  for (let i = 0; i < 4; i++) {
    const places = edgeBetween(picture, rough[i]!, rough[(i + 1) % 4]!)
    if (places.length < LEAST_FOUND) return null
    const first = fitLine(places)
    const kept = places.filter((place) => offLine(first, place) <= STRAY_TIMES * Math.max(first.rms, 0.1))
    if (kept.length < LEAST_FOUND) return null
    lines.push(fitLine(kept))
  }
  const corners = lines.map((line, i) => meet(lines[(i + 3) % 4]!, line))
  if (corners.some((corner) => corner === null)) return null
  return {
    corners: corners as PhotoPoint[],
    rmsPx: Math.sqrt(lines.reduce((sum, { rms }) => sum + rms * rms, 0) / lines.length)
  }
}

/** Where light gives way to dark along an edge that goes clockwise round what is dark, px. */
function edgeBetween(picture: Picture, [ax, ay]: PhotoPoint, [bx, by]: PhotoPoint): PhotoPoint[] {
  const long = Math.hypot(bx - ax, by - ay)
  if (!(long > 0)) return []
  const outwards: PhotoPoint = [(by - ay) / long, -(bx - ax) / long]
  const reach = Math.max(LEAST_REACH_PX, (REACH_CELLS * long) / MARKER_CELLS)
  const found: PhotoPoint[] = []
  for (let k = 0; k < STATIONS; k++) {
    const share = FROM_ENDS + ((1 - 2 * FROM_ENDS) * k) / (STATIONS - 1)
    const middle: PhotoPoint = [ax + (bx - ax) * share, ay + (by - ay) * share]
    const off = crossing(picture, middle, outwards, reach)
    if (off !== null) found.push([middle[0] + outwards[0] * off, middle[1] + outwards[1] * off])
  }
  return found
}

/** How far outwards of a place the grey half-way between the inside's and the outside's is crossed, px. */
function crossing(picture: Picture, [x, y]: PhotoPoint, [nx, ny]: PhotoPoint, reach: number): number | null {
  const n = Math.ceil(reach / STEP_PX)
  const greys: number[] = []
  for (let i = -n; i <= n; i++) greys.push(greyAt(picture, x + nx * i * STEP_PX, y + ny * i * STEP_PX))
  const quarter = Math.max(1, Math.floor(greys.length / 4))
  const mean = (part: readonly number[]) => part.reduce((sum, grey) => sum + grey, 0) / part.length
  const [inside, outside] = [mean(greys.slice(0, quarter)), mean(greys.slice(-quarter))]
  if (!(outside - inside >= LEAST_CONTRAST)) return null
  const half = (inside + outside) / 2
  let best: number | null = null
  for (let i = 1; i < greys.length; i++) {
    const [below, above] = [greys[i - 1]!, greys[i]!]
    if (!(below < half && above >= half)) continue
    const off = (i - 1 - n + (half - below) / (above - below)) * STEP_PX
    if (best === null || Math.abs(off) < Math.abs(best)) best = off
  }
  return best
}

/** The grey of a place between the middles of pixels; NaN outside. */
function greyAt({ width, height, rgba }: Picture, x: number, y: number): number {
  const [gx, gy] = [x - 0.5, y - 0.5]
  const [i, j] = [Math.floor(gx), Math.floor(gy)]
  if (i < 0 || j < 0 || i + 1 >= width || j + 1 >= height) return NaN
  const grey = (a: number, b: number) => {
    const o = 4 * (b * width + a)
    return 0.299 * rgba[o]! + 0.587 * rgba[o + 1]! + 0.114 * rgba[o + 2]!
  }
  const [fx, fy] = [gx - i, gy - j]
  return (1 - fy) * ((1 - fx) * grey(i, j) + fx * grey(i + 1, j)) + fy * ((1 - fx) * grey(i, j + 1) + fx * grey(i + 1, j + 1))
}

const offLine = ({ centre, direction }: LineFit, [x, y]: PhotoPoint): number =>
  Math.abs((y - centre[1]) * direction[0] - (x - centre[0]) * direction[1])

function meet(a: LineFit, b: LineFit): PhotoPoint | null {
  const [[ax, ay], [ux, uy]] = [a.centre, a.direction]
  const [[bx, by], [vx, vy]] = [b.centre, b.direction]
  const across = ux * vy - uy * vx
  if (Math.abs(across) < 1e-6) return null
  const t = ((bx - ax) * vy - (by - ay) * vx) / across
  return [ax + ux * t, ay + uy * t]
}
