<script setup lang="ts">
import { RATING_NAMES } from '@peen/contract'
import type { Standard } from '@peen/core/standard'
import { computed, ref, watch } from 'vue'
import SheetDialog from '../components/SheetDialog.vue'
import SideBySide from '../components/SideBySide.vue'
import { differences, merged, usualChoice, type Difference, type StoredDraft } from './merge'
import { sayAnswer } from './say-answer'
import { t } from '../words'

// Two devices wrote this sheet: both are shown side by side, and a touch on each row says which of them holds.
const props = defineProps<{ standard: Standard; here: StoredDraft; there: StoredDraft | null }>()
const emit = defineEmits<{ settle: [sheet: StoredDraft] }>()
const rows = computed(() => (props.there ? differences(props.here, props.there) : []))
const choices = ref<Record<string, 'here' | 'there'>>({})
// what both sheets say while this is open is what was read when it opened
watch(
  () => props.there,
  () => (choices.value = Object.fromEntries(rows.value.map((row) => [row.id, usualChoice(row)]))),
  { immediate: true }
)
const settle = () => props.there && emit('settle', merged(props.here, props.there, choices.value))

const criterionOf = (id: string) => props.standard.criteria.find((criterion) => criterion.id === id)
function nameOf(row: Difference): string {
  if (row.kind === 'rating') return t('grading.yourOverallImpression')
  if (row.kind === 'critical') return props.standard.critical.find(({ id }) => id === row.faultId)?.name ?? row.faultId
  const label = criterionOf(row.criterionId)?.label ?? row.criterionId
  return row.side === 'whole' ? label : `${label}, ${row.side}`
}
function saySide(row: Difference, side: 'here' | 'there'): string {
  if (row.kind === 'rating') return row[side] === null ? t('grading.notGiven') : RATING_NAMES[row[side]]
  if (row.kind === 'critical') return row[side] ? 'ticked' : t('grading.notTicked')
  const criterion = criterionOf(row.criterionId)
  return criterion ? sayAnswer(criterion, row[side]) : row[side] === null ? t('grading.notAnswered') : 'answered'
}
const told = computed(() =>
  rows.value.map((row) => ({ id: row.id, name: nameOf(row), here: saySide(row, 'here'), there: saySide(row, 'there') }))
)
</script>

<template>
  <SheetDialog :open="there !== null" :title="t('grading.sheetAlsoFilledAnotherDevice')" wide @close="settle">
    <p class="leading-[1.35]">
      {{
        t('grading.nChooseAnswerKeepEach', {
          n: rows.length === 1 ? t('grading.oneAnswerDiffers') : t('grading.nAnswersDiffer', { n: rows.length })
        })
      }}
    </p>
    <SideBySide v-model="choices" :rows="told" />
    <button class="btn btn-go mt-4" data-settle @click="settle">{{ t('grading.useSheet') }}</button>
  </SheetDialog>
</template>
