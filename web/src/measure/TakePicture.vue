<script setup lang="ts">
import type { PictureView } from '@peen/contract'
import type { Seen } from '@peen/core/measure'
import { nextTick, ref, useTemplateRef } from 'vue'
import { ask, sentenceOf } from '../api/client'
import GlyphMark from '../components/GlyphMark.vue'
import LiveCamera from './LiveCamera.vue'
import PrintBoard from './PrintBoard.vue'
import { usePictureStore } from '../stores/pictures'
import { t } from '../words'

// The way to a picture that can be measured: how the dog must stand, and three ways to take it.
const props = defineProps<{ visitId: string; seen: Seen; hasCamera: boolean; again: boolean }>()
const emit = defineEmits<{ taken: [picture: PictureView] }>()
const busy = ref(false)
const pictures = usePictureStore()
const refused = ref<string | null>(null)

const profile = (side: 'left' | 'right') => [
  t('measure.dogsSideSideCameraSquare', { side }),
  t('measure.cameraLevelMiddleBodyTwo'),
  t('measure.rulerAtMiddle'),
  t('measure.postLoopOutWayIf')
]
const GUIDE: Readonly<Record<Seen, readonly string[]>> = {
  head: [
    t('measure.headStraightNoseLineMiddle'),
    t('measure.cameraLevelEyesMetreAway'),
    t('measure.rulerBesideHead'),
    t('measure.combUpEarsTheyJudged')
  ],
  left: profile('left'),
  right: profile('right'),
  front: [t('measure.frontDogStands'), t('measure.frontCamera'), t('measure.frontRuler'), t('measure.postLoopOutWayIf')],
  rear: [t('measure.rearDogStands'), t('measure.rearCamera'), t('measure.rearRuler'), t('measure.rearTail')],
  above: [t('measure.aboveDogStands'), t('measure.aboveCamera'), t('measure.aboveRuler'), t('measure.aboveWall')]
}
const lines = () => GUIDE[props.seen]

async function run(work: () => Promise<PictureView>): Promise<void> {
  busy.value = true
  refused.value = null
  try {
    emit('taken', await work())
  } catch (error) {
    refused.value = sentenceOf(error)
  } finally {
    busy.value = false
  }
}
const fromCamera = () => run(() => ask('takePicture', { id: props.visitId, moment: 'after', stance: props.seen }))
/** A page that came by a secure way may open the camera itself and show how level it is held; else the tablet's own application takes the picture. */
const canLive = ref(typeof navigator.mediaDevices?.getUserMedia === 'function')
const live = ref(false)
async function openLive(): Promise<void> {
  refused.value = null
  // some tablets want to be asked, by a touch, before a page may read their sensors
  const sensor = window.DeviceOrientationEvent as unknown as { requestPermission?: () => Promise<string> } | undefined
  await sensor?.requestPermission?.().catch(() => 'denied')
  live.value = true
}
/** What opened the camera has the keys again. */
const opener = useTemplateRef<HTMLButtonElement>('opener')
function closeLive(): void {
  live.value = false
  void nextTick(() => opener.value?.focus())
}
function noLive(): void {
  live.value = canLive.value = false
  refused.value = t('measure.liveRefused')
}
function fromLive(file: Blob): void {
  live.value = false
  send(file)
}
function fromFile(event: Event): void {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (file) send(file)
}
function send(file: Blob): void {
  void run(async () => {
    const kept = await pictures.take({ visitId: props.visitId, moment: 'after', stance: props.seen, file })
    if (!kept) throw new Error(t('visit.peenNotAnsweringPictureSaved'))
    return kept
  })
}
</script>

<template>
  <div :data-take="seen">
    <template v-if="!again">
      <h2>{{ t('measure.howDogMustStand') }}</h2>
      <ul class="mt-1 mb-0 list-none p-0 leading-[1.35]">
        <li v-for="line in lines()" :key="line" class="border-b border-line py-2">{{ line }}</li>
      </ul>
    </template>
    <p class="mt-2 flex gap-2 leading-[1.3]">
      <GlyphMark name="danger" :size="18" class="mt-0.5 flex-none" />{{ t('measure.dogAloneNoPeoplesFaces') }}
    </p>
    <div class="mt-3 grid gap-2">
      <button v-if="hasCamera" class="btn btn-go" :disabled="busy" @click="fromCamera">
        {{ busy ? t('measure.taking') : again ? t('measure.takeAgainTableCamera') : t('measure.takeTableCamera') }}
      </button>
      <button v-if="canLive" ref="opener" class="btn" :disabled="busy" @click="openLive">{{ t('measure.takeTablet') }}</button>
      <label v-else class="btn cursor-pointer text-center focus-within:outline-3 focus-within:outline-ink"
        >{{ t('measure.takeTablet')
        }}<input class="sr-only" type="file" accept="image/*" capture="environment" :disabled="busy" @change="fromFile"
      /></label>
      <label class="btn btn-quiet cursor-pointer text-center focus-within:outline-3 focus-within:outline-ink"
        >{{ t('measure.choosePicture')
        }}<input
          class="sr-only"
          type="file"
          accept="image/jpeg,image/png,image/webp"
          :disabled="busy"
          :aria-label="t('measure.pictureSeen', { seen })"
          @change="fromFile"
      /></label>
    </div>
    <PrintBoard v-if="!again" class="mt-4" />
    <LiveCamera v-if="live" @taken="fromLive" @refused="noLive" @close="closeLive" />
    <p v-if="refused" class="mt-2 flex gap-2 leading-[1.3]" role="alert">
      <GlyphMark name="fails" :size="18" class="mt-0.5 flex-none" />{{ refused }}
    </p>
  </div>
</template>
