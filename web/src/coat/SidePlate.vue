<script setup lang="ts">
import type { CoatPage } from '@peen/contract'
import { lagAt, placeName, shownAt, stateAt, type CoatModel, type CoatPlace } from '@peen/core/coat'
import type { RegionId } from '@peen/core/regions'
import { computed } from 'vue'
import DogPlate from '../figure/DogPlate.vue'
import { patchOf, type WornCoat } from './ages'
import { t } from '../words'

// One side of the dog on a day, with what stands at the chosen place written above it and led to it.
const props = defineProps<{
  page: CoatPage
  model: CoatModel
  worn: WornCoat
  side: 'left' | 'right'
  place: CoatPlace
  day: number
  height: number
  caption: string
}>()
const emit = defineEmits<{ pick: [region: RegionId] }>()

const state = computed(() => stateAt(props.model, props.place, patchOf(props.place, props.side), props.day))
const lag = computed(() => lagAt(props.model, props.place, props.day))
/** days that this side is behind the other; nought where it is not the one that is behind */
const behind = computed(() => Math.max(0, props.side === 'left' ? lag.value.days : -lag.value.days))
const isOut = computed(() => Math.abs(lag.value.days) > props.model.rules.lagDays)
const heading = computed(
  () => `${props.side === 'left' ? t('coat.leftCapital') : t('coat.rightCapital')} ${placeName(props.place).toLowerCase()}`
)
const stands = computed(() =>
  state.value.standingMm < 0.5 ? t('coat.hasNoHairShowing') : t('coat.standingMmMmLong', { standingMm: Math.round(state.value.standingMm) })
)
const says = computed(() =>
  isOut.value
    ? behind.value > 0
      ? t('coat.behindDaysBehind', { behind: behind.value })
      : t('coat.daysDaysAhead', { days: Math.abs(lag.value.days) })
    : ''
)
const target = (centreOf: (region: RegionId, side: 'left' | 'right') => readonly [number, number] | null) =>
  centreOf(shownAt(props.place), props.side) ?? null
const RULE_Y = 42
const LEFT = 22
</script>

<template>
  <DogPlate
    :dog="{ ...page.dog, trim: page.standard.plan.drawnAs }"
    :plan="page.standard.plan.lengthsMm"
    :lengths="worn.lengths"
    :lengths-b="worn.lengthsB"
    :ages="worn.ages"
    :ages-b="worn.agesB"
    :mirrored="side === 'right'"
    :selected="shownAt(place)"
    :head-px="84"
    :height="height"
    :lists-rest="false"
    :caption="caption"
    :label="t('coat.nameFromDogsOwnSide', { name: page.dog.name, side, heading, stands, says: says ? `, ${says}` : '' })"
    @pick="(region) => emit('pick', region)"
  >
    <template #over="{ centreOf }">
      <g v-if="target(centreOf)" :class="isOut && behind > 0 ? 'text-short' : isOut ? 'text-long' : 'text-ink'">
        <path
          :d="`M${LEFT} ${RULE_Y}H${LEFT + 150}L${target(centreOf)![0]} ${target(centreOf)![1]}`"
          fill="none"
          stroke="var(--plate)"
          stroke-opacity=".8"
          stroke-width="3.4"
        />
        <path
          :d="`M${LEFT} ${RULE_Y}H${LEFT + 150}L${target(centreOf)![0]} ${target(centreOf)![1]}`"
          fill="none"
          stroke="currentColor"
          stroke-width="1.4"
        />
        <circle :cx="target(centreOf)![0]" :cy="target(centreOf)![1]" r="4" fill="var(--plate)" stroke="currentColor" stroke-width="1.4" />
        <circle :cx="target(centreOf)![0]" :cy="target(centreOf)![1]" r="1.4" fill="currentColor" />
      </g>
      <text :x="LEFT" :y="RULE_Y - 8" font-size="17" font-weight="650" fill="var(--ink)">{{ heading }}</text>
      <text :x="LEFT" :y="RULE_Y + 20" font-size="16" fill="var(--ink)">{{ stands }}</text>
      <text
        v-if="says"
        :x="LEFT"
        :y="RULE_Y + 41"
        font-size="17"
        font-weight="650"
        :fill="behind > 0 ? 'var(--short)' : 'var(--long)'"
        data-testid="lag"
        >{{ says }}</text
      >
    </template>
  </DogPlate>
</template>
