import type { GlobalRating } from '../grade'
import type { RegionId } from '../regions'
import type { HelpLevel, Side } from '../terms'
import type { Direction } from '../tools'

export { HELP_LEVELS, SIDES, type HelpLevel, type Side } from '../terms'

export const HANDS = ['apprentice', 'instructor'] as const
export type Hands = (typeof HANDS)[number]

export const WITNESSES = ['watched', 'inspected', 'self'] as const
/** Who vouches: an instructor watched, inspected afterwards, or nobody but the apprentice. */
export type Witness = (typeof WITNESSES)[number]

export const SETTINGS = ['live', 'figure'] as const
export type Setting = (typeof SETTINGS)[number]

export const SEVERITIES = ['near', 'minor', 'serious'] as const
export type Severity = (typeof SEVERITIES)[number]

export const STRESS_LEVELS = ['restless', 'fights', 'panics'] as const
/** What the dog shows, from the first fussing to a dog in distress. */
export type StressLevel = (typeof STRESS_LEVELS)[number]

export const RAN_OUT_ENDS = ['instructor', 'home'] as const
/** The two honest ends when the dog can stand no longer: the instructor finishes, or it goes home as it is. */
export type RanOutEnd = (typeof RAN_OUT_ENDS)[number]

/** One attempt as it is confirmed or corrected at the end of a table. */
export type ConfirmedAttempt = {
  readonly attemptId: string
  readonly minutes: number
  readonly help: HelpLevel
  readonly witness: Witness
  readonly hands: Hands
  readonly side: Side
  /** how much of its places was done; all of it where nothing is said */
  readonly portion?: Portion
}
export const PORTIONS = ['all', 'half', 'some'] as const
/** All of a step's places, about half of the hair there was to take, or only what came easily. */
export type Portion = (typeof PORTIONS)[number]

/** What each kind of event carries. */
export type Payloads = {
  visitOpened: Record<string, never>
  visitClosed: Record<string, never>
  attemptStarted: {
    readonly attemptId: string
    readonly techniqueId: string
    readonly regions: readonly RegionId[]
    readonly side: Side
    readonly toolId: string | null
    readonly direction: Direction | null
    readonly hands: Hands
    readonly setting: Setting
  }
  attemptEnded: { readonly attemptId: string; readonly minutes: number; readonly help: HelpLevel; readonly witness: Witness }
  /** clocks of a step: paused while another is done, back to one that was ended */
  attemptPaused: { readonly attemptId: string }
  attemptResumed: { readonly attemptId: string }
  attemptReopened: { readonly attemptId: string }
  /** `faultId` null: one tap said that there is a fault, not yet which */
  faultNoted: {
    readonly attemptId: string
    readonly faultId: string | null
    /** with the fault `other`: what it was */
    readonly text?: string
    readonly region: RegionId | null
    readonly side: Side | null
  }
  promptGiven: { readonly attemptId: string }
  /** `help` null: not said yet how */
  helped: { readonly attemptId: string; readonly help: HelpLevel | null; readonly region: RegionId | null; readonly side: Side | null }
  safetyNoted: {
    readonly attemptId: string | null
    readonly hazardId: string
    readonly severity: Severity
    readonly region: RegionId | null
  }
  stressNoted: { readonly attemptId: string | null; readonly level: StressLevel }
  pictureTaken: { readonly attemptId: string | null; readonly pictureId: string }
  praised: { readonly attemptId: string | null; readonly text: string }
  breakStarted: Record<string, never>
  breakEnded: { readonly minutes: number }
  /** the reason may come afterwards */
  stopped: { readonly reason: string }
  wentOn: Record<string, never>
  /** the dog can stand no longer today */
  ranOut: { readonly how: RanOutEnd }
  /** what the instructor's own hands finished of the trim; the side is the dog's own */
  instructorFinished: { readonly regions: readonly RegionId[]; readonly side: Side }
  /** how the apprentice sees the own trim, before the mark is shown */
  selfRated: { readonly rating: GlobalRating; readonly best: string; readonly mend: string }
  /** the end of a table: every attempt as the instructor says it was; struck notes count for nothing */
  attemptsConfirmed: { readonly attempts: readonly ConfirmedAttempt[]; readonly struck: readonly string[] }
  /** an instructor stood at the table */
  lookedAt: Record<string, never>
  helpAsked: Record<string, never>
  holdReleased: { readonly techniqueId: string; readonly hazardId: string }
  noted: { readonly text: string }
  /** says more of an earlier tap; once the seconds for undoing are over, the only way to change what it says */
  annotated: {
    readonly eventId: string
    readonly text?: string
    readonly faultId?: string
    readonly region?: RegionId | null
    readonly side?: Side | null
    readonly help?: HelpLevel
    readonly level?: StressLevel
  }
  /** `reason`: why a note is taken back after the table was finished */
  undone: { readonly eventId: string; readonly reason?: string }
  lateConfirmed: { readonly eventId: string }
}

export type EventKind = keyof Payloads

export const EVENT_KINDS = [
  'visitOpened',
  'visitClosed',
  'attemptStarted',
  'attemptEnded',
  'attemptPaused',
  'attemptResumed',
  'attemptReopened',
  'faultNoted',
  'promptGiven',
  'helped',
  'safetyNoted',
  'stressNoted',
  'pictureTaken',
  'praised',
  'breakStarted',
  'breakEnded',
  'stopped',
  'wentOn',
  'ranOut',
  'instructorFinished',
  'selfRated',
  'attemptsConfirmed',
  'lookedAt',
  'helpAsked',
  'holdReleased',
  'noted',
  'annotated',
  'undone',
  'lateConfirmed'
] as const satisfies readonly EventKind[]

/** Only somebody who stands at the table and vouches records these. */
export const STAFF_KINDS: ReadonlySet<EventKind> = new Set([
  'faultNoted',
  'promptGiven',
  'helped',
  'safetyNoted',
  'praised',
  'lookedAt',
  'holdReleased',
  'instructorFinished',
  'attemptsConfirmed'
])

/** A fault that no technique's list knows: its words are said with it. */
export const OTHER_FAULT = 'other'

export const AWAYS = ['in', 'picked'] as const
/** Who tapped without the server: the one who was in when it went, or a name that was only picked, without a PIN. */
export type Away = (typeof AWAYS)[number]

/** What a signature rests on: not to be said under a name that was only picked. */
export const VOUCHING_KINDS: ReadonlySet<EventKind> = new Set(['attemptsConfirmed', 'lateConfirmed', 'holdReleased'])

export const EVENT_VERSION = 1

/** The envelope around every event at a table. `late` is set by the server for one recorded after the visit closed. */
export type PracticeEvent<K extends EventKind = EventKind> = {
  [Kind in K]: {
    readonly id: string
    readonly v: number
    readonly kind: Kind
    readonly visitId: string
    readonly by: string
    readonly deviceId: string
    readonly seq: number
    readonly lamport: number
    readonly atDevice: string
    readonly receivedAt: string | null
    readonly late?: boolean
    /** what the device's clock must be moved by, ms; set by the server where it found the clock wrong */
    readonly clockOffMs?: number | null
    /** tapped while the server could not be reached; absent for every other tap */
    readonly away?: Away | null
    /** where it stands in the order in which tablets are told; set by the server */
    readonly position?: number | null
    readonly payload: Payloads[Kind]
  }
}[K]

export type FaultSeen = {
  readonly eventId: string
  readonly faultId: string | null
  /** the words of a fault that no list knows */
  readonly words?: string
  readonly region: RegionId | null
  readonly side: Side | null
}
export type SafetySeen = {
  readonly eventId: string
  readonly hazardId: string
  readonly severity: Severity
  readonly region: RegionId | null
  readonly attemptId: string | null
}
/** From one moment to another, ISO; `to` null while it lasts. */
export type Span = { readonly from: string; readonly to: string | null }

export type Attempt = {
  readonly id: string
  readonly techniqueId: string
  readonly regions: readonly RegionId[]
  readonly side: Side
  readonly toolId: string | null
  readonly direction: Direction | null
  readonly hands: Hands
  readonly setting: Setting
  readonly startedAt: string
  /** when it was worked at; one span runs at most */
  readonly spans: readonly Span[]
  readonly ended: { readonly minutes: number; readonly help: HelpLevel; readonly witness: Witness } | null
  /** the dog's minutes ran out under it: no evidence, and nothing is lost by it */
  readonly cutShort: boolean
  readonly portion?: Portion
  /** an instructor went through it at the end of the table */
  readonly confirmed: boolean
  /** somebody who vouches was at the table while it ran */
  readonly watched: boolean
  readonly prompts: number
  readonly helps: readonly (HelpLevel | null)[]
  readonly faults: readonly FaultSeen[]
  readonly safety: readonly SafetySeen[]
}

/** What the events of one visit come to. */
export type VisitState = {
  readonly openedAt: string | null
  readonly closedAt: string | null
  readonly stopped: string | null
  readonly onBreakSince: string | null
  /** when an instructor was at the table last, by what only an instructor records */
  readonly seenAt: string | null
  /** since when the apprentice asks for help; an instructor who comes answers it */
  readonly askedAt: string | null
  /** since when the dog panics; an instructor who comes answers it, and so does a dog that comes down */
  readonly panicsSince: string | null
  /** breaks and stops: no clock runs in them */
  readonly pauses: readonly (Span & { readonly why: 'break' | 'stop' })[]
  readonly attempts: readonly Attempt[]
  readonly safety: readonly SafetySeen[]
  readonly stresses: readonly { readonly eventId: string; readonly level: StressLevel; readonly at: string }[]
  readonly pictures: readonly { readonly eventId: string; readonly pictureId: string }[]
  readonly praises: readonly { readonly eventId: string; readonly text: string; readonly attemptId: string | null }[]
  readonly notes: readonly { readonly eventId: string; readonly text: string; readonly by: string }[]
  /** what was said afterwards about a tap, by its id */
  readonly remarks: Readonly<Record<string, readonly string[]>>
  /** faults, help and stops of which nobody has said yet which, how or why */
  readonly unsaid: readonly string[]
  readonly released: readonly { readonly techniqueId: string; readonly hazardId: string; readonly by: string; readonly at: string }[]
  readonly byInstructor: readonly { readonly eventId: string; readonly regions: readonly RegionId[]; readonly side: Side }[]
  readonly ranOut: { readonly how: RanOutEnd; readonly at: string } | null
  readonly selfRating: Payloads['selfRated'] | null
  readonly confirmedBy: string | null
  readonly tally: Readonly<Record<Tallied, number>>
  /** late events that an instructor has still to confirm */
  readonly waiting: readonly string[]
  /** events of a version or kind this code does not know: kept, not folded */
  readonly unknown: readonly string[]
  /** events that were taken back, or struck, and not put back */
  readonly undone: readonly string[]
  /** a step that two tablets started is one attempt: the id of the other start, to the attempt's own */
  readonly aliases: Readonly<Record<string, string>>
  readonly lastLamport: number
}
export type Tallied = 'fault' | 'prompt' | 'helped' | 'praise' | 'stress' | 'picture' | 'break'
