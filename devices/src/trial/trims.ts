// The trims that drawn dogs are tried in, and what each is measured for.
import type { BodyType, Coat } from '@peen/core/figure'
import type { TrialTrim } from './dogs'

const MEASURES: Readonly<Record<string, TrialTrim['measures']>> = {
  flower: { head: ['headCircle', 'headPair', 'headTop'], profile: ['topline', 'skirtLine', 'skirtSlope'] },
  teddy: { head: ['headCircle', 'headTop'], profile: ['topline'] },
  companion: { head: ['headCircle', 'headTop'], profile: ['topline'] },
  'bearded-pet': { profile: ['topline', 'skirtLine', 'skirtSlope'] },
  'clean-face': { profile: ['topline', 'footLine', 'tailToHead'] }
}

/** They come from the caller's content: a device imports core alone. */
export const trialTrims = (
  coats: readonly (Coat & { readonly id: string; readonly body: string })[],
  bodyById: (id: string) => BodyType
): TrialTrim[] =>
  Object.entries(MEASURES).map(([id, measures]) => {
    const coat = coats.find((own) => own.id === id)!
    return { id, body: bodyById(coat.body), coat, measures }
  })
