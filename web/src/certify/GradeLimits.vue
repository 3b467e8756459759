<script setup lang="ts">
import { GRADE_RULE_LIMITS, GRADE_RULES, type GradeRules } from '@peen/core/grade'
import { ref, watch } from 'vue'
import { ask } from '../api/client'
import { useDoing } from '../composables/useDoing'
import { useAsked } from '../composables/useAsked'
import { t } from '../words'

// From which chance on a trim passes, and how far one assessor's levels may lean. A lead assessor sets it; signed marks stay.
defineProps<{ mayChange: boolean }>()
type Key = keyof GradeRules
const FIELDS: readonly { readonly key: Key; readonly name: string; readonly unit: string; readonly factor: number }[] = [
  { key: 'passAt01', name: 'A trim passes when it reaches every limit in', unit: t('certify.n100'), factor: 100 },
  { key: 'failAt01', name: t('certify.failsWhenReachesThemNo'), unit: t('certify.n100'), factor: 100 },
  { key: 'severityLevels', name: t('certify.oneAssessorMarksTooHigh'), unit: 'levels', factor: 1 }
]
const shown = (value: number, factor: number) => String(Math.round(value * factor * 100) / 100)

const { data, reload } = useAsked('gradeRules', undefined, { fresh: true })
const { problem, doing } = useDoing(reload)
const draft = ref<Record<string, string>>({})
const wrong = ref<string | null>(null)
const kept = ref(false)
const fill = (rules: GradeRules) => (draft.value = Object.fromEntries(FIELDS.map(({ key, factor }) => [key, shown(rules[key], factor)])))
watch(data, (rules) => rules && fill(rules))

async function keep(): Promise<void> {
  const rules: { -readonly [K in keyof GradeRules]?: number } = {}
  for (const { key, name, unit, factor } of FIELDS) {
    const [low, high] = GRADE_RULE_LIMITS[key]
    const value = Number(draft.value[key]) / factor
    if (draft.value[key].trim() === '' || !(value >= low && value <= high)) {
      wrong.value = t('certify.nameKeyMustLowHigh', {
        name,
        key: draft.value[key] || t('certify.nothing'),
        low: shown(low, factor),
        high: shown(high, factor),
        unit
      })
      return
    }
    rules[key] = value
  }
  wrong.value = null
  await doing(() => ask('keepGradeRules', { body: rules as GradeRules }))
  kept.value = problem.value === null
}
</script>

<template>
  <form v-if="data" class="max-w-[760px]" novalidate @submit.prevent="keep">
    <label
      v-for="{ key, name, unit, factor } in FIELDS"
      :key="key"
      class="flex items-center justify-between gap-3 border-b border-line py-1.5"
    >
      <span
        >{{ name }}<span class="muted block">{{ t('certify.usuallyKeyUnit', { key: shown(GRADE_RULES[key], factor), unit }) }}</span></span
      >
      <span v-if="mayChange" class="flex items-center gap-2"
        ><input v-model="draft[key]" class="field w-[84px]" inputmode="decimal" :aria-label="name" />{{ unit }}</span
      >
      <b v-else class="whitespace-nowrap">{{ shown(data[key], factor) }} {{ unit }}</b>
    </label>
    <p class="muted mt-2 leading-[1.35]">
      {{ t('certify.betweenSecondAssessorNeededDrafts') }}
    </p>
    <p v-if="wrong ?? problem" class="mt-2 font-[650]" role="alert">{{ wrong ?? problem }}</p>
    <div v-if="mayChange" class="mt-3 flex flex-wrap gap-3">
      <button class="btn">{{ t('certify.saveTheseMarkingRules') }}</button>
      <button type="button" class="btn btn-quiet" @click="fill(GRADE_RULES)">{{ t('certify.restoreUsualValues') }}</button>
    </div>
    <p v-if="kept" class="mt-2 font-[650]" role="status">{{ t('certify.saved') }}</p>
  </form>
</template>
