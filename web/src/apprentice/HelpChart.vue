<script setup lang="ts">
import { HELP_WEIGHT, type AttemptRecord } from '@peen/core/competency'
import { HELP_LEVELS } from '@peen/core/practice'
import { computed } from 'vue'
import VChart from 'vue-echarts'
import { useTheme } from '../composables/useTheme'
import { attemptAxis, chartFont, colourOf } from './chart-look'
import { t } from '../words'

// Help at each attempt: filled where it was clean.
const props = defineProps<{ attempts: readonly AttemptRecord[] }>()
const theme = useTheme()
const NAMES = [
  t('apprentice.alone'),
  t('apprentice.onePrompt'),
  t('apprentice.talkedThrough'),
  t('apprentice.handsGuided'),
  t('apprentice.shown')
]
const option = computed(() => {
  void theme.value
  const points = props.attempts.map(({ help, clean }, i) => ({
    value: [i + 0.5, HELP_WEIGHT[help]],
    itemStyle: { color: clean ? colourOf('--act') : colourOf('--ground'), borderColor: colourOf(clean ? '--act' : '--ink'), borderWidth: 2 }
  }))
  return {
    animation: false,
    grid: { left: 118, right: 14, top: 14, bottom: 30 },
    xAxis: attemptAxis(Math.max(10, props.attempts.length)),
    yAxis: {
      type: 'value' as const,
      min: -0.3,
      max: HELP_LEVELS.length - 0.7,
      interval: 1,
      axisLabel: { ...chartFont(), formatter: (value: number) => NAMES[Math.round(value)] ?? '', showMinLabel: false, showMaxLabel: false },
      splitLine: { show: false }
    },
    series: [{ type: 'scatter' as const, symbolSize: 11, data: points }]
  }
})
</script>

<template>
  <div
    class="relative h-[204px] w-full [contain:inline-size]"
    role="img"
    :aria-label="t('apprentice.helpEachNAttempts', { n: attempts.length })"
  >
    <VChart class="h-full w-full" :option="option" autoresize />
    <p class="muted absolute right-3 bottom-0 left-[118px] flex justify-between">
      <span>{{ t('apprentice.n1stFilledClean') }}</span><span>{{ t('apprentice.nTh', { n: attempts.length }) }}</span>
    </p>
  </div>
</template>
