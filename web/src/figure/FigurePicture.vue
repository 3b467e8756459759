<script setup lang="ts">
import type { Lengths } from '@peen/core/figure'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { PaintRequest } from '../workers/figure.worker'
import { knownPicture, pictureOf } from './painter'
import { budgetFor, placeDog, type DrawnDog } from './place'

// A dog drawn hair by hair: the filled shape first, hair after. While one picture is being drawn only the newest wish waits.
const props = withDefaults(
  defineProps<{ dog: DrawnDog; lengths: Lengths; plan?: Lengths; width: number; height: number; mirrored?: boolean; label: string }>(),
  { plan: undefined, mirrored: false }
)

const canvas = ref<HTMLCanvasElement | null>(null)
const state = ref<'waiting' | 'shape' | 'full'>('waiting')
const drawMs = ref(0)
const drawCount = ref(0)
const density = Math.min(2, Math.max(1, window.devicePixelRatio || 1))
const size = computed(() => ({ w: Math.round(props.width * density), h: Math.round(props.height * density) }))

function request(what: PaintRequest['what']): PaintRequest {
  const { w, h } = size.value
  const { bodyType, colour, withersMm } = props.dog
  const { view } = placeDog(props.dog, w, h, false)
  const dog = { bodyType, colour, withersMm, plan: { ...(props.plan ?? props.lengths) }, budget: budgetFor(w, h) }
  return { dog, lengths: { ...props.lengths }, width: w, height: h, view, what }
}

let busy = false
let wanted = false
let gone = false

async function draw(): Promise<void> {
  if (busy) {
    wanted = true
    return
  }
  busy = true
  const started = performance.now()
  try {
    const full = request('hair')
    if (state.value === 'waiting' && !knownPicture(full)) {
      show(await pictureOf(request('silhouette')))
      state.value = 'shape'
    }
    show(await pictureOf(full))
    drawMs.value = Math.round(performance.now() - started)
    drawCount.value++
    state.value = 'full'
  } finally {
    busy = false
    if (wanted && !gone) {
      wanted = false
      void draw()
    }
  }
}

function show(picture: ImageBitmap): void {
  const context = canvas.value?.getContext('2d')
  if (!context || gone) return
  const { w, h } = size.value
  context.setTransform(1, 0, 0, 1, 0, 0)
  context.clearRect(0, 0, w, h)
  if (props.mirrored) context.setTransform(-1, 0, 0, 1, w, 0)
  context.drawImage(picture, 0, 0)
}

onMounted(() => void draw())
onBeforeUnmount(() => (gone = true))
watch(
  () => [props.dog, props.lengths, props.plan, props.width, props.height, props.mirrored],
  () => void draw(),
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
    :data-count="drawCount"
  />
</template>

<style scoped>
:global(.dark) .dog-picture {
  filter: brightness(0.94) drop-shadow(0 0 1px rgb(233 240 241 / 50%));
}
</style>
