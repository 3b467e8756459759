// What a stripped trim wants of its places, and how long pulling each takes.
import { PLACE_IDS, type CoatPlace } from '../coat'
import type { Plan } from '../standard'
import type { Wanted } from './back'

/** Places that a trim pulls, with the length it wants there; minutes of a step are shared out among its places. Nothing for a trim without stripping. */
export function wantedOf({ work = [], steps, lengthsMm }: Pick<Plan, 'work' | 'steps' | 'lengthsMm'>): readonly Wanted[] {
  const pulls = work.flatMap(({ place, passes }) =>
    passes.filter(({ kind, share }) => kind === 'pull' && share !== 'strip').map(({ technique }) => ({ place, technique }))
  )
  const placesOf = new Map<string, Set<CoatPlace>>()
  for (const { place, technique } of pulls) placesOf.set(technique, (placesOf.get(technique) ?? new Set()).add(place))
  const minutesOf = (place: CoatPlace): number =>
    steps.reduce((sum, { technique, minutes }) => {
      const own = placesOf.get(technique)
      return own?.has(place) ? sum + minutes / own.size : sum
    }, 0)
  const places = new Set<CoatPlace>(pulls.map(({ place }) => place))
  return PLACE_IDS.flatMap((place) => {
    const mm = lengthsMm[place as never] as number | undefined
    return places.has(place) && mm !== undefined ? [{ place, mm, minutes: minutesOf(place) }] : []
  })
}
