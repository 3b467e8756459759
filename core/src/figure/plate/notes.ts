// Notes in the margins of a plate: leader lines never cross, notes never overlap. Pixels, y down.

export type NoteTarget = { readonly id: string; readonly x: number; readonly y: number; readonly heightPx: number }
/** Whether a place of the plate is covered by the dog: leaders go where it is not. */
export type Covered = (x: number, y: number) => boolean
export type NoteFrame = {
  readonly widthPx: number
  readonly topPx: number
  readonly bottomPx: number
  /** width of a note column at either side, and the margin outside it */
  readonly columnPx: number
  readonly marginPx: number
}
export type PlacedNote = {
  readonly id: string
  readonly side: 'left' | 'right'
  readonly yPx: number
  readonly rulePx: number
  readonly elbow: readonly [number, number]
  readonly target: readonly [number, number]
}

/** The heading's rule lies this far below a note's top, and runs on this far before it turns to its target. */
export const RULE_BELOW_TOP_PX = 26
const STRAIGHT_PX = 14
const GAP_PX = 10

type Side = 'left' | 'right'
type Sides = ReadonlyMap<string, Side>

/**
 * Places notes left and right of the figure. Each first goes to the side from which its leader crosses least of the dog
 * (the nearer one where both are alike), as far as its column has room; a column is sorted and spread so that no two notes
 * overlap. Then notes change sides as long as that leaves fewer leaders crossing or touching another's place. What still
 * crosses is left out, later notes first; so are notes for which neither column has room.
 */
export function placeNotes(targets: readonly NoteTarget[], frame: NoteFrame, covered: Covered = () => false): PlacedNote[] {
  const room = frame.bottomPx - frame.topPx
  const sides = new Map<string, Side>()
  const used = (side: Side) => targets.reduce((sum, note) => sum + (sides.get(note.id) === side ? note.heightPx + GAP_PX : 0), 0)
  const hasRoom = (side: Side, note: NoteTarget) => used(side) + note.heightPx <= room
  const wish = new Map(targets.map((target) => [target.id, clearerSide(target, frame, covered)]))
  for (const target of targets) {
    const nearer = wish.get(target.id)!
    const side = hasRoom(nearer, target) ? nearer : hasRoom(other(nearer), target) ? other(nearer) : null
    if (side) sides.set(target.id, side)
  }
  const kept = targets.filter(({ id }) => sides.has(id))
  let best = costOf(placeAll(kept, sides, frame), wish)
  for (let round = 0; round < 4 && best >= CONFLICT; round++) {
    const before = best
    for (const note of kept) {
      const side = sides.get(note.id)!
      sides.delete(note.id)
      if (!hasRoom(other(side), note)) {
        sides.set(note.id, side)
        continue
      }
      sides.set(note.id, other(side))
      const cost = costOf(placeAll(kept, sides, frame), wish)
      if (cost < best) best = cost
      else sides.set(note.id, side)
    }
    if (best === before) break
  }
  return withoutCrossings(kept, sides, frame)
}

const other = (side: Side): Side => (side === 'left' ? 'right' : 'left')

/** A leader that crosses another, or runs over another's place, costs more than any number of notes on their second side. */
const CONFLICT = 100
/** Nearer than this a leader seems to end at another's place, px. */
const NEAR_PX = 9

function costOf(placed: readonly PlacedNote[], wish: Sides): number {
  let cost = 0
  for (let i = 0; i < placed.length; i++) {
    if (placed[i]!.side !== wish.get(placed[i]!.id)) cost++
    for (let j = i + 1; j < placed.length; j++) if (disturb(placed[i]!, placed[j]!)) cost += CONFLICT
  }
  return cost
}

const disturb = (a: PlacedNote, b: PlacedNote) => leadersCross(a, b) || runsOver(a, b) || runsOver(b, a)

/** Whether the leader of `a` runs over the place of `b`. */
function runsOver({ elbow, target }: PlacedNote, { target: [x, y] }: PlacedNote): boolean {
  const [dx, dy] = [target[0] - elbow[0], target[1] - elbow[1]]
  const t = Math.max(0, Math.min(1, ((x - elbow[0]) * dx + (y - elbow[1]) * dy) / (dx * dx + dy * dy || 1)))
  return Math.hypot(elbow[0] + t * dx - x, elbow[1] + t * dy - y) < NEAR_PX
}

function placeAll(notes: readonly NoteTarget[], sides: Sides, frame: NoteFrame): PlacedNote[] {
  return (['left', 'right'] as const).flatMap((side) =>
    placeColumn(
      notes.filter(({ id }) => sides.get(id) === side),
      side,
      frame
    )
  )
}

function withoutCrossings(notes: readonly NoteTarget[], sides: Sides, frame: NoteFrame): PlacedNote[] {
  let kept = notes
  for (;;) {
    const placed = placeAll(kept, sides, frame)
    const crossing = new Set(placed.flatMap((a, i) => placed.slice(i + 1).flatMap((b) => (leadersCross(a, b) ? [a.id, b.id] : []))))
    const last = [...kept].reverse().find(({ id }) => crossing.has(id))
    if (!last) return placed
    kept = kept.filter((note) => note !== last)
  }
}

const SAMPLES = 16

function clearerSide({ x, y }: NoteTarget, frame: NoteFrame, covered: Covered): Side {
  const inner = frame.marginPx + frame.columnPx
  const over = (from: number) =>
    Array.from({ length: SAMPLES }, (_, i) => covered(from + ((x - from) * (i + 0.5)) / SAMPLES, y)).filter(Boolean).length *
    Math.abs(x - from)
  const [left, right] = [over(inner), over(frame.widthPx - inner)]
  if (Math.abs(left - right) > 0.15 * SAMPLES * (frame.widthPx - 2 * inner)) return left < right ? 'left' : 'right'
  return x <= frame.widthPx / 2 ? 'left' : 'right'
}

function placeColumn(notes: readonly NoteTarget[], side: Side, frame: NoteFrame): PlacedNote[] {
  let order = [...notes].sort((a, b) => a.y - b.y || a.x - b.x)
  for (let round = 0; round <= notes.length * notes.length; round++) {
    const placed = stack(order, side, frame)
    const pair = firstCrossing(placed)
    if (!pair) return placed
    order = order.map((note, i) => (i === pair[0] ? order[pair[1]]! : i === pair[1] ? order[pair[0]]! : note))
  }
  return stack(order, side, frame)
}

// Each note as near to its target's height as the notes above it allow; then pushed up from the bottom.
function stack(order: readonly NoteTarget[], side: Side, frame: NoteFrame): PlacedNote[] {
  const tops: number[] = []
  let least = frame.topPx
  for (const note of order) {
    const top = Math.max(least, note.y - RULE_BELOW_TOP_PX)
    tops.push(top)
    least = top + note.heightPx + GAP_PX
  }
  let most = frame.bottomPx
  for (let i = order.length - 1; i >= 0; i--) {
    tops[i] = Math.min(tops[i]!, most - order[i]!.heightPx)
    most = tops[i]! - GAP_PX
  }
  const inner = frame.marginPx + frame.columnPx
  return order.map((note, i) => {
    const rulePx = tops[i]! + RULE_BELOW_TOP_PX
    const x = side === 'left' ? inner + STRAIGHT_PX : frame.widthPx - inner - STRAIGHT_PX
    return { id: note.id, side, yPx: tops[i]!, rulePx, elbow: [x, rulePx], target: [note.x, note.y] }
  })
}

function firstCrossing(placed: readonly PlacedNote[]): readonly [number, number] | null {
  for (let i = 0; i < placed.length; i++)
    for (let j = i + 1; j < placed.length; j++) if (leadersCross(placed[i]!, placed[j]!)) return [i, j]
  return null
}

/** Whether the slanted parts of two leaders cross. Touching ends do not count. */
export function leadersCross(a: PlacedNote, b: PlacedNote): boolean {
  const turn = (p: readonly [number, number], q: readonly [number, number], r: readonly [number, number]) =>
    Math.sign((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]))
  return (
    turn(a.elbow, a.target, b.elbow) * turn(a.elbow, a.target, b.target) < 0 &&
    turn(b.elbow, b.target, a.elbow) * turn(b.elbow, b.target, a.target) < 0
  )
}
