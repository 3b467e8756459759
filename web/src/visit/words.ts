// What an owner is told at the door, from what is known of the visit.
import type { NewFound, VisitPage } from '@peen/contract'
import { excusedBy, sayPlaceOf, STOPPING_SKIN, FOOT_NAMES } from '@peen/core/checkin'
import { t } from '../words'

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
    .map(({ kind, region, side }) => t('visit.kindPlaceOf', { kind, placeOf: sayPlaceOf(region, side) }))
  const watch = seen.skin
    .filter(({ kind }) => !STOPPING_SKIN.has(kind) && kind !== 'hurts')
    .map(({ kind, region, side }) => t('visit.kindSkinPlaceOf', { kind, placeOf: sayPlaceOf(region, side) }))
  const hurt = seen.skin.filter(({ kind }) => kind === 'hurts').map(({ region, side }) => sayPlaceOf(region, side))
  const wishes = seen.wishes.map(({ what }) => what.toLowerCase())
  return [
    t('visit.nameHasHadName2N', {
      name: dog.name,
      name2: standard.name.toLowerCase(),
      n: wishes.length > 0 ? t('visit.askedWishes', { wishes: wishes.join(', ') }) : ''
    }),
    ...(holes.length > 0 ? [t('visit.hairMissingAlreadyHolesGrows', { holes: holes.join(t('visit.andThe')) })] : []),
    ...(vet.length > 0 ? [t('visit.pleaseLetVetLookVet', { vet: vet.join(', ') })] : []),
    ...(watch.length > 0 ? [t('visit.weSawWatchWatch', { watch: watch.join(', ') })] : []),
    ...(hurt.length > 0 ? [t('visit.pullingHurtHurtSoWe', { hurt: hurt.join(t('visit.andThe')) })] : []),
    ...(seen.nailsOwed.length > 0 && !nailsDone
      ? [t('visit.nailsStillDoNailsOwed', { nailsOwed: seen.nailsOwed.map((foot) => FOOT_NAMES[foot]).join(', ') })]
      : []),
    ...(backInWeeks ? [t('visit.backInWeeks', { weeks: backInWeeks })] : [])
  ].join(' ')
}
