<script setup lang="ts">
import { heldOf } from '@peen/core/measure'
import { useDeviceOrientation } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref, useTemplateRef } from 'vue'
import SheetDialog from '../components/SheetDialog.vue'
import { t } from '../words'

// The tablet's own camera with a level over it: what its sensors say while the picture is taken.
const emit = defineEmits<{ taken: [picture: Blob]; refused: []; close: [] }>()
/** A picture for measuring is worth its pixels. */
const MOST_PX = 4096
const JPEG_01 = 0.92
/** Held so, it is called level, degrees. Chosen: under what a board or a person tells. */
const LEVEL_DEG = 1.5

const video = useTemplateRef<HTMLVideoElement>('video')
const runs = ref(false)
const busy = ref(false)
let stream: MediaStream | null = null
let isGone = false

const { beta, gamma } = useDeviceOrientation()
const held = computed(() => (beta.value === null || gamma.value === null ? null : heldOf(beta.value, gamma.value)))
const isLevel = computed(
  () => held.value !== null && Math.abs(held.value.downDeg) <= LEVEL_DEG && Math.abs(held.value.rolledDeg) <= LEVEL_DEG
)
const says = computed(() => {
  if (!held.value) return t('measure.liveNoSensor')
  if (isLevel.value) return t('measure.liveLevel')
  const { downDeg, rolledDeg } = held.value
  return t('measure.liveLooks', {
    deg: Math.round(Math.abs(downDeg)),
    way: downDeg < 0 ? 'up' : 'down',
    rolled: Math.round(Math.abs(rolledDeg)),
    side: rolledDeg < 0 ? 'left' : 'right'
  })
})

onMounted(async () => {
  try {
    const size = { width: { ideal: MOST_PX }, height: { ideal: MOST_PX } }
    const opened = await navigator.mediaDevices.getUserMedia({ audio: false, video: { facingMode: { ideal: 'environment' }, ...size } })
    if (isGone) return stop(opened)
    stream = opened
    video.value!.srcObject = opened
    await video.value!.play()
    runs.value = true
  } catch {
    emit('refused')
  }
})
onBeforeUnmount(() => {
  isGone = true
  if (stream) stop(stream)
})
const stop = (opened: MediaStream) => opened.getTracks().forEach((track) => track.stop())

async function take(): Promise<void> {
  busy.value = true
  const { videoWidth, videoHeight } = video.value!
  const canvas = document.createElement('canvas')
  ;[canvas.width, canvas.height] = [videoWidth, videoHeight]
  canvas.getContext('2d')!.drawImage(video.value!, 0, 0)
  const picture = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', JPEG_01))
  busy.value = false
  if (picture) emit('taken', picture)
}
</script>

<template>
  <SheetDialog open :title="t('measure.liveTitle')" wide @close="$emit('close')">
    <div class="relative bg-ink" data-live>
      <video ref="video" class="block max-h-[62vh] w-full object-contain" playsinline muted :aria-label="t('measure.liveTitle')" />
      <svg class="pointer-events-none absolute inset-0 size-full" viewBox="-50 -50 100 100" preserveAspectRatio="none" aria-hidden="true">
        <line x1="-50" x2="50" y1="0" y2="0" stroke="white" stroke-opacity=".55" vector-effect="non-scaling-stroke" />
      </svg>
      <svg v-if="held" class="pointer-events-none absolute inset-0 size-full" viewBox="-50 -50 100 100" aria-hidden="true">
        <g :transform="`rotate(${-held.rolledDeg}) translate(0 ${Math.max(-40, Math.min(40, -held.downDeg))})`">
          <line x1="-24" x2="24" y1="0" y2="0" :stroke="isLevel ? '#7fe0b0' : '#ffd166'" stroke-width="1.2" />
        </g>
      </svg>
    </div>
    <div class="mt-3 flex flex-wrap items-center gap-3">
      <p class="min-w-0 flex-1 leading-[1.3] font-[650]" role="status">{{ says }}</p>
      <button class="btn btn-go" :disabled="!runs || busy" @click="take">{{ t('measure.liveTake') }}</button>
    </div>
  </SheetDialog>
</template>
