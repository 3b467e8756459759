<script setup lang="ts">
import type { FloorTable, TablePlace } from '@peen/contract'
import { insideRoom } from '@peen/core/day'
import { useDebounceFn, useDraggable } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { t } from '../words'

// A table that is moved in the room: by hand, or with the arrow keys; turned with r. It is kept when the hand rests.
const props = defineProps<{
  table: FloorTable
  scale: number
  width: number
  roomMm: readonly [number, number]
  container: HTMLElement | null
}>()
const emit = defineEmits<{ place: [place: TablePlace] }>()
const STEP_MM = 50
const STRIDE_MM = 500
const TURN_DEG = 5
const MOST_TURN_DEG = 45

const box = ref<HTMLElement | null>(null)
const place = ref<TablePlace>({ xMm: props.table.xMm, yMm: props.table.yMm, turnDeg: props.table.turnDeg })
/** the hand still moves it: what the server says of an earlier place does not pull it back */
const held = ref(false)
watch(
  () => [props.table.xMm, props.table.yMm, props.table.turnDeg],
  ([xMm, yMm, turnDeg]) => {
    if (!held.value) place.value = { xMm, yMm, turnDeg }
  }
)
function letGo(): void {
  held.value = false
  emit('place', place.value)
}
const moved = (xMm: number, yMm: number) => ({ ...place.value, ...insideRoom(props.roomMm, { xMm, yMm }, STEP_MM) })
const { isDragging } = useDraggable(box, {
  containerElement: computed(() => props.container),
  preventDefault: true,
  initialValue: { x: props.table.xMm * props.scale, y: props.table.yMm * props.scale },
  onMove: ({ x, y }) => void (place.value = moved(x / props.scale, y / props.scale)),
  onStart: () => void (held.value = true),
  onEnd: letGo
})

const rest = useDebounceFn(letGo, 400)
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1]
}
function onKey(event: KeyboardEvent): void {
  const arrow = ARROWS[event.key]
  const { xMm, yMm, turnDeg } = place.value
  if (arrow) {
    const step = event.shiftKey ? STRIDE_MM : STEP_MM
    place.value = moved(xMm + arrow[0] * step, yMm + arrow[1] * step)
  } else if (event.key === 'r' || event.key === 'R') {
    const turned = turnDeg + (event.shiftKey ? -TURN_DEG : TURN_DEG)
    place.value = { ...place.value, turnDeg: Math.max(-MOST_TURN_DEG, Math.min(MOST_TURN_DEG, turned)) }
  } else return
  held.value = true
  event.preventDefault()
  event.stopPropagation()
  void rest()
}
const metres = (mm: number) => (mm / 1000).toFixed(2)
</script>

<template>
  <div
    ref="box"
    class="absolute z-10 cursor-move touch-none border-2 bg-plate px-3 py-2 select-none"
    :class="isDragging ? 'border-act' : 'border-ink'"
    :style="{ left: `${place.xMm * scale}px`, top: `${place.yMm * scale}px`, width: `${width}px`, height: `${width * 0.62}px` }"
    tabindex="0"
    role="button"
    :aria-label="
      t('floor.tableNumberXMmMFrom', { number: table.number, xMm: metres(place.xMm), yMm: metres(place.yMm), turnDeg: place.turnDeg })
    "
    @keydown="onKey"
  >
    <p class="flex items-baseline gap-3">
      <span class="numeral text-[38px]">{{ table.number }}</span>
      <span class="truncate text-[20px] font-[650]">{{ table.apprentice?.givenName ?? t('floor.free2') }}</span>
    </p>
    <svg :width="width - 28" height="46" class="mt-1 overflow-visible" aria-hidden="true">
      <rect
        x="0"
        y="16"
        :width="width - 28"
        height="12"
        fill="none"
        stroke="currentColor"
        stroke-width="2"
        :transform="`rotate(${place.turnDeg} ${(width - 28) / 2} 22)`"
      />
    </svg>
    <p class="muted text-[16px]">
      {{ metres(place.xMm) }} m, {{ metres(place.yMm) }} m<template v-if="place.turnDeg">, {{ place.turnDeg }}°</template>
    </p>
  </div>
</template>
