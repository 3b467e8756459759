<script setup lang="ts">
import { cutRegionsOf } from '@peen/content'
import { linesAtStep, sayLinePlace, type AgreedTarget } from '@peen/core/setup'
import { lowerFirst, sayLength } from '@peen/core/units'
import { computed } from 'vue'
import { t } from '../words'

// What was agreed for the places of one step: the length that will be graded, with its tool; places that say the same together.
const props = defineProps<{ agreed: readonly AgreedTarget[]; techniqueId: string | null; began: boolean }>()
const MOST = 5

const groups = computed(() => {
  const lines = props.techniqueId === null ? [] : linesAtStep(props.agreed, cutRegionsOf(props.techniqueId), props.techniqueId)
  const sign = ({ tool, mm, stopped }: AgreedTarget) => `${tool}|${mm}|${stopped === null}`
  const signs = [...new Set(lines.map(sign))]
  return signs.map((one) => lines.filter((line) => sign(line) === one))
})
const placeOf = (line: AgreedTarget) => sayLinePlace(line)
const places = (group: readonly AgreedTarget[]) => group.map((line, i) => (i === 0 ? placeOf(line) : lowerFirst(placeOf(line)))).join(', ')
/** why a length is not the trim's own */
const reason = ([line]: readonly AgreedTarget[]) =>
  line.why === 'as the trim has it' || line.why === 'what this tool leaves' ? '' : line.why
</script>

<template>
  <div v-if="groups.length > 0" class="mt-2 leading-[1.3]" data-testid="agreed">
    <p class="font-[650]">{{ began ? t('table.agreedStep') : t('table.agreedNextStep') }}</p>
    <ul class="m-0 list-none p-0">
      <li v-for="group in groups.slice(0, MOST)" :key="group[0].place" class="mt-0.5">
        {{ places(group) }}:
        <b v-if="group[0].stopped" class="text-danger">{{ t('table.nothingCutHereToday') }}</b>
        <template v-else
          >{{ group[0].tool
          }}<template v-if="group[0].mm !== null"
            >{{ t('table.leaves') }} <b>{{ sayLength(group[0].mm, 'mm') }}</b></template
          ></template
        ><span v-if="reason(group)" class="muted block">{{ reason(group) }}</span>
      </li>
      <li v-if="groups.length > MOST" class="muted">{{ t('table.nMoreSheet', { n: groups.length - MOST }) }}</li>
    </ul>
  </div>
</template>
