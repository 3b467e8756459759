// What our charts share: type, colours of the day or the night, plain axes.
import { LineChart, ScatterChart } from 'echarts/charts'
import { GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'

use([LineChart, ScatterChart, GridComponent, MarkLineComponent, TooltipComponent, SVGRenderer])

/** A token of the look as it is now. */
export const colourOf = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(name).trim()

export const chartFont = () => ({ fontFamily: 'Encode Sans Variable', fontSize: 16, color: colourOf('--ink2') })

/** An axis that counts attempts: its ends are written under the chart. */
export const attemptAxis = (last: number) => ({
  type: 'value' as const,
  min: 0,
  max: last,
  axisLine: { onZero: false, lineStyle: { color: colourOf('--ink') } },
  axisTick: { show: false },
  splitLine: { show: false },
  axisLabel: { show: false }
})

/** A straight line across with a word on it. */
export const lineAt = (
  y: number,
  words: string,
  colour = '--act',
  position: 'insideStartBottom' | 'insideEndBottom' = 'insideEndBottom'
) => ({
  silent: true,
  symbol: 'none',
  lineStyle: { color: colourOf(colour), width: 2.5, type: 'solid' as const },
  label: { ...chartFont(), color: colourOf(colour), fontWeight: 650 as const, position, formatter: words },
  data: [{ yAxis: y }]
})
