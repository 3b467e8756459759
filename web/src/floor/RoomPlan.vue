<script setup lang="ts">
import { computed } from 'vue'
import { t } from '../words'

// Walls, windows, door and the wet corner, at the room's own proportions.
const props = defineProps<{ width: number; height: number }>()
const M = 14
const right = computed(() => props.width - 12)
const bottom = computed(() => props.height - 14)
const wetLeft = computed(() => props.width * 0.652)
const wetTop = computed(() => props.height * 0.74)
const windows = computed(() =>
  [
    [0.078, 0.29],
    [0.38, 0.592],
    [0.68, 0.893]
  ].map(([a, b]) => [a * props.width, b * props.width])
)
</script>

<template>
  <svg class="pointer-events-none block text-ink" :width="width" :height="height" aria-hidden="true">
    <defs>
      <pattern id="wet" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width=".8" height="7" fill="var(--hair)" opacity=".55" />
      </pattern>
    </defs>
    <path :d="`M${M} ${M}H${right}V${bottom}H286M196 ${bottom}H${M}V${M}`" fill="none" stroke="currentColor" stroke-width="3" />
    <template v-for="[a, b] in windows" :key="a">
      <path :d="`M${a} ${M}H${b}`" stroke="var(--ground)" stroke-width="5" />
      <path :d="`M${a} ${M - 2.5}H${b}M${a} ${M + 2.5}H${b}`" stroke="currentColor" stroke-width="1" />
    </template>
    <path :d="`M286 ${bottom - 8}v16M196 ${bottom - 8}v16`" stroke="currentColor" stroke-width="3" />
    <text x="241" :y="bottom + 4" text-anchor="middle" class="caption" fill="var(--ink2)" style="font-size: 16px">
      {{ t('floor.door') }}
    </text>
    <path
      :d="`M${wetLeft} ${bottom}V${bottom - 90}M${wetLeft} ${bottom - 136}V${wetTop}H${right}`"
      fill="none"
      stroke="currentColor"
      stroke-width="3"
    />
    <rect :x="wetLeft + 2" :y="wetTop + 2" :width="right - wetLeft - 4" :height="bottom - wetTop - 4" fill="url(#wet)" />
    <rect :x="wetLeft + 20" :y="wetTop + 22" width="150" height="32" fill="var(--ground)" />
    <text
      :x="wetLeft + 32"
      :y="wetTop + 44"
      fill="var(--ink)"
      style="
        font:
          650 17px 'Encode Sans Variable',
          sans-serif;
      "
    >
      {{ t('floor.bathDrying') }}
    </text>
  </svg>
</template>
