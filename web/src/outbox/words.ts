import type { EventKind, PracticeEvent } from '@peen/core/practice'
import { techniqueById } from '../stores/techniques'

const TAPS: Readonly<Record<EventKind, string>> = {
  visitOpened: 'Table opened',
  visitClosed: 'Table finished',
  attemptStarted: 'Step started',
  attemptEnded: 'Step finished',
  attemptPaused: 'Step paused',
  attemptResumed: 'Step resumed',
  attemptReopened: 'Step reopened',
  faultNoted: 'Fault noted',
  promptGiven: 'Prompt given',
  helped: 'Help given',
  safetyNoted: 'Safety event noted',
  stressNoted: 'Stress noted',
  pictureTaken: 'Picture taken',
  praised: 'Praise noted',
  breakStarted: 'Break started',
  breakEnded: 'Break ended',
  stopped: 'Work stopped',
  wentOn: 'Work went on',
  ranOut: 'Dog had enough',
  instructorFinished: 'Finished by the instructor',
  selfRated: 'Own rating',
  attemptsConfirmed: 'Attempts confirmed',
  lookedAt: 'Instructor looked',
  helpAsked: 'Help asked for',
  holdReleased: 'Instructor stood by',
  noted: 'Note',
  annotated: 'More said of an earlier tap',
  undone: 'Undo',
  lateConfirmed: 'Late tap confirmed'
}

/** What was tapped, in a few words: "Step started: ear edge". */
export function sayTap({ kind, payload }: PracticeEvent): string {
  const { techniqueId } = payload as { readonly techniqueId?: string }
  const technique = techniqueId === undefined ? undefined : techniqueById(techniqueId)
  return technique ? `${TAPS[kind]}: ${technique.name.toLowerCase()}` : TAPS[kind]
}
