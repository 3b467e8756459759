<script setup lang="ts">
import type { PhotoPoint } from '@peen/core/measure'
import { useElementSize } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { Handle, Shape } from './drawing'
import { t } from '../words'

// A photograph that one works on: moved, magnified, its handles dragged under a magnifier. Everything is in px of the picture.
const props = defineProps<{
  src: string
  width: number
  height: number
  shapes: readonly Shape[]
  handles: readonly Handle[]
  selected: string | null
  /** what a touch beside a handle does */
  tool: 'pan' | 'tap' | 'brush'
  brushPx?: number
}>()
const emit = defineEmits<{
  tap: [at: PhotoPoint]
  select: [id: string]
  move: [id: string, at: PhotoPoint]
  stroke: [through: readonly PhotoPoint[]]
}>()

const svg = ref<SVGSVGElement | null>(null)
const frame = ref<HTMLElement | null>(null)
const { width: boxW, height: boxH } = useElementSize(frame)
const zoom = ref(1)
const middle = ref<PhotoPoint>([props.width / 2, props.height / 2])
watch(
  () => props.src,
  () => fit()
)
/** picture px for one px of the screen */
const unit = computed(() => Math.max(props.width / (boxW.value || 1), props.height / (boxH.value || 1)) / zoom.value)
const view = computed(() => {
  const [w, h] = [(boxW.value || 1) * unit.value, (boxH.value || 1) * unit.value]
  return [middle.value[0] - w / 2, middle.value[1] - h / 2, w, h]
})
function fit(): void {
  zoom.value = 1
  middle.value = [props.width / 2, props.height / 2]
}
const MOST_ZOOM = 12
function magnify(by: number, at: PhotoPoint = middle.value): void {
  const next = Math.min(MOST_ZOOM, Math.max(1, zoom.value * by))
  const k = zoom.value / next
  middle.value = [at[0] + (middle.value[0] - at[0]) * k, at[1] + (middle.value[1] - at[1]) * k]
  zoom.value = next
}
defineExpose({ magnify, fit })

function placeOf(event: { clientX: number; clientY: number }): PhotoPoint {
  const box = svg.value!.getBoundingClientRect()
  return [view.value[0] + (event.clientX - box.left) * unit.value, view.value[1] + (event.clientY - box.top) * unit.value]
}
/** A finger takes hold of what lies within this of it, px of the screen. */
const REACH = 24
const held = ref<{ readonly id: string; readonly at: PhotoPoint; readonly by: PhotoPoint } | null>(null)
const stroke = ref<PhotoPoint[]>([])
const fingers = new Map<number, PhotoPoint>()
let from: { readonly at: PhotoPoint; readonly client: PhotoPoint; moved: boolean } | null = null

function down(event: PointerEvent): void {
  svg.value!.setPointerCapture(event.pointerId)
  fingers.set(event.pointerId, [event.clientX, event.clientY])
  if (fingers.size > 1) {
    ;[held.value, stroke.value, from] = [null, [], null]
    return
  }
  const at = placeOf(event)
  from = { at, client: [event.clientX, event.clientY], moved: false }
  const near = props.handles
    .map((handle) => ({ handle, away: Math.hypot(handle.at[0] - at[0], handle.at[1] - at[1]) }))
    .filter(({ away }) => away < REACH * unit.value)
    .sort((a, b) => a.away - b.away)[0]
  if (near && props.tool !== 'brush') {
    held.value = { id: near.handle.id, at: near.handle.at, by: [near.handle.at[0] - at[0], near.handle.at[1] - at[1]] }
    emit('select', near.handle.id)
  } else if (props.tool === 'brush') stroke.value = [at]
}
function moveFingers(event: PointerEvent): void {
  const [a, b] = [...fingers.values()]
  const before = Math.hypot(a[0] - b[0], a[1] - b[1])
  const centre = placeOf({ clientX: (a[0] + b[0]) / 2, clientY: (a[1] + b[1]) / 2 })
  fingers.set(event.pointerId, [event.clientX, event.clientY])
  const [c, d] = [...fingers.values()]
  magnify(Math.hypot(c[0] - d[0], c[1] - d[1]) / (before || 1), centre)
}
function move(event: PointerEvent): void {
  if (!fingers.has(event.pointerId)) return
  if (fingers.size > 1) return moveFingers(event)
  fingers.set(event.pointerId, [event.clientX, event.clientY])
  if (!from) return
  if (Math.hypot(event.clientX - from.client[0], event.clientY - from.client[1]) > 4) from.moved = true
  const at = placeOf(event)
  if (held.value) {
    held.value = { ...held.value, at: [at[0] + held.value.by[0], at[1] + held.value.by[1]] }
    return
  }
  if (props.tool === 'brush') {
    const last = stroke.value.at(-1)
    if (!last || Math.hypot(at[0] - last[0], at[1] - last[1]) > 3 * unit.value) stroke.value = [...stroke.value, at]
  } else if (from.moved && (props.tool === 'pan' || zoom.value > 1))
    middle.value = [middle.value[0] + from.at[0] - at[0], middle.value[1] + from.at[1] - at[1]]
}
function up(event: PointerEvent): void {
  const last = fingers.size === 1
  fingers.delete(event.pointerId)
  if (!last || !from) return
  if (held.value && from.moved) emit('move', held.value.id, held.value.at)
  else if (!held.value && props.tool === 'brush') emit('stroke', stroke.value)
  else if (!held.value && props.tool === 'tap' && !from.moved) emit('tap', from.at)
  ;[held.value, stroke.value, from] = [null, [], null]
}
function wheel(event: WheelEvent): void {
  magnify(event.deltaY < 0 ? 1.2 : 1 / 1.2, placeOf(event))
}
const shown = computed(() => props.handles.map((handle) => (handle.id === held.value?.id ? { ...handle, at: held.value.at } : handle)))
const LENS = Object.freeze({ px: 148, times: 4 })
const lens = computed(() => {
  if (!held.value) return null
  const half = (LENS.px * unit.value) / LENS.times / 2
  const [x, y] = held.value.at
  const left = (x - view.value[0]) / unit.value
  return { box: `${x - half} ${y - half} ${2 * half} ${2 * half}`, half, x, y, atLeft: left > boxW.value / 2 }
})
const path = (points: readonly PhotoPoint[], closed: boolean) =>
  points.length ? `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}${closed ? 'Z' : ''}` : ''
</script>

<template>
  <div ref="frame" class="relative min-h-0 flex-1 overflow-hidden bg-well" data-photo>
    <svg
      ref="svg"
      class="absolute inset-0 size-full touch-none select-none"
      :class="tool === 'pan' ? 'cursor-grab' : 'cursor-crosshair'"
      :viewBox="view.join(' ')"
      role="img"
      :aria-label="t('measure.photographMarks')"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @pointercancel="up"
      @wheel.prevent="wheel"
    >
      <image :href="src" :width="width" :height="height" />
      <template v-for="(shape, i) in shapes" :key="i">
        <circle
          v-if="shape.kind === 'circle'"
          :cx="shape.centre[0]"
          :cy="shape.centre[1]"
          :r="shape.radius"
          :class="['photo-line', `photo-${shape.tone}`]"
        />
        <path v-else :d="path(shape.points, shape.closed ?? false)" :class="['photo-line', `photo-${shape.tone}`]" />
      </template>
      <path
        v-if="stroke.length"
        :d="path(stroke, false)"
        class="photo-line photo-stroke"
        :style="{ strokeWidth: `${(2 * (brushPx ?? 8)) / unit}px` }"
      />
      <g v-for="handle in shown" :key="handle.id" :data-handle="handle.id">
        <circle
          :cx="handle.at[0]"
          :cy="handle.at[1]"
          :r="(selected === handle.id ? 11 : 8) * unit"
          :class="['photo-handle', handle.touched ? 'photo-put' : 'photo-proposed', selected === handle.id && 'photo-chosen']"
        />
        <path
          :d="`M${handle.at[0] - 4 * unit} ${handle.at[1]}h${8 * unit}M${handle.at[0]} ${handle.at[1] - 4 * unit}v${8 * unit}`"
          class="photo-cross"
        />
      </g>
    </svg>
    <svg
      v-if="lens"
      class="pointer-events-none absolute top-3 size-[148px] rounded-full shadow-lg border-2 border-ink bg-well"
      :class="lens.atLeft ? 'left-3' : 'right-3'"
      :viewBox="lens.box"
    >
      <image :href="src" :width="width" :height="height" />
      <path
        :d="`M${lens.x - lens.half} ${lens.y}H${lens.x + lens.half}M${lens.x} ${lens.y - lens.half}V${lens.y + lens.half}`"
        class="photo-cross"
      />
    </svg>
    <div class="absolute bottom-3 left-3 flex gap-1.5">
      <button class="btn btn-quiet size-11 bg-sheet p-0 text-center text-[20px]" :aria-label="t('measure.zoom')" @click="magnify(1.5)">
        +
      </button>
      <button
        class="btn btn-quiet size-11 bg-sheet p-0 text-center text-[20px]"
        :aria-label="t('measure.zoomOut')"
        @click="magnify(1 / 1.5)"
      >
        −
      </button>
      <button class="btn btn-quiet h-11 bg-sheet px-3 py-0 text-[16px]" @click="fit">{{ t('measure.wholePicture') }}</button>
    </div>
  </div>
</template>
