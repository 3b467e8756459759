<script setup lang="ts">
import { dateOf, dayOf } from '@peen/core/coat'
import { isOpenOn } from '@peen/core/day'
import { growOut, type GrownPlace, type GrowVisit } from '@peen/core/plan'
import { regionName } from '@peen/core/regions'
import { computed, ref } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import { sayDate } from '../composables/words'
import FigurePicture from '../figure/FigurePicture.vue'
import { useSessionStore } from '../stores/session'
import { t } from '../words'
import type { CoatDesk } from './useCoat'

// From a shaved or spoiled coat to a trim: each visit drawn, with how little is taken and what is level by then.
const props = defineProps<{ desk: CoatDesk }>()
const session = useSessionStore()
const page = computed(() => props.desk.data.value!)
const trims = computed(() =>
  (session.school?.standards ?? []).filter(({ retired, bodyType }) => !retired && bodyType === page.value.dog.bodyType)
)
const newest = computed(() => [...new Map(trims.value.map((trim) => [trim.id, trim])).values()])
const trimId = ref(page.value.standard.id)
const trim = computed(() => newest.value.find(({ id }) => id === trimId.value) ?? page.value.standard)
const everyWeeks = ref(6)
const WEEKS = [3, 4, 5, 6, 8, 10]
const plan = computed(() =>
  growOut({
    ...{ model: props.desk.model.value!, lengthsMm: trim.value.plan.lengthsMm, everyDays: 7 * everyWeeks.value },
    isOpen: (day) => isOpenOn(dateOf(day), page.value.opening, page.value.off)
  })
)
const day = (at: number) => sayDate(dateOf(at), page.value.today)
const weeksTo = (at: number) => Math.round((at - dayOf(page.value.today)) / 7)
const finding = computed(() => {
  const { doneDay, never } = plan.value
  if (doneDay !== null)
    return t('coat.growDone', { trim: trim.value.name, date: day(doneDay), weeks: weeksTo(doneDay), never: never.length })
  return t('coat.growNotInTwoYears', { trim: trim.value.name })
})
const marks = computed(() => {
  const { levelDay, bandDay, wrapDay, never, visits } = plan.value
  // what is so already is no news
  const isNews = (at: number | null): at is number => at !== null && at > (visits[0]?.day ?? 0)
  return [
    ...(levelDay === null ? [] : [t('coat.growLevel', { date: day(levelDay) })]),
    ...(isNews(bandDay) ? [t('coat.growBand', { date: day(bandDay) })] : []),
    ...(isNews(wrapDay) ? [t('coat.growWrap', { date: day(wrapDay) })] : []),
    ...never.map(({ region, wantedMm, terminalMm }) =>
      t('coat.growNever', { place: regionName(region).toLowerCase(), wanted: Math.round(wantedMm), stops: Math.round(terminalMm) })
    )
  ]
})
/** the first visits, the last, and some between: a year of them is no picture */
const MOST_DRAWN = 8
const drawn = computed(() => {
  const { visits } = plan.value
  if (visits.length <= MOST_DRAWN) return visits
  return Array.from({ length: MOST_DRAWN }, (_, i) => visits[Math.round((i * (visits.length - 1)) / (MOST_DRAWN - 1))]!)
})
const lengthsAt = ({ places }: GrowVisit) => ({
  ...trim.value.plan.lengthsMm,
  ...Object.fromEntries(places.map(({ region, leftMm }) => [region, Math.max(0.5, Math.round(10 * leftMm) / 10)]))
})
const taken = ({ places }: GrowVisit): readonly GrownPlace[] => places.filter(({ takeMm }) => takeMm >= 0.5)
const most = (visit: GrowVisit) => Math.max(0, ...visit.places.map(({ takeMm }) => takeMm))
const dog = computed(() => ({ ...page.value.dog, trim: trim.value.plan.drawnAs }))
</script>

<template>
  <main class="min-h-0 flex-1 overflow-y-auto p-3 sm:p-4" tabindex="0" :aria-label="t('coat.growOut')">
    <slot />
    <p class="finding finding-small" data-testid="grow-out">{{ finding }}</p>
    <div class="mt-3 flex flex-wrap items-end gap-3">
      <label
        ><span class="label">{{ t('coat.growTo') }}</span>
        <select v-model="trimId" class="field h-11 min-h-11">
          <option v-for="one in newest" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select></label
      >
      <label
        ><span class="label">{{ t('coat.growEvery') }}</span>
        <select v-model="everyWeeks" class="field h-11 min-h-11">
          <option v-for="weeks in WEEKS" :key="weeks" :value="weeks">{{ t('coat.weeksLong', { weeks }) }}</option>
        </select></label
      >
    </div>
    <ul class="m-0 mt-3 list-none p-0 leading-[1.45]">
      <li v-for="words in marks" :key="words"><GlyphMark name="meets" :size="16" class="mr-1.5 align-[-2px]" />{{ words }}</li>
    </ul>
    <ol class="m-0 mt-4 grid list-none gap-4 p-0 sm:grid-cols-2 lg:grid-cols-4" data-testid="grow-visits">
      <li v-for="visit in drawn" :key="visit.day" class="border border-line bg-sheet p-2">
        <div class="flex justify-center bg-plate p-1">
          <FigurePicture
            :dog="dog"
            :plan="trim.plan.lengthsMm"
            :lengths="lengthsAt(visit)"
            :width="196"
            :height="146"
            :label="t('coat.growDrawn', { name: page.dog.name, date: day(visit.day) })"
          />
        </div>
        <p class="mt-1 font-[650]">{{ day(visit.day) }}</p>
        <p class="muted leading-[1.3]">
          {{
            taken(visit).length === 0
              ? t('coat.growTakeNothing')
              : t('coat.growTake', { mm: Math.max(1, Math.round(most(visit))), count: taken(visit).length })
          }}
          <template v-if="visit.holesLeft > 0">{{ t('coat.growHoles', { count: visit.holesLeft }) }}</template>
        </p>
      </li>
    </ol>
    <p v-if="plan.visits.length > drawn.length" class="muted mt-2">
      {{ t('coat.growSome', { drawn: drawn.length, of: plan.visits.length }) }}
    </p>
    <details class="mt-4">
      <summary class="min-h-11 cursor-pointer py-2 font-[650]">{{ t('coat.howWorked') }}</summary>
      <p class="max-w-[72ch] leading-[1.4]">{{ t('coat.growHow') }}</p>
    </details>
  </main>
</template>
