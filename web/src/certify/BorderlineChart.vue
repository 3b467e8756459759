<script setup lang="ts">
import type { BorderlineView } from '@peen/contract'
import { GLOBAL_RATINGS } from '@peen/core/grade'
import { computed } from 'vue'
import VChart from 'vue-echarts'
import { chartFont, colourOf, lineAt } from '../apprentice/chart-look'
import { useTheme } from '../composables/useTheme'
import { t } from '../words'

// Marks by first impression, the line through them, the fixed pass mark, the mark of a borderline trim.
const props = defineProps<{ view: BorderlineView }>()
const theme = useTheme()
const NAMES = [t('certify.clearFail'), t('certify.borderline'), t('certify.pass'), t('certify.good'), t('certify.outstanding')]
const option = computed(() => {
  void theme.value
  const { points, found, pass } = props.view
  // side by side where several have the same mark
  const spread = (i: number) => ((i * 7919) % 21) / 70 - 0.15
  return {
    animation: false,
    grid: { left: 44, right: 20, top: 14, bottom: 40 },
    xAxis: {
      type: 'value' as const,
      min: -0.5,
      max: 4.5,
      interval: 0.5,
      axisLabel: { ...chartFont(), formatter: (value: number) => (Number.isInteger(value) ? (NAMES[value] ?? '') : '') },
      axisTick: { show: false },
      splitLine: { show: false }
    },
    yAxis: {
      type: 'value' as const,
      min: 0,
      max: 100,
      axisLabel: chartFont(),
      axisLine: { show: false },
      splitLine: { lineStyle: { color: colourOf('--line') } }
    },
    series: [
      {
        type: 'scatter' as const,
        symbolSize: 9,
        itemStyle: { color: colourOf('--ink'), opacity: 0.65 },
        data: points.map(({ mark, rating }, i) => [GLOBAL_RATINGS.indexOf(rating) + spread(i), mark]),
        markLine: lineAt(pass, t('certify.passMarkPass', { pass }))
      },
      ...(found
        ? [
            {
              type: 'line' as const,
              symbol: 'none',
              silent: true,
              lineStyle: { color: colourOf('--ink'), width: 2, type: 'dashed' as const },
              data: [0, 4].map((x) => [x, found.intercept + found.slope * x])
            },
            {
              type: 'scatter' as const,
              symbol: 'diamond',
              symbolSize: 18,
              itemStyle: { color: colourOf('--long') },
              data: [[1, found.cut]]
            }
          ]
        : [])
    ]
  }
})
</script>

<template>
  <div
    class="relative h-[380px] w-full [contain:inline-size]"
    role="img"
    :aria-label="t('certify.marksNGradingsOverallImpression', { n: view.n, pass: view.pass })"
  >
    <VChart class="h-full w-full" :option="option" autoresize />
  </div>
</template>
