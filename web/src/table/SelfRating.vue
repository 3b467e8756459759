<script setup lang="ts">
import type { GlobalRating } from '@peen/core/grade'
import { computed, ref } from 'vue'
import ChoiceRow from '../components/ChoiceRow.vue'
import { RATING_CHOICES } from '../composables/choices'
import type { Table } from './useTable'
import { t } from '../words'

// How the apprentice sees the own trim, said before the mark is shown: what was judged alone is learned from.
const props = defineProps<{ table: Table }>()
const { state, tap } = props.table
const rating = ref<GlobalRating | null>(null)
const best = ref('')
const mend = ref('')
const said = computed(() => state.value.selfRating)
const words = computed(() => RATING_CHOICES.find(({ value }) => value === said.value?.rating)?.name ?? '')
function keep(): void {
  if (rating.value) tap('selfRated', { rating: rating.value, best: best.value.trim(), mend: mend.value.trim() })
}
</script>

<template>
  <section class="mt-2 border-t-2 border-ink pt-2" :aria-label="t('table.yourOwnRating')">
    <template v-if="said">
      <p class="font-[650]">{{ t('table.yourRatingWords', { words }) }}</p>
      <p v-if="said.best" class="mt-1">{{ t('table.bestBest', { best: said.best }) }}</p>
      <p v-if="said.mend" class="mt-1">{{ t('table.improveMend', { mend: said.mend }) }}</p>
      <RouterLink to="/trims" class="btn btn-quiet mt-2 min-h-11 w-full">{{ t('table.seeMarks') }}</RouterLink>
    </template>
    <form v-else @submit.prevent="keep">
      <p class="text-[18px] leading-[1.2] font-[650]">{{ t('table.howWouldYouRateYour') }}</p>
      <p class="muted mt-1 mb-2 leading-[1.3]">{{ t('table.standBackLookYouWill') }}</p>
      <ChoiceRow v-model="rating" :label="t('table.whole')" :options="RATING_CHOICES" />
      <label class="label" for="own-best">{{ t('table.bestThingAbout') }}</label>
      <input id="own-best" v-model="best" class="field mb-2 h-12 w-full" maxlength="500" />
      <label class="label" for="own-mend">{{ t('table.whatYouWouldImprove') }}</label>
      <input id="own-mend" v-model="mend" class="field h-12 w-full" maxlength="500" />
      <button class="btn mt-3 w-full" :class="rating ? 'btn-go' : 'btn-not-yet'" :disabled="!rating">
        {{ rating ? t('table.save') : t('table.chooseOneFirst') }}
      </button>
    </form>
  </section>
</template>
