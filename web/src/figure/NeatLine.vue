<script setup lang="ts">
import { computed } from 'vue'

// A map-maker's frame: its black and white border is the scale, `markMm` a mark.
const props = defineProps<{ width: number; height: number; pxPerMm: number; markMm: number }>()
const B = 8
const corners = computed(() => [
  [0, 0],
  [props.width - B, 0],
  [0, props.height - B],
  [props.width - B, props.height - B]
])

function marks(length: number): { readonly at: number; readonly size: number }[] {
  const step = props.markMm * props.pxPerMm
  const found: { at: number; size: number }[] = []
  for (let at = B, k = 0; at < length - B - 1 && step > 4; at += step, k++)
    if (k % 2 === 0) found.push({ at, size: Math.min(step, length - B - at) })
  return found
}
const across = computed(() => marks(props.width))
const down = computed(() => marks(props.height))
</script>

<template>
  <svg class="pointer-events-none absolute inset-0 text-ink" :width="width" :height="height" aria-hidden="true">
    <rect x=".75" y=".75" :width="width - 1.5" :height="height - 1.5" fill="none" stroke="currentColor" stroke-width="1.5" />
    <rect :x="B" :y="B" :width="width - 2 * B" :height="height - 2 * B" fill="none" stroke="currentColor" stroke-width=".8" />
    <g fill="currentColor">
      <template v-for="mark in across" :key="`a${mark.at}`">
        <rect :x="mark.at" y="2.4" :width="mark.size" height="3.8" />
        <rect :x="mark.at" :y="height - 6.2" :width="mark.size" height="3.8" />
      </template>
      <template v-for="mark in down" :key="`d${mark.at}`">
        <rect x="2.4" :y="height - mark.at - mark.size" width="3.8" :height="mark.size" />
        <rect :x="width - 6.2" :y="height - mark.at - mark.size" width="3.8" :height="mark.size" />
      </template>
      <rect v-for="[x, y] in corners" :key="`${x} ${y}`" :x="x" :y="y" :width="B" :height="B" />
    </g>
  </svg>
</template>
