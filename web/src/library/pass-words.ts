// The words for passes at the desk where a trim is written.
import type { Tool } from '@peen/core/tools'
import type { PassDirection, PassKind, PlacePlan, Share } from '@peen/core/standard'
import { t } from '../words'

export const KIND_NAMES: Readonly<Record<PassKind, string>> = {
  clip: t('library.clip'),
  attach: t('library.combOverBlade'),
  scissor: t('library.scissor'),
  thin: t('library.thinOrBlend'),
  card: t('library.card'),
  pull: t('library.pull'),
  tap: t('library.tapEdgeOff'),
  bevel: t('library.bevelBladesEdge'),
  band: t('library.bandOrWrap')
}
export const DIRECTION_NAMES: Readonly<Record<PassDirection, string>> = {
  with: t('library.growth2'),
  against: t('library.againstGrowth2'),
  away: t('library.awayFromAnus'),
  off: t('library.offEdgeOntoFinger'),
  right: t('library.rightAngle'),
  edge: t('library.bladesEdgeOnly')
}
export const SHARE_NAMES: Readonly<Record<Share, string>> = {
  all: t('library.everythingComes'),
  top: t('library.longestLayer'),
  tips: t('library.tips'),
  strip: t('library.n25MmStripBorder')
}
export const DOES_NAMES: Readonly<Record<PlacePlan['does'], string>> = {
  passes: t('library.workedPassPass'),
  coat: t('library.coatLeft'),
  leave: t('library.leftAloneCombedThrough'),
  unsaid: t('library.notWrittenYet')
}

/** "blade 10", "comb A", "straight scissors" */
export const toolName = ({ kind, label }: Pick<Tool, 'kind' | 'label'>): string =>
  kind === 'blade' || kind === 'comb' ? `${kind} ${label}` : label
