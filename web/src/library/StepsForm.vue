<script setup lang="ts">
import type { PlanStep, Standard } from '@peen/core/standard'
import { minutesOfWalk } from '@peen/core/setup'
import { FAMILIES, FAMILY_NAMES } from '@peen/core/technique'
import { computed, ref } from 'vue'
import { useSessionStore } from '../stores/session'
import { allTechniques, techniqueById } from '../stores/techniques'
import NumberBox from './NumberBox.vue'
import { toolName } from './pass-words'
import { t } from '../words'

// The work in its order. Brushing out, bath and drying have a clock of their own.
const props = defineProps<{ standard: Standard }>()
const emit = defineEmits<{ change: [part: Partial<Standard>] }>()
const session = useSessionStore()
const steps = computed(() => props.standard.plan.steps)
const free = computed(() => allTechniques().filter(({ id }) => !steps.value.some(({ technique }) => technique === id)))
const text = (event: Event) => (event.target as HTMLInputElement).value

/** The standard time follows the steps as long as it was their sum. */
function putSteps(next: readonly PlanStep[]): void {
  const sum = (list: readonly PlanStep[]) => minutesOfWalk(list).trim
  const follows = sum(steps.value) === props.standard.standardMin
  emit('change', { plan: { ...props.standard.plan, steps: next }, ...(follows ? { standardMin: sum(next) } : {}) })
}
const put = (i: number, part: Partial<PlanStep>) => putSteps(steps.value.map((step, k) => (k === i ? { ...step, ...part } : step)))
function putApart(i: number, apart: boolean): void {
  const { apart: _none, ...rest } = steps.value[i]
  putSteps(steps.value.map((step, k) => (k === i ? (apart ? { ...rest, apart } : rest) : step)))
}
function move(i: number, by: number): void {
  const next = [...steps.value]
  next.splice(i + by, 0, ...next.splice(i, 1))
  putSteps(next)
}
function putTool(i: number, toolId: string): void {
  const tool = session.school?.tools.find(({ id }) => id === toolId)
  const cuts = tool?.kind === 'blade' || tool?.kind === 'comb'
  put(i, { toolId: toolId === '' ? null : toolId, direction: cuts ? (steps.value[i].direction ?? 'with') : null })
}
const added = ref('')
function add(): void {
  const technique = techniqueById(added.value)
  if (!technique) return
  const toolId = technique.tools.find((id) => session.school?.tools.some((tool) => tool.id === id)) ?? null
  const cuts = toolId !== null && ['blade', 'comb'].includes(session.school?.tools.find(({ id }) => id === toolId)?.kind ?? '')
  putSteps([
    ...steps.value,
    { technique: technique.id, label: technique.name, toolId, direction: cuts ? 'with' : null, minutes: technique.usualMinutes }
  ])
  added.value = ''
}
</script>

<template>
  <div class="bg-plate px-4 py-4" data-steps-form>
    <ol class="m-0 list-none p-0">
      <li v-for="(step, i) in steps" :key="step.technique" class="mb-3 border-b border-line pb-3" :data-step="step.technique">
        <div class="grid gap-2 sm:grid-cols-[1fr_8rem]">
          <label
            ><span class="label">{{ i + 1 }}. {{ techniqueById(step.technique)?.name ?? step.technique }}</span
            ><input class="field" :value="step.label" maxlength="80" @change="put(i, { label: text($event) })"
          /></label>
          <NumberBox
            :label="t('library.minutes')"
            :value="step.minutes"
            :low="1"
            :high="240"
            @put="(value) => put(i, { minutes: value ?? 1 })"
          />
        </div>
        <label class="mt-1 flex min-h-11 items-center gap-2"
          ><input
            type="checkbox"
            class="h-5 w-5"
            :checked="step.apart === true"
            @change="putApart(i, ($event.target as HTMLInputElement).checked)"
          />{{ t('library.timedSeparatelyNotTrimsMinutes') }}</label
        >
        <div class="mt-2 flex flex-wrap gap-2">
          <select
            class="field h-11 flex-1"
            :value="step.toolId ?? ''"
            :aria-label="t('library.toolLabel', { label: step.label })"
            @change="putTool(i, text($event))"
          >
            <option value="">{{ t('library.noTool') }}</option>
            <option v-for="tool in session.school?.tools ?? []" :key="tool.id" :value="tool.id">{{ toolName(tool) }}</option>
          </select>
          <select
            v-if="step.direction !== null"
            class="field h-11 w-36"
            :value="step.direction"
            :aria-label="t('library.directionLabel', { label: step.label })"
            @change="put(i, { direction: text($event) as 'with' })"
          >
            <option value="with">{{ t('library.with') }}</option>
            <option value="against">{{ t('library.against') }}</option>
          </select>
          <button
            class="btn btn-quiet min-h-11 px-3"
            :disabled="i === 0"
            :aria-label="t('library.labelMoveUp', { label: step.label })"
            @click="move(i, -1)"
          >
            {{ t('library.moveUp') }}
          </button>
          <button
            class="btn btn-quiet min-h-11 px-3"
            :disabled="i === steps.length - 1"
            :aria-label="t('library.labelMoveDown', { label: step.label })"
            @click="move(i, 1)"
          >
            {{ t('library.moveDown') }}
          </button>
          <button
            class="btn btn-quiet min-h-11 px-3"
            :aria-label="t('library.labelRemove2', { label: step.label })"
            @click="putSteps(steps.filter((_, k) => k !== i))"
          >
            {{ t('library.remove') }}
          </button>
        </div>
      </li>
    </ol>
    <div class="flex gap-2">
      <select v-model="added" class="field h-12 flex-1" :aria-label="t('library.addStep')">
        <option value="">{{ t('library.addStep2') }}</option>
        <optgroup v-for="family in FAMILIES" :key="family" :label="FAMILY_NAMES[family]">
          <option v-for="one in free.filter((technique) => technique.family === family)" :key="one.id" :value="one.id">
            {{ one.name }}
          </option>
        </optgroup>
      </select>
      <button class="btn" :disabled="added === ''" @click="add">{{ t('library.add') }}</button>
    </div>
  </div>
</template>
