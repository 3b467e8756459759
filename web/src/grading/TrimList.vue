<script setup lang="ts">
import { TRIMS_A_PAGE, type TrimRow } from '@peen/contract'
import { ask } from '../api/client'
import GlyphMark from '../components/GlyphMark.vue'
import type { GlyphName } from '../components/glyphs'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { OUTCOME_WORDS } from '../composables/outcomes'
import { useAsked } from '../composables/useAsked'
import { usePages } from '../composables/usePages'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

const session = useSessionStore()
const { data: first, error, loading, reload } = useAsked('trims')
const { rows: data, hasMore, more, problem } = usePages(first, (page) => ask('trims', { query: { page } }), TRIMS_A_PAGE)
const glyphOf = (row: TrimRow): GlyphName =>
  row.status === 'draft' || row.hidden
    ? 'missing'
    : row.status === 'setAside'
      ? 'lapsed'
      : row.outcome === 'passed'
        ? 'meets'
        : row.outcome === 'secondAssessor'
          ? 'cannotTell'
          : row.outcome === 'feedbackOnly'
            ? 'excused'
            : 'fails'
const wordOf = (row: TrimRow) =>
  row.status === 'draft'
    ? 'draft'
    : row.status === 'setAside' && !row.hidden
      ? t('grading.markSetAside')
      : (row.hidden ?? OUTCOME_WORDS[row.outcome as keyof typeof OUTCOME_WORDS] ?? '')
/** an apprentice says the own word at the table first: the mark's page has nothing to show yet */
const placeOf = (row: TrimRow) => (row.hidden && !session.isStaff ? `/table/${row.visitId}` : `/trims/${row.gradingId}`)
</script>

<template>
  <TopLine :what="t('grading.trims')" />
  <ViewState v-if="!data || data.length === 0" :loading="loading" :error="error" :empty="data?.length === 0" @retry="reload">
    <p class="text-[20px] font-[650]">{{ t('grading.noTrimsGradedYet') }}</p>
    <p class="muted mt-2">{{ t('grading.openTableFloorPressGrade') }}</p>
  </ViewState>
  <main v-else class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0">
    <div class="flex flex-wrap items-end justify-between gap-3">
      <h2 class="title">{{ t('grading.gradedTrimsNewestFirst') }}</h2>
      <span class="flex flex-wrap gap-2">
        <RouterLink to="/standards" class="btn btn-quiet min-h-11">{{ t('grading.trimLibrary') }}</RouterLink>
        <RouterLink to="/techniques" class="btn btn-quiet min-h-11">{{ t('grading.techniques') }}</RouterLink>
        <RouterLink to="/plates" class="btn btn-quiet min-h-11">{{ t('grading.platesEveryKindDog') }}</RouterLink>
        <RouterLink to="/house-rules" class="btn btn-quiet min-h-11">{{ t('grading.houseRules') }}</RouterLink>
        <RouterLink to="/rack" class="btn btn-quiet min-h-11">{{ t('grading.rackLengthEachToolLeaves') }}</RouterLink>
      </span>
    </div>
    <hr class="rule2 mt-2" />
    <ul class="row-rule m-0 list-none p-0">
      <li v-for="row in data" :key="row.gradingId">
        <RouterLink :to="placeOf(row)" class="flex min-h-14 flex-wrap items-center gap-x-4 px-1 py-2 no-underline hover:bg-well">
          <span class="muted w-24">{{ sayDate(row.onDate, session.school?.now) }}</span>
          <span class="min-w-44 flex-1 text-[18px]"
            ><b>{{ row.apprentice }}</b> {{ t('grading.dog', { dog: row.dog }) }}</span
          >
          <span class="muted w-48">{{ t('grading.markedAssessor', { assessor: row.assessor }) }}</span>
          <span class="w-72 leading-[1.25]"
            ><GlyphMark :name="glyphOf(row)" class="mr-2 align-[-4px]" />{{ wordOf(row)
            }}<span v-if="row.appealed" class="block font-[650]">{{ t('grading.appealed') }}</span
            ><span v-if="row.because && row.outcome !== 'passed'" class="muted block">{{ row.because }}</span></span
          >
          <span class="w-40 text-right max-sm:text-left"
            ><template v-if="row.mark !== null && row.interval"
              ><b class="mr-3 text-[20px]">{{ Math.round(row.mark) }}</b
              ><span class="muted">{{
                t('grading.intervalInterval2', { interval: Math.round(row.interval[0]), interval2: Math.round(row.interval[1]) })
              }}</span></template
            ></span
          >
        </RouterLink>
      </li>
    </ul>
    <p v-if="problem" class="mt-2 font-[650]" role="alert">{{ problem }}</p>
    <button v-if="hasMore" class="btn btn-quiet mt-3" @click="more">{{ t('grading.olderTrims') }}</button>
  </main>
</template>
