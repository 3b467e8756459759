<script setup lang="ts">
import { houseWordsAt } from '@peen/content'
import { GATE_WORDS, groupLines, sayLinePlace, type LineId, type Sheet, type SheetLine } from '@peen/core/setup'
import PassLines from './PassLines.vue'
import { computed } from 'vue'
import GlyphMark from '../components/GlyphMark.vue'
import { t } from '../words'

// The sheet as it is read while working: step by step, places together that one tool passes over.
const props = defineProps<{ sheet: Sheet; selected?: LineId | null; large?: boolean }>()
const emit = defineEmits<{ pick: [line: SheetLine] }>()

const steps = computed(() =>
  props.sheet.steps.map(({ label, minutes, apart, technique }, i) => ({
    order: i + 1,
    name: label,
    minutes,
    apart,
    technique,
    groups: groupLines(props.sheet.lines.filter(({ order }) => order === i + 1))
  }))
)
const sayMinutes = ({ minutes, apart }: { readonly minutes: number; readonly apart?: boolean }) =>
  apart ? t('visit.minutesMinTimedSeparately', { minutes }) : t('visit.minutesMin', { minutes })
const places = (group: readonly SheetLine[]) =>
  group.map((line, i) => (i === 0 ? sayLinePlace(line) : sayLinePlace(line).toLowerCase())).join(', ')
</script>

<template>
  <section :aria-label="t('visit.sheetStepStep')" data-testid="sheet">
    <div v-for="step in steps" :key="step.order" class="break-inside-avoid">
      <p v-if="step.order === sheet.gate" class="mt-5 border-t-2 border-b-2 border-line py-2 font-[650]" data-gate>
        {{ GATE_WORDS }}
      </p>
      <h2 class="mt-4" :class="large ? 'text-[20px]' : ''">
        {{ step.order }}. {{ step.name }} <span class="muted font-normal">{{ sayMinutes(step) }}</span>
      </h2>
      <p v-for="one in houseWordsAt(step.technique, sheet.house)" :key="one.rule" class="muted leading-[1.3]">{{ one.say }}</p>
      <hr class="rule2 mt-1" />
      <ul class="row-rule m-0 list-none p-0">
        <li v-for="group in step.groups" :key="group[0].id">
          <button
            class="grid min-h-12 w-full gap-x-4 gap-y-0.5 py-2 text-left leading-[1.3] sm:grid-cols-[1.1fr_1.2fr_88px]"
            :class="[group.some((line) => line.id === selected) ? 'bg-well' : '', large ? 'text-[18px]' : '']"
            @click="emit('pick', group[0])"
          >
            <span>{{ places(group) }}</span>
            <span
              ><PassLines :line="group[0]" /><span v-if="group[0].isOwn" class="muted">{{ ` ${t('visit.chosenHere')}` }}</span
              ><span v-if="group[0].changedBy" class="muted block">{{ group[0].changedBy }}</span
              ><span v-for="reason in group[0].excused" :key="reason" class="muted block"
                ><GlyphMark name="excused" :size="16" class="mr-1 align-[-2px]" />{{ t('visit.likeArrivalReason', { reason }) }}</span
              ><span v-for="caution in group[0].cautions" :key="caution.id" class="block text-danger"
                ><GlyphMark name="danger" :size="15" class="mr-1 align-[-2px]" />{{ caution.say }}</span
              ></span
            >
            <span class="sm:text-right">{{
              group[0].leavesMm === null || group[0].does === 'leave' ? '' : t('visit.leavesMmMm', { leavesMm: group[0].leavesMm })
            }}</span>
          </button>
        </li>
      </ul>
    </div>
  </section>
</template>
