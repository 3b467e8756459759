// A visit was once called a session. What was hashed then must hash the same today, so what goes into a hash keeps those words.
import { withoutTexts } from './free-text'

const FIRST_KINDS: Readonly<Record<string, string>> = { visitOpened: 'sessionOpened', visitClosed: 'sessionClosed' }

/** A row or an event in the words that its hash was first made with. */
export function inFirstWords(row: object): object {
  const { visitId, kind, ...rest } = row as { readonly visitId?: string; readonly kind?: string }
  return {
    ...rest,
    ...(visitId === undefined ? {} : { sessionId: visitId }),
    ...(kind === undefined ? {} : { kind: FIRST_KINDS[kind] ?? kind })
  }
}

/** The events of a visit as the trail holds them, in the order given, which is the database's own by id. `atDevice`: a date or its ISO form. */
export const eventsAsSealed = (events: readonly SealedEvent[]): object[] =>
  events.map(({ id, v, kind, by, deviceId, seq, lamport, atDevice, late, payload }) =>
    withoutTexts(inFirstWords({ id, v, kind, by, deviceId, seq, lamport, atDevice, late, payload }))
  )
type SealedEvent = Readonly<Record<'id' | 'kind' | 'by' | 'deviceId', string>> & {
  readonly [field in 'v' | 'seq' | 'lamport' | 'atDevice' | 'late' | 'payload']?: unknown
}
