<script setup lang="ts">
import { timeAt, type Timed, type TimeFit } from '@peen/core/competency'
import { computed } from 'vue'
import VChart from 'vue-echarts'
import { useTheme } from '../composables/useTheme'
import { attemptAxis, chartFont, colourOf, lineAt } from './chart-look'
import { t } from '../words'

// Minutes over the plan's minutes at each attempt, and the curve through them.
const props = defineProps<{ timed: readonly Timed[]; fit: TimeFit | null }>()
const theme = useTheme()
const last = computed(() => Math.max(10, props.timed.at(-1)?.n ?? 0))
const option = computed(() => {
  void theme.value
  const { fit } = props
  const curve = fit ? Array.from({ length: 60 }, (_, i) => 1 + ((last.value - 1) * i) / 59).map((n) => [n, timeAt(fit, n)]) : []
  const most = Math.max(1.5, ...props.timed.map(({ ratio }) => ratio))
  return {
    animation: false,
    grid: { left: 44, right: 14, top: 14, bottom: 30 },
    xAxis: attemptAxis(last.value + 0.5),
    yAxis: {
      type: 'value' as const,
      min: 0,
      max: Math.ceil(2 * most) / 2,
      axisLabel: { ...chartFont(), formatter: (value: number) => `${value}×` },
      splitLine: { lineStyle: { color: colourOf('--line') } }
    },
    series: [
      {
        type: 'scatter' as const,
        symbolSize: 8,
        itemStyle: { color: colourOf('--ink') },
        data: props.timed.map(({ n, ratio }) => [n, ratio]),
        markLine: lineAt(1, t('apprentice.planned'))
      },
      {
        type: 'line' as const,
        symbol: 'none',
        silent: true,
        lineStyle: { color: colourOf('--ink'), width: 2, type: 'dashed' as const },
        data: curve
      }
    ]
  }
})
</script>

<template>
  <div
    class="relative h-[204px] w-full [contain:inline-size]"
    role="img"
    :aria-label="t('apprentice.minutesAgainstPlanOverN', { n: timed.length })"
  >
    <VChart class="h-full w-full" :option="option" autoresize />
    <p class="muted absolute right-3 bottom-0 left-11 flex justify-between">
      <span>{{ t('apprentice.n1st') }}</span><span>{{ t('apprentice.nTh', { n: timed.at(-1)?.n ?? 0 }) }}</span>
    </p>
  </div>
</template>
