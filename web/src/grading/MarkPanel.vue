<script setup lang="ts">
import { RATING_NAMES } from '@peen/contract'
import { GLOBAL_RATINGS, type GlobalRating, type GradeResult } from '@peen/core/grade'
import type { Standard } from '@peen/core/standard'
import { computed, ref } from 'vue'
import { OUTCOME_WORDS } from '../composables/outcomes'
import MarkLens from './MarkLens.vue'
import { t } from '../words'

// The mark so far with its interval and what caps it; before that, how the assessor calls the trim as a whole.
const props = defineProps<{ result: GradeResult | null; rating: GlobalRating | null; standard: Standard; signed: boolean; by: string }>()
const emit = defineEmits<{ rate: [rating: GlobalRating] }>()
const chosen = ref<GlobalRating | null>(null)
const total = computed(() => props.result?.total ?? null)
const round = Math.round
const chance = computed(() => props.result?.passChance01 ?? null)
const headline = computed(() => {
  if (!props.result) return ''
  if (props.result.outcome !== 'unfinished') return `${OUTCOME_WORDS[props.result.outcome].replace(/^./, (c) => c.toUpperCase())}.`
  return t('grading.soFarFromAnswersGiven')
})
</script>

<template>
  <section :aria-label="t('grading.mark')">
    <template v-if="rating === null">
      <p class="font-[650]">{{ t('grading.beforeYouSeeMarkYour') }}</p>
      <div class="mt-2 flex flex-wrap gap-1.5" role="group" :aria-label="t('grading.overallImpression')">
        <button
          v-for="option in GLOBAL_RATINGS"
          :key="option"
          :class="['btn narrow min-h-11 px-2.5 py-1 text-[16px]', chosen === option ? 'bg-ink text-sheet' : 'btn-quiet']"
          :aria-pressed="chosen === option"
          @click="chosen = option"
        >
          {{ RATING_NAMES[option] }}
        </button>
      </div>
      <button v-if="chosen" class="btn mt-2 w-full" @click="emit('rate', chosen)">
        {{ t('grading.chosenShowMark', { chosen: RATING_NAMES[chosen] }) }}
      </button>
      <p v-else class="muted mt-2 leading-[1.3]">
        {{ t('grading.weAskFirstSoMark') }}
      </p>
    </template>
    <template v-else-if="total">
      <p class="leading-none">
        <span class="mr-3 text-[40px] font-[650]" data-testid="mark">{{ round(total.value) }}</span>
        <span class="text-[20px]"
          >{{ t('grading.between') }} <b>{{ round(total.interval[0]) }}</b> {{ t('grading.and') }}
          <b>{{ round(total.interval[1]) }}</b><template v-if="!signed">{{ t('grading.soFar') }}</template></span
        >
      </p>
      <MarkLens class="mt-2" :total="total" :pass="standard.passMark" />
      <p class="leading-[1.3]" role="status">
        <b>{{ headline }}</b>
        {{
          t('grading.outcomeCapSOverallImpression', {
            outcome: result?.outcome === 'unfinished' ? '' : result?.because,
            cap: result?.cap
              ? t('grading.faultsLimitsMarkMark', { faults: result.cap.faults.join(' and '), mark: result.cap.mark })
              : t('grading.nothingLimits'),
            by,
            rating: RATING_NAMES[rating]
          })
        }}
      </p>
      <details v-if="chance !== null" class="muted mt-1">
        <summary class="flex min-h-11 cursor-pointer items-center">{{ t('grading.howCertain') }}</summary>
        <p class="leading-[1.35]">
          {{ t('grading.allowingMeasuringErrorTrimReaches', { x: Math.round(100 * chance) }) }}
        </p>
      </details>
    </template>
    <p v-else-if="result && result.outcome !== 'unfinished'" role="status">
      <b>{{ headline }}</b> {{ t('grading.becauseThereNoMark', { because: result.because }) }}
    </p>
    <p v-else class="font-[650]">{{ t('grading.sOverallImpressionRatingNothing', { by, rating: RATING_NAMES[rating] }) }}</p>
  </section>
</template>
