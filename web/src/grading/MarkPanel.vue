<script setup lang="ts">
import { RATING_NAMES } from '@peen/contract'
import { GLOBAL_RATINGS, type GlobalRating, type GradeResult } from '@peen/core/grade'
import type { Standard } from '@peen/core/standard'
import { computed, ref } from 'vue'
import { OUTCOME_WORDS } from '../composables/outcomes'
import MarkLens from './MarkLens.vue'

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
  return 'So far, with what is answered.'
})
</script>

<template>
  <section aria-label="The mark">
    <template v-if="rating === null">
      <p class="font-[650]">Before the mark is shown: how do you call this trim?</p>
      <div class="mt-2 flex flex-wrap gap-1.5" role="group" aria-label="Global rating">
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
        I call it {{ RATING_NAMES[chosen] }}: show the mark
      </button>
      <p v-else class="muted mt-2 leading-[1.3]">
        It is asked first, so that the figure does not lead it, and it does not change afterwards.
      </p>
    </template>
    <template v-else-if="total">
      <p class="leading-none">
        <span class="mr-3 text-[40px] font-[650]" data-testid="mark">{{ round(total.value) }}</span>
        <span class="text-[20px]"
          >between <b>{{ round(total.interval[0]) }}</b> and <b>{{ round(total.interval[1]) }}</b><template v-if="!signed"
            >, so far</template
          ></span
        >
      </p>
      <MarkLens class="mt-2" :total="total" :pass="standard.passMark" />
      <p class="leading-[1.3]" role="status">
        <b>{{ headline }}</b> {{ result?.outcome === 'unfinished' ? '' : result?.because }}
        {{ result?.cap ? `${result.cap.faults.join(' and ')} holds the mark at ${result.cap.mark}.` : 'Nothing caps it.' }} {{ by }} called
        it {{ RATING_NAMES[rating] }} first.
      </p>
      <details v-if="chance !== null" class="muted mt-1">
        <summary class="flex min-h-11 cursor-pointer items-center">How sure this is</summary>
        <p class="leading-[1.35]">
          Drawn again and again within what gauges and levels leave open, this trim reaches the pass mark and every floor in
          {{ Math.round(100 * chance) }} of 100 cases. The mark is the middle of all draws; 95 of 100 lie between the two ends.
        </p>
      </details>
    </template>
    <p v-else-if="result && result.outcome !== 'unfinished'" role="status">
      <b>{{ headline }}</b> {{ result.because }} There is no mark.
    </p>
    <p v-else class="font-[650]">{{ by }} called it {{ RATING_NAMES[rating] }}. Nothing is answered yet.</p>
  </section>
</template>
