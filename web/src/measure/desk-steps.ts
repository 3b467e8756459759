// The steps that a photograph goes through on its desk.
import type { Moment } from './useBeforeAfter'
import { t } from '../words'

export type StepId = 'scale' | 'outline' | 'places' | 'found'
type Step = { readonly id: StepId; readonly name: string }

/** A dog that is not trimmed yet is measured by its outline alone. */
export const stepsOf = (moment: Moment): readonly Step[] => [
  { id: 'scale', name: t('measure.n1Scale') },
  { id: 'outline', name: t('measure.n2Outline') },
  ...(moment === 'before'
    ? [{ id: 'found', name: t('measure.n3CameOff') } as const]
    : [{ id: 'places', name: t('measure.n3Places') } as const, { id: 'found', name: t('measure.n4Found') } as const])
]
