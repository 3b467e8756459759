<script setup lang="ts">
import { computed } from 'vue'
import { t } from '../words'

// The table top as a ruler of minutes: outline is the standard, filled is worked, hatched is over, the flag is what the dog can stand.
const props = withDefaults(defineProps<{ worked: number; standard: number; canStand: number; width: number; pxPerMin?: number }>(), {
  pxPerMin: 0
})
const LOW_MIN = 6
const scale = computed(() => props.pxPerMin || props.width / Math.max(props.standard, props.worked + 4))
const full = computed(() => props.standard * scale.value)
const filled = computed(() => Math.min(props.worked, props.standard) * scale.value)
const over = computed(() => Math.max(0, props.worked - props.standard) * scale.value)
const flagX = computed(() => Math.min(props.width + 6, Math.max(2, (props.worked + props.canStand) * scale.value)))
const ticks = computed(() => Array.from({ length: Math.floor((props.standard - 1) / 15) }, (_, i) => 15 * (i + 1)))
const low = computed(() => props.canStand <= LOW_MIN)
</script>

<template>
  <svg
    class="block overflow-visible text-ink"
    :width="width"
    height="26"
    role="img"
    :aria-label="t('shell.workedStandardMinutesWorkedCanStand', { worked, standard, canStand })"
  >
    <g transform="translate(0 8)">
      <rect x=".75" y=".75" :width="Math.max(0, full - 1.5)" height="10.5" fill="var(--sheet)" stroke="currentColor" stroke-width="1.5" />
      <rect x="0" y="0" :width="filled" height="12" fill="currentColor" />
      <template v-if="over > 0">
        <rect :x="full + 2" y=".5" :width="over" height="11" fill="none" stroke="currentColor" />
        <path
          v-for="i in Math.floor(over / 5)"
          :key="i"
          :d="`M${full + 2 + (i - 1) * 5} 11.5l5 -11`"
          stroke="currentColor"
          stroke-width="1.6"
        />
      </template>
      <path
        v-for="minute in ticks"
        :key="minute"
        :d="`M${minute * scale} ${minute < worked ? 3 : 6}v6`"
        :stroke="minute < worked ? 'var(--sheet)' : 'currentColor'"
      />
      <g :class="low ? 'text-danger' : 'text-ink'">
        <path :d="`M${flagX} -7V18`" stroke="currentColor" stroke-width="2.5" />
        <path :d="`M${flagX + 1} -7h-9v6h9z`" fill="currentColor" />
      </g>
    </g>
  </svg>
</template>
