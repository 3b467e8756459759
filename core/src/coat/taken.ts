// What a step that was ended takes from a coat: by the passes of the trim's plan, with the tool that was in the hand.
import type { Attempt, Portion, Side } from '../practice'
import type { RegionId } from '../regions'
import { settingPass, type Pass, type PlacePlan } from '../standard'
import { lengthLeft, type Direction, type Tool } from '../tools'
import { isPaired, STRIPS, type PatchSide, type CoatPlace } from './places'
import type { CoatAct, CoatEntry, Pull } from './types'

/** One ended attempt with live hair under it. `portion`: how much of its places was done. */
export type FloorWork = Pick<Attempt, 'techniqueId' | 'regions' | 'side' | 'toolId' | 'direction'> & {
  readonly attemptId: string
  readonly hands: string
  readonly portion?: Portion
}
/** What was agreed for a place, or a part of it: the tools of its passes, and what stands in the end, mm. */
export type AgreedPlace = {
  readonly region: RegionId
  readonly part?: string
  readonly mm: number | null
  readonly passes?: readonly { readonly technique: string; readonly toolId: string | null; readonly direction: Direction | null }[]
}
export type FloorDay = {
  readonly visitId: string
  readonly on: string
  /** the lengths that were agreed, mm: what scissors leave where they cut */
  readonly lengthsMm: Readonly<Partial<Record<RegionId, number>>>
  readonly rack: readonly Tool[]
  /** what the trim does at each place, as it stands for this house and coat; nothing for a version that does not say it */
  readonly work?: readonly PlacePlan[]
  readonly agreed?: readonly AgreedPlace[]
  /** the tool that a step of the trim is planned with */
  readonly stepTools?: Readonly<Record<string, string | null>>
  /** techniques by which a coat is pulled: what any trim pulls with */
  readonly pulls: ReadonlySet<string>
  /** the places that a technique cuts; none for handling, looking and finishing */
  readonly cutsAt: (technique: string) => readonly RegionId[]
}

/** How much of a place a word means, 0 to 1. Chosen. */
const PORTION01: Readonly<Record<Portion, number>> = Object.freeze({ all: 1, half: 0.5, some: 0.2 })
/** What is written where a blade left less than any blade with the growth, mm: the closest of the series. */
const AT_THE_SKIN_MM = 0.25
/** Where a trim leaves so much more than the tool, the tool only skims the edge of the place, mm. Chosen. */
const SKIMS_MM = 8

export const sideAt = (place: CoatPlace, side: Side): CoatEntry['side'] => (isPaired(place) ? side : 'middle')

/**
 * Lines of the book for one attempt: what its passes took, place by place. Nothing for what sets an edge, runs out, is banded or
 * left alone; nothing for techniques that teach, plan or look. A step outside the plan is written by the tool that cut.
 */
export function entriesOfWork(work: FloorWork, day: FloorDay): readonly CoatEntry[] {
  const taken = work.regions.flatMap((region) => takenAt(region, work, day))
  const seen = new Map<string, number>()
  return taken.flatMap(({ place, act, side }) => {
    const nth = (seen.get(place) ?? 0) + 1
    seen.set(place, nth)
    // a strip lies between two places and is pulled once
    if (nth > 1 && act.kind === 'pulled') return []
    // ids stay the same however often the book is rebuilt, so that a line can be struck
    const id = `${day.visitId}/${work.attemptId}/${place}${nth === 1 ? '' : `/${nth}`}`
    return [{ id, on: day.on, place, side, act, hands: work.hands }]
  })
}

type Taken = { readonly place: CoatPlace; readonly side: PatchSide | 'both'; readonly act: CoatAct }

function takenAt(region: RegionId, work: FloorWork, day: FloorDay): readonly Taken[] {
  const rows = day.work?.filter(({ place }) => place === region) ?? []
  const planned = rows.flatMap((row) =>
    row.passes.filter(({ technique }) => technique === work.techniqueId).map((pass) => ({ row, pass, parts: rows.length }))
  )
  if (planned.length > 0) return planned.flatMap((one) => ofPass(region, one, work, day))
  // a step that was started as it is planned goes over its own places, and over no others that it could be used at
  const isPlanned = day.work?.some(({ passes }) => passes.some(({ technique }) => technique === work.techniqueId)) ?? false
  const usual = day.cutsAt(work.techniqueId)
  const isUsual = work.regions.length === usual.length && usual.every((one) => work.regions.includes(one))
  if ((isPlanned && isUsual) || (rows.length > 0 && rows.every(({ does }) => does === 'leave'))) return []
  const act = actByTool(region, work, day)
  return act === null ? [] : [{ place: region, side: sideAt(region, work.side), act }]
}

type Planned = { readonly row: PlacePlan; readonly pass: Pass; readonly parts: number }

function ofPass(region: RegionId, { row, pass, parts }: Planned, work: FloorWork, day: FloorDay): readonly Taken[] {
  const { tool, direction } = inHand(region, row, pass, work, day)
  const here = (act: CoatAct): Taken[] => [{ place: region, side: sideAt(region, work.side), act }]
  const portion01 = PORTION01[work.portion ?? 'all']
  const share01 = portion01 / parts
  const cut = (toMm: number | null): Taken[] => (toMm === null ? [] : here({ kind: 'cut', toMm, ...(share01 < 1 ? { share01 } : {}) }))
  const standing = () => day.agreed?.find((one) => one.region === region && one.part === row.part)?.mm ?? row.standsMm ?? null
  switch (pass.kind) {
    case 'tap':
    case 'bevel':
    case 'band':
      return []
    case 'card':
      return here({ kind: 'carded' })
    case 'clip':
    case 'attach':
      return pass.leavesMm === null ? [] : cut(tool ? leftBy(tool, direction) : pass.leavesMm)
    case 'scissor':
    case 'thin':
      if (tool && tool.lengthMm !== null) return cut(leftBy(tool, direction))
      if (pass.leavesMm === null) return []
      return cut(settingPass(row) === pass ? (standing() ?? pass.leavesMm) : pass.leavesMm)
    case 'pull':
      // where it hurts to pull it is scissored instead, and written as cut
      if (tool && tool.kind !== 'hand' && tool.kind !== 'brush') return cut(tool.lengthMm === null ? standing() : leftBy(tool, direction))
      return pulled(region, pass, work)
  }
}

/** A strip of border is stripped, never the region it lies at. */
function pulled(region: RegionId, { share }: Pass, { side, portion = 'all' }: FloorWork): readonly Taken[] {
  if (share === 'strip')
    return STRIPS.filter(({ clipped, beside }) => clipped === region || beside === region).map(({ id }) => ({
      place: id,
      side: sideAt(id, side),
      act: pulledAs('all', portion)
    }))
  return [{ place: region, side: sideAt(region, side), act: pulledAs(share === 'all' ? 'all' : 'lightRoll', portion) }]
}

/** Half of what there was to pull is half a pull; a few easy hairs are a light roll. */
function pulledAs(how: Pull, portion: Portion): CoatAct {
  if (portion === 'all') return { kind: 'pulled', how }
  if (how === 'all') return portion === 'half' ? { kind: 'pulled', how: 'half' } : { kind: 'pulled', how: 'lightRoll' }
  return { kind: 'pulled', how, part01: PORTION01[portion] }
}

/** The tool of a pass: as it was agreed for the place, unless another than the step's own was taken. */
function inHand(region: RegionId, row: PlacePlan, pass: Pass, work: FloorWork, day: FloorDay) {
  const byId = (id: string | null | undefined) => day.rack.find((tool) => tool.id === id) ?? null
  const planned = day.stepTools?.[work.techniqueId] ?? null
  const own = work.toolId !== null && work.toolId !== planned ? byId(work.toolId) : null
  if (own) return { tool: own, direction: work.direction }
  const agreed = day.agreed
    ?.find((one) => one.region === region && one.part === row.part)
    ?.passes?.find(({ technique, toolId }) => technique === pass.technique && toolId !== null)
  if (agreed) return { tool: byId(agreed.toolId), direction: agreed.direction }
  const usual = byId(pass.tools[0]) ?? byId(work.toolId)
  return { tool: usual, direction: pass.direction === 'against' ? ('against' as const) : ('with' as const) }
}

/** Without a pass in the plan: what the tool did, where the technique takes hair at all. */
function actByTool(region: RegionId, { techniqueId, toolId, direction }: FloorWork, day: FloorDay): CoatAct | null {
  if (day.cutsAt(techniqueId).length === 0) return null
  const tool = day.rack.find(({ id }) => id === toolId)
  if (!tool || tool.kind === 'brush') return null
  if (tool.kind === 'hand') return day.pulls.has(techniqueId) ? { kind: 'pulled', how: 'lightRoll' } : null
  const planned = day.lengthsMm[region] ?? null
  const left = tool.lengthMm === null ? planned : leftBy(tool, direction)
  if (left === null) return null
  return { kind: 'cut', toMm: planned !== null && planned > left + SKIMS_MM ? planned : left }
}

/** What a tool leaves, mm; a fine blade against the growth leaves next to nothing, and that is what it did. */
function leftBy(tool: Tool, direction: Direction | null): number {
  const left = lengthLeft(tool, direction ?? 'with')
  return left.allowed ? left.lengthMm : AT_THE_SKIN_MM
}
