<script setup lang="ts">
import type { AssessmentRow, Marker } from '@peen/contract'
import { computed, reactive, ref } from 'vue'
import { ask } from '../api/client'
import BoldText from '../components/BoldText.vue'
import GlyphMark from '../components/GlyphMark.vue'
import TopLine from '../components/TopLine.vue'
import ViewState from '../components/ViewState.vue'
import { useDoing } from '../composables/useDoing'
import { useAsked } from '../composables/useAsked'
import { sayDate } from '../composables/words'
import { useSessionStore } from '../stores/session'
import { t } from '../words'

// Who marks whose trim, apart: days of assessment, and single trims that ask for a second assessor.
const session = useSessionStore()
const { data, error, loading, reload } = useAsked('assessments')
const { problem, doing } = useDoing(reload)
const day = ref('')
const chosen = reactive<Record<string, { first: string; second: string }>>({})
const own = (row: AssessmentRow) => (chosen[row.visitId] ??= { first: '', second: '' })
const callDay = () => doing(() => ask('callDay', { body: { onDate: day.value || data.value!.today } }))
const dropDay = (onDate: string) => doing(() => ask('dropDay', { on: onDate }))
const appoint = (row: AssessmentRow) => doing(() => ask('appoint', { id: row.visitId, body: own(row) }))
const release = (row: AssessmentRow) => doing(() => ask('release', { id: row.visitId }))
const STATUS = { notBegun: t('grading.notStarted'), draft: t('grading.marking'), signed: t('grading.signed') } as const
const GLYPH = { notBegun: 'missing', draft: 'cannotTell', signed: 'meets' } as const
const mayRelease = (markers: readonly Marker[]) => markers.every(({ status }) => status === 'notBegun')
function sayRow(row: AssessmentRow): string {
  if (row.agreed) return row.outcome === 'passed' ? t('grading.settledPassed') : t('grading.settledNotPassed')
  if (row.outcome) return t('grading.waitingOtherAgree')
  if (row.open) return t('grading.bothSignedCompareSettle')
  if (row.asksSecond) return t('grading.tooClosePassMarkSecond')
  return ''
}
const say = computed(() => {
  const rows = data.value?.days.flatMap((one) => one.rows) ?? []
  const waiting = rows.filter((row) => row.asksSecond).length
  const toSettle = rows.filter((row) => row.open && !row.agreed).length
  return [
    t('grading.twoAssessorsMarkSeparatelyEach'),
    ...(waiting > 0 ? [t('grading.trimsNeedSecondAssessor', { n: waiting })] : []),
    ...(toSettle > 0 ? [t('grading.trimsToSettle', { n: toSettle })] : [])
  ].join(' ')
})
</script>

<template>
  <TopLine :what="t('grading.twoAssessors')" />
  <ViewState v-if="!data" :loading="loading" :error="error" @retry="reload" />
  <main v-else class="min-h-0 flex-1 overflow-y-auto p-4 sm:p-6" tabindex="0">
    <p class="finding max-sm:text-[23px]"><BoldText :text="say" /></p>
    <div class="mt-4 flex flex-wrap items-end gap-3">
      <template v-if="session.isLead">
        <label
          ><span class="label">{{ t('grading.assessmentDay') }}</span
          ><input v-model="day" type="date" class="field h-12 w-48" :min="data.today"
        /></label>
        <button class="btn" @click="callDay">{{ day ? t('grading.schedule') : t('grading.scheduleToday') }}</button>
      </template>
      <RouterLink to="/pass-marks" class="btn btn-quiet">{{ t('grading.passMarksOverallImpression') }}</RouterLink>
    </div>
    <p v-if="problem" class="mt-3 flex gap-2" role="alert"><GlyphMark name="fails" :size="18" class="mt-0.5" />{{ problem }}</p>
    <p v-if="data.days.length === 0" class="mt-6">{{ t('grading.noAssessmentDayYetNo') }}</p>
    <section v-for="one in data.days" :key="one.onDate" class="mt-6" :data-day="one.onDate">
      <h2 class="title flex items-center gap-4">
        <span
          >{{ sayDate(one.onDate) }}<template v-if="one.isAssessment">{{ t('grading.assessmentDay2') }}</template></span
        >
        <button
          v-if="one.isAssessment && session.isLead && one.rows.every((row) => !row.markers)"
          class="btn btn-quiet min-h-11 px-3 py-0 text-[16px]"
          @click="dropDay(one.onDate)"
        >
          {{ t('grading.notAssessmentDay') }}
        </button>
      </h2>
      <hr class="rule2 mt-2" />
      <p v-if="one.rows.length === 0" class="muted mt-2">{{ t('grading.noDogsPlannedDayYet') }}</p>
      <ul class="row-rule m-0 list-none p-0">
        <li
          v-for="row in one.rows"
          :key="row.visitId"
          class="flex flex-wrap items-center gap-x-5 gap-y-1 py-2.5"
          :data-assessment="row.visitId"
        >
          <span class="w-48 leading-[1.25]"
            ><b class="text-[19px]">{{ row.candidate }}</b
            ><br /><span class="muted">{{ t('grading.tableTableNumber', { tableNumber: row.tableNumber }) }}</span></span
          >
          <span class="w-56 leading-[1.25]"
            >{{ row.dog }}, {{ row.coat }}<br /><span class="muted">{{ row.trim }}</span></span
          >
          <template v-if="row.markers">
            <span v-for="marker in row.markers" :key="marker.id" class="flex w-44 items-center gap-2 leading-[1.2]"
              ><GlyphMark :name="GLYPH[marker.status]" /><span
                >{{ marker.name }}<br /><span class="muted">{{ STATUS[marker.status] }}</span></span
              ></span
            >
            <span class="min-w-40 flex-1 leading-[1.25]">{{ sayRow(row) }}</span>
            <button v-if="mayRelease(row.markers)" class="btn btn-quiet min-h-11 px-3 py-0 text-[16px]" @click="release(row)">
              {{ t('grading.remove') }}
            </button>
            <RouterLink :to="`/assessments/${row.visitId}`" class="btn min-h-11 px-4 py-0 text-[16px]">{{ t('grading.open') }}</RouterLink>
          </template>
          <template v-else>
            <span v-if="row.asksSecond" class="min-w-40 flex-1 leading-[1.25]">{{ sayRow(row) }}</span>
            <select
              v-model="own(row).first"
              class="field h-11 w-44"
              :aria-label="t('grading.firstAssessorCandidate', { candidate: row.candidate })"
            >
              <option value="" disabled>{{ t('grading.firstAssessor') }}</option>
              <option v-for="person in data.assessors" :key="person.id" :value="person.id">{{ person.name }}</option>
            </select>
            <select
              v-model="own(row).second"
              class="field h-11 w-44"
              :aria-label="t('grading.secondAssessorCandidate', { candidate: row.candidate })"
            >
              <option value="" disabled>{{ t('grading.secondAssessor') }}</option>
              <option v-for="person in data.assessors" :key="person.id" :value="person.id">{{ person.name }}</option>
            </select>
            <button class="btn min-h-11 px-4 py-0 text-[16px]" :disabled="!own(row).first || !own(row).second" @click="appoint(row)">
              {{ t('grading.appoint') }}
            </button>
          </template>
        </li>
      </ul>
    </section>
  </main>
</template>
