// Polygons as rows of pixels.

/** The spans of a polygon (x, y pairs in px, non-zero winding) in a picture h rows high: row, left and right end in px, and so on. */
export function spansOf(ring: Float32Array, h: number): Float64Array {
  const spans: number[] = []
  const n = ring.length / 2
  // per row: crossings as x, winding, x, winding ...
  const rows: (number[] | undefined)[] = new Array(h)
  for (let i = 0, j = n - 1; i < n; j = i++) {
    const down = ring[2 * j + 1]! <= ring[2 * i + 1]!
    const [from, to] = down ? [j, i] : [i, j]
    const y0 = ring[2 * from + 1]!
    const y1 = ring[2 * to + 1]!
    if (y0 === y1) continue
    const last = Math.min(h - 1, Math.ceil(y1 - 0.5) - 1)
    const slope = (ring[2 * to]! - ring[2 * from]!) / (y1 - y0)
    for (let row = Math.max(0, Math.ceil(y0 - 0.5)); row <= last; row++) {
      ;(rows[row] ??= []).push(ring[2 * from]! + (row + 0.5 - y0) * slope, down ? 1 : -1)
    }
  }
  for (let row = 0; row < h; row++) {
    const crossings = rows[row]
    if (!crossings) continue
    sortPairs(crossings)
    let winding = 0
    for (let i = 0; i < crossings.length - 2; i += 2) {
      winding += crossings[i + 1]!
      if (winding !== 0) spans.push(row, crossings[i]!, crossings[i + 2]!)
    }
  }
  return Float64Array.from(spans)
}

// few crossings a row: insertion sort on x, each with its winding
function sortPairs(pairs: number[]): void {
  for (let i = 2; i < pairs.length; i += 2) {
    const x = pairs[i]!
    const winding = pairs[i + 1]!
    let j = i - 2
    for (; j >= 0 && pairs[j]! > x; j -= 2) {
      pairs[j + 2] = pairs[j]!
      pairs[j + 3] = pairs[j + 1]!
    }
    pairs[j + 2] = x
    pairs[j + 3] = winding
  }
}
