import type { RegionId } from '../regions'
import type { Direction } from '../tools'

export const HELP_LEVELS = ['shown', 'handsGuided', 'talkedThrough', 'onePrompt', 'alone'] as const
/** How much help an attempt had, from most to least; `alone` is with the instructor in the room. */
export type HelpLevel = (typeof HELP_LEVELS)[number]

export const HANDS = ['apprentice', 'instructor'] as const
export type Hands = (typeof HANDS)[number]

export const SIDES = ['left', 'right', 'both'] as const
export type Side = (typeof SIDES)[number]

export const WITNESSES = ['watched', 'inspected', 'self'] as const
/** Who vouches: an instructor watched, inspected afterwards, or nobody but the apprentice. */
export type Witness = (typeof WITNESSES)[number]

export const SETTINGS = ['live', 'figure'] as const
export type Setting = (typeof SETTINGS)[number]

export const SEVERITIES = ['near', 'minor', 'serious'] as const
export type Severity = (typeof SEVERITIES)[number]

/** What each kind of event carries. */
export type Payloads = {
  sessionOpened: Record<string, never>
  sessionClosed: Record<string, never>
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
  faultNoted: { readonly attemptId: string; readonly faultId: string; readonly region: RegionId | null; readonly side: Side | null }
  promptGiven: { readonly attemptId: string }
  helped: { readonly attemptId: string; readonly help: HelpLevel; readonly region: RegionId | null; readonly side: Side | null }
  safetyNoted: {
    readonly attemptId: string | null
    readonly hazardId: string
    readonly severity: Severity
    readonly region: RegionId | null
  }
  praised: { readonly attemptId: string | null; readonly text: string }
  breakStarted: Record<string, never>
  breakEnded: { readonly minutes: number }
  stopped: { readonly reason: string }
  /** an instructor stood at the table */
  lookedAt: Record<string, never>
  helpAsked: Record<string, never>
  holdReleased: { readonly techniqueId: string; readonly hazardId: string }
  noted: { readonly text: string }
  undone: { readonly eventId: string }
  lateConfirmed: { readonly eventId: string }
}

export type EventKind = keyof Payloads

export const EVENT_KINDS = [
  'sessionOpened',
  'sessionClosed',
  'attemptStarted',
  'attemptEnded',
  'faultNoted',
  'promptGiven',
  'helped',
  'safetyNoted',
  'praised',
  'breakStarted',
  'breakEnded',
  'stopped',
  'lookedAt',
  'helpAsked',
  'holdReleased',
  'noted',
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
  'holdReleased'
])

export const EVENT_VERSION = 1

/** The envelope around every event at a table. `late` is set by the server for one recorded after the session closed. */
export type PracticeEvent<K extends EventKind = EventKind> = {
  [Kind in K]: {
    readonly id: string
    readonly v: number
    readonly kind: Kind
    readonly sessionId: string
    readonly by: string
    readonly deviceId: string
    readonly seq: number
    readonly lamport: number
    readonly atDevice: string
    readonly receivedAt: string | null
    readonly late?: boolean
    readonly payload: Payloads[Kind]
  }
}[K]

export type FaultSeen = { readonly eventId: string; readonly faultId: string; readonly region: RegionId | null; readonly side: Side | null }
export type SafetySeen = {
  readonly eventId: string
  readonly hazardId: string
  readonly severity: Severity
  readonly region: RegionId | null
  readonly attemptId: string | null
}

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
  readonly ended: { readonly minutes: number; readonly help: HelpLevel; readonly witness: Witness } | null
  readonly prompts: number
  readonly helps: readonly HelpLevel[]
  readonly faults: readonly FaultSeen[]
  readonly safety: readonly SafetySeen[]
}

/** What the events of one session come to. */
export type SessionState = {
  readonly openedAt: string | null
  readonly closedAt: string | null
  readonly stopped: string | null
  readonly onBreakSince: string | null
  /** when an instructor was at the table last, by what only an instructor records */
  readonly seenAt: string | null
  /** since when the apprentice asks for help; an instructor who comes answers it */
  readonly askedAt: string | null
  readonly breakMin: number
  readonly attempts: readonly Attempt[]
  readonly safety: readonly SafetySeen[]
  readonly praises: readonly { readonly eventId: string; readonly text: string; readonly attemptId: string | null }[]
  readonly notes: readonly { readonly eventId: string; readonly text: string; readonly by: string }[]
  readonly released: readonly { readonly techniqueId: string; readonly hazardId: string; readonly by: string }[]
  readonly tally: Readonly<Record<'fault' | 'prompt' | 'helped' | 'praise' | 'break', number>>
  /** late events that an instructor has still to confirm */
  readonly waiting: readonly string[]
  /** events of a version or kind this code does not know: kept, not folded */
  readonly unknown: readonly string[]
  readonly lastLamport: number
}
