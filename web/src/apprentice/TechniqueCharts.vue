<script setup lang="ts">
import type { TechniqueStanding } from '@peen/contract'
import { fitTimes, sayHelp, sayLearning, sayTimes, sayWatching, timedOf } from '@peen/core/competency'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { t } from '../words'

// One technique as charts, each with its sentence above: the way to the signal, the watch after it, help, minutes.
const LearningChart = defineAsyncComponent(() => import('./LearningChart.vue'))
const WatchChart = defineAsyncComponent(() => import('./WatchChart.vue'))
const HelpChart = defineAsyncComponent(() => import('./HelpChart.vue'))
const TimesChart = defineAsyncComponent(() => import('./TimesChart.vue'))

const props = defineProps<{ technique: TechniqueStanding; today: string }>()
const standing = computed(() => props.technique.standing)
const attempts = computed(() => props.technique.attempts)
const counted = computed(() => attempts.value.filter(({ counts }) => counts))
const hasSignalled = computed(() => standing.value.signalOn !== null)
const TABS = [
  { id: 'signal', name: t('apprentice.readyReached') },
  { id: 'watch', name: t('apprentice.sinceReachingReady') },
  { id: 'help', name: t('apprentice.help') },
  { id: 'minutes', name: t('apprentice.minutes') }
] as const
type Tab = (typeof TABS)[number]['id']
const tab = ref<Tab>('signal')
const tabs = computed(() => TABS.filter(({ id }) => id !== 'watch' || hasSignalled.value))
watch(
  () => props.technique.techniqueId,
  () => (tab.value = 'signal')
)
const times = computed(() => sayTimes(attempts.value, standing.value.state, props.today))
const timed = computed(() => timedOf(attempts.value))
const fit = computed(() => fitTimes(timed.value))
const say = computed(() => {
  if (tab.value === 'signal') return sayLearning(standing.value)
  if (tab.value === 'watch') return sayWatching(standing.value)
  return tab.value === 'help' ? sayHelp(attempts.value) : times.value.say
})
</script>

<template>
  <div class="min-w-0">
    <div class="flex flex-wrap gap-x-1" role="tablist" :aria-label="t('apprentice.charts')">
      <button
        v-for="one in tabs"
        :key="one.id"
        role="tab"
        class="min-h-11 border-b-[3px] px-3 font-[650]"
        :class="tab === one.id ? 'border-act' : 'border-transparent text-ink2'"
        :aria-selected="tab === one.id"
        @click="tab = one.id"
      >
        {{ one.name }}
      </button>
    </div>
    <p class="mt-2 leading-[1.35]" data-chart-say>{{ say }}</p>
    <p v-if="standing.found && tab === 'signal'" class="mt-1 leading-[1.35] font-[650]" data-found>{{ standing.found.say }}</p>
    <template v-if="counted.length > 0">
      <LearningChart v-if="tab === 'signal'" :standing="standing" class="mt-2" />
      <WatchChart v-else-if="tab === 'watch'" :standing="standing" class="mt-2" />
      <HelpChart v-else-if="tab === 'help'" :attempts="counted" class="mt-2" />
      <TimesChart v-else :timed="timed" :fit="fit" class="mt-2" />
    </template>
  </div>
</template>
