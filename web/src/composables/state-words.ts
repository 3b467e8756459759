import type { State } from '@peen/core/competency'
import { t } from '../words'

export const STATE_WORDS: Readonly<Record<State, string>> = {
  new: 'new',
  practising: 'practising',
  ready: t('shell.readyAssessed'),
  competent: 'competent',
  slipping: 'slipping',
  lapsed: 'lapsed',
  held: 'held'
}
