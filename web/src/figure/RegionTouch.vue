<script setup lang="ts">
import type { Point, RegionShape } from '@peen/core/figure'
import { regionName, type RegionId } from '@peen/core/regions'
import { computed, nextTick, ref } from 'vue'
import { t } from '../words'

// The regions over the drawn dog: touch, pointer, keyboard (one Tab stop, arrows between places) and screen reader alike.
const props = defineProps<{
  shapes: readonly RegionShape[]
  toPx: (p: Point) => Point
  width: number
  height: number
  selected: RegionId | null
  side: string
}>()
const emit = defineEmits<{ pick: [region: RegionId, side: 'left' | 'right' | null] }>()

const focused = ref(0)
const paths = ref<SVGPathElement[]>([])
// the largest first, so that small places lie on top and can be touched
const drawn = computed(() =>
  [...props.shapes]
    .sort((a, b) => b.areaMm2 - a.areaMm2)
    .map((shape) => ({
      region: shape.region,
      side: shape.side,
      centre: props.toPx(shape.centre),
      d: shape.rings
        .map(
          (ring) =>
            `M${ring
              .map((p) =>
                props
                  .toPx(p)
                  .map((v) => v.toFixed(1))
                  .join(' ')
              )
              .join('L')}Z`
        )
        .join('')
    }))
)

function onKey(event: KeyboardEvent, i: number): void {
  const steps: Record<string, Point> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }
  const step = steps[event.key]
  if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    emit('pick', drawn.value[i].region, drawn.value[i].side)
  }
  if (!step) return
  event.preventDefault()
  event.stopPropagation()
  const next = nearestToward(i, step)
  if (next === null) return
  focused.value = next
  void nextTick(() => paths.value[next]?.focus())
}

// the nearest place within 60 degrees of the arrow
function nearestToward(from: number, [sx, sy]: Point): number | null {
  const [x, y] = drawn.value[from].centre
  let best: number | null = null
  let least = Infinity
  drawn.value.forEach(({ centre }, j) => {
    const [dx, dy] = [centre[0] - x, centre[1] - y]
    const distance = Math.hypot(dx, dy)
    const ahead = dx * sx + dy * sy
    if (j === from || ahead < distance * 0.5 || distance >= least) return
    least = distance
    best = j
  })
  return best
}
</script>

<template>
  <svg class="absolute inset-0" :width="width" :height="height" role="group" :aria-label="t('figure.placesDog')">
    <path
      v-for="(shape, i) in drawn"
      ref="paths"
      :key="`${shape.region} ${shape.side}`"
      class="region cursor-pointer"
      :class="{ selected: selected === shape.region }"
      :d="shape.d"
      role="button"
      :tabindex="i === Math.min(focused, drawn.length - 1) ? 0 : -1"
      :aria-label="`${regionName(shape.region)}${shape.side ? t('figure.sideSide', { side: shape.side }) : side}`"
      :aria-pressed="selected === shape.region"
      :data-region="shape.region"
      :data-side="shape.side"
      @click="$emit('pick', shape.region, shape.side)"
      @focus="focused = i"
      @keydown="onKey($event, i)"
    />
  </svg>
</template>

<style scoped>
.region {
  fill: transparent;
  stroke: transparent;
  stroke-width: 1.5;
}
.region:hover {
  stroke: var(--act);
}
.region.selected {
  stroke: var(--act);
  stroke-width: 2;
  stroke-dasharray: 5 3;
}
.region:focus-visible {
  outline: none;
  stroke: var(--ink);
  stroke-width: 3;
}
</style>
