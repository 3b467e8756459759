<script setup lang="ts">
import type { Attempt, EventKind, Severity } from '@peen/core/practice'
import { computed, ref } from 'vue'
import ChoiceRow from '../components/ChoiceRow.vue'
import GlyphMark from '../components/GlyphMark.vue'
import SheetDialog from '../components/SheetDialog.vue'
import { allTechniques, techniqueById } from '../stores/techniques'
import { t } from '../words'

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
  <SheetDialog open :title="what === 'safety' ? t('table.safetyEvent2') : t('table.note2')" @close="emit('close')">
    <template v-if="what === 'safety'">
      <p class="mb-3 leading-[1.35] text-danger">
        <GlyphMark name="danger" :size="18" class="mr-1 align-[-3px]" />{{ t('table.seeDogFirstBleedingSore') }}
      </p>
      <ChoiceRow
        v-model="hazardId"
        :label="t('table.what')"
        :options="technique.hazards.map((hazard) => ({ value: hazard.id, name: hazard.name }))"
      />
      <ChoiceRow
        v-model="severity"
        :label="t('table.howBad')"
        :options="[
          { value: 'near', name: t('table.nearMiss') },
          { value: 'minor', name: 'minor' },
          { value: 'serious', name: t('table.seriousPutsHoldTechnique') }
        ]"
      />
      <button
        class="btn btn-danger w-full"
        @click="emit('tap', 'safetyNoted', { attemptId: attempt?.id ?? null, hazardId, severity, region }, t('table.safetyEvent3'))"
      >
        {{ t('table.record') }}
      </button>
    </template>
    <form v-else @submit.prevent="keepNote">
      <label class="label" for="words">{{ t('table.yourOwnWords') }}</label>
      <textarea id="words" v-model="text" class="field" rows="3" maxlength="500" />
      <button class="btn btn-go mt-3 w-full" :disabled="!text.trim()">{{ t('table.save') }}</button>
    </form>
  </SheetDialog>
</template>
