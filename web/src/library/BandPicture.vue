<script setup lang="ts">
import { targetOf, unitOf } from '@peen/core/grade'
import { largestUsableU, uOf, type Criterion, type Standard } from '@peen/core/standard'
import { giveOrTake, sayNumber } from '@peen/core/units'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { t } from '../words'

// Marks over the measured value: full inside the band, falling to none at the limit; under it how surely the instrument can tell.
const props = defineProps<{ standard: Standard; criterion: Criterion; at: number | null }>()
const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)
const HEIGHT = 132
const [TOP, FLOOR] = [14, 84]
const how = computed(() => props.criterion.how as Exclude<Criterion['how'], { kind: 'judged' }>)
const unit = computed(() => unitOf(how.value))
const target = computed(() => (how.value.kind === 'difference' ? 0 : targetOf(how.value)!))
const ends = computed(() => {
  const { band, limit } = how.value
  const grown = how.value.kind === 'length' ? [how.value.grownOutMm] : []
  const all = [...band, ...limit, target.value, ...grown].filter((value) => value !== null)
  const [low, high] = [Math.min(...all), Math.max(...all)]
  const room = (high - low || 1) * 0.08
  return [low - room, high + room] as const
})
const x = (value: number) => 6 + ((value - ends.value[0]) / (ends.value[1] - ends.value[0])) * Math.max(1, width.value - 12)
const outline = computed(() => {
  const { band, limit } = how.value
  const [l0, l1] = ends.value
  const left =
    limit[0] === null
      ? [[l0, TOP]]
      : [
          [l0, FLOOR],
          [limit[0], FLOOR],
          [band[0] ?? limit[0], TOP]
        ]
  const right =
    limit[1] === null
      ? [[l1, TOP]]
      : [
          [band[1] ?? limit[1], TOP],
          [limit[1], FLOOR],
          [l1, FLOOR]
        ]
  return [...left, ...right].map(([value, y]) => [x(value), y] as const)
})
const line = computed(() => outline.value.map(([px, py], i) => `${i === 0 ? 'M' : 'L'}${px.toFixed(1)} ${py}`).join(''))
const area = computed(() => `${line.value}L${outline.value.at(-1)![0].toFixed(1)} ${FLOOR}L${outline.value[0][0].toFixed(1)} ${FLOOR}Z`)
const ticks = computed(() => {
  const { band, limit } = how.value
  const grown = how.value.kind === 'length' ? [how.value.grownOutMm] : []
  const values = [...new Set([...limit, ...band, target.value, ...grown].filter((value) => value !== null))].sort((a, b) => a - b)
  // numbers that would run into each other give way; band and target stay
  const kept: number[] = []
  for (const value of [target.value, ...band, ...limit, ...grown])
    if (value !== null && kept.every((other) => Math.abs(x(other) - x(value)) > 34)) kept.push(value)
  return values.map((value) => ({ value, isNamed: kept.includes(value) }))
})
const usable = computed(() => largestUsableU(how.value.band))
const u = computed(() => uOf(props.standard, how.value))
const says = computed(() => {
  const { band, limit } = how.value
  const [low, high] = [band[0], band[1]].map((end) => (end === null ? null : sayNumber(end)))
  const full =
    low === null ? t('library.upHigh', { high }) : high === null ? t('library.lowOrMore', { low }) : t('library.fromLowHigh', { low, high })
  const none = [
    limit[0] === null ? '' : t('library.underNumber', { number: sayNumber(limit[0]) }),
    limit[1] === null ? '' : t('library.overNumber', { number: sayNumber(limit[1]) })
  ].filter((part) => part !== '')
  const grown = how.value.kind === 'length' ? t('library.grownOutNumberMm', { number: sayNumber(how.value.grownOutMm) }) : ''
  return t('library.fullMarksFullUnitNone', { full, unit: unit.value, none: none.join(' and '), grown })
})
const canDecide = computed(() => u.value === null || u.value <= usable.value)
</script>

<template>
  <div ref="box" class="min-w-0 [contain:inline-size]">
    <p class="leading-[1.35]">{{ says }}</p>
    <svg v-if="width > 0" :width="width" :height="HEIGHT" aria-hidden="true" class="mt-2 block">
      <path :d="area" fill="var(--act-tint)" />
      <path :d="line" fill="none" stroke="var(--act)" stroke-width="2.5" stroke-linejoin="round" />
      <line x1="0" :x2="width" :y1="FLOOR" :y2="FLOOR" stroke="var(--ink)" />
      <g v-for="{ value, isNamed } in ticks" :key="value">
        <line :x1="x(value)" :x2="x(value)" :y1="FLOOR" :y2="FLOOR + (isNamed ? 8 : 5)" stroke="var(--ink)" />
        <text v-if="isNamed" :x="x(value)" :y="FLOOR + 24" text-anchor="middle" font-size="15" fill="var(--ink)">
          {{ sayNumber(value) }}
        </text>
      </g>
      <line :x1="x(target)" :x2="x(target)" :y1="TOP - 8" :y2="FLOOR" stroke="var(--ink)" stroke-width="1.5" stroke-dasharray="3 3" />
      <g v-if="u !== null">
        <line
          :x1="x(target - 1.96 * u)"
          :x2="x(target + 1.96 * u)"
          :y1="FLOOR + 38"
          :y2="FLOOR + 38"
          stroke="var(--ink)"
          stroke-width="3"
        />
        <line
          v-for="end in [target - 1.96 * u, target + 1.96 * u]"
          :key="end"
          :x1="x(end)"
          :x2="x(end)"
          :y1="FLOOR + 33"
          :y2="FLOOR + 43"
          stroke="var(--ink)"
          stroke-width="2"
        />
      </g>
      <circle v-if="at !== null" :cx="x(at)" :cy="FLOOR" r="6" fill="var(--ink)" stroke="var(--plate)" stroke-width="2" />
    </svg>
    <p
      v-if="u !== null"
      class="leading-[1.35]"
      :class="canDecide ? 'muted' : 'font-semibold text-danger'"
      :role="canDecide ? undefined : 'alert'"
    >
      <template v-if="canDecide">{{
        t('library.shortBarHowExactOne', {
          number: giveOrTake(u),
          unit,
          number2: Number.isFinite(usable) ? giveOrTake(usable) : t('library.any')
        })
      }}</template><template v-else>{{
        t('library.instrumentTooCoarseReadsWithin', { number: giveOrTake(u), unit, number2: giveOrTake(usable) })
      }}</template>
    </p>
  </div>
</template>
