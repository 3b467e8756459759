import type { EventKind, PracticeEvent } from '@peen/core/practice'
import { techniqueById } from '../stores/techniques'
import { t } from '../words'

const TAPS: Readonly<Record<EventKind, string>> = {
  visitOpened: t('shell.tableOpened'),
  visitClosed: t('shell.tableFinished'),
  attemptStarted: t('shell.stepStarted'),
  attemptEnded: t('shell.stepFinished'),
  attemptPaused: t('shell.stepPaused'),
  attemptResumed: t('shell.stepResumed'),
  attemptReopened: t('shell.stepReopened'),
  faultNoted: t('shell.faultNoted'),
  promptGiven: t('shell.promptGiven'),
  helped: t('shell.helpGiven'),
  safetyNoted: t('shell.safetyEventNoted'),
  stressNoted: t('shell.stressNoted'),
  pictureTaken: t('shell.pictureTaken'),
  praised: t('shell.praiseNoted'),
  breakStarted: t('shell.breakStarted'),
  breakEnded: t('shell.breakEnded'),
  stopped: t('shell.workStopped'),
  wentOn: t('shell.workWent'),
  ranOut: t('shell.dogHadEnough'),
  instructorFinished: t('shell.finishedInstructor'),
  selfRated: t('shell.ownRating'),
  attemptsConfirmed: t('shell.attemptsConfirmed'),
  lookedAt: t('shell.instructorLooked'),
  helpAsked: t('shell.helpAsked'),
  holdReleased: t('shell.instructorStood'),
  noted: t('shell.note'),
  annotated: t('shell.detailAddedEarlierTap'),
  undone: t('shell.undo'),
  lateConfirmed: t('shell.lateTapConfirmed')
}

/** What was tapped, in a few words: "Step started: ear edge". */
export function sayTap({ kind, payload }: PracticeEvent): string {
  const { techniqueId } = payload as { readonly techniqueId?: string }
  const technique = techniqueId === undefined ? undefined : techniqueById(techniqueId)
  return technique ? `${TAPS[kind]}: ${technique.name.toLowerCase()}` : TAPS[kind]
}
