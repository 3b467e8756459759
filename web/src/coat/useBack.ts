// Back from the day that counts: what a stripped coat needs by when, from its book and its trim.
import { dayOf, placeName, withSessions, type CoatModel, type CoatPlace } from '@peen/core/coat'
import { backFor, pulledIn, type Back, type PlaceBack } from '@peen/core/plan'
import { computed } from 'vue'
import type { CoatDesk } from './useCoat'

/** The first few by name, and how many more. */
export function fewOf(places: readonly CoatPlace[]): { readonly places: string; readonly more: number } {
  return { places: namesOf(places.slice(0, MOST_NAMED)), more: Math.max(0, places.length - MOST_NAMED) }
}
const MOST_NAMED = 3

export const namesOf = (places: readonly CoatPlace[]): string => places.map((place) => placeName(place).toLowerCase()).join(', ')

export function useBack({ data, model }: Pick<CoatDesk, 'data' | 'model'>) {
  const page = computed(() => data.value!)
  const aimDay = computed(() => (page.value.aim.aimOn ? dayOf(page.value.aim.aimOn) : null))
  const found = computed(() => (model.value ? backFor(page.value, model.value) : null))
  const why = computed(() => (typeof found.value === 'string' ? found.value : null))
  const back = computed<Back | null>(() => (typeof found.value === 'string' ? null : found.value))
  const late = computed(() => (back.value?.places ?? []).filter(({ work }) => work === 'late'))
  const nextBare = computed(() => back.value?.sessions.find(({ how }) => how === 'all') ?? null)
  /** the coat as it comes to the day when the plan is kept */
  const kept = computed<CoatModel | null>(() =>
    model.value && back.value ? withSessions(model.value, pulledIn(back.value.sessions)) : null
  )
  /** what needs a decision first, then by its last day */
  const rows = computed(() =>
    [...(back.value?.places ?? [])].sort((a, b) => ORDER[a.work] - ORDER[b.work] || (a.lastDay ?? 0) - (b.lastDay ?? 0))
  )
  return { page, why, back, aimDay, late, nextBare, kept, rows }
}
const ORDER: Readonly<Record<PlaceBack['work'], number>> = { late: 0, bare: 1, short: 2, never: 3, roll: 4, unknown: 5 }
