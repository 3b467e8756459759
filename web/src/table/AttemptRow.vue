<script setup lang="ts">
import type { ConfirmedAttempt, FaultSeen, Portion, ProposedAttempt } from '@peen/core/practice'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import { HANDS_CHOICES, HELP_CHOICES, PORTION_CHOICES, SIDE_CHOICES, WITNESS_CHOICES } from '../composables/choices'
import { techniqueById } from '../stores/techniques'
import { t } from '../words'

// One attempt as its events tell it: corrected where it was otherwise. Notes that were wrong are struck.
const props = defineProps<{
  proposed: ProposedAttempt
  struck: readonly string[]
  disabled: boolean
  locked: boolean
  asksPortion: boolean
}>()
const emit = defineEmits<{ strike: [eventId: string] }>()
const model = defineModel<ConfirmedAttempt>({ required: true })
const technique = computed(() => techniqueById(props.proposed.techniqueId))
const faultName = ({ faultId, words }: FaultSeen) =>
  words ?? technique.value?.faults.find((fault) => fault.id === faultId)?.name ?? t('table.faultNotSpecified')
const set = (change: Partial<ConfirmedAttempt>) => (model.value = { ...model.value, ...change })
const value = (event: Event) => (event.target as HTMLSelectElement).value
const setMinutes = (minutes: number) => set({ minutes: Math.min(480, Math.max(0, Math.round(minutes) || 0)) })
const SELECTS = [
  { field: 'help', label: t('table.help'), options: HELP_CHOICES, width: 'w-[128px]' },
  { field: 'witness', label: t('table.whoVouches'), options: WITNESS_CHOICES, width: 'w-[140px]' },
  { field: 'hands', label: t('table.hands'), options: HANDS_CHOICES, width: 'w-[118px]' },
  { field: 'side', label: t('table.side'), options: SIDE_CHOICES, width: 'w-[80px]' }
] as const
</script>

<template>
  <li class="py-2" :data-technique="proposed.techniqueId">
    <div class="flex flex-wrap items-center gap-x-1.5 gap-y-1.5">
      <span class="min-w-[130px] flex-1 text-[17px] leading-[1.2] font-[650]"
        >{{ technique?.name ?? proposed.techniqueId
        }}<span v-if="proposed.setting === 'figure'" class="font-normal">{{ t('table.figure') }}</span></span
      >
      <span class="flex items-center" role="group" :aria-label="t('table.minutesName', { name: technique?.name })">
        <button
          type="button"
          class="btn btn-quiet min-h-11 w-11 px-0"
          :aria-label="t('table.oneMinuteLess')"
          :disabled="disabled"
          @click="setMinutes(model.minutes - 1)"
        >
          −
        </button>
        <input
          class="field mx-1 h-11 min-h-11 w-[58px] px-1 text-center"
          type="number"
          min="0"
          max="480"
          :aria-label="t('table.minutesName2', { name: technique?.name })"
          :value="model.minutes"
          :disabled="disabled"
          @change="setMinutes(Number(value($event)))"
        />
        <button
          type="button"
          class="btn btn-quiet min-h-11 w-11 px-0"
          :aria-label="t('table.oneMinuteMore')"
          :disabled="disabled"
          @click="setMinutes(model.minutes + 1)"
        >
          +
        </button>
      </span>
      <select
        v-for="one in SELECTS"
        :key="one.field"
        :class="['field h-11 min-h-11 px-1.5', one.width]"
        :aria-label="`${one.label}, ${technique?.name}`"
        :value="model[one.field]"
        :disabled="disabled"
        @change="set({ [one.field]: value($event) })"
      >
        <option v-for="option in one.options" :key="option.value" :value="option.value">{{ option.name }}</option>
      </select>
    </div>
    <label v-if="asksPortion" class="mt-1.5 flex flex-wrap items-center gap-2"
      ><span class="muted">{{ t('table.howMuchCameOut') }}</span>
      <select
        class="field h-11 min-h-11 w-[170px] px-1.5"
        :aria-label="t('table.howMuchName', { name: technique?.name })"
        :value="model.portion ?? 'all'"
        :disabled="disabled"
        @change="set({ portion: value($event) as Portion })"
      >
        <option v-for="option in PORTION_CHOICES" :key="option.value" :value="option.value">{{ option.name }}</option>
      </select></label
    >
    <p v-for="sentence in proposed.say" :key="sentence" class="mt-1 leading-[1.3]">
      <GlyphMark name="cannotTell" :size="16" class="mr-1 align-[-2px]" />{{ sentence }}
    </p>
    <div v-if="proposed.faults.length > 0" class="mt-1 flex flex-wrap gap-2">
      <button
        v-for="fault in proposed.faults"
        :key="fault.eventId"
        type="button"
        :class="['btn min-h-11 px-3 text-[16px] font-normal', struck.includes(fault.eventId) ? 'btn-not-yet line-through' : 'btn-quiet']"
        :aria-pressed="struck.includes(fault.eventId)"
        :aria-label="`${struck.includes(fault.eventId) ? t('table.struck') : t('table.strike')}: ${faultName(fault)}`"
        :disabled="locked"
        @click="emit('strike', fault.eventId)"
      >
        <GlyphMark name="fails" :size="16" class="mr-1" />{{ faultName(fault) }}<template v-if="fault.side">, {{ fault.side }}</template>
      </button>
    </div>
  </li>
</template>
