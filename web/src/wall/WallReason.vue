<script setup lang="ts">
import type { WallCell, WallView } from '@peen/contract'
import { designLearningChart, STATES, type StandingRules, type State } from '@peen/core/competency'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import { STATE_WORDS } from '../composables/state-words'
import { t } from '../words'

// Why a cell of the wall looks as it does, in words; before one is chosen, what the shapes mean.
const props = defineProps<{
  row: { readonly id: string; readonly name: string } | null
  cell: (WallCell & { readonly state: State; readonly because: string }) | null
  technique: WallView['techniques'][number] | null
  limitRules: StandingRules
  competent: number
  of: number
}>()
const chart = computed(() => designLearningChart(props.limitRules))
const legend = [...STATES].reverse()
const MEANS: Readonly<Record<State, string>> = {
  new: t('wall.meansNew'),
  practising: t('wall.meansPractising'),
  ready: t('wall.meansReady'),
  competent: t('wall.meansCompetent'),
  slipping: t('wall.meansSlipping'),
  lapsed: t('wall.meansLapsed'),
  held: t('wall.meansHeld')
}
</script>

<template>
  <div v-if="row && technique" data-reason>
    <h2 class="title">{{ technique.name }}</h2>
    <p class="muted">{{ row.name }}</p>
    <hr class="rule2 my-3" />
    <p class="flex items-center gap-2 text-[19px] font-[650]">
      <GlyphMark :name="cell?.state ?? 'new'" />{{ STATE_WORDS[cell?.state ?? 'new'] }}
    </p>
    <p class="mt-2 font-serif text-[19px] leading-[1.28]">
      {{ cell?.because ?? t('wall.noAttemptLiveDogYet') }}
    </p>
    <p v-if="cell?.found && cell.state !== 'lapsed' && cell.state !== 'held'" class="mt-2 font-serif text-[19px] leading-[1.28]">
      {{ cell.found.say }}
    </p>
    <p v-if="cell" class="mt-3 leading-[1.35]">
      {{ t('wall.cleanAttemptsCleanChartScore', { clean: cell.clean, attempts: cell.attempts, score: cell.score, limit: chart.limit }) }}
    </p>
    <p class="muted mt-3 leading-[1.35]">{{ t('wall.competentShownCompetent', { competent, of }) }}</p>
    <RouterLink :to="`/apprentices/${row.id}?technique=${technique.id}`" class="btn btn-go mt-4 w-full">{{
      t('wall.openChart')
    }}</RouterLink>
  </div>
  <div v-else>
    <h2 class="title">{{ t('wall.whatShapesMean') }}</h2>
    <hr class="rule2 my-3" />
    <p v-for="state in legend" :key="state" class="flex min-h-9 items-start gap-3 py-1 leading-[1.25]">
      <GlyphMark :name="state" /><span
        ><b>{{ STATE_WORDS[state] }}</b
        ><span class="muted block">{{ MEANS[state] }}</span></span
      >
    </p>
    <p class="flex min-h-9 items-start gap-3 py-1 leading-[1.25]">
      <svg width="20" height="20" viewBox="0 -7 20 20" class="flex-none" aria-hidden="true">
        <path d="M1 3.5h18" stroke="currentColor" stroke-width="3" />
      </svg>
      <span
        ><b>{{ t('wall.stuck2') }}</b
        ><span class="muted block">{{ t('wall.meansStuck') }}</span></span
      >
    </p>
    <p class="flex min-h-9 items-start gap-3 py-1 leading-[1.25]">
      <svg width="20" height="20" viewBox="0 -7 20 20" class="flex-none" aria-hidden="true">
        <path d="M2 1l8 5 8-5" fill="none" stroke="currentColor" stroke-width="2.4" />
      </svg>
      <span
        ><b>{{ t('wall.fallenBack2') }}</b
        ><span class="muted block">{{ t('wall.meansFallenBack') }}</span></span
      >
    </p>
    <p class="muted mt-3 leading-[1.35]">
      {{ t('wall.touchShapeReasonArrowKeys') }}
    </p>
  </div>
</template>
