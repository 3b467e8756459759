<script setup lang="ts">
import {
  placeName,
  sayDay,
  sayDog,
  sayGrowth,
  sayPair,
  sayState,
  sidesOf,
  stateAt,
  worstLag,
  type CoatPlace,
  type Warning
} from '@peen/core/coat'
import type { RegionId } from '@peen/core/regions'
import { lowerFirst } from '@peen/core/units'
import { usePreferredReducedMotion } from '@vueuse/core'
import { computed, onBeforeUnmount, ref } from 'vue'
import BoldText from '../components/BoldText.vue'
import { useKeys } from '../composables/useKeys'
import AgeLegend from './AgeLegend.vue'
import { wornOn } from './ages'
import LayerSection from './LayerSection.vue'
import SidePlate from './SidePlate.vue'
import TimeLine from './TimeLine.vue'
import { WHAT_IF_WORDS, type CoatDesk } from './useCoat'
import WarningList from './WarningList.vue'
import { t } from '../words'

// The coat on any day: both sides drawn, the layers of one place in section, time to move through below.
const props = defineProps<{ desk: CoatDesk }>()
const { data, ahead, shownDay, shownPlace, place, day, today, range, rhythm, warnings, mends, worst, lengthBetween } = props.desk
const page = computed(() => data.value!)
const model = computed(() => ahead.value!)
const letter = ref<string | null>(null)
const colour = ref<'ages' | 'own'>('ages')
const isDark = document.documentElement.classList.contains('dark')

const worn = computed(() => wornOn(model.value, shownDay.value, page.value.standard.plan.lengthsMm, colour.value, isDark))
const dog = computed(() => (colour.value === 'ages' ? { ...page.value, dog: { ...page.value.dog, colour: 'white' } } : page.value))
const sides = computed(() => [...sidesOf(shownPlace.value)].reverse())
const topMm = computed(() => {
  const all = sides.value.flatMap((side) => stateAt(model.value, shownPlace.value, side, shownDay.value).layers.map(({ mm }) => mm))
  return Math.max(12, ...all) * 1.06
})
const growth = computed(() => model.value.places.get(shownPlace.value)!.growth)
const between = computed(() => {
  const found = lengthBetween(shownPlace.value, sides.value[0], shownDay.value)
  return found && found[1] - found[0] >= 1
    ? t('coat.fromKnownGrowthBetweenFound', { found: Math.round(found[0]), found2: Math.round(found[1]) })
    : ''
})
/** one of each kind first: the same fault at five places is one thing to mend */
const told = computed(() => {
  const kinds = new Map<string, Warning>()
  for (const warning of warnings.value) if (!kinds.has(warning.kind)) kinds.set(warning.kind, warning)
  return [...kinds.values()]
})
/** how the sides stand; where they are in step and something else must be mended, that */
const headline = computed(() => {
  const isInStep = worstLag(model.value, shownDay.value) === null
  const [first] = warnings.value
  return isInStep && first && first.kind !== 'outOfStep'
    ? `${page.value.dog.name}: ${lowerFirst(first.say)}`
    : sayDog(page.value.dog.name, model.value, shownDay.value)
})
const same = (warning: Warning) => warnings.value.filter(({ kind }) => kind === warning.kind).length - 1

const pick = (region: RegionId): void => {
  place.value = region
  letter.value = null
}
const go = (to: CoatPlace) => (place.value = to)
function move(to: number): void {
  day.value = Math.min(range.value.to, Math.max(range.value.from, to))
}

// ---- play forward: a day about every tenth of a second; with reduced motion a fortnight at a time
const playing = ref(false)
const still = usePreferredReducedMotion()
let timer = 0
function play(): void {
  playing.value = !playing.value
  window.clearInterval(timer)
  if (!playing.value) return
  if (shownDay.value >= range.value.to - 1) move(range.value.from)
  const [days, ms] = still.value === 'reduce' ? [14, 1200] : [1, 90]
  timer = window.setInterval(() => {
    move(shownDay.value + days)
    if (shownDay.value >= range.value.to) play()
  }, ms)
}
onBeforeUnmount(() => window.clearInterval(timer))
useKeys([
  { key: '.', label: 'A day on', run: () => move(shownDay.value + 1) },
  { key: ',', label: 'A day back', run: () => move(shownDay.value - 1) },
  { key: ']', label: 'A week on', run: () => move(shownDay.value + 7) },
  { key: '[', label: 'A week back', run: () => move(shownDay.value - 7) },
  { key: 'p', label: t('coat.playForward'), run: play },
  { key: 'y', label: t('coat.ageColoursOrNaturalColour'), run: () => (colour.value = colour.value === 'ages' ? 'own' : 'ages') }
])
</script>

<template>
  <main
    class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[minmax(0,1fr)_440px] lg:overflow-hidden"
    :aria-label="t('coat.coatOverTime')"
    tabindex="0"
  >
    <div class="min-w-0 p-3 sm:p-4 lg:overflow-y-auto" tabindex="0">
      <slot />
      <div class="grid gap-3 sm:grid-cols-2">
        <SidePlate
          v-for="side in ['right', 'left'] as const"
          :key="side"
          :page="dog"
          :model="model"
          :worn="worn"
          :side="side"
          :place="shownPlace"
          :day="shownDay"
          :height="392"
          :caption="`${page.dog.name}’s ${side}, ${sayDay(shownDay)}${shownDay > today ? t('coat.ifRolledPlanned') : ''}`"
          @pick="pick"
        />
      </div>
      <div class="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1">
        <AgeLegend v-if="colour === 'ages'" :is-dark="isDark" class="flex-1" />
        <span v-else class="flex-1" />
        <button
          class="btn btn-quiet min-h-11 px-4 text-[16px]"
          :aria-pressed="colour === 'own'"
          @click="colour = colour === 'ages' ? 'own' : 'ages'"
        >
          {{ colour === 'ages' ? t('coat.naturalColour') : t('coat.ageHair') }}
        </button>
      </div>
      <TimeLine
        class="mt-2"
        :model="model"
        :place="shownPlace"
        :day="shownDay"
        :today="today"
        :range="range"
        :aim-day="rhythm.aimDay"
        :aim="page.aim.aim"
        :playing="playing"
        @move="move"
        @play="play"
      />
    </div>
    <section
      class="min-w-0 border-line bg-sheet p-4 max-lg:border-t sm:px-5 lg:overflow-y-auto lg:border-l"
      tabindex="0"
      :aria-label="t('coat.result')"
    >
      <p class="finding finding-small"><BoldText :text="headline" /></p>
      <p v-if="mends" class="mt-2 border-l-4 border-act pl-3 leading-[1.35]" data-testid="mends">
        <b>{{ WHAT_IF_WORDS[mends.id] }}, {{ sayDay(rhythm.nextDay) }},</b>
        {{
          t('coat.putsRightBothSidesStep', {
            day: sayDay(mends.inStepFrom!),
            standingMm: Math.round(mends.standingMm),
            day2: sayDay(rhythm.aimDay)
          })
        }}
        <RouterLink :to="`/coat/${page.dog.id}/what-if`" class="flex min-h-11 items-center font-[650]">{{
          t('coat.comparePlans')
        }}</RouterLink>
      </p>
      <h2 class="mt-2">
        {{ placeName(shownPlace) }}<span class="muted font-[400]">{{ t('coat.mmTouchAnotherPlaceDog') }}</span>
      </h2>
      <p class="leading-[1.3]">
        <template v-if="shownPlace !== worst?.place">{{ sayPair(model, shownPlace, shownDay) }}</template> {{ between }}
      </p>
      <div :class="['mt-1 grid gap-3', sides.length > 1 ? 'grid-cols-2' : '']">
        <div v-for="side in sides" :key="side" class="min-w-0">
          <h3 class="font-[650]">{{ side === 'middle' ? t('coat.centreLine') : t('coat.side', { side }) }}</h3>
          <LayerSection
            :model="model"
            :place="shownPlace"
            :side="side"
            :day="shownDay"
            :top-mm="topMm"
            :height="158"
            :letter="letter"
            :is-dark="isDark"
            @pick="(one) => (letter = letter === one ? null : one)"
          />
          <p class="muted leading-[1.25]">{{ sayState(stateAt(model, shownPlace, side, shownDay)) }}</p>
        </div>
      </div>
      <p class="muted mt-1 leading-[1.3]">{{ sayGrowth(growth) }}</p>
      <p v-if="model.issues.length > 0" class="mt-1 leading-[1.3]">
        {{ t('coat.linesDoNotFit', { n: model.issues.length, say: model.issues[0].say }) }}
      </p>
      <h2 class="mt-2">{{ t('coat.toCorrect') }}</h2>
      <WarningList :warnings="told" @pick="go" />
      <p v-for="warning in told.filter((one) => same(one) > 0)" :key="warning.kind" class="muted">
        {{ t('coat.sameAtMorePlaces', { n: same(warning) }) }}
      </p>
    </section>
  </main>
</template>
