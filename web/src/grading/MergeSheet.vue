<script setup lang="ts">
import { RATING_NAMES } from '@peen/contract'
import type { Standard } from '@peen/core/standard'
import { computed, ref, watch } from 'vue'
import SheetDialog from '../components/SheetDialog.vue'
import { differences, merged, usualChoice, type Difference, type StoredDraft } from './merge'
import { sayAnswer } from './say-answer'

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
const all = (side: 'here' | 'there') => (choices.value = Object.fromEntries(rows.value.map(({ id }) => [id, side])))
const settle = () => props.there && emit('settle', merged(props.here, props.there, choices.value))

const criterionOf = (id: string) => props.standard.criteria.find((criterion) => criterion.id === id)
function nameOf(row: Difference): string {
  if (row.kind === 'rating') return 'Your overall impression'
  if (row.kind === 'critical') return props.standard.critical.find(({ id }) => id === row.faultId)?.name ?? row.faultId
  const label = criterionOf(row.criterionId)?.label ?? row.criterionId
  return row.side === 'whole' ? label : `${label}, ${row.side}`
}
function saySide(row: Difference, side: 'here' | 'there'): string {
  if (row.kind === 'rating') return row[side] === null ? 'not given' : RATING_NAMES[row[side]]
  if (row.kind === 'critical') return row[side] ? 'ticked' : 'not ticked'
  const criterion = criterionOf(row.criterionId)
  return criterion ? sayAnswer(criterion, row[side]) : row[side] === null ? 'not answered' : 'answered'
}
const SIDES = [
  { id: 'here', name: 'This tablet' },
  { id: 'there', name: 'The other device' }
] as const
</script>

<template>
  <SheetDialog :open="there !== null" title="Another device wrote on this sheet" wide @close="settle">
    <p class="leading-[1.35]">
      {{ rows.length === 1 ? 'One answer differs' : `${rows.length} answers differ` }}. Touch the answer to keep in each row. The sheet as
      this tablet had it stays on record.
    </p>
    <div v-if="rows.length > 1" class="mt-3 flex flex-wrap gap-2">
      <button v-for="side in SIDES" :key="side.id" class="btn btn-quiet" @click="all(side.id)">
        All from {{ side.name.toLowerCase() }}
      </button>
    </div>
    <ul class="mt-3">
      <li v-for="row in rows" :key="row.id" class="border-b border-line py-2" :data-differs="row.id">
        <fieldset>
          <legend class="font-[650]">{{ nameOf(row) }}</legend>
          <div class="mt-1 grid gap-2 sm:grid-cols-2">
            <button
              v-for="side in SIDES"
              :key="side.id"
              class="btn min-h-11 flex-col items-start text-left"
              :class="choices[row.id] === side.id ? 'btn-go' : 'btn-quiet'"
              :aria-pressed="choices[row.id] === side.id"
              @click="choices = { ...choices, [row.id]: side.id }"
            >
              <span class="text-[14px]">{{ side.name }}</span><span>{{ saySide(row, side.id) }}</span>
            </button>
          </div>
        </fieldset>
      </li>
    </ul>
    <button class="btn btn-go mt-4" data-settle @click="settle">Go on with this sheet</button>
  </SheetDialog>
</template>
