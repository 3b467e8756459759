<script setup lang="ts">
import type { Attempt, EventKind, Severity } from '@peen/core/practice'
import { computed, ref } from 'vue'
import ChoiceRow from '../components/ChoiceRow.vue'
import GlyphMark from '../components/GlyphMark.vue'
import SheetDialog from '../components/SheetDialog.vue'
import { allTechniques, techniqueById } from '../stores/techniques'

// A safety event, and a note in one's own words: what is not told by one tap.
const props = defineProps<{ what: 'safety' | 'note'; attempt: Attempt | null; planned: string | null }>()
const emit = defineEmits<{ close: []; tap: [kind: EventKind, payload: object, undo: string] }>()

const technique = computed(() => techniqueById(props.attempt?.techniqueId ?? props.planned ?? allTechniques()[0].id)!)
const region = computed(() => props.attempt?.regions[0] ?? null)
const severity = ref<Severity>('near')
const hazardId = ref(technique.value.hazards[0]?.id ?? '')
const text = ref('')
const keepNote = () => text.value.trim() && emit('tap', 'noted', { text: text.value.trim() }, 'note')
</script>

<template>
  <SheetDialog open :title="what === 'safety' ? 'A safety event' : 'Note'" @close="emit('close')">
    <template v-if="what === 'safety'">
      <p class="mb-3 leading-[1.35] text-danger">
        <GlyphMark name="danger" :size="18" class="mr-1 align-[-3px]" />See to the dog first. Bleeding, sore or lumpy skin: stop, tell the
        owner, a veterinary surgeon looks at it.
      </p>
      <ChoiceRow v-model="hazardId" label="What" :options="technique.hazards.map((hazard) => ({ value: hazard.id, name: hazard.name }))" />
      <ChoiceRow
        v-model="severity"
        label="How bad"
        :options="[
          { value: 'near', name: 'a near miss' },
          { value: 'minor', name: 'minor' },
          { value: 'serious', name: 'serious: holds the technique' }
        ]"
      />
      <button
        class="btn btn-danger w-full"
        @click="emit('tap', 'safetyNoted', { attemptId: attempt?.id ?? null, hazardId, severity, region }, 'safety event')"
      >
        Record it
      </button>
    </template>
    <form v-else @submit.prevent="keepNote">
      <label class="label" for="words">In your own words</label>
      <textarea id="words" v-model="text" class="field" rows="3" maxlength="500" />
      <button class="btn btn-go mt-3 w-full" :disabled="!text.trim()">Keep it</button>
    </form>
  </SheetDialog>
</template>
