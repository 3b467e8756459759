<script setup lang="ts">
import type { Aged, Fault, Lengths, Shape, ViewId } from '@peen/core/figure'
import { useDebounceFn } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { isPlainDrawing as isPlain } from '../composables/useDogDrawing'
import type { PaintRequest } from '../workers/figure.worker'
import { askPainter, knownPicture, pictureOf } from './painter'
import type { DrawnDog } from './place'

// A dog drawn hair by hair: the filled shape first, hair after; coarse while a hand moves something, full when it rests.
// A device may stop at the shape. While one picture is being drawn only the newest wish waits.
const props = withDefaults(
  defineProps<{
    dog: DrawnDog
    lengths: Lengths
    plan?: Lengths
    /** lengths of the other side, where both are seen */
    lengthsB?: Lengths
    shapes?: readonly Shape[]
    faults?: readonly Fault[]
    days?: number
    ages?: Aged
    agesB?: Aged
    from?: ViewId
    width: number
    height: number
    mirrored?: boolean
    label: string
  }>(),
  {
    plan: undefined,
    lengthsB: undefined,
    shapes: undefined,
    faults: undefined,
    days: 0,
    ages: undefined,
    agesB: undefined,
    from: 'side',
    mirrored: false
  }
)

const canvas = ref<HTMLCanvasElement | null>(null)
const state = ref<'waiting' | 'shape' | 'coarse' | 'full'>('waiting')
const drawMs = ref(0)
const coarseMs = ref(0)
const drawCount = ref(0)
const density = Math.min(2, Math.max(1, window.devicePixelRatio || 1))
const size = computed(() => ({ w: Math.round(props.width * density), h: Math.round(props.height * density) }))
/** Pictures smaller than this are drawn full at once. */
const COARSE_FROM_PX2 = 90000
const REST_MS = 160

function request(what: PaintRequest['what']): PaintRequest {
  return { ...askPainter(props, props.width, props.height), what }
}
/** The best picture that this device wants. */
const finest = () => (isPlain.value ? 'silhouette' : 'hair')

let busy = false
let wanted: 'coarse' | 'full' | null = null
let gone = false

async function draw(what: 'coarse' | 'full'): Promise<void> {
  // a plate that has no width yet has no room for a dog
  if (props.width <= 0 || props.height <= 0) return
  if (busy) {
    wanted = what
    return
  }
  busy = true
  const started = performance.now()
  try {
    const asked = request(what === 'coarse' ? 'coarse' : finest())
    if (state.value === 'waiting' && !isPlain.value && !knownPicture(asked)) {
      show(await pictureOf(request('silhouette')))
      state.value = 'shape'
    }
    show(await pictureOf(asked))
    const took = Math.round(performance.now() - started)
    if (what === 'coarse') {
      coarseMs.value = took
      state.value = 'coarse'
    } else {
      drawMs.value = took
      drawCount.value++
      state.value = 'full'
    }
  } finally {
    busy = false
    const next = wanted
    wanted = null
    if (next && !gone) void draw(next)
  }
}

function show(picture: ImageBitmap): void {
  const context = canvas.value?.getContext('2d')
  if (!context || gone) return
  const { w, h } = size.value
  context.setTransform(1, 0, 0, 1, 0, 0)
  context.clearRect(0, 0, w, h)
  if (props.mirrored) context.setTransform(-1, 0, 0, 1, w, 0)
  context.drawImage(picture, 0, 0, w, h)
}

const drawAtRest = useDebounceFn(() => void draw('full'), REST_MS)

function changed(): void {
  const { w, h } = size.value
  if (w * h < COARSE_FROM_PX2 || state.value === 'waiting' || state.value === 'shape' || isPlain.value || knownPicture(request(finest())))
    return void draw('full')
  void draw('coarse')
  void drawAtRest()
}

onMounted(() => void draw('full'))
onBeforeUnmount(() => (gone = true))
watch(
  () => [
    props.dog,
    props.lengths,
    props.lengthsB,
    props.shapes,
    props.faults,
    props.days,
    props.ages,
    props.agesB,
    props.from,
    props.plan,
    props.width,
    props.height,
    props.mirrored,
    isPlain.value
  ],
  changed,
  { deep: true, flush: 'post' }
)
</script>

<template>
  <canvas
    ref="canvas"
    class="dog-picture block"
    role="img"
    :aria-label="label"
    :width="size.w"
    :height="size.h"
    :style="{ width: `${width}px`, height: `${height}px` }"
    :data-drawn="state"
    :data-ms="drawMs"
    :data-coarse-ms="coarseMs"
    :data-count="drawCount"
  />
</template>

<style scoped>
:global(.dark) .dog-picture {
  filter: brightness(0.94) drop-shadow(0 0 1px rgb(233 240 241 / 50%));
}
</style>
