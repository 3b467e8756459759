<script setup lang="ts">
import type { FloorView } from '@peen/contract'
import { ROUNDS_DEFAULTS, ROUNDS_FIELDS, type RoundsField, type RoundsRules } from '@peen/core/practice'
import { upperFirst } from '@peen/core/units'
import { computed, ref, watch } from 'vue'
import { ask, sentenceOf } from '../api/client'
import { useSessionStore } from '../stores/session'
import GlyphMark from '../components/GlyphMark.vue'
import SheetDialog from '../components/SheetDialog.vue'
import { t } from '../words'

// How the next looks are ranked, with every number; a lead assessor changes them.
const props = defineProps<{ open: boolean; rounds: RoundsRules }>()
const emit = defineEmits<{ close: []; kept: [floor: FloorView] }>()
const isMishap = ({ path }: RoundsField) => path.startsWith('mishap.')
const GROUPS = [
  { name: t('floor.timeHarm'), fields: ROUNDS_FIELDS.filter((field) => !isMishap(field)), isShort: false },
  { name: t('floor.chanceMishapRiskyStepApprentices'), fields: ROUNDS_FIELDS.filter(isMishap), isShort: true }
]
const session = useSessionStore()
const mine = ref(props.rounds)
const refused = ref<string | null>(null)
// taken over when it is opened: what is written here is not pulled away by a room that is read anew
watch(
  () => props.open,
  () => {
    mine.value = props.rounds
    refused.value = null
  }
)
const mayChange = computed(() => session.me?.role === 'lead')

function set(field: RoundsField, text: string): void {
  mine.value = field.write(mine.value, text.trim() === '' ? Number.NaN : Number(text.replace(',', '.')))
}
const wrong = computed(() =>
  ROUNDS_FIELDS.flatMap((field) => {
    const value = field.read(mine.value)
    if (value >= field.low && value <= field.high) return []
    return [
      t('floor.labelFieldValueMustLow', {
        label: upperFirst(field.label),
        field: isMishap(field) ? t('floor.chanceMishap') : '',
        value: Number.isNaN(value) ? t('floor.noNumber') : value,
        low: field.low,
        high: field.high,
        unit: field.unit
      })
    ]
  })
)
async function keep(): Promise<void> {
  if (wrong.value.length > 0) return void (refused.value = wrong.value.join(' '))
  try {
    emit('kept', await ask('keepRounds', { body: mine.value }))
    emit('close')
  } catch (caught) {
    refused.value = sentenceOf(caught)
  }
}
</script>

<template>
  <SheetDialog :open="open" :title="t('floor.howTablesPutOrder')" @close="$emit('close')">
    <p class="leading-[1.4]">
      {{ t('floor.stoppedWorkComesFirstThen') }}
    </p>
    <section v-for="group in GROUPS" :key="group.name" class="mt-4">
      <h2>{{ group.name }}</h2>
      <hr class="rule2 mt-1" />
      <div :class="['grid gap-x-8', group.isShort ? 'sm:grid-cols-2' : '']">
        <label v-for="field in group.fields" :key="field.path" class="flex items-center gap-3 border-b border-line py-1.5">
          <span class="flex-1 leading-[1.2]">{{ upperFirst(field.label) }}</span>
          <input
            class="field w-20 px-2 text-right"
            inputmode="decimal"
            :value="field.read(mine)"
            :disabled="!mayChange"
            @change="set(field, ($event.target as HTMLInputElement).value)"
          />
          <span class="muted w-11">{{ field.unit }}</span>
        </label>
      </div>
    </section>
    <p v-if="refused" class="mt-3 flex gap-2 leading-[1.3]" role="alert">
      <GlyphMark name="fails" :size="18" class="mt-0.5" />{{ refused }}
    </p>
    <div v-if="mayChange" class="mt-4 flex flex-wrap gap-2">
      <button class="btn btn-go" @click="keep">{{ t('floor.useThese') }}</button>
      <button class="btn btn-quiet" @click="mine = ROUNDS_DEFAULTS">{{ t('floor.restorePeensValues') }}</button>
    </div>
    <p v-else class="muted mt-3">{{ t('floor.onlyLeadAssessorCanChange') }}</p>
  </SheetDialog>
</template>
