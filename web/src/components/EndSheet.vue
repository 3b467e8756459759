<script setup lang="ts">
import type { Attempt, HelpLevel, Payloads, Witness } from '@peen/core/practice'
import { computed, ref, watch } from 'vue'
import { HELP_CHOICES } from '../composables/choices'
import ChoiceRow from './ChoiceRow.vue'
import SheetDialog from './SheetDialog.vue'
import { techniqueById } from '../stores/techniques'

// A step is done: minutes, how much help, and who vouches for it.
const props = defineProps<{ open: boolean; attempt: Attempt; staff: boolean; now: string }>()
const emit = defineEmits<{ close: []; end: [payload: Payloads['attemptEnded']] }>()
const minutes = ref<number | null>(null)
const help = ref<HelpLevel>('alone')
const witness = ref<Witness>('watched')
const technique = computed(() => techniqueById(props.attempt.techniqueId))
watch(
  () => props.open,
  (open) => {
    if (!open) return
    const timed = Math.round((Date.parse(props.now) - Date.parse(props.attempt.startedAt)) / 60000)
    minutes.value = timed > 0 ? timed : null
    help.value =
      props.attempt.prompts === 1 ? 'onePrompt' : props.attempt.prompts > 1 ? 'talkedThrough' : (props.attempt.helps.at(-1) ?? 'alone')
    witness.value = props.staff ? 'watched' : 'self'
  },
  { immediate: true }
)
const problem = computed(() => {
  if (minutes.value === null || Number.isNaN(minutes.value)) return 'Say the minutes.'
  return minutes.value < 0 || minutes.value > 480 ? `Minutes is ${minutes.value}; allowed is 0 to 480. Nothing was changed.` : null
})
</script>

<template>
  <SheetDialog :open="open" :title="`End: ${technique?.name ?? ''}`" @close="emit('close')">
    <label class="label" for="minutes">Minutes</label>
    <div class="mb-4 flex gap-2">
      <button
        type="button"
        class="btn btn-quiet w-14 px-0"
        aria-label="one minute less"
        @click="minutes = Math.max(0, (minutes ?? technique?.usualMinutes ?? 1) - 1)"
      >
        −
      </button>
      <input
        id="minutes"
        v-model.number="minutes"
        class="field w-24 text-center"
        type="number"
        min="0"
        max="480"
        inputmode="numeric"
        :aria-invalid="problem && minutes !== null ? 'true' : undefined"
      />
      <button
        type="button"
        class="btn btn-quiet w-14 px-0"
        aria-label="one minute more"
        @click="minutes = (minutes ?? technique?.usualMinutes ?? 0) + 1"
      >
        +
      </button>
      <span class="muted self-center">usual {{ technique?.usualMinutes }}</span>
    </div>
    <ChoiceRow v-model="help" label="Help" :options="HELP_CHOICES" />
    <ChoiceRow
      v-if="staff"
      v-model="witness"
      label="Who vouches"
      :options="[
        { value: 'watched', name: 'I watched' },
        { value: 'inspected', name: 'I inspected it after' }
      ]"
    />
    <p v-else class="muted mb-4">Nobody watched: it is logged apart and does not enter the chart.</p>
    <button v-if="problem" class="btn btn-not-yet w-full" disabled>{{ problem }}</button>
    <button v-else class="btn btn-go w-full" @click="emit('end', { attemptId: attempt.id, minutes: minutes!, help, witness })">
      End this step
    </button>
  </SheetDialog>
</template>
