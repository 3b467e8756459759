// A tablet at a table: taps with their envelope; and the ids that a scenario gave.
import type { EventKind, Payloads, PracticeEvent } from '@peen/core/practice'
import type { Chance } from './random'

const MINUTE_MS = 60000

export type Ids = {
  readonly person: ReadonlyMap<string, string>
  readonly dog: ReadonlyMap<string, string>
  readonly table: ReadonlyMap<number, string>
}

export type Tape = {
  readonly events: PracticeEvent[]
  readonly add: <K extends EventKind>(kind: K, payload: Payloads[K], drawn?: Chance) => void
  readonly pass: (minutes: number) => void
  readonly now: () => Date
}

/** A tablet at a table: taps with their envelope, in the order they were made. */
export function tapeFor(visitId: string, by: string, deviceId: string, opened: Date, chance: Chance): Tape {
  const events: PracticeEvent[] = []
  let at = opened
  return {
    events,
    now: () => at,
    pass: (minutes) => (at = new Date(at.getTime() + minutes * MINUTE_MS)),
    add: (kind, payload, drawn = chance) => {
      const n = events.length + 1
      events.push({
        id: drawn.id(at),
        v: 1,
        kind,
        visitId,
        by,
        deviceId,
        seq: n,
        lamport: n,
        atDevice: at.toISOString(),
        receivedAt: null,
        payload
      } as PracticeEvent)
    }
  }
}
