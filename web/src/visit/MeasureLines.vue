<script setup lang="ts">
import type { Point } from '@peen/core/figure'
import type { MeasuredRule } from '@peen/core/proportions'

// What the trade measures on the dog, over its drawn profile; numbers stand with the sentences beside the plate.
defineProps<{ rules: readonly MeasuredRule[]; toPlate: (p: Point) => Point }>()
const path = (line: readonly Point[], toPlate: (p: Point) => Point) =>
  `M${line
    .map((p) =>
      toPlate(p)
        .map((v) => v.toFixed(1))
        .join(' ')
    )
    .join('L')}`
</script>

<template>
  <g v-for="(rule, i) in rules" :key="rule.kind" :data-rule="rule.kind">
    <template v-for="(line, k) in rule.lines" :key="k">
      <path :d="path(line, toPlate)" fill="none" stroke="var(--plate)" stroke-width="6" stroke-linecap="round" />
      <path
        :d="path(line, toPlate)"
        fill="none"
        stroke="var(--ink)"
        :stroke-width="k === 0 ? 3 : 2"
        :stroke-dasharray="k === 0 ? undefined : '6 4'"
        stroke-linecap="round"
      />
    </template>
    <g v-if="rule.lines[0]" :transform="`translate(${toPlate(rule.lines[0][0]).join(' ')})`">
      <circle r="12" fill="var(--ink)" />
      <text y="5" text-anchor="middle" fill="var(--sheet)" font-size="15" font-weight="650">{{ 'abcdefgh'[i] }}</text>
    </g>
  </g>
</template>
