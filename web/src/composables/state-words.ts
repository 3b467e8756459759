import type { State } from '@peen/core/competency'
import { t } from '../words'

export const STATE_WORDS: Readonly<Record<State, string>> = {
  new: t('shell.new'),
  practising: t('shell.practising'),
  ready: t('shell.readyAssessed'),
  competent: t('shell.competent'),
  slipping: t('shell.slipping'),
  lapsed: t('shell.lapsed'),
  held: t('shell.held')
}
