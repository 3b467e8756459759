// Whether a visit fits into the day: who, which dog, which table, and what the dog can still stand.

/** A visit of the day; `closed` once its table was closed. */
export type DayVisit = {
  readonly dogId: string
  readonly apprenticeId: string
  readonly tableId: string
  readonly minutes: number
  readonly closed: boolean
}

/** A visit that somebody wants, with the words to say what is in its way. `minutes` is what its trim takes. */
export type WantedVisit = Omit<DayVisit, 'closed'> & {
  readonly dog: string
  readonly dogCanStandMin: number
  readonly apprentice: string
  readonly tableNumber: number
  /** what stands against the dog itself on any day: limited, refused, a coat that the trim does not fit */
  readonly against?: readonly Clash[]
}

/** `blocks`: it cannot be planned; otherwise it is said and the instructor decides. */
export type Clash = {
  readonly code:
    'dogTwice' | 'apprenticeTwice' | 'tableTaken' | 'dogMinutes' | 'schoolOff' | 'away' | 'dogLimited' | 'dogRefused' | 'trimUnfit'
  readonly blocks: boolean
  readonly say: string
}

/** Everything that stands against a visit, the blocking first. */
export function clashesOf(day: readonly DayVisit[], wanted: WantedVisit): readonly Clash[] {
  const open = day.filter(({ closed }) => !closed)
  const clashes: Clash[] = [...(wanted.against ?? [])]
  if (open.some(({ dogId }) => dogId === wanted.dogId))
    clashes.push({ code: 'dogTwice', blocks: true, say: `${wanted.dog} is already on another table.` })
  if (open.some(({ apprenticeId }) => apprenticeId === wanted.apprenticeId))
    clashes.push({ code: 'apprenticeTwice', blocks: true, say: `${wanted.apprentice} is already working on another dog.` })
  if (open.some(({ tableId }) => tableId === wanted.tableId))
    clashes.push({ code: 'tableTaken', blocks: true, say: `Table ${wanted.tableNumber} is taken.` })
  const before = day.filter(({ dogId }) => dogId === wanted.dogId).reduce((sum, { minutes }) => sum + minutes, 0)
  const total = before + wanted.minutes
  if (total > wanted.dogCanStandMin)
    clashes.push({
      code: 'dogMinutes',
      blocks: false,
      say: `${wanted.dog} would be on the table for ${total} minutes today and can manage ${wanted.dogCanStandMin}: plan a break, or less of the trim.`
    })
  return clashes.sort((a, b) => Number(b.blocks) - Number(a.blocks))
}

/** A table needs this much of a room, mm. Chosen: a table, its dog and two people. */
const PLACE_MM = Object.freeze({ wide: 3700, deep: 2900, edge: 400 })

/** The first free place for another table, row by row; mm from the room's upper left corner. */
export function freePlace(
  [widthMm, depthMm]: readonly [number, number],
  taken: readonly { readonly xMm: number; readonly yMm: number }[]
): { readonly xMm: number; readonly yMm: number } | null {
  for (let yMm = PLACE_MM.edge; yMm + PLACE_MM.deep - PLACE_MM.edge <= depthMm; yMm += PLACE_MM.deep) {
    for (let xMm = PLACE_MM.edge; xMm + PLACE_MM.wide - PLACE_MM.edge <= widthMm; xMm += PLACE_MM.wide) {
      const free = taken.every(
        (other) => Math.abs(other.xMm - xMm) >= PLACE_MM.wide * 0.9 || Math.abs(other.yMm - yMm) >= PLACE_MM.deep * 0.9
      )
      if (free) return { xMm, yMm }
    }
  }
  return null
}

/** What a table takes up with its dog and two people, mm. Chosen: a little less than the place it gets at first; what is told of a table is as wide on the Floor. */
const STAND_MM = Object.freeze({ wide: 3520, deep: 2700 })

/**
 * Why a table cannot stand at a place, in a sentence; null where it can. Millimetres from the room's upper left corner
 * to the table's; tables stand clear of each other and of the walls.
 */
export function placeIssue(
  [widthMm, depthMm]: readonly [number, number],
  place: { readonly xMm: number; readonly yMm: number },
  others: readonly { readonly number: number; readonly xMm: number; readonly yMm: number }[]
): string | null {
  const [farX, farY] = [Math.max(0, widthMm - STAND_MM.wide), Math.max(0, depthMm - STAND_MM.deep)]
  if (place.xMm < 0 || place.xMm > farX) return `From the left wall is ${place.xMm} mm; it must be 0 to ${farX} mm.`
  if (place.yMm < 0 || place.yMm > farY) return `From the far wall is ${place.yMm} mm; it must be 0 to ${farY} mm.`
  const near = others.find((other) => Math.abs(other.xMm - place.xMm) < STAND_MM.wide && Math.abs(other.yMm - place.yMm) < STAND_MM.deep)
  return near ? `Table ${near.number} is in the way: leave ${STAND_MM.wide} mm across or ${STAND_MM.deep} mm down between them.` : null
}

/** The place nearest to a wanted one that keeps a table inside the room, mm, on a grid of `stepMm`. */
export function insideRoom(
  [widthMm, depthMm]: readonly [number, number],
  { xMm, yMm }: { readonly xMm: number; readonly yMm: number },
  stepMm = 50
): { readonly xMm: number; readonly yMm: number } {
  const within = (value: number, most: number) => Math.min(Math.max(0, Math.round(value / stepMm) * stepMm), Math.max(0, most))
  return { xMm: within(xMm, widthMm - STAND_MM.wide), yMm: within(yMm, depthMm - STAND_MM.deep) }
}
