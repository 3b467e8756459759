// The coat of one dog on any day: its book as a model, the sessions that come, and what if.
import type { CoatAim, CoatPage } from '@peen/contract'
import {
  coatBounds,
  coatModel,
  dayOf,
  mending,
  outcomeOf,
  rolledPlaces,
  stateAt,
  warningsOf,
  WHAT_IFS,
  withSessions,
  sessionsOf,
  worstLag,
  type CoatModel,
  type Outcome,
  type PatchSide,
  type CoatPlace,
  type Rhythm,
  type WhatIfId,
  type CoatEntry
} from '@peen/core/coat'
import { caseOf } from '@peen/core/plan'
import { computed, ref, watch } from 'vue'
import { ask } from '../api/client'
import { useDoing } from '../composables/useDoing'
import { useAsked } from '../composables/useAsked'
import { regionsWritten } from './ages'
import { t } from '../words'

/** Where no day is set, the coat is looked at so many days ahead. Chosen: six weeks. */
const AHEAD_DAYS = 42
/** What an entry's words are in a what-if. */
export const WHAT_IF_WORDS: Readonly<Record<WhatIfId, string>> = {
  asPlanned: t('coat.plannedLightRollBothSides'),
  skipNext: t('coat.skipNextSession'),
  halfNext: t('coat.halfRollInsteadLightOne'),
  halfEach: t('coat.halfRollInsteadLightOne2'),
  allNext: t('coat.pullAllNextTime'),
  leftNext: t('coat.leftSideOnlyNextTime'),
  rightNext: t('coat.rightSideOnlyNextTime')
}

/** From the next session to the day that counts; what nobody set is worked out from today. */
export function rhythmOf(aim: CoatAim, today: number): Rhythm {
  const nextDay = Math.max(today, aim.nextOn ? dayOf(aim.nextOn) : today + 7)
  return { nextDay, everyDays: aim.everyDays, aimDay: aim.aimOn ? Math.max(nextDay, dayOf(aim.aimOn)) : today + AHEAD_DAYS }
}

export function useCoatBase(page: () => CoatPage | null) {
  const day = ref<number | null>(null)
  const place = ref<CoatPlace | null>(null)
  const chosen = ref<WhatIfId[]>(['asPlanned'])

  const model = computed(() => (page() ? coatModel(caseOf(page()!)) : null))
  const today = computed(() => model.value?.today ?? 0)
  const rhythm = computed(() => rhythmOf(page()!.aim, today.value))
  const isStripped = computed(() => model.value !== null && rolledPlaces(model.value).length > 0)
  /** the book and the sessions that come, as planned */
  const ahead = computed<CoatModel | null>(() => {
    if (!model.value) return null
    return withSessions(model.value, sessionsOf(rhythm.value, rolledPlaces(model.value)))
  })
  const bounds = computed(() => (page() ? coatBounds(caseOf(page()!)) : null))
  const shownDay = computed(() => day.value ?? today.value)
  const shownPlace = computed<CoatPlace>(() => place.value ?? worst.value?.place ?? warnings.value[0]?.place ?? firstPlace.value)
  /** a stripped place before a clipped one, any with a line before none */
  const firstPlace = computed<CoatPlace>(() => rolledPlaces(model.value!)[0] ?? regionsWritten(model.value!)[0] ?? 'back')
  const worst = computed(() => (model.value ? worstLag(model.value, today.value) : null))
  const warnings = computed(() => (ahead.value ? warningsOf(ahead.value, today.value, rhythm.value.aimDay) : []))

  const outcomes = computed<readonly Outcome[]>(() =>
    model.value && isStripped.value ? WHAT_IFS.map((id) => outcomeOf(model.value!, rhythm.value, id)) : []
  )
  const outcome = (id: WhatIfId) => outcomes.value.find((one) => one.id === id)!
  /** what the trim asks of the jacket on the day: the coat must stand at that to be right */
  const leastMm = computed(() => page()?.standard.plan.lengthsMm.back ?? 0)
  const mends = computed(() => mending(outcomes.value, leastMm.value))
  /** up to three beside each other: the plan, what mends it, and one more */
  watch(
    () => mends.value?.id,
    (id) => (chosen.value = ['asPlanned', id ?? 'halfNext', id === 'skipNext' ? 'halfNext' : 'skipNext']),
    { immediate: true }
  )
  const compared = computed(() => (outcomes.value.length === 0 ? [] : chosen.value.map(outcome)))
  function compare(at: number, id: WhatIfId): void {
    chosen.value = chosen.value.map((one, i) => (i === at ? id : one))
  }

  /** from the first line of the book, or half a year back, to a month beyond the day that counts */
  const range = computed(() => {
    const days = [...(model.value?.places.values() ?? [])].flatMap(({ sides }) =>
      [...sides.values()].flatMap(({ acts }) => acts.map((act) => act.day))
    )
    const first = days.length === 0 ? today.value - 28 : Math.min(...days)
    return { from: Math.max(first - 7, today.value - 190), to: rhythm.value.aimDay + 28 }
  })
  /** length of a side on a day with what the dog's rate leaves open (95 %), mm */
  function lengthBetween(where: CoatPlace, side: PatchSide, on: number): readonly [number, number] | null {
    if (!bounds.value || on > today.value) return null
    const [slow, fast] = [bounds.value.slow, bounds.value.fast].map((one) => stateAt(one, where, side, on).standingMm)
    return [slow, fast]
  }
  return {
    day,
    place,
    model,
    ahead,
    today,
    rhythm,
    isStripped,
    shownDay,
    shownPlace,
    worst,
    warnings,
    outcomes,
    mends,
    leastMm,
    chosen,
    compared,
    compare,
    range,
    lengthBetween
  }
}

/** One dog's coat with its book on the server. */
export function useCoat(id: () => string) {
  const loaded = useAsked('coat', () => ({ id: id() }))
  const base = useCoatBase(() => loaded.data.value)
  const { problem, doing } = useDoing(loaded.reload)
  return {
    ...loaded,
    ...base,
    problem,
    readLengths: () => doing(() => ask('readLengths', { id: id() })),
    write: (entries: readonly CoatEntry[]) => doing(() => ask('writeEntries', { id: id(), body: { entries } })),
    strike: (entryIds: readonly string[], reason: string) => doing(() => ask('strikeEntries', { id: id(), body: { entryIds, reason } })),
    unstrike: (entryIds: readonly string[]) => doing(() => ask('unstrikeEntries', { id: id(), body: { entryIds } })),
    keepAim: (aim: CoatAim) => doing(() => ask('keepAim', { id: id(), body: aim }))
  }
}
export type CoatDesk = ReturnType<typeof useCoat>
