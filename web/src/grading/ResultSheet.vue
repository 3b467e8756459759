<script setup lang="ts">
import { houseRules } from '@peen/content'
import type { GradingView } from '@peen/contract'
import { STATIONS, type Station } from '@peen/core/standard'
import { computed, ref } from 'vue'
import { stationNotes } from './gradePlate'
import { useKeys } from '../composables/useKeys'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'
import CorrectionPart from './CorrectionPart.vue'
import CriterionRows from './CriterionRows.vue'
import FeedbackBlock from './FeedbackBlock.vue'
import FeedbackPrint from './FeedbackPrint.vue'
import FoundPlate from './FoundPlate.vue'
import MovedList from './MovedList.vue'
import GlyphMark from '../components/GlyphMark.vue'
import MarkPanel from './MarkPanel.vue'
import WalkTabs from './WalkTabs.vue'
import { t } from '../words'

// A signed grading: the mark, the sentences, the sections against their floors, every answer.
const props = defineProps<{ grading: GradingView }>()
defineEmits<{ changed: [] }>()
const { standard } = props.grading
const session = useSessionStore()
const numbers = new Map(standard.criteria.map((criterion, i) => [criterion.id, i + 1]))
const station = ref<Station>('side')
const open = ref<string | null>(null)
const notes = computed(() => stationNotes(standard, props.grading.result, null, numbers))
const glyph = { met: 'meets', below: 'fails', cannotTell: 'cannotTell', open: 'missing' } as const
useKeys([
  {
    key: 'ArrowRight',
    label: t('grading.nextSide'),
    run: () => (station.value = STATIONS[Math.min(5, STATIONS.indexOf(station.value) + 1)])
  },
  {
    key: 'ArrowLeft',
    label: t('grading.previousSide'),
    run: () => (station.value = STATIONS[Math.max(0, STATIONS.indexOf(station.value) - 1)])
  }
])
</script>

<template>
  <div class="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[1fr_460px] lg:overflow-hidden">
    <main class="min-w-0 p-3 sm:p-4 lg:overflow-y-auto" tabindex="0">
      <FoundPlate :grading="grading" :standard="standard" :result="grading.result" :notes="notes" :caption="sayDate(grading.onDate)">
        <RouterLink :to="`/apprentices/${grading.apprentice.id}`" class="btn btn-quiet min-h-11 px-4 py-1 text-[16px]">{{
          t('grading.effectRecord')
        }}</RouterLink>
        <FeedbackPrint v-if="grading.own" :grading-id="grading.id" :result="grading.result" />
        <MovedList :moved="grading.moved" />
      </FoundPlate>
      <FeedbackBlock :result="grading.result" :shown="true" :numbers="numbers" :praises="grading.praises" />
    </main>
    <aside
      class="flex min-h-0 flex-col border-line bg-sheet max-lg:border-t lg:overflow-y-auto lg:border-l"
      :aria-label="t('grading.result')"
      tabindex="0"
    >
      <div class="px-5 pt-4 pb-3">
        <MarkPanel
          :result="grading.result"
          :rating="grading.globalRating"
          :standard="standard"
          :signed="true"
          :by="grading.own ? t('grading.you') : grading.assessor.givenName"
        />
        <p class="muted mt-2">
          {{
            t('grading.givenNameFamilyNameMarkedGivenName2FamilyName2', {
              givenName: grading.apprentice.givenName,
              familyName: grading.apprentice.familyName,
              givenName2: grading.assessor.givenName,
              familyName2: grading.assessor.familyName,
              blind: grading.blind ? 'yes' : 'no'
            })
          }}
        </p>
        <RouterLink v-if="session.isStaff && grading.result?.outcome === 'secondAssessor'" to="/assessments" class="btn mt-2 w-full">{{
          t('grading.appointSecondAssessor')
        }}</RouterLink>
        <CorrectionPart :grading="grading" @changed="$emit('changed')" />
        <details class="mt-2">
          <summary class="flex min-h-11 cursor-pointer items-center">{{ t('grading.houseRulesForce') }}</summary>
          <ul class="muted m-0 list-none p-0 leading-[1.4]">
            <li v-for="rule in houseRules" :key="rule.id">{{ rule.question }}: {{ rule.sides[grading.houseRules[rule.id] ?? 0] }}</li>
          </ul>
        </details>
        <ul class="row-rule m-0 mt-3 list-none border-t border-line p-0">
          <li v-for="row in grading.result?.sections ?? []" :key="row.section.id" class="flex items-center gap-3 py-1.5">
            <GlyphMark :name="glyph[row.floor]" /><span class="flex-1">{{ row.section.name }}</span
            ><b v-if="row.value !== null" class="w-10 text-right">{{ Math.round(row.value) }}</b
            ><span v-if="row.interval" class="muted w-20 text-right whitespace-nowrap">{{
              t('grading.intervalInterval2', { interval: Math.round(row.interval[0]), interval2: Math.round(row.interval[1]) })
            }}</span
            ><span class="muted w-[100px] text-right whitespace-nowrap">{{ t('grading.minimumFloor', { floor: row.section.floor }) }}</span>
          </li>
        </ul>
      </div>
      <WalkTabs v-model="station" :standard="standard" :result="grading.result" />
      <CriterionRows
        :standard="standard"
        :station="station"
        :result="grading.result"
        :answers="grading.answers"
        :open="open"
        :numbers="numbers"
        readonly
        @open="(id) => (open = open === id ? null : id)"
      />
    </aside>
  </div>
</template>
