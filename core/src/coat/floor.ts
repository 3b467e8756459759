// What a session on the floor writes into the coat book: attempts, what came in, what was measured.
import type { CoatFinding } from '../checkin'
import type { PartResult } from '../grade'
import type { Attempt, Side } from '../practice'
import { regionOf, type RegionId } from '../regions'
import { isCut, type PlacePlan } from '../standard'
import { lengthLeft, type Direction, type Tool } from '../tools'
import { isPaired, STRIPS, type PatchSide, type PlaceId } from './places'
import type { CoatAct, CoatEntry, Pull } from './types'

/** What a technique does to the coat; `how` by the trim where it is not the same in all. */
export type CoatWork =
  | { readonly does: 'pull'; readonly how: Pull; readonly inTrim?: Readonly<Record<string, Pull>> }
  | { readonly does: 'card' }
  /** the border strips are stripped, not the regions they lie at */
  | { readonly does: 'strips' }
  /** by the blade, comb or scissors in the hand */
  | { readonly does: 'cut' }
export type CoatWorks = { readonly [techniqueId: string]: CoatWork }

/** One ended attempt with live hair under it. */
export type FloorWork = Pick<Attempt, 'techniqueId' | 'regions' | 'side' | 'toolId' | 'direction'> & {
  readonly attemptId: string
  readonly hands: string
}
export type FloorDay = {
  readonly sessionId: string
  readonly on: string
  readonly standardId: string
  /** the trim's lengths, mm: what scissors leave where they cut */
  readonly lengthsMm: Readonly<Partial<Record<RegionId, number>>>
  readonly rack: readonly Tool[]
  readonly works: CoatWorks
  /** what the trim does at each place, as it stands for this house; nothing for a version that does not say it */
  readonly work?: readonly PlacePlan[]
}

const SIDE_AT = (place: PlaceId, side: Side): CoatEntry['side'] => (isPaired(place) ? side : 'middle')

/** Lines of the book for one attempt; none where the technique takes no hair, or no length is known. */
export function entriesOfWork(work: FloorWork, day: FloorDay): readonly CoatEntry[] {
  const does = day.works[work.techniqueId]
  if (!does) return []
  const tool = day.rack.find(({ id }) => id === work.toolId)
  const taken = work.regions.filter((region) => takesHair(region, work.techniqueId, day))
  const places: readonly PlaceId[] = does.does === 'strips' ? stripsAt(taken) : taken
  return places.flatMap((place) => {
    const act = actOf(does, place, tool, work.direction, day)
    if (!act) return []
    // ids stay the same however often the book is made anew, so that a line can be struck
    const id = `${day.sessionId}/${work.attemptId}/${place}`
    return [{ id, on: day.on, place, side: SIDE_AT(place, work.side), act, hands: work.hands }]
  })
}

/** Nothing is written where the trim leaves a place alone, nor for a pass that only runs out, sets an edge or opens a corner. */
function takesHair(region: RegionId, technique: string, { work }: FloorDay): boolean {
  const rows = work?.filter(({ place }) => place === region) ?? []
  if (rows.length === 0) return true
  const passes = rows.flatMap((row) => row.passes).filter((pass) => pass.technique === technique)
  const onlyRuns = passes.length > 0 && passes.every(({ kind, leavesMm }) => isCut(kind) && leavesMm === null)
  return !onlyRuns && rows.some(({ does }) => does !== 'leave')
}

/** Strips that lie at any of the regions. */
function stripsAt(regions: readonly RegionId[]): readonly PlaceId[] {
  return STRIPS.filter(({ clipped, beside }) => regions.includes(clipped) || regions.includes(beside)).map(({ id }) => id)
}

function actOf(does: CoatWork, place: PlaceId, tool: Tool | undefined, direction: Direction | null, day: FloorDay): CoatAct | null {
  if (does.does === 'card') return { kind: 'carded' }
  // where it hurts to pull it is scissored instead, and recorded as cut
  const cuts = tool !== undefined && tool.kind !== 'hand' && tool.kind !== 'brush'
  if (cuts) {
    const toMm = leftAt(place, tool, direction, day)
    return toMm === null ? null : { kind: 'cut', toMm }
  }
  // scissor work of a trim that is done with fingers is a little of the longest hair
  if (does.does === 'cut') return tool?.kind === 'hand' ? { kind: 'pulled', how: 'lightRoll' } : null
  return { kind: 'pulled', how: does.does === 'pull' ? (does.inTrim?.[day.standardId] ?? does.how) : 'all' }
}

/** Where a trim leaves so much more than the tool, the tool only skims the edge of the place, mm. Chosen. */
const SKIMS_MM = 8

/** What is written where a blade left less than any blade with the growth, mm: the closest of the series. */
const AT_THE_SKIN_MM = 0.25

/** What a tool leaves at a place, mm: its own length, or the trim's where scissors shape it or the clipper only runs out over it. */
function leftAt(place: PlaceId, tool: Tool, direction: Direction | null, day: FloorDay): number | null {
  const planned = day.lengthsMm[place as RegionId] ?? null
  const left = tool.lengthMm !== null ? lengthLeft(tool, direction ?? 'with') : null
  // a fine blade against the growth leaves next to nothing, and that is what it did
  if (!left?.allowed) return tool.kind === 'scissors' ? planned : tool.kind === 'blade' ? AT_THE_SKIN_MM : null
  return planned !== null && planned > left.lengthMm + SKIMS_MM ? planned : left.lengthMm
}

/** Holes and missing hair that came in with the dog. Mats still in the coat are no holes. */
export function entriesOfFindings(sessionId: string, on: string, coat: readonly CoatFinding[], by: string | null): readonly CoatEntry[] {
  return coat.flatMap(({ kind, region, side, widthMm }, i): CoatEntry[] =>
    kind === 'mat'
      ? []
      : [
          {
            id: `${sessionId}/found/${i}`,
            on,
            place: region,
            side: SIDE_AT(region, side),
            act: { kind: 'hole', widthMm, cause: kind },
            hands: by
          }
        ]
  )
}

/** Lengths that an assessor read on the finished trim, with their u. One side of a pair for each; the whole of a pair is both sides. */
export function entriesOfGrading(
  gradingId: string,
  on: string,
  parts: readonly PartResult[],
  lengths: ReadonlySet<string>,
  by: string
): readonly CoatEntry[] {
  return parts.flatMap(({ criterionId, side, region, basis, valueMm, uMm }): CoatEntry[] => {
    if (!lengths.has(criterionId) || basis !== 'readings' || valueMm === null || uMm === null) return []
    const at: PatchSide | 'both' = !regionOf(region).paired ? 'middle' : side === 'whole' ? 'both' : side
    return [
      { id: `${gradingId}/${criterionId}/${side}`, on, place: region, side: at, act: { kind: 'length', mm: valueMm, uMm }, hands: by }
    ]
  })
}
