<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { OUTCOME_WORDS } from '../composables/outcomes'
import { sayDate } from '../composables/words'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useAsked } from '../composables/useAsked'
import { t } from '../words'

// The fixed pass mark of each trim beside what first impressions would make of it; nothing under thirty gradings.
const BorderlineChart = defineAsyncComponent(() => import('../certify/BorderlineChart.vue'))
const { data, error, loading, reload } = useAsked('borderlines')
const older = useAsked('differByMethod')
const chosen = ref<string | null>(null)
const shown = computed(
  () => data.value?.find((one) => one.standardId === chosen.value) ?? [...(data.value ?? [])].sort((a, b) => b.n - a.n)[0] ?? null
)
const say = computed(() => {
  const one = shown.value
  if (!one) return ''
  if (one.n < one.needed) return t('grading.onlyNNeededGradingsNeeded', { n: one.n, needed: one.needed })
  if (!one.found) return t('grading.everyTrimGotSameOverall')
  const { cut, interval } = one.found
  const inside = interval[0] <= one.pass && one.pass <= interval[1]
  return t('grading.overallImpressionBorderlineTrimScores', {
    cut: Math.round(cut),
    interval: Math.round(interval[0]),
    interval2: Math.round(interval[1]),
    pass: one.pass,
    inside: inside ? t('grading.twoAgree') : one.pass > cut ? t('grading.passMarkStricter') : t('grading.passMarkMoreLenient')
  })
})
</script>

<template>
  <TopLine :what="t('grading.passMarksOverallImpression')" />
  <ViewState v-if="!data || !shown" :loading="loading" :error="error" :empty="data?.length === 0" @retry="reload">
    <p class="text-[20px] font-[650]">{{ t('grading.noSignedGradingYet') }}</p>
  </ViewState>
  <main v-else class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0">
    <label
      ><span class="sr-only">{{ t('grading.trim') }}</span>
      <select class="field h-12 w-80 max-w-full" :value="shown.standardId" @change="chosen = ($event.target as HTMLSelectElement).value">
        <option v-for="one in data" :key="one.standardId" :value="one.standardId">{{ one.name }} ({{ one.n }})</option>
      </select></label
    >
    <p class="finding mt-4 max-sm:text-[23px]">{{ say }}</p>
    <BorderlineChart v-if="shown.points.length" :view="shown" class="mt-4" />
    <p v-if="shown.found" class="muted mt-3 leading-[1.35]">
      {{ t('grading.borderlineRegressionOverNSigned', { n: shown.n, x: Math.round(100 * shown.found.r2) }) }}
    </p>
    <section v-if="older.data.value?.length" class="mt-6" :aria-label="t('grading.signedUnderOlderMethod')">
      <h2>{{ t('grading.signedUnderOlderMethod') }}</h2>
      <hr class="rule2 mt-1" />
      <p class="muted mt-1 max-w-[72ch] leading-[1.35]">
        {{ t('grading.signedMarkNeverChangesThese') }}
      </p>
      <ul class="row-rule m-0 list-none p-0">
        <li v-for="one in older.data.value" :key="one.gradingId" class="py-2 leading-[1.35]">
          <RouterLink :to="`/trims/${one.gradingId}`">{{
            t('grading.apprenticeDogDate', { apprentice: one.apprentice, dog: one.dog, date: sayDate(one.onDate) })
          }}</RouterLink>{{
            t('grading.signedMarkOutcomeToday', { mark: Math.round(one.signed.mark ?? 0), outcome: OUTCOME_WORDS[one.signed.outcome] })
          }}
          <b>{{ Math.round(one.now.mark ?? 0) }}, {{ OUTCOME_WORDS[one.now.outcome] }}</b
          >. {{ one.now.because }}
        </li>
      </ul>
    </section>
  </main>
</template>
