// Where a plan would lie in a scene by two touches: its true dog, but of other proportions, turned and beside itself.
import type { PhotoPoint } from '@peen/core/measure'
import { cv, keeping } from '../trial/vision'
import { drawsFrom, SHOWS, type Scene } from './scene'

/** How far an expected shape is off: of its size, turned (radians), leaning, moved (share of the root of its area). Half to either side. */
const OFF = Object.freeze({ size: 0.12, turn: 0.14, lean: 0.2, move: 0.1 })

/** The outline that is expected there, px. The same seed gives the same. */
export function expectedIn(scene: Scene, seed: number): readonly PhotoPoint[] {
  const random = drawsFrom(seed * 31 + 5)
  const off = (by: number) => by * (random() - 0.5)
  const dog = [...scene.shows.entries()]
    .filter(([, what]) => what === SHOWS.dog)
    .map(([p]) => [p % scene.width, Math.floor(p / scene.width)])
  const mean = (k: 0 | 1) => dog.reduce((sum, place) => sum + place[k]!, 0) / dog.length
  const [cx, cy, root] = [mean(0), mean(1), Math.sqrt(dog.length)]
  const [size, turn, dx, dy, lean] = [1 + off(OFF.size), off(OFF.turn), root * off(OFF.move), root * off(OFF.move), off(OFF.lean)]
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
  return trueRing(scene).map(([x, y]): PhotoPoint => {
    const [u, v] = [size * (x - cx + lean * (y - cy)), size * (y - cy)]
    return [cx + dx + cos * u - sin * v, cy + dy + sin * u + cos * v]
  })
}

/** The dog's own outer ring, px: what a hand covers is left out, as it is of the overlap. */
function trueRing({ width, height, shows }: Scene): readonly PhotoPoint[] {
  return keeping((own) => {
    const mask = own(new cv.Mat(height, width, cv.CV_8UC1))
    for (let p = 0; p < shows.length; p++) mask.data[p] = shows[p] === SHOWS.dog ? 1 : 0
    const rings = own(new cv.MatVector())
    cv.findContours(mask, rings, own(new cv.Mat()), cv.RETR_EXTERNAL, cv.CHAIN_APPROX_NONE)
    let best: readonly number[] = []
    for (let i = 0; i < rings.size(); i++) {
      const ring = own(rings.get(i) as { readonly data32S: Int32Array; readonly delete: () => void })
      if (ring.data32S.length > best.length) best = [...ring.data32S]
    }
    return Array.from({ length: best.length / 2 }, (_, i): PhotoPoint => [best[2 * i]! + 0.5, best[2 * i + 1]! + 0.5])
  })
}
