// What lies over a photograph, in px of it.
import type { Drawn, PlaceDeparture, PhotoPoint, Seen } from '@peen/core/measure'
import { t } from '../words'

export type Tone = 'outline' | 'long' | 'short' | 'plan' | 'fit' | 'taken' | 'off' | 'mirror' | 'scale' | 'check' | 'ghost'
export type Shape =
  | { readonly kind: 'path'; readonly points: readonly PhotoPoint[]; readonly closed?: boolean; readonly tone: Tone }
  | { readonly kind: 'circle'; readonly centre: PhotoPoint; readonly radius: number; readonly tone: Tone }
export type Handle = { readonly id: string; readonly at: PhotoPoint; readonly touched: boolean }

/** Within this a coat stands as planned, mm. Chosen: what is not worth a cut. */
const AS_PLANNED_MM = 2.5

/** The outline in stretches: too long, too short, as planned. */
export function outlineShapes(outline: readonly PhotoPoint[], departures: readonly PlaceDeparture[]): Shape[] {
  if (departures.length === 0) return outline.length > 2 ? [{ kind: 'path', points: outline, closed: true, tone: 'outline' }] : []
  const toneAt = ({ byMm }: PlaceDeparture): Tone => (byMm > AS_PLANNED_MM ? 'long' : byMm < -AS_PLANNED_MM ? 'short' : 'outline')
  const shapes: Shape[] = []
  let run: PhotoPoint[] = []
  let tone: Tone | null = null
  departures.forEach((place, i) => {
    const own = toneAt(place)
    const last = departures[i - 1]
    const leaps = last !== undefined && Math.hypot(place.at[0] - last.at[0], place.at[1] - last.at[1]) > 40
    if (own !== tone || leaps) {
      if (run.length > 1 && tone) shapes.push({ kind: 'path', points: run, tone })
      run = leaps || !last ? [] : [last.at]
      tone = own
    }
    run.push(place.at)
  })
  if (run.length > 1 && tone) shapes.push({ kind: 'path', points: run, tone })
  return shapes
}

export const drawnShapes = (drawn: readonly Drawn[]): Shape[] =>
  drawn.map((one) =>
    one.kind === 'circle'
      ? { kind: 'circle', centre: one.centre, radius: one.radius, tone: one.role }
      : { kind: 'path', points: one.points, tone: one.role }
  )

/** What a picture shows, in words. */
export const seenName = (seen: Seen): string =>
  ({
    ...{ head: t('measure.headFromFront'), left: t('measure.leftProfile'), right: t('measure.rightProfile') },
    ...{ front: t('measure.front'), rear: t('measure.rear'), above: t('measure.above') }
  })[seen]
