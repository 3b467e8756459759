<script setup lang="ts">
import type { Attempt, StepProgress } from '@peen/core/practice'
import { computed } from 'vue'
import GlyphMark from './GlyphMark.vue'
import { techniqueById } from '../stores/techniques'

// The steps as a strip: done, the present one large, the next two with their danger in words.
const props = defineProps<{ steps: readonly StepProgress[]; current: Attempt | null }>()
defineEmits<{ start: [techniqueId: string]; end: []; how: [techniqueId: string] }>()

const at = computed(() => {
  const now = props.steps.findIndex((step) => step.state === 'now')
  if (now >= 0) return now
  const todo = props.steps.findIndex((step) => step.state === 'todo')
  return todo < 0 ? props.steps.length - 1 : todo
})
const before = computed(() => props.steps.slice(Math.max(0, at.value - 2), at.value))
const after = computed(() => props.steps.slice(at.value + 1, at.value + 3))
const here = computed(() => props.steps[at.value])
const hazardOf = (id: string) => techniqueById(id)?.hazards.find((hazard) => hazard.hold)?.name ?? null
const firstWords = computed(() => techniqueById(here.value.step.technique)?.steps[0] ?? '')
const numberOf = (step: StepProgress) => props.steps.indexOf(step) + 1
</script>

<template>
  <div class="flex flex-none border-t border-line bg-sheet max-md:flex-col" aria-label="Steps">
    <button
      v-for="step in before"
      :key="step.step.technique"
      class="narrow w-[124px] flex-none border-l border-line px-4 py-2.5 leading-[1.22] first:border-l-0 max-lg:hidden"
      @click="$emit('start', step.step.technique)"
    >
      <span class="muted mb-1 flex items-center justify-between"
        ><span class="numeral text-[22px]">{{ numberOf(step) }}</span
        ><GlyphMark v-if="step.state === 'done'" name="meets"
      /></span>
      <span class="block">{{ step.step.label }}</span><span class="muted block">{{
        step.state === 'done' ? `done, ${step.minutes} min` : 'left out so far'
      }}</span>
    </button>
    <div class="min-w-0 flex-1 bg-ink px-[18px] py-3 text-sheet">
      <div class="mb-1 flex items-baseline justify-between">
        <span class="numeral text-[22px]">{{ numberOf(here) }} of {{ steps.length }}</span
        ><span class="text-[17px] font-semibold">usual {{ here.step.minutes }} min</span>
      </div>
      <div class="flex items-center gap-4">
        <div class="min-w-0 flex-1">
          <p class="text-[25px] leading-[1.1] font-[650]">{{ here.step.label }}</p>
          <button
            class="block min-h-11 leading-[1.25] underline decoration-1 underline-offset-4"
            :aria-label="`How it is done: ${here.step.label}`"
            @click="$emit('how', here.step.technique)"
          >
            {{ firstWords }}
          </button>
        </div>
        <button v-if="here.state === 'now' && current" class="btn flex-none border-sheet text-sheet" @click="$emit('end')">
          End this step
        </button>
        <button
          v-else-if="here.state === 'todo'"
          class="btn flex-none border-sheet text-sheet"
          @click="$emit('start', here.step.technique)"
        >
          Start
        </button>
        <span v-else class="flex-none font-semibold">all steps done</span>
      </div>
    </div>
    <button
      v-for="step in after"
      :key="step.step.technique"
      class="narrow w-[164px] flex-none border-l border-line px-4 py-2.5 leading-[1.22] max-md:hidden"
      @click="$emit('start', step.step.technique)"
    >
      <span class="muted mb-1 flex items-center justify-between"
        ><span class="numeral text-[22px]">{{ numberOf(step) }}</span
        ><GlyphMark v-if="hazardOf(step.step.technique)" name="danger" class="max-md:ml-2"
      /></span>
      <span class="block">{{ step.step.label }}</span><span v-if="hazardOf(step.step.technique)" class="block text-danger">{{
        hazardOf(step.step.technique)
      }}</span>
    </button>
  </div>
</template>
