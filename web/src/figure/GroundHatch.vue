<script setup lang="ts">
import { randomFrom } from '@peen/core/stats'
import { computed } from 'vue'

const props = defineProps<{ from: number; to: number; y: number; width: number; height: number }>()
const strokes = computed(() => {
  const random = randomFrom(3)
  return Array.from({ length: 90 }, () => ({
    x: props.from + (props.to - props.from) * random(),
    y: props.y + 1 + 12 * random() * random(),
    length: 10 + 36 * random(),
    opacity: 0.25 + 0.45 * random()
  }))
})
</script>

<template>
  <svg class="pointer-events-none absolute inset-0" :width="width" :height="height" aria-hidden="true">
    <path
      v-for="(stroke, i) in strokes"
      :key="i"
      :d="`M${stroke.x.toFixed(1)} ${stroke.y.toFixed(1)}h${stroke.length.toFixed(1)}`"
      stroke="var(--hair)"
      stroke-width=".8"
      :stroke-opacity="stroke.opacity"
    />
  </svg>
</template>
