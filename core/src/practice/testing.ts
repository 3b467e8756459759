// Taps for the tests of this room: each later than the one before.
import type { EventKind, Payloads, PracticeEvent } from './types'

let made = 0
/** The minute of a morning, as ISO. */
export const at = (minute: number) => new Date(Date.parse('2026-04-14T08:00:00.000Z') + minute * 60000).toISOString()

export function event<K extends EventKind>(kind: K, payload: Payloads[K], minute = 0, change: Partial<PracticeEvent> = {}): PracticeEvent {
  made++
  return {
    id: `e${made}`,
    v: 1,
    kind,
    visitId: 's',
    by: 'ruben',
    deviceId: 'tablet',
    seq: made,
    lamport: made,
    atDevice: at(minute),
    receivedAt: null,
    payload,
    ...change
  } as PracticeEvent
}

export const started = (attemptId: string, change: Partial<Payloads['attemptStarted']> = {}, minute = 0) =>
  event(
    'attemptStarted',
    {
      attemptId,
      techniqueId: 'skirt-line',
      regions: ['skirt'],
      side: 'both',
      toolId: 'scissors-straight',
      direction: null,
      hands: 'apprentice',
      setting: 'live',
      ...change
    },
    minute
  )

export const ended = (attemptId: string, change: Partial<Payloads['attemptEnded']> = {}, minute = 0) =>
  event('attemptEnded', { attemptId, minutes: 9, help: 'alone', witness: 'watched', ...change }, minute)

export const fault = (attemptId: string, faultId: string | null, minute = 0) =>
  event('faultNoted', { attemptId, faultId, region: 'skirt', side: 'left' }, minute)
