<script setup lang="ts">
import type { Attempt, StepProgress } from '@peen/core/practice'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import { techniqueById } from '../stores/techniques'
import { t } from '../words'

// The steps as a strip: done (touch to go back), the present one large with its clock, the next two with their danger in words.
const props = defineProps<{
  steps: readonly StepProgress[]
  current: Attempt | null
  minutes: number
  over: string | null
  /** where the table is ended; null for an apprentice, who does not */
  end: string | null
}>()
defineEmits<{
  start: [techniqueId: string]
  other: [techniqueId: string]
  back: [techniqueId: string]
  end: []
  pause: []
  how: [techniqueId: string]
}>()

const at = computed(() => {
  const of = (state: StepProgress['state']) => props.steps.findIndex((step) => step.state === state)
  const first = [of('now'), of('paused'), of('todo')].find((index) => index >= 0)
  return first ?? props.steps.length - 1
})
const before = computed(() => props.steps.slice(Math.max(0, at.value - 1), at.value))
const after = computed(() => props.steps.slice(at.value + 1, at.value + 3))
const here = computed(() => props.steps[at.value])
const hazardOf = (id: string) => techniqueById(id)?.hazards.find((hazard) => hazard.hold)?.name ?? null
const firstWords = computed(() => techniqueById(here.value.step.technique)?.steps[0] ?? '')
const numberOf = (step: StepProgress) => props.steps.indexOf(step) + 1
const stateWords = ({ state, minutes }: StepProgress) =>
  state === 'done' ? t('table.doneMinutesMin', { minutes }) : state === 'paused' ? 'paused' : t('table.skippedSoFar')
/** a step outside the plan runs: it is the present one */
const isElse = computed(() => props.current !== null && here.value.state !== 'now')
const label = computed(() => (isElse.value ? (techniqueById(props.current!.techniqueId)?.name ?? '') : here.value.step.label))
</script>

<template>
  <div class="flex flex-none border-t border-line bg-sheet max-md:flex-col" :aria-label="t('table.steps')">
    <button
      v-for="step in before"
      :key="step.step.technique"
      class="narrow w-[124px] flex-none border-l border-line px-4 py-2.5 leading-[1.22] first:border-l-0 max-lg:hidden"
      :aria-label="
        step.state === 'done' ? t('table.goBackLabel', { label: step.step.label }) : t('table.startLabel', { label: step.step.label })
      "
      @click="step.state === 'done' ? $emit('back', step.step.technique) : $emit('start', step.step.technique)"
    >
      <span class="muted mb-1 flex items-center justify-between"
        ><span class="numeral text-[22px]">{{ numberOf(step) }}</span
        ><GlyphMark v-if="step.state === 'done'" name="meets"
      /></span>
      <span class="block">{{ step.step.label }}</span><span class="muted block">{{ stateWords(step) }}</span>
    </button>
    <div class="min-w-0 flex-1 bg-ink px-[18px] py-2 text-sheet">
      <div class="flex items-baseline justify-between">
        <span class="numeral text-[22px]">{{
          isElse ? t('table.notPlan') : t('table.hereN', { here: numberOf(here), n: steps.length })
        }}</span><span class="text-[17px] font-semibold"
          ><template v-if="current">{{ `${t('table.minutesMin', { minutes })} ` }}</template
          >{{ t('table.usuallyMinutes', { minutes: here.step.minutes }) }}</span
        >
      </div>
      <div class="flex items-center gap-3 max-sm:flex-wrap">
        <div class="min-w-0 flex-1 max-sm:basis-full">
          <button
            class="block min-h-11 w-full text-left"
            :aria-label="t('table.howDoneLabel', { label })"
            @click="$emit('how', isElse ? current!.techniqueId : here.step.technique)"
          >
            <span class="block text-[22px] leading-[1.08] font-[650] sm:text-[24px] lg:line-clamp-2">{{ label }}</span>
            <span class="block truncate leading-[1.35] underline decoration-1 underline-offset-4">{{ firstWords }}</span>
          </button>
        </div>
        <span v-if="over" class="flex-none font-semibold">{{ over }}</span>
        <template v-else-if="current">
          <button class="btn flex-none border-sheet px-4 text-sheet" @click="$emit('pause')">{{ t('table.pause') }}</button>
          <button class="btn flex-none border-sheet text-sheet" @click="$emit('end')">{{ t('table.endStep2') }}</button>
        </template>
        <template v-else-if="here.state !== 'done'">
          <button class="btn flex-none border-sheet px-4 text-sheet" @click="$emit('other', here.step.technique)">
            {{ t('table.differentStep') }}
          </button>
          <button class="btn flex-none border-sheet text-sheet" @click="$emit('start', here.step.technique)">
            {{ here.state === 'paused' ? t('table.continue') : t('table.start') }}
          </button>
        </template>
        <template v-else>
          <span class="flex-none font-semibold">{{ t('table.allStepsDone') }}</span>
          <RouterLink v-if="end" :to="end" class="btn flex-none border-sheet bg-sheet text-ink no-underline">{{
            t('table.endTable2')
          }}</RouterLink>
          <span v-else class="flex-none">{{ t('table.yourInstructorEndsTableYou') }}</span>
        </template>
      </div>
    </div>
    <button
      v-for="step in after"
      :key="step.step.technique"
      class="narrow w-[164px] flex-none border-l border-line px-4 py-2.5 leading-[1.22] max-md:hidden"
      @click="step.state === 'done' ? $emit('back', step.step.technique) : $emit('start', step.step.technique)"
    >
      <span class="muted mb-1 flex items-center justify-between"
        ><span class="numeral text-[22px]">{{ numberOf(step) }}</span
        ><GlyphMark v-if="hazardOf(step.step.technique)" name="danger" class="max-md:ml-2"
      /></span>
      <span class="block">{{ step.step.label }}</span><span v-if="step.state !== 'todo'" class="muted block">{{ stateWords(step) }}</span
      ><span v-else-if="hazardOf(step.step.technique)" class="block text-danger">{{ hazardOf(step.step.technique) }}</span>
    </button>
  </div>
</template>
