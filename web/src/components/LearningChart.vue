<script setup lang="ts">
import type { AttemptRecord, Standing } from '@peen/core/competency'
import { CustomChart, LineChart } from 'echarts/charts'
import { GridComponent, MarkLineComponent } from 'echarts/components'
import { use, type ComposeOption } from 'echarts/core'
import type { CustomSeriesOption, LineSeriesOption } from 'echarts/charts'
import type { GridComponentOption } from 'echarts/components'
import { SVGRenderer } from 'echarts/renderers'
import { computed } from 'vue'
import VChart from 'vue-echarts'
import { sayDate } from '../composables/words'
import { useTheme } from '../composables/useTheme'

use([LineChart, CustomChart, GridComponent, MarkLineComponent, SVGRenderer])

const props = defineProps<{ standing: Standing; attempts: readonly AttemptRecord[] }>()
const theme = useTheme()
const counted = computed(() => props.attempts.filter((attempt) => attempt.counts))
const EXPECTED = 30

type Option = ComposeOption<LineSeriesOption | CustomSeriesOption | GridComponentOption>
const option = computed<Option>(() => {
  void theme.value
  const css = getComputedStyle(document.documentElement)
  const colour = (name: string) => css.getPropertyValue(name).trim()
  const { scores, limit, cleanRun } = props.standing
  const last = Math.max(EXPECTED, scores.length)
  const font = { fontFamily: 'Encode Sans Variable', fontSize: 16, color: colour('--ink2') }
  return {
    animation: false,
    grid: { left: 34, right: 14, top: 22, bottom: 50 },
    xAxis: {
      type: 'value',
      min: 0,
      max: last,
      axisLine: { onZero: true, lineStyle: { color: colour('--ink') } },
      axisTick: { show: false },
      splitLine: { show: false },
      axisLabel: { show: false }
    },
    yAxis: {
      type: 'value',
      min: 0,
      max: limit,
      interval: Math.ceil(limit / 4),
      axisLabel: { ...font, showMaxLabel: true },
      splitLine: { lineStyle: { color: colour('--line') } }
    },
    series: [
      {
        type: 'line',
        step: 'end',
        symbol: 'none',
        lineStyle: { color: colour('--ink'), width: 2.4 },
        data: [[0, 0], ...scores.map((score, i) => [i + 1, score])],
        markLine: {
          silent: true,
          symbol: 'none',
          lineStyle: { color: colour('--act'), width: 2.5, type: 'solid' },
          label: {
            ...font,
            color: colour('--act'),
            fontWeight: 650,
            position: 'insideStartBottom',
            formatter: `${limit}: ready to be assessed`
          },
          data: [{ yAxis: limit }]
        }
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
            style: { fill: 'none', stroke: colour(clean ? '--act' : '--ink'), lineWidth: 2.2 }
          }
        }
      }
    ]
  }
})
const lastDate = computed(() => sayDate(counted.value.at(-1)?.onDate ?? null))
const words = computed(() => `Learning chart: ${props.standing.score} of ${props.standing.limit} after ${props.standing.attempts} attempts`)
</script>

<template>
  <!-- its width is its frame's, never the other way round: a chart that was wide must become narrow again -->
  <div class="relative h-[204px] w-full [contain:inline-size]" role="img" :aria-label="words" data-testid="learning-chart">
    <VChart class="h-full w-full" :option="option" autoresize />
    <p class="muted absolute right-3 bottom-0 left-9 flex justify-between">
      <span>1st</span><span v-if="standing.attempts">{{ standing.attempts }} so far, last {{ lastDate }}</span
      ><span>{{ Math.max(30, standing.attempts) }}th</span>
    </p>
  </div>
</template>
