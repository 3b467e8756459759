import type { CoatType } from '../advice'
import type { TrimFit } from './types'

export type Fit = { readonly verdict: 'fits' | 'warned' | 'refused'; readonly say: string | null }

/** Whether a trim can be cut in a coat. A trim without an entry fits every coat. Common practice, no published source. */
export function fitOf(fits: readonly TrimFit[], trim: string, coat: CoatType): Fit {
  const fit = fits.find((one) => one.trim === trim)
  const refusal = fit?.refuses.find(({ coats }) => coats.includes(coat))
  if (refusal) return { verdict: 'refused', say: refusal.say }
  const warning = fit?.warns.find(({ coats }) => coats.includes(coat))
  if (warning) return { verdict: 'warned', say: warning.say }
  return { verdict: 'fits', say: null }
}
