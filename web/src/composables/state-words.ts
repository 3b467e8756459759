import type { State } from '@peen/core/competency'

export const STATE_WORDS: Readonly<Record<State, string>> = {
  new: 'new',
  practising: 'practising',
  ready: 'ready to be assessed',
  competent: 'competent',
  slipping: 'slipping',
  lapsed: 'lapsed',
  held: 'held'
}
