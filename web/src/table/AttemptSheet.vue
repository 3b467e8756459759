<script setup lang="ts">
import type { Hands, Payloads, Setting, Side } from '@peen/core/practice'
import { regionName, type RegionId } from '@peen/core/regions'
import type { AgreedTarget } from '@peen/core/setup'
import type { PlanStep } from '@peen/core/standard'
import { lengthLeft, type Direction } from '@peen/core/tools'
import { sayLength } from '@peen/core/units'
import { computed, ref, watch } from 'vue'
import { v7 } from 'uuid'
import { useSessionStore } from '../stores/session'
import { SIDE_CHOICES } from '../composables/choices'
import ChoiceRow from '../components/ChoiceRow.vue'
import GlyphMark from '../components/GlyphMark.vue'
import SheetDialog from '../components/SheetDialog.vue'
import { FAMILIES, FAMILY_NAMES } from '@peen/core/technique'
import { allTechniques, techniqueById } from '../stores/techniques'
import { t } from '../words'

// What is about to be done: technique, places, side, tool and direction, whose hands, on a live dog or a practice figure.
const props = defineProps<{
  open: boolean
  techniqueId: string | null
  region: RegionId | null
  /** the steps of this visit, with the tools that were agreed */
  steps: readonly PlanStep[]
  agreed: readonly AgreedTarget[]
  staff: boolean
}>()
const emit = defineEmits<{ close: []; start: [payload: Payloads['attemptStarted']] }>()
const session = useSessionStore()

const chosenId = ref('')
const regions = ref<RegionId[]>([])
const side = ref<Side>('both')
const toolId = ref<string | null>(null)
const direction = ref<Direction | null>(null)
const hands = ref<Hands>('apprentice')
const setting = ref<Setting>('live')

/** What this trim plans comes first, in its order; then everything else by family. */
const groups = computed(() => {
  const planned = props.steps.flatMap((step) => techniqueById(step.technique) ?? [])
  const others = allTechniques().filter((one) => !planned.includes(one))
  return [
    { name: t('table.trim'), techniques: planned },
    ...FAMILIES.map((family) => ({ name: FAMILY_NAMES[family], techniques: others.filter((one) => one.family === family) }))
  ]
})
const technique = computed(() => techniqueById(chosenId.value))
watch(
  () => props.open,
  (open) => {
    if (open) choose(props.techniqueId ?? allTechniques()[0].id)
  }
)
function choose(id: string): void {
  chosenId.value = id
  const step = props.steps.find((candidate) => candidate.technique === id)
  const own = techniqueById(id)!.regions
  regions.value = props.region && own.includes(props.region) ? [props.region] : [...own]
  // one touched place is worked with what was agreed there, in the step that sets its length
  const there = props.agreed.find(
    ({ region, order }) => region === props.region && props.steps[order - 1]?.technique === id && own.includes(region)
  )
  toolId.value = there?.toolId ?? step?.toolId ?? techniqueById(id)!.tools[0] ?? null
  direction.value = there?.toolId ? there.direction : (step?.direction ?? null)
}
function toggle(region: RegionId): void {
  regions.value = regions.value.includes(region) ? regions.value.filter((r) => r !== region) : [...regions.value, region]
}
const tools = computed(() => session.school?.tools ?? [])
const tool = computed(() => tools.value.find((candidate) => candidate.id === toolId.value) ?? null)
watch(tool, (now) => {
  if (now?.kind !== 'blade') direction.value = null
  else direction.value ??= 'with'
})
const leaves = computed(() => {
  if (!tool.value || tool.value.lengthMm === null) return null
  const left = lengthLeft(tool.value, direction.value ?? 'with')
  return left.allowed
    ? t('table.leavesLengthLength2Because', {
        length: sayLength(left.lengthMm, 'mm'),
        length2: sayLength(left.lengthMm, 'in'),
        because: left.because
      })
    : left.because
})
function start(): void {
  emit('start', {
    attemptId: v7(),
    techniqueId: chosenId.value,
    regions: regions.value,
    side: side.value,
    toolId: toolId.value,
    direction: direction.value,
    hands: hands.value,
    setting: setting.value
  })
}
</script>

<template>
  <SheetDialog :open="open" :title="t('table.start')" @close="emit('close')">
    <label class="label" for="technique">{{ t('table.technique') }}</label>
    <select id="technique" class="field mb-4" :value="chosenId" @change="choose(($event.target as HTMLSelectElement).value)">
      <optgroup v-for="group in groups" :key="group.name" :label="group.name">
        <option v-for="option in group.techniques" :key="option.id" :value="option.id">{{ option.name }}</option>
      </optgroup>
    </select>
    <div v-if="technique" class="mb-4">
      <p v-for="hazard in technique.hazards" :key="hazard.id" class="mb-1 leading-[1.3] text-danger">
        <GlyphMark name="danger" :size="17" class="mr-1 align-[-3px]" />{{ hazard.caution }}
      </p>
      <p class="muted leading-[1.3]">{{ technique.steps.join(' ') }}</p>
    </div>
    <fieldset v-if="technique" class="mb-4">
      <legend class="label">{{ t('table.places') }}</legend>
      <div class="flex flex-wrap gap-2">
        <button
          v-for="place in technique.regions"
          :key="place"
          type="button"
          :class="['btn min-h-11 px-4 py-1 text-[16px]', regions.includes(place) ? 'bg-ink text-sheet' : 'btn-quiet']"
          :aria-pressed="regions.includes(place)"
          @click="toggle(place)"
        >
          {{ regionName(place) }}
        </button>
      </div>
    </fieldset>
    <ChoiceRow v-model="side" :label="t('table.sideDogsOwn')" :options="SIDE_CHOICES" />
    <label class="label" for="tool">{{ t('table.tool') }}</label>
    <select id="tool" v-model="toolId" class="field mb-2">
      <option :value="null">{{ t('table.none') }}</option>
      <option v-for="option in tools" :key="option.id" :value="option.id">
        {{ option.kind === 'blade' || option.kind === 'comb' ? `${option.kind} ${option.label}` : option.label }}
      </option>
    </select>
    <ChoiceRow
      v-if="tool?.kind === 'blade'"
      v-model="direction"
      :label="t('table.direction')"
      :options="[
        { value: 'with', name: t('table.growth') },
        { value: 'against', name: 'against' }
      ]"
    />
    <p v-if="leaves" class="mb-4">
      <b>{{ leaves }}</b>
    </p>
    <ChoiceRow
      v-if="staff"
      v-model="hands"
      :label="t('table.whoseHands')"
      :options="[
        { value: 'apprentice', name: t('table.apprentices') },
        { value: 'instructor', name: t('table.instructors') }
      ]"
    />
    <ChoiceRow
      v-model="setting"
      :label="t('table.on')"
      :options="[
        { value: 'live', name: t('table.dog') },
        { value: 'figure', name: t('table.practiceFigure') }
      ]"
    />
    <button class="btn btn-go w-full" :disabled="regions.length === 0" @click="start">
      {{ regions.length === 0 ? t('table.choosePlaceFirst') : t('table.start') }}
    </button>
  </SheetDialog>
</template>
