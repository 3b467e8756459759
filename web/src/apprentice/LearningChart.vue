<script setup lang="ts">
import type { ChartShown } from '@peen/contract'
import { CustomChart, type CustomSeriesOption, type LineSeriesOption } from 'echarts/charts'
import type { GridComponentOption } from 'echarts/components'
import { use, type ComposeOption } from 'echarts/core'
import { computed } from 'vue'
import VChart from 'vue-echarts'
import { sayDate } from '../composables/words'
import { useTheme } from '../composables/useTheme'
import { attemptAxis, chartFont, colourOf, lineAt } from './chart-look'
import { t } from '../words'

use([CustomChart])

const props = defineProps<{ standing: ChartShown }>()
const theme = useTheme()
/** the axis holds what the school expects, and more where there is more */
const last = computed(() => Math.max(props.standing.expected, props.standing.scores.length))

type Option = ComposeOption<LineSeriesOption | CustomSeriesOption | GridComponentOption>
const option = computed<Option>(() => {
  void theme.value
  const { scores, limit, cleanRun } = props.standing
  return {
    animation: false,
    grid: { left: 34, right: 14, top: 22, bottom: 50 },
    xAxis: attemptAxis(last.value),
    yAxis: {
      type: 'value',
      min: 0,
      max: limit,
      interval: Math.ceil(limit / 4),
      axisLabel: { ...chartFont(), showMaxLabel: true },
      splitLine: { lineStyle: { color: colourOf('--line') } }
    },
    series: [
      {
        type: 'line',
        step: 'end',
        symbol: 'none',
        lineStyle: { color: colourOf('--ink'), width: 2.4 },
        data: [[0, 0], ...scores.map((score, i) => [i + 1, score])],
        markLine: lineAt(limit, t('apprentice.limitReadyAssess', { limit }), '--act', 'insideStartBottom')
      },
      {
        // each attempt is a hair under the axis: upright when clean, kinked when not
        type: 'custom',
        silent: true,
        clip: false,
        data: cleanRun.map((clean, i) => [i + 0.5, clean ? 1 : 0]),
        renderItem: (_params, api) => {
          const [x, y] = api.coord([api.value(0), 0])
          const clean = api.value(1) === 1
          const d = clean ? `M${x} ${y + 20}q-2 -8 1 -14` : `M${x - 4} ${y + 8}h4v6h5v-2`
          return {
            type: 'path',
            shape: { pathData: d },
            style: { fill: 'none', stroke: colourOf(clean ? '--act' : '--ink'), lineWidth: 2.2 }
          }
        }
      }
    ]
  }
})
const lastDate = computed(() => sayDate(props.standing.lastOn))
const words = computed(() =>
  t('apprentice.learningChartScoreLimitAfter', {
    score: props.standing.score,
    limit: props.standing.limit,
    attempts: props.standing.attempts
  })
)
</script>

<template>
  <!-- its width is its frame's, never the other way round: a chart that was wide must become narrow again -->
  <div class="relative h-[204px] w-full [contain:inline-size]" role="img" :aria-label="words" data-testid="learning-chart">
    <VChart class="h-full w-full" :option="option" autoresize />
    <p class="muted absolute right-3 bottom-0 left-9 flex justify-between">
      <span>{{ t('apprentice.n1st') }}</span><span v-if="standing.attempts">{{
        t('apprentice.attemptsSoFarLastLastDate', { attempts: standing.attempts, lastDate })
      }}</span
      ><span>{{ t('apprentice.lastTh', { last }) }}</span>
    </p>
  </div>
</template>
