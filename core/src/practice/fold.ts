import { apply, startedWith, type Draft } from './apply'
import { EVENT_KINDS, EVENT_VERSION, type Payloads, type PracticeEvent, type VisitState } from './types'

const before = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)

/**
 * Order of events: lamport, then device, then that device's own count; never clocks. Only where a device has counted
 * twice the same does the id decide, so that there is one order even then.
 */
export function eventOrder(a: PracticeEvent, b: PracticeEvent): number {
  return a.lamport - b.lamport || before(a.deviceId, b.deviceId) || a.seq - b.seq || before(a.id, b.id)
}

/**
 * The state of one visit, folded from its events; the same code in browser and server. Takes time in proportion to
 * the events. Undone and struck events count for nothing; an undo can itself be undone. A late event waits until it is
 * confirmed. Events of an unknown version or kind are kept in `unknown`. Neither the order in which events are passed
 * nor the same event passed twice makes a difference. What one tap left open is taken from what was said of it later.
 */
export function foldVisit(events: readonly PracticeEvent[]): VisitState {
  return stateOf(begun(events))
}

/** A visit that is folded as its events come. Its state is a view: it changes with the next event. */
export type Folding = {
  /** Takes one event in: in the time of that event alone where it comes last and speaks of no earlier one. */
  readonly add: (event: PracticeEvent) => void
  readonly state: () => VisitState
  readonly has: (id: string) => boolean
  /** every event that came, in the order in which they came */
  readonly events: readonly PracticeEvent[]
}

/** The same state as `foldVisit` of all events, at any moment, whatever comes. */
export function foldingOf(events: readonly PracticeEvent[]): Folding {
  const all = [...events]
  let folded = begun(all)
  return {
    events: all,
    has: (id) => folded.ids.has(id),
    state: () => stateOf(folded),
    add(event) {
      if (folded.ids.has(event.id)) return
      all.push(event)
      if (speaksOfEarlier(event) || (folded.last && eventOrder(folded.last, event) > 0)) folded = begun(all)
      else step(folded, event)
    }
  }
}

type Folded = {
  readonly draft: Draft
  readonly ids: Set<string>
  readonly undone: ReadonlySet<string>
  readonly confirmed: ReadonlySet<string>
  readonly said: ReadonlyMap<string, Payloads['annotated']>
  last: PracticeEvent | null
}

/** What changes how an event before it is read. */
const speaksOfEarlier = (event: PracticeEvent) =>
  event.kind === 'undone' || event.kind === 'annotated' || event.kind === 'lateConfirmed' || event.kind === 'attemptsConfirmed'

function begun(events: readonly PracticeEvent[]): Folded {
  const ordered = inOrder(events)
  const undone = takenBack(ordered)
  const confirmed = new Set<string>()
  const said = new Map<string, Payloads['annotated']>()
  for (const event of ordered) {
    if (!isKnown(event) || undone.has(event.id)) continue
    if (event.kind === 'lateConfirmed') confirmed.add(event.payload.eventId)
    if (event.kind === 'annotated') said.set(event.payload.eventId, { ...said.get(event.payload.eventId), ...event.payload })
  }
  const folded: Folded = { draft: startedWith(0), ids: new Set(), undone, confirmed, said, last: null }
  for (const event of ordered) step(folded, event)
  return folded
}

function step(folded: Folded, event: PracticeEvent): void {
  const { draft, undone, confirmed, said } = folded
  folded.ids.add(event.id)
  folded.last = event
  draft.lastLamport = event.lamport
  if (!isKnown(event)) draft.unknown.push(event.id)
  else if (undone.has(event.id)) return
  else if (event.late && !confirmed.has(event.id)) draft.waiting.push(event.id)
  else apply(draft, withMore(event, said.get(event.id)))
}

function stateOf({ draft, undone }: Folded): VisitState {
  const { open: _open, byId, ...state } = draft
  const aliases = Object.fromEntries([...byId].flatMap(([id, attempt]) => (id === attempt.id ? [] : [[id, attempt.id]])))
  return { ...state, aliases, undone: [...undone] }
}

function isKnown(event: PracticeEvent): boolean {
  return event.v === EVENT_VERSION && KNOWN.has(event.kind)
}
const KNOWN: ReadonlySet<string> = new Set(EVENT_KINDS)

/** Sorted, each id once; left as it is where it is in order already. */
function inOrder(events: readonly PracticeEvent[]): readonly PracticeEvent[] {
  const isSorted = events.every((event, i) => i === 0 || eventOrder(events[i - 1]!, event) <= 0)
  const sorted = isSorted ? events : [...events].sort(eventOrder)
  const seen = new Set<string>()
  const once = sorted.filter(({ id }) => !seen.has(id) && seen.add(id))
  return once.length === events.length ? sorted : once
}

// Read from the newest back: an undo that was itself undone undoes nothing. Struck at the end of a table is as undone.
function takenBack(ordered: readonly PracticeEvent[]): ReadonlySet<string> {
  const undone = new Set<string>()
  for (let i = ordered.length - 1; i >= 0; i--) {
    const event = ordered[i]!
    if (undone.has(event.id) || !isKnown(event)) continue
    if (event.kind === 'undone') undone.add(event.payload.eventId)
    else if (event.kind === 'attemptsConfirmed') for (const id of event.payload.struck) undone.add(id)
  }
  return undone
}

/** A tap with what was said of it afterwards. */
function withMore(event: PracticeEvent, more: Payloads['annotated'] | undefined): PracticeEvent {
  if (!more) return event
  const { faultId, region, side, help, level, text } = more
  const place = { ...(region === undefined ? {} : { region }), ...(side === undefined ? {} : { side }) }
  switch (event.kind) {
    case 'faultNoted':
      return {
        ...event,
        payload: { ...event.payload, ...place, faultId: faultId ?? event.payload.faultId, text: text ?? event.payload.text }
      }
    case 'helped':
      return { ...event, payload: { ...event.payload, ...place, help: help ?? event.payload.help } }
    case 'stressNoted':
      return { ...event, payload: { ...event.payload, level: level ?? event.payload.level } }
    case 'praised':
      return { ...event, payload: { ...event.payload, text: event.payload.text || (text ?? '') } }
    case 'stopped':
      return { ...event, payload: { reason: event.payload.reason || (text ?? '') } }
    default:
      return event
  }
}
