import { eventTime } from './apply'
import type { EventKind, PracticeEvent } from './types'

/** Seconds in which a tap is taken back; after that it is annotated. Source: our own choice, long enough to see a wrong key. */
export const UNDO_SECONDS = 10

/** Not notes of what was seen, but what the table is in: taken back whenever it is no longer so. */
const ANY_TIME: ReadonlySet<EventKind> = new Set(['visitClosed', 'helpAsked', 'ranOut'])

/** What was noted of the work: a wrong tap is taken back as long as the table is not finished, and later with a reason. */
const NOTES: ReadonlySet<EventKind> = new Set(['faultNoted', 'promptGiven', 'helped', 'stressNoted', 'praised'])

/** Is it a note of what was seen, which may turn out to have been tapped by mistake? */
export const isNote = ({ kind }: Pick<PracticeEvent, 'kind'>): boolean => NOTES.has(kind)

/**
 * Whether one event may be taken back by another: within ten seconds of it, by the clocks of the tablets; at any time for
 * what a table is in; a note as long as the table is not finished, and after that by whoever vouches, with a reason.
 */
export function mayUndo(
  target: PracticeEvent,
  undo: Pick<PracticeEvent, 'atDevice' | 'clockOffMs'>,
  table: { readonly isFinished: boolean; readonly hasReason: boolean; readonly isStaff: boolean }
): boolean {
  if (ANY_TIME.has(target.kind)) return true
  if (isNote(target) && (!table.isFinished || (table.isStaff && table.hasReason))) return true
  const apartMs = Date.parse(eventTime(undo as PracticeEvent)) - Date.parse(eventTime(target))
  return Math.abs(apartMs) <= UNDO_SECONDS * 1000
}

/** How far a tablet's clock may be off before it is put right, ms. Chosen: more than the way to the server takes, less than a minute of work. */
export const CLOCK_TOLERANCE_MS = 30000

/**
 * By how much the time of an event is moved, ms; null where it stands. `sentAt` is what the tablet's clock said when it
 * sent: the difference to `receivedAt` is how far that clock is off, however long the event waited. Without it, only an
 * event from the future shows: it happened when it arrived, at the latest.
 */
export function clockOff(atDevice: string, receivedAt: string, sentAt: string | null): number | null {
  const received = Date.parse(receivedAt)
  const off = received - Date.parse(sentAt ?? atDevice)
  if (Number.isNaN(off)) return null
  if (sentAt !== null) return Math.abs(off) > CLOCK_TOLERANCE_MS ? off : null
  return off < -CLOCK_TOLERANCE_MS ? off : null
}
