import { CoreError } from '@peen/core/error'
import { sentenceOf } from '../api/client'

/** Why a picture was refused, with what to do about it: by the code of core's refusal. */
export function sayRefusal(error: unknown): string {
  if (!(error instanceof CoreError)) return sentenceOf(error)
  const { code, got } = error.issue
  if (code === 'noDog')
    return 'No dog stands out from the backdrop. Touch the backdrop in several places, paint the dog with the brush, or take another picture before a plain wall.'
  if (code === 'somethingElse')
    return `What stands out does not look like this dog seen from here (${String(got).match(/(?<!\d)\d+ %/)?.[0] ?? 'too little'} alike). Is it the right picture? Correct the outline, or take another one.`
  if (code === 'pointsTooNear')
    return `The two ends of the scale are ${String(got)}; allowed is 20 px or more. Touch both ends of the ruler.`
  return error.message
}
