// The set-up of one visit: what is left at each place of this dog, with which tool, in which order, and why.
import type { Advice, Choice, CoatType, Fact, Fired } from '../advice'
import type { CoatFinding, SkinFinding, Wish } from '../checkin'
import type { BurnPlace } from '../grade'
import type { Side } from '../practice'
import type { RuleKind } from '../proportions'
import type { RegionId } from '../regions'
import type { Moved, PassDirection, PassKind, PlacePlan, PlanStep, Share, Standard } from '../standard'
import type { Direction, Tool } from '../tools'

/** The coats a trim is made for; where it is tried all the same, a warning or a refusal with its reason. */
export type TrimFit = {
  readonly trim: string
  /** what is measured on the dog for this trim */
  readonly measures: readonly RuleKind[]
  readonly coats: readonly CoatType[]
  readonly warns: readonly { readonly coats: readonly CoatType[]; readonly say: string }[]
  readonly refuses: readonly { readonly coats: readonly CoatType[]; readonly say: string }[]
}

export type LineSide = 'left' | 'right' | 'both' | 'whole'
type LinePlace = RegionId | `${RegionId}.part${number}`
/** The name of a line of the sheet: "back", "cheek.left" where the sides differ, "thigh.part2" for the second part of a place. */
export type LineId = LinePlace | `${LinePlace}.left` | `${LinePlace}.right`
/** A tool that the instructor chose instead of the advised one. */
export type Chosen = { readonly toolId: string; readonly direction: Direction | null }

export type SheetCase = {
  /** the trim as it is written; house rules and wishes are applied to it here */
  readonly standard: Standard
  /** the places that a technique cuts; none for handling and finishing */
  readonly regionsOf: (technique: string) => readonly RegionId[]
  /** the plain name of a technique, which promises no tool */
  readonly nameOf: (technique: string) => string
  /** does a technique wait until the dog is dry and combed to the skin? */
  readonly waits: (technique: string) => boolean
  readonly coat: CoatType
  /** what is true of the dog today, apart from burns, which belong to a place */
  readonly facts: ReadonlySet<Fact>
  readonly burns: readonly BurnPlace[]
  /** places where nothing is cut today, with the sentence */
  readonly stops: readonly { readonly region: RegionId; readonly side: Side; readonly say: string }[]
  /** mats that are still in, and places where pulling hurts: they change the kind of work there */
  readonly mats: readonly CoatFinding[]
  readonly hurts: readonly SkinFinding[]
  readonly house: Readonly<Record<string, number>>
  readonly houseRules: readonly {
    readonly id: string
    readonly question: string
    readonly sides: readonly string[]
    /** steps at which the side is said */
    readonly shownAt?: readonly string[]
  }[]
  readonly rack: readonly Tool[]
  readonly wishes: readonly Wish[]
  readonly excused: readonly { readonly region: RegionId; readonly side: Side; readonly reason: string }[]
  readonly chosen: Readonly<Partial<Record<LineId, Chosen>>>
  /** what was agreed before: a visit by a version without a plan of work finishes on it */
  readonly frozen?: readonly Frozen[] | null
}
/** A line as it was agreed: where, with what, and what it leaves, mm. */
export type Frozen = { readonly place: LineId; readonly tool: string; readonly mm: number | null; readonly stopped: string | null }

/** One pass of a line, with the tool that it is done with on this dog today. Lengths in mm. */
export type SheetPass = {
  readonly kind: PassKind
  readonly technique: string
  readonly direction: PassDirection | null
  readonly where: string | null
  readonly share: Share | null
  /** null where nothing in the rack may be used for it */
  readonly choice: Choice | null
  /** the blade under a comb attachment */
  readonly overBlade: '30' | '10' | null
  readonly leavesMm: number | null
}

export type SheetLine = {
  readonly id: LineId
  readonly region: RegionId
  /** the part of the place, where it is worked in several ways; `isPart` of all but the first, by which the place is graded */
  readonly part: string | null
  readonly isPart: boolean
  readonly side: LineSide
  /** what the trim does here */
  readonly does: PlacePlan['does']
  readonly passes: readonly SheetPass[]
  /** the tool as it was agreed, where the trim does not say the work */
  readonly frozen: string | null
  readonly note: string | null
  /** what changed the kind of work here today, a sentence each */
  readonly named: readonly string[]
  /** the step of the trim in which this place comes, counted from 1 */
  readonly order: number
  readonly step: string
  readonly plannedMm: number | null
  /** the plan's length after house rules and wishes */
  readonly targetMm: number | null
  /** who or what changed the target, as a sentence */
  readonly changedBy: string | null
  readonly choice: Choice | null
  /** the instructor chose it against the advice */
  readonly isOwn: boolean
  /** the blade under a comb attachment */
  readonly overBlade: '30' | '10' | null
  /** what will stand there, mm: the tool's length, or the target where it sets none */
  readonly leavesMm: number | null
  readonly advice: Advice
  /** what to take care of here with this tool */
  readonly cautions: readonly Fired[]
  readonly excused: readonly string[]
  /** why nothing is cut here today */
  readonly stopped: string | null
}

export type Sheet = {
  /** the step before which the gate stands, counted from 1: dry, and combed to the skin; null where no step waits */
  readonly gate: number | null
  /** the order of the work, counted from 1 by their place */
  readonly steps: readonly PlanStep[]
  readonly lines: readonly SheetLine[]
  /** sides in house rules that hold on this visit */
  readonly house: Readonly<Record<string, number>>
  /** what the house or a wish makes of the trim, as sentences */
  readonly moved: readonly Moved[]
  /** what was asked for, each with who asked */
  readonly wishes: readonly string[]
  /** the house rules that decide on this sheet, with the side that holds */
  readonly decided: readonly string[]
  /** house rules that this visit takes otherwise than the school */
  readonly overridden: readonly string[]
}
