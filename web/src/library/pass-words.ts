// The words for passes at the desk where a trim is written.
import type { Tool } from '@peen/core/tools'
import type { PassDirection, PassKind, PlacePlan, Share } from '@peen/core/standard'

export const KIND_NAMES: Readonly<Record<PassKind, string>> = {
  clip: 'clip',
  attach: 'comb over a blade',
  scissor: 'scissor',
  thin: 'thin or blend',
  card: 'card',
  pull: 'pull',
  tap: 'tap an edge off',
  bevel: 'bevel by a blade’s edge',
  band: 'band or wrap'
}
export const DIRECTION_NAMES: Readonly<Record<PassDirection, string>> = {
  with: 'with the growth',
  against: 'against the growth',
  away: 'away from the anus',
  off: 'off the edge, onto the finger',
  right: 'at a right angle',
  edge: 'the blade’s edge only'
}
export const SHARE_NAMES: Readonly<Record<Share, string>> = {
  all: 'everything that comes',
  top: 'the longest layer',
  tips: 'the tips',
  strip: 'a 25 mm strip of border'
}
export const DOES_NAMES: Readonly<Record<PlacePlan['does'], string>> = {
  passes: 'worked, pass by pass',
  coat: 'the coat itself stands',
  leave: 'left alone, combed through',
  unsaid: 'not written yet'
}

/** "blade 10", "comb A", "straight scissors" */
export const toolName = ({ kind, label }: Pick<Tool, 'kind' | 'label'>): string =>
  kind === 'blade' || kind === 'comb' ? `${kind} ${label}` : label
