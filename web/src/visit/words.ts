// What an owner is told at the door, from what is known of the visit.
import type { NewFound, VisitPage } from '@peen/contract'
import { excusedBy, sayPlaceOf, STOPPING_SKIN, FOOT_NAMES } from '@peen/core/checkin'

/** A hand-over in plain sentences: the trim, what came in, skin for a vet, nails, when back. */
export function handOverFor(
  { dog, standard }: Pick<VisitPage, 'dog' | 'standard'>,
  seen: Pick<NewFound, 'coat' | 'skin' | 'nailsOwed' | 'wishes'>,
  nailsDone: boolean,
  backInWeeks: number | null
): string {
  const holes = excusedBy(seen.coat).map(({ region, side }) => sayPlaceOf(region, side))
  const vet = seen.skin
    .filter(({ kind }) => STOPPING_SKIN.has(kind))
    .map(({ kind, region, side }) => `${kind} at the ${sayPlaceOf(region, side)}`)
  const watch = seen.skin
    .filter(({ kind }) => !STOPPING_SKIN.has(kind) && kind !== 'hurts')
    .map(({ kind, region, side }) => `${kind} skin at the ${sayPlaceOf(region, side)}`)
  const hurt = seen.skin.filter(({ kind }) => kind === 'hurts').map(({ region, side }) => sayPlaceOf(region, side))
  const wishes = seen.wishes.map(({ what }) => what.toLowerCase())
  return [
    `${dog.name} has had the ${standard.name.toLowerCase()}${wishes.length > 0 ? `, as asked: ${wishes.join(', ')}` : ''}.`,
    ...(holes.length > 0 ? [`Hair was missing already at the ${holes.join(' and the ')}; it grows back.`] : []),
    ...(vet.length > 0 ? [`Please let a vet look: ${vet.join(', ')}. We did not cut there.`] : []),
    ...(watch.length > 0 ? [`We saw ${watch.join(', ')}: watch it.`] : []),
    ...(hurt.length > 0 ? [`Pulling hurt at the ${hurt.join(' and the ')}, so we used scissors there.`] : []),
    ...(seen.nailsOwed.length > 0 && !nailsDone
      ? [`Nails still to do: ${seen.nailsOwed.map((foot) => FOOT_NAMES[foot]).join(', ')}.`]
      : []),
    ...(backInWeeks ? [`Back in ${backInWeeks} ${backInWeeks === 1 ? 'week' : 'weeks'}.`] : [])
  ].join(' ')
}
