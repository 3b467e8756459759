// What is done at each place of a trim, in which passes, and what is left alone.
import type { CoatType } from '../advice'
import { REGIONS, type RegionId } from '../regions'
import type { Tool } from '../tools'

export const PASS_KINDS = ['clip', 'attach', 'scissor', 'thin', 'card', 'pull', 'tap', 'bevel', 'band'] as const
/** A kind of work: clipped, comb attachment over a blade, scissored, thinned or blended, carded, pulled, an edge tapped off, a bevel by a blade's edge, banded or wrapped. */
export type PassKind = (typeof PASS_KINDS)[number]

/** With or against the growth; away from the anus; off an edge onto the finger; at a right angle; only the blade's edge. */
export const PASS_DIRECTIONS = ['with', 'against', 'away', 'off', 'right', 'edge'] as const
export type PassDirection = (typeof PASS_DIRECTIONS)[number]

/** How much of what can be pulled: everything, the longest layer, the tips, or a strip of border and never the region. */
export const SHARES = ['all', 'top', 'tips', 'strip'] as const
export type Share = (typeof SHARES)[number]

/** A side of a house rule on which something stands. */
export type HouseSide = { readonly id: string; readonly side: number }

/** One pass over a place. `tools` by rack id, the first is the usual one; `leavesMm` null where it sets no length. */
export type Pass = {
  readonly kind: PassKind
  readonly tools: readonly string[]
  readonly direction: PassDirection | null
  readonly leavesMm: number | null
  readonly technique: string
  readonly where?: string
  readonly share?: Share
  readonly house?: HouseSide
  /** the coats that it stands on; all where none is named */
  readonly coats?: readonly CoatType[]
  /** what the trim is for, where it is worked otherwise for a show; for both where nothing is said */
  readonly purpose?: 'pet' | 'show'
}

export const DOES = ['passes', 'coat', 'leave', 'unsaid'] as const
/**
 * The plan of one place, or of a part of it: ordered passes; work that takes no length, so that the coat itself stands there
 * (`coat`); nothing taken, combed through (`leave`); or, in a trim of before there were plans, not said.
 * `standsMm` is the hair that is expected where no pass sets a length, mm.
 */
export type PlacePlan = {
  readonly place: RegionId
  readonly part?: string
  readonly does: (typeof DOES)[number]
  readonly passes: readonly Pass[]
  readonly standsMm?: number
  readonly note?: string
  readonly house?: HouseSide
}

/** What decides which rows of a plan stand: sides of house rules, the coat (every coat where none is named), and whether it is for a show. */
export type WorkCase = { readonly house: Readonly<Record<string, number>>; readonly coat?: CoatType; readonly isShow?: boolean }

const holds = (side: HouseSide | undefined, { house }: WorkCase) => side === undefined || (house[side.id] ?? 0) === side.side

const stands = ({ house, coats, purpose }: Pass, one: WorkCase) =>
  holds(house, one) &&
  (coats === undefined || one.coat === undefined || coats.includes(one.coat)) &&
  (purpose === undefined || (purpose === 'show') === (one.isShow ?? false))

/** The rows and passes that stand for a house and a coat. */
export function workFor(work: readonly PlacePlan[], one: WorkCase): readonly PlacePlan[] {
  return work.filter(({ house }) => holds(house, one)).map((row) => ({ ...row, passes: row.passes.filter((pass) => stands(pass, one)) }))
}

/** A plan as this house works: where it takes another side than the first, only that side is left; nothing else changes. */
export function workSettled(work: readonly PlacePlan[], house: WorkCase['house']): readonly PlacePlan[] {
  const isOther = (by: HouseSide | undefined) => by !== undefined && (house[by.id] ?? 0) !== 0
  if (!work.some((row) => isOther(row.house) || row.passes.some((pass) => isOther(pass.house)))) return work
  const settled = <T extends { readonly house?: HouseSide }>(all: readonly T[]): T[] =>
    all.flatMap((one) => {
      if (!isOther(one.house)) return [one]
      const { house: by, ...rest } = one
      return by!.side === house[by!.id] ? [rest as T] : []
    })
  return settled(work).map((row) => ({ ...row, passes: settled(row.passes) }))
}

/** A place left longer or shorter inside its kind of work, mm: its last length-setting pass, else the hair that stands there; of a place in parts the first. */
export function workWithLength(work: readonly PlacePlan[], region: RegionId, mm: number): readonly PlacePlan[] {
  const first = { house: {} }
  const at = work.findIndex(({ place, house }) => place === region && holds(house, first))
  return work.map((row, i) => {
    if (i !== at) return row
    const setting = settingPass({ passes: row.passes.filter((pass) => stands(pass, first)) })
    if (!setting) return { ...row, standsMm: mm }
    return { ...row, passes: row.passes.map((pass) => (pass === setting ? { ...pass, leavesMm: mm } : pass)) }
  })
}

/** A plan with one place left longer or shorter, mm: its work and its length together. */
export function planWithLength<P extends { readonly work?: readonly PlacePlan[]; readonly lengthsMm: Lengths }>(
  plan: P,
  region: RegionId,
  mm: number
): P {
  const { work } = plan
  return { ...plan, ...(work ? { work: workWithLength(work, region, mm) } : {}), lengthsMm: { ...plan.lengthsMm, [region]: mm } }
}
type Lengths = Readonly<Partial<Record<RegionId, number>>>

/** The pass that leaves the length of a place; null where none sets one. */
export const settingPass = ({ passes }: Pick<PlacePlan, 'passes'>): Pass | null =>
  passes.findLast(({ leavesMm }) => leavesMm !== null) ?? null

/** The length that a place is left at, mm: what its last length-setting pass leaves, or what the coat gives; null where nothing tells. */
export const lengthOfPlace = (row: Pick<PlacePlan, 'passes' | 'standsMm'>): number | null =>
  settingPass(row)?.leavesMm ?? row.standsMm ?? null

const isDrawn = new Set<RegionId>(
  REGIONS.slice(
    0,
    REGIONS.findIndex(({ id }) => id === 'pads')
  ).map(({ id }) => id)
)

/** The length of every place that a dog is drawn with, mm, by region; of a place in parts the first. Derived, never typed a second time. */
export function lengthsOfWork(work: readonly PlacePlan[], one: WorkCase): Readonly<Partial<Record<RegionId, number>>> {
  const lengths: Partial<Record<RegionId, number>> = {}
  for (const row of workFor(work, one)) {
    const mm = lengthOfPlace(row)
    if (isDrawn.has(row.place) && mm !== null && lengths[row.place] === undefined) lengths[row.place] = mm
  }
  return lengths
}

/** A trim from before there were plans: work not said anywhere, nothing guessed; lengths stay what they were. */
export const unsaidWork = (lengthsMm: Readonly<Partial<Record<RegionId, number>>>): readonly PlacePlan[] =>
  REGIONS.map(({ id }) => {
    const standsMm = lengthsMm[id]
    return { place: id, does: 'unsaid' as const, passes: [], ...(standsMm === undefined ? {} : { standsMm }) }
  })

/** The places at which a technique takes hair, carding among it; not where it only sets an edge, runs out or bands. */
export const placesTaken = (work: readonly PlacePlan[], technique: string): readonly RegionId[] => [
  ...new Set(
    work.flatMap(({ place, passes }) =>
      passes.some((pass) => pass.technique === technique && (pass.kind === 'pull' || pass.kind === 'card' || pass.leavesMm !== null))
        ? [place]
        : []
    )
  )
]

/** The kinds of tools that each kind of work is done with. */
export const TOOLS_OF: Readonly<Record<PassKind, readonly Tool['kind'][]>> = {
  clip: ['blade'],
  attach: ['comb'],
  scissor: ['scissors'],
  thin: ['scissors'],
  card: ['hand', 'brush'],
  pull: ['hand'],
  tap: ['blade'],
  bevel: ['blade'],
  band: ['hand', 'brush']
}
/** Kinds that leave a length by the tool itself, kinds that may leave one, and kinds that never do. */
export const SETS_LENGTH: Readonly<Record<PassKind, 'tool' | 'hand' | 'never'>> = {
  clip: 'tool',
  attach: 'tool',
  scissor: 'hand',
  thin: 'hand',
  card: 'never',
  pull: 'never',
  tap: 'never',
  bevel: 'never',
  band: 'never'
}
/** Kinds of work that take hair by an edge: a place left alone sees none of them. */
export const isCut = (kind: PassKind): boolean => kind !== 'card' && kind !== 'band' && kind !== 'pull'
