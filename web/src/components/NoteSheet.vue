<script setup lang="ts">
import type { Attempt, EventKind, HelpLevel, Severity, Side } from '@peen/core/practice'
import { regionName, type RegionId } from '@peen/core/regions'
import { computed, ref } from 'vue'
import { GIVEN_HELP_CHOICES, SIDE_CHOICES } from '../composables/choices'
import ChoiceRow from './ChoiceRow.vue'
import GlyphMark from './GlyphMark.vue'
import SheetDialog from './SheetDialog.vue'
import { allTechniques, techniqueById } from '../stores/techniques'

// What the keys ask after: which fault and where, whose help, what was good, what happened.
type What = 'fault' | 'helped' | 'praise' | 'safety' | 'stop' | 'note'
const props = defineProps<{ what: What; attempt: Attempt | null; planned: string | null }>()
const emit = defineEmits<{ close: []; tap: [kind: EventKind, payload: object, undo: string] }>()
const TITLES: Record<What, string> = {
  fault: 'Which fault',
  helped: 'Helped',
  praise: 'What was good',
  safety: 'A safety event',
  stop: 'Stop the work',
  note: 'Note'
}

const technique = computed(() => techniqueById(props.attempt?.techniqueId ?? props.planned ?? allTechniques()[0].id)!)
const region = ref<RegionId | null>(props.attempt?.regions[0] ?? null)
const side = ref<Side>('left')
const help = ref<HelpLevel>('talkedThrough')
const severity = ref<Severity>('near')
const hazardId = ref(technique.value.hazards[0]?.id ?? '')
const text = ref('')
const regionOptions = computed(() => technique.value.regions.map((value) => ({ value, name: regionName(value) })))
const PRAISES = [
  'Kept the leg low.',
  'Looked from the other side before cutting.',
  'Stopped at the first fussing.',
  'Scissors down while turning the dog.'
]
const REASONS = ['The dog has had enough.', 'Skin is red or sore.', 'The dog is in distress.', 'Bleeding.']

const noteFault = (faultId: string) =>
  emit('tap', 'faultNoted', { attemptId: props.attempt!.id, faultId, region: region.value, side: side.value }, 'fault')
const sendText = (kind: 'praised' | 'noted' | 'stopped', words: string) => {
  const payload =
    kind === 'praised' ? { attemptId: props.attempt?.id ?? null, text: words } : kind === 'noted' ? { text: words } : { reason: words }
  emit('tap', kind, payload, { praised: 'praise', noted: 'note', stopped: 'stop' }[kind])
}
</script>

<template>
  <SheetDialog open :title="TITLES[what]" @close="emit('close')">
    <template v-if="what === 'fault'">
      <ChoiceRow v-model="side" label="Side, the dog’s own" :options="SIDE_CHOICES" />
      <ChoiceRow v-if="regionOptions.length > 1" v-model="region" label="Where" :options="regionOptions" />
      <ul class="row-rule m-0 list-none p-0">
        <li v-for="fault in technique.faults" :key="fault.id">
          <button class="flex min-h-12 w-full flex-col px-1 py-2 hover:bg-well" @click="noteFault(fault.id)">
            <span
              ><b>{{ fault.name }}</b
              ><span v-if="fault.major" class="muted">, major</span></span
            ><span class="muted">{{ fault.cause }}: {{ fault.cure }}</span>
          </button>
        </li>
      </ul>
    </template>
    <template v-else-if="what === 'helped'">
      <ChoiceRow v-model="help" label="How" :options="GIVEN_HELP_CHOICES" />
      <ChoiceRow v-if="regionOptions.length > 1" v-model="region" label="Where" :options="regionOptions" />
      <button class="btn btn-go w-full" @click="emit('tap', 'helped', { attemptId: attempt!.id, help, region, side: null }, 'help')">
        Record help
      </button>
    </template>
    <template v-else-if="what === 'safety'">
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
    <form
      v-else
      @submit.prevent="text.trim() && sendText(what === 'praise' ? 'praised' : what === 'stop' ? 'stopped' : 'noted', text.trim())"
    >
      <div v-if="what !== 'note'" class="mb-4 flex flex-col gap-2">
        <button
          v-for="words in what === 'praise' ? PRAISES : REASONS"
          :key="words"
          type="button"
          class="btn btn-quiet justify-start text-left"
          @click="sendText(what === 'praise' ? 'praised' : 'stopped', words)"
        >
          {{ words }}
        </button>
      </div>
      <label class="label" for="words">In your own words</label>
      <textarea id="words" v-model="text" class="field" rows="3" maxlength="500" />
      <button :class="['btn mt-3 w-full', what === 'stop' ? 'btn-danger' : 'btn-go']" :disabled="!text.trim()">
        {{ what === 'stop' ? 'Stop the work' : 'Keep it' }}
      </button>
    </form>
  </SheetDialog>
</template>
