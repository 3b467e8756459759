import { CoreError } from '@peen/core/error'
import { sentenceOf } from '../api/client'
import { t } from '../words'

/** Why a picture was refused, with what to do about it: by the code of core's refusal. */
export function sayRefusal(error: unknown): string {
  if (!(error instanceof CoreError)) return sentenceOf(error)
  const { code, got } = error.issue
  if (code === 'noDog') return t('measure.dogDoesNotStandOut')
  if (code === 'somethingElse')
    return t('measure.shapeFoundDoesNotLook', { x: String(got).match(/(?<!\d)\d+ %/)?.[0] ?? t('measure.tooLittle') })
  if (code === 'pointsTooNear') return t('measure.scaleTooShort', { got: String(got) })
  if (code === 'boardTilted') return t('measure.boardTilted', { got: String(got) })
  if (code === 'tooFewMarkers') return t('measure.boardPartly')
  return error.message
}
