// A dog as rounded limbs: what is inside, and how far from its edge. Shares nothing with the figure or the camera.

/** A limb from one place to another, thick at both ends, all in px. */
type Limb = { readonly a: readonly [number, number]; readonly b: readonly [number, number]; readonly ra: number; readonly rb: number }
export type Animal = readonly Limb[]
type Draw = () => number

const between = (random: Draw, low: number, high: number) => low + (high - low) * random()

/** A whole dog from its side, on its feet at `floorY`; `size` is its height at the back, px. */
export function standing(random: Draw, [cx, floorY]: readonly [number, number], size: number): Animal {
  const r = (low: number, high: number) => size * between(random, low, high)
  const long = r(0.42, 0.62)
  const body = r(0.17, 0.24)
  const backY = floorY - size
  const [front, rear] = [cx - long, cx + long]
  const trunkY = backY + body
  const leg = r(0.05, 0.09)
  const head: readonly [number, number] = [front - r(0.1, 0.3), backY - r(0.12, 0.38)]
  const skull = r(0.11, 0.16)
  const legAt = (x: number, lean: number): Limb => ({ a: [x, trunkY + body * 0.5], b: [x + lean, floorY - leg], ra: leg * 1.5, rb: leg })
  const gap = r(0.1, 0.18)
  return [
    { a: [front + body * 0.3, trunkY], b: [rear - body * 0.3, trunkY - body * 0.1], ra: body * 1.1, rb: body * 0.92 },
    { a: [front + body * 0.2, trunkY - body * 0.2], b: head, ra: body * 0.8, rb: skull * 0.9 },
    {
      a: head,
      b: [head[0] - skull * between(random, 1.1, 1.9), head[1] + skull * 0.35],
      ra: skull,
      rb: skull * between(random, 0.45, 0.7)
    },
    {
      a: [head[0] + skull * 0.4, head[1] - skull * 0.2],
      b: [head[0] + skull * 0.75, head[1] + skull * 0.9],
      ra: skull * 0.42,
      rb: skull * 0.5
    },
    ...[front + body * 0.25, front + body * 0.25 + gap].map((x) => legAt(x, 0)),
    ...[rear - body * 0.35, rear - body * 0.35 - gap].map((x) => legAt(x, size * 0.06)),
    {
      a: [rear - body * 0.1, trunkY - body * 0.5],
      b: [rear + r(0.08, 0.25), backY - r(0, 0.3)],
      ra: leg * 1.2,
      rb: leg * between(random, 0.6, 1.4)
    }
  ]
}

/** A head from before it, its neck running out of the picture below. */
export function facing(random: Draw, [cx, cy]: readonly [number, number], size: number, bottom: number): Animal {
  const wide = size * between(random, 0.85, 1.1)
  const ear = size * between(random, 0.28, 0.42)
  return [
    { a: [cx - wide * 0.12, cy], b: [cx + wide * 0.12, cy], ra: wide * 0.86, rb: wide * 0.86 },
    { a: [cx, cy + size * 0.3], b: [cx, cy + size * 0.75], ra: size * 0.5, rb: size * 0.42 },
    ...[-1, 1].map((side): Limb => ({
      a: [cx + side * wide * 0.8, cy - size * 0.25],
      b: [cx + side * wide * 1.02, cy + size * between(random, 0.3, 0.7)],
      ra: ear * 0.8,
      rb: ear
    })),
    { a: [cx, cy + size * 0.6], b: [cx, bottom + size], ra: size * between(random, 0.55, 0.75), rb: size }
  ]
}

/** How far a place lies outside of an animal, px; under 0 inside. */
export function outside(animal: Animal, x: number, y: number): number {
  let least = Infinity
  for (const { a, b, ra, rb } of animal) {
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]]
    const share = Math.min(1, Math.max(0, ((x - a[0]) * dx + (y - a[1]) * dy) / (dx * dx + dy * dy || 1)))
    const off = Math.hypot(x - a[0] - share * dx, y - a[1] - share * dy) - (ra + (rb - ra) * share)
    if (off < least) least = off
  }
  return least
}
