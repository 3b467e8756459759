<script setup lang="ts">
import type { Standing } from '@peen/core/competency'
import { computed } from 'vue'
import VChart from 'vue-echarts'
import { useTheme } from '../composables/useTheme'
import { attemptAxis, chartFont, colourOf, lineAt } from './chart-look'
import { t } from '../words'

// The monitoring chart: up by misses, down by clean attempts, an alarm at its limit.
const props = defineProps<{ standing: Standing }>()
const theme = useTheme()
const from = computed(() => props.standing.watched.findIndex((_, i) => props.standing.scores[i] >= props.standing.limit))
const watched = computed(() => props.standing.watched.slice(Math.max(0, from.value)))
const option = computed(() => {
  void theme.value
  const { alarmAt } = props.standing
  return {
    animation: false,
    grid: { left: 34, right: 14, top: 22, bottom: 30 },
    xAxis: attemptAxis(Math.max(10, watched.value.length)),
    yAxis: {
      type: 'value' as const,
      min: 0,
      max: alarmAt + 2,
      axisLabel: chartFont(),
      splitLine: { lineStyle: { color: colourOf('--line') } }
    },
    series: [
      {
        type: 'line' as const,
        step: 'end' as const,
        symbol: 'none',
        lineStyle: { color: colourOf('--ink'), width: 2.4 },
        data: [[0, 0], ...watched.value.map((score, i) => [i + 1, score])],
        markLine: lineAt(alarmAt, t('apprentice.alarmAtAlarm', { alarmAt }), '--short')
      }
    ]
  }
})
const words = computed(() =>
  t('apprentice.monitoringChartXAlarmAtAfter', { x: watched.value.at(-1) ?? 0, alarmAt: props.standing.alarmAt, n: watched.value.length })
)
</script>

<template>
  <div class="relative h-[204px] w-full [contain:inline-size]" role="img" :aria-label="words">
    <VChart class="h-full w-full" :option="option" autoresize />
    <p class="muted absolute right-3 bottom-0 left-9 flex justify-between">
      <span>{{ t('apprentice.ready') }}</span><span>{{ t('apprentice.nSinceThen', { n: watched.length }) }}</span>
    </p>
  </div>
</template>
