<script setup lang="ts">
import { BOARDS, frameOf, type BoardKind, type PictureSize, type ScaleMark, type Seen } from '@peen/core/measure'
import { sayNumber } from '@peen/core/units'
import { computed } from 'vue'
import NumberBox from '../library/NumberBox.vue'
import { t } from '../words'

// What the measuring board says by itself: scale, and how the camera was held.
const props = defineProps<{ seen: Seen; size: PictureSize; scale: ScaleMark }>()
const emit = defineEmits<{ line: [kind: BoardKind, mm: number] }>()

const board = computed(() => props.scale.board!)
const layout = computed(() => BOARDS[board.value.kind])
const frame = computed(() => {
  try {
    return frameOf(props.seen, props.size, props.scale)
  } catch {
    // the outline's step says why, beside the picture
    return null
  }
})
/** A hand holds no camera to parts of a degree. */
const inDeg = (radians: number) => Math.round(Math.abs((radians * 180) / Math.PI))
const looks = computed(() => {
  const { pitch, yaw } = frame.value!.tilt
  if (inDeg(pitch) === 0 && inDeg(yaw) === 0) return t('measure.boardCameraLevel')
  return t('measure.boardCameraLooks', {
    pitch: inDeg(pitch),
    upOrDown: pitch < 0 ? 'up' : 'down',
    yaw: inDeg(yaw),
    side: yaw < 0 ? 'left' : 'right'
  })
})
</script>

<template>
  <div data-board>
    <p class="leading-[1.35]" role="status">
      <b>{{ t('measure.boardFound', { seen: board.markers.length, all: layout.markers.length }) }}</b>
    </p>
    <template v-if="frame">
      <p class="mt-1 leading-[1.35]">
        {{ t('measure.numberPixelsPerMillimetre', { number: sayNumber(frame.pxPerMm) })
        }}{{ t('measure.accurateNumber', { number: sayNumber(100 * frame.u01) }) }}.
      </p>
      <p class="mt-1 leading-[1.35]">{{ looks }}</p>
    </template>
    <NumberBox
      class="mt-2 block w-56"
      :label="t('measure.boardLine', { mm: layout.line.lengthMm })"
      :value="board.lineMm"
      :low="layout.line.lengthMm / 2"
      :high="layout.line.lengthMm * 1.5"
      @put="(mm) => mm !== null && emit('line', board.kind, mm)"
    />
    <p class="muted mt-1 leading-[1.3]">{{ t('measure.boardLineWhy') }}</p>
  </div>
</template>
