<script setup lang="ts">
import { addressOf } from '@peen/contract'
import type { GradingView, PictureView } from '@peen/contract'
import { computed, ref, watch } from 'vue'
import SheetDialog from '../components/SheetDialog.vue'
import { saveFile } from '../api/save-file'
import { drawnShapes, outlineShapes, type Shape } from './drawing'
import { paintExplained } from './paint-explained'
import type { Photo } from './usePhoto'
import { t } from '../words'

// The picture explained in one sheet: before beside after, where it is too long and too short, the biggest gains as callouts.
const props = defineProps<{ photo: Photo; grading: GradingView; before: PictureView | null }>()
defineEmits<{ close: [] }>()
const canvas = ref<HTMLCanvasElement | null>(null)
const failed = ref(false)
/** as many as can be minded: the same three that a grade sheet says at most */
const MOST_SAID = 3
const said = computed(() => (props.photo.result.value?.says ?? []).filter(({ loss }) => loss > 0).slice(0, MOST_SAID))
const shapes = computed<Shape[]>(() => {
  const found = props.photo.result.value
  if (!found) return []
  const own = said.value.length > 0 ? said.value : found.says.slice(0, 1)
  return [
    { kind: 'path', points: found.planned, closed: true, tone: 'plan' },
    ...outlineShapes(props.photo.marks.value.outline, found.departures),
    ...own.flatMap(({ drawn }) => drawnShapes(drawn))
  ]
})
const title = computed(() => `${props.grading.dog.name}, ${props.grading.standard.name}, ${props.grading.onDate}`)

// the sheet comes into the page a moment after it is asked for
watch(canvas, async (sheet) => {
  if (!sheet) return
  try {
    await paintExplained(sheet, {
      title: title.value,
      after: addressOf('picture', { id: props.photo.pictureId }),
      before: props.before ? addressOf('picture', { id: props.before.id }) : null,
      shapes: shapes.value,
      callouts: said.value.map(({ text, drawn }) => ({ text, drawn }))
    })
  } catch {
    failed.value = true
  }
})
function save(): void {
  canvas.value!.toBlob(
    (blob) => blob && saveFile(blob, `${props.grading.dog.name}-${props.photo.seen}-${props.grading.onDate}.png`),
    'image/png'
  )
}
</script>

<template>
  <SheetDialog open wide :title="t('measure.pictureExplained')" @close="$emit('close')">
    <p v-if="failed" role="alert">{{ t('measure.pictureCouldNotDrawnHere') }}</p>
    <canvas
      ref="canvas"
      class="mx-auto block h-auto max-h-[58vh] w-auto max-w-full border border-line"
      :aria-label="`${title}: ${said.map(({ text }) => text).join(' ')}`"
      data-explained
    />
    <ul class="mt-2 mb-0 list-none p-0">
      <li v-for="one in said" :key="one.text" class="py-1 leading-[1.3] font-[650]">{{ one.text }}</li>
      <li v-if="said.length === 0" class="py-1">{{ t('measure.nothingHereDiffersFromTrim') }}</li>
    </ul>
    <p class="muted">
      {{ t('measure.solidVioletLongerThanPlanned') }}
    </p>
    <button class="btn btn-go mt-2" @click="save">{{ t('measure.savePng') }}</button>
  </SheetDialog>
</template>
