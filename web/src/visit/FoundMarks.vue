<script setup lang="ts">
import type { CoatFinding, SkinFinding } from '@peen/core/checkin'
import type { Point } from '@peen/core/figure'
import type { RegionId } from '@peen/core/regions'
import { computed } from 'vue'

// What came in with the dog, over its drawn side: coat findings as rings of their true width, skin as small squares.
const props = defineProps<{
  coat: readonly CoatFinding[]
  skin: readonly SkinFinding[]
  side: 'left' | 'right'
  pxPerMm: number
  centreOf: (region: RegionId) => Point | null
}>()

type Mark = { readonly key: string; readonly at: Point; readonly radius: number; readonly kind: string }
const isHere = (side: string) => side === 'both' || side === props.side
/** Several findings at one place stand beside one another, not on top. */
const spread = (at: Point, i: number): Point => [at[0] + i * 26, at[1] - i * 10]
const marks = computed<Mark[]>(() => {
  const seen = new Map<RegionId, number>()
  const next = (region: RegionId) => {
    const i = seen.get(region) ?? 0
    seen.set(region, i + 1)
    return i
  }
  const place = (region: RegionId, key: string, radius: number, kind: string): Mark[] => {
    const at = props.centreOf(region)
    return at ? [{ key, at: spread(at, next(region)), radius, kind }] : []
  }
  return [
    ...props.coat
      .filter(({ side }) => isHere(side))
      .flatMap(({ kind, region, widthMm }) => place(region, `${kind} ${region}`, Math.max(5, (widthMm / 2) * props.pxPerMm), kind)),
    ...props.skin.filter(({ side }) => isHere(side)).flatMap(({ kind, region }) => place(region, `${kind} ${region}`, 8, 'skin'))
  ]
})
const hatch = ({ at: [x, y], radius }: Mark) =>
  [-0.5, 0, 0.5]
    .map((share) => {
      const half = radius * Math.sqrt(1 - share * share)
      return `M${x + share * radius - half * 0.7} ${y - half * 0.7}L${x + share * radius + half * 0.7} ${y + half * 0.7}`
    })
    .join('')
</script>

<template>
  <g v-for="mark in marks" :key="mark.key" :data-mark="mark.kind">
    <template v-if="mark.kind === 'skin'">
      <rect :x="mark.at[0] - 8" :y="mark.at[1] - 8" width="16" height="16" fill="var(--plate)" stroke="var(--danger)" stroke-width="2.2" />
      <path :d="`M${mark.at[0] - 4} ${mark.at[1]}h8`" stroke="var(--danger)" stroke-width="2.2" />
    </template>
    <template v-else>
      <circle :cx="mark.at[0]" :cy="mark.at[1]" :r="mark.radius" fill="none" stroke="var(--plate)" stroke-width="5" />
      <circle
        :cx="mark.at[0]"
        :cy="mark.at[1]"
        :r="mark.radius"
        :fill="mark.kind === 'mat' ? 'var(--plate)' : 'none'"
        fill-opacity=".55"
        stroke="var(--ink)"
        stroke-width="2.2"
        :stroke-dasharray="mark.kind === 'matCut' ? '7 4' : mark.kind === 'missing' ? '2 4' : undefined"
      />
      <path v-if="mark.kind === 'mat'" :d="hatch(mark)" stroke="var(--ink)" stroke-width="1.8" />
    </template>
  </g>
</template>
